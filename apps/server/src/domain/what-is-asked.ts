import { BadComposition } from '@hygromet/core/errors';
import type { Composition } from '@hygromet/core/fluids/composition';
import { compositionFrom, refrigerant } from '@hygromet/core/fluids/refrigerant';

export interface What {
  readonly refrigerant?: string | undefined;
  readonly composition?: Readonly<Record<string, number>> | undefined;
}

/** A designation or a composition, one of both. @throws BadComposition, UnknownRefrigerant */
export function whatIsAsked({ refrigerant: id, composition }: What): Composition {
  if ((id === undefined) === (composition === undefined)) throw new BadComposition('Give either a refrigerant or a composition.');
  return id === undefined ? compositionFrom(composition ?? {}) : refrigerant(id).composition;
}
