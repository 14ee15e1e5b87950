import type { Cylinder } from '@hygromet/contract/cylinder';
import type { TransferScenario } from '@hygromet/contract/visit-transfer';
import type { Method } from '@hygromet/core/planning/method';
import { ambientOf } from '../../method/plan-question';
import type { Scenario, RecoveryMethod } from '@hygromet/core/twin/scenario';
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
const COOLINGS = { still: 'still-air', fan: 'fan', water: 'water', ice: 'ice' } as const;

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
    system: systemOf(plan, T),
    cylinder: {
      volumeM3: cylinder.volumeM3,
      tareKg: cylinder.tareKg,
      contentKg: Math.max(0, cylinder.contentKg),
      temperatureK: T,
      cooling: COOLINGS[equipment.cooling],
      stopKg: stopGrossKg === undefined ? stopOf(cylinder) : Math.max(usualTransfer.least.kg, stopGrossKg - cylinder.tareKg),
    },
    machine: equipment.machine === 'one-cylinder' ? 'one-cylinder' : 'two-cylinders',
    hoses: { size: equipment.hoses === 'quarter-inch' ? '1/4' : '3/8', lengthM: usualHoseM, cores: equipment.cores },
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

const systemOf = ({ content, volume: { likely: volume } }: PlanAnswer, T: number) => ({
  chargeKg: content.likely,
  temperatureK: T,
  condenserM3: usualTransfer.condenserShare * volume,
  evaporatorM3: (1 - usualTransfer.condenserShare) * volume,
});

/** kg in it at the stop weight; of one that is empty, a share of its water capacity as a rule: the fill page has the limit. */
const stopOf = ({ fillStatus, tareKg, volumeM3 }: Cylinder): number =>
  'stopGrossKg' in fillStatus
    ? Math.max(usualTransfer.least.kg, fillStatus.stopGrossKg - tareKg)
    : usualTransfer.fillOfUnknownLimit * 1000 * volumeM3;
