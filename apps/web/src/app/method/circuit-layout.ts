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

const LEFT_PX = 50;
const RIGHT_PX = 320;
const TOP_PX = 70;
const BOTTOM_PX = 330;

const label = (x: number, y: number, anchor: Label['anchor'] = 'start'): Label => ({ x, y, anchor });

/** Every part at its place on the loop: outside above, inside below; hot on the right, cold on the left. Lines have no place of their own. */
const places: Readonly<Partial<Record<Part, DrawnPart>>> = {
  compressor: { part: 'compressor', shape: 'round', x: LEFT_PX - 28, y: 166, width: 56, height: 56, label: label(LEFT_PX + 38, 200) },
  'reversing-valve': {
    part: 'reversing-valve',
    shape: 'box',
    x: LEFT_PX - 16,
    y: 106,
    width: 32,
    height: 32,
    label: label(LEFT_PX + 26, 128),
  },
  condenser: { part: 'condenser', shape: 'coil', x: 90, y: TOP_PX - 30, width: 112, height: 60, label: label(146, 28, 'middle') },
  receiver: { part: 'receiver', shape: 'box', x: 220, y: TOP_PX - 22, width: 52, height: 44, label: label(246, 114, 'middle') },
  drier: { part: 'drier', shape: 'box', x: RIGHT_PX - 9, y: 182, width: 18, height: 40, label: label(RIGHT_PX + 20, 208) },
  metering: { part: 'metering', shape: 'bow-tie', x: RIGHT_PX - 14, y: 262, width: 28, height: 28, label: label(RIGHT_PX + 24, 282) },
  evaporator: { part: 'evaporator', shape: 'coil', x: 190, y: BOTTOM_PX - 30, width: 112, height: 60, label: label(246, 384, 'middle') },
  accumulator: { part: 'accumulator', shape: 'box', x: LEFT_PX - 14, y: 242, width: 28, height: 40, label: label(LEFT_PX + 24, 268) },
};

const valvePlaces: Readonly<Record<Valve, DrawnValve>> = {
  'liquid-service': { valve: 'liquid-service', x: RIGHT_PX, y: 140, upright: true, label: label(RIGHT_PX + 22, 146) },
  king: { valve: 'king', x: 296, y: TOP_PX, upright: false, label: label(RIGHT_PX + 14, 64) },
  'suction-service': { valve: 'suction-service', x: 112, y: BOTTOM_PX, upright: false, label: label(4, 366) },
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
      { part: 'discharge-line', way: `M${LEFT_PX} 166V${TOP_PX}H90` },
      // up to the valve the liquid belongs to the outdoor side
      {
        part: parts.includes('receiver') ? 'receiver' : 'condenser',
        way: valves.includes('king') ? `M202 ${TOP_PX}H296` : `M202 ${TOP_PX}H${RIGHT_PX}V140`,
      },
      { part: 'liquid-line', way: valves.includes('king') ? `M296 ${TOP_PX}H${RIGHT_PX}V262` : `M${RIGHT_PX} 140V262` },
      { part: 'evaporator', way: `M${RIGHT_PX} 290V${BOTTOM_PX}H302` },
      { part: 'suction-line', way: `M190 ${BOTTOM_PX}H112` },
      { part: valves.includes('suction-service') ? 'compressor' : 'suction-line', way: `M112 ${BOTTOM_PX}H${LEFT_PX}V222` },
    ],
  };
}
