import { TestBed } from '@angular/core/testing';
import type { Instrument } from '@hygromet/contract/instrument';
import { of } from 'rxjs';
import { stage } from '../../../../test/scene';
import { massEntry, pressureEntry, temperatureEntry } from '../../ui/entry-of';
import { readQuantity } from '../../ui/quantity-entry';
import { STANDARD_ATMOSPHERE } from '@hygromet/core/units/pressure';
import { lastOf } from './heard-instruments';
import { TakeReading } from './take-reading';

const now = () => new Date().toISOString();
const scale = (id: string, kg: number, at = now()): Instrument => ({
  id,
  gateway: 'van',
  facts: {},
  last: { gross: { at, value: kg } },
  heardAt: at,
});

test('the scale that was heard last is the one that is read; what is silent is not there', () => {
  const minutesAgo = (minutes: number) => new Date(Date.now() - 60_000 * minutes).toISOString();
  expect(lastOf([scale('a', 1, minutesAgo(0.2)), scale('b', 2)], 'gross')?.id).toBe('b');
  expect(lastOf([scale('a', 1, minutesAgo(5))], 'gross')).toBeUndefined();
  expect(lastOf([scale('a', 1)], 'head')).toBeUndefined();
});

test('what it shows is offered, and taken by a touch', async () => {
  stage({ serverData: { instruments$: of([scale('scale-1', 11.2)]) } });
  const fixture = TestBed.createComponent(TakeReading);
  fixture.componentRef.setInput('quantity', 'gross');
  const taken: number[] = [];
  fixture.componentInstance.taken.subscribe((value) => taken.push(value));
  await new Promise((resolve) => setTimeout(resolve, 20));
  await fixture.whenStable();
  const button = (fixture.nativeElement as HTMLElement).querySelector('button');
  expect(button?.textContent).toBe('Take 24.7 lb from scale-1');
  button?.click();
  expect(taken).toEqual([11.2]);
  fixture.destroy();
});

describe('what is taken stands in the field as if it had been typed', () => {
  test.each(['lb', 'lb-oz', 'kg'] as const)('a weight in %s', (unit) => {
    const read = readQuantity('mass', massEntry(11.2, unit));
    expect(read.state === 'good' && Math.abs(read.si - 11.2)).toBeLessThan(0.005);
  });
  test.each(['psig', 'barg', 'kPag', 'psia'] as const)('a pressure in %s', (unit) => {
    const read = readQuantity('pressure', pressureEntry(2_750_000, unit, STANDARD_ATMOSPHERE));
    expect(read.state === 'good' && Math.abs(read.si - 2_750_000)).toBeLessThan(400);
  });
  test.each(['F', 'C'] as const)('a temperature in °%s', (unit) => {
    const read = readQuantity('temperature', temperatureEntry(300.15, unit));
    expect(read.state === 'good' && Math.abs(read.si - 300.15)).toBeLessThan(0.1);
  });
});
