import type { ClosedVolume } from '../src/thermo/vessel-states';
import type { Phase } from '../src/thermo/phase';
import { phasesOf, type Saturation } from '../src/thermo/saturation';

/** Largest residual of the conditions of equilibrium: ln f of each substance, and the pressure. */
function residual(liquid: Phase, vapour: Phase): number {
  const fugacities = Array.from(liquid.lnf, (value, i) => Math.abs(value - vapour.lnf[i]!));
  // the liquid is so stiff that its pressure is judged by the density it would take to mend it
  const pressure = Math.abs(liquid.p - vapour.p) / (liquid.dpdrhoTotal() * liquid.rhoTotal + vapour.p);
  return Math.max(...fugacities, pressure);
}

export const residualOfSaturation = (saturation: Saturation): number => {
  const { liquid, vapour } = phasesOf(saturation);
  return residual(liquid, vapour);
};

/** Of each liquid and the vapour, which stands last. A single phase has no other to be in equilibrium with. */
export const residualOfVessel = ({ phases }: ClosedVolume): number =>
  Math.max(0, ...phases.slice(0, -1).map(({ phase }) => residual(phase, phases.at(-1)!.phase)));
