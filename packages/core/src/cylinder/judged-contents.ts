import { isUnknown } from './unknown-content';
import type { Port } from './port';
import { CoreError } from '../errors';
import { mixed, sameRefrigerant, SAME_SHARE, type Composition } from '../fluids/composition';
import { allRefrigerants, designationOf } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { HOT_REFERENCE, USUAL_REFERENCE } from './reference-temperatures';
import { unless } from '../unless';
import { isHighPressureGas } from './high-pressure-gas';
import { saturatedLiquid } from './saturated-liquid';
import data from './fill-rules.json';

/** One content by which a cylinder is judged, and what it is of it. */
export interface Judged {
  readonly composition: Composition;
  readonly as: 'content' | 'incoming' | 'mixture' | 'possible';
}

export interface Contents {
  /** What is in it; what it is labelled for where it is empty. */
  readonly composition: Composition;
  /** kg of it. */
  readonly content: number;
  readonly incoming?: { readonly composition: Composition; readonly mass?: number | undefined } | undefined;
}

/** Mixtures that come about on the way, by the share of what comes in: where the mass to come is not known. */
const SHARES_ON_THE_WAY = [0.02, 0.1, 0.25, 0.5, 0.75, 0.9, 0.98];

/**
 * Every content that a cylinder has to bear: what is in it, what comes, and the mixture of both, at the mass that comes or all the way.
 * What nobody knows is everything that it could be.
 */
export function judgedContents({ composition, content, incoming }: Contents): readonly Judged[] {
  const inside = incoming !== undefined && !(content > 0) ? [] : everythingIn(composition, 'content');
  if (incoming === undefined) return inside;
  const coming = everythingIn(incoming.composition, 'incoming');
  if (isUnknown(composition) || isUnknown(incoming.composition) || inside.length === 0) return [...inside, ...coming];
  if (sameRefrigerant(composition, incoming.composition)) return [...inside, ...coming];
  return [...inside, ...coming, ...mixturesOf(composition, content, incoming.composition, incoming.mass)];
}

const everythingIn = (composition: Composition, as: Judged['as']): readonly Judged[] =>
  isUnknown(composition)
    ? possibleContents().map((possibleContent) => ({ composition: possibleContent, as: 'possible' }))
    : [{ composition, as }];

function mixturesOf(inside: Composition, content: number, coming: Composition, mass: number | undefined): readonly Judged[] {
  const of = (first: number, second: number): Judged => ({
    composition: mixed([
      { composition: inside, mass: first },
      { composition: coming, mass: second },
    ]),
    as: 'mixture',
  });
  if (mass !== undefined) return mass > 0 ? [of(content, mass)] : [];
  return SHARES_ON_THE_WAY.map((share) => of(1 - share, share));
}

let possible: readonly Composition[] | undefined;

/**
 * Everything that an unknown refrigerant could be: whatever stands in the data and is no high-pressure gas. Those show themselves on the
 * gauge: carbon dioxide and its like stand above 40 bar in a warm room.
 */
export function possibleContents(): readonly Composition[] {
  possible ??= allRefrigerants.map(({ composition }) => composition).filter((composition) => !isHighPressureGas(composition));
  return possible;
}

let highest: Composition | undefined;

/** Of everything that an unknown refrigerant could be, what stands highest at 131 °F. */
function highestPossible(): Composition {
  highest ??= possibleContents().reduce((most, entry) => (pressureOf(entry) > pressureOf(most) ? entry : most));
  return highest;
}

const pressureOf = (composition: Composition) => saturatedLiquid(composition, HOT_REFERENCE)?.p ?? 0;

/**
 * The contents by which a pressure is judged: as for a limit, but of everything that could be only what stands highest, and with the first
 * vapour of what comes in, unless it comes as liquid.
 */
export function contentsByPressure(contents: Contents & { readonly port?: Port | undefined }): readonly Composition[] {
  const judged = judgedContents(contents);
  const known = judged.filter(({ as }) => as !== 'possible');
  return [
    ...(known.length < judged.length ? [highestPossible()] : []),
    ...known.map(({ composition }) => composition),
    ...(contents.port === 'liquid' ? [] : known.filter(({ as }) => as === 'incoming').map(({ composition }) => firstVapour(composition))),
  ];
}

/**
 * Whether two refrigerants were put together: what is in it is no designation, nor one that lost some of its parts by leaking.
 * A blend that leaked keeps its substances and comes within a tenth of its shares (common practice).
 */
export function isMixture(composition: Composition): boolean {
  if (designationOf(composition) !== undefined) return false;
  const present = Object.keys(composition).filter((id) => composition[id]! >= SAME_SHARE);
  return !allRefrigerants.some(
    ({ composition: nominal }) =>
      Object.keys(nominal).length === present.length &&
      present.every((id) => Math.abs((nominal[id] ?? Number.POSITIVE_INFINITY) - composition[id]!) <= data.driftedShare),
  );
}

/** Its substances, each for itself, as far as they are liquid at 131 °F: a mixture could part into them. */
export const partsOf = (composition: Composition): readonly Composition[] =>
  Object.keys(composition)
    .filter((id) => composition[id]! >= SAME_SHARE)
    .map((id) => purely(id))
    .filter((entry) => saturatedLiquid(entry, HOT_REFERENCE) !== undefined);

const pure = new Map<string, Composition>();
function purely(id: string): Composition {
  const known = pure.get(id) ?? { [id]: 1 };
  pure.set(id, known);
  return known;
}

const drawn = new WeakMap<Composition, Composition>();

/**
 * The first vapour over a blend at 77 °F, as it is drawn from a system by its vapour port; the blend itself where it is a pure
 * refrigerant, or where nothing boils at that temperature.
 */
export function firstVapour(composition: Composition): Composition {
  const known = drawn.get(composition) ?? vapourOver(composition);
  drawn.set(composition, known);
  return known;
}

function vapourOver(composition: Composition): Composition {
  if (Object.keys(composition).length === 1) return composition;
  // where there is no bubble at that temperature, what is drawn is all there is
  return unless(CoreError, () => bubblePoint(composition, USUAL_REFERENCE).vapour) ?? composition;
}
