import { alarmStages } from '@hygromet/core/twin/alarm/stop-alarm';
import { STANDARD_ATMOSPHERE } from '@hygromet/core/units/pressure';
import * as z from 'zod';
import { massKg, plainText, quantity } from './primitives';

/** What was called out, done or seen while a system was charged. */
export const chargeNote = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('alarm'), stage: z.enum(alarmStages), fedKg: massKg('fed mass') }),
  z.strictObject({ what: z.literal('answered'), fedKg: massKg('fed mass') }),
  /** Somebody has seen the low-pressure switch stop the compressor, at this pressure above the air. */
  z.strictObject({
    what: z.literal('low-switch-stops'),
    gaugePa: quantity('pressure at which it stopped')
      .min(-Number(STANDARD_ATMOSPHERE), { error: 'The pressure at which it stopped is below a full vacuum.' })
      .max(4e6, { error: 'The pressure at which it stopped is above 580 psig. Check the unit.' }),
  }),
  z.strictObject({
    what: z.literal('level-marked'),
    where: plainText.trim().min(1, { error: 'Say where the mark is.' }).max(160, { error: 'At most 160 characters.' }),
  }),
]);
export type ChargeNote = z.infer<typeof chargeNote>;
