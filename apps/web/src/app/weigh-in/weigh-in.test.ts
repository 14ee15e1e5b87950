import type { Cylinder } from '@hygromet/contract/cylinder';
import { BehaviorSubject, of, throwError } from 'rxjs';
import { aCylinder, render, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { WeighInPage } from './weigh-in.page';

/** 17.2 lb of tare, 7.4 lb in it: 24.6 lb by the ledger. */
const here = aCylinder();
const other = aCylinder({ id: 'c8', name: 'C-08' });

async function open(serverData: Record<string, unknown> = {}, cylinders: readonly Cylinder[] = [here, other], drafts = {}) {
  const sent: { id: string; event: Record<string, unknown> }[] = [];
  const rack$ = new BehaviorSubject(cylinders);
  const addCylinderEvent$ = (id: string, event: Record<string, unknown>) => {
    sent.push({ id, event });
    rack$.next(rack$.value.map((entry) => (entry.id === id ? { ...entry, weighedInAt: '2999-01-01T00:00:00.000Z' } : entry)));
    return of(here);
  };
  const { kept } = stage({ serverData: { cylinders$: rack$, addCylinderEvent$, ...serverData }, drafts });
  const page = await render(WeighInPage);
  const weigh = async (digits: string) => {
    for (const digit of digits) await page.press(digit === '.' ? 'Decimal mark' : digit);
    await page.press('Weighed');
  };
  return { ...page, weigh, sent, kept };
}

test('what agrees is kept at once with what was typed, and the next cylinder comes', async () => {
  const { weigh, sent, text } = await open();
  expect(text()).not.toContain('24.6');
  await weigh('24.6');
  expect(sent[0]).toMatchObject({
    id: 'c7',
    event: { what: 'weighed-in', typed: { text: '24.6', unit: 'lb' }, scaleOffKg: expect.closeTo(0.04536, 5), difference: { is: 'none' } },
  });
  expect(text()).toContain('1 of 2 weighed');
  expect(text()).toMatch(/Put on the scale\s*C-08/);
  expect(text()).toContain('✓ agrees');
});

test('a difference is told with both figures, and booked or explained, never passed over', async () => {
  const { weigh, press, type, sent, text } = await open();
  await weigh('24.0');
  expect(text()).toContain('0.60 lb less than the ledger');
  expect(text()).toContain('The scale shows 24.0 lb; the ledger expected 24.6 lb.');
  expect(sent).toEqual([]);
  await press('Keep ledger weight');
  expect(text()).toContain('Choose the reason, or log the difference.');
  await type('Reason for difference', 'other');
  await press('Keep ledger weight');
  expect(text()).toContain('The reason is missing.');
  await type('Reason', 'the strap was on it before');
  await press('Keep ledger weight');
  expect(sent[0]?.event['difference']).toEqual({ is: 'explained', reason: 'the strap was on it before' });
  await weigh('25.6');
  await press('Log 1.00 lb as unaccounted');
  expect(sent[1]).toMatchObject({ id: 'c8', event: { difference: { is: 'booked' } } });
  expect(text()).toContain('Every cylinder of this round is weighed.');
  expect(text()).toContain('0 agree, 1 explained, 1 logged as unaccounted, +1.00 lb in all');
});

test.each([
  ['12', 'That is below its tare of 17.2 lb.'],
  ['7.4', 'That is what should be in it without the cylinder.'],
  ['11.2', 'That would fit in kilograms. Does the scale show kg?'],
  ['90', 'That is 65.4 lb more than before.'],
])('%s lb is asked back first: %s', async (digits, question) => {
  const { weigh, press, text, sent } = await open();
  await weigh(digits);
  expect(text()).toContain(question);
  expect(sent).toEqual([]);
  await press('Reading is correct – continue');
  expect(text()).toMatch(/(more|less) than the ledger/);
});

test('an empty reading is named, and the accuracy of the scale decides what agrees', async () => {
  const { press, type, weigh, text, sent } = await open();
  await press('Weighed');
  expect(text()).toContain('The weight is missing.');
  await type('Scale accuracy (±)', '0.5');
  await weigh('25.0');
  expect(sent[0]?.event['difference']).toEqual({ is: 'none' });
});

test('an error of the server is said, and what was typed stays', async () => {
  const refused = () => throwError(() => new ApiError('below-tare', 'The gross weight is below the tare of C-07. Read both again.'));
  const { weigh, press, text } = await open({ addCylinderEvent$: refused });
  await weigh('24.0');
  await press('Log 0.60 lb as unaccounted');
  expect(text()).toContain('The gross weight is below the tare of C-07.');
  expect(text()).toContain('The scale shows 24.0 lb');
});

test('what agrees and could not be sent can be sent again', async () => {
  let tries = 0;
  const second = () => (tries++ === 0 ? throwError(() => new ApiError('offline', 'The server does not answer.')) : of(here));
  const { weigh, press, text } = await open({ addCylinderEvent$: second });
  await weigh('24.6');
  expect(text()).toContain('The server does not answer.');
  await press('Send it again');
  expect(tries).toBe(2);
  expect(text()).toContain('1 agree');
});

test('only the cylinders of the chosen place are in the round, none that is out of use or at the reclaimer', async () => {
  const cylinders = [
    here,
    aCylinder({ id: 'c2', name: 'C-02', place: 'workshop' }),
    aCylinder({ id: 'c3', name: 'C-03', place: 'reclaimer' }),
    aCylinder({ id: 'c4', name: 'C-04', retiredAt: '2026-01-01T00:00:00.000Z' }),
  ];
  const { type, text, press } = await open({}, cylinders);
  expect(text()).toContain('0 of 2 weighed');
  await type('Location', 'workshop');
  expect(text()).toMatch(/Put on the scale\s*C-02/);
  await type('Location', 'site');
  expect(text()).toContain('No cylinder is here.');
  await press('Start a new weigh-in');
  expect(text()).toContain('Nothing weighed yet.');
});
