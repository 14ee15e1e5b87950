import { CoreError } from '../errors';
import { sameRefrigerant, type Composition } from '../fluids/composition';
import { kilogram, type Kelvin } from '../units/quantity';
import { unless } from '../unless';
import { qualityIn, type CylinderKind, type Quality } from './cylinder-kind';
import type { Stamp } from './cylinder-rating';
import { fillLimits, type Filling } from './fill-limit';
import type { FillPolicy, FillRule } from './fill-rule';
import { contentsByPressure } from './judged-contents';
import { isUnknown } from './unknown-content';
import type { Port } from './port';
import type { Objection } from './objection';
import { pressureRating, type PressureRating } from './pressure-rating';
import { USUAL_HANDLING } from './handling';
import { stopWeight } from './stop-weight';
import { tareAndVolume } from './tare';
import { EMPTY_KG } from './scale-tolerance';

/** A cylinder as far as it decides whether something may go into it, SI. */
export interface Candidate {
  readonly kind: CylinderKind;
  readonly volumeM3: number;
  /** As stamped, and as it was weighed empty where that was done. */
  readonly tareKg: number;
  readonly tareWeighedKg?: number | undefined;
  /** By the ledger; below zero where more was taken out than was ever booked in. */
  readonly contentKg: number;
  /** What is in it, or what it is labelled for; nothing while it is empty and evacuated. */
  readonly composition?: Composition | undefined;
  readonly evacuated: boolean;
  /** Pa above the atmosphere. */
  readonly servicePressurePa: number;
  readonly testPressurePa?: number | undefined;
  readonly stamp?: Stamp | undefined;
  readonly overdue: boolean;
  readonly retired: boolean;
  readonly flammableRated: boolean;
  /** Its collar was recorded with what hardly stands on one, and nobody has read it again. */
  readonly collarUnconfirmed?: boolean | undefined;
  /** Whose refrigerant it is kept for; nobody's where it is absent. */
  readonly owner?: string | undefined;
  /** A check has found non-condensables, and what share of the vapour at 77 °F. */
  readonly nonCondensables: boolean;
  readonly airShare?: number | undefined;
}

/** What is to go in. */
export interface Incoming {
  readonly composition: Composition;
  readonly flammable: boolean;
  readonly quality: Quality;
  readonly owner?: string | undefined;
  /** A check has found air in the cylinder it comes from. */
  readonly nonCondensables?: boolean | undefined;
  /** It goes back into a system of its owner: nothing of other systems may be beside it. */
  readonly goesBack?: boolean | undefined;
  /** Air or another refrigerant is suspected in it: nothing that is known is spoilt with it. */
  readonly suspect?: boolean | undefined;
  /** How it comes out; where it is not known, the worse of both. */
  readonly port?: Port | undefined;
}

export interface Suitability {
  /** Everything that speaks against it, the gravest first; empty where it may be filled. */
  readonly objections: readonly Objection[];
  /** kg that still may go in, were nothing against it; 0 where no limit is known. */
  readonly roomKg: number;
  readonly ruling?: FillRule;
  /** kg on the scale at which to stop. */
  readonly stopGrossKg?: number;
}

/**
 * May it go in there, and how much of it, by the worst of what is in it, what comes and the mixture of both.
 * Sources: trade rules are common practice; limits and class as in `fill-limit` and `pressure-rating`.
 */
