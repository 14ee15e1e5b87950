import { alarmStages } from '@hygromet/core/twin/alarm/stop-alarm';
import { machineStates } from '@hygromet/core/twin/machine-state';
import { coolingsOfCylinder, recoveryMethods, twinHoses, twinMachines } from '@hygromet/core/twin/scenario';
import * as z from 'zod';
import {
  ambientAsked,
  ambientRead,
  isAmbientSure,
  composition,
  id,
  instant,
  massKg,
  name,
  plainText,
  quantity,
  pressurePa,
  temperatureK,
  volumeM3,
} from './primitives';

/** Records from which the twin of a transfer is built, as they stood when it began. */
export const transferScenario = z
  .strictObject({
    composition,
    system: z.strictObject({
      chargeKg: massKg('charge'),
      temperatureK: temperatureK('temperature of the system'),
      condenserM3: volumeM3,
      evaporatorM3: volumeM3,
      airKg: massKg('air in the system').optional(),
    }),
    cylinder: z.strictObject({
      volumeM3,
      tareKg: massKg('tare'),
      contentKg: massKg('contents'),
      temperatureK: temperatureK('temperature of the cylinder'),
      cooling: z.enum(coolingsOfCylinder),
      stopKg: massKg('stop'),
    }),
    machine: z.enum(twinMachines).nullable(),
    hoses: z.strictObject({
      size: z.enum(twinHoses),
      lengthM: quantity('length of the hoses').positive().max(60),
      cores: z.enum(['in', 'out']),
    }),
    ...ambientRead,
    method: z.enum(recoveryMethods),
    endPa: pressurePa('pressure at the end'),
  })
  .refine(isAmbientSure, ambientAsked);
export type TransferScenario = z.infer<typeof transferScenario>;

const instrumentName = plainText.min(1).max(100);
/** Which instrument reads what; what no instrument reads is typed. */
export const paired = z.strictObject({
  gross: instrumentName.optional(),
  suction: instrumentName.optional(),
  head: instrumentName.optional(),
  wall: instrumentName.optional(),
});
export type Paired = z.infer<typeof paired>;

const speed = quantity('speed').min(1).max(120);

export const transferSetUp = z.strictObject({
  cylinder: id,
  startGrossKg: massKg('starting gross weight'),
  stopGrossKg: massKg('stop weight'),
  /** ln of how far the charge may be off, one standard deviation. */
  /** Of the cylinder, as it was told then. */
  tareKg: massKg('tare'),
  machine: z.boolean(),
  chargeSd: quantity('doubt of the charge').min(0.01).max(2),
  /** Nothing where too little is known: then it is followed without a twin. */
  scenario: transferScenario.nullable(),
  instruments: paired,
  /** How many of its seconds pass in one of ours: 1 but for simulated instruments. */
  speed,
});
export type TransferSetUp = z.infer<typeof transferSetUp>;

/** Read by a person, whatever instruments say. */
export const transferReading = z
  .strictObject({
    grossKg: massKg('gross weight').optional(),
    suctionPa: pressurePa('suction pressure').optional(),
    headPa: pressurePa('head pressure').optional(),
  })
  .refine((entry) => Object.keys(entry).length > 0, { error: 'Nothing was read.' });
export type TransferReading = z.infer<typeof transferReading>;

/** What somebody did or was told on the way. */
export const transferNote = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('cooling'), cooling: z.enum(coolingsOfCylinder) }),
  /** With the gross weight then: what a purge brings is told by it. */
  z.strictObject({ what: z.literal('machine'), state: z.enum(machineStates), grossKg: massKg('gross weight').optional() }),
  z.strictObject({ what: z.literal('valve'), state: z.enum(['open', 'shut']) }),
  z.strictObject({ what: z.literal('alarm'), stage: z.enum(alarmStages), grossKg: massKg('gross weight') }),
  z.strictObject({ what: z.literal('acknowledged'), grossKg: massKg('gross weight') }),
  z.strictObject({ what: z.literal('trip-foreseen'), inS: quantity('time to the trip') }),
  z.strictObject({ what: z.literal('paired'), instruments: paired }),
  /** Simulated instruments: from then on so many of their seconds pass in one of ours. */
  z.strictObject({ what: z.literal('speed'), to: speed }),
]);
export type TransferNote = z.infer<typeof transferNote>;

/** Thinned: s since it began, SI; nothing where nothing was read. */
export const transferTrace = z.strictObject({
  t: z.array(z.number()).max(400),
  grossKg: z.array(z.number().nullable()).max(400),
  suctionPa: z.array(z.number().nullable()).max(400),
  headPa: z.array(z.number().nullable()).max(400),
});
export type TransferTrace = z.infer<typeof transferTrace>;

export const transferFinish = z.strictObject({
  endGrossKg: massKg('ending gross weight'),
  /** What was foretold when it began, where it was. */
  foretoldGrossKg: massKg('foretold gross weight').nullable(),
  trace: transferTrace,
  coreVersion: plainText.max(40),
});

export const visitTransfer = z.strictObject({
  id,
  setUp: transferSetUp,
  begunAt: instant,
  begunBy: name('name of the person'),
  readings: z.array(z.strictObject({ at: instant, by: z.string(), reading: transferReading })),
  notes: z.array(z.strictObject({ at: instant, by: z.string(), note: transferNote })),
  ended: z.strictObject({ at: instant, by: z.string(), finish: transferFinish }).nullable(),
});
export type VisitTransfer = z.infer<typeof visitTransfer>;
