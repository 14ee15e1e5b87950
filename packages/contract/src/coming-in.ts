import { qualityIn } from '@hygromet/core/cylinder/cylinder-kind';
import { isUnknown, UNKNOWN, UNKNOWN_ID } from '@hygromet/core/cylinder/unknown-content';
import type { Incoming } from '@hygromet/core/cylinder/suitability';
import type { Cylinder } from './cylinder';
import type { RefrigerantSummary } from './refrigerant';

/** What would come into a cylinder, as far as it is known where it comes from. */
export interface ComingIn extends Incoming {
  /** Its designation; nothing for a mixture that has none. */
  readonly id: string | undefined;
  /** "a mixture" where it has no designation. */
  readonly name: string;
  readonly safetyGroup: string | null;
}

type Nominal = Pick<RefrigerantSummary, 'id' | 'composition' | 'flammable' | 'safetyGroup'>;

interface Source {
  readonly system?: { readonly refrigerant: string; readonly site: string } | undefined;
  readonly cylinder?: Omit<Cylinder, 'fillStatus'> | undefined;
  /** Said by the person, where neither of them says it. */
  readonly refrigerant: string | null;
  /** The cylinder that it goes into. */
  readonly into: Pick<Cylinder, 'marks'>;
  readonly nominal: (id: string) => Nominal | undefined;
}

/** A system's refrigerant, what is in the other cylinder by the ledger, or what the person says: one rule for browser and server. */
export function comingIn({ system, cylinder, refrigerant, into, nominal }: Source): ComingIn | undefined {
  const content = cylinder === undefined ? undefined : contentOf(cylinder, nominal);
  if (content !== undefined) return content;
  if (system === undefined && refrigerant === UNKNOWN_ID) return unidentified(into);
  const named = system?.refrigerant ?? refrigerant;
  const known = named === null ? undefined : nominal(named);
  if (known === undefined) return undefined;
  return {
    id: known.id,
    name: known.id,
    composition: known.composition,
    flammable: known.flammable,
    safetyGroup: known.safetyGroup,
    // what comes into a cylinder marked for burnt-out refrigerant is taken to be that: the person has chosen it
    quality: qualityIn(into.marks.kind),
    owner: system?.site ?? into.marks.owner,
    nonCondensables: false,
  };
}

/** What nobody has identified burns, until somebody has; no label is made of it. */
const unidentified = ({ marks }: Pick<Cylinder, 'marks'>): ComingIn => ({
  id: undefined,
  name: 'unknown refrigerant',
  composition: UNKNOWN,
  flammable: true,
  safetyGroup: null,
  quality: qualityIn(marks.kind),
  owner: marks.owner,
  nonCondensables: false,
});

function contentOf(
  { refrigerant, composition, flags, marks }: Omit<Cylinder, 'fillStatus'>,
  nominal: Source['nominal'],
): ComingIn | undefined {
  const label = refrigerant === null || flags.includes('mixed') ? undefined : nominal(refrigerant);
  const content = composition ?? label?.composition;
  if (content === undefined) return undefined;
  if (isUnknown(content)) return { ...unidentified({ marks }), nonCondensables: flags.includes('non-condensables') };
  return {
    id: label?.id,
    name: label?.id ?? 'a mixture',
    composition: content,
    flammable: label?.flammable ?? true, // unknown is taken as burning
    safetyGroup: label?.safetyGroup ?? null,
    quality: qualityIn(marks.kind),
    owner: marks.owner,
    nonCondensables: flags.includes('non-condensables'),
  };
}
