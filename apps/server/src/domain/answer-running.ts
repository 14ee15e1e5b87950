import type { ComputeAnswer, ComputeRequest } from '@hygromet/contract/compute';
import { readingsFrom } from '@hygromet/contract/running-readings';
import { NoSteadyState } from '@hygromet/core/errors';
import { noFaults, type Conditions, type Faults } from '@hygromet/core/cycle/conditions';
import { designOf } from '@hygromet/core/cycle/cycle-design';
import { derivedOf, readingsOf } from '@hygromet/core/cycle/cycle-readings';
import { solveCycle } from '@hygromet/core/cycle/cycle-solve';
import { isSettled } from '@hygromet/core/cycle/settled';
import { sceneOf } from '@hygromet/core/cycle/cycle-state';
import { runningCheck } from '@hygromet/core/cycle/running-check';
import type { UnitPlate } from '@hygromet/core/cycle/unit';
import { whatIsAsked, type What } from './what-is-asked';

type Of<K extends ComputeRequest['op']> = Extract<ComputeRequest, { op: K }>;
type OwnUnit = Omit<Of<'runningCheck'>['unit'], keyof What>;

const plateOf = (asked: What, { kind, metering, capacityW, plateKg, plateSubcoolingK, receiverM3, lineM }: OwnUnit): UnitPlate => ({
  composition: whatIsAsked(asked),
  kind,
  metering,
  capacityW,
  plateKg,
  plateSubcoolingK,
  receiverM3,
  lineM,
});

/** One steady state of a unit that runs. @throws NoSteadyState where there is none */
export function answerCycle(request: Of<'cycle'>): ComputeAnswer {
  const { outdoorK, indoorK, indoorWetBulbK, outdoorWetBulbK, atmospherePa, rain, heating, chargeShare, faults } = request;
  const conditions: Conditions = { outdoorK, indoorK, indoorWetBulbK, outdoorWetBulbK, atmospherePa, rain, heating };
  const given = Object.fromEntries(Object.entries(faults).filter(([, value]) => value !== undefined));
  const current: Faults = { ...noFaults, ...given, charge: chargeShare };
  const unit = designOf(plateOf(request, request));
  const solved = solveCycle(unit, conditions, current);
  if (solved.state === 'not')
    throw new NoSteadyState(
      solved.why === 'beyond-high-pressure'
        ? 'It would trip on high pressure: the state lies beyond what is known of the refrigerant.'
        : 'There is no steady state: it floods back, or it starves.',
    );
  const { cycle } = solved;
  const scene = sceneOf(unit, conditions, current);
  const { superheat = 0, subcooling = 0, split = 0 } = derivedOf(scene, readingsOf(scene, cycle)); // all readings are there
  return {
    headPa: cycle.head,
    suctionPa: cycle.suction,
    superheatK: superheat,
    subcoolingK: subcooling,
    splitK: split,
    dischargeK: cycle.dischargeK,
    capacityW: cycle.capacityW,
    balance: { energy: Math.max(Math.abs(cycle.residual[0]), Math.abs(cycle.residual[1])), charge: Math.abs(cycle.residual[2]) },
  };
}

export function answerRunningCheck({ unit, conditions, readings, settled, series }: Of<'runningCheck'>): ComputeAnswer {
  const moments = (series ?? []).map(({ atS, superheatK, subcoolingK }) => ({ atS, superheat: superheatK, subcooling: subcoolingK }));
  // a series that is too short to say leaves it unsettled: what nobody has seen does not count as good
  const steady = series === undefined ? settled : (isSettled(moments) ?? false);
  const answer = runningCheck({ plate: plateOf(unit, unit), conditions, readings: readingsFrom(readings), settled: steady });
  return {
    settled: answer.settled,
    expected: answer.expected ?? null,
    chargeShare: answer.chargeShare === undefined ? null : { value: answer.chargeShare.value, range90: [...answer.chargeShare.range90] },
    explanations: [...answer.explanations],
    next: answer.next.map(({ name, bits }) => ({ reading: name, bits })),
    advice: answer.advice,
    withheld: answer.withheld ?? null,
    changeKg: answer.changeKg,
    slips: [...answer.slips],
  };
}
