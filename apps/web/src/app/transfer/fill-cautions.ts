import type { ComingIn } from '@hygromet/contract/coming-in';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import type { FillLimit } from '@hygromet/core/cylinder/fill-limit';
import type { Objection } from '@hygromet/core/cylinder/objection';
import type { PressureRating } from '@hygromet/core/cylinder/pressure-rating';
import type { Cylinder } from '@hygromet/contract/cylinder';
import type { MassUnit } from '@hygromet/core/units/mass';
import { keepBelow } from '@hygromet/core/cylinder/keep-below';
import { isFlammableGroup } from '@hygromet/core/fluids/safety-group';
import { monthText } from '../cylinders/cylinder-labels';
import type { Units } from '../preferences/units.service';
import type { Heat } from '../core-worker/property-operations';

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
  /** Why a rule could not be computed; nothing where each was, or is on its way. */
  readonly unjudged?: string | undefined;
  readonly incoming: Pick<ComingIn, 'name' | 'composition'> | undefined;
  readonly safetyGroup: string | null | undefined;
  readonly ruling: FillLimit | undefined;
  /** What speaks against this cylinder for what would come in. */
  readonly objections: readonly Objection[];
  readonly nowKg: number | undefined;
  readonly rating: PressureRating | undefined;
  /** Heat at the stop weight, and the hottest place. */
  readonly heat: Heat | undefined;
  readonly hottestK: number | undefined;
  /** The rule for the hottest place was set aside with a reason. */
  readonly overruled: boolean;
  /** Readings are told as the scale shows them. */
  readonly scaleUnit: MassUnit;
}

/** Only what applies, gravest first. */
export function fillCautions(facts: FillFacts, units: Units): readonly FillCaution[] {
  const all = [
    unjudged(facts),
    ...objected(facts),
    overfilled(facts, units),
    mixing(facts),
    overdue(facts),
    overRated(facts, units),
    overRatedWithAir(facts, units),
    hot(facts, units),
    hotterThanRated(facts, units),
    unidentified(facts),
    flammable(facts),
  ];
  return all.filter((caution) => caution !== undefined).sort((a, b) => Number(b.grave) - Number(a.grave));
}

/** A rule that cannot be computed refuses. */
const unjudged = ({ unjudged: why, cylinder }: FillFacts): FillCaution | undefined =>
  why === undefined
    ? undefined
    : {
        code: 'unjudged',
        grave: true,
        stops: true,
        sentence: $localize`${cylinder.name} cannot be judged, so nothing is started on it: ${why}`,
      };

/** Objections that no caution below tells with its own figures. */
const sentences: Partial<Record<Objection, (name: string) => string>> = {
  retired: (name) => $localize`${name} is out of use. Take another cylinder.`,
  nitrogen: (name) => $localize`${name} is for nitrogen. Take another cylinder.`,
  virgin: (name) => $localize`${name} holds virgin refrigerant: what comes from a system goes into a recovery cylinder.`,
  'not-evacuated': (name) => $localize`${name} has not been evacuated since last use. Pull and hold a vacuum first.`,
  'not-for-flammable': (name) =>
    $localize`${name} is not recorded as rated for flammable refrigerant. Take one that is, or record its marks.`,
  'burn-out-apart': (name) => $localize`${name} is marked for burnt-out or unknown refrigerant: nothing else goes into it.`,
  'other-owner': (name) => $localize`${name} is reserved for another customer's refrigerant.`,
  'tare-heavier': (name) =>
    $localize`${name} weighed more empty than its collar says. Something is in it – water, oil, dirt – and its room is gone. Empty and clean it, or record why.`,
  'collar-unconfirmed': (name) =>
    $localize`${name} is recorded with what hardly stands on a collar, and its stop weight rests on it. Read its collar again and confirm it on its page.`,
  'no-limit': (name) => $localize`No stop weight can be given for ${name} with this content. Take another cylinder.`,
  'non-condensables': (name) => $localize`A check found air in ${name}. Add nothing until it is purged or sent in.`,
  'holds-other-recovered': (name) =>
    $localize`${name} holds refrigerant of other systems: what goes back into a system needs an evacuated cylinder of its own.`,
  'suspect-apart': (name) =>
    $localize`Suspect refrigerant would spoil the contents of ${name}. Use an empty, evacuated cylinder and mark it so.`,
  'air-comes-along': () => $localize`Non-condensables were found in the source cylinder and would transfer too. See that cylinder’s page.`,
};

