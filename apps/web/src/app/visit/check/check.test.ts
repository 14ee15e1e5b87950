import { TestBed } from '@angular/core/testing';
import { plateOf } from '@hygromet/contract/unit-of-system';
import type { Run } from '@hygromet/contract/visit-record';
import { designOf } from '@hygromet/core/cycle/cycle-design';
import { noFaults, type Conditions, type Faults } from '@hygromet/core/cycle/conditions';
import { readingsOf } from '@hygromet/core/cycle/cycle-readings';
import { solveCycle } from '@hygromet/core/cycle/cycle-solve';
import { sceneOf } from '@hygromet/core/cycle/cycle-state';
import { lineSetOf } from '@hygromet/contract/plan-facts';
import { usualLiquidLine } from '@hygromet/core/charge/charge-target';
import { lineCorrection } from '@hygromet/core/circuit/line-set';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { bubblePoint } from '@hygromet/core/thermo/saturation';
import { pascal } from '@hygromet/core/units/quantity';
import { temperatureFrom, temperatureIn } from '@hygromet/core/units/temperature';
import { PDFDocument } from 'pdf-lib';
import { NEVER, of, throwError } from 'rxjs';
import { aSystem, aVisit } from '../../../../test/scene';
import { open } from '../../../../test/visit-scene';
import { CoreWorker } from '../../core-worker/core-worker.service';
import type { RunningArgs } from '../../core-worker/running-operations';
import { ApiError } from '../../data/api-error';
import { chargeLabelPdf } from './charge-label-pdf';
import { emptyCheck, readCheck, typedUnits, type CheckDraft } from './check-draft';
import { runRows, runSenml } from './run-files';

const F = (value: number) => temperatureFrom(value, 'F');
const ATMOSPHERE = pascal(101_325);
const units = typedUnits(1 / 1.8, false);
const split = aSystem({ kind: 'split', nameplateKg: 3.2, contentKg: 3.2 });
const today: Conditions = { outdoorK: F(88), indoorK: F(76), indoorWetBulbK: F(64) };

/** What a model unit of this system reads, as a person types it. */
function typedFrom(more: Partial<Faults> = {}): Record<string, string> {
  const faults = { ...noFaults, ...more };
  const unit = designOf({
    composition: refrigerant('R-410A').composition,
    kind: 'split',
    metering: 'txv',
    capacityW: 3300 * 3.2,
    plateKg: 3.2,
  });
  const solved = solveCycle(unit, today, faults);
  if (solved.state === 'not') throw new Error(solved.why);
  const readings = readingsOf(sceneOf(unit, today, faults), solved.cycle);
  const psig = (p: number) => ((p - 101_325) / 6894.757).toFixed(1);
  const fahrenheit = (K: number) => temperatureIn(K, 'F').toFixed(1);
  return {
    'Head, at the liquid port': psig(readings.head),
    Suction: psig(readings.suction),
    'Suction line': fahrenheit(readings.suctionLine),
    'Liquid line': fahrenheit(readings.liquidLine),
    'Supply air': fahrenheit(readings.supply),
    Outdoors: '88',
    'Return air': '76',
    'Return air, wet bulb': '64',
  };
}

describe('what is typed', () => {
  const draft = (more: Partial<CheckDraft> = {}): CheckDraft => ({ ...emptyCheck('psig', 'F'), ...more });
  const entry = (text: string, unit = 'psig') => ({ unit, text, ounces: '' });

  test('an empty page asks for nothing and says nothing of it', () => {
    expect(readCheck(draft(), ATMOSPHERE, units)).toEqual({
      conditions: undefined,
      readings: {},
      metering: undefined,
      capacityW: undefined,
      plateSubcoolingK: undefined,
      settled: false,
      problems: {},
    });
  });

  test('a reading becomes SI, absolute; what cannot be read has its sentence at its field', () => {
    const typed = draft({
      readings: { ...draft().readings, head: entry('250'), suction: entry('about 60') },
      capacity: '3',
      subcooling: '9',
      minutes: '20',
    });
    const read = readCheck(typed, ATMOSPHERE, units);
    expect(read.readings['head']).toBeCloseTo(101_325 + 250 * 6894.757, 0);
    expect(Object.keys(read.problems)).toEqual(['suction']);
    expect([read.capacityW, read.plateSubcoolingK, read.settled]).toEqual([expect.closeTo(10_551, 0), 5, true]);
  });

  test('who works in metric units types kilowatts, kelvins and kilopascals', () => {
    const metric = typedUnits(1, true);
    const read = readCheck(draft({ capacity: '10,5', subcooling: '5', zeros: { head: '2', suction: '' } }), ATMOSPHERE, metric);
    expect([read.capacityW, read.plateSubcoolingK, read.readings['headZero']]).toEqual([10_500, 5, 2000]);
  });

  test.each([['0'], ['-2']])('a capacity of %s is none', (capacity) => {
    expect(readCheck(draft({ capacity }), ATMOSPHERE, units).problems).toHaveProperty('capacity');
  });
});

