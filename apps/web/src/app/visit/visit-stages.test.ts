import { TestBed } from '@angular/core/testing';
import type { Cylinder } from '@hygromet/contract/cylinder';
import type { System } from '@hygromet/contract/system';
import type { Visit } from '@hygromet/contract/visit';
import type { VisitTest } from '@hygromet/contract/visit-test';
import { PASCAL_PER_PSI } from '@hygromet/core/proof/trace';
import { PDFDocument } from 'pdf-lib';
import { of, throwError } from 'rxjs';
import { ApiError } from '../data/api-error';
import type { Units } from '../preferences/units.service';
import { certificatePdf } from './prove/certificate-pdf';
import { testRows, testSenml } from './prove/test-files';
import { aCylinder, aMovement, anAccount, aSystem, aVisit, settled } from '../../../test/scene';
import { open, plan, SEEN } from '../../../test/visit-scene';

const psi = (value: number) => value * PASCAL_PER_PSI;
const split = aSystem({
  kind: 'split',
  facts: {
    limits: [{ what: 'suction sensor', part: 'suction-line', gaugePa: psi(300) }],
    lineSet: { lengthM: 15, coveredM: 7.6, liquid: '3/8', suction: '3/4' },
  },
});
const START = Date.parse('2026-11-26T08:00:00Z');
const at = (minute: number) => new Date(START + minute * 60_000).toISOString();

/** A hold of which a reading was taken every minute. @param lossPerHour share */
function hold(minutes: number, lossPerHour: number, more: Partial<VisitTest> = {}): VisitTest {
  const readings = Array.from({ length: minutes + 1 }, (_, k) => ({
    at: at(k),
    by: 'Tobin Wake',
    reading: { gaugePa: psi(Math.round(10 * (300 - (315 * lossPerHour * k) / 60)) / 10), airK: 295, pipeK: 295.2 },
  }));
  return {
    id: 't1',
    setUp: {
      test: 'hold',
      volumeM3: 0.01,
      setGaugePa: psi(300),
      stepPa: psi(0.1),
      spanPa: psi(800),
      clamp: true,
      filledAt: at(-20),
      oilM3: 0,
      refrigerantMayRemain: false,
      tightTo: 0.03,
      startHour: 10,
      atmospherePa: 101_325,
      mostGaugePa: psi(310),
      ruling: 'suction sensor',
    },
    begunAt: at(0),
    begunBy: 'Tobin Wake',
    readings,
    followed: null,
    ended: null,
    ...more,
  };
}

