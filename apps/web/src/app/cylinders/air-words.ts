import type { AirCheck } from '@hygromet/core/readings/air-check';
import type { Units } from '../preferences/units.service';

/** What a check for air says, and what to do about it. */
export function airWords({ low, likely, high, finding, pBubble }: AirCheck, units: Pick<Units, 'percent' | 'pressure' | 'decimal'>) {
  const share = `${units.decimal(likely * 100, 1)} % of the vapour (${units.decimal(low * 100, 1)} to ${units.decimal(high * 100, 1)} %, by what gauge and thermometer leave open)`;
  const own = `its own pressure there is ${units.pressure(pBubble)}`;
  switch (finding) {
    case 'air':
      return {
        grave: true,
        sentence: `Air: ${share}; ${own}, and 1.5 % is allowed (AHRI 700). Let it rest cold, then purge vapour slowly from the top into recovery, and check again. A blend is not purged: its vapour is richer in the light parts; the reclaimer takes it as it is.`,
      };
    case 'clean':
      return { grave: false, sentence: `No more air than 1.5 % (AHRI 700): ${share}; ${own}.` };
    case 'cannot-tell':
      return {
        grave: false,
        sentence: `These instruments cannot tell: ${share}; ${own}. Let it rest a night with the probe under insulation, or take a better gauge.`,
      };
    case 'below':
      return {
        grave: true,
        sentence: `Below its own pressure (${own}): no liquid is left, it is still cold inside, or it is another refrigerant. Check the label with an identifier.`,
      };
    default:
      return finding satisfies never;
  }
}
