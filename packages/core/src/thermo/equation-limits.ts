import type { Composition } from '../fluids/composition';
import { OutOfRange } from '../errors';
import type { Pascal } from '../units/quantity';
import { modelOf, type MixtureModel } from './mixture-model';

/** The density of a pressure has that pressure to some last digits: the end itself is still within. */
const ROUNDING = 1e-9;

/** K: the lowest of the upper limits that the substances' equations were published with. */
export const hottestOf = ({ substances }: MixtureModel): number => Math.min(...substances.map(({ maxT }) => maxT));

/** Pa: of a mixture the highest, for one substance with few data does not end the others. */
const highestOf = ({ substances }: MixtureModel): number => Math.max(...substances.map(({ maxP }) => maxP));

/** Nothing is extrapolated. @throws OutOfRange above the temperature up to which an equation was published */
export function refuseTooHot(composition: Composition, T: number): void {
  const { model } = modelOf(composition);
  const hottest = hottestOf(model);
  if (T > hottest) throw new OutOfRange('temperature', T, model.minT, hottest, 'K');
}

/** The highest pressure at which a density of this may be asked for. */
export const highestPressure = (composition: Composition): Pascal => highestOf(modelOf(composition).model) as Pascal; // a published limit

/** @throws OutOfRange where one phase of that density is no state: under tension, or beyond the pressures of its equation */
export function refuseBeyondEquation(model: MixtureModel, p: number): void {
  const highest = highestOf(model);
  if (!(p > 0 && p <= highest * (1 + ROUNDING))) throw new OutOfRange('pressure of that density', p, 0, highest, 'Pa');
}
