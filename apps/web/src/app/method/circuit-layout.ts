import { componentsOf, hasPart, type Circuit, type ComponentId, type ValveId } from '@hygromet/core/circuit/circuit';
import type { Part, Valve } from '@hygromet/core/circuit/part';
import { walkOf, type Stop } from './circuit-walk';

/** A pipe: its way, and the part of the circuit whose content it carries. */
export interface Pipe {
  readonly carries: ComponentId;
  readonly way: string;
}

/** Where a name stands, clear of every line. */
export interface Label {
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
}

export interface DrawnPart {
  readonly id: ComponentId;
  readonly part: Part;
  /** How many of them it stands for: the branches of a multi-split. */
  readonly count: number;
  readonly shape: 'box' | 'round' | 'coil' | 'bow-tie' | 'level-bow-tie' | 'glass';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly label: Label;
}

export interface DrawnValve {
  readonly id: ValveId;
  readonly valve: Valve;
  readonly x: number;
  readonly y: number;
  /** A valve in a pipe that goes up and down is turned. */
  readonly upright: boolean;
  readonly label: Label;
}

export interface Layout {
  readonly width: number;
  readonly height: number;
  readonly parts: readonly DrawnPart[];
  readonly valves: readonly DrawnValve[];
  readonly pipes: readonly Pipe[];
}

/** The loop: outside above, inside below; hot on the right, cold on the left. */
const LEFT_PX = 50;
const RIGHT_PX = 320;
const TOP_PX = 70;
const LEAST_BOTTOM_PX = 330;
/** Room that a thing takes of an upright pipe: as much as a finger at least. */
const SLOT_PX = 50;
/** How far below the top the way past the condenser runs. */
const BYPASS_PX = 62;
const BELOW_TOP_PX = 24;
const ABOVE_BOTTOM_PX = 34;
/** Air between two bodies on one pipe. */
const BETWEEN_PX = 12;

/** Every body by its part; what is not here is a line and has none. */
const bodies: Readonly<Partial<Record<Part, { readonly shape: DrawnPart['shape']; readonly width: number; readonly height: number }>>> = {
  compressor: { shape: 'round', width: 56, height: 56 },
  'reversing-valve': { shape: 'box', width: 32, height: 32 },
  condenser: { shape: 'coil', width: 112, height: 60 },
  'outdoor-metering': { shape: 'bow-tie', width: 28, height: 28 },
  receiver: { shape: 'box', width: 52, height: 44 },
  drier: { shape: 'box', width: 18, height: 40 },
  'sight-glass': { shape: 'glass', width: 28, height: 28 },
  solenoid: { shape: 'box', width: 26, height: 26 },
  metering: { shape: 'bow-tie', width: 28, height: 28 },
  evaporator: { shape: 'coil', width: 112, height: 60 },
  accumulator: { shape: 'box', width: 28, height: 40 },
};

type Side = 'left' | 'top' | 'right' | 'bottom';
interface Placed {
  readonly stop: Stop;
  readonly side: Side;
  /** Its middle. */
  readonly x: number;
  readonly y: number;
}

