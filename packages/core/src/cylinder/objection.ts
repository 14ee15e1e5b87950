/** What can speak against filling a cylinder; alone in its file, so that a contract can name it without the model behind it. */
export const objections = [
  'retired',
  'nitrogen',
  'virgin',
  'overdue',
  'non-condensables',
  'class-too-low',
  'other-refrigerant',
  'not-evacuated',
  'negative-balance',
  'overfilled',
  'full',
  'tare-heavier',
  'collar-unconfirmed',
  'air-comes-along',
  'not-for-flammable',
  'burn-out-apart',
  'other-owner',
  'holds-other-recovered',
  'suspect-apart',
  'no-limit',
] as const;
export type Objection = (typeof objections)[number];
