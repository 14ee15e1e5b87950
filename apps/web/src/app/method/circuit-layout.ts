import type { Part, Valve } from '@hygromet/core/circuit/part';
import { kindOf, type SystemKind } from '@hygromet/core/circuit/system-kind';

/** A pipe: its way, and the part of the circuit whose content it carries. */
export interface Pipe {
  readonly part: Part;
  readonly way: string;
}

/** Where a name stands, clear of every line. */
export interface Label {
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
}

export interface DrawnPart {
  readonly part: Part;
  readonly shape: 'box' | 'round' | 'coil' | 'bow-tie';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly label: Label;
}

export interface DrawnValve {
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

const LEFT = 50;
const RIGHT = 320;
const TOP = 70;
const BOTTOM = 330;

const label = (x: number, y: number, anchor: Label['anchor'] = 'start'): Label => ({ x, y, anchor });

/** Every part at its place on the loop: outside above, inside below; hot on the right, cold on the left. Lines have no place of their own. */
const places: Readonly<Partial<Record<Part, DrawnPart>>> = {
  compressor: { part: 'compressor', shape: 'round', x: LEFT - 28, y: 166, width: 56, height: 56, label: label(LEFT + 38, 200) },
  'reversing-valve': { part: 'reversing-valve', shape: 'box', x: LEFT - 16, y: 106, width: 32, height: 32, label: label(LEFT + 26, 128) },
  condenser: { part: 'condenser', shape: 'coil', x: 90, y: TOP - 30, width: 112, height: 60, label: label(146, 28, 'middle') },
  receiver: { part: 'receiver', shape: 'box', x: 220, y: TOP - 22, width: 52, height: 44, label: label(246, 114, 'middle') },
  drier: { part: 'drier', shape: 'box', x: RIGHT - 9, y: 182, width: 18, height: 40, label: label(RIGHT + 20, 208) },
  metering: { part: 'metering', shape: 'bow-tie', x: RIGHT - 14, y: 262, width: 28, height: 28, label: label(RIGHT + 24, 282) },
  evaporator: { part: 'evaporator', shape: 'coil', x: 190, y: BOTTOM - 30, width: 112, height: 60, label: label(246, 384, 'middle') },
  accumulator: { part: 'accumulator', shape: 'box', x: LEFT - 14, y: 242, width: 28, height: 40, label: label(LEFT + 24, 268) },
};

const valvePlaces: Readonly<Record<Valve, DrawnValve>> = {
  'liquid-service': { valve: 'liquid-service', x: RIGHT, y: 140, upright: true, label: label(RIGHT + 22, 146) },
  king: { valve: 'king', x: 296, y: TOP, upright: false, label: label(RIGHT + 14, 64) },
  'suction-service': { valve: 'suction-service', x: 112, y: BOTTOM, upright: false, label: label(4, 366) },
};

/** The circuit of a kind of system as it is drawn; what it does not have is not drawn, and its pipe goes through. */
export function layoutOf(kind: SystemKind, valves: readonly Valve[]): Layout {
  const { parts } = kindOf(kind);
  return {
    width: 524,
    height: 394,
    parts: parts.flatMap((part) => places[part] ?? []),
    valves: valves.map((valve) => valvePlaces[valve]),
    pipes: [
      { part: 'discharge-line', way: `M${LEFT} 166V${TOP}H90` },
      // up to the valve the liquid belongs to the outdoor side
      {
        part: parts.includes('receiver') ? 'receiver' : 'condenser',
        way: valves.includes('king') ? `M202 ${TOP}H296` : `M202 ${TOP}H${RIGHT}V140`,
      },
      { part: 'liquid-line', way: valves.includes('king') ? `M296 ${TOP}H${RIGHT}V262` : `M${RIGHT} 140V262` },
      { part: 'evaporator', way: `M${RIGHT} 290V${BOTTOM}H302` },
      { part: 'suction-line', way: `M190 ${BOTTOM}H112` },
      { part: valves.includes('suction-service') ? 'compressor' : 'suction-line', way: `M112 ${BOTTOM}H${LEFT}V222` },
    ],
  };
}
