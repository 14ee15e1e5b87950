import { convert, instrumentFacts, isQuantity, type Quantity } from './quantity';

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

export interface InstrumentReading {
  readonly instrument: string;
  readonly quantity: Quantity;
  /** s since 1970. */
  readonly at: number;
  /** SI. */
  readonly value: number;
}

export interface InstrumentFact {
  readonly instrument: string;
  readonly fact: string;
  readonly at: number;
  readonly value: string | number | boolean;
}

export const senmlProblems = [
  'name-missing',
  'name-strange',
  'value-missing',
  'quantity-unknown',
  'unit-unknown',
  'unit-of-another-kind',
  'out-of-range',
  'clock-ahead',
] as const;
export type SenmlProblem = (typeof senmlProblems)[number];

export interface Resolved {
  readonly readings: readonly InstrumentReading[];
  readonly facts: readonly InstrumentFact[];
  /** Which record it was, from 0. */
  readonly problems: readonly { readonly record: number; readonly problem: SenmlProblem }[];
}

/** Below this a time counts from now (RFC 8428, section 4.5.3). */
const RELATIVE_BELOW = 2 ** 28;
/** s that a clock may be ahead; what is further ahead is taken as of now, and said. */
const AHEAD = 30;
/** RFC 8428, section 4.5.1. */
const NAME = /^[A-Za-z0-9][A-Za-z0-9\-:./_]*$/;
const PREFIX = 'urn:dev:ser:';

/**
 * Records with their base fields worked in: names as "urn:dev:ser:<serial>:<quantity>", times absolute, values in SI. What cannot be read
 * is named by its record, and the others are read all the same. @param now s since 1970
 */
export function resolve(pack: readonly SenmlRecord[], now: number): Resolved {
  const readings: InstrumentReading[] = [];
  const facts: InstrumentFact[] = [];
  const problems: { record: number; problem: SenmlProblem }[] = [];
  let [bn, bt, bu, bv] = ['', 0, undefined as string | undefined, 0];
  for (const [record, own] of pack.entries()) {
    bn = own.bn ?? bn;
    bt = own.bt ?? bt;
    bu = own.bu ?? bu;
    bv = own.bv ?? bv;
    const valueless = own.v === undefined && own.vs === undefined && own.vb === undefined;
    // a record of base fields alone is none of its own
    if (valueless && own.n === undefined && (own.bn ?? own.bt ?? own.bu ?? own.bv ?? own.bver) !== undefined) continue;
    const say = (problem: SenmlProblem) => void problems.push({ record, problem });
    const name = namedBy(bn + (own.n ?? ''));
    if (typeof name === 'string') {
      say(name);
      continue;
    }
    if (valueless) {
      say('value-missing');
      continue;
    }
    const time = bt + (own.t ?? 0);
    const told = time < RELATIVE_BELOW ? now + time : time;
    if (told > now + AHEAD) say('clock-ahead');
    const at = Math.min(told, now);
    const { instrument, what } = name;
    if (own.v !== undefined && isQuantity(what)) {
      const converted = convert(what, bv + own.v, own.u ?? bu);
      if ('problem' in converted) say(converted.problem);
      else readings.push({ instrument, quantity: what, at, value: converted.value });
    } else if (instrumentFacts.includes(what)) facts.push({ instrument, fact: what, at, value: own.vs ?? own.vb ?? bv + own.v! });
    else say('quantity-unknown');
  }
  return { readings, facts, problems };
}

/** "urn:dev:ser:scale-1:gross" is what the scale with this number says of its gross weight. */
function namedBy(full: string): { readonly instrument: string; readonly what: string } | 'name-missing' | 'name-strange' {
  if (full === '') return 'name-missing';
  if (!NAME.test(full) || full.length > 120) return 'name-strange';
  const own = full.startsWith(PREFIX) ? full.slice(PREFIX.length) : full;
  const cut = own.lastIndexOf(':');
  if (cut <= 0 || cut === own.length - 1) return 'name-strange';
  return { instrument: own.slice(0, cut), what: own.slice(cut + 1) };
}
