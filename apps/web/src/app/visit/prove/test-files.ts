import type { VisitTest } from '@hygromet/contract/visit-test';
import type { CsvRow } from '../../ui/csv';

/** One reading as a row: SI but for what a column says. */
interface Row {
  readonly at: string;
  readonly by: string;
  readonly values: Readonly<Record<string, number | string>>;
}

const rowsOf = (test: VisitTest): readonly Row[] => test.readings.map(({ at, by, reading }) => ({ at, by, values: valuesOf(reading) }));

function valuesOf(reading: VisitTest['readings'][number]['reading']): Row['values'] {
  if ('isolated' in reading) return { isolated: reading.isolated, micron: reading.micron };
  if ('micron' in reading) return { micron: reading.micron };
  if ('shutInPa' in reading) return { absolutePa: reading.shutInPa };
  if ('suctionPa' in reading) return { suctionPa: reading.suctionPa, ...(reading.headPa === undefined ? {} : { headPa: reading.headPa }) };
  const { gaugePa, airK, pipeK } = reading;
  return { gaugePa, airK, ...(pipeK === undefined ? {} : { pipeK }) };
}

/** Readings of a test as rows of a table. */
export function testRows(test: VisitTest): readonly CsvRow[] {
  const rows = rowsOf(test);
  const names = [...new Set(rows.flatMap(({ values }) => Object.keys(values)))];
  return rows.map(({ at, by, values }) => ({ time: at, by, ...Object.fromEntries(names.map((name) => [name, values[name] ?? null])) }));
}

const SENML_UNITS: Readonly<Record<string, string>> = {
  gaugePa: 'Pa',
  absolutePa: 'Pa',
  suctionPa: 'Pa',
  headPa: 'Pa',
  airK: 'K',
  pipeK: 'K',
  micron: 'micron',
};

/** Readings of a test as SenML (RFC 8428), names under the id of the test. */
export function testSenml(test: VisitTest): readonly object[] {
  const base = { bn: `urn:uuid:${test.id}:`, bt: Date.parse(test.begunAt) / 1000 };
  const records = rowsOf(test).flatMap(({ at, values }) =>
    Object.entries(values).map(([n, value]) => ({
      n,
      t: (Date.parse(at) - Date.parse(test.begunAt)) / 1000,
      ...(typeof value === 'number' ? { u: SENML_UNITS[n], v: value } : { vs: value }),
    })),
  );
  return records.map((record, k) => (k === 0 ? { ...base, ...record } : record));
}
