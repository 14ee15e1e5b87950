import type { Step, StepCaution, StepCode } from '@hygromet/core/planning/steps';
import type { Units } from '../preferences/units.service';

type QuantityFormatter = Pick<Units, 'pressure'>;

const told: Record<StepCode, (step: Step, tell: QuantityFormatter) => string> = {
  'read-standing-pressure': () => $localize`Read the standing pressure on both sides, and the temperature.`,
  'prove-flat': () => $localize`Prove zero on the liquid and on the suction side, each with its own gauge.`,
  'start-water': () => $localize`Start the water pump, and see that water flows.`,
  'keep-water-drained': () => $localize`Keep the water side isolated and drained, with its neighbors on the loop told.`,
  'acid-test': () => $localize`Test for acid before anything is connected: kit, result and date.`,
  'drier-in-line': () => $localize`Put a new filter drier in line: it goes back into a system.`,
  'hold-in-cooling': () => $localize`Hold it in cooling.`,
  'defeat-low-pressure-switch': ({ at }, tell) =>
    $localize`Bypass the low-pressure cutout${at === undefined ? '' : $localize`, which opens at ${tell.pressure(at)},`} using the unit’s service mode where it has one.`,
  'nearly-close-suction': () => $localize`Close the suction service valve all but a quarter of a turn, so that it can be shut at once.`,
  'run-compressor': () => $localize`Run the compressor and let it settle.`,
  'close-liquid-valve': () => $localize`Shut the liquid service valve.`,
  'close-king': () => $localize`Front-seat the king valve. The low-pressure switch should stop the compressor: see that it does.`,
  'watch-head': ({ at }, tell) =>
    $localize`Watch the head: at ${tell.pressure(at ?? 0)} the high-pressure switch opens. A steep rise says that the condenser is full: open the liquid valve again.`,
  'watch-suction': ({ at }, tell) => $localize`Watch the suction fall. Act at ${tell.pressure(at ?? 0)}.`,
  'close-suction': () => $localize`Shut the suction service valve.`,
  'cut-power': () => $localize`Cut the power.`,
  'shade-shut-part': () => $localize`Shade the part that is shut off, or keep the sun off it.`,
  'watch-holding': ({ minutes }) =>
    $localize`Watch the shut-off side for ${minutes ?? 0} min: a rise says that a valve does not hold, or that liquid was left.`,
  'pierce-process-tube': () => $localize`Put a piercing valve on the process tube; a real port replaces it before it is charged again.`,
  'open-branches': ({ count }) =>
    $localize`Open the valves of ${count === undefined ? $localize`every branch` : $localize`all ${count} branches`} by the unit’s own service mode: a branch that is shut keeps its liquid.`,
  'open-valves': () => $localize`Open every hand valve of the circuit: what is behind a shut one stays full.`,
  'hold-solenoid-open': () => $localize`Hold the solenoid valve open: energize its coil, or lift it with a magnet.`,
  'carry-and-recover': () => $localize`Cap both valves, take the unit down with its charge, and recover it there into a cylinder.`,
  'prepare-cylinder': () => $localize`Take an evacuated cylinder of this refrigerant, note its stop weight, put it on the scale.`,
  'remove-cores': () => $localize`Take the valve cores out.`,
  'connect-and-purge': () => $localize`Connect short, wide hoses and purge them.`,
  'let-liquid-over': () => $localize`Open the liquid side and let liquid over by pressure alone, until the scale stands still.`,
  'push-pull-until-vapour': () =>
    $localize`Draw vapor from the cylinder, push it on the liquid in the system, until the sight glass shows vapor.`,
  'recover-excess': () => $localize`Recover what the condenser may not hold, by the scale.`,
  'recover-liquid': () => $localize`Recover from the liquid side first.`,
  'recover-vapour': ({ at }, tell) => $localize`Recover the vapor down to ${tell.pressure(at ?? 0)}.`,
  'isolate-and-wait': ({ minutes }) => $localize`Isolate and hold for ${minutes ?? 0} min: refrigerant boils out of oil and cold spots.`,
  'recover-again': ({ at }, tell) => $localize`If it has passed ${tell.pressure(at ?? 0)}, recover again.`,
  'book-by-scale': () => $localize`Close the cylinder, read the scale, book the transfer.`,
  'sweep-with-nitrogen': ({ at }, tell) =>
    $localize`Sweep the part with dry nitrogen through a regulator${at === undefined ? '' : $localize`, never above ${tell.pressure(at)}`}\: it carries out what could not be recovered.`,
  open: () => $localize`Open the circuit.`,
};

const cautions: Record<StepCaution, string> = {
  'barrel-freezes': $localize`Without flowing water the tubes of the barrel freeze and burst within seconds.`,
  'water-in-refrigerant': $localize`What is recovered may carry water: drier in line, change the machine’s filter and oil, and expect ice at the throttle.`,
  'scroll-no-vacuum': $localize`Never run it into a vacuum – it can fail and pull in air.`,
  'mark-what-condenser-holds': $localize`The condenser must not become liquid-full: its pressure then rises at once.`,
  'shut-part-in-the-sun': $localize`Shut off at both ends it has no relief valve. What it may hold is counted for the heat of the sun; hotter, or with more in it, it goes liquid-full and bursts.`,
  'stay-with-cylinder': $localize`Stay with the cylinder while it fills.`,
  'stop-weight': $localize`Close the valve at the stop weight, whatever is left in the system.`,
  'it-burns': $localize`Flammable: no ignition source, ventilate, everything rated for it, no air in cylinder or hoses.`,
  'lock-out': $localize`Mains voltage. Lock it out before a cover is opened; never push a contactor in by hand.`,
  acid: $localize`Acid: gloves and glasses, a cylinder marked for it, a drier in line.`,
  'rated-for-it': $localize`Machine, hoses and cylinder rated for flammable refrigerant, and the cylinder marked so. The fire service and the codes of the place have their own rules.`,
  'not-above-weakest': $localize`The weakest recorded part of the circuit sets this pressure: valve it off or take it out before anything higher.`,
  'no-flame-before-swept': $localize`No torch before it is swept and a detector reads nothing: cut the joint instead of unbrazing it.`,
  'liquid-trapped': $localize`Without power it is shut: the liquid ahead of it is trapped between two shut valves, and bursts the line as it warms.`,
  'prove-zero-here': $localize`The port may lie on the other side of the metering device: prove zero at this part itself before it is cut.`,
  'unit-under-charge': $localize`The unit is under its whole charge: valves capped and tagged, upright, out of the sun, and no one cuts, bends or brazes anything on its side of the valves.`,
  'cool-the-cylinder': $localize`Without cooling the machine’s high-pressure cut-out will open. Have water or ice ready.`,
};

export const stepText = (step: Step, tell: QuantityFormatter): string => told[step.code](step, tell);
export const cautionText = (caution: StepCaution): string => cautions[caution];
