import { hypothesisCodes } from '@hygromet/core/cycle/hypothesis';
import { nextReadings } from '@hygromet/core/cycle/cycle-readings';
import { slipCodes } from '@hygromet/core/cycle/slips';
import { meterings, unitKinds } from '@hygromet/core/cycle/unit';
import * as z from 'zod';

const finite = (what: string) => z.number({ error: `${what} is missing or not a number.` });
const kelvin = (what: string) =>
  finite(what)
    .min(200, { error: `${what} is below 200 K.` })
    .max(420, { error: `${what} is above 420 K.` });
const pascal = (what: string) =>
  finite(what)
    .min(1000, { error: `${what} is below a vacuum.` })
    .max(2e7, { error: `${what} is above 200 bar.` });
const what = { refrigerant: z.string().optional(), composition: z.record(z.string(), z.number()).optional() };

const unit = {
  ...what,
  kind: z.enum(unitKinds),
  metering: z.enum(meterings),
  capacityW: finite('capacityW').min(50, { error: 'capacityW is below 50 W.' }).max(1e8),
  plateKg: finite('plateKg').positive({ error: 'plateKg is above 0.' }).max(1e5),
  plateSubcoolingK: finite('plateSubcoolingK').min(0).max(40).optional(),
  receiverM3: finite('receiverM3').positive().max(100).optional(),
  lineM: finite('lineM').min(0).max(200).optional(),
  headHeldK: kelvin('headHeldK').optional(),
};

const conditions = {
  outdoorK: kelvin('outdoorK'),
  indoorK: kelvin('indoorK'),
  indoorWetBulbK: kelvin('indoorWetBulbK').optional(),
  outdoorWetBulbK: kelvin('outdoorWetBulbK').optional(),
  atmospherePa: finite('atmospherePa').min(30_000).max(110_000).optional(),
  rain: z.boolean().optional(),
  heating: z.boolean().optional(),
};

export const runningFaults = z.strictObject({
  restriction: finite('restriction').min(0).max(200).optional(),
  indoorAir: finite('indoorAir').min(0.2).max(2).optional(),
  outdoorAir: finite('outdoorAir').min(0.2).max(2).optional(),
  air: finite('air').min(0).max(2).optional(),
  valveLeak: finite('valveLeak').min(0).max(0.7).optional(),
  metering: finite('metering').min(0.2).max(3).optional(),
});

export const cycleRequest = z.strictObject({
  op: z.literal('cycle'),
  ...unit,
  ...conditions,
  chargeShare: finite('chargeShare').min(0.3).max(2).default(1),
  faults: runningFaults.default({}),
});

export const cycleAnswer = z.strictObject({
  headPa: z.number(),
  suctionPa: z.number(),
  superheatK: z.number(),
  subcoolingK: z.number(),
  splitK: z.number(),
  dischargeK: z.number(),
  capacityW: z.number(),
  balance: z.strictObject({ energy: z.number(), charge: z.number() }),
});

/** Pressures absolute at the ports; the zeros as the gauges show them open to the air. */
export const runningReadings = z.strictObject({
  headPa: pascal('headPa').optional(),
  suctionPa: pascal('suctionPa').optional(),
  suctionLineK: kelvin('suctionLineK').optional(),
  liquidLineK: kelvin('liquidLineK').optional(),
  supplyK: kelvin('supplyK').optional(),
  dischargeK: kelvin('dischargeK').max(500).optional(),
  powerW: finite('powerW').min(0).max(1e8).optional(),
  condenserLeavingAirK: kelvin('condenserLeavingAirK').optional(),
  meteringInletK: kelvin('meteringInletK').optional(),
  supplyWetBulbK: kelvin('supplyWetBulbK').optional(),
  headGaugeZeroPa: finite('headGaugeZeroPa').min(-5e5).max(5e5).optional(),
  suctionGaugeZeroPa: finite('suctionGaugeZeroPa').min(-5e5).max(5e5).optional(),
  standingBeyondPa: finite('standingBeyondPa').min(-5e6).max(5e6).optional(),
});
export type RunningReadings = z.infer<typeof runningReadings>;
export const runningUnit = z.strictObject(unit);
export const runningConditions = z.strictObject(conditions);
export type RunningConditions = z.infer<typeof runningConditions>;

export const runningCheckRequest = z.strictObject({
  op: z.literal('runningCheck'),
  unit: runningUnit,
  conditions: runningConditions,
  readings: runningReadings,
  /** Whoever asks without a word has read it settled. */
  settled: z.boolean().default(true),
  /** Superheat and subcooling as they were read, about every half minute: whether they have settled is judged by the last four minutes. */
  series: z
    .array(z.strictObject({ atS: finite('atS'), superheatK: finite('superheatK'), subcoolingK: finite('subcoolingK') }))
    .max(5000, { error: 'series has more than 5000 readings.' })
    .optional(),
});

export const advices = ['add', 'remove', 'leave', 'not-the-charge', 'cannot-tell'] as const;
const band = z.strictObject({ low: z.number(), likely: z.number(), high: z.number() });

export const runningCheckAnswer = z.strictObject({
  settled: z.boolean(),
  /** K, and Pa absolute, of a good unit in these conditions; nothing where it has no steady state there. */
  expected: z
    .strictObject({
      superheat: band,
      subcooling: band,
      condensingOver: band,
      split: band,
      coilDifference: band,
      approach: band,
      suction: band,
      head: band,
    })
    .nullable(),
  chargeShare: z.strictObject({ value: z.number(), range90: z.tuple([z.number(), z.number()]) }).nullable(),
  explanations: z.array(z.strictObject({ code: z.enum([...hypothesisCodes, 'none-of-these']), probability: z.number() })),
  next: z.array(z.strictObject({ reading: z.enum(nextReadings), bits: z.number() })),
  advice: z.enum(advices),
  withheld: z.enum(['slip', 'not-settled', 'cool-indoors', 'receiver', 'too-few-readings', 'no-steady-state']).nullable(),
  changeKg: z.number(),
  slips: z.array(z.enum(slipCodes)),
});
