import type { Run } from '@hygromet/contract/visit-record';
import type { CsvRow } from '../../ui/csv';

/** One reading of a running unit as a row, SI. */
export const runRows = ({ at, by, unit, conditions, readings, settled, good, advice, chargeShare, coreVersion }: Run): CsvRow => ({
  time: at,
  by,
  kind: unit.kind,
  metering: unit.metering,
  capacity_W: unit.capacityW,
  plate_kg: unit.plateKg,
  outdoor_K: conditions.outdoorK,
  indoor_K: conditions.indoorK,
  indoor_wet_bulb_K: conditions.indoorWetBulbK ?? null,
  rain: String(conditions.rain ?? false),
  ...Object.fromEntries(Object.entries<number | undefined>(readings).map(([name, value]) => [name, value ?? null])),
  settled: String(settled),
  charged_by_weight_and_well: String(good),
  advice,
  charge_share: chargeShare,
  core: coreVersion,
});

/** The same as SenML (RFC 8428), names under the visit. */
export function runSenml(visit: string, { at, conditions, readings }: Run): readonly object[] {
  const values = { outdoorK: conditions.outdoorK, indoorK: conditions.indoorK, indoorWetBulbK: conditions.indoorWetBulbK, ...readings };
  const records = Object.entries(values).flatMap(([n, v]) =>
    v === undefined ? [] : [{ n, u: n.endsWith('Pa') ? 'Pa' : n.endsWith('W') ? 'W' : 'K', v }],
  );
  return records.map((record, k) => (k === 0 ? { bn: `urn:uuid:${visit}:`, bt: Date.parse(at) / 1000, ...record } : record));
}
