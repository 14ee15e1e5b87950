import { nextStage } from '@hygromet/core/visit/stage-states';
import type { Lack, NotNeeded, Stage, StageState } from '@hygromet/core/visit/stage';

export const stageNames: Record<Stage, string> = {
  look: $localize`Look`,
  method: $localize`Method`,
  transfer: $localize`Transfer`,
  account: $localize`Account`,
  repair: $localize`Repair`,
  prove: $localize`Prove`,
  recharge: $localize`Recharge`,
  check: $localize`Check`,
  close: $localize`Close`,
};

const notNeededWords: Record<Exclude<NotNeeded, 'said'>, string> = {
  flat: $localize`the system is flat`,
  'nothing-removed': $localize`nothing was removed`,
  'nothing-to-repair': $localize`nothing to repair`,
  'not-opened': $localize`the circuit is not opened`,
  'taken-out-of-service': $localize`the system is taken out of service`,
};

const lackWords: Record<Lack, string> = {
  ambient: $localize`outdoor temperature`,
  'standing-pressure': $localize`standing pressure`,
  'failed-part': $localize`failed part`,
  plan: $localize`a saved method`,
  'weighed-transfer': $localize`a weighed transfer`,
  'pump-down': $localize`the pump-down`,
  'account-closed': $localize`the balance of the charge`,
  'repair-said': $localize`the repair`,
  test: $localize`pressure test and vacuum`,
  'recharge-said': $localize`the charge`,
  'running-check': $localize`a running check`,
  'stages-before': $localize`the stages before`,
};

/** What a stage still lacks, in a line; nothing where it lacks nothing. */
export const lacksText = ({ lacks }: StageState): string =>
  lacks.length === 0 ? '' : $localize`Still needed: ${lacks.map((lack) => lackWords[lack]).join(', ')}.`;

/** How a stage stands, as it is read out and shown beside its name. */
export function stateText({ state, notNeeded, said, trouble, lacks }: StageState): string {
  switch (state) {
    case 'done':
      return $localize`done`;
    case 'not-needed':
      return $localize`not needed: ${notNeeded === undefined || notNeeded === 'said' ? (said ?? '') : notNeededWords[notNeeded]}`;
    case 'trouble':
      return trouble === 'look-changed'
        ? $localize`what was found has changed since the method was saved`
        : $localize`the facts have changed since the method was saved`;
    case 'ahead':
      return lacks.length === 0 ? $localize`open` : $localize`needs ${lacks.map((lack) => lackWords[lack]).join(', ')}`;
    default:
      return state satisfies never;
  }
}

const nextWords: Record<Stage, string> = {
  look: $localize`Inspect the system`,
  method: $localize`Choose the method`,
  transfer: $localize`Fill a cylinder`,
  account: $localize`Balance the charge`,
  repair: $localize`Repair it`,
  prove: $localize`Pressure test and vacuum`,
  recharge: $localize`Recharge`,
  check: $localize`Check it running`,
  close: $localize`Close the visit`,
};

/** The one next action on a visit. */
export const nextActionText = (states: readonly StageState[]): string => {
  const stage = nextStage(states);
  return isPumpDown(states.find((entry) => entry.stage === stage)) ? $localize`Pump it down` : nextWords[stage];
};

/** Whether the charge is moved by the system's own compressor at this stage, and not into a cylinder. */
export const isPumpDown = (entry: StageState | undefined): boolean => entry?.lacks.includes('pump-down') ?? false;
