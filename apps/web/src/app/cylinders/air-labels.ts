import type { AirCheck } from '@hygromet/core/readings/air-check';
import type { Units } from '../preferences/units.service';

/** What the check was made on. */
interface Checked {
  /** Of several substances: what is purged from its vapour is not what stays in the liquid. */
  readonly blend: boolean;
  /** Refrigerants whose own pressure the reading is, the nearest first. */
  readonly fits: readonly string[];
}

const MOST_SHOWN = 4;

/** What a check for air says, and what to do about it. */
export function airWords(
  { low, likely, high, finding, pBubble }: AirCheck,
  { blend, fits }: Checked,
  units: Pick<Units, 'percent' | 'pressure' | 'decimal'>,
) {
  const purge = blend
    ? $localize`Do not purge it: the vapor of a blend is richer in its light parts, and what stays is no longer the blend. The reclaimer takes it as it is`
    : $localize`Let it rest cold, purge vapor slowly from the top into recovery, never into the open, and check again`;
  const other =
    fits.length === 0
      ? ''
      : $localize` The reading would also be the saturation pressure of ${fits.slice(0, MOST_SHOWN).join(', ')}${fits.length > MOST_SHOWN ? $localize` and others` : ''}\: rule that out with an identifier first.`;
  const share = $localize`${units.decimal(likely * 100, 1)} % of the vapor (${units.decimal(low * 100, 1)} to ${units.decimal(high * 100, 1)} %, by what gauge and thermometer leave open)`;
  const text = $localize`saturation pressure there is ${units.pressure(pBubble)}`;
  switch (finding) {
    case 'air':
      return {
        grave: true,
        sentence: $localize`Air: ${share}; ${text}, and 1.5 % is allowed (AHRI 700). ${purge}.${other}`,
      };
    case 'clean':
      return { grave: false, sentence: $localize`No more air than 1.5 % (AHRI 700): ${share}; ${text}.` };
    case 'cannot-tell':
      return {
        grave: false,
        sentence: $localize`These instruments cannot tell: ${share}; ${text}. Let it rest a night with the probe under insulation, or take a better gauge.`,
      };
    case 'below':
      return {
        grave: true,
        sentence: $localize`Below saturation (${text}): no liquid is left, it is still cold inside, or it is another refrigerant. Check the label with an identifier.${other}`,
      };
    default:
      return finding satisfies never;
  }
}
