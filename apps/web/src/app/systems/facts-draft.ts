import { circuitRecord } from '@hygromet/contract/plan-facts';
import type { SystemFacts, SystemKind } from '@hygromet/contract/system';
import { partsWithVolume } from '@hygromet/core/circuit/part-volume';
import type { CircuitRecord } from '@hygromet/core/circuit/system-kind';
import { lengthIn } from '@hygromet/core/units/length';
import { pressureDifferenceIn } from '@hygromet/core/units/pressure';
import type { FormRules } from '../forms/draft-form';
import { quantity, wrongIf } from '../forms/validators';
import { emptyEntry, readQuantity, type QuantityEntry, type Reading } from '../ui/quantity-entry';

export type PartWithVolume = (typeof partsWithVolume)[number];

/** What one component bears, as it is typed. */
export interface LimitDraft {
  readonly what: string;
  readonly part: string;
  readonly gauge: QuantityEntry;
}

/** The facts of a circuit as they are typed. An empty choice is "default for this system type". */
export interface FactsDraft {
  readonly compressor: string;
  readonly ports: string;
  readonly valves: Readonly<Record<string, string>>;
  readonly fitted: Readonly<Record<string, string>>;
  readonly condenserCooling: string;
  readonly volumes: Readonly<Record<PartWithVolume, { readonly entry: QuantityEntry; readonly known: string }>>;
  readonly length: QuantityEntry;
  readonly covered: QuantityEntry;
  readonly liquid: string;
  readonly suction: string;
  readonly lowSwitch: string;
  readonly lowOpens: QuantityEntry;
  readonly highOpens: QuantityEntry;
  readonly indoorUnits: string;
  readonly limits: readonly LimitDraft[];
  readonly written: string;
}

export type Gauge = 'psig' | 'barg';
type Volume = NonNullable<SystemFacts['volumes']>[PartWithVolume];

const litres = (volume: Volume): QuantityEntry => ({
  ...emptyEntry('L'),
  text: volume === undefined ? '' : String(Number((volume.m3 * 1000).toPrecision(6))),
});

/** As it was typed where that is known, otherwise in the unit of this person's gauge. */
function gaugeEntry(gaugePa: number | undefined, typed: { text: string; unit: string } | undefined, unit: Gauge): QuantityEntry {
  if (typed !== undefined && (typed.unit === 'psig' || typed.unit === 'barg')) return { ...emptyEntry(typed.unit), text: typed.text };
  return { ...emptyEntry(unit), text: gaugePa === undefined ? '' : String(Number(pressureDifferenceIn(gaugePa, unit).toPrecision(5))) };
}

export const emptyLimit = (gauge: Gauge): LimitDraft => ({ what: '', part: 'evaporator', gauge: emptyEntry(gauge) });

/** What was typed over the record, and which version of it was on the screen when that began. */
export interface FactsEdits {
  readonly version: number | null;
  readonly typed: Partial<FactsDraft>;
}
export const noEdits = (): FactsEdits => ({ version: null, typed: {} });

/** Facts that have several fields in one: of each only what was touched is somebody's, the rest follows the record. */
const MAPS = ['valves', 'fitted', 'volumes'] as const;

/** What was typed, as whole fields over the record. */
export function typedOver(stored: FactsDraft, typed: Partial<FactsDraft>): Partial<FactsDraft> {
  const maps = MAPS.filter((key) => key in typed).map((key) => [key, { ...stored[key], ...typed[key] }] as const);
  return { ...typed, ...Object.fromEntries(maps) };
}

/** Of whole fields, what somebody touched: what differs from the record, and what was touched before. */
export function touchedOf(whole: Partial<FactsDraft>, stored: FactsDraft, before: Partial<FactsDraft>): Partial<FactsDraft> {
  const maps = MAPS.flatMap((key) => {
    const entries = Object.entries(whole[key] ?? {});
    const [recorded, touched] = [stored[key] as Readonly<Record<string, unknown>>, before[key] ?? {}];
    const own = entries.filter(([name, value]) => name in touched || JSON.stringify(value) !== JSON.stringify(recorded[name] ?? ''));
    return key in whole ? [[key, Object.fromEntries(own)] as const] : [];
  });
  return { ...whole, ...Object.fromEntries(maps) };
}

const countOfUnits = wrongIf((units: string) =>
  /^(\d{1,2})?$/.test(units.trim()) ? undefined : $localize`Count the indoor units in whole numbers, 1 to 64.`,
);

/** What holds of each field by itself. */
export const factsRules: FormRules<FactsDraft> = {
  fields: {
    length: [quantity('length', { optional: true })],
    covered: [quantity('length', { optional: true })],
    lowOpens: [quantity('service-pressure', { optional: true })],
    highOpens: [quantity('service-pressure', { optional: true })],
    indoorUnits: [countOfUnits],
  },
};