test('a receiver of the record, or the usual one, makes a unit whose charge no pressure tells', () => {
  const read = readCheck({ ...emptyCheck('psig', 'F'), metering: 'txv' }, ATMOSPHERE, units);
  const { composition } = refrigerant('R-448A');
  expect(plateOf(aSystem({ kind: 'walk-in' }), composition, 0, read)?.receiverM3).toBeGreaterThan(0);
  expect(plateOf(split, composition, 0.3, read)).toMatchObject({ plateKg: 3.5, receiverM3: undefined, kind: 'split' });
  expect(plateOf(split, composition, 0, { ...read, metering: undefined })).toBeUndefined();
  expect(plateOf(aSystem({ kind: 'geothermal' }), composition, 0, read)).toBeUndefined();
  expect(plateOf(aSystem({ kind: 'rack' }), composition, 0, read)?.kind).toBe('walk-in');
});

describe('the stage', () => {
  const check = async (fields: Record<string, string>, more: Record<string, unknown> = {}) => {
    const current = await open('check', {}, { system$: () => of(split), ...more });
    await current.type('Metering device', 'txv');
    for (const [label, value] of Object.entries({ 'Running for, min': '20', ...fields })) await current.type(label, value);
    return current;
  };

  test('asks for the metering device, then for the readings', async () => {
    const { text, type } = await open('check', {}, { system$: () => of(split) });
    expect(text()).toContain('Which metering device does it have?');
    await type('Metering device', 'txv');
    expect(text()).toContain('Type the readings of the running system');
  });

  test('a good unit is left, and can be logged to be learned from', async () => {
    const { text, press, sent } = await check(typedFrom());
    expect(text()).toContain('leave the charge');
    expect(text()).toMatch(/Charge right, unit well ?\d\d %/);
    expect(text()).toMatch(/By rule of thumb: subcooling/);
    await press('Log: charged by weight, runs well');
    expect(sent[0]).toMatchObject({
      kind: 'ran',
      good: true,
      settled: true,
      advice: 'leave',
      unit: { kind: 'split', metering: 'txv', plateKg: 3.2 },
    });
    expect(text()).toContain('charged by weight and runs well');
  });

  test('what is missing is fed in part, with its range; the band shows what is off', async () => {
    const { text, root } = await check(typedFrom({ charge: 0.78 }));
    expect(text()).toMatch(/−2\d ?% ?−\d+ to −\d+ %, if the charge is the question/);
    expect(text()).toMatch(/feed about (0\.9\d|1\.\d) lb, then wait 10 min/);
    expect(root.querySelectorAll('hy-band-rows .off').length).toBeGreaterThan(0);
  });

  test('it is not judged before it has settled, nor while a reading can hardly be', async () => {
    const { text, type } = await check({ ...typedFrom({ charge: 0.78 }), 'Running for, min': '5' });
    expect(text()).toContain('Not settled yet');
    expect(text()).not.toContain('feed about');
    await type('Running for, min', '20');
    await type('Suction', '900');
    expect(text()).toContain('A reading can hardly be');
    expect(text()).toContain('The suction is above the head.');
    expect(text()).not.toContain('Log these readings');
  });

  test('an earlier visit on which it ran well is learned from', async () => {
    const readings = { headPa: 2.6e6, suctionPa: 9.7e5, suctionLineK: F(58), liquidLineK: F(96), supplyK: F(57) };
    const run: Run = {
      unit: { kind: 'split', metering: 'txv', capacityW: 10_560, plateKg: 3.2 },
      conditions: today,
      readings,
      settled: true,
      good: true,
      advice: 'leave',
      chargeShare: 1,
      coreVersion: '1',
      at: '2026-06-01T10:00:00.000Z',
      by: 'Tobin Wake',
    };
    const { text } = await check(typedFrom(), { visits$: of([aVisit({ id: 'v0', runs: [run] })]) });
    expect(text()).toContain('Judged by its own numbers, from 1 earlier visit');
    TestBed.resetTestingModule();
  });

  test('what the lines take beyond the plate belongs to the charge that is right, also where nothing was looked at', async () => {
    const lineSet = { lengthM: 20, coveredM: 5, liquid: '3/8', suction: '3/4', known: 'measured' } as const;
    const { composition } = refrigerant('R-410A');
    const lineKg = lineCorrection(lineSetOf(lineSet), bubblePoint(composition, usualLiquidLine).rhoLiquid);
    expect(lineKg).toBeGreaterThan(0.6);
    const asked = jest.spyOn(CoreWorker.prototype, 'ask$');
    const long = aSystem({ ...split, facts: { lineSet } });
    await check({ Outdoors: '88', 'Return air': '76', 'Return air, wet bulb': '64', Suction: '121' }, { system$: () => of(long) });
    const plates = asked.mock.calls.flatMap(([name, args]) => (name === 'runningCheck' ? [(args as RunningArgs).plate.plateKg] : []));
    expect(plates.length).toBeGreaterThan(0);
    for (const plateKg of plates) expect(plateKg).toBeCloseTo(3.2 + lineKg, 9);
    asked.mockRestore();
    TestBed.resetTestingModule();
    // no liquid at 95 °F
    const beyond = await check(typedFrom(), { system$: () => of({ ...long, refrigerant: 'R-744' }) });
    expect(beyond.text()).toContain('What its lines take beyond the plate cannot be computed: it is not judged.');
    expect(beyond.text()).not.toContain('Charge, by how it runs today');
  });

  test('earlier visits that cannot be read are said; while they are read it is not judged', async () => {
    const unreadable$ = throwError(() => new ApiError('unavailable', 'The database does not answer.'));
    const alone = await check(typedFrom({ charge: 0.78 }), { visits$: unreadable$ });
    expect(alone.text()).toContain('Earlier checks of this unit cannot be read now: it is judged by its plate alone.');
    expect(alone.text()).toContain('Charge, by how it runs today');
    TestBed.resetTestingModule();
    const early = await check(typedFrom({ charge: 0.78 }), { visits$: NEVER });
    expect(early.text()).not.toContain('Charge, by how it runs today');
  });

  test('checks of two seasons stand beside each other, each against its own day', async () => {
    const run = (at: string, outdoorF: number, more: Partial<Faults>): Run => {
      const conditions: Conditions = { outdoorK: F(outdoorF), indoorK: F(76), indoorWetBulbK: F(64) };
      const unit = designOf({ composition: refrigerant('R-410A').composition, kind: 'split', metering: 'txv', capacityW: 10_560, plateKg: 3.2 }); // prettier-ignore
      const faults = { ...noFaults, ...more };
      const solved = solveCycle(unit, conditions, faults);
      if (solved.state === 'not') throw new Error(solved.why);
      const { head, suction, suctionLine, liquidLine, supply } = readingsOf(sceneOf(unit, conditions, faults), solved.cycle);
      return {
        unit: { kind: 'split', metering: 'txv', capacityW: 10_560, plateKg: 3.2 },
        conditions,
        readings: { headPa: head, suctionPa: suction, suctionLineK: suctionLine, liquidLineK: liquidLine, supplyK: supply },
        settled: true,
        good: false,
        advice: 'leave',
        chargeShare: more.charge ?? null,
        coreVersion: '1',
        at,
        by: 'Tobin Wake',
      };
    };
    const one = run('2026-06-01T10:00:00.000Z', 95, {});
    const earlier = aVisit({ id: 'v0', runs: [one] });
    const { root } = await open('check', {}, { system$: () => of(split), visits$: of([earlier]) });
    expect(root.querySelector('hy-season-table table')).toBeNull(); // one check compares with nothing
    TestBed.resetTestingModule();
    const both = aVisit({ id: 'v0', runs: [one, run('2026-10-09T10:00:00.000Z', 70, { charge: 0.85 })] });
    const page = await open('check', {}, { system$: () => of(split), visits$: of([both]) });
    const rows = [...page.root.querySelectorAll('hy-season-table tbody tr')].map(({ textContent }) =>
      (textContent ?? '').replace(/\s+/g, ' '),
    );
    expect(rows).toHaveLength(2);
    expect(rows[0]).toMatch(/Oct 9.*70 °F.*−15 %/);
    expect(rows[1]).toMatch(/Jun 1.*95 °F.*not told/);
  });

  test('a cold room is read by its box, a chiller by its water, and tells the flow of it', async () => {
    const room = await open('check', {}, { system$: () => of(aSystem({ kind: 'walk-in', refrigerant: 'R-410A' })) });
    expect(() => room.control('Box')).not.toThrow();
    expect(() => room.control('Return air, wet bulb')).toThrow();
    TestBed.resetTestingModule();
    const chiller = aSystem({ kind: 'chiller', refrigerant: 'R-134a', nameplateKg: 22, contentKg: 22 });
    const { type, text } = await open('check', {}, { system$: () => of(chiller) });
    await type('Metering device', 'txv');
    for (const [label, value] of Object.entries({
      'Head, at the liquid port': '155',
      Suction: '33',
      'Suction line': '48',
      'Liquid line': '102',
      'Water entering': '54',
      'Water leaving': '44',
      Outdoors: '88',
    }))
      await type(label, value);
    expect(text()).toContain('Approach: water leaving over boiling');
    // 2.4 gpm a ton over 10 °F (common practice): 20.6 tons
    expect(text()).toMatch(/Water through the barrel, by what it cools today: about (4|5)\d gpm/);
  });

  test('what is not modelled says so', async () => {
    const { text } = await open('check', {}, { system$: () => of(aSystem({ kind: 'geothermal' })) });
    expect(text()).toContain("Check it by the maker's chart");
  });
});

