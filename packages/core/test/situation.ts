import { knownVolume } from '../src/circuit/part-volume';
import { cubicMetre } from '../src/units/quantity';
import type { SystemKind } from '../src/circuit/system-kind';
import { isFlammable, classificationOf } from '../src/fluids/classification';
import { refrigerant } from '../src/fluids/refrigerant';
import { massFrom } from '../src/units/mass';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../src/units/pressure';
import { fahrenheit } from '../src/units/temperature';
import type { Verdict } from '../src/planning/decide';
import { USUAL_EQUIPMENT } from '../src/planning/equipment';
import type { Method } from '../src/planning/method';
import { planFor, type Look, type RecordedSystem } from '../src/planning/plan';
import type { ReasonCode } from '../src/planning/reasons';
import { USUAL_PRACTICE } from '../src/planning/company-practice';
import type { Sight } from '../src/planning/sight';

/** A system as it stands in a register: pounds on the plate, nothing else known. */
export const system = (kind: SystemKind, id: string, lb: number, more: Partial<RecordedSystem> = {}): RecordedSystem => ({
  kind,
  composition: refrigerant(id).composition,
  flammable: isFlammable(classificationOf(id)),
  nameplateKg: massFrom(lb, 'lb'),
  contentKg: massFrom(lb, 'lb'),
  volumes: {},
  valves: {},
  compressor: 'scroll',
  switches: { low: 'fitted' },
  limits: [],
  ...more,
});

export const psig = (value: number) => pressureFrom(value, 'psig', STANDARD_ATMOSPHERE);
/** Nothing seen but the temperature of the day. */
export const nothing: Look = {
  T: fahrenheit(80),
  failed: 'unknown',
  compressor: 'unknown',
  metering: 'unknown',
  cooling: 'unknown',
  water: 'unknown',
  majorRepair: true,
  atmosphere: STANDARD_ATMOSPHERE,
  equipment: USUAL_EQUIPMENT,
};
export const HOLD = { 'liquid-service': 'holds', 'suction-service': 'holds' } as const;
/** Everything seen and in order, the evaporator to be opened. */
export const seen: Look = {
  ...nothing,
  standingPressure: psig(236),
  failed: 'evaporator',
  compressor: 'runs',
  metering: 'works',
  cooling: 'held',
  valves: HOLD,
};

/** The usual systems, and the walk-in with everything of it seen and in order. */
export const split = system('split', 'R-410A', 7);
export const heatPump = system('heat-pump', 'R-410A', 8);
export const walkIn = system('walk-in', 'R-449A', 16, { volumes: { receiver: knownVolume(cubicMetre(0.012), 'plate') } });
export const walkInSeen: Look = {
  ...seen,
  standingPressure: psig(155),
  failed: 'metering',
  valves: { king: 'holds', 'suction-service': 'holds' },
};

/** A situation of the trade, and what is expected of a method in it. */
export type Row = readonly [
  what: string,
  system: RecordedSystem,
  look: Look,
  method: Method,
  feasibility: Verdict['feasibility'],
  reason: ReasonCode | undefined,
  next: Sight | undefined,
  chosen: Method | undefined,
];

/** The verdict on one method, a reason that must be among those told, what is to be looked at next, and what is proposed as it stands. */
export function expectSituation([, entry, look, method, feasibility, reason, next, chosen]: Row): void {
  const { decision } = planFor(entry, look, USUAL_PRACTICE);
  const verdict = decision.verdicts.find((one) => one.method === method)!;
  expect([method, verdict.feasibility]).toEqual([method, feasibility]);
  if (reason === undefined) expect(verdict.reasons).toEqual([]);
  else expect(verdict.reasons.map(({ code }) => code)).toContain(reason);
  expect([decision.next?.see, decision.chosen]).toEqual([next, chosen]);
}
