import { AS_USUAL, type Scenario } from '../scenario';
import { unknowns, type Guess, type Unknown } from './guess';
import data from './priors.json';

/** Standard deviations before anything is read. @param chargeSd of the charge, where a plan knows it better */
export const priorSd = (chargeSd: number | undefined): readonly number[] =>
  unknowns.map((name) => (name === 'charge' ? (chargeSd ?? data.logarithms.charge) : data.logarithms[name]));

/** The scenario with these factors. Of a charge that would not fit its circuit, what does. */
export function tuned(scenario: Scenario, guess: Guess): Scenario {
  const factor = (name: Unknown) => Math.exp(guess[unknowns.indexOf(name)]!);
  const usual = scenario.tuning ?? AS_USUAL;
  return {
    ...scenario,
    system: { ...scenario.system, chargeKg: scenario.system.chargeKg * factor('charge') },
    tuning: {
      flow: usual.flow * factor('flow'),
      pump: usual.pump * factor('pump'),
      machineCooling: usual.machineCooling * factor('machineCooling'),
      cylinderCooling: usual.cylinderCooling * factor('cylinderCooling'),
      oil: usual.oil * factor('oil'),
    },
  };
}
