import type { ExplanationCode } from '@hygromet/core/cycle/explanations';
import type { Derived, NextReading } from '@hygromet/core/cycle/cycle-readings';
import type { Withheld } from '@hygromet/core/cycle/running-check';
import type { SlipCode } from '@hygromet/core/cycle/slips';
import type { Skew } from '@hygromet/core/cycle/expected-today';
import type { UnitKind } from '@hygromet/core/cycle/unit';
import type { AirName, TypedReading } from './check-draft';

const readingText: Record<TypedReading, string> = {
  head: $localize`Head, at the liquid port`,
  suction: $localize`Suction`,
  suctionLine: $localize`Suction line`,
  liquidLine: $localize`Liquid line`,
  supply: $localize`Supply air`,
  discharge: $localize`Discharge line`,
  condenserAir: $localize`Air leaving the condenser`,
  meteringInlet: $localize`Inlet of the metering device`,
  supplyWetBulb: $localize`Supply air, wet bulb`,
};
const airText: Record<AirName, string> = {
  outdoor: $localize`Outdoors`,
  indoor: $localize`Return air`,
  wetBulb: $localize`Return air, wet bulb`,
};

/** What is cooled, where it is no air of a house. */
const ofBox = { supply: $localize`Air leaving the coil`, indoor: $localize`Box` };
const ofWater = { supply: $localize`Water leaving`, indoor: $localize`Water entering` };
/** The names of the readings for this kind of unit. */
export const readingTextOf = (kind: UnitKind | undefined): Record<TypedReading, string> => ({
  ...readingText,
  ...(kind === 'walk-in' ? { supply: ofBox.supply } : kind === 'chiller' ? { supply: ofWater.supply } : {}),
});
export const airTextOf = (kind: UnitKind | undefined): Record<AirName, string> => ({
  ...airText,
  ...(kind === 'walk-in' ? { indoor: ofBox.indoor } : kind === 'chiller' ? { indoor: ofWater.indoor } : {}),
});

/** What is derived, in the order in which it is shown, for this kind of unit. */
export const derivedText = (kind: UnitKind | undefined): Readonly<Partial<Record<keyof Derived, string>>> => ({
  superheat: $localize`Superheat`,
  subcooling: $localize`Subcooling`,
  condensingOver: $localize`Condensing over ambient`,
  ...(kind === 'walk-in'
    ? { coilDifference: $localize`Coil below the box`, split: $localize`Split across the coil` }
    : kind === 'chiller'
      ? { approach: $localize`Approach: water leaving over boiling`, split: $localize`Range of the water` }
      : { split: $localize`Split across the indoor coil` }),
});

const explanationText: Record<ExplanationCode, string> = {
  ok: $localize`Charge right, unit well`,
  undercharge: $localize`Undercharged`,
  overcharge: $localize`Overcharged`,
  restriction: $localize`Liquid line or drier restricted`,
  'indoor-airflow': $localize`Too little air over the evaporator`,
  'outdoor-airflow': $localize`Too little air over the condenser`,
  air: $localize`Non-condensables in the circuit`,
  'compressor-valves': $localize`Compressor valves leak`,
  'metering-under': $localize`Metering device underfeeds`,
  'metering-over': $localize`Metering device overfeeds`,
  'suction-gauge': $localize`Suction gauge reads wrong`,
  'head-gauge': $localize`Head gauge reads wrong`,
  'none-of-these': $localize`None of these, or two at once`,
};

/** The same of this kind of unit: what cools a chiller's barrel is no air. */
export const explanationTextOf = (kind: UnitKind | undefined): Record<ExplanationCode, string> =>
  kind === 'chiller' ? { ...explanationText, 'indoor-airflow': $localize`Too little water through the barrel` } : explanationText;

