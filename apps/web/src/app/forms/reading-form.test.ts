import { Injector, runInInjectionContext } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { stage } from '../../../test/scene';
import { readingForm } from './reading-form';

const open = () =>
  runInInjectionContext(TestBed.inject(Injector), () =>
    readingForm('gauge', { gross: 'mass', suction: 'pressure', air: 'temperature', vacuum: 'vacuum' }),
  );

describe('readings that are taken again and again', () => {
  test('what is typed is read in SI, each by its kind and from the site’s own atmosphere', () => {
    stage();
    const { form, read } = open();
    form.controls.suction.setValue({ text: '0', unit: 'psig', ounces: '' });
    form.controls.air.setValue({ text: '32', unit: 'F', ounces: '' });
    TestBed.tick();
    expect(read().air).toMatchObject({ state: 'good', si: 273.15 });
    expect(read().suction).toMatchObject({ state: 'good' });
    expect(read().gross.state).toBe('empty');
  });

  test.each([
    ['gross', 20.5, 'lb', 0.005],
    ['suction', 340_000, 'psig', 400],
    ['air', 299.3, 'F', 0.06],
    ['vacuum', 53.3, 'micron', 0.07],
  ] as const)('what an instrument shows of %s is typed in the unit that stands there, and read as it was', (field, si, unit, within) => {
    stage();
    const { read, take, value } = open();
    take(field, si);
    TestBed.tick();
    expect(value()[field].unit).toBe(unit);
    const reading = read()[field];
    expect(Math.abs((reading.state === 'good' ? reading.si : Infinity) - si)).toBeLessThan(within);
  });

  test('once added it is empty and keeps its unit; the others stay', () => {
    stage();
    const { form, value, empty } = open();
    form.controls.suction.setValue({ text: '5', unit: 'barg', ounces: '' });
    form.controls.air.setValue({ text: '20', unit: 'C', ounces: '' });
    empty('suction');
    TestBed.tick();
    expect(value().suction).toEqual({ text: '', unit: 'barg', ounces: '' });
    expect(value().air.text).toBe('20');
  });

  test('what was typed and not added is found again', () => {
    stage();
    open().form.controls.gross.setValue({ text: '31.2', unit: 'lb', ounces: '' });
    TestBed.tick();
    expect(open().value().gross.text).toBe('31.2');
  });

  test('what cannot be read is told by its field', () => {
    stage();
    const { form } = open();
    form.controls.gross.setValue({ text: 'x', unit: 'lb', ounces: '' });
    expect(form.controls.gross.errors).toEqual({ unreadable: expect.stringContaining('"x" is not a number') });
    expect(form.controls.air.errors).toBeNull();
  });
});