/** The circuit of a system as it is drawn, laid out from the graph: what it does not have is not drawn, and its pipe goes through. */
export function layoutOf(circuit: Circuit): Layout {
  const { stops, pieces } = walkOf(circuit);
  const sides = sidesOf(stops);
  const bypass = hasPart(circuit, 'head-pressure-valve');
  const branchValve = stops.some((stop) => stop.kind === 'valve' && stop.valve === 'branch-gas');
  const head = TOP_PX + BELOW_TOP_PX + (bypass ? 2 * SLOT_PX : 0);
  const foot = branchValve ? SLOT_PX + ABOVE_BOTTOM_PX : ABOVE_BOTTOM_PX;
  const bottom = Math.max(LEAST_BOTTOM_PX, head + foot + roomOf(sides.left), TOP_PX + BELOW_TOP_PX + ABOVE_BOTTOM_PX + roomOf(sides.right));
  const placed: readonly Placed[] = [
    ...upright(sides.left, 'left', LEFT_PX, head, bottom - foot),
    ...along(sides.top, 'top', TOP_PX),
    ...upright(sides.right, 'right', RIGHT_PX, TOP_PX + BELOW_TOP_PX, bottom - ABOVE_BOTTOM_PX),
    ...along(sides.bottom, 'bottom', bottom),
  ];
  const at = new Map(placed.map((one) => [one.stop.id, one]));
  return {
    width: 524,
    height: bottom + 64,
    parts: [...placed.flatMap((one) => drawnPart(one, circuit, bottom)), ...(bypass ? [headPressureValve()] : [])],
    valves: placed.flatMap((one) => drawnValve(one, bottom)),
    pipes: [
      ...(bypass ? BYPASS : []),
      ...pieces.map(({ from, to, carries }) => ({ carries, way: wayBetween(at.get(from.id)!, at.get(to.id)!, bottom) })), // every stop was placed
    ],
  };
}

/** A receiver stands beside the condenser where nothing comes between them; otherwise everything after it goes down the right side. */
function sidesOf(stops: readonly Stop[]): Readonly<Record<Side, readonly Stop[]>> {
  const place = (part: Part) => stops.findIndex((stop) => stop.kind === 'part' && stop.part === part);
  const [condenser, evaporator] = [place('condenser'), place('evaporator')];
  const beside = place('receiver') === condenser + 1;
  const king = beside && isValve(stops[condenser + 2], 'king');
  const topEnd = condenser + 1 + (beside ? 1 : 0) + (king ? 1 : 0);
  const back = stops.slice(evaporator + 1);
  const firstPart = back.findIndex(({ kind }) => kind === 'part');
  const below = firstPart === -1 ? back.length : firstPart; // valves ahead of every part stand under the evaporator's line
  return {
    // upwards: what comes back to the compressor, the compressor, what leaves it; drawn from above
    left: [...stops.slice(1, condenser).reverse(), stops[0]!, ...back.slice(below).reverse()],
    top: stops.slice(condenser, topEnd),
    right: stops.slice(topEnd, evaporator),
    bottom: [stops[evaporator]!, ...back.slice(0, below)],
  };
}

const isValve = (stop: Stop | undefined, valve: Valve): boolean => stop?.kind === 'valve' && stop.valve === valve;
const bodyOf = (stop: Stop) => (stop.kind === 'part' ? bodies[stop.part]! : { shape: 'bow-tie' as const, width: 20, height: 28 }); // lines are no stops
const slotOf = (stop: Stop): number => Math.max(SLOT_PX, bodyOf(stop).height + BETWEEN_PX);
const roomOf = (stops: readonly Stop[]): number => stops.reduce((sum, stop) => sum + slotOf(stop), 0);

/** Spread over an upright pipe, with what room is left between them. */
function upright(stops: readonly Stop[], side: 'left' | 'right', x: number, from: number, to: number): readonly Placed[] {
  const spare = (to - from - roomOf(stops)) / (stops.length + 1);
  let y = from;
  return stops.map((stop) => {
    y += spare + slotOf(stop);
    return { stop, side, x, y: Math.round(y - slotOf(stop) / 2) };
  });
}

/** Condenser, receiver and king valve above; the evaporator and the valves of the suction line below. */
const ALONG: Readonly<Record<'top' | 'bottom', Readonly<Record<string, number>>>> = {
  top: { condenser: 146, receiver: 246, king: 296 },
  bottom: { evaporator: 246, 'branch-gas': 162, 'suction-service': 112 },
};
const along = (stops: readonly Stop[], side: 'top' | 'bottom', y: number): readonly Placed[] =>
  stops.map((stop) => ({ stop, side, x: ALONG[side][stop.kind === 'part' ? stop.part : stop.valve]!, y })); // only those stand there