/** What is read next, as it is asked for. */
const nextText: Record<NextReading, string> = {
  discharge: $localize`the discharge line temperature, a hand from the compressor`,
  power: $localize`the power of the unit`,
  condenserAir: $localize`the air leaving the condenser`,
  meteringInlet: $localize`the temperature at the inlet of the metering device`,
  supplyWetBulb: $localize`the wet bulb of the supply air`,
  headZero: $localize`the head gauge open to the air: what it shows at zero`,
  suctionZero: $localize`the suction gauge open to the air: what it shows at zero`,
  standing: $localize`the standing pressure after 20 to 30 min off, against the outdoor temperature`,
  airflow: $localize`the air flow indoors`,
  outdoorCoil: $localize`the outdoor coil, by eye: dirt, a slow fan, a wall before it`,
};

export const nextTextOf = (kind: UnitKind | undefined): Record<NextReading, string> =>
  kind === 'chiller' ? { ...nextText, airflow: $localize`the flow of the water` } : nextText;

export const withheldText: Record<Withheld, string> = {
  slip: $localize`A reading can hardly be`,
  'not-settled': $localize`Not settled yet`,
  'cool-indoors': $localize`Too cool indoors to judge a charge`,
  receiver: $localize`Not by pressures: look at the receiver`,
  'too-few-readings': $localize`Type the readings`,
  'no-steady-state': $localize`No steady state is known for this`,
};
export const withheldWhy: Record<Withheld, string> = {
  slip: $localize`Nothing is judged before it is answered.`,
  'not-settled': $localize`Let it run 15 min, then read it again. Until then nothing is said of the charge.`,
  'cool-indoors': $localize`In a cool house neither chart nor model tells a charge: weigh it, or come back on a warmer day.`,
  receiver: $localize`With a receiver pressures, superheat and subcooling stand still from 45 to 105 % of the charge. Its level or the sight glass tells, at pump-down.`,
  'too-few-readings': $localize`Head, suction, both lines, and the air on both sides.`,
  'no-steady-state': $localize`At these temperatures a unit of this plate would trip, or flood back. Check the plate and the temperatures.`,
};

/** Of one that its instruments follow. */
export const stillMoves = $localize`Superheat or subcooling still moves: its instruments tell when they stand. Until then nothing is said of the charge.`;

export const slipText: Record<SlipCode, string> = {
  'suction-above-head': $localize`The suction is above the head. Are the gauges on each other’s ports, or is it not running?`,
  stands: $localize`Head and suction are the same: it stands. Start it, and let it run.`,
  'wet-bulb-above-dry': $localize`A wet bulb is never above the dry bulb. Are the two exchanged?`,
  'wet-superheat': $localize`The suction line is colder than its saturation. Clamp on the wrong pipe, or a gauge that reads high?`,
  'liquid-above-condensing': $localize`The liquid line is warmer than the refrigerant condenses. Clamp on the discharge line, or another refrigerant than the plate’s?`,
  'supply-not-cooled': $localize`The supply air is not cooler than the return. Is it running, and are the two exchanged?`,
  'head-below-outdoors': $localize`The head is below what it stands at outdoors. A gauge in bar on a field of psi?`,
  'suction-above-indoors': $localize`The suction is above what it stands at indoors. A gauge in kPa on a field of psi, or is it not running?`,
  'beyond-the-table': $localize`The head is beyond what is known of this refrigerant: it should have tripped. Check gauge and unit.`,
};

export const skewText: Record<Skew['by'], string> = {
  rain: $localize`rain on the condenser`,
  indoors: $localize`the air indoors, against the rating point`,
  outdoors: $localize`the day, against the rating point`,
  altitude: $localize`altitude`,
  'suction-gauge': $localize`the suction gauge’s zero`,
  'head-gauge': $localize`the head gauge’s zero`,
};
export const skewOfText: Record<Skew['of'], string> = {
  head: $localize`head`,
  suction: $localize`suction`,
  superheat: $localize`superheat`,
  subcooling: $localize`subcooling`,
};

export const meteringText = {
  orifice: $localize`fixed orifice`,
  txv: $localize`thermostatic valve`,
  eev: $localize`electronic valve`,
} as const;
