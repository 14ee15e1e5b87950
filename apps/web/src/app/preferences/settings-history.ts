import type { Organisation, OrganisationChange } from '@hygromet/contract/organisation';
import { fillRuleName, type FillRule } from '@hygromet/core/cylinder/fill-rule';
import type { Units } from './units.service';

type QuantityFormatter = Pick<Units, 'decimal' | 'temperature'>;

/** The settings as lines: what each is of, and what it says. */
const linesOf = (settings: Organisation, tell: QuantityFormatter): readonly (readonly [string, string])[] => [
  [$localize`Name`, settings.name],
  [$localize`People`, settings.people.join(', ')],
  [$localize`Altitude`, `${tell.decimal(settings.altitudeM, 0)} m`],
  [$localize`Liquid at most at 131 °F`, `${tell.decimal(100 * settings.liquidShareAt131F, 1)} %`],
  [$localize`Default maximum storage temperature`, tell.temperature(settings.hottestK)],
  [$localize`Liquid at most in condenser or receiver`, `${tell.decimal(100 * settings.partShare, 1)} %`],
  [$localize`Readings of instruments kept`, $localize`${settings.readingsKeptDays} days`],
  [$localize`End of a pump-down`, settings.endOfPumpDown === 'vacuum' ? $localize`vacuum` : $localize`slightly positive`],
];

const named = (rules: readonly FillRule[], what: string): readonly string[] => rules.map((rule) => `${fillRuleName(rule)}: ${what}`);

function changesIn({ settings }: OrganisationChange, before: OrganisationChange | undefined, tell: QuantityFormatter): readonly string[] {
  if (before === undefined) return [];
  const then = new Map(linesOf(before.settings, tell));
  const missing = (rules: readonly FillRule[], others: readonly FillRule[]) => rules.filter((rule) => !others.includes(rule));
  return [
    ...linesOf(settings, tell)
      .filter(([name, text]) => then.get(name) !== text)
      .map(([name, text]) => `${name}: ${text}`),
    ...named(missing(settings.requiredRules, before.settings.requiredRules), $localize`required from then on`),
    ...named(missing(before.settings.requiredRules, settings.requiredRules), $localize`no longer required`),
  ];
}

export interface SettingsChange {
  readonly version: number;
  readonly changedAt: string;
  readonly changedBy: string;
  /** What was changed; nothing for the state that the house was opened with. */
  readonly lines: readonly string[];
}

/** Who changed which rule when, the latest first. */
export const settingsHistory = (changes: readonly OrganisationChange[], tell: QuantityFormatter): readonly SettingsChange[] =>
  changes.map(({ version, changedAt, changedBy }, index) => ({
    version,
    changedAt,
    changedBy,
    lines: changesIn(changes[index]!, changes[index + 1], tell),
  }));
