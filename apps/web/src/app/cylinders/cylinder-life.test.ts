import { TestBed } from '@angular/core/testing';
import type { Cylinder } from '@hygromet/contract/cylinder';
import type { CylinderEvent } from '@hygromet/contract/cylinder-event';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { airCheck } from '@hygromet/core/readings/air-check';
import { bubblePoint } from '@hygromet/core/thermo/saturation';
import { pascal } from '@hygromet/core/units/quantity';
import { celsius, fahrenheit } from '@hygromet/core/units/temperature';
import { BehaviorSubject, of, throwError } from 'rxjs';
import { UNKNOWN } from '@hygromet/core/cylinder/unknown-content';
import { aCylinder, anAccount, render, settled, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { Units } from '../preferences/units.service';
import { airWords } from './air-labels';
import { CylinderPage } from './cylinder.page';
import { eventText } from './event-labels';
import { CylinderEventForm } from './cylinder-event-form';

const open = async (more: Partial<Cylinder> = {}, serverData: Record<string, unknown> = {}) => {
  const sent: object[] = [];
  const keep = (_: string, event: object) => {
    sent.push(event);
    return of(aCylinder());
  };
  stage({ serverData: { cylinder$: () => of(aCylinder(more)), addCylinderEvent$: keep, ...serverData } });
  return { ...(await render(CylinderPage)), sent };
};
const emptied = { contentKg: 0, composition: null, fillStatus: { state: 'empty' } } as const;

test('what is typed stays when the cylinder is read anew', async () => {
  stage();
  const { fixture, type, control } = await render(CylinderEventForm, { cylinder: aCylinder() });
  await type('What happened', 'retired');
  await type('Reason', 'dent at the foot ring');
  fixture.componentRef.setInput('cylinder', aCylinder({ contentKg: 1 }));
  await settled(fixture);
  expect([control('What happened').value, control('Reason').value]).toEqual(['retired', 'dent at the foot ring']);
});

test('what is typed of an event is kept on the device, cylinder by cylinder, until it is recorded', async () => {
  const { kept } = stage({ serverData: { addCylinderEvent$: () => of(aCylinder()) } });
  const { type, press } = await render(CylinderPage);
  await type('What happened', 'moved');
  await type('Note', 'to the roof');
  expect(JSON.parse(kept['hygromet.draft.cylinder-event.c7'] ?? '{}')).toMatchObject({ what: 'moved', note: 'to the roof' });
  await press('Record it');
  const { '~': _mark, ...left } = JSON.parse(kept['hygromet.draft.cylinder-event.c7'] ?? '{}') as Record<string, unknown>;
  expect(left).toEqual({ what: 'moved' });
});

describe('how it stands', () => {
  test('a mixture that has parted has no limit, and is drawn with its pressure all the same', async () => {
    const { text, root } = await open({ contentKg: 4, refrigerant: null, composition: { 'R-717': 0.5, 'R-290': 0.5 }, flags: ['mixed'] });
    expect(text()).toContain('now, two layers');
    expect(text()).toMatch(/\d+ % · 26\d psig/);
    expect(text()).toContain('it has no one boiling point, and no fill limit');
    expect(root.querySelectorAll('hy-cylinder-drawing .liquid.stop')).toHaveLength(0);
  });

  test('of what nobody has identified nothing is drawn, and that is said', async () => {
    const { text, root } = await open({ contentKg: 4, refrigerant: null, composition: UNKNOWN });
    expect(text()).toContain('not identified: nothing can be drawn of it');
    expect(root.querySelector('hy-cylinder-drawing')).toBeNull();
  });
});

describe('what happened is recorded', () => {
  test('an evacuation with its microns and its gauge; without them it is asked for', async () => {
    const { type, press, text, sent } = await open(emptied);
    await press('Record it');
    expect(text()).toContain('The reading of the micron gauge is missing.');
    expect(text()).toContain('Say which gauge showed it.');
    await type('Vacuum held', '320');
    await type('Gauge', 'micron gauge 2');
    await press('Record it');
    expect(sent[0]).toMatchObject({
      what: 'evacuated',
      pressurePa: expect.closeTo(42.66, 1),
      gauge: 'micron gauge 2',
      typed: { text: '320', unit: 'micron' },
    });
    expect(text()).toContain('Recorded.');
  });

  test('air is told before it is recorded, from gauge and thermometer', async () => {
    const value = bubblePoint(refrigerant('R-410A').composition, fahrenheit(75)).p;
    const { type, press, text, sent } = await open();
    await type('Gauge reads', String(Math.round((value * 1.15 - 101_325) / 6894.757)));
    await type('Shell temperature (at liquid level)', '75');
    expect(text()).toMatch(/Air: 1[23]\.\d % of the vapor .* 1\.5 % is allowed \(AHRI 700\)/);
    await press('Record it');
    expect(sent[0]).toMatchObject({ what: 'air-checked', gaugePa: expect.closeTo(6894.757, 2), thermometerK: expect.closeTo(5 / 9, 9) });
  });

  test('without knowing how good the thermometer is nothing is recorded, and the field says so', async () => {
    const { type, press, text, sent } = await open();
    await type('Gauge reads', '200');
    await type('Shell temperature (at liquid level)', '75');
    await type('Thermometer accuracy (±), °F', 'fairly');
    expect(text()).toContain('Write how many degrees it may be off, such as 1.');
    await type('Thermometer accuracy (±), °F', '');
    await press('Record it');
    expect([sent.length, text().includes('Say how good the thermometer is')]).toEqual([0, true]);
  });

  test('what left it goes to the ledger', async () => {
    const removals: object[] = [];
    const bookRemoval$ = (body: object) => {
      removals.push(body);
      return of({});
    };
    const accounts$ = of([anAccount({ id: 'r1', kind: 'reclaimer', name: 'Reclaimer' })]);
    const { type, press, text } = await open({}, { bookRemoval$, accounts$ });
    await type('What happened', 'left');
    await press('Record it');
    expect(text()).toContain('Choose where it went.');
    await type('Destination', 'r1');
    await type('Starting gross weight', '24.6');
    await type('Ending gross weight', '17.2');
    await press('Record it');
    expect(removals[0]).toMatchObject({ to: 'r1', cylinder: 'c7', grossAfterTyped: { text: '17.2', unit: 'lb' } });
  });

  test('a weight that can hardly be is asked back, and recorded once it is said to be right', async () => {
    const removals: { grossBeforeKg: number }[] = [];
    const bookRemoval$ = (body: (typeof removals)[number]) => (removals.push(body), of({}));
    const accounts$ = of([anAccount({ id: 'r1', kind: 'reclaimer', name: 'Reclaimer' })]);
    const { type, press, text } = await open({}, { bookRemoval$, accounts$ });
    await type('What happened', 'left');
    await type('Destination', 'r1');
    await type('Starting gross weight', '7.4');
    await type('Ending gross weight', '7.0');
    await press('Record it');
    expect(text()).toContain('That is what should be in it without the cylinder.');
    await type('Starting gross weight', '70.0');
    await press('Record it');
    expect(text()).toContain('That is 45.4 lb more than before. Read the scale again.');
    await type('Starting gross weight', '24.6');
    await type('Ending gross weight', '12.0');
    await press('Record it');
    expect(text()).toContain('That is below its tare of 17.2 lb.');
    expect(text()).not.toContain('Reading is correct – continue'); // it is never booked
    await type('Starting gross weight', '70.0');
    await type('Ending gross weight', '65.0');
    await press('Record it');
    expect(removals).toEqual([]);
    await press('Reading is correct – continue');
    expect(removals).toHaveLength(1);
  });

  test('a tare in the wrong unit is asked back', async () => {
    const { type, press, text, sent } = await open(emptied);
    await type('What happened', 'tare-weighed');
    await type('Empty weight (measured tare)', '7.8');
    await press('Record it');
    expect([sent.length, text().includes('Does the scale show kg?')]).toEqual([0, true]);
  });

  test.each([
    ['moved', 'Current location', 'workshop', { what: 'moved', place: 'workshop' }],
    ['requalified', 'New stamp', '10-26', { what: 'requalified', stamp: '2026-10' }],
    ['tare-weighed', 'Empty weight (measured tare)', '17.9', { what: 'tare-weighed', typed: { text: '17.9', unit: 'lb' } }],
    [
      'described',
      'Reserved for customer',
      'Cheese cave',
      { what: 'described', marks: { owner: 'Cheese cave', kind: 'recovery', validYears: 5 } },
    ],
    ['retired', 'Reason', 'dent', { what: 'retired', reason: 'dent' }],
    ['relabelled', 'Used for', 'burn-out', { what: 'relabelled', refrigerant: null, kind: 'burn-out' }],
  ])('%s', async (what, field, value, event) => {
    const { type, press, sent } = await open(emptied);
    await type('What happened', what);
    await type(field, value);
    await press('Record it');
    expect(sent[0]).toMatchObject(event);
  });

  test('what the server refuses is said, and nothing typed is lost', async () => {
    const refuse = () => throwError(() => new ApiError('not-empty', 'The ledger shows 4.00 kg in C-07.'));
    const { type, press, text, control } = await open({}, { addCylinderEvent$: refuse });
    await type('What happened', 'retired');
    await type('Reason', 'dent');
    await press('Record it');
    expect(text()).toContain('The ledger shows 4.00 kg in C-07.');
    expect(control('Reason').value).toBe('dent');
  });
});

test('to fill it is the main thing on a sound cylinder’s page, not on that of one in trouble', async () => {
  const main = async (more: Partial<Cylinder>) => {
    TestBed.resetTestingModule();
    const { root } = await open(more);
    return root.querySelector('a[href="/cylinders/c7/fill"]')!.classList.contains('main');
  };
  expect([await main({}), await main({ flags: ['overdue'] }), await main({ retiredAt: '2026-11-20T08:00:00.000Z' })]).toEqual([
    true,
    false,
    false,
  ]);
});

describe('a cylinder in trouble', () => {
  const over = {
    id: 'c5',
    name: 'C-05',
    contentKg: 11,
    fillStatus: {
      state: 'limited',
      ruling: 'eighty-percent-77F',
      limitGrossKg: 17.6,
      stopGrossKg: 17.4,
      mayAddKg: -1.4,
      liquidShare77F: 0.9,
      stopShare77F: 0.8,
    },
    flags: ['overfilled'],
  } as const;
  const empty = aCylinder({ id: 'c4', name: 'C-04', refrigerant: null, ...emptied, evacuatedAt: '2026-11-20T08:00:00.000Z' });

  test('overfilled: so much into that one, and how warm it may get until then', async () => {
    const { text, root } = await open(over as unknown as Cylinder, { cylinders$: of([empty]) });
    expect(text()).toContain('Take out 2.7 lb');
    expect(text()).toMatch(/Keep it below \d+ °F until then/);
    expect(text()).toContain('2.7 lb into C-04, evacuated');
    expect(root.querySelector('[aria-label="Fill C-04"]')?.getAttribute('href')).toBe('/cylinders/c4/fill?from=c5');
  });

  test('overfilled with nothing at hand: said', async () => {
    const { text } = await open(over as unknown as Cylinder, { cylinders$: of([]) });
    expect(text()).toContain('For 2.7 lb no cylinder with room is at hand');
  });

  test('mixed: what it is now, and who decides about it', async () => {
    const { text } = await open({ flags: ['mixed'], composition: { 'R-22': 0.3, 'R-32': 0.35, 'R-125': 0.35 } });
    expect(text()).toContain('R-32 35.0 %, R-125 35.0 %, R-22 30.0 % by mass');
    expect(text()).toMatch(/At 131 °F it can reach \d+ psig; cylinder limit is \d+ psig/);
    expect(text()).toContain('Unknown mixture – treat as flammable');
  });

  test('put together with another: what results, and who takes it, before anybody does it', async () => {
    const same = aCylinder({ id: 'c1', name: 'C-01', contentKg: 8 });
    const other = aCylinder({ id: 'c6', name: 'C-06', refrigerant: 'R-22', composition: { 'R-22': 1 }, contentKg: 2 });
    const { text, type } = await open({}, { cylinders$: of([same, other]) });
    await type('Content of', 'c1');
    expect(text()).toMatch(
      /25\.0 lb of R-410A, then recovery\. It goes to the reclaimer\. That is 3\.5 lb more than this cylinder may hold/,
    );
    await type('Content of', 'c6');
    expect(text()).toMatch(/11\.8 lb of an unidentified mixture, then for destruction\. It can often not be reclaimed/);
  });

  test('in the heat: full of liquid from there on, and what each degree adds', async () => {
    const { text, root } = await open({ contentKg: 9 });
    expect(text()).toMatch(/Goes liquid-full at 1\d\d °F; above that, pressure climbs about \d+ psi per degree/);
    expect(root.querySelector('hy-hot-chart path.curve')?.getAttribute('d')).toMatch(/^M.*L/);
  });
});

describe('the hottest place it will be', () => {
  test('is the one of the settings until another is chosen, and the advice follows it', async () => {
    const { type, text, control } = await open({ contentKg: 9 });
    expect(control('Maximum storage temperature').value).toBe('van-shade');
    const advice = () => /80 % at the hottest location\s*0\.80 × 11\.91 L × (\d+) kg/.exec(text())?.[1];
    const shade = Number(advice());
    await type('Maximum storage temperature', 'van-sun');
    expect(Number(advice())).toBeLessThan(shade);
    expect(text()).toMatch(/Hottest expected location: 140 °F, \d{3} psig there/);
  });

  test('a temperature of one’s own is read, and a wrong one has its sentence', async () => {
    const { type, text } = await open({ contentKg: 9 });
    await type('Maximum storage temperature', 'own');
    await type('Hottest temperature', '150');
    expect(text()).toMatch(/Hottest expected location: 150 °F, \d{3} psig there – do not leave it there/);
    await type('Hottest temperature', '1500');
    expect(text()).toContain('No place for a cylinder is that cold or that hot. Check the unit.');
  });
});

describe('words', () => {
  const composition = refrigerant('R-134a').composition;
  const value = bubblePoint(composition, celsius(24)).p;
  test.each([
    ['clean', airCheck(composition, value, celsius(24), { gauge: 500, thermometer: 0.05 }), /No more air than 1\.5 %/],
    ['cannot-tell', airCheck(composition, value, celsius(24), { gauge: 20000, thermometer: 1 }), /cannot tell/],
    ['below', airCheck(composition, pascal(value * 0.6), celsius(24), { gauge: 5000, thermometer: 1 }), /identifier/],
  ])('%s', (finding, check, sentence) => {
    stage();
    expect(check.finding).toBe(finding);
    expect(airWords(check, { blend: false, fits: [] }, TestBed.inject(Units)).sentence).toMatch(sentence);
  });

  const nonCondensables = airCheck(composition, pascal(value * 1.2), celsius(24), { gauge: 5000, thermometer: 0.5 });
  test('air in one substance is purged into recovery, a blend never; another refrigerant is ruled out first', () => {
    stage();
    const said = (checked: { blend: boolean; fits: string[] }) => airWords(nonCondensables, checked, TestBed.inject(Units)).sentence;
    expect(nonCondensables.finding).toBe('air');
    expect(said({ blend: false, fits: [] })).toMatch(/purge vapor slowly from the top into recovery, never into the open/);
    expect(said({ blend: true, fits: [] })).toMatch(/Do not purge it: the vapor of a blend is richer in its light parts/);
    expect(said({ blend: false, fits: ['R-22', 'R-290'] })).toMatch(/also be the saturation pressure of R-22, R-290: rule that out/);
    expect(said({ blend: false, fits: ['A', 'B', 'C', 'D', 'E'] })).toMatch(/A, B, C, D and others/);
  });

  const event = (what: CylinderEvent['what'], detail: object): CylinderEvent => ({
    id: 'e',
    what,
    detail: { ...detail },
    happenedAt: '2026-11-20T09:00:00Z',
    recordedAt: '2026-11-20T09:00:00Z',
    recordedBy: 'Tobin Wake',
    note: null,
  });
  test.each([
    [event('evacuated', { pressurePa: 40, gauge: 'gauge 2' }), 'evacuated, held at 300 microns on gauge 2'],
    [event('moved', { place: 'workshop' }), 'moved: workshop'],
    [event('requalified', { stamp: '2026-10' }), 'requalified, stamped 10-26'],
    [event('tare-weighed', { tareKg: 8, collarKg: 7.8 }), 'weighed empty: 17.6 lb, its collar says 17.2 lb'],
    [event('relabelled', { refrigerant: null, kind: 'burn-out' }), 'labeled anew: no refrigerant yet, burnout / unknown'],
    [event('retired', { reason: 'dent' }), 'out of use: dent'],
  ])('%j', (own_, text) => {
    stage();
    expect(eventText(own_, TestBed.inject(Units))).toBe(text);
  });

  test('the history of the page tells them', async () => {
    const cylinderEvents$ = () => new BehaviorSubject([event('moved', { place: 'workshop' })]);
    const { text } = await open({}, { cylinderEvents$ });
    expect(text()).toMatch(/moved: workshop\s?Tobin Wake, Nov 20, 2026/);
  });
});
