import { phraseInSI } from '@hygromet/core/phrase';
import * as z from 'zod';

/** A piece of a sentence: words, or a quantity that the reader sees in the units of the device. */
const piece = z.union([
  z.string(),
  z.strictObject({ massKg: z.number() }),
  z.strictObject({ temperatureK: z.number() }),
  /** Absolute. */
  z.strictObject({ pressurePa: z.number() }),
  z.strictObject({ at: z.iso.datetime({ offset: true }) }),
]);
export type Piece = z.infer<typeof piece>;

export const sentence = z.array(piece);
export type Sentence = z.infer<typeof sentence>;

/** A mass in a sentence, kg. */
export const mass = (massKg: number): Piece => ({ massKg });
/** A moment in a sentence. */
export const moment = (at: Date): Piece => ({ at: at.toISOString() });

/** A sentence as a template: say`${name} holds ${mass(3.2)}`. */
export const say = (words: TemplateStringsArray, ...values: readonly Piece[]): Sentence =>
  words.flatMap((word, k) => (k < values.length ? [word, values[k]!] : [word])).filter((entry) => entry !== '');

/** One after the other. */
export const joined = (...sentences: readonly Sentence[]): Sentence => sentences.flat();

/** How quantities become words. */
export interface Wording {
  readonly mass: (kg: number) => string;
  readonly temperature: (T: number) => string;
  /** Of a pressure, Pa absolute. */
  readonly pressure: (p: number) => string;
  readonly at: (instant: string) => string;
}

export const sentenceText = (values: Sentence, wording: Wording): string => values.map((part) => pieceText(part, wording)).join('');

function pieceText(part: Piece, { mass: ofMass, temperature, pressure, at }: Wording): string {
  if (typeof part === 'string') return part;
  if ('massKg' in part) return ofMass(part.massKg);
  if ('temperatureK' in part) return temperature(part.temperatureK);
  return 'pressurePa' in part ? pressure(part.pressurePa) : at(part.at);
}

/** In SI and UTC, for readers that are programs. */
export const inSI: Wording = {
  mass: (kg) => `${kg.toFixed(2)} kg`,
  temperature: (T) => phraseInSI([{ temperatureK: T }]),
  pressure: (p) => phraseInSI([{ pressurePa: p }]),
  at: (instant) => `${instant.slice(0, 16).replace('T', ' ')} UTC`,
};
