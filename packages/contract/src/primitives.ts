import { NOTHING_KG } from '@hygromet/core/account/ledger-resolution';
import * as z from 'zod';
import { isUnusualAmbient } from '@hygromet/core/planning/usual-ambient';
import { kelvin } from '@hygromet/core/units/quantity';

/** Everything at the wire is SI with its unit in the name; ids are UUIDs; instants are ISO 8601 with an offset. */
export const id = z.uuid({ error: 'This id is not a UUID.' });
/** Years in which somebody can have worked with refrigerants, as a date begins. */
const inOurTime = (date: string) => date >= '1900' && date < '3000';
const OTHER_TIME = { error: 'The year is not between 1900 and 2999.' };

export const instant = z.iso
  .datetime({ offset: true, error: 'Give a date and time with its offset, such as 2026-11-25T07:40:00Z.' })
  .refine(inOurTime, OTHER_TIME);
export const day = z.iso.date({ error: 'The day is missing.' }).refine(inOurTime, OTHER_TIME);
/** "07:40" by the clock on the wall. */
export const clockTime = z.string().regex(/^(?:[01]\d|2[0-3]):[0-5]\d$/, { error: 'Give the time as hours and minutes, such as 07:40.' });
/** The month of a stamp, "2021-11". */
export const stampMonth = z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, { error: 'Give year and month, such as 2021-11.' });
/** The same as somebody reads it off a collar: no cylinder is older than its trade. */
export const stampRead = z
  .string()
  .regex(/^(?:19|2\d)\d{2}-(?:0[1-9]|1[0-2])$/, { error: 'Give year and month as they are stamped, such as 2021-11.' });

const missing = (what: string) => ({
  error: (issue: { input?: unknown }) => (issue.input === undefined ? `The ${what} is missing.` : `The ${what} is not a number.`),
});

/** A finite number with a sentence for each way it can be wrong. */
export const quantity = (what: string) => z.number(missing(what));

export const massKg = (what: string) =>
  quantity(what)
    .min(0, { error: `The ${what} is negative. A mass is 0 kg or more.` })
    .max(1e6, { error: `The ${what} is above 1000 t. Check the unit.` });

/** A mass that somebody has weighed, or read from a plate, and that is not nothing. */
export const weighedKg = (what: string, whereNothing: string) =>
  massKg(what)
    .positive({ error: whereNothing })
    .refine((kg) => kg <= 0 || kg >= NOTHING_KG, { error: `The ${what} is less than a milligram. Check the unit.` });

export const volumeM3 = quantity('water capacity')
  .min(1e-6, { error: 'The water capacity is 0. Read it from the collar: "WC" in pounds of water, or liters.' })
  .max(900, { error: 'The water capacity is above 900 m³. Check the unit.' });

export const temperatureK = (what: string) =>
  quantity(what)
    .min(150, { error: `The ${what} is below 150 K. Check the unit.` })
    .max(500, { error: `The ${what} is above 500 K. Check the unit.` });

/** The outdoor temperature that something rests on; one that is hardly weather says that somebody has read it again. */
export const ambientRead = { ambientK: temperatureK('outdoor temperature'), ambientConfirmed: z.boolean().optional() };
export const isAmbientSure = ({
  ambientK,
  ambientConfirmed,
}: {
  readonly ambientK: number;
  readonly ambientConfirmed?: boolean | undefined;
}): boolean => ambientConfirmed === true || !isUnusualAmbient(kelvin(ambientK));
export const ambientAsked = {
  path: ['ambientK'],
  error: 'The outdoor temperature is beyond −40 to 140 °F. Read it again, and its unit; if it is right, send ambientConfirmed with it.',
};

/** Pa absolute. */
export const aboveVacuumPa = (what: string) => quantity(what).min(0, { error: `The ${what} is below a vacuum.` });

/** Pa absolute of refrigerant. */
export const pressurePa = (what: string) => aboveVacuumPa(what).max(8e6, { error: `The ${what} is above 1160 psig: check the unit.` });

/** Pa above the atmosphere, as stamped on a collar or a valve. */
export const stampedPa = (what: string, where = 'collar') =>
  quantity(what)
    .min(1e5, { error: `The ${what} is below 1 bar. Read it from the ${where}.` })
    .max(6e7, { error: `The ${what} is above 600 bar. Check the unit.` });

/** Which version of something a person has seen: as far as a column counts. */
export const versionSeen = z
  .int({ error: 'A version is a whole number.' })
  .min(1, { error: 'Versions count from 1.' })
  .max(2_147_483_647, { error: 'There is no such version.' });

/** Letters that every database and file can keep: no NUL, and no half of a character. */
const isKeepable = (text: string) => !text.includes('\u0000') && !/\p{Surrogate}/u.test(text);
export const plainText = z.string().refine(isKeepable, { error: 'A letter in it is none. Type it again.' });

/** What a person typed, with its unit, kept as it was typed. */
export const typed = z.strictObject({ text: plainText.max(60), unit: plainText.max(20) });
export type Typed = z.infer<typeof typed>;

export const refrigerantId = plainText.min(1, { error: 'Name the refrigerant.' }).max(40);
export const composition = z.record(z.string(), z.number());

export const name = (what: string) =>
  z
    .string({ error: `Give the ${what}.` })
    .trim()
    .min(1, { error: `Give the ${what}.` })
    .max(120, { error: `The ${what} has more than 120 letters.` })
    .refine(isKeepable, { error: `A letter in the ${what} is none. Type it again.` })
    .refine((text) => !/\p{Cc}|[\u2028\u2029]/u.test(text), { error: `The ${what} stands on one line.` });

export const note = plainText.max(500, { error: 'At most 500 characters.' });
