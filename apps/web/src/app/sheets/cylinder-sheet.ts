import type { Cylinder, CylinderMarks, NewCylinder } from '@hygromet/contract/cylinder';
import { usualMarks } from '@hygromet/contract/usual-marks';
import { places } from '@hygromet/contract/places';
import { cylinderKinds } from '@hygromet/core/cylinder/cylinder-kind';
import { newKey } from '../data/new-key';
import { readStamp } from '../cylinders/stamp-month';
import { choiceIn, quantityCell, quantityIn, textIn } from './cell';
import { CellError, type Cells, type Column, type Sheet } from './sheet';

const column = (name: string, label: string, hint: string, more: Partial<Column> = {}): Column => ({
  name,
  label,
  hint,
  required: false,
  ...more,
});

const columns: readonly Column[] = [
  column('number', 'Number', 'such as C-07', { required: true }),
  column('water_capacity', 'Water capacity', '47.7 lb-water, 21.6 L', { required: true, quantity: 'volume' }),
  column('tare', 'Tare', '27.7 lb, 12.6 kg', { required: true, quantity: 'mass' }),
  column('service_pressure', 'Service pressure', '400 psig', { required: true, quantity: 'service-pressure' }),
  column('requalified', 'Stamp', '11-21, 2021-11', { required: true }),
  column('place', 'Place', places.join(', ')),
  column('refrigerant', 'Refrigerant', 'empty: empty and evacuated'),
  column('gross', 'Gross weight', 'what the scale shows, 31.4 lb', { quantity: 'mass' }),
  column('kind', 'Kind', cylinderKinds.join(', ')),
  column('owner', 'Owner', 'customer whose refrigerant it is reserved for'),
  column('flammable_rated', 'Rated for flammables', 'yes, no'),
  column('ports', 'Ports', 'liquid-and-vapour, one'),
  column('thread', 'Thread', ''),
  column('test_pressure', 'Test pressure', '800 psig', { quantity: 'service-pressure' }),
  column('valid_years', 'Years between requalifications', '5'),
  column('confirmed', 'Unusual collar data read again', 'yes, no'),
];

export const cylinderSheet: Sheet<NewCylinder, Cylinder> = {
  what: 'cylinders',
  one: 'cylinder',
  columns,
  write: (entry) => ({
    number: entry.name,
    water_capacity: quantityCell(entry.volumeM3, entry.volumeTyped, 'L', 1000),
    tare: quantityCell(entry.tareKg, entry.tareTyped, 'kg'),
    service_pressure: quantityCell(entry.servicePressurePa, entry.serviceTyped, 'barg', 1e-5),
    requalified: entry.requalified,
    place: entry.place,
    refrigerant: entry.contentKg > 0 ? (entry.refrigerant ?? '') : '',
    gross: entry.contentKg > 0 ? quantityCell(entry.tareKg + entry.contentKg, null, 'kg') : '',
    kind: entry.marks.kind,
    owner: entry.marks.owner ?? '',
    flammable_rated: entry.marks.flammableRated ? 'yes' : 'no',
    ports: entry.marks.ports,
    thread: entry.marks.thread ?? '',
    test_pressure: quantityCell(entry.marks.testPressurePa, null, 'barg', 1e-5),
    valid_years: String(entry.marks.validYears),
    confirmed: entry.marks.confirmed === true ? 'yes' : '',
  }),
  read: (cells) => {
    const volume = needed(quantityIn(cells, 'water_capacity', 'volume'), 'water_capacity', 'water capacity');
    const tare = needed(quantityIn(cells, 'tare', 'mass'), 'tare', 'tare');
    const service = needed(quantityIn(cells, 'service_pressure', 'service-pressure'), 'service_pressure', 'service pressure');
    const gross = quantityIn(cells, 'gross', 'mass');
    const refrigerant = (cells['refrigerant'] ?? '').trim();
    return {
      key: newKey(),
      name: textIn(cells, 'number', 'number'),
      volumeM3: volume.si,
      volumeTyped: volume.typed,
      tareKg: tare.si,
      tareTyped: tare.typed,
      servicePressurePa: service.si,
      serviceTyped: service.typed,
      requalified: stampIn(cells),
      place: choiceIn(cells, 'place', places) ?? 'workshop',
      ...(refrigerant === '' ? {} : { refrigerant }),
      ...(gross === undefined ? {} : { grossKg: gross.si, grossTyped: gross.typed }),
      marks: marksIn(cells),
    };
  },
};

function needed<T>(value: T | undefined, name: string, what: string): T {
  if (value === undefined) throw new CellError(name, `The ${what} is missing.`);
  return value;
}

/** As our own files have it. */
const YEAR_FIRST = /^\d{4}-(0[1-9]|1[0-2])$/;

function stampIn(cells: Cells): string {
  const text = textIn(cells, 'requalified', 'stamp');
  if (YEAR_FIRST.test(text)) return text;
  const stamp = readStamp(text);
  if (stamp.state !== 'good') throw new CellError('requalified', stamp.state === 'bad' ? stamp.sentence : 'The stamp is missing.');
  return stamp.month;
}

function marksIn(cells: Cells): CylinderMarks {
  const [owner, thread] = [(cells['owner'] ?? '').trim(), (cells['thread'] ?? '').trim()];
  const test = quantityIn(cells, 'test_pressure', 'service-pressure');
  const years = (cells['valid_years'] ?? '').trim();
  return {
    kind: choiceIn(cells, 'kind', cylinderKinds) ?? usualMarks.kind,
    flammableRated: choiceIn(cells, 'flammable_rated', ['yes', 'no']) === 'yes',
    ports: choiceIn(cells, 'ports', ['liquid-and-vapour', 'one']) ?? usualMarks.ports,
    validYears: years === '' ? usualMarks.validYears : Number(years),
    ...(owner === '' ? {} : { owner }),
    ...(thread === '' ? {} : { thread }),
    ...(test === undefined ? {} : { testPressurePa: test.si }),
    ...(choiceIn(cells, 'confirmed', ['yes', 'no']) === 'yes' ? { confirmed: true } : {}),
  };
}

/** As the contract has it, for a file of records; what is in it comes along as what the scale should show. */
export const recordOf = (entry: Cylinder) => ({
  name: entry.name,
  volumeM3: entry.volumeM3,
  ...(entry.volumeTyped === null ? {} : { volumeTyped: entry.volumeTyped }),
  tareKg: entry.tareKg,
  ...(entry.tareTyped === null ? {} : { tareTyped: entry.tareTyped }),
  servicePressurePa: entry.servicePressurePa,
  ...(entry.serviceTyped === null ? {} : { serviceTyped: entry.serviceTyped }),
  requalified: entry.requalified,
  place: entry.place,
  ...(entry.contentKg > 0 && entry.refrigerant !== null ? { refrigerant: entry.refrigerant, grossKg: entry.tareKg + entry.contentKg } : {}),
  marks: entry.marks,
});
