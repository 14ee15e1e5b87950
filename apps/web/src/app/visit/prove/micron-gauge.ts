import type { Quantity } from '@hygromet/core/instruments/quantity';

/** What pull-down and rise are read by. */
export const MICRON_GAUGE: readonly Quantity[] = ['vacuum'];
