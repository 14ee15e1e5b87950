import { mixed, sameRefrigerant, type Composition } from '../fluids/composition';
import { designationOf } from '../fluids/refrigerant';
import { kilogram, type Kilogram } from '../units/quantity';
import type { CylinderKind } from './cylinder-kind';

/** What is in a cylinder. */
export interface Content {
  readonly composition: Composition;
  readonly mass: Kilogram;
  readonly kind: CylinderKind;
}

/**
 * Where it may go: back to its owner, to the reclaimer, or only to destruction.
 * A mixture can often not be reclaimed (common practice); the reclaimer has the last word.
 */
export type Fate = 'reuse' | 'reclaim' | 'ask-reclaimer' | 'destroy';

export interface Combination {
  readonly composition: Composition;
  readonly mass: Kilogram;
  /** Its designation, where it is one. */
  readonly designation: string | undefined;
  readonly kind: CylinderKind;
  readonly fate: Fate;
}

const severity: readonly CylinderKind[] = ['virgin', 'clean', 'recovery', 'burn-out', 'destruction'];

/** What results when contents are put together. @throws BadComposition when nothing is in any of them */
export function combine(contents: readonly Content[]): Combination {
  const composition = mixed(contents);
  const mass = kilogram(contents.reduce((sum, content) => sum + content.mass, 0));
  const worst = contents.map(({ kind }) => kind).sort((a, b) => severity.indexOf(b) - severity.indexOf(a))[0] ?? 'recovery';
  const designation = designationOf(composition);
  // a trace of another does not make it another refrigerant; the parts of a blend that make it up by chance are not it
  const same = contents.some((content) => sameRefrigerant(content.composition, composition));
  // what is no longer virgin or one owner's own is recovered refrigerant
  const kind = !same ? 'destruction' : contents.length > 1 && (worst === 'virgin' || worst === 'clean') ? 'recovery' : worst;
  return { composition, mass, designation, kind, fate: fateOf(kind, same, designation) };
}

function fateOf(kind: CylinderKind, same: boolean, designation: string | undefined): Fate {
  if (!same || designation === undefined) return 'ask-reclaimer';
  if (kind === 'destruction') return 'destroy';
  return kind === 'virgin' || kind === 'clean' ? 'reuse' : 'reclaim';
}
