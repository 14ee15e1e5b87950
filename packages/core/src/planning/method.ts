/** Ways to bring the refrigerant out of the way of a repair, in the order in which they are offered. */
export const methods = [
  'nothing',
  'pump-down-condenser',
  'pump-down-receiver',
  'pump-down-and-recover',
  'liquid-first',
  'push-pull',
  'recover',
  'pierce',
] as const;
export type Method = (typeof methods)[number];

/** Those that move the charge with the system's own compressor. */
export const pumpDowns: readonly Method[] = ['pump-down-condenser', 'pump-down-receiver', 'pump-down-and-recover'];
/** Those that take it out through a port into a cylinder. */
export const recoveries: readonly Method[] = ['liquid-first', 'push-pull', 'recover'];
