import type { FillRule } from '@hygromet/core/cylinder/fill-rule';
import { CoreError } from '@hygromet/core/errors';
import { altitude } from '@hygromet/core/units/quantity';
import { readNumber } from '@hygromet/core/units/read-number';
import type { Organisation } from '@hygromet/contract/organisation';
import type { FormRules } from '../forms/draft-form';
import { quantity, wrongIf } from '../forms/validators';
import { readQuantity, type QuantityEntry } from '../ui/quantity-entry';

/** The organisation's settings as they are typed. */
export interface OrganisationForm {
  readonly name: string;
  /** One name after the other, by commas. */
  readonly people: string;
  readonly altitudeM: string;
  readonly liquidPercent: string;
  readonly hottest: QuantityEntry;
  readonly requiredRules: readonly FillRule[];
  readonly partPercent: string;
  readonly endOfPumpDown: string;
  readonly keptDays: string;
}

export const emptyOrganisationForm = (temperatureUnit: string): OrganisationForm => ({
  name: '',
  people: '',
  altitudeM: '',
  liquidPercent: '',
  hottest: { unit: temperatureUnit, text: '', ounces: '' },
  requiredRules: [],
  partPercent: '',
  endOfPumpDown: 'slightly-positive',
  keptDays: '',
});

const altitudeOf = (text: string) => attempt(() => altitude(readNumber(text)));
const liquidShareOf = (text: string) => attempt(() => shareBetween(readNumber(text), 50, 100));
const partShareOf = (text: string) => attempt(() => shareBetween(readNumber(text), 50, 80));
const keptDaysOf = (text: string) => attempt(() => wholeBetween(readNumber(text), 1, 3650));

export const rulesMissing = $localize`Require at least one rule: without one there is no stop weight.`;
const unless =
  (read: (text: string) => unknown, sentence: string) =>
  (text: string): string | undefined =>
    read(text) === undefined ? sentence : undefined;

/** What each setting has to be. */
export const organisationRules: FormRules<OrganisationForm> = {
  fields: {
    name: [
      wrongIf(
        unless(
          (text) => (text.trim() === '' ? undefined : text),
          $localize`The name of the firm is missing: it stands on papers and records.`,
        ),
      ),
    ],
    altitudeM: [wrongIf(unless(altitudeOf, $localize`The altitude is a number of meters from −450 to 9000.`))],
    liquidPercent: [wrongIf(unless(liquidShareOf, $localize`Choose 50 to 100 %: the share of the volume that liquid may fill at 131 °F.`))],
    partPercent: [wrongIf(unless(partShareOf, $localize`Choose 50 to 80 %: above that nothing is left for the liquid to warm up into.`))],
    keptDays: [wrongIf(unless(keptDaysOf, $localize`Choose 1 to 3650 days, a whole number.`))],
    hottest: [quantity('temperature')],
    requiredRules: [wrongIf((rules: readonly FillRule[]) => (rules.length === 0 ? rulesMissing : undefined))],
  },
};

/** The settings in SI; nothing while one of them cannot be read. */
export function organisationOf(form: OrganisationForm): Organisation | undefined {
  const [altitudeM, share, partShare, keptDays] = [
    altitudeOf(form.altitudeM),
    liquidShareOf(form.liquidPercent),
    partShareOf(form.partPercent),
    keptDaysOf(form.keptDays),
  ];
  const hottest = readQuantity('temperature', form.hottest);
  if (altitudeM === undefined || share === undefined || partShare === undefined || keptDays === undefined || hottest.state !== 'good')
    return undefined;
  return {
    name: form.name.trim(),
    altitudeM,
    liquidShareAt131F: share,
    hottestK: hottest.si,
    requiredRules: [...form.requiredRules],
    partShare,
    endOfPumpDown: form.endOfPumpDown as Organisation['endOfPumpDown'], // the field offers only these
    readingsKeptDays: keptDays,
    people: namesIn(form.people),
  };
}

/** Each name once. */
export const namesIn = (text: string): string[] => [
  ...new Set(
    text
      .split(/[,;\n]/)
      .map((name) => name.trim().replace(/\s+/g, ' '))
      .filter((name) => name !== ''),
  ),
];

const shareBetween = (percent: number, least: number, most: number): number | undefined =>
  percent >= least && percent <= most ? percent / 100 : undefined;

const wholeBetween = (value: number, least: number, most: number): number | undefined =>
  Number.isInteger(value) && value >= least && value <= most ? value : undefined;

function attempt<T>(read: () => T): T | undefined {
  try {
    return read();
  } catch (error) {
    if (error instanceof CoreError) return undefined;
    throw error;
  }
}
