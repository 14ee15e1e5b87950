import type { CylinderMarks } from '@hygromet/contract/cylinder';
import { TEST_ABOVE_SERVICE } from '@hygromet/contract/test-above-service';
import { pressureDifferenceIn } from '@hygromet/core/units/pressure';
import { testedAbove } from '@hygromet/core/cylinder/test-pressure';
import type { Preferences } from '../preferences/preferences';
import { quantity, wrongIf } from '../forms/validators';
import { emptyEntry, readQuantity, type QuantityEntry } from '../ui/quantity-entry';

/** What a collar tells beside capacity, tare and service pressure, and what the cylinder is used for, as it is typed. */
export interface MarksDraft {
  readonly kind: string;
  readonly owner: string;
  readonly flammableRated: boolean;
  readonly ports: string;
  readonly thread: string;
  readonly testPressure: QuantityEntry;
  readonly reliefPressure: QuantityEntry;
  /** Whose rules it was built by; empty while nobody has recorded it. */
  readonly stampedBy: string;
  readonly validYears: string;
  /** What hardly stands on a collar was read again. */
  readonly confirmed: boolean;
}

export function marksDraft(marks: CylinderMarks, { pressure }: Preferences): MarksDraft {
  const gauge = pressure === 'psig' ? 'psig' : 'barg';
  const pressureEntry = (pa: number | undefined): QuantityEntry => ({
    ...emptyEntry(gauge),
    text: pa === undefined ? '' : String(Math.round(pressureDifferenceIn(pa, gauge) * 10) / 10),
  });
  return {
    kind: marks.kind,
    owner: marks.owner ?? '',
    flammableRated: marks.flammableRated,
    ports: marks.ports,
    thread: marks.thread ?? '',
    testPressure: pressureEntry(marks.testPressurePa),
    reliefPressure: pressureEntry(marks.reliefPressurePa),
    stampedBy: marks.stamp ?? '',
    validYears: String(marks.validYears),
    confirmed: marks.confirmed === true,
  };
}

const wholeYears = (validYears: string): string | undefined =>
  /^\s*([1-9]|1[0-5])\s*$/.test(validYears) ? undefined : $localize`Whole years, from 1 to 15.`;

/** A cylinder is tested above the pressure it serves at. */
export function testPressureProblem({ testPressure }: MarksDraft, servicePressurePa: number | undefined): string | undefined {
  const test = readQuantity('service-pressure', testPressure);
  if (test.state !== 'good' || servicePressurePa === undefined || testedAbove(test.si, servicePressurePa)) return undefined;
  return TEST_ABOVE_SERVICE;
}

/** The rules of its fields; that the test pressure is above the service pressure holds between two of them. */
export const marksRules = {
  testPressure: [quantity('service-pressure', { optional: true })],
  reliefPressure: [quantity('service-pressure', { optional: true })],
  validYears: [wrongIf(wholeYears)],
} as const;

/** What is sent; nothing while a field cannot be read. */
export function marksOf(draft: MarksDraft, servicePressurePa: number | undefined): CylinderMarks | undefined {
  const test = readQuantity('service-pressure', draft.testPressure);
  const relief = readQuantity('service-pressure', draft.reliefPressure);
  if (
    test.state === 'bad' ||
    relief.state === 'bad' ||
    wholeYears(draft.validYears) !== undefined ||
    testPressureProblem(draft, servicePressurePa) !== undefined
  )
    return undefined;
  const [owner, thread] = [draft.owner.trim(), draft.thread.trim()];
  return {
    kind: draft.kind as CylinderMarks['kind'], // the field offers only these
    flammableRated: draft.flammableRated,
    ports: draft.ports === 'one' ? 'one' : 'liquid-and-vapour',
    validYears: Number(draft.validYears),
    ...(draft.confirmed ? { confirmed: true } : {}),
    ...(owner === '' ? {} : { owner }),
    ...(thread === '' ? {} : { thread }),
    ...(test.state === 'good' ? { testPressurePa: test.si } : {}),
    ...(relief.state === 'good' ? { reliefPressurePa: relief.si } : {}),
    ...(draft.stampedBy === 'us' || draft.stampedBy === 'un' ? { stamp: draft.stampedBy } : {}),
  };
}
