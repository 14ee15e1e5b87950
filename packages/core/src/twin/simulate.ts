import { refuseImpossible, type Scenario } from './scenario';
import { TransferRun, type Pace, type Simulated } from './transfer-run';

export type { Sample, Simulated, TwinEvent, TwinEventKind, EndReason } from './transfer-run';

/**
 * A transfer from its start to its end. Deterministic: the same scenario gives the same run, however it is reported, since no step is cut
 * in order to report. @param sampleEveryS s between samples @param untilS s at which it is left as it stands
 * @throws OutOfRange, NotANumber, the property core's errors
 */
export function simulate(scenario: Scenario, sampleEveryS: number, untilS = Number.POSITIVE_INFINITY, pace?: Pace): Simulated {
  refuseImpossible(scenario);
  const run = new TransferRun(scenario, Math.max(0.1, sampleEveryS), pace);
  while (!run.over && run.time < untilS) run.advance();
  return run.result();
}
