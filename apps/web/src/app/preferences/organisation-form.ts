import type { FillRule } from '@hygromet/core/cylinder/fill-rule';
import { CoreError } from '@hygromet/core/errors';
import { altitude } from '@hygromet/core/units/quantity';
import { readNumber } from '@hygromet/core/units/read-number';
import type { Organisation } from '@hygromet/contract/organisation';
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

export type FormProblems = Readonly<Partial<Record<keyof OrganisationForm, string>>>;

export type FormReading =
  { readonly state: 'good'; readonly organisation: Organisation } | { readonly state: 'bad'; readonly problems: FormProblems };

/** The settings in SI, or the sentence for each field that is wrong. */
export function readOrganisationForm(form: OrganisationForm): FormReading {
  const name = form.name.trim();
  const altitudeM = attempt(() => altitude(readNumber(form.altitudeM)));
  const share = attempt(() => shareBetween(readNumber(form.liquidPercent), 50, 100));
  const partShare = attempt(() => shareBetween(readNumber(form.partPercent), 50, 80));
  const keptDays = attempt(() => wholeBetween(readNumber(form.keptDays), 1, 3650));
  const hottest = readQuantity('temperature', form.hottest);
  const problems: FormProblems = {
    ...(name === '' ? { name: 'The name of the firm is missing: it stands on papers and records.' } : {}),
    ...(altitudeM === undefined ? { altitudeM: 'The altitude is a number of metres from −450 to 9000.' } : {}),
    ...(share === undefined ? { liquidPercent: 'Choose 50 to 100 %: the share of the volume that liquid may fill at 131 °F.' } : {}),
    ...(partShare === undefined ? { partPercent: 'Choose 50 to 80 %: above that nothing is left for the liquid to warm up into.' } : {}),
    ...(keptDays === undefined ? { keptDays: 'Choose 1 to 3650 days, a whole number.' } : {}),
    ...(hottest.state === 'good' ? {} : { hottest: hottest.state === 'bad' ? hottest.sentence : 'The hottest temperature is missing.' }),
    ...(form.requiredRules.length === 0 ? { requiredRules: 'Require at least one rule: without one there is no stop weight.' } : {}),
  };
  if (
    name === '' ||
    altitudeM === undefined ||
    share === undefined ||
    partShare === undefined ||
    keptDays === undefined ||
    hottest.state !== 'good' ||
    form.requiredRules.length === 0
  )
    return { state: 'bad', problems };
  return {
    state: 'good',
    organisation: {
      name,
      altitudeM,
      liquidShareAt131F: share,
      hottestK: hottest.si,
      requiredRules: [...form.requiredRules],
      partShare,
      endOfPumpDown: form.endOfPumpDown as Organisation['endOfPumpDown'], // the field offers only these
      readingsKeptDays: keptDays,
      people: namesIn(form.people),
    },
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