/** What is stored, as it would be typed. */
export function draftOf(facts: SystemFacts, metric: boolean, gauge: Gauge): FactsDraft {
  const unit = metric ? 'm' : 'ft';
  const length = (metres: number | undefined): QuantityEntry => ({
    ...emptyEntry(unit),
    text: metres === undefined ? '' : String(Number(lengthIn(metres, unit).toFixed(2))),
  });
  const { lineSet, switches, volumes } = facts;
  const volume = (part: PartWithVolume) => ({ entry: litres(volumes?.[part]), known: volumes?.[part]?.known ?? 'plate' });
  return {
    compressor: facts.compressor ?? '',
    ports: facts.ports ?? '',
    valves: { ...facts.valves },
    fitted: { ...facts.fitted },
    condenserCooling: facts.condenserCooling ?? '',
    volumes: {
      condenser: volume('condenser'),
      receiver: volume('receiver'),
      evaporator: volume('evaporator'),
      accumulator: volume('accumulator'),
    },
    length: length(lineSet?.lengthM),
    covered: length(lineSet?.coveredM),
    liquid: lineSet?.liquid ?? '3/8',
    suction: lineSet?.suction ?? '3/4',
    lowSwitch: switches?.low ?? '',
    lowOpens: gaugeEntry(switches?.lowOpensPa, switches?.lowTyped, gauge),
    highOpens: gaugeEntry(switches?.highOpensPa, switches?.highTyped, gauge),
    indoorUnits: String(facts.indoorUnits ?? ''),
    limits: (facts.limits ?? []).map(({ what, part, gaugePa, typed }) => ({ what, part, gauge: gaugeEntry(gaugePa, typed, gauge) })),
    written: facts.written ?? '',
  };
}

/** The facts to be stored, or nothing where a field cannot be read: its sentence stands beside it. */
export function factsOf(draft: FactsDraft): SystemFacts | undefined {
  const length = readQuantity('length', draft.length);
  const covered = readQuantity('length', draft.covered);
  const low = readQuantity('service-pressure', draft.lowOpens);
  const high = readQuantity('service-pressure', draft.highOpens);
  const volumes = partsWithVolume.map((part) => [part, readQuantity('volume', draft.volumes[part].entry)] as const);
  const limits = draft.limits.map((limit) => [limit, readQuantity('service-pressure', limit.gauge)] as const);
  if ([length, covered, low, high, ...volumes.map(([, own]) => own)].some(({ state }) => state === 'bad')) return undefined;
  if (draft.indoorUnits.trim() !== '' && !/^\d{1,2}$/.test(draft.indoorUnits.trim())) return undefined;
  if (limits.some(([{ what }, reading]) => reading.state !== 'good' || what.trim() === '')) return undefined;
  const switches = {
    ...(draft.lowSwitch === '' ? {} : { low: draft.lowSwitch }),
    ...(low.state === 'good' ? { lowOpensPa: low.si, lowTyped: low.typed } : {}),
    ...(high.state === 'good' ? { highOpensPa: high.si, highTyped: high.typed } : {}),
  };
  const said = (states: Readonly<Record<string, string>>) => Object.fromEntries(Object.entries(states).filter(([, state]) => state !== ''));
  const known = Object.fromEntries(
    volumes.flatMap(([part, own]) =>
      own.state === 'good' ? [[part, { m3: own.si, known: draft.volumes[part].known, typed: own.typed }]] : [],
    ),
  );
  // the fields offer only what the contract knows, and the server checks it again
  return {
    ...(draft.compressor === '' ? {} : { compressor: draft.compressor }),
    ...(draft.ports === '' ? {} : { ports: draft.ports }),
    ...filled('valves', said(draft.valves)),
    ...filled('fitted', said(draft.fitted)),
    ...(draft.condenserCooling === '' ? {} : { condenserCooling: draft.condenserCooling }),
    ...filled('volumes', known),
    ...(length.state === 'good' ? { lineSet: lineSetOf(draft, length.si, covered) } : {}),
    ...filled('switches', switches),
    ...(draft.indoorUnits.trim() === '' ? {} : { indoorUnits: Number(draft.indoorUnits) }),
    ...(limits.length === 0
      ? {}
      : { limits: limits.map(([{ what, part }, reading]) => ({ what: what.trim(), part, ...gaugeOf(reading) })) }),
    ...(draft.written.trim() === '' ? {} : { written: draft.written.trim() }),
  } as SystemFacts;
}

const filled = (name: string, value: object) => (Object.keys(value).length === 0 ? {} : { [name]: value });
const gaugeOf = (reading: Reading) => (reading.state === 'good' ? { gaugePa: reading.si, typed: reading.typed } : {});
const lineSetOf = ({ liquid, suction }: FactsDraft, lengthM: number, covered: Reading) => ({
  lengthM,
  coveredM: covered.state === 'good' ? covered.si : 0,
  liquid,
  suction,
});

/** The make-up of a circuit as it is typed: drawn at once. Half a number of indoor units is the one before. */
export const circuitRecordOf = (kind: SystemKind, draft: FactsDraft, stored: SystemFacts): CircuitRecord =>
  circuitRecord({ kind, facts: factsOf(draft) ?? stored });
