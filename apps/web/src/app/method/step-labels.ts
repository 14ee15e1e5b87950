import type { Step, StepCaution, StepCode } from '@hygromet/core/planning/steps';
import type { Units } from '../preferences/units.service';

type QuantityFormatter = Pick<Units, 'pressure'>;

const told: Record<StepCode, (step: Step, tell: QuantityFormatter) => string> = {
  'read-standing-pressure': () => 'Read the standing pressure on both sides, and the temperature.',
  'prove-flat': () => 'Prove zero on the liquid and on the suction side, each with its own gauge.',
  'start-water': () => 'Start the water pump, and see that water flows.',
  'keep-water-drained': () => 'Keep the water side isolated and drained, with its neighbors on the loop told.',
  'acid-test': () => 'Test for acid before anything is connected: kit, result and date.',
  'drier-in-line': () => 'Put a new filter drier in line: it goes back into a system.',
  'hold-in-cooling': () => 'Hold it in cooling.',
  'defeat-low-pressure-switch': ({ at }, tell) =>
    `Bypass the low-pressure cutout${at === undefined ? '' : `, which opens at ${tell.pressure(at)},`} using the unit’s service mode where it has one.`,
  'nearly-close-suction': () => 'Close the suction service valve all but a quarter of a turn, so that it can be shut at once.',
  'run-compressor': () => 'Run the compressor and let it settle.',
  'close-liquid-valve': () => 'Shut the liquid service valve.',
  'close-king': () => 'Front-seat the king valve. The low-pressure switch should stop the compressor: see that it does.',
  'watch-head': ({ at }, tell) =>
    `Watch the head: at ${tell.pressure(at ?? 0)} the high-pressure switch opens. A steep rise says that the condenser is full: open the liquid valve again.`,
  'watch-suction': ({ at }, tell) => `Watch the suction fall. Act at ${tell.pressure(at ?? 0)}.`,
  'close-suction': () => 'Shut the suction service valve.',
  'cut-power': () => 'Cut the power.',
  'shade-shut-part': () => 'Shade the part that is shut off, or keep the sun off it.',
  'watch-holding': ({ minutes }) =>
    `Watch the shut-off side for ${minutes ?? 0} min: a rise says that a valve does not hold, or that liquid was left.`,
  'pierce-process-tube': () => 'Put a piercing valve on the process tube; a real port replaces it before it is charged again.',
  'open-branches': ({ count }) =>
    `Open the valves of ${count === undefined ? 'every branch' : `all ${count} branches`} by the unit’s own service mode: a branch that is shut keeps its liquid.`,
  'open-valves': () => 'Open every hand valve of the circuit: what is behind a shut one stays full.',
  'hold-solenoid-open': () => 'Hold the solenoid valve open: energize its coil, or lift it with a magnet.',
  'carry-and-recover': () => 'Cap both valves, take the unit down with its charge, and recover it there into a cylinder.',
  'prepare-cylinder': () => 'Take an evacuated cylinder of this refrigerant, note its stop weight, put it on the scale.',
  'remove-cores': () => 'Take the valve cores out.',
  'connect-and-purge': () => 'Connect short, wide hoses and purge them.',
  'let-liquid-over': () => 'Open the liquid side and let liquid over by pressure alone, until the scale stands still.',
  'push-pull-until-vapour': () => 'Draw vapor from the cylinder, push it on the liquid in the system, until the sight glass shows vapor.',
  'recover-excess': () => 'Recover what the condenser may not hold, by the scale.',
  'recover-liquid': () => 'Recover from the liquid side first.',
  'recover-vapour': ({ at }, tell) => `Recover the vapor down to ${tell.pressure(at ?? 0)}.`,
  'isolate-and-wait': ({ minutes }) => `Isolate and hold for ${minutes ?? 0} min: refrigerant boils out of oil and cold spots.`,
  'recover-again': ({ at }, tell) => `If it has passed ${tell.pressure(at ?? 0)}, recover again.`,
  'book-by-scale': () => 'Close the cylinder, read the scale, book the transfer.',
  'sweep-with-nitrogen': ({ at }, tell) =>
    `Sweep the part with dry nitrogen through a regulator${at === undefined ? '' : `, never above ${tell.pressure(at)}`}: it carries out what could not be recovered.`,
  open: () => 'Open the circuit.',
};

const cautions: Record<StepCaution, string> = {
  'barrel-freezes': 'Without flowing water the tubes of the barrel freeze and burst within seconds.',
  'water-in-refrigerant':
    'What is recovered may carry water: drier in line, change the machine’s filter and oil, and expect ice at the throttle.',
  'scroll-no-vacuum': 'Never run it into a vacuum – it can fail and pull in air.',
  'mark-what-condenser-holds': 'The condenser must not become liquid-full: its pressure then rises at once.',
  'shut-part-in-the-sun':
    'Shut off at both ends it has no relief valve. What it may hold is counted for the heat of the sun; hotter, or with more in it, it goes liquid-full and bursts.',
  'stay-with-cylinder': 'Stay with the cylinder while it fills.',
  'stop-weight': 'Close the valve at the stop weight, whatever is left in the system.',
  'it-burns': 'Flammable: no ignition source, ventilate, everything rated for it, no air in cylinder or hoses.',
  'lock-out': 'Mains voltage. Lock it out before a cover is opened; never push a contactor in by hand.',
  acid: 'Acid: gloves and glasses, a cylinder marked for it, a drier in line.',
  'rated-for-it':
    'Machine, hoses and cylinder rated for flammable refrigerant, and the cylinder marked so. The fire service and the codes of the place have their own rules.',
  'not-above-weakest': 'The weakest recorded part of the circuit sets this pressure: valve it off or take it out before anything higher.',
  'no-flame-before-swept': 'No torch before it is swept and a detector reads nothing: cut the joint instead of unbrazing it.',
  'liquid-trapped': 'Without power it is shut: the liquid ahead of it is trapped between two shut valves, and bursts the line as it warms.',
  'prove-zero-here': 'The port may lie on the other side of the metering device: prove zero at this part itself before it is cut.',
  'unit-under-charge':
    'The unit is under its whole charge: valves capped and tagged, upright, out of the sun, and no one cuts, bends or brazes anything on its side of the valves.',
  'cool-the-cylinder': 'Without cooling the machine’s high-pressure cut-out will open. Have water or ice ready.',
};

export const stepText = (step: Step, tell: QuantityFormatter): string => told[step.code](step, tell);
export const cautionText = (caution: StepCaution): string => cautions[caution];
