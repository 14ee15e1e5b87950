import type { Cylinder } from '@hygromet/contract/cylinder';
import type { TransferScenario } from '@hygromet/contract/visit-transfer';
import type { Method } from '@hygromet/core/planning/method';
import { coolingOf, transferEquipment } from '@hygromet/core/planning/transfer-equipment';
import { ambientOf } from '../../method/plan-question';
import { airOfShare } from '@hygromet/core/twin/air';
import type { Scenario, RecoveryMethod } from '@hygromet/core/twin/scenario';
import { STANDARD_ATMOSPHERE } from '@hygromet/core/units/pressure';
import { usualTransfer } from '@hygromet/core/twin/usual-transfer';
import { usualHoseM } from '@hygromet/core/instruments/usual-instruments';
import type { PlanAnswer, PlanArgs } from '../../core-worker/plan-operations';

const METHODS: Partial<Record<Method, RecoveryMethod>> = {
  recover: 'liquid-first',
  'liquid-first': 'liquid-first',
  'push-pull': 'push-pull',
  pierce: 'vapour',
  'pump-down-and-recover': 'vapour',
};

/** What the twin of a visit's transfer is built from: plate and ledger, the look, the equipment. Nothing where one of them is not there. */
export function scenarioOf(
  question: PlanArgs | undefined,
  plan: PlanAnswer | undefined,
  cylinder: Cylinder | undefined,
  stopGrossKg?: number,
): TransferScenario | undefined {
  const method = plan?.method === undefined ? undefined : METHODS[plan.method];
  if (
    question === undefined ||
    plan === undefined ||
    cylinder === undefined ||
    method === undefined ||
    plan.content.likely < usualTransfer.least.kg
  )
    return undefined;
  const { T, equipment } = question.look;
  return {
    composition: question.composition,
    system: { ...systemOf(plan, T), ...airOf(question, plan) },
    cylinder: {
      volumeM3: cylinder.volumeM3,
      tareKg: cylinder.tareKg,
      contentKg: Math.max(0, cylinder.contentKg),
      temperatureK: T,
      cooling: coolingOf(equipment.cooling),
      stopKg: stopGrossKg === undefined ? stopOf(cylinder) : Math.max(usualTransfer.least.kg, stopGrossKg - cylinder.tareKg),
    },
    ...transferEquipment(equipment),
    ...ambientOf(question.look),
    method,
    endPa: Math.max(usualTransfer.least.endPa, plan.level.p),
  };
}

/** What the twin of a pump-down is built from; the cylinder stands beside it and takes no part. @param endPa Pa absolute */
export function pumpDownScenarioOf(question: PlanArgs | undefined, plan: PlanAnswer | undefined, endPa: number): Scenario | undefined {
  if (question === undefined || plan === undefined || plan.content.likely < usualTransfer.least.kg) return undefined;
  const { T } = question.look;
  return {
    composition: question.composition,
    system: systemOf(plan, T),
    cylinder: { volumeM3: 0.02, tareKg: 0, contentKg: 0, temperatureK: T, cooling: 'still-air' },
    machine: null,
    hoses: { size: '3/8', lengthM: usualHoseM, cores: 'out' },
    ambientK: T,
    method: 'pump-down',
    endPa: Math.max(usualTransfer.least.endPa, endPa),
  };
}

/** A charge on its way back. Masses in kg; what has gone in already counts with the system and no more with the cylinder. */
export interface Feeding {
  readonly inSystemKg: number;
  readonly inCylinderKg: number;
  readonly toGoKg: number;
  /** How much warmer the system is than the cylinder. */
  readonly warmerK: number;
  readonly hose: '1/4' | '3/8';
}

/** What the twin of a charge is built from that goes into a standing system. */
export function pushBackScenarioOf(
  question: PlanArgs | undefined,
  plan: PlanAnswer | undefined,
  { composition, volumeM3, tareKg }: Cylinder,
  { inSystemKg, inCylinderKg, toGoKg, warmerK, hose }: Feeding,
): Scenario | undefined {
  if (question === undefined || plan === undefined || composition === null || toGoKg < usualTransfer.least.kg) return undefined;
  const { T, equipment } = question.look;
  const { condenserM3, evaporatorM3 } = systemOf(plan, T);
  return {
    composition,
    system: { chargeKg: Math.max(0, inSystemKg), temperatureK: T, condenserM3, evaporatorM3 },
    cylinder: {
      volumeM3,
      tareKg,
      contentKg: inCylinderKg,
      temperatureK: T - warmerK,
      cooling: 'still-air',
      stopKg: Math.max(0, inCylinderKg - toGoKg),
    },
    machine: transferEquipment(equipment).machine,
    hoses: { size: hose, lengthM: usualHoseM, cores: equipment.cores },
    ambientK: T,
    method: 'push-back',
    endPa: STANDARD_ATMOSPHERE,
  };
}

const systemOf = ({ content, volume: { likely: volume } }: PlanAnswer, T: number) => ({
  chargeKg: content.likely,
  temperatureK: T,
  condenserM3: usualTransfer.condenserShare * volume,
  evaporatorM3: (1 - usualTransfer.condenserShare) * volume,
});

/** Air that the standing pressure shows, if it is air. */
function airOf({ composition, look: { T } }: PlanArgs, { asFound, content, volume }: PlanAnswer) {
  if (asFound.state !== 'air-or-other') return {};
  const airKg = airOfShare({ composition, volume: volume.likely, chargeKg: content.likely }, T, asFound.airShare);
  return airKg > 0 ? { airKg } : {};
}

/** kg in it at the stop weight; of one that is empty, a share of its water capacity as a rule: the fill page has the limit. */
const stopOf = ({ fillStatus, tareKg, volumeM3 }: Cylinder): number =>
  'stopGrossKg' in fillStatus
    ? Math.max(usualTransfer.least.kg, fillStatus.stopGrossKg - tareKg)
    : usualTransfer.fillOfUnknownLimit * 1000 * volumeM3;
