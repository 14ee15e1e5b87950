import type { Stamp } from '@hygromet/core/cylinder/cylinder-rating';
import type { CylinderMarks } from '@hygromet/contract/cylinder';
import type { CylinderKind } from '@hygromet/core/cylinder/cylinder-kind';
import type { Objection } from '@hygromet/core/cylinder/objection';

/** What speaks against filling a cylinder, in a few words. */
export const objectionWords: Readonly<Record<Objection, string>> = {
  retired: $localize`out of use`,
  nitrogen: $localize`for nitrogen`,
  'class-too-low': $localize`pressure class too low`,
  overdue: $localize`requalification overdue`,
  overfilled: $localize`overfilled`,
  'negative-balance': $localize`ledger below zero: weigh it`,
  'other-refrigerant': $localize`another refrigerant`,
  'not-evacuated': $localize`not evacuated`,
  virgin: $localize`reserved for virgin refrigerant`,
  'not-for-flammable': $localize`not rated for flammables`,
  'burn-out-apart': $localize`burnout refrigerant must be kept separate`,
  'other-owner': $localize`reserved for another customer`,
  'tare-heavier': $localize`heavier than its tare`,
  'collar-unconfirmed': $localize`collar data not confirmed`,
  'non-condensables': $localize`non-condensables found`,
  'air-comes-along': $localize`non-condensables in the source cylinder`,
  'holds-other-recovered': $localize`holds refrigerant of other systems`,
  'suspect-apart': $localize`would be spoiled by suspect refrigerant`,
  'no-limit': $localize`no fill limit`,
  full: $localize`full`,
};

/** Whose rules a cylinder was built by. */
export const stampNames: Readonly<Record<Stamp | '', string>> = {
  '': $localize`not recorded`,
  us: $localize`US (4BA, 4BW, 3AA …)`,
  un: $localize`UN or π`,
};

export const portNames: Readonly<Record<CylinderMarks['ports'], string>> = {
  'liquid-and-vapour': $localize`liquid and vapor`,
  one: $localize`one`,
};

export const cylinderKindNames: Readonly<Record<CylinderKind, string>> = {
  recovery: $localize`Recovery`,
  virgin: $localize`Virgin refrigerant`,
  clean: $localize`Customer-owned, clean`,
  'burn-out': $localize`Burnout / unknown`,
  destruction: $localize`For destruction`,
  nitrogen: $localize`Nitrogen`,
};
