import { designationOf } from '../fluids/refrigerant';
import type { Composition } from '../fluids/composition';
import data from './pressure-rating.json';

/** Whether 5/4 of the service pressure at 131 °F does not bind this gas: it is filled by its table. Source: `pressure-rating.json`. */
export const isExempt = (composition: Composition): boolean => data.exempt.includes(designationOf(composition) ?? '');
