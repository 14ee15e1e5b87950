import type { Composition } from '../fluids/composition';
import { designationOf } from '../fluids/refrigerant';
import { NoFillLimit } from '../errors';
import { modelOf } from '../thermo/mixture-model';
import { temperatureIn } from '../units/temperature';
import { kelvin, type CubicMetre, type Density, type Kelvin, type Kilogram } from '../units/quantity';
import { volumeIn } from '../units/volume';
import { defaultFillPolicy, fillRuleName, fillRules, fillRuleSource, tabulatedFilling, type FillPolicy, type FillRule } from './fill-rule';
import { saturatedLiquid } from './saturated-liquid';
import data from './fill-rules.json';

export interface Filling {
  readonly composition: Composition;
  /** Internal volume: the stamped water capacity. */
  readonly volume: CubicMetre;
  readonly tare: Kilogram;
  /** What is in it now, net. */
  readonly content: Kilogram;
  /** The hottest place it will be, where one is known. */
  readonly hottest?: Kelvin | undefined;
}

/** One way to compute a limit: net mass = share × volume × density. */
export interface Basis {
  readonly what: string;
  readonly share: number;
  /** kg/m³ */
  readonly density: Density;
  /** Temperature of the density; a tabulated figure has none. */
  readonly T?: Kelvin;
  /** kg */
  readonly net: number;
  readonly formula: string;
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
  /** The basis that rules, and every basis of the rule, smallest first. */
  readonly formula: string;
  readonly bases: readonly Basis[];
  readonly source: string;
}

export interface FillLimits {
  /** What is required first, then advice; the strictest first in each. */
  readonly limits: readonly FillLimit[];
  /** The strictest limit that the organisation requires; where none of its rules applies, the strictest of all. */
  readonly ruling: FillLimit;
  readonly estimated: boolean;
}

/**
 * Every limit that applies to a cylinder, side by side, and the one that rules.
 * @throws NoFillLimit where this refrigerant has no liquid at 131 °F and no tabulated filling: nothing published says how much is safe
 */
export function fillLimits(filling: Filling, policy: FillPolicy = defaultFillPolicy): FillLimits {
  const id = designationOf(filling.composition);
  const limits = fillRules
    .flatMap((rule) => limitOf(rule, filling, id, policy))
    .sort((a, b) => Number(b.required) - Number(a.required) || a.net - b.net);
  const holdsWhenHot = limits.some(({ rule }) => rule === 'not-liquid-full-131F') || Object.keys(tabulatedFilling(id)).length > 0;
  const ruling = limits[0];
  if (ruling === undefined || !holdsWhenHot) throw new NoFillLimit(id ?? 'This mixture');
  return { limits, ruling, estimated: modelOf(filling.composition).model.estimated };
}

function limitOf(rule: FillRule, filling: Filling, id: string | undefined, policy: FillPolicy): FillLimit[] {
  const bases = basesOf(rule, filling, id, policy).sort((a, b) => a.net - b.net);
  const smallest = bases[0];
  if (smallest === undefined) return [];
  return [
    {
      rule,
      name: fillRuleName(rule),
      net: smallest.net,
      gross: smallest.net + filling.tare,
      mayAdd: smallest.net - filling.content,
      required: policy.required.includes(rule),
      formula: smallest.formula,
      bases,
      source: fillRuleSource(rule),
    },
  ];
}

function basesOf(rule: FillRule, filling: Filling, id: string | undefined, policy: FillPolicy): Basis[] {
  const tabulated = tabulatedFilling(id);
  const { rules } = data;
  switch (rule) {
    case 'eighty-percent-77F':
      return liquidBasis(filling, rules[rule].liquidShare, kelvin(rules[rule].T));
    case 'not-liquid-full-131F':
      return liquidBasis(filling, policy.liquidShareAt131F, kelvin(rules[rule].T));
    case 'filling-density':
      return tabulated.cfr === undefined ? [] : [tableBasis(filling, tabulated.cfr, '49 CFR table')];
    case 'un-p200':
      return [
        ...(tabulated.p200 === undefined ? [] : [tableBasis(filling, tabulated.p200, 'P200 table 2')]),
        ...liquidBasis(filling, rules[rule].liquidShare, kelvin(rules[rule].T)),
        ...liquidBasis(filling, 1, kelvin(rules[rule].fullT)),
      ];
    case 'hottest-place':
      return filling.hottest === undefined ? [] : liquidBasis(filling, rules[rule].liquidShare, filling.hottest);
    default:
      return rule satisfies never;
  }
}

/** A share of the volume filled with liquid at T; none where this refrigerant has no liquid at T. */
function liquidBasis({ composition, volume }: Filling, share: number, T: Kelvin): Basis[] {
  const rho = saturatedLiquid(composition, T)?.rho;
  if (rho === undefined) return [];
  const what = `${Math.round(share * 100)} % liquid at ${Math.round(temperatureIn(T, 'C'))} °C`;
  return [{ what, share, density: rho, T, net: share * volume * rho, formula: formulaOf(share, volume, rho) }];
}

const tableBasis = ({ volume }: Filling, rho: Density, what: string): Basis => ({
  what,
  share: 1,
  density: rho,
  net: volume * rho,
  formula: formulaOf(1, volume, rho),
});

const formulaOf = (share: number, volume: CubicMetre, rho: Density) =>
  `${share === 1 ? '' : `${share.toFixed(2)} × `}${volumeIn(volume, 'L').toFixed(2)} L × ${rho.toFixed(0)} kg/m³`;
