import type { Question } from '@hygromet/contract/asked-back';
import type { Cylinder, CylinderMarks } from '@hygromet/contract/cylinder';
import type { NewCylinderEvent } from '@hygromet/contract/cylinder-event';
import type { NewRemoval } from '@hygromet/contract/movement';
import type { Pascal } from '@hygromet/core/units/quantity';
import type { ValidatorFn } from '@angular/forms';
import { newKey } from '../data/new-key';
import type { FormRules } from '../forms/draft-form';
import { between, filled, onlyIf, quantity, stampMonth, wrongIf } from '../forms/validators';
import type { Preferences } from '../preferences/preferences';
import { emptyEntry, readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { readWhen, type When } from '../ui/when';
import { marksDraft, marksOf, marksRules, testPressureProblem, type MarksDraft } from './marks-draft';
import { readStamp } from './stamp-month';

/** What a person can record about a cylinder; `left` is booked in the ledger, the others stand in its history. */
export const cylinderEventKinds = [
  'evacuated',
  'air-checked',
  'left',
  'moved',
  'requalified',
  'tare-weighed',
  'relabelled',
  'described',
  'retired',
] as const;
export type CylinderEventKind = (typeof cylinderEventKinds)[number];

export interface CylinderEventDraft extends MarksDraft {
  readonly key: string;
  readonly what: CylinderEventKind;
  readonly vacuum: QuantityEntry;
  readonly gauge: string;
  readonly pressure: QuantityEntry;
  readonly temperature: QuantityEntry;
  /** Accuracy of the gauge, in the unit of the pressure; of the thermometer, in degrees of this person. */
  readonly gaugeOff: QuantityEntry;
  readonly thermometerOff: string;
  readonly to: string;
  readonly before: QuantityEntry;
  readonly after: QuantityEntry;
  readonly place: string;
  readonly stamp: string;
  readonly tare: QuantityEntry;
  /** The person has looked again: a weight that can hardly be is right. */
  readonly certain: boolean;
  /** What the server asked back about, and is right all the same. */
  readonly answered: readonly Question[];
  readonly refrigerant: string | null;
  readonly reason: string;
  readonly when: When;
  readonly note: string;
}

/** What of a draft is typed into fields. */
export type CylinderEventFields = Omit<CylinderEventDraft, 'key' | 'certain' | 'answered'>;

export function fieldsOf({ key: _key, certain: _certain, answered: _answered, ...fields }: CylinderEventDraft): CylinderEventFields {
  return fields;
}

export function newCylinderEventDraft(
  preferences: Preferences,
  cylinder: Pick<Cylinder, 'contentKg' | 'place' | 'marks'>,
): CylinderEventDraft {
  const { mass, pressure, temperature } = preferences;
  const gauge = pressure === 'psig' ? 'psig' : 'barg';
  return {
    key: newKey(),
    what: cylinder.contentKg > 0 ? 'air-checked' : 'evacuated',
    vacuum: emptyEntry('micron'),
    gauge: '',
    pressure: emptyEntry(pressure),
    temperature: emptyEntry(temperature),
    gaugeOff: { ...emptyEntry(gauge), text: gauge === 'psig' ? '1' : '0.1' },
    thermometerOff: temperature === 'F' ? '1' : '0.5',
    to: '',
    before: emptyEntry(mass),
    after: emptyEntry(mass),
    place: cylinder.place,
    stamp: '',
    tare: emptyEntry(mass),
    certain: false,
    answered: [],
    refrigerant: null,
    ...marksDraft(cylinder.marks, preferences),
    reason: '',
    when: '',
    note: '',
  };
}

const about = (what: CylinderEventKind, ...validators: readonly ValidatorFn[]): readonly ValidatorFn[] => [
  onlyIf<CylinderEventFields>((fields) => fields.what === what, ...validators),
];

/** What each field has to be, where the event is about it. */
export const eventRules = (atmosphere: () => Pascal, servicePressurePa: () => number): FormRules<CylinderEventFields> => ({
  fields: {
    vacuum: about('evacuated', quantity('vacuum')),
    gauge: about('evacuated', filled()),
    pressure: about('air-checked', quantity('pressure', { atmosphere })),
    temperature: about('air-checked', quantity('temperature')),
    gaugeOff: about('air-checked', quantity('service-pressure')),
    thermometerOff: about('air-checked', filled(), wrongIf(thermometerProblem)),
    to: about('left', filled()),
    before: about('left', quantity('mass')),
    after: about('left', quantity('mass')),
    stamp: about('requalified', stampMonth),
    tare: about('tare-weighed', quantity('mass')),
    reason: about('retired', filled()),
    testPressure: about('described', ...marksRules.testPressure),
    reliefPressure: about('described', ...marksRules.reliefPressure),
    validYears: about('described', ...marksRules.validYears),
  },
  group: [
    between<CylinderEventFields>((fields) => ({
      testPressure: fields.what === 'described' ? testPressureProblem(fields, servicePressurePa()) : undefined,
    })),
  ],
});

const thermometerProblem = (text: string): string | undefined =>
  degreesOff(text) === undefined ? $localize`Write how many degrees it may be off, such as 1.` : undefined;

const KELVIN_IN = { F: 5 / 9, C: 1 } as const;

type Sent = { readonly kind: 'event'; readonly event: NewCylinderEvent } | { readonly kind: 'removal'; readonly removal: NewRemoval };

/** What is sent, or nothing where a field is empty or cannot be read: its sentence stands beside it. */
export function sendingOf(draft: CylinderEventDraft, cylinder: Cylinder, person: string, now: Date, atmosphere: Pascal): Sent | undefined {
  const when = readWhen(draft.when, now);
  if (when.state === 'bad') return undefined;
  const note = draft.note.trim();
  const base = { key: draft.key, happenedAt: when.instant, recordedBy: person, ...(note === '' ? {} : { note }) };
  if (draft.what === 'left') {
    const [before, after] = [readQuantity('mass', draft.before), readQuantity('mass', draft.after)];
    if (before.state !== 'good' || after.state !== 'good' || draft.to === '') return undefined;
    return {
      kind: 'removal',
      removal: {
        ...base,
        cylinder: cylinder.id,
        to: draft.to,
        sentAt: now.toISOString(),
        certain: [...draft.answered],
        grossBeforeKg: before.si,
        grossBeforeTyped: before.typed,
        grossAfterKg: after.si,
        grossAfterTyped: after.typed,
      },
    };
  }
  const event = eventOf(draft, base, cylinder, atmosphere);
  return event === undefined ? undefined : { kind: 'event', event };
}

type Base = Pick<NewCylinderEvent, 'key' | 'happenedAt' | 'recordedBy' | 'note'>;

function eventOf(draft: CylinderEventDraft, base: Base, { servicePressurePa }: Cylinder, atmosphere: Pascal): NewCylinderEvent | undefined {
  switch (draft.what) {
    case 'evacuated': {
      const vacuum = readQuantity('vacuum', draft.vacuum);
      if (vacuum.state !== 'good' || draft.gauge.trim() === '') return undefined;
      return { ...base, what: 'evacuated', pressurePa: vacuum.si, gauge: draft.gauge.trim(), typed: vacuum.typed };
    }
    case 'air-checked':
      return airCheckOf(draft, base, atmosphere);
    case 'moved':
      return { ...base, what: 'moved', place: draft.place as Cylinder['place'] }; // the field offers only these
    case 'requalified': {
      const stamp = readStamp(draft.stamp);
      return stamp.state === 'good' ? { ...base, what: 'requalified', stamp: stamp.month } : undefined;
    }
    case 'tare-weighed': {
      const tare = readQuantity('mass', draft.tare);
      return tare.state === 'good' ? { ...base, what: 'tare-weighed', tareKg: tare.si, typed: tare.typed } : undefined;
    }
    case 'relabelled':
      return { ...base, what: 'relabelled', refrigerant: draft.refrigerant, kind: draft.kind as CylinderMarks['kind'] }; // as above
    case 'described': {
      const marks = marksOf(draft, servicePressurePa);
      return marks === undefined ? undefined : { ...base, what: 'described', marks };
    }
    case 'retired':
      return draft.reason.trim() === '' ? undefined : { ...base, what: 'retired', reason: draft.reason.trim() };
    case 'left':
      return undefined; // booked in the ledger
    default:
      return draft.what satisfies never;
  }
}

/** How far the thermometer may be off, in degrees of its unit; nothing where that cannot be read. */
export function degreesOff(text: string): number | undefined {
  const degrees = Number(text.trim().replace(',', '.'));
  return degrees > 0 && degrees <= 20 ? degrees : undefined;
}

/** The readings of a check for air, SI; nothing while one is missing. */
export function airReadings({ pressure, temperature, gaugeOff, thermometerOff }: CylinderEventDraft, atmosphere: Pascal) {
  const [p, T, off] = [
    readQuantity('pressure', pressure, atmosphere),
    readQuantity('temperature', temperature),
    readQuantity('service-pressure', gaugeOff),
  ];
  const degrees = degreesOff(thermometerOff);
  if (p.state !== 'good' || T.state !== 'good' || off.state !== 'good' || degrees === undefined) return undefined;
  return { p: p.si, T: T.si, gauge: off.si, thermometer: degrees * KELVIN_IN[temperature.unit === 'C' ? 'C' : 'F'] };
}

function airCheckOf(draft: CylinderEventDraft, base: Base, atmosphere: Pascal): NewCylinderEvent | undefined {
  const readings = airReadings(draft, atmosphere);
  if (readings === undefined) return undefined;
  const { p, T, gauge, thermometer } = readings;
  return { ...base, what: 'air-checked', pressurePa: p, temperatureK: T, gaugePa: gauge, thermometerK: thermometer };
}
