import { sumOf, type Contents, type NetworkState } from './network';
import { CYLINDER, HIGH, LOW, MACHINE, type Scenario } from './scenario';

export interface Sample {
  readonly t: number;
  readonly grossKg: number;
  readonly suctionPa: number;
  readonly headPa: number;
  readonly cylinderK: number;
  readonly systemKg: number;
}

/** What stands at a share of the way between two steps. */
export function sampleOf(scenario: Scenario, before: NetworkState, after: NetworkState, share: number, t: number): Sample {
  const mix = (of: (state: NetworkState) => number) => of(before) + share * (of(after) - of(before));
  const { method } = scenario;
  return {
    t,
    grossKg: scenario.cylinder.tareKg + mix(({ m }) => m[CYLINDER]!),
    suctionPa: mix((state) => {
      if (method === 'pump-down') return drawnDown(scenario, state);
      return state.suctionPa ?? state.states[method === 'push-back' ? CYLINDER : HIGH]!.p;
    }),
    headPa: mix((state) => headOf(scenario, state)),
    cylinderK: mix(({ states }) => states[CYLINDER]!.T),
    systemKg: mix(inSystem),
  };
}

/** Pa of what is emptied. */
export function drawnDown({ method }: Scenario, { states }: NetworkState): number {
  if (method === 'pump-down') return states[LOW]!.p;
  return method === 'push-back' ? states[CYLINDER]!.p : Math.max(states[HIGH]!.p, states[LOW]!.p);
}

/** Pa that is pushed against. */
export function headOf({ method }: Scenario, { states }: NetworkState): number {
  if (method === 'pump-down') return states[HIGH]!.p;
  return Math.max(states[MACHINE]!.p, states[method === 'push-back' ? HIGH : CYLINDER]!.p);
}

/** kg that are still to move. */
export const toGo = ({ method, cylinder }: Scenario, { m }: NetworkState): number =>
  method === 'push-back' ? Math.max(0, m[CYLINDER]! - (cylinder.stopKg ?? 0)) : m[HIGH]! + m[LOW]!;

/** kg in the circuit and in its oil. */
export const inSystem = ({ m, dissolved }: Contents): number => m[HIGH]! + m[LOW]! + dissolved[LOW]!;

/** Over all volumes: kg and J of refrigerant with its metal, kg by which it is enriched, kg of air. */
export interface Totals {
  mass: number;
  energy: number;
  enriched: number;
  air: number;
}

export const totalsOf = ({ m, U, enriched, air, dissolved, dissolvedU }: Contents): Totals => ({
  mass: sumOf(m) + sumOf(dissolved),
  energy: sumOf(U) + sumOf(dissolvedU),
  enriched: sumOf(enriched),
  air: sumOf(air),
});
