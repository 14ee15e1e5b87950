import type { Quantity } from '@hygromet/core/instruments/quantity';

export const speeds = [1, 10, 60] as const;
export type Speed = (typeof speeds)[number];

/** A reading as an instrument shows it, SI; one that is lost on its way is not there. */
export type Shown = Readonly<Partial<Record<Quantity, number>>>;

/** Share of the readings that never arrive. */
const DROPPED = 0.005;

/** What arrives of what is shown. @param uniform 0 to 1, anew each time */
export const arriving = (all: Shown, uniform: () => number): Shown =>
  Object.fromEntries(Object.entries(all).filter(() => uniform() > DROPPED));

/** Something real that instruments are connected to. Its seconds pass `speed` times as fast as ours. */
export interface Played<Act> {
  /** Lets our seconds pass. */
  pass(seconds: number): void;
  do(act: Act): void;
  /** What stands on the displays now. */
  shown(): Shown;
  /** For the page of the simulation: what really is. */
  state(): { readonly speed: Speed; readonly t: number };
}
