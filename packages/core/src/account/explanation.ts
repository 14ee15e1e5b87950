import data from './explanations.json';

export type ExplanationCode = keyof typeof data.explanations;
export const explanationCodes = Object.keys(data.explanations) as readonly ExplanationCode[]; // the keys of the table are the codes
export type DecidingCheck = keyof typeof data.minutes;
export const decidingChecks = Object.keys(data.minutes) as readonly DecidingCheck[]; // the keys of the table are the checks

/** What is known besides the masses: a check that was made rules its explanation in or out. */
export interface Known {
  /** Checks that were made, and whether each has found what it looks for. */
  readonly checked?: Partial<Record<DecidingCheck, boolean>>;
}

/** How a difference of that kind is distributed: in its direction, half-normal; in either, normal. */
export interface Size {
  readonly sign: 'missing' | 'surplus' | 'either';
  /** kg. */
  readonly scale: number;
  /** Share of visits, before the masses are looked at. */
  readonly prior: number;
  readonly decidedBy: DecidingCheck;
}

interface Row {
  readonly sign: string;
  readonly prior: number;
  readonly decidedBy: string;
  readonly ofExpected?: number;
  readonly ofRecovered?: number;
  readonly kg?: number;
}

export const minutesOf = (check: DecidingCheck): number => data.minutes[check];
export const NONE_PRIOR: number = data.none;

/** What a check that was made leaves of an explanation: found, it is all but certain; not found, all but excluded. */
const [FOUND, NOT_FOUND] = [20, 0.05];

export function sizeOf(code: ExplanationCode, expectedKg: number, recoveredKg: number, { checked = {} }: Known): Size {
  const { sign, prior, decidedBy, ofExpected = 0, ofRecovered = 0, kg = 0 } = data.explanations[code] as Row;
  const check = decidedBy as DecidingCheck; // `account.test.ts` holds the names
  const said = checked[check];
  const scale = Math.max(0.01, ofExpected * expectedKg + ofRecovered * recoveredKg + kg);
  return { sign: sign as Size['sign'], scale, prior: prior * (said === undefined ? 1 : said ? FOUND : NOT_FOUND), decidedBy: check };
}
