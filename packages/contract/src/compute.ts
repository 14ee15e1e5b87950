import { tubeSizes } from '@hygromet/core/circuit/line-set';
import { hoseBores } from '@hygromet/core/charge/charge-target';
import { decidingChecks, explanationCodes } from '@hygromet/core/account/explanation';
import { hoseSizes } from '@hygromet/core/proof/conductance';
import { coolingsOfCylinder, transferMethods, twinHoses, twinMachines } from '@hygromet/core/twin/scenario';
import { STANDARD_ATMOSPHERE } from '@hygromet/core/units/pressure';
import * as z from 'zod';
import { cycleAnswer, cycleRequest, runningCheckAnswer, runningCheckRequest } from './running';

const finite = (what: string) => z.number({ error: `${what} is missing or not a number.` });
const series = (what: string) => z.array(finite(`A value of ${what}`)).max(20_000, { error: `${what} has more than 20 000 values.` });
const what = { refrigerant: z.string().optional(), composition: z.record(z.string(), z.number()).optional() };

/** What is known of a nitrogen hold; other fields may stand beside it. */
export const holdMeta = z.object({
  volumeLiter: finite('volumeLiter').positive({ error: 'volumeLiter is above 0.' }),
  volumeKnownTo: finite('volumeKnownTo').min(0).max(2).default(0.2),
  setPressurePsig: finite('setPressurePsig')
    .min(1)
    .max(800, { error: 'setPressurePsig is above 800 psig: the model of nitrogen ends there.' }),
  barometerPa: finite('barometerPa').min(30_000).max(110_000).default(STANDARD_ATMOSPHERE),
  gaugeResolutionPsi: finite('gaugeResolutionPsi').positive().max(50),
  gaugeSpanPsi: finite('gaugeSpanPsi').positive().max(20_000).default(800),
  gaugeAccuracyShare: finite('gaugeAccuracyShare').min(0).max(0.5).default(0.01),
  secondsSinceFilling: finite('secondsSinceFilling').min(0).max(1e7).default(0),
  thermometers: z.array(z.enum(['air', 'pipe'])).default(['air']),
  startHour: finite('startHour').min(0).max(48).default(12),
  oilLiter: finite('oilLiter').min(0).max(1000).default(0),
  refrigerantMayRemain: z.boolean().default(true),
});

export const holdReadings = z
  .object({
    timeS: series('timeS'),
    pressurePsig: series('pressurePsig'),
    airC: series('airC'),
    pipeC: series('pipeC').optional(),
  })
  .superRefine(({ timeS, pressurePsig, airC, pipeC }, context) => {
    const lengths = [pressurePsig, airC, ...(pipeC === undefined ? [] : [pipeC])];
    if (lengths.some(({ length }) => length !== timeS.length))
      context.addIssue({
        code: 'custom',
        message: 'readings: timeS, pressurePsig, airC and pipeC have the same length; a temperature is missing.',
      });
  });

export const holdRequest = z.strictObject({
  op: z.literal('hold'),
  meta: holdMeta,
  readings: holdReadings,
  tightTo: finite('tightTo, the share an hour above which a leak is to be excluded,').positive().max(1),
  ...what,
});

export const holdLimitRequest = z.strictObject({
  op: z.literal('holdLimit'),
  meta: holdMeta,
  durationsS: z.array(finite('A duration').min(60).max(1e6)).min(1).max(50),
  ...what,
});

export const riseRequest = z.strictObject({
  op: z.literal('rise'),
  meta: z.object({
    volumeLiter: finite('volumeLiter').positive(),
    rigVolumeLiter: finite('rigVolumeLiter').positive(),
    gaugeResolutionMicron: finite('gaugeResolutionMicron').positive().max(1000),
    gaugeAccuracyShare: finite('gaugeAccuracyShare').min(0).max(1).default(0.1),
    coldestWallC: finite('coldestWallC').min(-60).max(80),
    compressorWithOil: z.boolean().default(true),
  }),
  phases: z
    .array(
      z
        .object({ isolated: z.enum(['pump', 'rig']), timeS: series('timeS'), micron: series('micron') })
        .refine(({ timeS, micron }) => timeS.length === micron.length, { error: 'timeS and micron of a phase have the same length.' })
        .refine(({ micron }) => micron.every((value) => value < 1e6), {
          error: 'A vacuum in micron is below 1 000 000: is this a reading in another unit?',
        }),
    )
    .min(1)
    .max(20),
  leakAbove: finite('leakAbove, micron a minute,').positive().max(1e4),
});

