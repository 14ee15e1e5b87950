import type { VisitTransfer } from '@hygromet/contract/visit-transfer';
import type { CsvRow } from '../../ui/csv';
import { saveCsv, saveJson } from '../../ui/save-file';

/** The trace of a transfer as rows, SI, seconds since it began. */
export const traceRows = ({ ended }: VisitTransfer): readonly CsvRow[] => {
  const trace = ended?.finish.trace;
  return trace === undefined
    ? []
    : trace.t.map((t, k) => ({
        seconds: t,
        grossKg: trace.grossKg[k] ?? null,
        suctionPa: trace.suctionPa[k] ?? null,
        headPa: trace.headPa[k] ?? null,
      }));
};

/** The same as SenML (RFC 8428); names under the id of the transfer. */
export function traceSenml({ id, begunAt, ended }: VisitTransfer): readonly object[] {
  const trace = ended?.finish.trace;
  if (trace === undefined) return [];
  const of = (n: string, u: string, values: readonly (number | null)[]) =>
    values.flatMap((v, k) => (v === null ? [] : [{ n, u, t: trace.t[k]!, v }]));
  const records = [...of('gross', 'kg', trace.grossKg), ...of('suction', 'Pa', trace.suctionPa), ...of('head', 'Pa', trace.headPa)];
  const base = { bn: `urn:uuid:${id}:`, bt: Date.parse(begunAt) / 1000 };
  return records.map((record, k) => (k === 0 ? { ...base, ...record } : record));
}

/** Gives the person the trace as a file, named by the day. */
export function saveTrace(transfer: VisitTransfer, as: 'csv' | 'senml'): void {
  const name = `transfer-${transfer.begunAt.slice(0, 10)}`;
  if (as === 'csv') saveCsv(`${name}.csv`, traceRows(transfer));
  else saveJson(`${name}.senml.json`, traceSenml(transfer));
}
