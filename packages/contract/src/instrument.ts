import { senmlProblems } from '@hygromet/core/instruments/received';
import * as z from 'zod';
import { id, instant, name, plainText } from './primitives';

const time = z.number({ error: 'A time is a number of seconds.' }).min(-1e12).max(1e12);
const schema = z.string({ error: 'A name or unit is a text.' }).max(120, { error: 'A name is at most 120 characters.' });

/** A record of SenML (RFC 8428); what ends with "_" must be understood, and nothing that does is. */
export const senmlRecord = z
  .looseObject({
    bn: schema.optional(),
    bt: time.optional(),
    bu: schema.optional(),
    bv: z.number().optional(),
    bver: z.int().optional(),
    n: schema.optional(),
    u: schema.optional(),
    v: z.number({ error: 'A value is a number.' }).optional(),
    vs: plainText.max(120).optional(),
    vb: z.boolean().optional(),
    t: time.optional(),
  })
  .refine((record) => !Object.keys(record).some((key) => key.endsWith('_')), {
    error: 'A field that ends with "_" has to be understood, and this server understands none (RFC 8428, section 4.4).',
  });

export const senmlPack = z
  .array(senmlRecord, { error: 'Send a list of SenML records (RFC 8428).' })
  .min(1, { error: 'There is no record in it.' })
  .max(5000, { error: 'At most 5000 records at once: send them in smaller parts.' });
export type SenmlPack = z.infer<typeof senmlPack>;

export const receivedReadings = z.strictObject({
  stored: z.int(),
  /** Readings that were there already: the same instrument, quantity and time. */
  repeated: z.int(),
  /** Records that were not taken as they are, counted from 0. */
  problems: z.array(z.strictObject({ record: z.int(), problem: z.enum(senmlProblems) })),
});
export type ReceivedReadings = z.infer<typeof receivedReadings>;

const value = z.union([z.string(), z.number(), z.boolean()]);
/** An instrument as it has told of itself, with the last of each of its readings. */
export const instrument = z.strictObject({
  id: z.string(),
  gateway: z.string(),
  facts: z.record(z.string(), value),
  last: z.record(z.string(), z.strictObject({ at: instant, value: z.number() })),
  heardAt: instant,
});
export type Instrument = z.infer<typeof instrument>;

/** What passes on readings: it says who it is with its token. */
export const gateway = z.strictObject({ id, name: z.string(), addedAt: instant, addedBy: z.string(), revokedAt: instant.nullable() });
export type Gateway = z.infer<typeof gateway>;

export const newGateway = z.strictObject({ name: name('name of the gateway').max(60), recordedBy: name('name of the person') });
/** The token is told once. */
export const addedGateway = gateway.extend({ token: z.string() });

/** One reading on its way to a page: instrument, quantity, ms since 1970, SI. */
export const liveReading = z.tuple([z.string(), z.string(), z.number(), z.number()]);
export const liveReadings = z.array(liveReading);
export type LiveReading = z.infer<typeof liveReading>;

export const streamQuery = z.strictObject({
  instruments: z
    .string({ error: 'Say which instruments, with commas between.' })
    .min(1, { error: 'Say which instruments, with commas between.' })
    .max(800),
  since: instant.optional(),
});