export const pullDownRequest = z.strictObject({
  op: z.literal('pullDown'),
  meta: z.object({
    volumeLiter: finite('volumeLiter').positive(),
    hose: z.enum(hoseSizes),
    lengthM: finite('lengthM').positive().max(100),
    core: z.enum(['in', 'out']),
    ambientC: finite('ambientC').min(-40).max(60),
    targetMicron: finite('targetMicron').positive().max(100_000).default(500),
    pumpSpeed: finite('pumpSpeed').positive().optional(),
    ultimate: finite('ultimate').positive().optional(),
  }),
  readings: z
    .object({ timeS: series('timeS'), micron: series('micron') })
    .refine(({ timeS, micron }) => timeS.length === micron.length, { error: 'timeS and micron have the same length.' }),
});

const term = z.strictObject({ term: z.string(), kg: finite('kg'), sigmaKg: finite('sigmaKg') });
export const accountRequest = z.strictObject({
  op: z.literal('account'),
  expected: z.array(term).min(1, { error: 'expected is empty: what should have been in it?' }).max(200),
  recovered: z.array(term).max(200),
  residual: z.array(term).max(200).default([]),
  /** Checks that were made, and whether each has found what it looks for. */
  checked: z.partialRecord(z.enum(decidingChecks), z.boolean()).optional(),
});

export const restoreRequest = z.strictObject({
  op: z.literal('restore'),
  massKg: finite('massKg').positive({ error: 'massKg is above 0.' }),
  composition: z.record(z.string(), z.number()),
  designation: z.string(),
  available: z.array(z.strictObject({ ...what, maxKg: finite('maxKg').min(0).optional() })).max(50),
  mostKg: finite('mostKg').positive().optional(),
});

export const chargeTargetRequest = z.strictObject({
  op: z.literal('chargeTarget'),
  ...what,
  plateKg: finite('plateKg'),
  lineSet: z
    .strictObject({
      lengthM: finite('lengthM').min(0).max(500),
      coveredM: finite('coveredM').min(0).max(500),
      liquid: z.enum(tubeSizes),
      suction: z.enum(tubeSizes),
    })
    .optional(),
  drierKg: finite('drierKg').optional(),
  oilKg: finite('oilKg').min(0).optional(),
  hose: z
    .strictObject({ bore: z.enum(hoseBores), lengthM: finite('lengthM').min(0).max(50), givenBack: z.boolean().default(true) })
    .optional(),
  flooded: z
    .strictObject({
      condenserM3: finite('condenserM3').positive(),
      setK: finite('setK'),
      outdoorK: finite('outdoorK'),
      differenceK: finite('differenceK').positive(),
    })
    .optional(),
  liquidK: finite('liquidK').optional(),
  /** A new unit was shipped with so much, and still holds it. */
  cameWithKg: finite('cameWithKg').min(0).optional(),
});

export const feedRateRequest = z.strictObject({
  op: z.literal('feedRate'),
  ...what,
  superheatK: finite('superheatK'),
  massFlowKgPerS: finite('massFlowKgPerS'),
  suctionK: finite('suctionK').optional(),
  cylinderK: finite('cylinderK').optional(),
});

export const simulateRequest = z.strictObject({
  op: z.literal('simulate'),
  scenario: z.strictObject({
    ...what,
    system: z.strictObject({
      chargeKg: finite('chargeKg'),
      temperatureK: finite('temperatureK'),
      condenserM3: finite('condenserM3'),
      evaporatorM3: finite('evaporatorM3'),
      receiverM3: finite('receiverM3').optional(),
      oilKg: finite('oilKg').optional(),
      airKg: finite('airKg').optional(),
      barrelKg: finite('barrelKg').optional(),
    }),
    cylinder: z.strictObject({
      volumeM3: finite('volumeM3'),
      tareKg: finite('tareKg'),
      contentKg: finite('contentKg'),
      temperatureK: finite('temperatureK'),
      cooling: z.enum(coolingsOfCylinder),
      stopKg: finite('stopKg').positive().optional(),
    }),
    machine: z.enum(twinMachines).nullable(),
    hoses: z.strictObject({ size: z.enum(twinHoses), lengthM: finite('lengthM'), cores: z.enum(['in', 'out']) }),
    ambientK: finite('ambientK'),
    method: z.enum(transferMethods),
    endPa: finite('endPa'),
  }),
  sampleEveryS: finite('sampleEveryS').min(0.1, { error: 'sampleEveryS is 0.1 s or more.' }).max(86_400),
});

