import { noFaults, type Faults } from './conditions';
import data from './hypotheses.json';

export type HypothesisCode = keyof typeof data.of;
export const hypothesisCodes = Object.keys(data.of) as readonly HypothesisCode[]; // the keys of the table are the codes

export interface Severity {
  readonly code: HypothesisCode;
  readonly faults: Faults;
}

/** Every hypothesis with each of its severities, one fault at a time. */
export const severities: readonly Severity[] = hypothesisCodes.flatMap((code) => {
  const { fault, grid } = data.of[code];
  return grid.map((value): Severity => ({ code, faults: { ...noFaults, [fault]: value } }));
});

export const priorOf = (code: HypothesisCode): number => data.of[code].prior;
export const isCharge = (code: HypothesisCode): boolean => code === 'ok' || code === 'undercharge' || code === 'overcharge';
