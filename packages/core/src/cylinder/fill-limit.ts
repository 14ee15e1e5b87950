import type { Composition } from '../fluids/composition';
import { estimateMargin } from '../fluids/estimate-margin';
import { designationOf } from '../fluids/refrigerant';
import { CoreError, NoFillLimit } from '../errors';
import { kelvin, pascal, type CubicMetre, type Kelvin, type Kilogram } from '../units/quantity';
import { unless } from '../unless';
import { hotPressureAllowed, testPressureOf, type CylinderRating } from './cylinder-rating';
import { isExempt } from './exempt-gas';
import { endBasis, liquidBasis, pressureBasis, tableBasis, type Basis } from './fill-basis';
import { defaultFillPolicy, fillRuleName, fillRules, fillRuleSource, tabulatedFilling, type FillPolicy, type FillRule } from './fill-rule';
import { isHighPressureGas } from './high-pressure-gas';
import { firstVapour, isMixture, judgedContents, partsOf, type Judged } from './judged-contents';
import { isUnknown } from './unknown-content';
import type { Port } from './port';
import { saturatedLiquid } from './saturated-liquid';
import data from './fill-rules.json';

export type { Basis } from './fill-basis';

export interface Filling {
  /** What is in it, or what it would hold; unknown where nobody knows. */
  readonly composition: Composition;
  /** Internal volume: the stamped water capacity, less what anything else in it takes. */
  readonly volume: CubicMetre;
  readonly tare: Kilogram;
  /** What is in it now, net. */
  readonly content: Kilogram;
  /** The hottest place it will be, where one is known. */
  readonly hottest?: Kelvin | undefined;
  /** What the collar says of pressure. */
  readonly rating?: CylinderRating | undefined;
  /** What is to come in, and how much of it where that is known. */
  readonly incoming?: { readonly composition: Composition; readonly mass?: Kilogram | undefined } | undefined;
  /** How it comes out of the system; where it is not known, the worse of both. */
  readonly port?: Port | undefined;
}

export interface FillLimit {
  readonly rule: FillRule;
  readonly name: string;
  /** kg; the smallest of the bases */
  readonly net: number;
  /** kg on the scale at which to stop */
  readonly gross: number;
  /** kg; negative when more than that is in it already */
  readonly mayAdd: number;
  readonly required: boolean;
  /** kg less, were it filled with the first vapour of the blend; 0 for a pure refrigerant, and where liquid is drawn. */
  readonly drift: number;
  /** The basis that rules, and every basis of the rule, smallest first. */
  readonly formula: string;
  readonly bases: readonly Basis[];
  readonly source: string;
}

export interface FillLimits {
  /** What is required first, then advice; the strictest first in each. */
  readonly limits: readonly FillLimit[];
  /** The strictest limit that binds. */
  readonly ruling: FillLimit;
  /** Whether a density or pressure rests on a pair that nobody has published. */
  readonly estimated: boolean;
}

/**
 * Every limit that applies to a cylinder, side by side, and the one that rules. Each is the worst of what is in it, what comes and the
 * mixture of both. A rule that binds and cannot be computed refuses; it never disappears.
 * @throws NoFillLimit with the mark of the collar that is missing, or where a rule that binds has no answer
 */
export function fillLimits(filling: Filling, policy: FillPolicy = defaultFillPolicy): FillLimits {
  const judged = judgedContents(filling);
  const unknown = isUnknown(filling.composition) || (filling.incoming !== undefined && isUnknown(filling.incoming.composition));
  const limits = fillRules
    .flatMap((rule) => limitOf(rule, { ...filling, judged, unknown }, policy))
    .sort((a, b) => Number(b.required) - Number(a.required) || a.net - b.net);
  const ruling = limits[0];
  if (ruling?.required !== true) throw new NoFillLimit(nameOf(judged));
  return { limits, ruling, estimated: judged.some(({ composition }) => estimateMargin(composition).basis !== 'published') };
}