/** One question to the capabilities beyond the property core, SI but where the key's suffix says otherwise. */
export const computeRequest = z.discriminatedUnion(
  'op',
  [
    holdRequest,
    holdLimitRequest,
    riseRequest,
    pullDownRequest,
    accountRequest,
    restoreRequest,
    chargeTargetRequest,
    feedRateRequest,
    simulateRequest,
    cycleRequest,
    runningCheckRequest,
  ],
  { error: 'op is one of simulate, hold, holdLimit, rise, pullDown, account, restore, chargeTarget, feedRate, cycle, runningCheck.' },
);
export type ComputeRequest = z.infer<typeof computeRequest>;

const shares = z.record(z.string(), z.number());
/** Of what may be beyond any number: JSON has no infinity. */
const orNothing = z.number().nullable();

export const holdAnswer = z.strictObject({
  lossPerHour: z.number(),
  sigma: orNothing,
  interval90: z.tuple([z.number(), orNothing]),
  verdict: z.enum(['leaking', 'tight', 'cannot-tell']),
  tightTo: z.number(),
  excludesAbove: orNothing,
  lookAgainS: orNothing,
  nitrogenKgPerYear: z.number(),
  refrigerantKgPerYear: z.tuple([z.number(), z.number()]),
  budget: z.array(z.strictObject({ term: z.string(), share: z.number() })),
  settled: z.boolean(),
  problems: z.array(z.strictObject({ code: z.string(), atS: z.number() })),
});

export const holdLimitAnswer = z.strictObject({
  limits: z.array(
    z.strictObject({
      durationS: z.number(),
      lossPerHour: z.number(),
      psi: z.number(),
      nitrogenKgPerYear: z.number(),
      refrigerantKgPerYear: z.tuple([z.number(), z.number()]),
    }),
  ),
});

export const riseAnswer = z.strictObject({
  leak: z.strictObject({ micronPerMin: z.number(), interval90: z.tuple([z.number(), orNothing]), probability: z.number() }),
  release: z.strictObject({ probability: z.number() }),
  place: z.enum(['system', 'rig']).nullable(),
  verdict: z.enum(['leak', 'no-leak', 'cannot-tell']),
});

export const pullDownAnswer = z.strictObject({
  verdict: z.enum(['as-expected', 'restricted', 'liquid-water', 'outgassing', 'leak', 'cannot-tell']),
  speedShare: orNothing,
  gasMicronPerMin: orNothing,
  targetS: orNothing,
  expectedS: orNothing,
});

export const accountAnswer = z.strictObject({
  differenceKg: z.number(),
  sigmaKg: z.number(),
  withinErrors: z.boolean(),
  explanations: z.array(
    z.strictObject({ code: z.enum(explanationCodes), kg: z.number(), probability: z.number(), decidedBy: z.enum(decidingChecks) }),
  ),
  nextCheck: z.enum(decidingChecks).nullable(),
});

export const restoreAnswer = z.strictObject({
  possible: z.boolean(),
  add: z.array(z.strictObject({ refrigerant: z.string().optional(), composition: shares.optional(), kg: z.number() })),
  resultKg: z.number(),
  composition: shares,
  reason: z.enum(['within-tolerance', 'restored', 'foreign-in-it', 'nothing-fits', 'too-much']),
});

export const chargeTargetAnswer = z.strictObject({
  kg: z.number(),
  beyondKg: z.number(),
  sigmaKg: z.number(),
  budget: z.array(z.strictObject({ term: z.string(), kg: z.number(), sigmaKg: z.number() })),
});

export const feedRateAnswer = z.strictObject({ kgPerS: z.number(), sharePerK: z.number(), spareK: z.number() });

export const simulateAnswer = z.strictObject({
  samples: z.array(
    z.strictObject({
      t: z.number(),
      grossKg: z.number(),
      suctionPa: z.number(),
      headPa: z.number(),
      cylinderK: z.number(),
      systemKg: z.number(),
    }),
  ),
  events: z.array(z.strictObject({ t: z.number(), kind: z.string() })),
  end: z.strictObject({ reason: z.string(), t: z.number(), grossKg: z.number(), leftKg: z.number() }),
  balance: z.strictObject({ mass: z.number(), energy: z.number() }),
});

export const computeAnswer = z.union([
  simulateAnswer,
  holdAnswer,
  holdLimitAnswer,
  riseAnswer,
  pullDownAnswer,
  accountAnswer,
  restoreAnswer,
  chargeTargetAnswer,
  feedRateAnswer,
  cycleAnswer,
  runningCheckAnswer,
]);
export type ComputeAnswer = z.infer<typeof computeAnswer>;
