import type { FillRule } from '@hygromet/core/cylinder/fill-rule';
import { CoreError } from '@hygromet/core/errors';
import { altitude } from '@hygromet/core/units/quantity';
import { readNumber } from '@hygromet/core/units/read-number';
import type { Organisation } from '@hygromet/contract/organisation';
import { readQuantity, type QuantityEntry } from '../ui/quantity-entry';

/** The organisation's settings as they are typed. */
export interface OrganisationForm {
  readonly altitudeM: string;
  readonly liquidPercent: string;
  readonly hottest: QuantityEntry;
  readonly requiredRules: readonly FillRule[];
}

export type FormProblems = Readonly<Partial<Record<keyof OrganisationForm, string>>>;

export type FormReading =
  { readonly state: 'good'; readonly organisation: Organisation } | { readonly state: 'bad'; readonly problems: FormProblems };

/** The settings in SI, or the sentence for each field that is wrong. */
export function readOrganisationForm(form: OrganisationForm, name: string): FormReading {
  const altitudeM = attempt(() => altitude(readNumber(form.altitudeM)));
  const share = attempt(() => liquidShare(readNumber(form.liquidPercent)));
  const hottest = readQuantity('temperature', form.hottest);
  const problems: FormProblems = {
    ...(altitudeM === undefined ? { altitudeM: 'The altitude is a number of metres from −450 to 9000.' } : {}),
    ...(share === undefined ? { liquidPercent: 'Choose 50 to 100 %: the share of the volume that liquid may fill at 131 °F.' } : {}),
    ...(hottest.state === 'good' ? {} : { hottest: hottest.state === 'bad' ? hottest.sentence : 'The hottest temperature is missing.' }),
    ...(form.requiredRules.length === 0 ? { requiredRules: 'Require at least one rule: without one there is no stop weight.' } : {}),
  };
  if (altitudeM === undefined || share === undefined || hottest.state !== 'good' || form.requiredRules.length === 0)
    return { state: 'bad', problems };
  return {
    state: 'good',
    organisation: { name, altitudeM, liquidShareAt131F: share, hottestK: hottest.si, requiredRules: [...form.requiredRules] },
  };
}

function liquidShare(percent: number): number | undefined {
  return percent >= 50 && percent <= 100 ? percent / 100 : undefined;
}

function attempt<T>(read: () => T): T | undefined {
  try {
    return read();
  } catch (error) {
    if (error instanceof CoreError) return undefined;
    throw error;
  }
}
