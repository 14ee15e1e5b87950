import { partOf } from '@hygromet/core/circuit/circuit-of';
import type { Circuit, ComponentId, Link, ValveId } from '@hygromet/core/circuit/circuit';
import type { Part, Valve } from '@hygromet/core/circuit/part';

/** A thing on the loop that has a body in the drawing. */
export type Stop =
  | { readonly kind: 'part'; readonly id: ComponentId; readonly part: Part }
  | { readonly kind: 'valve'; readonly id: ValveId; readonly valve: Valve };

/** A piece of pipe between two stops, and the component whose content it carries. */
export interface Piece {
  readonly from: Stop;
  readonly to: Stop;
  readonly carries: ComponentId;
}

/** What has no body on the loop: lines, and the head pressure valve, which is drawn on the way past the condenser. */
const isLine = (id: ComponentId): boolean => id.startsWith('before-') || id === 'head-pressure-valve' || partOf(id).endsWith('-line');

/**
 * Once round a circuit with the refrigerant, from the compressor back to it: its stops, and the pipes between them. Of several branches
 * the first is walked: in the drawing it stands for all of them.
 */
export function walkOf(circuit: Circuit): { readonly stops: readonly Stop[]; readonly pieces: readonly Piece[] } {
  const stops: Stop[] = [{ kind: 'part', id: 'compressor', part: 'compressor' }];
  const pieces: Piece[] = [];
  // the line that was passed since the last stop carries its own content; where there was none, the part above it does
  let line: ComponentId | undefined;
  const stop = (next: Stop, carries: ComponentId) => {
    pieces.push({ from: stops.at(-1)!, to: next, carries: line ?? carries }); // there is always the compressor
    if (next.kind === 'valve' || next.id !== 'compressor') stops.push(next);
    line = undefined;
  };
  for (const { from, to, barrier } of wayRound(circuit)) {
    if (barrier?.kind === 'hand-valve') {
      stop({ kind: 'valve', id: barrier.id, valve: barrier.valve }, from);
      line = to;
    }
    // what is passed for the second time is drawn once: there it is a line
    if (isLine(to) || stops.slice(1).some(({ id }) => id === to)) line = to;
    else stop({ kind: 'part', id: to, part: partOf(to) }, from);
  }
  return { stops, pieces };
}

/** Each link is passed once: a reversing valve is passed twice, by either of its ways. */
function wayRound({ links }: Circuit): readonly Link[] {
  const way: Link[] = [];
  let at: ComponentId = 'compressor';
  do {
    const next = links.find((link) => link.from === at && !way.includes(link));
    if (next === undefined) break;
    way.push(next);
    at = next.to;
  } while (at !== 'compressor');
  return way;
}