export function suitability(cylinder: Candidate, incoming: Incoming, policy: FillPolicy, hottest?: Kelvin): Suitability {
  const { tare, volume, heavier } = tareAndVolume(cylinder);
  const found = stopFor(cylinder, { incoming, policy, hottest, tare, volume });
  const content = Math.max(0, cylinder.contentKg);
  const room = found === undefined ? 0 : found.stop.gross - tare - content;
  const empty = cylinder.contentKg < EMPTY_KG;
  const objections: readonly [Objection, boolean][] = [
    ['retired', cylinder.retired],
    ['nitrogen', cylinder.kind === 'nitrogen'],
    ['non-condensables', cylinder.nonCondensables], // before the class, which its air may pass
    ['class-too-low', found?.rating.suits === false],
    ['overdue', cylinder.overdue],
    ['overfilled', found !== undefined && content > found.holdsAtMost],
    ['negative-balance', cylinder.contentKg < -EMPTY_KG],
    ['other-refrigerant', cylinder.composition !== undefined && !isSame(cylinder.composition, incoming.composition)],
    ['not-evacuated', empty && !cylinder.evacuated && cylinder.composition === undefined],
    ['virgin', cylinder.kind === 'virgin'],
    ['tare-heavier', heavier],
    ['collar-unconfirmed', cylinder.collarUnconfirmed === true],
    ['not-for-flammable', incoming.flammable && !cylinder.flammableRated],
    ['burn-out-apart', incoming.quality !== qualityIn(cylinder.kind)],
    ['other-owner', cylinder.kind === 'clean' && cylinder.owner !== undefined && cylinder.owner !== incoming.owner],
    ['holds-other-recovered', incoming.goesBack === true && !empty && !isOwners(cylinder, incoming)],
    ['suspect-apart', incoming.suspect === true && !empty && cylinder.kind !== 'destruction'],
    ['air-comes-along', incoming.nonCondensables === true],
    ['no-limit', found === undefined],
    ['full', found !== undefined && content <= found.holdsAtMost && room < EMPTY_KG],
  ];
  return {
    objections: objections.filter(([, applies]) => applies).map(([objection]) => objection),
    roomKg: Math.max(0, room),
    ...(found === undefined ? {} : { ruling: found.stop.limit.rule, stopGrossKg: found.stop.gross }),
  };
}

/** Clean refrigerant of the same owner may stand beside it. */
const isOwners = ({ kind, owner }: Candidate, incoming: Incoming) => kind === 'clean' && owner !== undefined && owner === incoming.owner;

/** What nobody knows is not the same as anything. */
const isSame = (inside: Composition, coming: Composition) => !isUnknown(coming) && sameRefrigerant(inside, coming);

interface Asked extends Pick<Filling, 'tare' | 'volume'> {
  readonly incoming: Incoming;
  readonly policy: FillPolicy;
  readonly hottest: Kelvin | undefined;
}

/** Limits and class together; nothing where one of them cannot be computed: the cylinder is not filled then. */
function stopFor(cylinder: Candidate, { incoming, policy, hottest, tare, volume }: Asked) {
  const content = kilogram(Math.max(0, cylinder.contentKg));
  const rating = { stamp: cylinder.stamp, servicePressure: cylinder.servicePressurePa, testPressure: cylinder.testPressurePa };
  const filling: Filling = {
    composition: cylinder.composition ?? incoming.composition,
    incoming: { composition: incoming.composition },
    content,
    tare,
    volume,
    rating,
    hottest,
    port: incoming.port,
  };
  return unless(CoreError, () => {
    const stop = stopWeight(fillLimits(filling, policy), incoming.composition, USUAL_HANDLING);
    const mass = kilogram(Math.max(content, stop.net));
    // what is in it is no more than it holds because something lighter is brought beside it
    const mixes = content > 0 && !isSame(filling.composition, incoming.composition);
    const holdsAtMost = mixes ? fillLimits({ ...filling, incoming: undefined }, policy).ruling.net : stop.limit.net;
    return { stop, holdsAtMost, rating: classFor(filling, { volume, mass, airShare: cylinder.airShare }) };
  });
}

/** The class of everything that it would hold; what may come as vapour stands higher than its blend. */
export const classFor = (
  filling: Pick<Filling, 'composition' | 'incoming' | 'content' | 'rating' | 'port'>,
  filled: Parameters<typeof pressureRating>[2],
): PressureRating => pressureRating(contentsByPressure(filling), filling.rating ?? {}, filled);
