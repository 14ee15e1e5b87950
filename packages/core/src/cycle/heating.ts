import { noFaults, type Conditions } from './conditions';
import data from './cycle-parameters.json';
import { sceneOf, stateAt, type Unknown } from './cycle-state';
import type { Unit } from './unit';

export const heatingRating: Conditions = { outdoorK: data.heating.outdoorK, indoorK: data.heating.indoorK, heating: true };

const remembered = new WeakMap<Unit, Unit>();

/**
 * A heat pump as it heats: its coils have changed places, it has a metering device of its own, and what the smaller condenser has no room for
 * rests beside the circuit. Fitted so that the charge of the plate gives its usual subcooling at 47 °F outdoors.
 */
export function heatingOf(unit: Unit): Unit {
  const known = remembered.get(unit);
  if (known !== undefined) return known;
  const made = fitted(unit);
  remembered.set(unit, made);
  return made;
}

function fitted(unit: Unit): Unit {
  const scene = sceneOf(unit, heatingRating, noFaults);
  const { table } = unit;
  const superheat = (pe: number) => Math.min(0.9, data.heating.superheatK / Math.max(1, scene.evaporatorAir.T - table.saturation(pe).Td));
  const at = (pc: number, pe: number) => stateAt(scene, [pc, pe, -Math.log(1 - superheat(Math.exp(pe)))] as Unknown);
  // how far the subcooling and the evaporator's area are off
  const off = (pc: number, pe: number): readonly [number, number] => {
    const { liquidK, residual } = at(pc, pe);
    return [(table.saturation(Math.exp(pc)).Tb - liquidK - data.heating.subcoolingK) / 10, residual[1]];
  };
  const saturatedAt = (T: number) => Math.log(table.liquid(T).p);
  let [pc, pe] = [saturatedAt(data.heating.indoorK + 20), saturatedAt(data.heating.outdoorK - 9)];
  for (let step = 0; step < 60; step++) {
    const [a, b] = off(pc, pe);
    if (Math.hypot(a, b) < 1e-9) break;
    const d = 1e-5;
    const [byC, byE] = [off(pc + d, pe), off(pc, pe + d)];
    const [m11, m21, m12, m22] = [(byC[0] - a) / d, (byC[1] - b) / d, (byE[0] - a) / d, (byE[1] - b) / d];
    const determinant = m11 * m22 - m12 * m21;
    if (Math.abs(determinant) < 1e-12) break;
    const [dc, de] = [(-a * m22 + b * m12) / determinant, (-b * m11 + a * m21) / determinant];
    const limit = Math.max(1, Math.abs(dc) / 0.1, Math.abs(de) / 0.1);
    [pc, pe] = [pc + dc / limit, pe + de / limit];
  }
  const { holdsKg, residual, u } = at(pc, pe);
  return { ...unit, meteringArea: unit.meteringArea / Math.exp(residual[0]), restsKg: unit.chargeKg - holdsKg, rated: u };
}
