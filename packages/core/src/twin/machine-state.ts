import type { Deed } from './scenario';

/** What a recovery machine does: it draws from the system, with its suction open or throttled, or loops the cylinder, or stands. */
export const machineStates = ['on', 'throttled', 'loop', 'off'] as const;
export type MachineState = (typeof machineStates)[number];

/** From a moment on, s. */
export function machineDeed(at: number, state: MachineState): Deed {
  switch (state) {
    case 'on':
      return { at, machine: 'on', loop: 'off', suction: 'open' };
    case 'throttled':
      return { at, machine: 'on', loop: 'off', suction: 'throttled' };
    case 'loop':
      return { at, machine: 'on', loop: 'on' };
    case 'off':
      return { at, machine: 'off', loop: 'off' };
    default:
      return state satisfies never;
  }
}
