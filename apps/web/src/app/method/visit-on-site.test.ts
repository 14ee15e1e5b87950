import { BehaviorSubject, of, throwError } from 'rxjs';
import { aCylinder, aSystem, aVisit, render, stage } from '../../../test/scene';
import { Refusal } from '../live/refusal';
import { MethodPage } from './method.page';

const visit = aVisit;
const empty = (name: string, more: object = {}) =>
  aCylinder({
    id: name,
    name,
    refrigerant: null,
    composition: null,
    contentKg: 0,
    evacuatedAt: '2026-11-20T08:00:00.000Z',
    standing: { state: 'empty' },
    ...more,
  });

async function open(registers: Record<string, unknown> = {}) {
  stage({ id: 's1', registers: { visits$: of([visit()]), system$: () => of(aSystem()), ...registers } });
  const page = await render(MethodPage);
  await page.type('Failed part', 'condenser');
  return page;
}

describe('the cylinders for a visit', () => {
  test('those in the van come first with what each takes, and each leads to its fill for this visit', async () => {
    const cylinders = [empty('C-11', { place: 'workshop' }), empty('C-04'), aCylinder()];
    const { text, root } = await open({ cylinders$: of(cylinders) });
    expect([...root.querySelectorAll('hy-cylinder-choice li b')].map(({ textContent }) => textContent)).toEqual(['C-07', 'C-04', 'C-11']);
    expect(text()).toMatch(/At most 21\.8 lb have to find room: take C-04 and C-07\./);
    expect(root.querySelector<HTMLAnchorElement>('[aria-label="Fill C-04"]')?.getAttribute('href')).toBe(
      '/cylinders/C-04/fill?from=s1&visit=v1',
    );
  });

  test('one too few is said with what is missing', async () => {
    const { text } = await open({ cylinders$: of([aCylinder()]) });
    expect(text()).toMatch(/21\.8 lb may have to find room, and the cylinders in the van take 13\.\d lb: 8\.\d lb are short\./);
  });

  test('what must not be filled is named with its reason', async () => {
    const cylinders = [
      empty('C-06', { flags: ['overdue'] }),
      empty('C-99', { evacuatedAt: null }),
      aCylinder({ flags: ['airy'], airShare: 0.1 }),
    ];
    const { text } = await open({ cylinders$: of(cylinders) });
    expect(text()).toContain('Not now: C-06 past its retest date · C-99 not evacuated · C-07 air in it');
  });
});

describe('what is read at the steps', () => {
  test('goes to the visit when the field is left, with who and when', async () => {
    const visits$ = new BehaviorSubject([visit()]);
    const sent: { step: string; text: string }[] = [];
    const addVisitReading$ = (_: string, reading: { step: string; text: string }) => {
      sent.push(reading);
      visits$.next([visit({ readings: [{ ...reading, readAt: '2026-11-26T09:00:00.000Z', recordedBy: 'Ines Marrow' }] })]);
      return of(visit());
    };
    const { control, fixture, text } = await open({ visits$, addVisitReading$ });
    const field = control('Read at step 1');
    field.value = '128 psig';
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('change'));
    field.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(sent.map((own) => own.text)).toEqual(['128 psig']);
    expect(text()).toMatch(/128 psig · Ines Marrow, 26 Nov 2026/);
  });

  test('what the server does not take stays, and is said', async () => {
    const addVisitReading$ = () => throwError(() => new Refusal('offline', 'The server cannot be reached.'));
    const { control, fixture, text } = await open({ addVisitReading$ });
    const field = control('Read at step 1');
    field.value = '128 psig';
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(text()).toContain('The server cannot be reached.');
    expect(field.value).toBe('128 psig');
  });
});

test('the spine and the account follow what was kept and booked', async () => {
  const plan = {
    method: 'recover',
    proposed: 'recover',
    why: '',
    failed: 'condenser',
    ambientK: 300,
    standingPa: null,
    factsVersion: 1,
  } as const;
  const { root, text } = await open({
    visits$: of([visit({ plan, recovered: { bookings: 2, massKg: 4 } })]),
    system$: () => of(aSystem({ contentKg: 4.98 })),
  });
  expect(root.querySelector('[aria-current=step]')?.textContent).toContain('Account');
  expect(text()).toMatch(/8\.8 lb booked in 2 transfers; 11\.0 lb should still be in it by the ledger/);
  expect(text()).toContain('No part with a pressure limit is recorded');
});

test('a machine that would trip is given a cooler cylinder, and a smaller one takes longer', async () => {
  const { type, text } = await open();
  await type('Ambient', '100');
  expect(text()).toMatch(/cut-out will open: put the cylinder into (running|ice) water/);
  await type('Cylinder', 'ice');
  expect(text()).not.toContain('cut-out will open');
  const minutes = () => Number(/Machine, estimated\s*\d+ to (\d+) min/.exec(text())?.[1]);
  const two = minutes();
  await type('Machine', 'one-cylinder');
  expect(minutes()).toBeGreaterThan(two);
});
