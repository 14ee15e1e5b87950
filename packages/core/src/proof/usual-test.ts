import data from './usual-test.json';

/**
 * A nitrogen hold: K above now of the hottest hour, relative error of a computed volume, oil of a small compressor in m³, s of another wait, and
 * the hour of the morning at which it is read.
 */
export const usualHold = data.hold;
/** A pull-down: ambient, K; what is aimed at, micron; readings before it can be judged. */
export const usualPullDown = data.pullDown;
/** A rise test: coldest wall, K; micron a minute above which a leak is told. */
export const usualRise = data.rise;
