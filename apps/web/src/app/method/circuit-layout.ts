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

const LEFT = 70;
const RIGHT = 380;
const TOP = 70;
const BOTTOM = 330;

const label = (x: number, y: number, anchor: Label['anchor'] = 'start'): Label => ({ x, y, anchor });

/** Every part at its place on the loop: outside above, inside below; hot on the right, cold on the left. */
const places: Readonly<Record<Part, DrawnPart | undefined>> = {
  compressor: { part: 'compressor', shape: 'round', x: LEFT - 28, y: 166, width: 56, height: 56, label: label(LEFT + 38, 199) },
  'discharge-line': undefined,
  'reversing-valve': { part: 'reversing-valve', shape: 'box', x: LEFT - 16, y: 104, width: 32, height: 32, label: label(LEFT + 26, 125) },
  condenser: { part: 'condenser', shape: 'coil', x: 120, y: TOP - 30, width: 130, height: 60, label: label(185, 26, 'middle') },
  receiver: { part: 'receiver', shape: 'box', x: 276, y: TOP - 22, width: 62, height: 44, label: label(307, 26, 'middle') },
  drier: { part: 'drier', shape: 'box', x: RIGHT - 9, y: 182, width: 18, height: 40, label: label(RIGHT + 20, 207) },
  'liquid-line': undefined,
  metering: { part: 'metering', shape: 'bow-tie', x: RIGHT - 14, y: 262, width: 28, height: 28, label: label(RIGHT + 24, 281) },
  evaporator: { part: 'evaporator', shape: 'coil', x: 160, y: BOTTOM - 30, width: 130, height: 60, label: label(225, 390, 'middle') },
  'suction-line': undefined,
  accumulator: { part: 'accumulator', shape: 'box', x: LEFT - 14, y: 240, width: 28, height: 40, label: label(LEFT + 24, 265) },
};

const valvePlaces: Readonly<Record<Valve, DrawnValve>> = {
  'liquid-service': { valve: 'liquid-service', x: RIGHT, y: 140, upright: true, label: label(RIGHT + 24, 145) },
  king: { valve: 'king', x: 358, y: TOP, upright: false, label: label(RIGHT + 14, 62) },
  'suction-service': { valve: 'suction-service', x: 112, y: BOTTOM, upright: false, label: label(112, 362, 'middle') },
};

/** The circuit of a kind of system as it is drawn; what it does not have is not drawn, and its pipe goes through. */
export function layoutOf(kind: SystemKind, valves: readonly Valve[]): Layout {
  const { parts } = kindOf(kind);
  return {
    width: 560,
    height: 404,
    parts: parts.flatMap((part) => places[part] ?? []),
    valves: valves.map((valve) => valvePlaces[valve]),
    pipes: [
      { part: 'discharge-line', way: `M${LEFT} 166V${TOP}H120` },
      // up to the valve the liquid belongs to the outdoor side
      {
        part: parts.includes('receiver') ? 'receiver' : 'condenser',
        way: valves.includes('king') ? `M250 ${TOP}H358` : `M250 ${TOP}H${RIGHT}V140`,
      },
      { part: 'liquid-line', way: valves.includes('king') ? `M358 ${TOP}H${RIGHT}V262` : `M${RIGHT} 140V262` },
      { part: 'evaporator', way: `M${RIGHT} 290V${BOTTOM}H290` },
      { part: 'suction-line', way: `M160 ${BOTTOM}H112` },
      { part: valves.includes('suction-service') ? 'compressor' : 'suction-line', way: `M112 ${BOTTOM}H${LEFT}V222` },
    ],
  };
}
