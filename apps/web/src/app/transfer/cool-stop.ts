import type { FillLimits } from '@hygromet/core/cylinder/fill-limit';
import type { StopWeight } from '@hygromet/core/cylinder/stop-weight';

interface Filled {
  readonly volumeM3: number;
  readonly tareKg: number;
  /** Share of the volume that the organisation lets the liquid take when it is hot, 0 to 1. */
  readonly liquidShare: number;
}

/**
 * kg on the scale at which the valve is shut so that the liquid leaves the organisation's share free at the hottest place too, where
 * that is hotter than the rules think of. Nothing where this refrigerant has no liquid there.
 */
export function coolStop(
  { limits, ruling }: FillLimits,
  shutAt: StopWeight,
  { volumeM3, tareKg, liquidShare }: Filled,
): number | undefined {
  const density = limits.find(({ rule }) => rule === 'hottest-place')?.bases[0]?.density;
  if (density === undefined) return undefined;
  const open = ruling.gross - shutAt.gross; // what scale, hose and oil leave open
  return tareKg + liquidShare * volumeM3 * density - open;
}
