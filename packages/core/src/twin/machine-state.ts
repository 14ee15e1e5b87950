import type { Deed } from './scenario';

/** What a recovery machine does: it draws from the system, with its suction open or throttled, or loops the cylinder, or purges itself into it, or stands. */
export const machineStates = ['on', 'throttled', 'loop', 'purge', 'off'] as const;
export type MachineState = (typeof machineStates)[number];

/** From a moment on, s. */
export function machineDeed(at: number, state: MachineState): Deed {
  switch (state) {
    case 'on':
      return { at, machine: 'on', task: 'recover', suction: 'open' };
    case 'throttled':
      return { at, machine: 'on', task: 'recover', suction: 'throttled' };
    case 'loop':
    case 'purge':
      return { at, machine: 'on', task: state };
    case 'off':
      return { at, machine: 'off', task: 'recover' };
    default:
      return state satisfies never;
  }
}
