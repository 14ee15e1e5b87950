import { NoFillLimit, NoTwoPhaseState } from '../errors';
import { sameRefrigerant, type Composition } from '../fluids/composition';
import { cubicMetre, kilogram, type Kelvin } from '../units/quantity';
import { qualityIn, type CylinderKind, type Quality } from './cylinder-kind';
import { fillLimits } from './fill-limit';
import type { FillPolicy, FillRule } from './fill-rule';
import type { Objection } from './objection';
import { pressureRating } from './pressure-rating';

/** A cylinder as far as it decides whether something may go into it, SI. */
export interface Candidate {
  readonly kind: CylinderKind;
  readonly volumeM3: number;
  readonly tareKg: number;
  /** By the ledger; below zero where more was taken out than was ever booked in. */
  readonly contentKg: number;
  /** What is in it, or what it is labelled for; nothing while it is empty and evacuated. */
  readonly composition?: Composition | undefined;
  readonly evacuated: boolean;
  /** Pa above the atmosphere. */
  readonly servicePressurePa: number;
  readonly overdue: boolean;
  readonly retired: boolean;
  readonly flammableRated: boolean;
  /** Whose refrigerant it is kept for; nobody's where it is absent. */
  readonly owner?: string | undefined;
  /** A check has found air in it. */
  readonly airy: boolean;
}

/** What is to go in. */
export interface Incoming {
  readonly composition: Composition;
  readonly flammable: boolean;
  readonly quality: Quality;
  readonly owner?: string | undefined;
  /** A check has found air in the cylinder it comes from. */
  readonly airy?: boolean | undefined;
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

/** A scale cannot tell less from nothing. */
export const NOTHING_KG = 0.02;

/** May it go in there, and how much of it. Sources: trade rules are common practice; limits and class as in `fill-limit` and `pressure-rating`. */
export function suitability(cylinder: Candidate, incoming: Incoming, policy: FillPolicy, hottest?: Kelvin): Suitability {
  const limit = limitOf(cylinder, incoming, policy, hottest);
  const room = limit?.mayAdd ?? 0;
  const empty = cylinder.contentKg < NOTHING_KG;
  const objections: readonly [Objection, boolean][] = [
    ['retired', cylinder.retired],
    ['nitrogen', cylinder.kind === 'nitrogen'],
    ['class-too-low', !pressureRating(incoming.composition, cylinder.servicePressurePa).suits],
    ['overdue', cylinder.overdue],
    ['overfilled', limit !== undefined && room < 0],
    ['overdrawn', cylinder.contentKg < -NOTHING_KG],
    ['other-refrigerant', cylinder.composition !== undefined && !sameRefrigerant(cylinder.composition, incoming.composition)],
    ['not-evacuated', empty && !cylinder.evacuated && cylinder.composition === undefined],
    ['virgin', cylinder.kind === 'virgin'],
    ['not-for-flammable', incoming.flammable && !cylinder.flammableRated],
    ['burn-out-apart', incoming.quality !== qualityIn(cylinder.kind)],
    ['other-owner', cylinder.kind === 'clean' && cylinder.owner !== undefined && cylinder.owner !== incoming.owner],
    ['airy', cylinder.airy],
    ['air-comes-along', incoming.airy === true],
    ['no-limit', limit === undefined],
    ['full', limit !== undefined && room >= 0 && room < NOTHING_KG],
  ];
  return {
    objections: objections.filter(([, applies]) => applies).map(([objection]) => objection),
    roomKg: Math.max(0, room),
    ...(limit === undefined ? {} : { ruling: limit.rule, stopGrossKg: limit.gross }),
  };
}

function limitOf(cylinder: Candidate, incoming: Incoming, policy: FillPolicy, hottest: Kelvin | undefined) {
  try {
    const { ruling } = fillLimits(
      {
        // what is in it already decides as much as what comes: the denser of an unequal pair must not be trusted
        composition: cylinder.composition ?? incoming.composition,
        volume: cubicMetre(cylinder.volumeM3),
        tare: kilogram(cylinder.tareKg),
        content: kilogram(Math.max(0, cylinder.contentKg)),
        hottest,
      },
      policy,
    );
    return ruling;
  } catch (error) {
    if (error instanceof NoFillLimit || error instanceof NoTwoPhaseState) return undefined;
    throw error;
  }
}