interface JudgedFilling extends Filling {
  readonly judged: readonly Judged[];
  readonly unknown: boolean;
}

function limitOf(rule: FillRule, filling: JudgedFilling, policy: FillPolicy): FillLimit[] {
  const required = filling.judged.some(({ composition }) => binds(rule, filling, composition, policy));
  const bases = required ? worstBases(rule, filling, policy) : adviceBases(rule, filling, policy);
  const smallest = bases[0];
  if (smallest === undefined) return [];
  return [
    {
      rule,
      name: fillRuleName(rule),
      net: smallest.net,
      gross: smallest.net + filling.tare,
      mayAdd: smallest.net - filling.content,
      required,
      drift: driftOf(rule, filling, policy, smallest.net, required),
      formula: smallest.formula,
      bases,
      source: fillRuleSource(rule),
    },
  ];
}

/** Whether the organisation, the stamp or the gas itself makes a rule binding. The floor is lifted by nobody. */
function binds(rule: FillRule, { rating, unknown }: JudgedFilling, composition: Composition, { required }: FillPolicy): boolean {
  switch (rule) {
    case 'not-liquid-full-131F':
      return true;
    case 'unknown-content':
      return unknown || isMixture(composition);
    case 'un-p200':
      return required.includes(rule) || rating?.stamp === 'un' || isHighPressureGas(composition);
    case 'filling-density':
      return required.includes(rule) && rating?.stamp !== 'un';
    case 'eighty-percent-77F':
    case 'not-liquid-full-hottest':
    case 'hottest-place':
      return required.includes(rule);
    default:
      return rule satisfies never;
  }
}

/** The bases of the content for which the rule allows least. */
function worstBases(
  rule: FillRule,
  filling: JudgedFilling,
  policy: FillPolicy,
  drawn: (entry: Composition) => Composition = (entry) => entry,
) {
  let worst: readonly Basis[] = [];
  for (const { composition } of filling.judged) {
    const bases = [...basesOf(rule, filling, drawn(composition), policy)].sort((a, b) => a.net - b.net);
    if (bases[0] !== undefined && (worst[0] === undefined || bases[0].net < worst[0].net)) worst = bases;
  }
  return worst;
}

/** Advice that cannot be computed is no advice; what binds has thrown before. */
const adviceBases = (rule: FillRule, filling: JudgedFilling, policy: FillPolicy): readonly Basis[] =>
  unless(CoreError, () => worstBases(rule, filling, policy)) ?? [];

/**
 * By how much the first vapour of a blend fills its cylinder sooner than the blend. Where the rule binds and that vapour cannot be judged, as
 * beyond its critical temperature in a cylinder whose stamp nobody has read, there is no limit: what is not known never counts as nothing.
 * @throws the core's errors where the rule binds
 */
function driftOf(rule: FillRule, filling: JudgedFilling, policy: FillPolicy, net: number, required: boolean): number {
  if (filling.port === 'liquid' || filling.unknown) return 0;
  const vapour = { ...filling, judged: filling.judged.map(drawnAsVapour) };
  const least = (required ? worstBases(rule, vapour, policy) : adviceBases(rule, vapour, policy))[0]?.net ?? net;
  return Math.max(0, net - least);
}

/** What is in it already is what it is; only what comes can come as vapour. */
const drawnAsVapour = (judged: Judged): Judged => ({ ...judged, composition: firstVapour(judged.composition) });

