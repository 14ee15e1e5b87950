import type { System } from '@hygromet/contract/system';
import type { HoseBore } from '@hygromet/core/charge/charge-target';
import { estimatedVolume } from '@hygromet/core/circuit/part-volume';
import type { Composition } from '@hygromet/core/fluids/composition';
import { usualHoseM } from '@hygromet/core/instruments/usual-instruments';
import { kilogram } from '@hygromet/core/units/quantity';
import type { ChargeArgs } from '../../core-worker/account-operations';
import { readQuantity } from '../../ui/quantity-entry';
import type { RechargeDraft } from './recharge-draft';

/** How much a system takes, asked of the core: its plate and lines, and what was said of this charge. */
export function chargeQuestion(
  { nameplateKg, facts }: System,
  composition: Composition,
  { hose, oil, drier, unit, coldest }: RechargeDraft,
  { floods }: { readonly floods: boolean },
): ChargeArgs {
  const [oilRead, drierRead] = [readQuantity('charge', oil), readQuantity('charge', drier)];
  const cold = readQuantity('temperature', coldest);
  const condenserM3 = facts.volumes?.condenser?.m3 ?? estimatedVolume('condenser', kilogram(nameplateKg)).likely;
  return {
    composition,
    plateKg: nameplateKg,
    lineSet: facts.lineSet,
    hose: { bore: hose.split('-')[0] as HoseBore, lengthM: usualHoseM, givenBack: !hose.endsWith('left') }, // the field offers only these
    ...(oilRead.state === 'good' && oilRead.si > 0 ? { oilKg: oilRead.si } : {}),
    ...(drierRead.state === 'good' && drierRead.si > 0 ? { drierKg: drierRead.si } : {}),
    ...(unit === 'came-charged' ? { cameWithKg: nameplateKg } : {}),
    ...(floods && cold.state === 'good' ? { flooded: { condenserM3, outdoorK: cold.si } } : {}),
  };
}
