import { endsOfPumpDown } from '@hygromet/core/planning/company-practice';
import * as z from 'zod';
import { fillRule } from './fill-limits';
import { instant, name, quantity, temperatureK, versionSeen } from './primitives';

/** What a firm has decided for all its people. Units and theme belong to the person and stay on the device. */
export const organisation = z.strictObject({
  name: name('name of the organisation'),
  altitudeM: quantity('altitude')
    .min(-450, { error: 'Altitude must be −450 m or higher.' })
    .max(9000, { error: 'Altitude must be 9000 m or lower.' }),
  requiredRules: z.array(fillRule).min(1, { error: 'Require at least one rule: without one there is no stop weight.' }),
  liquidShareAt131F: quantity('liquid share at 131 °F')
    .min(0.5, { error: 'Below 50 % nothing useful fits. Choose 50 to 100 %.' })
    .max(1, { error: 'More than 100 % liquid does not fit. Choose 50 to 100 %.' }),
  hottestK: temperatureK('hottest temperature'),
  partShare: quantity('liquid share of condenser and receiver')
    .min(0.5, { error: 'Below 50 % hardly anything is kept. Choose 50 to 80 %.' })
    .max(0.8, { error: 'More than 80 % liquid leaves no room for it to warm up. Choose 50 to 80 %.' }),
  endOfPumpDown: z.enum(endsOfPumpDown),
  /** Days for which single readings of instruments are kept; what a record needs of them it keeps itself. */
  readingsKeptDays: z
    .int({ error: 'The days for which readings are kept are a whole number.' })
    .min(1, { error: 'Readings are kept for a day at least.' })
    .max(3650, { error: 'Readings are kept for ten years at most.' })
    .default(30),
  /** Who works here, in the order in which they are offered. */
  people: z.array(name('name of a person')).max(200, { error: 'More than 200 people do not fit into one list.' }).default([]),
});
export type Organisation = z.infer<typeof organisation>;

/** The settings as they are now: which version of them, and whose. */
export const currentOrganisation = organisation.extend({
  /** Whether this is the made-up firm that the program is shown with. */
  demo: z.boolean(),
  version: z.int(),
  changedAt: instant.nullable(),
  changedBy: z.string().nullable(),
});
export type CurrentOrganisation = z.infer<typeof currentOrganisation>;

/** Settings changed by somebody who had seen this version of them. */
export const savedOrganisation = z.strictObject({ version: versionSeen, settings: organisation, recordedBy: name('name of the person') });
export type SavedOrganisation = z.infer<typeof savedOrganisation>;

/** One state of the settings: the first as the house was opened, each later one with who changed it. */
export const organisationChange = z.strictObject({ version: z.int(), settings: organisation, changedAt: instant, changedBy: z.string() });
export type OrganisationChange = z.infer<typeof organisationChange>;
