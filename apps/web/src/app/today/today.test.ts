import type { Look } from '@hygromet/contract/look';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { Visit } from '@hygromet/contract/visit';
import type { VisitPlan } from '@hygromet/contract/visit-plan';
import { of, throwError } from 'rxjs';
import { aCylinder, aVisit as visitOf, painted, render, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { NextTruck } from '../truck/next-truck';
import { TruckSolver } from '../truck/truck-solver.service';
import { dayOf } from '../ui/day';
import { TodayPage } from './today.page';
import { byDay, nextOf } from './visit-labels';

const plan: VisitPlan = {
  method: 'recover',
  proposed: 'recover',
  why: '',
  failed: 'condenser',
  ambientK: 300,
  standingPa: null,
  factsVersion: 1,
};
const SEEN: Look = { ambient: { text: '84', unit: 'F' }, standing: { text: '128', unit: 'psig' }, failed: 'condenser' };
const aVisit = (more: Partial<Visit> = {}): Visit => visitOf({ day: dayOf(new Date()), ...more });

describe('the one thing to do next', () => {
  test('a system that was left under nitrogen says until when, then that it is to be read, and nothing of it once it was ended', () => {
    const left = (until: Date, more: object = {}) =>
      nextOf(
        aVisit({
          look: SEEN,
          tests: [{ id: 't1', setUp: { test: 'hold', until: until.toISOString() }, ended: null, ...more }] as unknown as Visit['tests'],
        }),
      );
    const [later, before] = [new Date(Date.now() + 36e5), new Date(Date.now() - 36e5)];
    expect(left(later)).toMatch(/^Under nitrogen until \w+day \d/);
    expect(left(before)).toBe('Under nitrogen: read the hold');
    expect(left(later, { ended: { at: before.toISOString(), by: 'Tobin Wake', finding: {} } })).toBe('Choose the method');
  });

  test.each([
    [{}, 'Inspect the system'],
    [{ look: SEEN }, 'Choose the method'],
    [{ look: SEEN, plan }, 'Recover everything: fill a cylinder'],
    [{ look: SEEN, plan: { ...plan, method: 'nothing' } }, 'Balance the charge'],
    [{ look: { ...SEEN, failed: 'evaporator' }, plan: { ...plan, method: 'pump-down-receiver', failed: 'evaporator' } }, 'Pump it down'],
    [{ look: { ...SEEN, failed: 'compressor' }, plan }, 'What was found has changed: check the method again'],
    [{ look: { failed: 'condenser' }, plan }, 'Inspect the system'],
    [{ look: SEEN, plan: { ...plan, factsVersion: 0 } }, 'The facts have changed: check the method again'],
    [{ state: 'closed' }, 'Closed'],
  ] satisfies [Partial<Visit>, string][])('of a visit with %j', (more: Partial<Visit>, words) => {
    expect(nextOf(aVisit(more))).toBe(words);
  });
});

test('visits stand by when they want attention; what is closed and past is gone', () => {
  const visits = [
    aVisit({ id: 'a', day: '2026-11-24' }),
    aVisit({ id: 'b', day: '2026-11-20' }),
    aVisit({ id: 'c', day: '2026-11-26', state: 'closed' }),
    aVisit({ id: 'd', day: '2026-11-30' }),
    aVisit({ id: 'e', day: '2026-11-20', state: 'closed' }),
  ];
  const groups = byDay(visits, '2026-11-26').map(({ due, visits: own }) => [due, own.map(({ id }) => id)]);
  expect(groups).toEqual([
    ['today', ['c']],
    ['overdue', ['b', 'a']],
    ['later', ['d']],
  ]);
  expect(byDay([], '2026-11-26')).toEqual([{ due: 'today', visits: [] }]);
});

describe('the page', () => {
  test('shows today’s visits by their hour, with the person, how far each is, what is next and what may come in', async () => {
    const later = aVisit({ id: 'v2', time: '14:00', person: 'Odalys Fenn', system: { ...aVisit().system, site: 'Bell foundry' } });
    stage({ serverData: { visits$: of([later, aVisit({ id: 'v0', state: 'closed' }), aVisit({ time: '07:40', look: SEEN, plan })]) } });
    const { text, root } = await render(TodayPage);
    expect(text()).toContain('2 open visits · up to 43.6 lb may be recovered');
    const rows = [...root.querySelectorAll('article')];
    expect(rows.map((row) => row.querySelector('.when')?.textContent?.trim())).toEqual(['07:40', '14:00', '']);
    expect(rows[1]?.textContent).toContain('R-410A, 19.8 lb · Odalys Fenn');
    // the one that is under way carries the main action
    expect(rows[0]?.querySelector('a.main')?.textContent).toBe('Go on');
    expect(root.querySelectorAll('article a.main')).toHaveLength(1);
    expect(rows[0]?.querySelector('hy-stage-spine svg')?.getAttribute('aria-label')).toContain('Look done; Method done; Transfer needs');
  });

  test('an overdue visit is planned for today with one press, another for the day that is chosen', async () => {
    const moved: [string, { day: string }][] = [];
    const visits = [aVisit({ id: 'old', day: '2020-01-02' }), aVisit({ id: 'v1', system: { ...aVisit().system, site: 'Print works' } })];
    stage({ serverData: { visits$: of(visits), addVisitEvent$: (...args: (typeof moved)[number]) => (moved.push(args), of(aVisit())) } });
    const { press, type, text } = await render(TodayPage);
    expect(text()).toContain('Jan 2 Thu');
    await press('Plan the visit to Planetarium for today');
    await press('Move the visit to Print works to another day');
    await type('New day', '2999-01-02');
    await press('Move');
    expect(moved.map(([id, { day }]) => [id, day])).toEqual([
      ['old', dayOf(new Date())],
      ['v1', '2999-01-02'],
    ]);
  });

  test('a visit that somebody has changed meanwhile stays where it is, and the sentence says why', async () => {
    const apiError = new ApiError('changed-meanwhile', 'Somebody has changed this visit meanwhile.');
    stage({ serverData: { visits$: of([aVisit({ day: '2020-01-02' })]), addVisitEvent$: () => throwError(() => apiError) } });
    const { press, text } = await render(TodayPage);
    await press('Plan the visit to Planetarium for today');
    expect(text()).toContain('Somebody has changed this visit meanwhile.');
  });

  test('a day without visits says what to do', async () => {
    stage();
    expect((await render(TodayPage)).text()).toContain('No visit today.');
  });

  test('a visit is opened for a system with its reason, and leads to the look', async () => {
    const sent: object[] = [];
    stage({ serverData: { addVisit$: (body: object) => (sent.push(body), of(aVisit())) } });
    const { type, press, text, fixture } = await render(TodayPage);
    await press('Add a visit');
    await painted(fixture);
    await press('Open the visit');
    expect(text()).toContain('Choose the system that is visited.');
    expect(text()).toContain('The reason is missing.');
    const go = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await type('System', 's1');
    await type('Reason', 'no cooling since Monday');
    await type('Time', '07:40');
    await press('Open the visit');
    expect(sent[0]).toMatchObject({
      system: 's1',
      reason: 'no cooling since Monday',
      day: dayOf(new Date()),
      time: '07:40',
      person: 'Ines Marrow',
    });
    expect(go).toHaveBeenCalledWith(['/visits', 'v1', 'look']);
  });

  test('an unreachable server is said', async () => {
    stage({ serverData: { visits$: throwError(() => new ApiError('offline', 'x')) } });
    expect((await render(TodayPage)).text()).toContain('The visits cannot be read now.');
  });
});

test('cylinders that want something stand on today, the gravest first, with what to do', async () => {
  const cylinders = [
    aCylinder({ id: 'c8', name: 'C-08', flags: ['due-soon'], validThrough: '2027-01' }),
    aCylinder({ flags: ['non-condensables'], airShare: 0.11 }),
  ];
  stage({ serverData: { cylinders$: of(cylinders) } });
  const { root, text } = await render(TodayPage);
  const lines = [...root.querySelectorAll('hy-due-list li')].map(({ textContent }) => (textContent ?? '').replace(/\s+/g, ' ').trim());
  expect(lines).toEqual([
    '▲ C-07: 11 % non-condensables, vancheck it again, or send it in',
    'C-08: requalification due 01-27, vanhave it requalified',
  ]);
  expect(text()).toContain('calendar feed (ICS)');
});

describe('the truck of the next day', () => {
  const later = '2999-01-02';
  const withSolver = (short: readonly object[]) => {
    const solve$ = () => of({ plan: { loads: [], short, weight: 0 }, proved: true });
    stage({
      serverData: { visits$: of([aVisit({ day: later })]) },
      providers: [{ provide: TruckSolver, useValue: { solve$, goal: () => undefined } }],
    });
    return render(NextTruck, { day: later });
  };

  test('what has no room on it is said on Today, with the remedy', async () => {
    const { text } = await withSolver([{ job: 'v1', kg: 3.5 }]);
    expect(text()).toContain('Truck of Wed, Jan 2, 2999');
    expect(text()).toMatch(/Planetarium: 7\.8 lb of R-410A will not fit\. Get an evacuated recovery cylinder/);
  });

  test('what is filled before that day is said to take room', async () => {
    const solve$ = () => of({ plan: { loads: [], short: [], weight: 0 }, proved: true });
    const visits = [aVisit({ day: later }), aVisit({ id: 'v2' })];
    stage({ serverData: { visits$: of(visits) }, providers: [{ provide: TruckSolver, useValue: { solve$, goal: () => undefined } }] });
    expect((await render(NextTruck, { day: later })).text()).toContain('look again after it is booked');
  });

  test('that nothing is missing is said as well', async () => {
    expect((await withSolver([])).text()).toContain('Everything that the visits may bring has room in the van.');
  });
});
