import type { FillLimits } from '@hygromet/core/cylinder/fill-limit';
import { defaultFillPolicy } from '@hygromet/core/cylinder/fill-rule';
import type { StopWeight } from '@hygromet/core/cylinder/stop-weight';

interface Filled {
  readonly volumeM3: number;
  readonly tareKg: number;
  /** Share of the volume that the organisation lets the liquid take when it is hot, 0 to 1. */
  readonly liquidShare: number;
}

export interface CoolStop {
  /** kg on the scale. */
  readonly grossKg: number;
  /** Of the volume, at least; 0 to 1. */
  readonly freeShare: number;
}

/**
 * At which reading the valve is shut so that the liquid leaves the organisation's share free at the hottest place too, where that is
 * hotter than the rules think of. An organisation that keeps less free than is usual gets the usual share here: nobody is told a
 * reading at which it is just full. Nothing where this refrigerant has no liquid there.
 */
export function coolStop(
  { limits, ruling }: FillLimits,
  shutAt: StopWeight,
  { volumeM3, tareKg, liquidShare }: Filled,
): CoolStop | undefined {
  const density = limits.find(({ rule }) => rule === 'hottest-place')?.bases[0]?.density;
  if (density === undefined) return undefined;
  const open = ruling.gross - shutAt.gross; // what scale, hose and oil leave open
  const share = Math.min(liquidShare, defaultFillPolicy.liquidShareAt131F);
  return { grossKg: tareKg + share * volumeM3 * density - open, freeShare: 1 - share };
}
