import { convert, instrumentFacts, isQuantity, type Quantity } from './quantity';
import { resolve, type SenmlRecord } from './senml';

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

export interface Received {
  readonly readings: readonly InstrumentReading[];
  readonly facts: readonly InstrumentFact[];
  /** Which record it was, from 0. */
  readonly problems: readonly { readonly record: number; readonly problem: SenmlProblem }[];
}

/** s that a clock may be ahead; what is further ahead is taken as of now, and said. */
const AHEAD = 30;
/** RFC 8428, section 4.5.1. */
const NAME = /^[A-Za-z0-9][A-Za-z0-9\-:./_]*$/;
const PREFIX = 'urn:dev:ser:';
const LONGEST_NAME = 120;

/**
 * What instruments say: names as "urn:dev:ser:<serial>:<quantity>", values in SI. What cannot be read is named by its record, and the others
 * are read all the same. @param now s since 1970
 */
export function received(pack: readonly SenmlRecord[], now: number): Received {
  const readings: InstrumentReading[] = [];
  const facts: InstrumentFact[] = [];
  const problems: { record: number; problem: SenmlProblem }[] = [];
  for (const { record, name, time, unit, value } of resolve(pack, now)) {
    const say = (problem: SenmlProblem) => void problems.push({ record, problem });
    const named = namedBy(name);
    if (typeof named === 'string') say(named);
    else if (value === undefined) say('value-missing');
    else {
      const at = Math.min(time, now);
      if (time > now + AHEAD) say('clock-ahead');
      const { instrument, what } = named;
      if (typeof value === 'number' && isQuantity(what)) {
        const converted = convert(what, value, unit);
        if ('problem' in converted) say(converted.problem);
        else readings.push({ instrument, quantity: what, at, value: converted.value });
      } else if (instrumentFacts.includes(what)) facts.push({ instrument, fact: what, at, value });
      else say('quantity-unknown');
    }
  }
  return { readings, facts, problems };
}

/** "urn:dev:ser:scale-1:gross" is what the scale with this number says of its gross weight. */
function namedBy(full: string): { readonly instrument: string; readonly what: string } | 'name-missing' | 'name-strange' {
  if (full === '') return 'name-missing';
  if (!NAME.test(full) || full.length > LONGEST_NAME) return 'name-strange';
  const text = full.startsWith(PREFIX) ? full.slice(PREFIX.length) : full;
  const cut = text.lastIndexOf(':');
  if (cut <= 0 || cut === text.length - 1) return 'name-strange';
  return { instrument: text.slice(0, cut), what: text.slice(cut + 1) };
}
