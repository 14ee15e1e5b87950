import type { CollarDoubt } from '@hygromet/core/cylinder/collar-doubts';
import { mass, say, type Sentence } from './sentence';

/** What hardly stands on a collar, as it is asked back by form, file and interface alike. */
export function collarQuestion(doubt: CollarDoubt): Sentence {
  switch (doubt.code) {
    case 'nominal-size':
      return say`${String(doubt.pounds)} lb is a size cylinders are sold under; the water capacity is stamped as WC, and is less: filled by the nominal size, a cylinder is overfilled. Read it again, or confirm it.`;
    case 'swapped':
      return say`Water capacity and tare look exchanged: WC is the capacity, TW the tare. Read both again, or confirm them.`;
    case 'tare-unusual':
      return say`A cylinder of this capacity and class usually weighs ${mass(doubt.leastKg)} to ${mass(doubt.mostKg)} empty. Read TW, WC and their units again, or confirm them.`;
    case 'service-low':
      return say`That is low for a refrigerant cylinder: such as 400 psi of 4BA400. Check the unit, or confirm it.`;
    default:
      return doubt satisfies never;
  }
}
