import type { Part, Valve } from '@hygromet/core/circuit/part';
import type { Layout } from './circuit-layout';

/** Where a finger hits a thing of the circuit: at least as large as a finger, whatever is drawn. */
export interface Touch {
  readonly thing: Part | Valve;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** In the drawing's own units. */
const FINGER_PX = 44;
const AROUND_PX = 2;

const around = (x: number, y: number, width: number, height: number) => {
  const [w, h] = [Math.max(FINGER_PX, width + 2 * AROUND_PX), Math.max(FINGER_PX, height + 2 * AROUND_PX)];
  return { x: x + width / 2 - w / 2, y: y + height / 2 - h / 2, width: w, height: h };
};

/** Lines have no body: they are touched where nothing else sits on them, the longest free piece first. */
const lines: readonly (readonly [Part, readonly Omit<Touch, 'thing'>[]])[] = [
  [
    'liquid-line',
    [
      { x: 298, y: 166, width: FINGER_PX, height: 84 },
      { x: 298, y: 100, width: FINGER_PX, height: 76 },
      { x: 298, y: 226, width: FINGER_PX, height: 26 },
    ],
  ],
  [
    'suction-line',
    [
      { x: 70, y: 308, width: 114, height: FINGER_PX },
      { x: 138, y: 308, width: 46, height: FINGER_PX },
    ],
  ],
];

/** What can be touched in a drawing: parts and valves at their places, the lines beside them. No two of them overlap. */
export function touchesOf({ parts, valves, pipes }: Layout): readonly Touch[] {
  const bodies: Touch[] = [
    ...parts.map(({ part, x, y, width, height }) => ({ thing: part, ...around(x, y, width, height) })),
    ...valves.map(({ valve, x, y, upright }) => ({
      thing: valve,
      ...(upright ? around(x - 10, y - 14, 20, 28) : around(x - 14, y - 10, 28, 20)),
    })),
  ];
  const drawn = new Set(pipes.map(({ part }) => part));
  const found = lines.flatMap(([thing, places]) => {
    const free = places.map((place) => ({ thing, ...place })).find((touch) => !bodies.some((body) => overlap(body, touch)));
    return drawn.has(thing) && free !== undefined ? [free] : [];
  });
  return [...bodies, ...found];
}

export const overlap = (a: Touch, b: Touch): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
