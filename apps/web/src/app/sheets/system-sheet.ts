import type { NewSystem, System, SystemFacts } from '@hygromet/contract/system';
import { tubeSizes } from '@hygromet/core/circuit/line-set';
import { fittedStates, optionalParts, parts, valves, valveStates } from '@hygromet/core/circuit/part';
import { partsWithVolume } from '@hygromet/core/circuit/part-volume';
import { condenserCoolings, portChoices, systemKinds } from '@hygromet/core/circuit/system-kind';
import { compressorTypes } from '@hygromet/core/planning/job-conditions';
import { newKey } from '../data/new-key';
import { partNames, systemKindNames, valveNames } from '../systems/system-labels';
import { choiceIn, quantityCell, quantityIn, textIn } from './cell';
import { CellError, type Cells, type Column, type Sheet } from './sheet';

const column = (name: string, label: string, hint: string, more: Partial<Column> = {}): Column => ({
  name,
  label,
  hint,
  required: false,
  ...more,
});
const valveColumn = (valve: string) => `${valve.replaceAll('-', '_')}_valve`;
const fittedColumn = (part: string) => `${part.replaceAll('-', '_')}_fitted`;
const tubes = tubeSizes.join(', ');

const columns: readonly Column[] = [
  column('site', 'Site', 'such as Cheese cave', { required: true }),
  column('name', 'Name', 'such as ripening cellar', { required: true }),
  column('kind', 'Kind', Object.keys(systemKindNames).join(', '), { required: true }),
  column('refrigerant', 'Refrigerant', 'such as R-410A', { required: true }),
  column('nameplate', 'Nameplate charge', '26.5 lb, 4 lb 6 oz, 12 kg, 140 g', { required: true, quantity: 'charge' }),
  column('compressor', 'Compressor', compressorTypes.join(', ')),
  column('ports', 'Ports', portChoices.join(', ')),
  ...optionalParts.map((part) => column(fittedColumn(part), `${partNames[part]} fitted`, fittedStates.join(', '))),
  column('condenser_cooling', 'Condenser cooling', condenserCoolings.join(', ')),
  ...valves.map((valve) => column(valveColumn(valve), valveNames[valve], valveStates.join(', '))),
  ...partsWithVolume.flatMap((part) => [
    column(`${part}_volume`, `${partNames[part]} volume`, '8.5 L', { quantity: 'volume' }),
    column(`${part}_known`, `${partNames[part]} volume is`, 'plate, measured'),
  ]),
  column('line_length', 'Line set, length', '46 ft, 14 m', { quantity: 'length' }),
  column('line_covered', 'Line length included in factory charge', '25 ft', { quantity: 'length' }),
  column('liquid_line', 'Liquid line, in', tubes),
  column('suction_line', 'Suction line, in', tubes),
  column('indoor_units', 'Indoor units', 'of a multi-split'),
  column('low_switch', 'Low-pressure switch', 'fitted, none'),
  column('low_switch_opens', 'Low-pressure switch opens at', '25 psig', { quantity: 'service-pressure' }),
  column('high_switch_opens', 'High-pressure switch opens at', '410 psig', { quantity: 'service-pressure' }),
  column('limits', 'What components bear', 'suction sensor @ suction-line = 150 psig; …'),
  column('written', 'Notes for the next technician', ''),
];

export const systemSheet: Sheet<NewSystem, System> = {
  what: 'systems',
  one: 'system',
  columns,
  write: ({ site, name, kind, refrigerant, nameplateKg, nameplateTyped, facts }) => ({
    site,
    name,
    kind,
    refrigerant,
    nameplate: quantityCell(nameplateKg, nameplateTyped, 'kg'),
    ...factCells(facts),
  }),
  read: (cells) => {
    const nameplate = quantityIn(cells, 'nameplate', 'charge');
    if (nameplate === undefined) throw new CellError('nameplate', 'The nameplate charge is missing.');
    const kind = choiceIn(cells, 'kind', systemKinds);
    if (kind === undefined) throw new CellError('kind', 'The kind is missing.');
    return {
      key: newKey(),
      site: textIn(cells, 'site', 'site'),
      name: textIn(cells, 'name', 'name'),
      kind,
      refrigerant: textIn(cells, 'refrigerant', 'refrigerant'),
      nameplateKg: nameplate.si,
      nameplateTyped: nameplate.typed,
      facts: factsIn(cells),
    };
  },
};

