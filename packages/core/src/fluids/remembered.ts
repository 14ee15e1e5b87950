import type { Composition } from './composition';

/** Whoever asks for more states of one refrigerant is dragging something. */
const MOST_STATES = 256;

/**
 * What is asked of refrigerants again and again, by the composition itself (the object, not its content), so that nothing outlives it; what
 * is asked for again is what was computed. What throws is not remembered.
 */
export class Remembered<T> {
  private readonly states = new WeakMap<Composition, Map<number | string, T>>();

  of(composition: Composition, state: number | string, compute: () => T): T {
    const known = this.states.get(composition) ?? new Map<number | string, T>();
    if (known.has(state)) return known.get(state) as T;
    const found = compute();
    if (known.size >= MOST_STATES) known.clear();
    this.states.set(composition, known.set(state, found));
    return found;
  }
}
