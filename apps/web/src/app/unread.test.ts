import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { EMPTY, NEVER, of, throwError } from 'rxjs';
import { aCylinder, aMovement, aSystem, aVisit, render, settled, stage } from '../../test/scene';
import { open, plan, SEEN } from '../../test/visit-scene';
import { ApiError } from './data/api-error';
import { ScanPage } from './labels/scan.page';
import { DueList } from './today/due-list';
import { FillPage } from './transfer/fill.page';

/** What is not read yet, and what cannot be read, is not nothing: no number, verdict or booking is made as if there were nothing of it. */
const unread = {
  'is on its way': NEVER,
  'cannot be read': throwError(() => new ApiError('unavailable', 'The database does not answer.')),
};
const ways = Object.entries(unread);
const each = <R extends string>(reads: readonly R[]) => reads.flatMap((read) => ways.map(([how, read$]) => [read, how, read$] as const));
/** As they are asked for: some by an id. */
const as = (read: string, read$: unknown) => ({ [read]: read.startsWith('cylinder') && read !== 'cylinders$' ? () => read$ : read$ });

test.each(each(['cylinder$', 'systems$', 'accounts$', 'organisation$', 'refrigerants$', 'visits$']))(
  'no stop weight while %s %s',
  async (read, _, read$) => {
    stage({ serverData: as(read, read$) });
    const { text, root } = await render(FillPage);
    expect(text()).not.toContain('Close the valve');
    expect([...root.querySelectorAll('button')].map(({ textContent }) => textContent.trim())).not.toContain('Start the transfer');
  },
);

const split = aSystem({ kind: 'split', nameplateKg: 3.2, contentKg: 3.2, refrigerant: 'R-410A' });
const marks = { kind: 'virgin', flammableRated: false, ports: 'one', validYears: 5 } as const;
const cylinders$ = of([aCylinder({ id: 'v', name: 'C-01', contentKg: 6, marks })]);
const charged = aMovement({ visit: 'v1', massKg: 2, from: { id: 'v', kind: 'cylinder', name: 'C-01' }, to: { id: 's1', kind: 'system', name: 'Planetarium' } }); // prettier-ignore

describe('the recharge', () => {
  const usual = { system$: () => of(split), cylinders$, movements$: () => of([charged]) };

  test('counts what is in it already', async () => {
    const { text } = await open('recharge', { look: SEEN, plan }, usual);
    expect(text()).toContain('Logged on this visit: 4.4 lb');
  });

  test.each(ways)('says nothing of what is left while its log %s', async (_, read$) => {
    const { text, root } = await open('recharge', { look: SEEN, plan }, { ...usual, movements$: () => read$ });
    expect(text()).toContain('Weigh in');
    expect(root.querySelector('hy-recharge-log form')).toBeNull();
    expect(root.querySelector('hy-charge-beam')?.getAttribute('aria-busy')).toBe('true');
  });

  test('says that its log cannot be read', async () => {
    const { text } = await open('recharge', { look: SEEN, plan }, { ...usual, movements$: () => unread['cannot be read'] });
    expect(text()).toContain('The log of this system cannot be read now.');
  });
});

describe('the account', () => {
  const first = { look: SEEN, plan, recovered: { bookings: 1, massKg: 4 } };
  const usual = { movements$: () => of([aMovement({ visit: 'v1', massKg: 4 })]), system$: () => of(aSystem({ contentKg: 4.98 })) };

  test.each(ways)('adds nothing up while the log %s', async (_, read$) => {
    const { text, root } = await open('account', first, { ...usual, movements$: () => read$ });
    expect(text()).not.toMatch(/ccounted for|Nothing is logged yet/);
    expect(root.querySelector('hy-account-terms')).toBeNull();
  });

  test.each(ways)('does not say that it may go back while what was found in the cylinders %s', async (_, read$) => {
    const { text } = await open('account', first, { ...usual, cylinders$: read$ });
    expect(text()).toContain('May it go back?');
    expect(text()).not.toContain('Back into this system');
    expect(text()).toMatch(/Reading the cylinders|The cylinders cannot be read now\./);
  });

  test('says that what would bring it back cannot be computed', async () => {
    const blend = { ...aSystem({ contentKg: 4.98 }), refrigerant: 'R-407C' };
    const visit = { ...first, system: { ...aVisit().system, refrigerant: 'R-407C' } };
    const call$ = () => unread['cannot be read'];
    const { text, fixture } = await open('account', visit, { ...usual, system$: () => of(blend) }, {}, { call$ });
    await settled(fixture);
    expect(text()).toContain('What would bring it back within tolerance cannot be computed now.');
  });
});

test('a number is not called unknown while the cylinders are not read', async () => {
  stage({ serverData: { cylinders$: EMPTY } });
  const { type, press, text } = await render(ScanPage);
  const went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  await type('Number', 'c07');
  await press('Open it');
  expect(text()).toContain('The cylinders are not read yet.');
  expect(text()).not.toContain('Register');
  expect(went).not.toHaveBeenCalled();
});

test('that nothing needs attention is not said by silence', async () => {
  stage({ serverData: { cylinders$: unread['cannot be read'] } });
  const { text } = await render(DueList);
  expect(text()).toContain('what needs attention is not known');
});
