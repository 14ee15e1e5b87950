/**
 * A standing cylinder with semi-ellipsoidal ends, heights as shares of the inner height: the level a share of the volume reaches.
 * Volume below the level, per cross-section: h²/b − h³/(3b²) in a bottom of depth b, then the straight part, then the same from above.
 */
export interface Shape {
  /** Depth of the curved bottom and top, 0 to 0.5 of the inner height. */
  readonly bottom: number;
  readonly top: number;
}

/** Height of the liquid, 0 to 1 of the inner height, for a liquid share of 0 to 1 of the volume. */
export function liquidHeight(share: number, shape: Shape): number {
  if (share <= 0) return 0;
  if (share >= 1) return 1;
  const whole = volumeBelow(1, shape);
  let [low, high] = [0, 1];
  for (let step = 0; step < 40; step++) {
    const middle = (low + high) / 2;
    if (volumeBelow(middle, shape) < share * whole) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function volumeBelow(h: number, { bottom, top }: Shape): number {
  const cap = (depth: number, height: number) => height ** 2 / depth - height ** 3 / (3 * depth ** 2);
  if (h <= bottom) return cap(bottom, h);
  const straight = (2 / 3) * bottom + (Math.min(h, 1 - top) - bottom);
  if (h <= 1 - top) return straight;
  return straight + (2 / 3) * top - cap(top, 1 - h);
}
