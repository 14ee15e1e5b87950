import { partOf } from '@hygromet/core/circuit/circuit-of';
import type { Part, Valve } from '@hygromet/core/circuit/part';
import type { Layout, Pipe } from './circuit-layout';

interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where a finger hits a thing of the circuit: at least as large as a finger, whatever is drawn. */
export interface Touch extends Rect {
  readonly thing: Part | Valve;
}

/** In the drawing's own units. */
const FINGER_PX = 44;
const AROUND_PX = 2;
/** Less of a line than this is not offered: it would be hit by chance. */
const LEAST_LENGTH_PX = 26;

const around = (x: number, y: number, width: number, height: number): Rect => {
  const [w, h] = [Math.max(FINGER_PX, width + 2 * AROUND_PX), Math.max(FINGER_PX, height + 2 * AROUND_PX)];
  return { x: x + width / 2 - w / 2, y: y + height / 2 - h / 2, width: w, height: h };
};

/** What can be touched in a drawing: parts and valves at their places, the lines where nothing else sits on them. No two of them overlap. */
export function touchesOf({ parts, valves, pipes }: Layout): readonly Touch[] {
  const found: Touch[] = [
    ...parts.map(({ part, x, y, width, height }) => ({ thing: part, ...around(x, y, width, height) })),
    ...valves.map(({ valve, x, y, upright }) => ({
      thing: valve,
      ...(upright ? around(x - 10, y - 14, 20, 28) : around(x - 14, y - 10, 28, 20)),
    })),
  ];
  for (const line of ['liquid-line', 'suction-line', 'discharge-line'] as const) {
    const free = pipes
      .filter(({ carries }) => partOf(carries) === line)
      .flatMap(straights)
      .flatMap((straight) => freeOf(straight, found))
      .sort((one, other) => lengthOf(other) - lengthOf(one))[0];
    if (free !== undefined && lengthOf(free) >= LEAST_LENGTH_PX) found.push({ thing: line, ...free });
  }
  return found;
}

export const overlap = (a: Rect, b: Rect): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

const lengthOf = ({ width, height }: Rect): number => Math.max(width, height);

/** The straight pieces of a pipe, each as wide as a finger. */
function straights({ way }: Pipe): readonly Rect[] {
  const all: Rect[] = [];
  let [x, y] = [0, 0];
  for (const [, letter, numbers] of way.matchAll(/([MHV])([\d. ]+)/g)) {
    const [one = 0, other = 0] = numbers!.trim().split(' ').map(Number); // the pattern has numbers
    const [toX, toY] = letter === 'M' ? [one, other] : letter === 'H' ? [one, y] : [x, one];
    if (letter === 'H') all.push({ x: Math.min(x, toX), y: y - FINGER_PX / 2, width: Math.abs(toX - x), height: FINGER_PX });
    if (letter === 'V') all.push({ x: x - FINGER_PX / 2, y: Math.min(y, toY), width: FINGER_PX, height: Math.abs(toY - y) });
    [x, y] = [toX, toY];
  }
  return all;
}

/** What is left of a straight piece between the things that sit on it. */
function freeOf(straight: Rect, taken: readonly Rect[]): readonly Rect[] {
  const level = straight.height === FINGER_PX && straight.width !== FINGER_PX;
  return taken
    .filter((one) => overlap(straight, one))
    .reduce<readonly Rect[]>(
      (left, one) =>
        left.flatMap((piece) => {
          if (!overlap(piece, one)) return [piece];
          return level
            ? [
                { ...piece, width: one.x - piece.x },
                { ...piece, x: one.x + one.width, width: piece.x + piece.width - one.x - one.width },
              ].filter(({ width }) => width > 0)
            : [
                { ...piece, height: one.y - piece.y },
                { ...piece, y: one.y + one.height, height: piece.y + piece.height - one.y - one.height },
              ].filter(({ height }) => height > 0);
        }),
      [straight],
    );
}
