import type { NewReceipt } from '@hygromet/contract/shipment';

/** As what a cylinder comes back. */
export const backNames: Readonly<Record<NewReceipt['lines'][number]['back'], string>> = {
  empty: $localize`back, empty`,
  exchanged: $localize`exchanged`,
  'not-yet': $localize`not back yet`,
};
