import * as z from 'zod';
import { id, name, plainText } from './primitives';

/** A photograph is made small on the device: what tells a leak needs no poster. Characters of base64. */
const MOST_LETTERS_COUNT = 950_000;
/** How every JPEG begins. */
const JPEG = /^\/9j\/[A-Za-z0-9+/]+={0,2}$/;

export const newPhotograph = z.strictObject({
  key: id,
  jpeg: z
    .string({ error: 'A photograph is sent as base64.' })
    .max(MOST_LETTERS_COUNT, { error: 'The photograph is above 700 kB: take it smaller.' })
    .regex(JPEG, { error: 'Only photographs in JPEG are kept.' }),
  recordedBy: name('name of the person'),
});
export type NewPhotograph = z.infer<typeof newPhotograph>;

export const addedPhotograph = z.strictObject({ id });
export type AddedPhotograph = z.infer<typeof addedPhotograph>;

/** Which place or test of a visit it shows, and what is seen on it. */
export const photographed = {
  photograph: id,
  place: plainText.min(1).max(160),
  note: plainText.trim().max(200, { error: 'At most 200 characters.' }),
};
