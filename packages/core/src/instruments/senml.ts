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
  return pack.flatMap((senmlRecord, record): ResolvedRecord[] => {
    bn = senmlRecord.bn ?? bn;
    bt = senmlRecord.bt ?? bt;
    bu = senmlRecord.bu ?? bu;
    bv = senmlRecord.bv ?? bv;
    const value = senmlRecord.v === undefined ? (senmlRecord.vs ?? senmlRecord.vb) : bv + senmlRecord.v;
    const base = (senmlRecord.bn ?? senmlRecord.bt ?? senmlRecord.bu ?? senmlRecord.bv ?? senmlRecord.bver) !== undefined;
    if (value === undefined && senmlRecord.n === undefined && base) return [];
    const time = bt + (senmlRecord.t ?? 0);
    return [
      { record, name: bn + (senmlRecord.n ?? ''), time: time < RELATIVE_BELOW ? now + time : time, unit: senmlRecord.u ?? bu, value },
    ];
  });
}