function basesOf(rule: FillRule, filling: JudgedFilling, composition: Composition, policy: FillPolicy): readonly Basis[] {
  const { volume, rating = {} } = filling;
  const { rules } = data;
  switch (rule) {
    case 'eighty-percent-77F':
      return isHighPressureGas(composition) ? [] : liquidBasis(composition, volume, rules[rule].liquidShare, kelvin(rules[rule].T));
    case 'not-liquid-full-131F':
      return inTheHeat(composition, filling, shareAt131F(policy), kelvin(rules[rule].T));
    case 'not-liquid-full-hottest':
      return filling.hottest === undefined || filling.hottest <= rules[rule].aboveT
        ? []
        : inTheHeat(composition, filling, policy.liquidShareAt131F, filling.hottest);
    case 'hottest-place':
      // of a high-pressure gas no share of liquid is advice: the pressure says it already, unless this is the rule that was chosen
      if (filling.hottest === undefined || (isHighPressureGas(composition) && !policy.required.includes(rule))) return [];
      return inTheHeat(composition, filling, rules[rule].liquidShare, filling.hottest);
    case 'filling-density': {
      const { cfr } = tabulatedFilling(designationOf(composition));
      return cfr === undefined ? [] : [tableBasis(volume, cfr, '49 CFR table')];
    }
    case 'un-p200':
      return p200(composition, volume, rating);
    case 'unknown-content':
      return filling.unknown || isMixture(composition)
        ? [composition, ...partsOf(composition)].flatMap((entry) =>
            liquidBasis(entry, volume, rules[rule].liquidShare, kelvin(rules[rule].T)),
          )
        : [];
    default:
      return rule satisfies never;
  }
}

/** The floor is 1 whatever the organisation asks for; where it asks for the rule, its own share. */
const shareAt131F = ({ required, liquidShareAt131F }: FillPolicy) =>
  required.includes('not-liquid-full-131F') ? liquidShareAt131F : data.rules['not-liquid-full-131F'].floorShare;

/**
 * A share of liquid at T. Where there is no liquid at T, its pressure there within what the cylinder bears, and no more than the last liquid
 * there is: a hotter place never allows more. Of a high-pressure gas the pressure alone decides, at T and at the temperature of the rating.
 */
function inTheHeat(composition: Composition, { volume, rating = {} }: JudgedFilling, share: number, T: Kelvin): readonly Basis[] {
  if (isHighPressureGas(composition)) return highPressureInTheHeat(composition, volume, rating, T);
  const liquid = saturatedLiquid(composition, T);
  if (liquid !== undefined) return liquidBasis(composition, volume, share, T);
  const allowed = hotPressureAllowed(rating, contentName(composition));
  return [pressureBasis(composition, volume, T, allowed), endBasis(composition, volume, share)];
}

function highPressureInTheHeat(composition: Composition, volume: CubicMetre, rating: CylinderRating, T: Kelvin): readonly Basis[] {
  const atRating = T <= data.rules['not-liquid-full-131F'].T;
  if (atRating && (rating.stamp === 'un' || isExempt(composition))) return []; // P200 at 65 °C, or its own table, binds in place of it
  return [pressureBasis(composition, volume, T, hotPressureAllowed(rating, contentName(composition)))];
}

function p200(composition: Composition, volume: CubicMetre, rating: CylinderRating): readonly Basis[] {
  const { liquidShare, T, fullT, settledT } = data.rules['un-p200'];
  const id = designationOf(composition);
  if (!isHighPressureGas(composition)) {
    const { p200: tabulated } = tabulatedFilling(id);
    return [
      ...(tabulated === undefined ? [] : [tableBasis(volume, tabulated, 'P200 table 2')]),
      ...liquidBasis(composition, volume, liquidShare, kelvin(T)),
      ...liquidBasis(composition, volume, 1, kelvin(fullT)),
    ];
  }
  if (rating.stamp === undefined) throw new NoFillLimit(contentName(composition), 'stamp');
  const test = testPressureOf(rating, contentName(composition));
  const { p200: tabulated } = tabulatedFilling(id, test);
  return [
    ...(tabulated === undefined ? [] : [tableBasis(volume, tabulated, 'P200 table 2, at this test pressure')]),
    pressureBasis(composition, volume, kelvin(settledT), pascal(test)),
  ];
}

const contentName = (composition: Composition) => designationOf(composition) ?? 'this mixture';
const nameOf = ([first]: readonly Judged[]) => (first === undefined ? 'this content' : contentName(first.composition));
