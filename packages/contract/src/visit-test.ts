import * as z from 'zod';
import { pullDownVerdicts } from '@hygromet/core/proof/pull-down';
import { pumpDownVerdicts } from '@hygromet/core/planning/pump-down';
import { shutInVerdicts } from '@hygromet/core/planning/shut-in';
import { hoseSizes } from '@hygromet/core/proof/conductance';
import {
  ambientAsked,
  ambientRead,
  isAmbientSure,
  id,
  instant,
  name,
  plainText,
  pressurePa,
  quantity,
  temperatureK,
  volumeM3,
} from './primitives';

const gaugePa = (what: string) =>
  quantity(what)
    .min(0, { error: `The ${what} is below 0.` })
    .max(5.6e6, { error: `The ${what} is above 800 psig: check the unit.` });

/** How a nitrogen hold is set up; SI, pressures above the air. */
export const holdSetUp = z.strictObject({
  test: z.literal('hold'),
  volumeM3,
  setGaugePa: gaugePa('test pressure'),
  /** The step of the display. */
  stepPa: quantity('step of the gauge').positive({ error: 'The step of the gauge is above 0.' }).max(3.5e5),
  spanPa: quantity('span of the gauge').positive().max(1e8),
  clamp: z.boolean(),
  filledAt: instant,
  oilM3: quantity('oil').min(0).max(10),
  refrigerantMayRemain: z.boolean(),
  /** Share an hour above which a leak is to be excluded. */
  tightTo: quantity('leak to be excluded').positive({ error: 'The leak to be excluded is above 0.' }).max(1),
  startHour: quantity('hour').min(0).max(24),
  /** The piece of the circuit that is tested, with its valves shut; nothing for the whole circuit. */
  tested: plainText.max(160).optional(),
  /** When somebody comes back to read it; nothing for a hold that is watched. */
  until: instant.optional(),
  atmospherePa: quantity('atmosphere').min(3e4).max(1.1e5),
  /** What a test may put on it at most, and the part that rules; nothing where no limit is recorded and a person has said so. */
  mostGaugePa: quantity('limit').nullable(),
  ruling: z.string().nullable(),
});
export type HoldSetUp = z.infer<typeof holdSetUp>;

export const riseSetUp = z.strictObject({
  test: z.literal('rise'),
  volumeM3,
  rigM3: volumeM3,
  stepMicron: quantity('step of the gauge').positive().max(1000),
  coldestWallK: temperatureK('coldest wall'),
  compressorWithOil: z.boolean(),
  /** micron a minute. */
  leakAbove: quantity('leak to be excluded').positive().max(10_000),
  /** What a nitrogen hold before it has left of a leak, micron a minute. */
  leakAtMost: quantity('leak that the hold has left').positive().max(10_000).optional(),
});
export type RiseSetUp = z.infer<typeof riseSetUp>;

/** How a vacuum is pulled: what stands between pump and system. */
export const pullDownSetUp = z
  .strictObject({
    test: z.literal('pull-down'),
    volumeM3,
    hose: z.enum(hoseSizes),
    lengthM: quantity('length of the hose')
      .positive({ error: 'The length of the hose is above 0.' })
      .max(30, { error: 'The hose is above 30 m.' }),
    core: z.enum(['in', 'out']),
    /** m³/s. */
    pumpSpeed: quantity('speed of the pump').positive({ error: 'The speed of the pump is above 0.' }).max(1),
    ...ambientRead,
    targetMicron: quantity('target').positive({ error: 'The target is above 0.' }).max(10_000),
  })
  .refine(isAmbientSure, ambientAsked);
export type PullDownSetUp = z.infer<typeof pullDownSetUp>;

/** A system that was recovered, shut in: whether it stays at the level that was to be reached, Pa absolute. */
export const shutInSetUp = z.strictObject({ test: z.literal('shut-in'), levelPa: pressurePa('level') });
export type ShutInSetUp = z.infer<typeof shutInSetUp>;

/** A pump-down by the system's own compressor: where its suction is shut off, and where its high-pressure switch opens, Pa absolute. */
export const pumpDownSetUp = z.strictObject({
  test: z.literal('pump-down'),
  endPa: pressurePa('end of the pump-down'),
  highSwitchPa: pressurePa('high-pressure switch'),
});
export type PumpDownSetUp = z.infer<typeof pumpDownSetUp>;

export const anySetUp = z.discriminatedUnion('test', [holdSetUp, riseSetUp, pullDownSetUp, shutInSetUp, pumpDownSetUp]);

export const testSetUp = anySetUp.refine(
  (entry) => entry.test !== 'hold' || entry.mostGaugePa === null || entry.setGaugePa <= entry.mostGaugePa + 1,
  {
    path: ['setGaugePa'],
    error: 'The test pressure is above what the weakest connected part bears. Valve it off or take it out, or test lower.',
  },
);
export type TestSetUp = z.infer<typeof testSetUp>;

export const holdReading = z.strictObject({
  gaugePa: gaugePa('pressure'),
  airK: temperatureK('air temperature'),
  pipeK: temperatureK('pipe temperature').optional(),
});
export const riseReading = z.strictObject({
  isolated: z.enum(['pump', 'rig']),
  micron: quantity('vacuum').min(0).max(800_000, { error: 'A vacuum is below the air: check the unit of the reading.' }),
});
export const pullDownReading = z.strictObject({
  micron: quantity('vacuum').min(0).max(800_000, { error: 'A vacuum is below the air: check the unit of the reading.' }),
});
/** Pa absolute. */
export const shutInReading = z.strictObject({ shutInPa: pressurePa('pressure') });
export const pumpDownReading = z.strictObject({
  suctionPa: pressurePa('suction pressure'),
  headPa: pressurePa('head pressure').optional(),
});
export const testReading = z.union([holdReading, riseReading, pullDownReading, shutInReading, pumpDownReading]);
export type TestReading = z.infer<typeof testReading>;
export type HoldReading = z.infer<typeof holdReading>;
export type RiseReading = z.infer<typeof riseReading>;

/** Instruments that a test is read from, and how much faster their time passes than ours: only simulated ones hurry. */
export const followedInstruments = {
  instruments: z.array(plainText.min(1).max(80)).max(6),
  speed: quantity('speed').min(1).max(60),
};
/** What instruments showed, s since the test began by their own clock. */
export const followedReadings = z
  .array(
    z.strictObject({
      t: quantity('time of the reading')
        .min(0)
        .max(90 * 86_400),
      reading: testReading,
    }),
  )
  .max(400);

/** What a test has shown, with its limit: never "tight" alone. */
export const testFinding = z.strictObject({
  verdict: z.enum(['leaking', 'tight', 'leak', 'no-leak', 'cannot-tell', ...pullDownVerdicts, ...shutInVerdicts, ...pumpDownVerdicts]),
  /** In words, as it stood on the page, with its numbers. */
  said: z.string().max(400),
  coreVersion: z.string().max(40),
});
export type TestFinding = z.infer<typeof testFinding>;

export const visitTest = z.strictObject({
  id,
  setUp: anySetUp,
  begunAt: instant,
  begunBy: name('name of the person'),
  /** Typed by a person, or followed from instruments: then `by` names them. */
  readings: z.array(z.strictObject({ at: instant, by: z.string(), reading: testReading })),
  /** The instruments that are followed, by whatever page has the visit open; nothing while readings are typed. */
  followed: z.strictObject(followedInstruments).nullable(),
  ended: z.strictObject({ at: instant, by: z.string(), finding: testFinding }).nullable(),
});
export type VisitTest = z.infer<typeof visitTest>;
