import type { Stamp } from '@hygromet/core/cylinder/cylinder-rating';
import type { CylinderMarks } from '@hygromet/contract/cylinder';
import type { CylinderKind } from '@hygromet/core/cylinder/cylinder-kind';
import type { Objection } from '@hygromet/core/cylinder/objection';

/** What speaks against filling a cylinder, in a few words. */
export const objectionWords: Readonly<Record<Objection, string>> = {
  retired: 'out of use',
  nitrogen: 'for nitrogen',
  'class-too-low': 'pressure class too low',
  overdue: 'requalification overdue',
  overfilled: 'overfilled',
  'negative-balance': 'ledger below zero: weigh it',
  'other-refrigerant': 'another refrigerant',
  'not-evacuated': 'not evacuated',
  virgin: 'reserved for virgin refrigerant',
  'not-for-flammable': 'not rated for flammables',
  'burn-out-apart': 'burnout refrigerant must be kept separate',
  'other-owner': 'reserved for another customer',
  'tare-heavier': 'heavier than its tare',
  'collar-unconfirmed': 'collar data not confirmed',
  'non-condensables': 'non-condensables found',
  'air-comes-along': 'non-condensables in the source cylinder',
  'holds-other-recovered': 'holds refrigerant of other systems',
  'suspect-apart': 'would be spoiled by suspect refrigerant',
  'no-limit': 'no fill limit',
  full: 'full',
};

/** Whose rules a cylinder was built by. */
export const stampNames: Readonly<Record<Stamp | '', string>> = { '': 'not recorded', us: 'US (4BA, 4BW, 3AA …)', un: 'UN or π' };

export const portNames: Readonly<Record<CylinderMarks['ports'], string>> = { 'liquid-and-vapour': 'liquid and vapor', one: 'one' };

export const cylinderKindNames: Readonly<Record<CylinderKind, string>> = {
  recovery: 'Recovery',
  virgin: 'Virgin refrigerant',
  clean: 'Customer-owned, clean',
  'burn-out': 'Burnout / unknown',
  destruction: 'For destruction',
  nitrogen: 'Nitrogen',
};
