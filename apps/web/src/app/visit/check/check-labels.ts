import type { ExplanationCode } from '@hygromet/core/cycle/explanations';
import type { Derived, NextReading } from '@hygromet/core/cycle/cycle-readings';
import type { Withheld } from '@hygromet/core/cycle/running-check';
import type { SlipCode } from '@hygromet/core/cycle/slips';
import type { Skew } from '@hygromet/core/cycle/expected-today';
import type { UnitKind } from '@hygromet/core/cycle/unit';
import type { AirName, TypedReading } from './check-draft';

const readingText: Record<TypedReading, string> = {
  head: 'Head, at the liquid port',
  suction: 'Suction',
  suctionLine: 'Suction line',
  liquidLine: 'Liquid line',
  supply: 'Supply air',
  discharge: 'Discharge line',
  condenserAir: 'Air leaving the condenser',
  meteringInlet: 'Inlet of the metering device',
  supplyWetBulb: 'Supply air, wet bulb',
};
const airText: Record<AirName, string> = { outdoor: 'Outdoors', indoor: 'Return air', wetBulb: 'Return air, wet bulb' };

/** What is cooled, where it is no air of a house. */
const ofBox = { supply: 'Air leaving the coil', indoor: 'Box' };
const ofWater = { supply: 'Water leaving', indoor: 'Water entering' };
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
  superheat: 'Superheat',
  subcooling: 'Subcooling',
  condensingOver: 'Condensing over ambient',
  ...(kind === 'walk-in'
    ? { coilDifference: 'Coil below the box', split: 'Split across the coil' }
    : kind === 'chiller'
      ? { approach: 'Approach: water leaving over boiling', split: 'Range of the water' }
      : { split: 'Split across the indoor coil' }),
});

const explanationText: Record<ExplanationCode, string> = {
  ok: 'Charge right, unit well',
  undercharge: 'Undercharged',
  overcharge: 'Overcharged',
  restriction: 'Liquid line or drier restricted',
  'indoor-airflow': 'Too little air over the evaporator',
  'outdoor-airflow': 'Too little air over the condenser',
  air: 'Non-condensables in the circuit',
  'compressor-valves': 'Compressor valves leak',
  'metering-under': 'Metering device underfeeds',
  'metering-over': 'Metering device overfeeds',
  'suction-gauge': 'Suction gauge reads wrong',
  'head-gauge': 'Head gauge reads wrong',
  'none-of-these': 'None of these, or two at once',
};

/** The same of this kind of unit: what cools a chiller's barrel is no air. */
export const explanationTextOf = (kind: UnitKind | undefined): Record<ExplanationCode, string> =>
  kind === 'chiller' ? { ...explanationText, 'indoor-airflow': 'Too little water through the barrel' } : explanationText;

/** What is read next, as it is asked for. */
const nextText: Record<NextReading, string> = {
  discharge: 'the discharge line temperature, a hand from the compressor',
  power: 'the power of the unit',
  condenserAir: 'the air leaving the condenser',
  meteringInlet: 'the temperature at the inlet of the metering device',
  supplyWetBulb: 'the wet bulb of the supply air',
  headZero: 'the head gauge open to the air: what it shows at zero',
  suctionZero: 'the suction gauge open to the air: what it shows at zero',
  standing: 'the standing pressure after 20 to 30 min off, against the outdoor temperature',
  airflow: 'the air flow indoors',
  outdoorCoil: 'the outdoor coil, by eye: dirt, a slow fan, a wall before it',
};

export const nextTextOf = (kind: UnitKind | undefined): Record<NextReading, string> =>
  kind === 'chiller' ? { ...nextText, airflow: 'the flow of the water' } : nextText;

export const withheldText: Record<Withheld, string> = {
  slip: 'A reading can hardly be',
  'not-settled': 'Not settled yet',
  'cool-indoors': 'Too cool indoors to judge a charge',
  receiver: 'Not by pressures: look at the receiver',
  'too-few-readings': 'Type the readings',
  'no-steady-state': 'No steady state is known for this',
};
export const withheldWhy: Record<Withheld, string> = {
  slip: 'Nothing is judged before it is answered.',
  'not-settled': 'Let it run 15 min, then read it again. Until then nothing is said of the charge.',
  'cool-indoors': 'In a cool house neither chart nor model tells a charge: weigh it, or come back on a warmer day.',
  receiver:
    'With a receiver pressures, superheat and subcooling stand still from 45 to 105 % of the charge. Its level or the sight glass tells, at pump-down.',
  'too-few-readings': 'Head, suction, both lines, and the air on both sides.',
  'no-steady-state': 'At these temperatures a unit of this plate would trip, or flood back. Check the plate and the temperatures.',
};

/** Of one that its instruments follow. */
export const stillMoves =
  'Superheat or subcooling still moves: its instruments tell when they stand. Until then nothing is said of the charge.';

export const slipText: Record<SlipCode, string> = {
  'suction-above-head': 'The suction is above the head. Are the gauges on each other’s ports, or is it not running?',
  stands: 'Head and suction are the same: it stands. Start it, and let it run.',
  'wet-bulb-above-dry': 'A wet bulb is never above the dry bulb. Are the two exchanged?',
  'wet-superheat': 'The suction line is colder than its saturation. Clamp on the wrong pipe, or a gauge that reads high?',
  'liquid-above-condensing':
    'The liquid line is warmer than the refrigerant condenses. Clamp on the discharge line, or another refrigerant than the plate’s?',
  'supply-not-cooled': 'The supply air is not cooler than the return. Is it running, and are the two exchanged?',
  'head-below-outdoors': 'The head is below what it stands at outdoors. A gauge in bar on a field of psi?',
  'suction-above-indoors': 'The suction is above what it stands at indoors. A gauge in kPa on a field of psi, or is it not running?',
  'beyond-the-table': 'The head is beyond what is known of this refrigerant: it should have tripped. Check gauge and unit.',
};

export const skewText: Record<Skew['by'], string> = {
  rain: 'rain on the condenser',
  indoors: 'the air indoors, against the rating point',
  outdoors: 'the day, against the rating point',
  altitude: 'altitude',
  'suction-gauge': 'the suction gauge’s zero',
  'head-gauge': 'the head gauge’s zero',
};
export const skewOfText: Record<Skew['of'], string> = {
  head: 'head',
  suction: 'suction',
  superheat: 'superheat',
  subcooling: 'subcooling',
};

export const meteringText = { orifice: 'fixed orifice', txv: 'thermostatic valve', eev: 'electronic valve' } as const;
