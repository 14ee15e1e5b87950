import { liquidHeight } from '@hygromet/core/cylinder/liquid-height';

/** A cylinder standing on a line, drawn in a box of its own: how wide and high from its volume, all of one proportion. */
export interface CylinderShape {
  readonly width: number;
  readonly height: number;
  /** Outline of the body; its foot stands at y = 0, up is negative. */
  readonly body: string;
  /** Outline of collar and valve guard. */
  readonly collar: string;
  /** y of the surface for a liquid share of 0 to 1. */
  readonly surface: (share: number) => number;
}

/** Shares of the height: curved bottom and top, and the collar above the body. */
const ENDS = { bottom: 0.05, top: 0.12 };
const COLLAR_DRAWN = 0.1;
/** Height of the body over its diameter, as recovery cylinders of the usual sizes have it (common practice). */
const SLENDERNESS_DRAWN = 2.2;

export function cylinderShape(bodyHeight: number): CylinderShape {
  const h = bodyHeight;
  const r = h / SLENDERNESS_DRAWN / 2;
  const [top, bottom] = [ENDS.top * h, ENDS.bottom * h];
  const neck = 0.62 * r;
  const collarBottom = -h + 0.25 * top;
  return {
    width: 2 * r,
    height: h * (1 + COLLAR_DRAWN),
    body: `M${-r} ${-bottom}A${r} ${bottom} 0 0 0 ${r} ${-bottom}V${-h + top}A${r} ${top} 0 0 0 ${-r} ${-h + top}Z`,
    collar: `M${-neck} ${collarBottom}V${-h * (1 + COLLAR_DRAWN)}H${neck}V${collarBottom}`,
    surface: (share) => -h * liquidHeight(share, ENDS),
  };
}

/** Height of the body for a volume, one scale for all: like cylinders grow by the cube root. `perLitre` is the height of 1 L. */
export const bodyHeightOf = (volumeM3: number, perLitre: number): number => perLitre * Math.cbrt(volumeM3 * 1000);
