import type { ReadingDoubt } from '@hygromet/core/instruments/doubts';
import type { Quantity } from '@hygromet/core/instruments/quantity';
import type { BesideTwin } from '@hygromet/core/twin/estimate/beside';
import { observables, type Observable } from '@hygromet/core/twin/estimate/observed';
import type { Outlook, Range } from '@hygromet/core/twin/estimate/outlook';
import type { Suspect } from '@hygromet/core/twin/estimate/suspects';
import type { CureBy } from '@hygromet/core/twin/estimate/cures';
import type { MachineState } from '@hygromet/core/twin/machine-state';
import type { CylinderCooling } from '@hygromet/core/twin/scenario';
import { pressureFrom, STANDARD_ATMOSPHERE } from '@hygromet/core/units/pressure';
import type { Units } from '../../preferences/units.service';

export const coolingNames: Record<CylinderCooling, string> = {
  'still-air': $localize`Still air`,
  fan: $localize`Fan`,
  water: $localize`Water`,
  ice: $localize`Ice`,
};
export const coolingBy: Record<CylinderCooling, string> = {
  'still-air': $localize`in still air`,
  fan: $localize`with a fan`,
  water: $localize`in running water`,
  ice: $localize`on ice`,
};

/** What averts a trip: as something that is done, and as what was done. */
export const cureNames: Record<CureBy, string> = {
  ...coolingBy,
  'still-air': $localize`out of the sun`,
  loop: $localize`looped for five minutes`,
  throttle: $localize`with the suction throttled`,
  swap: $localize`into an evacuated cylinder`,
};
/** What a person says who has done it. */
export const cureDone: Record<CureBy, string> = {
  'still-air': $localize`It is out of the sun`,
  fan: $localize`The fan is on`,
  water: $localize`Water runs over it`,
  ice: $localize`It is on ice`,
  loop: $localize`The loop runs`,
  throttle: $localize`The suction is throttled`,
  swap: $localize`Another cylinder is on`,
};
export const machineNames: Record<MachineState, string> = {
  on: $localize`Running`,
  throttled: $localize`Suction throttled`,
  loop: $localize`Loops the cylinder`,
  purge: $localize`Purges itself`,
  off: $localize`Stopped`,
};

const probeNames: Partial<Record<Quantity, string>> = {
  gross: $localize`scale`,
  suction: $localize`suction probe`,
  head: $localize`head probe`,
  wall: $localize`clamp`,
};
const nameOf = (quantity: Quantity): string => probeNames[quantity] ?? quantity;

/** What is odd about a reading, and what to do. */
export const doubtText = (quantity: Quantity, doubt: ReadingDoubt): string => {
  const it = nameOf(quantity);
  switch (doubt) {
    case 'jumped':
      return $localize`The scale jumped. Take hoses and hands off it, and see that it stands level.`;
    case 'below-zero':
      return $localize`The scale shows less than nothing. Set its zero with nothing on it.`;
    case 'stuck':
      return $localize`The ${it} has shown the same to the last digit for a while. See whether it is still connected.`;
    case 'sides-changed':
      return $localize`Suction reads above head. The two probes are on each other’s side.`;
    case 'silent':
      return $localize`Nothing comes from the ${it}. Check its battery and its distance; readings can be typed meanwhile.`;
    case 'open-to-air':
      return $localize`The ${it} reads the air. Put it back on its port.`;
    default:
      return doubt satisfies never;
  }
};

/** What the readings say of the rig. */
export const suspectText: Record<Suspect, string> = {
  'valve-shut': $localize`The scale stands: a valve is shut, or a hose is not open to the cylinder.`,
  air: $localize`There is air or nitrogen in it: it stands higher at rest and the head climbs with it. The time and the head here count with that; recover into a cylinder labeled accordingly.`,
  'another-refrigerant': $localize`It reads like another refrigerant than the record says. Stop, and use an identifier before more goes into this cylinder.`,
  restricted: $localize`It flows slower than this rig should: a core left in, a valve half open, or a kinked hose.`,
  'machine-weak': $localize`The machine draws less than it should: worn, or its inlet drier is plugging.`,
  'machine-hot': $localize`The machine gives its heat away badly: clear its condenser, look at its fan.`,
  'cylinder-hot': $localize`The cylinder stays warmer than it should: out of the sun, and cool it.`,
  'more-than-recorded': $localize`More comes out than the records say is in it.`,
  'less-than-recorded': $localize`Less comes out than the records say is in it.`,
  'does-not-fit': $localize`The readings do not fit this transfer. Look for another refrigerant or non-condensables, a hose that touches the scale, a valve that is shut.`,
};

