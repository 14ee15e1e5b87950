import type { HoldResult } from '@hygromet/core/proof/hold';
import type { Term } from '@hygromet/core/proof/hold-model';
import type { Better, PullDownVerdict } from '@hygromet/core/proof/pull-down';
import type { RiseResult } from '@hygromet/core/proof/rise';
import type { TraceProblem } from '@hygromet/core/proof/trace';
import type { Units } from '../../preferences/units.service';
import type { HoldAnswer, YearlySpan } from '../../core-worker/proof-operations';

type QuantityFormatter = Pick<Units, 'massText' | 'decimal'>;

/** "1.4", with so many digits as mean something. */
export const percentPerHour = (share: number, tell: Pick<Units, 'decimal'>): string => {
  const percent = 100 * share;
  return tell.decimal(percent, percent >= 10 ? 0 : percent >= 1 ? 1 : percent >= 0.1 ? 2 : 3);
};

export const yearlyText = ([low, high]: YearlySpan, tell: QuantityFormatter): string =>
  high - low < 0.02 * high ? tell.massText(high, 'up') : $localize`${tell.massText(low, 'down')} to ${tell.massText(high, 'up')}`;

/** What makes most of the doubt, and what would make the hold see more. */
export const termAdvice: Record<Term, string> = {
  settling: $localize`the heat of filling: wait before the first reading counts`,
  thermometer: $localize`gas and thermometer differ: clamp the thermometer on, and shade it`,
  sun: $localize`the sun on the pipes: shade them, or hold overnight`,
  oil: $localize`oil takes up nitrogen: hold longer, or keep the oil side apart`,
  refrigerant: $localize`refrigerant may come out of the oil: evacuate before the test`,
  gauge: $localize`the gauge: one with finer steps sees more`,
};

export const problemText: Record<TraceProblem['code'], string> = {
  'too-few': $localize`Four readings at least: then the first verdict.`,
  'not-in-order': $localize`Two readings have the same time, or an earlier one came later.`,
  jump: $localize`A reading jumps: was a hose moved, a valve opened, the gauge exchanged? Begin the hold anew from there.`,
  gap: $localize`A long time without a reading: what happened in it nobody has seen. Begin the hold anew, or read more often.`,
};

/** The verdict with its limit; never "tight" alone. */
export function holdSentence({ result, perYear, excludedPerYear }: HoldAnswer, refrigerant: string, tell: QuantityFormatter): string {
  const { verdict, interval90, excludesAbove } = result;
  const percent = (share: number) => `${percentPerHour(share, tell)} %`;
  switch (verdict) {
    case 'leaking':
      return $localize`Leaking ${percent(interval90[0])} to ${percent(interval90[1])} per hour, about ${yearlyText(perYear, tell)} of ${refrigerant} a year.`;
    case 'tight':
      return $localize`No leak above ${percent(excludesAbove)} per hour, ${yearlyText(excludedPerYear, tell)} of ${refrigerant} a year.`;
    case 'cannot-tell':
      return Number.isFinite(excludesAbove)
        ? $localize`Cannot tell yet: a leak below ${percent(excludesAbove)} per hour is not excluded.`
        : $localize`Cannot tell yet.`;
    default:
      return verdict satisfies never;
  }
}

/** Two statements: whether there is a leak, and whether gas is being released. */
export function riseSentence({ leak, release, place, verdict }: RiseResult, leakAbove: number, tell: Pick<Units, 'decimal'>): string {
  const micron = (value: number) => tell.decimal(value, value < 10 ? 1 : 0);
  const where =
    place === null ? '' : place === 'rig' ? $localize` It is in your own rig: hoses, manifold or gauge.` : $localize` It is in the system.`;
  const gas = release.probability > 0.8 ? $localize` Gas is being released: moisture, or refrigerant out of oil.` : '';
  switch (verdict) {
    case 'leak':
      return $localize`Leaking, ${micron(leak.interval90[0])} to ${micron(leak.interval90[1])} microns per minute.${where}${gas}`;
    case 'no-leak':
      return $localize`No leak above ${micron(leakAbove)} microns per minute.${gas}`;
    case 'cannot-tell':
      return $localize`Cannot tell yet: a leak up to ${micron(leak.interval90[1])} microns per minute is not excluded.${place === 'rig' ? where : ''}${gas}`;
    default:
      return verdict satisfies never;
  }
}

export const isFinal = ({ verdict }: HoldResult): boolean => verdict !== 'cannot-tell';

export const minutesText = (seconds: number | null, tell: Pick<Units, 'decimal'>): string =>
  seconds === null
    ? $localize`not with this rig`
    : seconds < 90
      ? `${tell.decimal(seconds, 0)} s`
      : $localize`${tell.decimal(seconds / 60, seconds < 600 ? 1 : 0)} min`;

export const pullDownText: Record<PullDownVerdict, string> = {
  'as-expected': $localize`It falls as it should`,
  restricted: $localize`Restricted: core, valve or hose`,
  'liquid-water': $localize`Liquid water`,
  outgassing: $localize`Gas from oil or walls`,
  leak: $localize`Leak, in the system or in your own rig`,
  'cannot-tell': $localize`Cannot tell yet`,
};

/** The step that tells them apart, or mends it. */
export const pullDownNextText: Partial<Record<PullDownVerdict, string>> = {
  restricted: $localize`Take the cores out, open the service valves fully, use a shorter and wider hose; then go on.`,
  'liquid-water': $localize`It stands at the vapor pressure of water: warm the low places, open the ballast, break it with dry nitrogen and pull again. Below freezing it turns to ice and hides.`,
  outgassing: $localize`Change the pump oil, sweep with dry nitrogen, and give it time: what comes out of oil fades.`,
  leak: $localize`Shut the valve at the system and watch hoses and gauge alone: if they rise, it is your own rig.`,
};

export const betterText: Record<Better['change'], string> = {
  'core-out': $localize`Cores out`,
  'wider-hose': $localize`The next wider hose`,
  'half-the-length': $localize`Half the length of hose`,
};