describe('files', () => {
  const run: Run = {
    unit: { kind: 'split', metering: 'txv', capacityW: 10_560, plateKg: 3.2 },
    conditions: { outdoorK: 300, indoorK: 297, indoorWetBulbK: 291 },
    readings: { headPa: 2.6e6, suctionLineK: 288 },
    settled: true,
    good: true,
    advice: 'leave',
    chargeShare: 1.01,
    coreVersion: '1.0.0',
    at: '2026-11-26T10:00:00.000Z',
    by: 'Ines Marrow',
  };

  test('a row has everything that was judged, in SI', () => {
    expect(runRows(run)).toMatchObject({
      time: run.at,
      metering: 'txv',
      plate_kg: 3.2,
      headPa: 2.6e6,
      suctionLineK: 288,
      advice: 'leave',
      core: '1.0.0',
    });
  });

  // RFC 8428: a base name and a base time in the first record, units by their registry.
  test('SenML names the visit and the moment once', () => {
    const records = runSenml('v1', run);
    expect(records[0]).toEqual({ bn: 'urn:uuid:v1:', bt: 1795687200, n: 'outdoorK', u: 'K', v: 300 });
    expect(records).toContainEqual({ n: 'headPa', u: 'Pa', v: 2.6e6 });
  });

  test('the charge label is one small page', async () => {
    const bytes = await chargeLabelPdf({ visit: aVisit(), run, masses: ['7 lb 1 oz', '3.20 kg'], day: 'Nov 26, 2026, 10:00' });
    const pdf = await PDFDocument.load(bytes);
    expect([pdf.getPageCount(), pdf.getPage(0).getWidth()]).toEqual([1, 288]);
  });
});
