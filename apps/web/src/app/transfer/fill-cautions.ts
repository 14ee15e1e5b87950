import type { ComingIn } from '@hygromet/contract/coming-in';
import type { FillLimit } from '@hygromet/core/cylinder/fill-limit';
import type { Objection } from '@hygromet/core/cylinder/objection';
import type { PressureRating } from '@hygromet/core/cylinder/pressure-rating';
import type { Cylinder } from '@hygromet/contract/cylinder';
import type { MassUnit } from '@hygromet/core/units/mass';
import type { Units } from '../preferences/units.service';
import type { CoolStop } from './cool-stop';
import type { Heat } from '../live/property-operations';

/** A sentence about what can hurt; `stops` keeps a transfer from being started, `grave` is shown in red. */
export interface FillCaution {
  readonly code: string;
  readonly grave: boolean;
  readonly stops: boolean;
  readonly sentence: string;
}

/** The facts that are there so far; what is not known yet is left out. */
export interface FillFacts {
  readonly cylinder: Cylinder;
  readonly incoming: Pick<ComingIn, 'name'> | undefined;
  readonly safetyGroup: string | null | undefined;
  readonly ruling: FillLimit | undefined;
  /** What speaks against this cylinder for what would come in. */
  readonly objections: readonly Objection[];
  readonly nowKg: number | undefined;
  readonly rating: PressureRating | undefined;
  /** Heat at the stop weight, and the hottest place. */
  readonly heat: Heat | undefined;
  readonly hottestK: number | undefined;
  /** The reading at which it keeps a free share at the hottest place. */
  readonly coolStop: CoolStop | undefined;
  /** Readings are told as the scale shows them. */
  readonly scaleUnit: MassUnit;
}

/** Only what applies, gravest first. */
export function fillCautions(facts: FillFacts, units: Units): readonly FillCaution[] {
  const all = [
    ...objected(facts),
    overfilled(facts, units),
    mixing(facts),
    overdue(facts),
    overRated(facts, units),
    hot(facts, units),
    flammable(facts),
  ];
  return all.filter((caution) => caution !== undefined).sort((a, b) => Number(b.grave) - Number(a.grave));
}

/** Objections that no caution below tells with its own figures. */
const sentences: Partial<Record<Objection, (name: string) => string>> = {
  retired: (name) => `${name} is out of use. Take another cylinder.`,
  nitrogen: (name) => `${name} is for nitrogen. Take another cylinder.`,
  virgin: (name) => `${name} holds virgin refrigerant: what comes from a system goes into a recovery cylinder.`,
  'not-evacuated': (name) =>
    `${name} is not evacuated since it was last used: evacuate and prove it first, or its air goes to the reclaimer.`,
  'not-for-flammable': (name) => `${name} is not recorded as rated for flammable refrigerant. Take one that is, or record its marks.`,
  'burn-out-apart': (name) => `${name} is marked for burnt-out or unknown refrigerant: nothing else goes into it.`,
  'other-owner': (name) => `${name} is kept for another owner's refrigerant.`,
  airy: (name) => `A check found air in ${name}. Add nothing until it is purged or sent in.`,
  'air-comes-along': () => 'A check found air in the cylinder it comes from: it would come along. Its own page says what to do first.',
};

const objected = ({ objections, cylinder }: FillFacts): readonly FillCaution[] =>
  objections.flatMap((code) => {
    const sentence = sentences[code];
    return sentence === undefined ? [] : [{ code, grave: true, stops: true, sentence: sentence(cylinder.name) }];
  });

function overfilled({ cylinder, ruling, nowKg, heat, scaleUnit }: FillFacts, units: Units): FillCaution | undefined {
  if (ruling === undefined || nowKg === undefined || nowKg <= ruling.gross) return undefined;
  const until = heat?.fills ? ` Keep it below ${units.temperature(heat.T - 5)} until then.` : '';
  return {
    code: 'overfilled',
    grave: true,
    stops: true,
    sentence: `${cylinder.name} is overfilled by ${units.massText(nowKg - ruling.gross, 'up', scaleUnit)}. Add nothing; move that much into an empty cylinder.${until}`,
  };
}

/** By the label, and by the shares of what is in both: a mixture is not what its label says. */
function mixing({ cylinder, incoming, objections }: FillFacts): FillCaution | undefined {
  if (cylinder.refrigerant === null || incoming === undefined) return undefined;
  if (cylinder.refrigerant === incoming.name && !objections.includes('other-refrigerant')) return undefined;
  const holds = cylinder.flags.includes('mixed') ? 'holds a mixture' : `is for ${cylinder.refrigerant}`;
  return {
    code: 'mixing',
    grave: true,
    stops: true,
    sentence: `${cylinder.name} ${holds}, and ${incoming.name} would come in. Mixed they can often not be reclaimed: take another cylinder.`,
  };
}

function overdue({ cylinder }: FillFacts): FillCaution | undefined {
  if (!cylinder.flags.includes('overdue')) return undefined;
  return {
    code: 'overdue',
    grave: true,
    stops: true,
    sentence: `Its requalification ran out with ${cylinder.validThrough}. Do not fill it: have it tested, or take another.`,
  };
}

function overRated({ rating }: FillFacts, units: Units): FillCaution | undefined {
  if (rating === undefined || rating.suits) return undefined;
  const reached =
    rating.pAt131F === undefined
      ? 'This refrigerant has no liquid at 131 °F'
      : `At 131 °F it would stand at ${units.pressure(rating.pAt131F)}`;
  return {
    code: 'over-rated',
    grave: true,
    stops: true,
    sentence: `${reached}; this cylinder bears ${units.pressure(rating.allowed)}. Take one of a higher pressure class.`,
  };
}

function hot({ heat, hottestK, nowKg, ruling, coolStop, scaleUnit }: FillFacts, units: Units): FillCaution | undefined {
  if (heat === undefined || !heat.fills || hottestK === undefined || ruling === undefined || heat.T >= hottestK) return undefined;
  const earlier =
    coolStop === undefined || coolStop.grossKg <= (nowKg ?? 0)
      ? 'stop earlier'
      : `stop at ${units.massText(coolStop.grossKg, 'down', scaleUnit)}: then ${units.percent(coolStop.freeShare)} of its volume stay free there`;
  return {
    code: 'hot',
    grave: false,
    stops: false,
    sentence:
      `${nowKg !== undefined && nowKg > ruling.gross ? 'As it is' : 'Filled to its stop'}, it is liquid-full from ${units.temperature(heat.T)} on, and the hottest place has ${units.temperature(hottestK)}. ` +
      `Above that each degree adds about ${units.pressureStep(units.kelvinsInADegree() * heat.slopePaPerK)}. Keep it out of the heat, or ${earlier}.`,
  };
}

function flammable({ safetyGroup, incoming, cylinder }: FillFacts): FillCaution | undefined {
  const name = incoming?.name ?? cylinder.refrigerant;
  if (safetyGroup === undefined || safetyGroup?.endsWith('1') === true || name === null) return undefined;
  const burns = safetyGroup === null ? `${name} has no safety group: take it as burning.` : `${name} burns (${safetyGroup}).`;
  return {
    code: 'flammable',
    grave: false,
    stops: false,
    sentence: `${burns} Cylinder and machine rated for it, the cylinder free of air, no ignition source, ventilate.`,
  };
}