/** What was found in the cylinder itself is told before anybody has said what comes. */
const objected = ({ objections, incoming, cylinder }: FillFacts): readonly FillCaution[] =>
  (incoming === undefined && cylinder.flags.includes('non-condensables') ? (['non-condensables'] as const) : objections).flatMap((code) => {
    const sentence = sentences[code];
    return sentence === undefined ? [] : [{ code, grave: true, stops: true, sentence: sentence(cylinder.name) }];
  });

function overfilled({ cylinder, ruling, nowKg, heat, scaleUnit }: FillFacts, units: Units): FillCaution | undefined {
  if (ruling === undefined || nowKg === undefined || nowKg <= ruling.gross) return undefined;
  const until = heat?.fills ? $localize` Keep it below ${units.temperature(keepBelow(heat.T))} until then.` : '';
  return {
    code: 'overfilled',
    grave: true,
    stops: true,
    sentence: $localize`${cylinder.name} is overfilled by ${units.massText(nowKg - ruling.gross, 'up', scaleUnit)}. Add nothing; move that much into an empty cylinder.${until}`,
  };
}

/** By the label, and by the shares of what is in both: a mixture is not what its label says. */
function mixing({ cylinder, incoming, objections }: FillFacts): FillCaution | undefined {
  if (incoming === undefined) return cylinder.flags.includes('mixed') ? mixedAlready(cylinder) : undefined;
  if (cylinder.refrigerant === null) return undefined;
  if (cylinder.refrigerant === incoming.name && !objections.includes('other-refrigerant')) return undefined;
  const holds = cylinder.flags.includes('mixed') ? $localize`holds a mixture` : $localize`is for ${cylinder.refrigerant}`;
  return {
    code: 'mixing',
    grave: true,
    stops: true,
    sentence: $localize`${cylinder.name} ${holds}, and ${incoming.name} would come in. Mixed they can often not be reclaimed: take another cylinder.`,
  };
}

const mixedAlready = ({ name }: Cylinder): FillCaution => ({
  code: 'mixing',
  grave: true,
  stops: true,
  sentence: $localize`${name} holds a mixture. Add nothing; mixtures often cannot be reclaimed.`,
});

function overdue({ cylinder }: FillFacts): FillCaution | undefined {
  if (!cylinder.flags.includes('overdue')) return undefined;
  return {
    code: 'overdue',
    grave: true,
    stops: true,
    sentence: $localize`Requalification expired ${monthText(cylinder.validThrough)}. Do not fill it: have it tested, or take another.`,
  };
}

function overRated({ rating, incoming }: FillFacts, units: Units): FillCaution | undefined {
  if (rating === undefined || rating.suits) return undefined;
  const { p, allowed, missing, T, of } = rating;
  const unknown = incoming !== undefined && isUnknown(incoming.composition);
  const sentence =
    p === undefined || allowed === undefined
      ? $localize`Its pressure class cannot be judged: record ${missing === 'testPressurePa' ? $localize`the test pressure` : $localize`the stamp`} from the collar on the cylinder's page.`
      : $localize`${unknown ? $localize`It could be ${of ?? 'a mixture'}, which` : (of ?? $localize`This content`)} can reach ${units.pressure(p)} at ${units.temperature(T)}; cylinder limit is ${units.pressure(allowed)}. Use a cylinder of a higher pressure class.`;
  return { code: 'pressure-rating-too-low', grave: true, stops: true, sentence };
}

