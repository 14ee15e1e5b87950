import type { SystemFacts } from '@hygromet/contract/system';
import { lengthIn } from '@hygromet/core/units/length';
import { emptyEntry, readQuantity, type QuantityEntry } from '../ui/quantity-entry';

/** The facts of a circuit as they are typed. An empty choice is "as usual for its kind". */
export interface FactsDraft {
  readonly compressor: string;
  readonly ports: string;
  readonly valves: Readonly<Record<string, string>>;
  readonly condenser: QuantityEntry;
  readonly receiver: QuantityEntry;
  readonly length: QuantityEntry;
  readonly covered: QuantityEntry;
  readonly liquid: string;
  readonly suction: string;
  readonly written: string;
}

const litres = (volume: { readonly m3: number } | undefined): QuantityEntry => ({
  ...emptyEntry('L'),
  text: volume === undefined ? '' : String(Number((volume.m3 * 1000).toPrecision(6))),
});

/** What is stored, as it would be typed. */
export function draftOf(facts: SystemFacts, metric: boolean): FactsDraft {
  const unit = metric ? 'm' : 'ft';
  const length = (metres: number | undefined): QuantityEntry => ({
    ...emptyEntry(unit),
    text: metres === undefined ? '' : String(Number(lengthIn(metres, unit).toFixed(2))),
  });
  return {
    compressor: facts.compressor ?? '',
    ports: facts.ports ?? '',
    valves: { ...facts.valves },
    condenser: litres(facts.volumes?.condenser),
    receiver: litres(facts.volumes?.receiver),
    length: length(facts.lineSet?.lengthM),
    covered: length(facts.lineSet?.coveredM),
    liquid: facts.lineSet?.liquid ?? '3/8',
    suction: facts.lineSet?.suction ?? '3/4',
    written: facts.written ?? '',
  };
}

/** The facts to be stored, or nothing where a field cannot be read: its sentence stands beside it. */
export function factsOf(draft: FactsDraft): SystemFacts | undefined {
  const [condenser, receiver] = [readQuantity('volume', draft.condenser), readQuantity('volume', draft.receiver)];
  const [length, covered] = [readQuantity('length', draft.length), readQuantity('length', draft.covered)];
  if ([condenser, receiver, length, covered].some(({ state }) => state === 'bad')) return undefined;
  const volume = (reading: typeof condenser) =>
    reading.state === 'good' ? { m3: reading.si, known: 'plate' as const, typed: reading.typed } : undefined;
  const volumes = Object.fromEntries(
    Object.entries({ condenser: volume(condenser), receiver: volume(receiver) }).filter(([, own]) => own !== undefined),
  );
  const valves = Object.fromEntries(Object.entries(draft.valves).filter(([, state]) => state !== ''));
  // the fields offer only what the contract knows, and the server checks it again
  return {
    ...(draft.compressor === '' ? {} : { compressor: draft.compressor }),
    ...(draft.ports === '' ? {} : { ports: draft.ports }),
    ...(Object.keys(valves).length === 0 ? {} : { valves }),
    ...(Object.keys(volumes).length === 0 ? {} : { volumes }),
    ...(length.state !== 'good'
      ? {}
      : {
          lineSet: {
            lengthM: length.si,
            coveredM: covered.state === 'good' ? covered.si : 0,
            liquid: draft.liquid,
            suction: draft.suction,
          },
        }),
    ...(draft.written.trim() === '' ? {} : { written: draft.written.trim() }),
  } as SystemFacts;
}
