import { valves } from '@hygromet/core/circuit/part';
import { kindOf, partsOf, valveStateOf, type CircuitRecord } from '@hygromet/core/circuit/system-kind';
import { cooledByNames, partNames, portNames, valveNames } from './system-labels';

/** What of a circuit decides and can be seen from outside: its valves, its receiver, its ports, and what cools its condenser. */
export function makeUpText(record: CircuitRecord): string {
  const { kind, ports, condenserCooling, indoorUnits = 1 } = record;
  const present = partsOf(record);
  const found = valves.filter((valve) => valveStateOf(valve, record) !== 'none').map((valve) => valveNames[valve].toLowerCase());
  const parts = (['reversing-valve', 'receiver', 'solenoid', 'accumulator'] as const).map((part) =>
    present.includes(part) ? partNames[part].toLowerCase() : $localize`no ${partNames[part].toLowerCase()}`,
  );
  const cooling = condenserCooling ?? (kindOf(kind).water.includes('condenser') ? 'water' : 'air');
  return [
    capital(found.length === 0 ? $localize`no service valves` : found.join(', ')),
    ...parts,
    $localize`ports: ${portNames[ports ?? kindOf(kind).ports]}`,
    $localize`${cooledByNames[cooling]} condenser`,
    ...(kind === 'multi-split' ? [$localize`${indoorUnits} indoor ${indoorUnits === 1 ? $localize`unit` : $localize`units`}`] : []),
  ]
    .join(' · ')
    .concat('.');
}

const capital = (text: string): string => `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}`;
