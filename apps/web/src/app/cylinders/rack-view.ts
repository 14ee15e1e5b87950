import type { Shelving } from './shelves';

/** What of the rack is shown, remembered on the device. */
export interface RackView {
  readonly search: string;
  readonly filter: string;
  readonly as: 'rack' | 'table';
  readonly by: Shelving;
}

/** Which cylinders are shown, with their number. */
export interface RackFilter {
  readonly id: string;
  readonly name: string;
  readonly grave: boolean;
}

export const ALL = 'all';