describe('the pressure test', () => {
  const ready = { look: SEEN, plan };

  test('is limited by the weakest part at the hottest, said before the regulator is opened, and begins below it only', async () => {
    const { text, type, press, sent } = await open('prove', ready, { system$: () => of(split) });
    expect(text()).toMatch(/At most 28\d psi now: the suction sensor is rated for 300 psi, less 4 psi for the gauge/);
    expect(text()).toContain('Nitrogen only through a regulator with a relief valve, never oxygen');
    await type('Test pressure', '400');
    expect(text()).toMatch(/Above what the suction sensor is rated for.* test at 28\d psi at most/);
    await press('Start the hold');
    expect(sent).toHaveLength(0);
    await type('Test pressure', '250');
    expect(text()).toContain('What this hold can see, % per hour');
    await press('Start the hold');
    expect(sent[0]).toMatchObject({ kind: 'test-begun', setUp: { test: 'hold', tightTo: 0.01, ruling: 'suction sensor' } });
    expect(text()).toContain('Take the first reading');
  });

  test('a limit that cannot be computed yet keeps the hold from being started, with what to do', async () => {
    const { text, type, press, sent } = await open('prove', { plan, look: {} }, { system$: () => of(split) });
    expect(text()).toContain('Measure the outdoor temperature under Look first');
    await type('Volume under test', '10');
    await type('Test pressure', '150');
    await press('Start the hold');
    expect(sent).toHaveLength(0);
    expect(text()).toContain('The limit of the weakest part is not known yet: measure the outdoor temperature under Look first.');
  });

  test('without a recorded limit it begins only when somebody has read the plates', async () => {
    const { text, type, press, sent, control, fixture } = await open('prove', ready, { system$: () => of(aSystem({ kind: 'split' })) });
    expect(text()).toContain('No connected part with a pressure limit is recorded');
    await type('Test pressure', '250');
    await press('Start the hold');
    expect(text()).toContain('Confirm that every connected part is rated for the test pressure.');
    expect(sent).toHaveLength(0);
    expect(() => control('I have read')).toThrow();
    (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    await press('Start the hold');
    expect(sent[0]).toMatchObject({ kind: 'test-begun', setUp: { mostGaugePa: null, ruling: null } });
  });

  test('is judged without anything looked at before: what was read is what it rests on', async () => {
    const { text } = await open('prove', { look: {}, tests: [hold(40, 0)] }, { system$: () => of(split) });
    expect(text()).toMatch(/Nitrogen hold, 40 min: no leak above ?\d\.\d+ % per hour/);
  });

  test('left until the morning it asks for the hottest hour, sees more, and says what is done before leaving', async () => {
    const { text, type, press, sent, control } = await open('prove', ready, { system$: () => of(split) });
    await type('Test pressure', '200');
    await type('Volume under test', '10');
    await type('Read until', 'morning');
    expect(text()).toContain('Type the hottest that it will get until you come back');
    expect(text()).toContain('Nitrogen cylinder shut, hose off and the port capped');
    expect((control('Exclude leaks above') as HTMLSelectElement).value).toBe('0.0005');
    await press('Start the hold');
    expect(sent).toHaveLength(0);
    await type('Hottest it will get', '100');
    expect(text()).toMatch(/until \w+day 7:00 AM/);
    await press('Start the hold');
    expect(sent[0]).toMatchObject({ kind: 'test-begun', setUp: { test: 'hold', tightTo: 0.0005 } });
    expect(new Date((sent[0] as unknown as { setUp: { until: string } }).setUp.until).getHours()).toBe(7);
  });

  test('a piece whose valves were proved is tested by its own limit; until then every part counts', async () => {
    const outdoor = aSystem({ kind: 'split', facts: { limits: [{ what: 'outdoor coil', part: 'condenser', gaugePa: psi(150) }] } });
    const seen = { system$: () => of(outdoor) };
    const first = await open('prove', ready, seen);
    const piece = [...(first.control('Connected') as HTMLSelectElement).options].find(({ text }) => /evaporator/i.test(text))!.value;
    expect(piece).toMatch(/^section:/);
    await first.type('Connected', piece);
    expect(first.text()).toContain('the valves of this piece are not proved');
    expect(first.text()).toMatch(/At most 1\d\d psi now: the outdoor coil/);
    TestBed.resetTestingModule();
    const joints = [{ joint: piece, check: 'hold' as const, finding: 'tight' as const, at: at(-60), by: 'Tobin Wake' }];
    const second = await open('prove', { ...ready, joints }, seen);
    await second.type('Connected', piece);
    expect(second.text()).not.toContain('are not proved');
    expect(second.text()).toContain('No connected part with a pressure limit is recorded');
  });

  test('says what it takes from the nitrogen cylinder, and where it does not have that', async () => {
    const { text, type } = await open('prove', ready, { system$: () => of(split) });
    await type('Test pressure', '250');
    await type('Volume under test', '40');
    expect(text()).toMatch(/It takes \d\.\d\d? lb of nitrogen/);
    await type('Nitrogen cylinder', '20');
    await type('Pressure in it', '600');
    expect(text()).toContain('Not enough: bring another cylinder');
    await type('Nitrogen cylinder', '250');
    await type('Pressure in it', '2200');
    expect(text()).not.toContain('Not enough');
  });

  test('below the pressure of the charge itself it says what is not seen', async () => {
    const { text, type } = await open('prove', ready, { system$: () => of(split) });
    await type('Test pressure', '150');
    expect(text()).toMatch(/Below the 2\d\d psi at which the charge stands today/);
    await type('Test pressure', '275');
    expect(text()).not.toMatch(/at which the charge stands today/);
  });

  test('one that was left says when to come back, and that it is to be read when it is late', async () => {
    const left = hold(4, 0, { setUp: { ...hold(0, 0).setUp, until: '2026-11-30T07:00:00.000Z' } as VisitTest['setUp'] });
    const { text } = await open('prove', { ...ready, tests: [left] }, { system$: () => of(split) });
    expect(text()).toMatch(/It was to be read \w+day \d+:00 [AP]M. Read it now.|Come back \w+day \d+:00 [AP]M: in/);
    expect(text()).toContain('Before you leave');
  });

  test('reads as it runs: no leak above a limit, in pounds of its refrigerant a year, and ends with that', async () => {
    const { text, press, sent } = await open('prove', { ...ready, tests: [hold(40, 0)] }, { system$: () => of(split) });
    expect(text()).toMatch(/Nitrogen hold, 40 min: no leak above ?\d\.\d+ % per hour/);
    expect(text()).toMatch(/lb of R-410A a year/);
    expect(text()).toContain('asked for 3.0 %: shown');
    await press('End the test');
    expect(sent[0]).toMatchObject({ kind: 'test-ended', testId: 't1', finding: { verdict: 'tight', coreVersion: '0.1.0' } });
    expect(text()).toMatch(/300 psi, 40 min: No leak above \d\.\d+ % per hour/);
  });

  test('a leak is told with its range; before it can be told it says when to look again', async () => {
    const leaking = await open('prove', { ...ready, tests: [hold(30, 0.2)] }, { system$: () => of(split) });
    expect(leaking.text()).toMatch(/Nitrogen hold, 30 min: leaking ?\d\d % per hour/);
  });

  test('a reading is added with its temperatures, and four make a first verdict', async () => {
    const { type, press, text, sent, button } = await open('prove', { ...ready, tests: [hold(2, 0)] }, { system$: () => of(split) });
    expect(text()).toContain('3 of 4 readings for a first verdict');
    await type('Pressure', '299.9');
    expect(button('Add reading').disabled).toBe(true);
    await type('Air, in the shade', '71');
    await type('Pipe, clamp', '71.5');
    await press('Add reading');
    expect(sent[0]).toMatchObject({ kind: 'test-read', testId: 't1' });
    const reading = sent[0]?.kind === 'test-read' && 'gaugePa' in sent[0].reading ? sent[0].reading : undefined;
    expect(reading!.gaugePa / PASCAL_PER_PSI).toBeCloseTo(299.9, 6);
    expect(text()).toContain('Nitrogen hold');
  });
});

describe('what a test leaves behind', () => {
  const ended = hold(12, 0, {
    ended: { at: at(12), by: 'Tobin Wake', finding: { verdict: 'tight', said: 'No leak above 1.2 % per hour.', coreVersion: '0.1.0' } },
  });

  test('a certificate with its limit and its trace, in the standard fonts', async () => {
    const tell = {
      pressureStep: (p: number) => `${Math.round(p / PASCAL_PER_PSI)} psi`,
      pressureNumber: (p: number) => (p - 101_325) / PASCAL_PER_PSI,
      pressure: (p: number) => `${Math.round((p - 101_325) / PASCAL_PER_PSI)} psig`,
      pressureUnit: () => 'psig',
      temperature: (T: number) => `${T} K`,
      volumeText: (m3: number) => `${m3 * 1000} L`,
      atmosphere: (() => 101_325) as unknown as Units['atmosphere'],
      decimal: (value: number, digits: number) => value.toFixed(digits),
      length: (metres: number) => `${metres} m`,
    };
    const bytes = await certificatePdf(aVisit(), ended, 'Tidewrack Cold Works', tell);
    const pdf = await PDFDocument.load(bytes);
    expect([pdf.getPageCount(), pdf.getTitle()]).toEqual([1, 'Pressure test with dry nitrogen, Planetarium']);
    expect(bytes.length).toBeGreaterThan(2000);
  });

  test('readings as rows and as SenML, in SI, with the time of each', () => {
    expect(testRows(ended)[3]).toMatchObject({ time: at(3), by: 'Tobin Wake', airK: 295, pipeK: 295.2 });
    const records = testSenml(ended) as { n: string; t: number; u: string; v: number; bn?: string; bt?: number }[];
    expect(records[0]).toMatchObject({ bn: 'urn:uuid:t1:', bt: START / 1000, n: 'gaugePa', u: 'Pa', t: 0 });
    expect(records[3]).toMatchObject({ n: 'gaugePa', t: 60 });
    expect(records[3]).not.toHaveProperty('bn');
  });

  test('stands in the stage with its files', async () => {
    const { text, button } = await open('prove', { look: SEEN, plan, tests: [ended] }, { system$: () => of(split) });
    expect(text()).toContain('Nitrogen hold No leak above 1.2 % per hour.');
    for (const name of ['Certificate (PDF)', 'Readings (CSV)', 'SenML']) expect(button(name)).toBeDefined();
  });
});

test('the halves that its valves tell apart are held each by itself, and what each has shown is kept', async () => {
  const { sent, text, type } = await open('prove', { look: SEEN, plan }, { system$: () => of(split) });
  expect(text()).toMatch(/By halves\s?Shut the liquid service valve and suction service valve/);
  await type('Held: Drier, liquid line, metering device, evaporator, suction line', 'tight');
  expect(sent.map((entry) => entry.kind === 'joint-checked' && [entry.joint, entry.check, entry.finding])).toEqual([
    ['section:drier@liquid-service,suction-service', 'hold', 'tight'],
  ]);
});

test('every joint of the record is there; what was found is saved with its way, and what was not looked at stays visible', async () => {
  const { text, type, sent } = await open('repair', { look: SEEN, plan }, { system$: () => of(split) });
  expect(text()).toMatch(/0 of 12 looked at; 12 not yet: what was not looked at is not shown tight/);
  await type('Finding at Suction line to compressor', 'detector:tight');
  await type('Finding at Liquid port, core and cap', 'soap:leaks');
  expect(sent.map((entry) => entry.kind === 'joint-checked' && [entry.joint, entry.check, entry.finding])).toEqual([
    ['suction-line>compressor', 'detector', 'tight'],
    ['liquid-port', 'soap', 'leaks'],
  ]);
  expect(text()).toContain('2 of 12 looked at; leaks: Liquid port, core and cap.');
});

test('a place that no record names is added with what was found there, and one that is listed is not listed twice', async () => {
  const { text, type, sent, press, control, kept } = await open('repair', { look: SEEN, plan }, { system$: () => of(split) });
  await type('Another place', 'Suction line to compressor');
  expect(text()).toContain('This place is in the list');
  await type('Another place', 'rubbed spot behind the fan');
  expect(Object.values(kept).join()).toContain('rubbed spot behind the fan');
  await type('What was found there', 'detector:tight');
  await press('Add the place');
  expect(sent.map((entry) => entry.kind === 'joint-checked' && [entry.joint, entry.check, entry.finding])).toEqual([
    ['rubbed spot behind the fan', 'detector', 'tight'],
  ]);
  expect(text()).toContain('1 of 13 looked at');
  // the next one begins empty, and is kept as well
  expect(control('Another place').value).toBe('');
  await type('Another place', 'capillary at the fan');
  expect(Object.values(kept).join()).toContain('capillary at the fan');
});

describe('the rise test', () => {
  const rise = (phases: readonly (readonly ['pump' | 'rig', readonly number[]])[]): VisitTest => {
    let minute = 0;
    const readings = phases.flatMap(([isolated, micron]) =>
      micron.map((value) => ({ at: at(minute++), by: 'Tobin Wake', reading: { isolated, micron: value } })),
    );
    const setUp = {
      test: 'rise',
      volumeM3: 0.01,
      rigM3: 0.0004,
      stepMicron: 1,
      coldestWallK: 293,
      compressorWithOil: false,
      leakAbove: 2,
    } as const;
    return { id: 't2', setUp, begunAt: at(0), begunBy: 'Tobin Wake', readings, followed: null, ended: null };
  };

  test('counts with what a hold of the whole circuit has left of a leak, not with that of a piece, nor after a repair', async () => {
    const ended = { at: at(60), by: 'Tobin Wake', finding: { verdict: 'tight' as const, said: 'No leak above 1 %', coreVersion: '0.1.0' } };
    const told = async (more: Parameters<typeof hold>[2], joints: Visit['joints'] = []) => {
      TestBed.resetTestingModule();
      const tests = [hold(40, 0, { ended, ...more })];
      return (await open('prove', { look: SEEN, plan, tests, joints }, { system$: () => of(split) })).text();
    };
    expect(await told({})).toMatch(/has left a leak of 380 microns per minute at most/);
    expect(await told({ setUp: { ...hold(0, 0).setUp, tested: 'section:evaporator@king' } as VisitTest['setUp'] })).not.toContain(
      'has left a leak',
    );
    const repaired = [{ joint: 'suction', check: 'soap' as const, finding: 'repaired' as const, at: at(90), by: 'Tobin Wake' }];
    expect(await told({}, repaired)).not.toContain('has left a leak');
  });

  test('finds a dry system without a leak, and ends with it', async () => {
    const flat = Array.from({ length: 21 }, (_, k) => 300 + (k % 2));
    const { text, press, sent } = await open('prove', { look: SEEN, plan, tests: [rise([['pump', flat]])] }, { system$: () => of(split) });
    expect(text()).toMatch(/Rise test, 20 min: no leak above ?\d\.\d microns per minute/);
    await press('End the test');
    expect(sent[0]).toMatchObject({ kind: 'test-ended', finding: { verdict: 'no-leak', said: 'No leak above 2.0 microns per minute.' } });
  });

  test('puts a leak of the own hose there', async () => {
    const both = Array.from({ length: 21 }, (_, k) => 300 + 10 * k);
    const alone = Array.from({ length: 6 }, (_, k) => 400 + 260 * k);
    const tests = [
      rise([
        ['pump', both],
        ['rig', alone],
      ]),
    ];
    const { text } = await open('prove', { look: SEEN, plan, tests }, { system$: () => of(split) });
    expect(text()).toContain('in your own rig');
  });
});

describe('the account', () => {
  const movements = [
    aMovement({ id: 'm1', visit: 'v1', massKg: 4 }),
    aMovement({ id: 'm2', visit: 'v1', massKg: 1, reversedBy: 'm3' }),
    aMovement({ id: 'm4', visit: 'other', massKg: 2 }),
  ];
  const first = { look: SEEN, plan, recovered: { bookings: 1, massKg: 4 } };

  test('weighs what is missing against the errors of its terms, with what may explain it and the cheapest check', async () => {
    const { root, text, type, press } = await open('account', first, {
      movements$: () => of(movements),
      system$: () => of(aSystem({ contentKg: 4.98 })),
    });
    expect(text()).toMatch(/Not accounted for ?10\.\d lb/);
    const rows = [...root.querySelectorAll('hy-account-stage tbody tr')].map(({ textContent }) =>
      (textContent ?? '').replace(/\s+/g, ' ').trim(),
    );
    expect(rows[0]).toMatch(/^▸ On record before this visit ?19\.8/);
    expect(rows[1]).toMatch(/^▸ C-07.*−8\.8/);
    await press(/On record before this visit/);
    expect(text()).toContain('The plate, and what the ledger put in or took out since');
    expect(text()).toMatch(/It leaked before ?about \d+\.\d lb/);
    expect(text()).toContain('Cheapest check that decides: ');
    await type('Search the leak', 'not-found');
    const shares = [...root.querySelectorAll('.explanations li')].map(({ textContent }) => textContent ?? '');
    expect(shares[0]).not.toContain('It leaked before');
  });

  test('logs the difference to the account that was chosen, with its reason and the visit', async () => {
    const logged: object[] = [];
    const { press, type, text } = await open('account', first, {
      movements$: () => of(movements),
      system$: () => of(aSystem({ contentKg: 4.98 })),
      accounts$: of([
        anAccount({ id: 'a1', kind: 'air', name: 'air' }),
        anAccount({ id: 'u1', kind: 'unexplained', name: 'not accounted for' }),
      ]),
      bookDifference$: (body: object) => (logged.push(body), of({})),
    });
    await type('Reason', 'flare, found with soap');
    await press(/^Log 10\.\d lb/);
    expect(logged[0]).toMatchObject({ system: 's1', account: 'a1', direction: 'missing', note: 'flare, found with soap', visit: 'v1' });
    expect(text()).toContain('lost to the air');
  });

  test('says whether it may go back, by the composition that the leak has left, and what would restore it', async () => {
    const blend = { ...aSystem({ contentKg: 4.98 }), refrigerant: 'R-407C' };
    const asked: object[] = [];
    const { text, type, fixture } = await open(
      'account',
      { ...first, system: { ...aVisit().system, refrigerant: 'R-407C' } },
      {
        movements$: () => of(movements),
        system$: () => of(blend),
      },
      {},
      {
        call$: (_: string, { body }: { body: object }) => (
          asked.push(body),
          of({ possible: true, add: [{ refrigerant: 'R-32', kg: 0.1 }], resultKg: 4.1, composition: {}, reason: 'restored' })
        ),
      },
    );
    expect(text()).toMatch(/Back into this system ?no ?its composition is beyond the tolerance of the blend/);
    await settled(fixture);
    expect(asked[0]).toMatchObject({ op: 'restore', designation: 'R-407C', massKg: 4 });
    expect(text()).toContain('Back within tolerance by adding 0.23 lb of R-32');
    await type('Judged by', 'always');
    expect(text()).toMatch(/Back into this system ?not advised ?acid or moisture not tested/);
  });

  test('tests and cleaning are logged with the visit, and decide what may go back', async () => {
    const pure = { ...aSystem({ contentKg: 0.1 }), refrigerant: 'R-134a' };
    const visited = { ...first, look: { ...SEEN, failed: 'compressor' as const }, system: { ...aVisit().system, refrigerant: 'R-134a' } };
    const { text, type, press, sent } = await open('account', visited, { movements$: () => of(movements), system$: () => of(pure) });
    expect(text()).toMatch(/Back into this system ?no ?after a burnout or an open circuit it is tested before it goes back/);
    await type('Kit', 'strip A');
    await press('Log test');
    expect(sent[0]).toMatchObject({ kind: 'refrigerant-tested', test: 'acid', result: 'pass', kit: 'strip A' });
    expect(text()).toMatch(/Acid passed, strip A, Ines Marrow/);
    expect(text()).toMatch(/Back into this system ?not advised ?acid or moisture not tested/);
    await type('Test', 'moisture');
    await type('Result', 'fail');
    await press('Log test');
    expect(text()).toMatch(/Back into this system ?no ?the moisture test failed/);
    await press('Log cleaning');
    expect(sent[2]).toMatchObject({ kind: 'cleaned', step: 'drier' });
    expect(text()).toMatch(/not advised ?cleaned since the failed test: test it again/);
    expect(text()).toContain('A system of somebody else');
  });

  test('what it is worth follows the prices of the day; without a price nothing is said', async () => {
    const price = { id: 'p1', refrigerant: 'R-410A', perKg: 10, currency: 'USD', from: '2026-11-01', recordedAt: '', recordedBy: '' };
    const prices$ = of([
      { ...price, kind: 'buy' as const },
      { ...price, kind: 'credit' as const, perKg: 2 },
    ]);
    const more = { movements$: () => of(movements), system$: () => of(aSystem({ contentKg: 4.98 })) };
    expect((await open('account', first, { ...more, prices$ })).text()).toMatch(/brings USD 8\.00 .* costs USD 49\.80/);
    TestBed.resetTestingModule();
    expect((await open('account', first, more)).text()).not.toContain('USD');
  });

  test('the book tells since when it leaks, and who charged it last', async () => {
    const charged = aMovement({
      id: 'm9',
      from: { id: 'c1', kind: 'cylinder', name: 'C-01' },
      to: { id: 's1', kind: 'system', name: 'Planetarium, rooftop unit' },
      massKg: 1,
      happenedAt: '2025-11-20T09:00:00.000Z',
      recordedBy: 'Tobin Wake',
    });
    const { text } = await open('account', first, {
      movements$: () => of([...movements, charged]),
      system$: () => of(aSystem({ contentKg: 4.98 })),
    });
    expect(text()).toMatch(/It leaked before ?about \d+\.\d lb; \d+\.\d lb a year since Nov 20, 2025/);
    expect(text()).toMatch(/Another charge than the plate says ?about .*; last charged Nov 20, 2025, .* by Tobin Wake, 2\.2 lb/);
  });

  test('at saturation pressure the rest cannot be computed, and that is said', async () => {
    const { text, type } = await open('account', first, {
      movements$: () => of(movements),
      system$: () => of(aSystem({ contentKg: 4.98 })),
    });
    await type('Pressure at the end', '300');
    expect(text()).toContain('At that pressure liquid may be left in the circuit');
    expect(text()).not.toContain('Vapor left in the circuit');
    await type('Pressure at the end', '5');
    expect(text()).toContain('Vapor left in the circuit');
  });

  test('what is within the errors needs no explanation', async () => {
    const { text } = await open('account', first, { movements$: () => of(movements), system$: () => of(aSystem({ contentKg: 0.1 })) });
    expect(text()).toContain('within the errors of the terms');
    expect(text()).not.toContain('What may explain it');
  });
});

test('the charge to weigh in is the plate and the lines with its error; running it is fed by its superheat', async () => {
  const { text, type } = await open('recharge', { look: SEEN, plan }, { system$: () => of(split) });
  expect(text()).toMatch(/Weigh in ?2\d\.\d lb/);
  expect(text()).toContain('The plate is taken to cover 25 ft of line set: check that on the plate.');
  await type('A larger drier takes more', '8');
  expect(text()).toMatch(/Drier ?0\.50/);
  await type('System warmer than the cylinder by, °F', '12');
  expect(text()).toMatch(/About \d+\.\d lb go in by themselves within half an hour/);
  await type('The system', 'running');
  await type('Superheat at the compressor, °F', '25');
  await type('Cooling capacity, tons', '3');
  // common practice: 0.1 lb a minute for each ton and 10 °F to spare
  expect(text()).toMatch(/0\.4\d? lb a minute at most, in pulses 5 min apart/);
  await type('Superheat at the compressor, °F', '8');
  expect(text()).toContain('No superheat to spare');
});

test('a new unit that came charged takes only what its lines need, or nothing', async () => {
  const { text, type, root } = await open('recharge', { look: SEEN, plan }, { system$: () => of(split) });
  expect(root.querySelector('hy-charge-beam svg')?.getAttribute('aria-label')).toMatch(/^Charge: 0\.0 lb in, target 2\d\.\d lb ± /);
  await type('The outdoor unit', 'came-charged');
  expect(text()).toMatch(/Weigh in ?0\.9\d lb/);
  expect(text()).toContain('Shipped with the new unit');
  TestBed.resetTestingModule();
  const lineSet = { lengthM: 4, coveredM: 7.6, liquid: '3/8', suction: '3/4' } as const;
  const short = await open('recharge', { look: SEEN, plan }, { system$: () => of({ ...split, facts: { lineSet } }) });
  await short.type('The outdoor unit', 'came-charged');
  expect(short.text()).toContain('Nothing to add');
  expect(short.text()).toMatch(/It holds about 0\.\d+ lb more than these short lines need/);
  expect(short.root.querySelector('hy-recharge-log')).toBeNull();
});

test('a condenser that is flooded in the cold takes more, by the coldest day that it runs', async () => {
  const cold = aSystem({ kind: 'walk-in', refrigerant: 'R-410A', facts: { fitted: { 'head-pressure-valve': 'fitted' } } });
  const { text, type } = await open('recharge', { look: SEEN, plan }, { system$: () => of(cold) });
  expect(text()).not.toContain('Flooded condenser in the cold');
  expect(text()).toContain('What that takes is not in this charge yet');
  await type('Coldest day that it runs', '0');
  expect(text()).not.toContain('is not in this charge yet');
  expect(text()).toMatch(/Flooded condenser in the cold ?\d/);
});

describe('a receiver', () => {
  const room = (m3?: number) =>
    aSystem({
      kind: 'walk-in',
      refrigerant: 'R-410A',
      nameplateKg: 4.6,
      contentKg: 4.6,
      facts: m3 === undefined ? {} : { volumes: { receiver: { m3, known: 'plate' } } },
    });
  const charged = (system: System) => open('recharge', { look: {}, plan: null }, { system$: () => of(system) });

  test('has room for the whole charge, or has none, before anything else was looked at', async () => {
    expect((await charged(room(0.012))).text()).toMatch(
      /The whole charge, 10\.1 lb, has room in it at pump-down: \d+\.\d lb, \d\d % liquid at 1\d\d °F/,
    );
    TestBed.resetTestingModule();
    expect((await charged(room(0.003))).text()).toContain('has no room in it at pump-down');
    TestBed.resetTestingModule();
    expect((await charged(room())).text()).toMatch(/has room in it at pump-down|is not sure: .* Record its volume from the plate/);
  });

  test('its switch is seen to stop it, and its level is marked for the next person', async () => {
    const { type, press, sent, text, control } = await charged(room(0.012));
    await type('Low-pressure switch stopped it at', '9.5');
    await press('Log the switch');
    expect(sent[0]).toMatchObject({
      kind: 'charge-noted',
      note: { what: 'low-switch-stops', gaugePa: expect.closeTo(65_500, -2) as number },
    });
    await type('Level marked, for the next person', ' a hand above the lower glass ');
    await press('Log the mark');
    expect(sent[1]).toMatchObject({ note: { what: 'level-marked', where: 'a hand above the lower glass' } });
    expect(text()).toMatch(/the low-pressure switch was seen to stop the compressor at (9|10) psig/);
    expect(text()).toContain('level marked: a hand above the lower glass');
    expect(control('Level marked, for the next person').value).toBe('');
    expect(control('Low-pressure switch stopped it at').value).toBe('');
  });
});

describe('the charge', () => {
  const linesOf = (root: Element): string[] =>
    [...root.querySelectorAll('hy-recharge-log li')].map(({ textContent }) => (textContent ?? '').replace(/\s+/g, ' ').trim());
  const holder = (id: string, name: string, more: Partial<Cylinder> = {}) => aCylinder({ id, name, contentKg: 6, ...more });
  const virgin = { kind: 'virgin', flammableRated: false, ports: 'one', validYears: 5 } as const;
  const rack = [
    holder('v', 'C-01', { marks: virgin }),
    holder('own', 'C-07', { contentKg: 4 }),
    holder('bad', 'C-08', { flags: ['non-condensables'] }),
    holder('x', 'C-12', { composition: { 'R-32': 1 } }),
  ];
  const recovered = aMovement({ id: 'm1', visit: 'v1', massKg: 4, to: { id: 'own', kind: 'cylinder', name: 'C-07' } });
  const passed = (['acid', 'moisture'] as const).map((test) => ({
    test,
    result: 'pass' as const,
    kit: 'field kit',
    at: '2026-11-26T08:00:00.000Z',
    by: 'Ines Marrow',
  }));
  const begin = (
    more: Record<string, unknown> = {},
    visit: Partial<Visit> = { refrigerantTests: passed },
    drafts: Record<string, object> = {},
  ) =>
    open(
      'recharge',
      { look: SEEN, plan, ...visit },
      { system$: () => of(split), cylinders$: of(rack), movements$: () => of([recovered]), ...more },
      {},
      undefined,
      drafts,
    );

  test('comes from what was recovered first, then from virgin, and never from what something speaks against', async () => {
    const { root, text } = await begin();
    const lines = linesOf(root);
    expect(lines[0]).toMatch(
      /^C-07 \d\.\d lb recovered from this system and tested; its composition: see Account; about 1\.\d lb stay in it as vapor/,
    );
    expect(text()).not.toContain('not before acid and moisture');
    expect(lines[1]).toMatch(/^C-01 .* virgin/);
    expect(lines.join()).not.toMatch(/C-08|C-12/);
    // the blend parts a little where it boils
    expect(text()).toMatch(/Liquid only: drawn from its vapor, what goes in would hold [1-3] % more R-32 than the blend\./);
  });

  test.each([
    ['nobody has tested', []],
    ['only half was tested', passed.slice(0, 1)],
    ['a test failed', passed.map((entry) => ({ ...entry, result: 'fail' as const }))],
  ])('what was recovered here waits while %s', async (_, refrigerantTests) => {
    const { root, text } = await begin({}, { refrigerantTests });
    expect(linesOf(root)[0]).toMatch(/^C-01 .* virgin/);
    expect(text()).toContain('C-07 holds what was recovered here: not before acid and moisture are tested and passed, see Account.');
    expect([...root.querySelectorAll('hy-recharge-log hy-choice-field option')].map(({ textContent }) => textContent)).toEqual(['C-01']);
  });

  test('another refrigerant is not even to be chosen, and without any there is nothing to log', async () => {
    const offered = (root: Element) =>
      [...root.querySelectorAll('hy-recharge-log hy-choice-field option')].map(({ textContent }) => textContent);
    expect(offered((await begin()).root)).toEqual(['C-07', 'C-01']);
    TestBed.resetTestingModule();
    const { root, text } = await begin({ cylinders$: of([rack[3]!]) });
    expect(offered(root)).toEqual([]);
    expect(text()).toContain('No cylinder on the rack holds this refrigerant clean enough.');
    expect(root.querySelector('hy-recharge-log form')).toBeNull();
  });

  test("what was recovered elsewhere is drawn only from this customer's own cylinder", async () => {
    const site = aVisit({}).system.site;
    const others = holder('o', 'C-20', { marks: { ...virgin, kind: 'recovery' } });
    const theirs = holder('t', 'C-21', { marks: { ...virgin, kind: 'recovery', owner: ` ${site.toUpperCase()}` } });
    const { root } = await begin({ cylinders$: of([others, theirs]) }, {});
    expect(linesOf(root).join()).toMatch(/C-21 .* recovered from this customer/);
    expect(linesOf(root).join()).not.toContain('C-20');
  });

  test('says which way of finding the charge fits this system, and what is minded on the way', async () => {
    const { text, type } = await begin();
    expect(text()).toMatch(/by weight, verified by running ?possible/);
    expect(text()).toMatch(/by subcooling ?possible once it is seen: which metering device it has/);
    expect(text()).toMatch(/by the sight glass ?not here: without a receiver/);
    expect(text()).toContain('Shut the micron gauge off: liquid ruins it.');
    expect(text()).not.toContain('Flammable: ventilate');
    await type('The system', 'running');
    expect(text()).toMatch(/by weight, verified by running ?not here: nobody knows what is still in it/);
    expect(text()).toContain('Throttle liquid into the suction');
    expect(text()).not.toContain('Break the vacuum');
  });

  test('is weighed in: what is left, when to shut the valve, and too much is said at once', async () => {
    const sent: { key?: string }[] = [];
    const { text, type, press, control } = await begin({ bookRemoval$: (body: object) => (sent.push(body), of({})) });
    await type('Gross before', '40');
    await type('Gross now', '36');
    expect(text()).toMatch(/\d+\.\d lb left to the charge/);
    await type('Gross now', '2');
    expect(text()).toMatch(/more than the charge: shut the valve/);
    await type('Gross now', '41');
    expect(text()).toContain('Nothing has left the cylinder');
    await type('Gross now', '30');
    await press(/^Log 10\.0 lb/);
    expect(sent[0]).toMatchObject({
      cylinder: 'own',
      to: 's1',
      visit: 'v1',
      grossBeforeKg: expect.closeTo(18.14, 1),
      grossAfterKg: expect.closeTo(13.6, 1),
    });
    // what is weighed in next is another entry
    expect(control('Gross before').value).toBe('');
    await type('Gross before', '30');
    await type('Gross now', '29');
    await press(/^Log 1\.0/);
    expect(sent[1]?.key).not.toBe(sent[0]?.key);
  });

  test('weights that were typed outlive a reload, and so does the key that they are booked under', async () => {
    const refused = throwError(() => new ApiError('offline', 'The server did not answer.'));
    const sent: { key?: string }[] = [];
    const { type, press, kept } = await begin({ bookRemoval$: (body: object) => (sent.push(body), refused) });
    await type('Gross before', '40');
    await type('Gross now', '36');
    await press(/^Log 4\.0 lb/);
    const onDevice = Object.entries(kept).map(([key, text]) => [key.replace('hygromet.draft.', ''), JSON.parse(text) as object] as const);
    TestBed.resetTestingModule();
    const again = await begin(
      { bookRemoval$: (body: object) => (sent.push(body), of({})) },
      { refrigerantTests: passed },
      Object.fromEntries(onDevice),
    );
    expect([again.control('Gross before').value, again.control('Gross now').value]).toEqual(['40', '36']);
    await again.press(/^Log 4\.0 lb/);
    // to the last field: anything else under this key would be refused
    expect(sent[1]).toEqual(sent[0]);
  });
});

describe('the vacuum', () => {
  const seen = { look: SEEN, plan };
  const setUp = {
    test: 'pull-down',
    volumeM3: 0.012,
    hose: '1/4',
    lengthM: 1.5,
    core: 'in',
    pumpSpeed: 2.36e-3,
    ambientK: 295,
    targetMicron: 500,
  } as const;
  const running = (micron: readonly number[], everyS = 60): Partial<Visit> => ({
    ...seen,
    tests: [
      {
        id: 'p1',
        setUp,
        begunAt: '2026-11-26T08:00:00.000Z',
        begunBy: 'Ines Marrow',
        readings: micron.map((value, k) => ({
          at: new Date(Date.parse('2026-11-26T08:00:00.000Z') + (k + 1) * everyS * 1000).toISOString(),
          by: 'Ines Marrow',
          reading: { micron: value },
        })),
        followed: null,
        ended: null,
      },
    ],
  });

  test('says how long this rig will take, what better hoses would change, and begins with the pump', async () => {
    const { text, type, press, sent } = await open('prove', seen);
    await type('Hose', '1/4');
    await type('Valve cores', 'in');
    expect(text()).toMatch(/To 1000 microns, dry and tight ?\d+(\.\d)? min/);
    expect(text()).toMatch(/Cores out: to 500 microns ?\d+/);
    await press('The pump is running');
    expect(sent[0]).toMatchObject({ kind: 'test-begun', setUp: { test: 'pull-down', hose: '1/4', core: 'in', targetMicron: 500 } });
  });

  test('a vacuum that stands at the vapor pressure of water is water, with what to do', async () => {
    const { text } = await open('prove', running([300_000, 60_000, 19_000, 18_800, 18_700, 18_650, 18_620, 18_600, 18_600, 18_600]));
    expect(text()).toContain('Liquid water');
    expect(text()).toContain('warm the low places, open the ballast');
  });

  test('each reading is kept as it is read, and the end says what was shown', async () => {
    const { text, type, press, sent } = await open('prove', running([400_000, 150_000, 50_000, 17_000, 6000]));
    expect(text()).toContain('5 of 6 readings for a first verdict');
    await type('Vacuum at the system', '2200');
    await press('Add reading');
    expect(sent[0]).toMatchObject({ kind: 'test-read', testId: 'p1', reading: { micron: expect.closeTo(2200, 6) } });
    await press('End the pull-down');
    expect(sent[1]).toMatchObject({ kind: 'test-ended', testId: 'p1' });
    expect(text()).toContain('Pull-down');
  });
});
