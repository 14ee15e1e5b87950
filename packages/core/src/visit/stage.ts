/** The stages of a visit, in the order in which they are usually done; they may be entered out of order. */
export const stages = ['look', 'method', 'transfer', 'account', 'repair', 'prove', 'recharge', 'check', 'close'] as const;
export type Stage = (typeof stages)[number];

/** What a person says of a stage: that it is done, or that this visit does not need it, with the reason. */
export const marks = ['done', 'not-needed', 'open-again'] as const;
export type Mark = (typeof marks)[number];

/** Why a stage is not needed. */
export type NotNeeded = 'flat' | 'nothing-removed' | 'nothing-to-repair' | 'not-opened' | 'taken-out-of-service' | 'said';

/** What is wrong with a stage. */
export type Trouble = 'facts-changed' | 'look-changed';

/** What a stage still lacks before it is done. */
export type Lack =
  | 'ambient'
  | 'standing-pressure'
  | 'failed-part'
  | 'plan'
  | 'weighed-transfer'
  | 'pump-down'
  | 'account-closed'
  | 'repair-said'
  | 'test'
  | 'recharge-said'
  | 'running-check'
  | 'stages-before';

export interface StageState {
  readonly stage: Stage;
  readonly state: 'done' | 'ahead' | 'not-needed' | 'trouble';
  readonly notNeeded?: NotNeeded;
  /** The person's own words, where one has said so. */
  readonly said?: string;
  readonly trouble?: Trouble;
  readonly lacks: readonly Lack[];
}