/** Which reading fits no longer, and what that means. */
const offText: Record<Observable, string> = {
  grossKg: $localize`The scale no longer fits this transfer: a hose that touches it, a valve that is shut, or a cylinder that was moved.`,
  suctionPa: $localize`The suction no longer fits this transfer: a core left in, a valve half open, or its probe on the other side.`,
  headPa: $localize`The head no longer fits this transfer: non-condensables, another refrigerant, or a machine that stands in the sun.`,
};

/** What the readings say of the rig, with the refrigerant that it reads like, or the reading that fits worst. */
export function suspectSays(suspect: Suspect, readsLike: string | undefined, off: readonly Observable[] = []): string {
  if (suspect === 'another-refrigerant' && readsLike !== undefined)
    return suspectText[suspect].replace('another refrigerant', `${readsLike}, another refrigerant`);
  // where all of them are off no single one is to blame
  const [only, ...others] = off;
  return suspect === 'does-not-fit' && only !== undefined && others.length === 0 ? offText[only] : suspectText[suspect];
}

/** How the readings stand to the twin: "scale +0.2 lb, suction −3 psi". */
export const besideText = (beside: BesideTwin, units: Pick<Units, 'massText' | 'pressureStep'>): string => {
  const signed = (value: number, text: string) => (value > 0 ? `+${text}` : text);
  return observables
    .flatMap((of) => {
      const latest = beside[of]?.latest;
      if (latest === undefined) return [];
      return [`${OBSERVED[of]} ${signed(latest, of === 'grossKg' ? units.massText(latest) : units.pressureStep(latest))}`];
    })
    .join(', ');
};
const OBSERVED: Record<Observable, string> = { grossKg: $localize`scale`, suctionPa: $localize`suction`, headPa: $localize`head` };

/** How a subcooling loop is run, and ended. */
export const loopText = $localize`Valve of the system shut. From the vapor valve of the cylinder through the machine back to its liquid valve, the outlet throttled until the head stands 20 to 60 psi above the cylinder. It ends when the machine is set to “Running” here.`;

/** At sea level, Pa absolute. */
const twentyPsig = pressureFrom(20, 'psig', STANDARD_ATMOSPHERE);

/** "8 min", "40 s". */
export const durationText = (seconds: number, units: Pick<Units, 'decimal'>): string =>
  seconds < 90 ? `${units.decimal(Math.max(0, 5 * Math.round(seconds / 5)), 0)} s` : $localize`${units.decimal(seconds / 60, 0)} min`;

/** "8 min (6 to 11)", "40 s (0 s to 2 min)" from now on. */
export function fromNow({ likely, low, high }: Range, now: number, units: Pick<Units, 'decimal'>): string {
  const main = durationText(likely - now, units);
  // both ends in the unit of the middle, where that is minutes
  const end = (t: number) => (main.endsWith('min') ? units.decimal(Math.max(0, (t - now) / 60), 0) : durationText(t - now, units));
  if (!Number.isFinite(high)) return $localize`${main} (from ${end(low)}, or not at all)`;
  return end(low) === end(high) ? main : $localize`${main} (${end(low)} to ${end(high)})`;
}

/** When the system comes to 20 psig, while that is still to come: 0 psig depends on oil and clearance, this does not. */
export function twentyText(
  { below20psig }: Pick<Outlook, 'below20psig'>,
  now: number,
  units: Pick<Units, 'decimal' | 'pressure'>,
): string | undefined {
  return below20psig === undefined || below20psig.likely <= now
    ? undefined
    : $localize`${units.pressure(twentyPsig)} in about ${fromNow(below20psig, now, units)}`;
}

/** Where it ends, as far as it can be told. */
export function endText({ end }: Outlook, now: number, units: Pick<Units, 'decimal' | 'massText'>): string {
  const when = fromNow(end.t, now, units);
  switch (end.reason) {
    case 'stop-weight':
      return $localize`about ${when} to the stop`;
    case 'reached':
      return $localize`done in about ${when}, ${units.massText(end.grossKg.likely)} gross then`;
    case 'stalled':
      return $localize`comes to a standstill in about ${when}`;
    case 'cylinder-full':
      return $localize`the cylinder is liquid-full in about ${when}`;
    case 'trips':
    case 'time':
      return $localize`no end in sight like this`;
    default:
      return end.reason satisfies never;
  }
}
