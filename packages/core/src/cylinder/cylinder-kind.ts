/** What a cylinder is for: one of them is never used as another without being emptied, evacuated and marked anew. */
export const cylinderKinds = ['recovery', 'virgin', 'clean', 'burn-out', 'destruction', 'nitrogen'] as const;
export type CylinderKind = (typeof cylinderKinds)[number];

/** What comes out of a system: clean goes back to its owner, burnt goes apart. */
export type Quality = 'usual' | 'burnt';

/** What such a cylinder takes: burnt-out refrigerant, and what is destroyed anyway, stand apart from all other. */
export const qualityIn = (kind: CylinderKind): Quality => (kind === 'burn-out' || kind === 'destruction' ? 'burnt' : 'usual');
