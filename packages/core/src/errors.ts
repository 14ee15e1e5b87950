import { phrase, phraseInSI, type Phrase, type PhrasePiece } from './phrase';

/**
 * What the core refuses. Each class carries a stable code and the facts, so that an interface can say it in its own words;
 * the message is a sentence a technician can act on, in SI; `phrase` has its quantities apart, for readers with units of their own.
 */
export abstract class CoreError extends Error {
  abstract readonly code: CoreErrorCode;
  readonly phrase: Phrase;

  constructor(said: string | Phrase) {
    const pieces = typeof said === 'string' ? [said] : said;
    super(phraseInSI(pieces));
    this.phrase = pieces;
  }
}

/** A value in its unit, as a quantity where readers have units of their own. */
function inUnit(value: number, unit: string): PhrasePiece {
  if (unit === 'K') return { temperatureK: value };
  return unit === 'Pa' ? { pressurePa: value } : `${Number(value.toPrecision(6))} ${unit}`;
}

export type CoreErrorCode =
  | 'out-of-range'
  | 'not-a-number'
  | 'unreadable'
  | 'unknown-refrigerant'
  | 'bad-composition'
  | 'no-two-phase-state'
  | 'liquid-parts'
  | 'no-convergence'
  | 'no-steady-state'
  | 'no-fill-limit';

export class OutOfRange extends CoreError {
  readonly code = 'out-of-range';
  constructor(
    readonly quantity: string,
    readonly value: number,
    readonly min: number,
    readonly max: number,
    readonly unit: string,
  ) {
    const least = min === Number.MIN_VALUE ? 'above 0' : inUnit(min, unit);
    super(phrase`The ${quantity} ${inUnit(value, unit)} is outside ${least} to ${inUnit(max, unit)}.`);
  }
}

export class NotANumber extends CoreError {
  readonly code = 'not-a-number';
  constructor(readonly quantity: string) {
    super(`The ${quantity} is missing or is not a number.`);
  }
}

/** Text that a person typed and that is no quantity. */
export class Unreadable extends CoreError {
  readonly code = 'unreadable';
}

export class UnknownRefrigerant extends CoreError {
  readonly code = 'unknown-refrigerant';
  constructor(
    readonly typed: string,
    readonly nearest: readonly string[],
  ) {
    super(`No refrigerant is called "${typed}".` + (nearest.length > 0 ? ` Did you mean ${nearest.join(' or ')}?` : ''));
  }
}

export class BadComposition extends CoreError {
  readonly code = 'bad-composition';
}

/** Liquid and vapour of this composition do not rest together at this temperature: it is at or above the end of its boiling line. */
export class NoTwoPhaseState extends CoreError {
  readonly code = 'no-two-phase-state';
  constructor(
    readonly T: number,
    readonly highestT: number,
  ) {
    super(
      phrase`At ${{ temperatureK: T }} there is no liquid beside vapor: the saturation line of this refrigerant ends at ${{ temperatureK: highestT }}.`,
    );
  }
}

/** The liquid would part into two layers: three phases rest beside each other, and this core knows two. */
export class LiquidParts extends CoreError {
  readonly code = 'liquid-parts';
  constructor(
    /** K: from here on upwards the liquid is one, where that is known. */
    readonly lowestT?: number,
  ) {
    super([
      'This mixture separates into two liquid phases',
      ...(lowestT === undefined ? [] : [' below ', { temperatureK: lowestT }]),
      ', as ammonia and many fluorocarbons do: it has no one boiling point, and no fill limit.',
    ]);
  }
}

export class NoConvergence extends CoreError {
  readonly code = 'no-convergence';
}

/** A running unit that settles nowhere in these conditions: it would trip, flood back, or starve. */
export class NoSteadyState extends CoreError {
  readonly code = 'no-steady-state';
}

/** A mark of the collar without which the filling of a gas cannot be computed, by its name at the interface. */
export type MissingMark = 'stamp' | 'servicePressurePa' | 'testPressurePa';

const marks: Record<MissingMark, string> = {
  stamp: 'whose stamp the cylinder carries, US or UN',
  servicePressurePa: 'the service pressure from the collar',
  testPressurePa: 'the test pressure from the collar',
};

/** A rule that binds cannot be computed: no stop weight is better than a wrong one. */
export class NoFillLimit extends CoreError {
  readonly code = 'no-fill-limit';
  constructor(
    readonly content: string,
    readonly missing?: MissingMark,
  ) {
    super(
      missing === undefined
        ? `No stop weight can be given for ${content}: a rule that binds it cannot be computed. Ask the owner of the cylinder for the filling its approval allows.`
        : `No stop weight can be given for ${content}: in the heat its pressure limits the filling. Give ${marks[missing]}.`,
    );
  }
}
