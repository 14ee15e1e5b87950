import { nextStage } from '@hygromet/core/visit/stage-states';
import type { Lack, NotNeeded, Stage, StageState } from '@hygromet/core/visit/stage';

export const stageNames: Record<Stage, string> = {
  look: 'Look',
  method: 'Method',
  transfer: 'Transfer',
  account: 'Account',
  repair: 'Repair',
  prove: 'Prove',
  recharge: 'Recharge',
  check: 'Check',
  close: 'Close',
};

const notNeededWords: Record<Exclude<NotNeeded, 'said'>, string> = {
  flat: 'the system is flat',
  'nothing-removed': 'nothing was removed',
  'nothing-to-repair': 'nothing to repair',
  'not-opened': 'the circuit is not opened',
  'taken-out-of-service': 'the system is taken out of service',
};

const lackWords: Record<Lack, string> = {
  ambient: 'outdoor temperature',
  'standing-pressure': 'standing pressure',
  'failed-part': 'failed part',
  plan: 'a saved method',
  'weighed-transfer': 'a weighed transfer',
  'pump-down': 'the pump-down',
  'account-closed': 'the balance of the charge',
  'repair-said': 'the repair',
  test: 'pressure test and vacuum',
  'recharge-said': 'the charge',
  'running-check': 'a running check',
  'stages-before': 'the stages before',
};

/** What a stage still lacks, in a line; nothing where it lacks nothing. */
export const lacksText = ({ lacks }: StageState): string =>
  lacks.length === 0 ? '' : `Still needed: ${lacks.map((lack) => lackWords[lack]).join(', ')}.`;

/** How a stage stands, as it is read out and shown beside its name. */
export function stateText({ state, notNeeded, said, trouble, lacks }: StageState): string {
  switch (state) {
    case 'done':
      return 'done';
    case 'not-needed':
      return `not needed: ${notNeeded === undefined || notNeeded === 'said' ? (said ?? '') : notNeededWords[notNeeded]}`;
    case 'trouble':
      return trouble === 'look-changed'
        ? 'what was found has changed since the method was saved'
        : 'the facts have changed since the method was saved';
    case 'ahead':
      return lacks.length === 0 ? 'open' : `needs ${lacks.map((lack) => lackWords[lack]).join(', ')}`;
    default:
      return state satisfies never;
  }
}

const nextWords: Record<Stage, string> = {
  look: 'Inspect the system',
  method: 'Choose the method',
  transfer: 'Fill a cylinder',
  account: 'Balance the charge',
  repair: 'Repair it',
  prove: 'Pressure test and vacuum',
  recharge: 'Recharge',
  check: 'Check it running',
  close: 'Close the visit',
};

/** The one next action on a visit. */
export const nextActionText = (states: readonly StageState[]): string => {
  const stage = nextStage(states);
  return isPumpDown(states.find((entry) => entry.stage === stage)) ? 'Pump it down' : nextWords[stage];
};

/** Whether the charge is moved by the system's own compressor at this stage, and not into a cylinder. */
export const isPumpDown = (entry: StageState | undefined): boolean => entry?.lacks.includes('pump-down') ?? false;