/** Usual practice, and it is told: nobody has looked for air, and with as much as AHRI 700 allows the class would be passed. */
function overRatedWithAir({ rating }: FillFacts, units: Units): FillCaution | undefined {
  if (rating?.suits !== true || rating.pWithAir === undefined || rating.allowed === undefined || rating.pWithAir <= rating.allowed)
    return undefined;
  return {
    code: 'air-unchecked',
    grave: false,
    stops: false,
    sentence: $localize`Not checked for air: with the 1.5 % that AHRI 700 allows it would reach ${units.pressure(rating.pWithAir)} at ${units.temperature(rating.T)}, above the cylinder limit of ${units.pressure(rating.allowed)}. Filling it is usual practice; check for air when it has settled.`,
  };
}

/** What it means to set the rule aside, and what is in it already, at the place that was named. */
function hot({ heat, hottestK, nowKg, ruling, overruled }: FillFacts, units: Units): FillCaution | undefined {
  if (heat === undefined || !heat.fills || hottestK === undefined || ruling === undefined) return undefined;
  const over = nowKg !== undefined && nowKg > ruling.gross && heat.T < hottestK;
  if (!over && !overruled) return undefined; // filled to a stop that keeps the rule, it has its share free there
  const pressure =
    heat.pHottest === undefined ? '' : $localize` and reaches ${units.pressure(heat.pHottest)} at ${units.temperature(hottestK)}`;
  return {
    code: 'hot',
    grave: true,
    stops: false,
    sentence:
      $localize`${overruled ? $localize`The rule for the hottest location is set aside. ` : ''}${over ? $localize`As it is` : $localize`Filled to this stop`}, it goes liquid-full at ${units.temperature(heat.T)}${pressure}. ` +
      $localize`Above that, pressure climbs about ${units.pressureStep(units.kelvinsInADegree() * heat.slopePaPerK)} per degree. Keep it below ${units.temperature(keepBelow(heat.T))} at all times.`,
  };
}

/** The class is judged at one temperature; the place somebody named may be hotter. An estimate warns and forbids nothing. */
function hotterThanRated({ rating, heat, hottestK }: FillFacts, units: Units): FillCaution | undefined {
  if (rating?.suits !== true || rating.allowed === undefined || hottestK === undefined || hottestK <= rating.T) return undefined;
  if (heat?.pHottest === undefined || heat.pHottest <= rating.allowed) return undefined;
  return {
    code: 'hotter-than-rated',
    grave: false,
    stops: false,
    sentence: $localize`At ${units.temperature(hottestK)}, the place you named, it may reach ${units.pressure(heat.pHottest)}\: above the cylinder limit of ${units.pressure(rating.allowed)}, which the class is judged by at ${units.temperature(rating.T)}. Shade it, or take it to a cooler place.`,
  };
}

function unidentified({ incoming }: FillFacts): FillCaution | undefined {
  if (incoming === undefined || !isUnknown(incoming.composition)) return undefined;
  return {
    code: 'unidentified',
    grave: true,
    stops: false,
    sentence: $localize`Not identified: it may be anything, so the limit is that of the lightest liquid and the pressure that of the highest. If it stands above 40 bar (580 psig) in a warm room, it is carbon dioxide or another high-pressure gas: do not fill it into this cylinder.`,
  };
}

function flammable({ safetyGroup, incoming, cylinder }: FillFacts): FillCaution | undefined {
  const name = incoming?.name ?? cylinder.refrigerant;
  if (safetyGroup === undefined || !isFlammableGroup(safetyGroup) || name === null) return undefined;
  const burns =
    safetyGroup === null ? $localize`No safety classification – treat as flammable.` : $localize`${name} is flammable (${safetyGroup}).`;
  return {
    code: 'flammable',
    grave: false,
    stops: false,
    sentence: $localize`${burns} Cylinder and machine rated for it, the cylinder free of air, no ignition source, ventilate.`,
  };
}