function drawnPart({ stop, side, x, y }: Placed, circuit: Circuit, bottom: number): readonly DrawnPart[] {
  if (stop.kind === 'valve') return [];
  const { shape, width, height } = bodyOf(stop);
  const place = { shape, width, height, x: x - width / 2, y: y - height / 2 };
  return [
    {
      id: stop.id,
      part: stop.part,
      count: componentsOf(circuit, stop.part).length,
      ...place,
      label: partLabel(side, x, y, width, bottom),
    },
  ];
}

function partLabel(side: Side, x: number, y: number, width: number, bottom: number): Label {
  if (side === 'top') return label(x, TOP_PX - 42, 'middle');
  if (side === 'bottom') return label(x, bottom + 54, 'middle');
  return label(x + width / 2 + 10, y + 6);
}

function drawnValve({ stop, side, x, y }: Placed, bottom: number): readonly DrawnValve[] {
  if (stop.kind === 'part') return [];
  const place = { id: stop.id, valve: stop.valve, x, y, upright: side === 'left' || side === 'right' };
  const text = side === 'top' ? label(RIGHT_PX + 14, TOP_PX - 6) : side === 'bottom' ? underLine(stop.valve, bottom) : label(x + 22, y + 6);
  return [{ ...place, label: text }];
}

const underLine = (valve: Valve, bottom: number): Label => (valve === 'branch-gas' ? label(62, bottom - 40) : label(4, bottom + 36));
const label = (x: number, y: number, anchor: Label['anchor'] = 'start'): Label => ({ x, y, anchor });

/** Hot gas goes past the condenser through the head pressure valve: below it in the drawing. */
const BYPASS: readonly Pipe[] = [
  { carries: 'discharge-line', way: `M72 ${TOP_PX}V${TOP_PX + BYPASS_PX}H126` },
  { carries: 'head-pressure-valve', way: `M154 ${TOP_PX + BYPASS_PX}H212V${TOP_PX}` },
];
const headPressureValve = (): DrawnPart => ({
  id: 'head-pressure-valve',
  part: 'head-pressure-valve',
  count: 1,
  shape: 'level-bow-tie',
  x: 126,
  y: TOP_PX + BYPASS_PX - 14,
  width: 28,
  height: 28,
  label: label(82, TOP_PX + BYPASS_PX + 36),
});

/** From one body to the next, round the corners that lie between their sides. */
function wayBetween(from: Placed, to: Placed, bottom: number): string {
  const start = end(from, 'after');
  const finish = end(to, 'before');
  const corners: Readonly<Record<Side, string>> = {
    left: `V${TOP_PX}`,
    top: `H${RIGHT_PX}`,
    right: `V${bottom}`,
    bottom: `H${LEFT_PX}`,
  };
  const order: readonly Side[] = ['left', 'top', 'right', 'bottom'];
  let way = `M${start.x} ${start.y}`;
  for (let k = order.indexOf(from.side); order[k % 4] !== to.side; k++) way += corners[order[k % 4]!]; // there are four sides
  return way + (to.side === 'left' || to.side === 'right' ? `V${finish.y}` : `H${finish.x}`);
}

/** Where a pipe comes in or leaves: with the flow, which goes up on the left and down on the right. A valve sits on its pipe. */
function end({ stop, side, x, y }: Placed, which: 'before' | 'after'): { readonly x: number; readonly y: number } {
  if (stop.kind === 'valve') return { x, y };
  const { width, height } = bodyOf(stop);
  const sign = which === 'after' ? 1 : -1;
  switch (side) {
    case 'left':
      return { x, y: y - (sign * height) / 2 };
    case 'right':
      return { x, y: y + (sign * height) / 2 };
    case 'top':
      return { x: x + (sign * width) / 2, y };
    case 'bottom':
      return { x: x - (sign * width) / 2, y };
    default:
      return side satisfies never;
  }
}
