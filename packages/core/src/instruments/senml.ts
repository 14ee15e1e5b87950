/** A record of SenML (RFC 8428, section 4): base fields hold from where they stand onwards. */
export interface SenmlRecord {
  readonly bn?: string | undefined;
  readonly bt?: number | undefined;
  readonly bu?: string | undefined;
  readonly bv?: number | undefined;
  readonly bver?: number | undefined;
  readonly n?: string | undefined;
  readonly u?: string | undefined;
  readonly v?: number | undefined;
  readonly vs?: string | undefined;
  readonly vb?: boolean | undefined;
  readonly t?: number | undefined;
}

/** A record with its base fields worked in (RFC 8428, section 4.6). */
export interface ResolvedRecord {
  /** Which record it was, from 0. */
  readonly record: number;
  readonly name: string;
  /** s since 1970. */
  readonly time: number;
  readonly unit: string | undefined;
  readonly value: number | string | boolean | undefined;
}

/** Below this a time counts from now (RFC 8428, section 4.5.3). */
const RELATIVE_BELOW = 2 ** 28;

/** Names put together, times absolute, base value added. A record of base fields alone is none of its own. @param now s since 1970 */
export function resolve(pack: readonly SenmlRecord[], now: number): readonly ResolvedRecord[] {
  let [bn, bt, bu, bv] = ['', 0, undefined as string | undefined, 0];
  return pack.flatMap((own, record): ResolvedRecord[] => {
    bn = own.bn ?? bn;
    bt = own.bt ?? bt;
    bu = own.bu ?? bu;
    bv = own.bv ?? bv;
    const value = own.v === undefined ? (own.vs ?? own.vb) : bv + own.v;
    const base = (own.bn ?? own.bt ?? own.bu ?? own.bv ?? own.bver) !== undefined;
    if (value === undefined && own.n === undefined && base) return [];
    const time = bt + (own.t ?? 0);
    return [{ record, name: bn + (own.n ?? ''), time: time < RELATIVE_BELOW ? now + time : time, unit: own.u ?? bu, value }];
  });
}
