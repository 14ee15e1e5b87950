import type { ComputeAnswer, ComputeRequest } from '@hygromet/contract/compute';
import { accountOf } from '@hygromet/core/account/account';
import { restored, restoreModel, type RestoreTask } from '@hygromet/core/account/restore';
import { chargeTarget, floodedCharge } from '@hygromet/core/charge/charge-target';
import { feedRate } from '@hygromet/core/charge/feeding';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { compositionFrom } from '@hygromet/core/fluids/refrigerant';
import { judgeHold } from '@hygromet/core/proof/hold';
import { holdLimits, nitrogenPerYear } from '@hygromet/core/proof/hold-limit';
import { refrigerantPerNitrogen } from '@hygromet/core/proof/leak-conversion';
import { judgePullDown } from '@hygromet/core/proof/pull-down';
import { judgeRise } from '@hygromet/core/proof/rise';
import { PASCAL_PER_PSI, type HoldMeta } from '@hygromet/core/proof/trace';
import { simulate } from '@hygromet/core/twin/simulate';
import { kelvin, pascal, type Metre } from '@hygromet/core/units/quantity';
import { answerCycle, answerRunningCheck } from './answer-running';
import type { Solve } from './solver';
import { whatIsAsked, type What } from './what-is-asked';

type Of<K extends ComputeRequest['op']> = Extract<ComputeRequest, { op: K }>;

/** Answers one question; the command line and the interface for programs ask the same. @throws the core's errors */
export function answerCompute(request: ComputeRequest, solve: Solve): ComputeAnswer {
  switch (request.op) {
    case 'simulate': {
      const { refrigerant: id, composition, ...scenario } = request.scenario;
      const { samples, events, end, balance } = simulate(
        { ...scenario, composition: whatIsAsked({ refrigerant: id, composition }) },
        request.sampleEveryS,
      );
      const { reason, t, grossKg, leftKg } = end;
      return {
        samples: [...samples],
        events: [...events],
        end: { reason, t, grossKg, leftKg },
        balance: { mass: balance.mass, energy: balance.energy },
      };
    }
    case 'hold':
      return hold(request);
    case 'holdLimit':
      return holdLimit(request);
    case 'rise': {
      const answer = judgeRise(request.meta, request.phases, request.leakAbove);
      const [low, high] = answer.leak.interval90;
      return { ...answer, leak: { ...answer.leak, interval90: [low, orNothing(high)] } };
    }
    case 'pullDown': {
      const { pumpSpeed, ultimate, ...meta } = request.meta;
      const rig = { ...meta, ...(pumpSpeed === undefined ? {} : { pumpSpeed }), ...(ultimate === undefined ? {} : { ultimate }) };
      return judgePullDown(rig, request.readings);
    }
    case 'account': {
      const { explanations, ...account } = accountOf(request, request.checked === undefined ? {} : { checked: request.checked });
      return { ...account, explanations: [...explanations] };
    }
    case 'restore':
      return restore(request, solve);
    case 'chargeTarget':
      return target(request);
    case 'feedRate': {
      const { superheatK, massFlowKgPerS: massFlow, suctionK, cylinderK } = request;
      const composition = whatIsAsked(request);
      return feedRate({
        composition,
        superheatK,
        massFlow,
        suctionK: suctionK === undefined ? undefined : kelvin(suctionK),
        cylinderK: cylinderK === undefined ? undefined : kelvin(cylinderK),
      });
    }
    case 'cycle':
      return answerCycle(request);
    case 'runningCheck':
      return answerRunningCheck(request);
    default:
      return request satisfies never;
  }
}

/** JSON has no infinity: what is beyond any number is nothing. */
const orNothing = (value: number): number | null => (Number.isFinite(value) ? value : null);

/** Where nobody says which refrigerant, the span of the usual ones. */
const USUAL = ['R-134a', 'R-22', 'R-32', 'R-125', 'R-290', 'R-1234yf'];

function perNitrogen(asked: What, meta: HoldMeta): { readonly low: number; readonly high: number } {
  const p = pascal(meta.barometerPa + meta.setPressurePsig * PASCAL_PER_PSI);
  const named = asked.refrigerant !== undefined || asked.composition !== undefined;
  const compositions = named ? [whatIsAsked(asked)] : USUAL.map((id) => refrigerant(id).composition);
  const spans = compositions.map((composition) => refrigerantPerNitrogen(composition, p));
  return { low: Math.min(...spans.map(({ low }) => low)), high: Math.max(...spans.map(({ high }) => high)) };
}

function hold(request: Of<'hold'>): ComputeAnswer {
  const { meta, readings, tightTo } = request;
  const result = judgeHold(meta, readings, tightTo);
  const nitrogenKgPerYear = nitrogenPerYear(result.lossPerHour, meta);
  const { low, high } = perNitrogen(request, meta);
  return {
    ...result,
    sigma: orNothing(result.sigma),
    interval90: [result.interval90[0], orNothing(result.interval90[1])],
    excludesAbove: orNothing(result.excludesAbove),
    budget: [...result.budget],
    problems: [...result.problems],
    nitrogenKgPerYear,
    refrigerantKgPerYear: [low * nitrogenKgPerYear, high * nitrogenKgPerYear],
  };
}

function holdLimit(request: Of<'holdLimit'>): ComputeAnswer {
  const { low, high } = perNitrogen(request, request.meta);
  return {
    limits: holdLimits(request.meta, request.durationsS).map((limit) => ({
      ...limit,
      refrigerantKgPerYear: [low * limit.nitrogenKgPerYear, high * limit.nitrogenKgPerYear],
    })),
  };
}

function restore({ massKg, composition, designation, available, mostKg }: Of<'restore'>, solve: Solve): ComputeAnswer {
  const task: RestoreTask = {
    massKg,
    composition: compositionFrom(composition),
    designation,
    mostKg,
    available: available.map((entry, k) => ({ name: String(k), composition: whatIsAsked(entry), maxKg: entry.maxKg })),
  };
  const model = restoreModel(task);
  const answer = restored(task, model === undefined ? undefined : solve(model));
  return {
    ...answer,
    composition: { ...answer.composition },
    add: answer.add.map(({ name, kg }) => {
      const { refrigerant: id, composition: shares } = available[Number(name)]!;
      return { ...(id === undefined ? {} : { refrigerant: id }), ...(shares === undefined ? {} : { composition: shares }), kg };
    }),
  };
}

function target(request: Of<'chargeTarget'>): ComputeAnswer {
  const { plateKg, lineSet, drierKg, oilKg, hose, flooded, liquidK, cameWithKg } = request;
  const composition = whatIsAsked(request);
  const { budget, ...answer } = chargeTarget({
    composition,
    plateKg,
    drierKg,
    oilKg,
    hose,
    cameWithKg,
    liquidK: liquidK === undefined ? undefined : kelvin(liquidK),
    lineSet:
      lineSet === undefined
        ? undefined
        : { length: lineSet.lengthM as Metre, covered: lineSet.coveredM as Metre, liquid: lineSet.liquid, suction: lineSet.suction },
    floodedKg:
      flooded === undefined
        ? undefined
        : floodedCharge({
            composition,
            condenserM3: flooded.condenserM3,
            setK: kelvin(flooded.setK),
            outdoorK: kelvin(flooded.outdoorK),
            differenceK: flooded.differenceK,
          }).kg,
  });
  return { ...answer, budget: [...budget] };
}