function factCells(facts: SystemFacts): Cells {
  const { lineSet, switches, limits = [] } = facts;
  return {
    compressor: facts.compressor ?? '',
    ports: facts.ports ?? '',
    ...Object.fromEntries(optionalParts.map((part) => [fittedColumn(part), facts.fitted?.[part] ?? ''])),
    condenser_cooling: facts.condenserCooling ?? '',
    ...Object.fromEntries(valves.map((valve) => [valveColumn(valve), facts.valves?.[valve] ?? ''])),
    ...Object.fromEntries(
      partsWithVolume.flatMap((part) => {
        const current = facts.volumes?.[part];
        return [
          [`${part}_volume`, quantityCell(current?.m3, current?.typed, 'L', 1000)],
          [`${part}_known`, current?.known ?? ''],
        ];
      }),
    ),
    line_length: quantityCell(lineSet?.lengthM, undefined, 'm'),
    line_covered: quantityCell(lineSet?.coveredM, undefined, 'm'),
    liquid_line: lineSet?.liquid ?? '',
    suction_line: lineSet?.suction ?? '',
    indoor_units: String(facts.indoorUnits ?? ''),
    low_switch: switches?.low ?? '',
    low_switch_opens: quantityCell(switches?.lowOpensPa, switches?.lowTyped, 'barg', 1e-5),
    high_switch_opens: quantityCell(switches?.highOpensPa, switches?.highTyped, 'barg', 1e-5),
    limits: limits.map(({ what, part, gaugePa, typed }) => `${what} @ ${part} = ${quantityCell(gaugePa, typed, 'barg', 1e-5)}`).join('; '),
    written: facts.written ?? '',
  };
}

function factsIn(cells: Cells): SystemFacts {
  const low = quantityIn(cells, 'low_switch_opens', 'service-pressure');
  const high = quantityIn(cells, 'high_switch_opens', 'service-pressure');
  const lowSwitch = choiceIn(cells, 'low_switch', ['fitted', 'none']);
  const written = (cells['written'] ?? '').trim();
  const [compressor, ports] = [choiceIn(cells, 'compressor', compressorTypes), choiceIn(cells, 'ports', portChoices)];
  const switches = {
    ...(lowSwitch === undefined ? {} : { low: lowSwitch }),
    ...(low === undefined ? {} : { lowOpensPa: low.si, lowTyped: low.typed }),
    ...(high === undefined ? {} : { highOpensPa: high.si, highTyped: high.typed }),
  };
  const limits = limitsIn(cells);
  const condenserCooling = choiceIn(cells, 'condenser_cooling', condenserCoolings);
  const lineSet = lineSetIn(cells);
  return {
    ...(compressor === undefined ? {} : { compressor }),
    ...(ports === undefined ? {} : { ports }),
    ...filled('valves', Object.fromEntries(valveEntries(cells))),
    ...filled('fitted', Object.fromEntries(fittedEntries(cells))),
    ...(condenserCooling === undefined ? {} : { condenserCooling }),
    ...filled('volumes', Object.fromEntries(partsWithVolume.flatMap((part) => volumeIn(cells, part)))),
    ...(lineSet === undefined ? {} : { lineSet }),
    ...filled('switches', switches),
    ...((cells['indoor_units'] ?? '').trim() === '' ? {} : { indoorUnits: Number(cells['indoor_units']) }),
    ...(limits.length === 0 ? {} : { limits }),
    ...(written === '' ? {} : { written }),
  };
}

const filled = (name: string, value: object) => (Object.keys(value).length === 0 ? {} : { [name]: value });

const fittedEntries = (cells: Cells) =>
  optionalParts.flatMap((part) => {
    const state = choiceIn(cells, fittedColumn(part), fittedStates);
    return state === undefined ? [] : [[part, state] as const];
  });

const valveEntries = (cells: Cells) =>
  valves.flatMap((valve) => {
    const state = choiceIn(cells, valveColumn(valve), valveStates);
    return state === undefined ? [] : [[valve, state] as const];
  });

function volumeIn(cells: Cells, part: (typeof partsWithVolume)[number]) {
  const volume = quantityIn(cells, `${part}_volume`, 'volume');
  if (volume === undefined) return [];
  return [
    [part, { m3: volume.si, known: choiceIn(cells, `${part}_known`, ['plate', 'measured']) ?? 'plate', typed: volume.typed }] as const,
  ];
}

function lineSetIn(cells: Cells): SystemFacts['lineSet'] {
  const length = quantityIn(cells, 'line_length', 'length');
  if (length === undefined) return undefined;
  return {
    lengthM: length.si,
    coveredM: quantityIn(cells, 'line_covered', 'length')?.si ?? 0,
    liquid: choiceIn(cells, 'liquid_line', tubeSizes) ?? '3/8',
    suction: choiceIn(cells, 'suction_line', tubeSizes) ?? '3/4',
  };
}

const LIMIT = /^(.+?)\s*@\s*([\w-]+)\s*=\s*(.+)$/;

function limitsIn(cells: Cells): NonNullable<SystemFacts['limits']> {
  const entries = (cells['limits'] ?? '').split(';').map((entry) => entry.trim());
  return entries
    .filter((entry) => entry !== '')
    .map((entry) => {
      const [, what, part, pressure] = LIMIT.exec(entry) ?? [];
      if (what === undefined || part === undefined || pressure === undefined)
        throw new CellError('limits', `"${entry}" is not written as: suction sensor @ suction-line = 150 psig.`);
      const gauge = quantityIn({ limits: pressure }, 'limits', 'service-pressure');
      const sits = choiceIn({ limits: part }, 'limits', parts);
      if (gauge === undefined || sits === undefined) throw new CellError('limits', `"${entry}" has no pressure.`);
      return { what, part: sits, gaugePa: gauge.si, typed: gauge.typed };
    });
}
