import { Injectable } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { massFrom } from '@hygromet/core/units/mass';
import { celsius } from '@hygromet/core/units/temperature';
import { of, throwError } from 'rxjs';
import { aCylinder, anAccount, aSystem, aVisit, organisation, stage } from '../../../test/scene';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ApiError } from '../data/api-error';
import { valueOf } from '../ui/loadable';
import { minuteOf } from '../ui/when';
import { FillSession } from './fill.session';
import { FillTarget } from './fill-target';

const answered = async () => {
  for (let k = 0; k < 6; k++) {
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve));
  }
};
const pounds = (text: string) => ({ unit: 'lb', text, ounces: '' });

const target = (more: Partial<FillTarget> = {}) => ({
  provide: FillTarget,
  useValue: { cylinderId: 'c7', visit: null, source: null, ...more },
});

async function open(serverData: Record<string, unknown> = {}, drafts: Record<string, object> = {}) {
  const { kept } = stage({ serverData, drafts, providers: [FillSession, target()] });
  const session = TestBed.inject(FillSession);
  await answered();
  return { session, kept };
}

// 0.95 × 11.91 L × the density of saturated R-410A at 131 °F: 21.6 lb net, with the tare of 17.2 lb 38.8 lb gross
test('the stop weight stands before anything is typed, from what the ledger knows', async () => {
  const { session } = await open();
  expect(session.ruling()?.rule).toBe('not-liquid-full-131F');
  expect(massFrom(38.7, 'lb')).toBeLessThan(session.ruling()!.gross);
  expect(massFrom(38.9, 'lb')).toBeGreaterThan(session.ruling()!.gross);
  expect(session.contentKg()).toBeCloseTo(3.3566, 4);
  expect(session.weighed()).toBe(false);
});

test('the scale is believed, and what the ledger cannot explain is told', async () => {
  const { session } = await open();
  session.change({ before: pounds('27.0') });
  await answered();
  expect(session.contentKg()).toBeCloseTo(massFrom(27, 'lb') - 7.801789, 6);
  expect(session.unexplained()).toBeCloseTo(massFrom(27, 'lb') - 7.801789 - 3.3566, 6);
  session.change({ before: pounds('24.6') });
  await answered();
  expect(session.unexplained()).toBeUndefined();
});

test('a reading below the tare is named with the tare, and does not go on', async () => {
  const { session } = await open();
  session.change({ before: pounds('12'), source: 's1' });
  await answered();
  expect(session.belowTare()).toContain('below its tare of 17.2 lb');
  session.start(false);
  expect(session.draft().stage).toBe('cylinder');
  expect(session.submitted()).toBe(true);
});

test('it goes on when weight and source are there, and not before', async () => {
  const { session } = await open();
  session.start(false);
  expect(session.draft().stage).toBe('cylinder');
  session.change({ before: pounds('24.6'), source: 's1' });
  await answered();
  session.start(false);
  expect(session.draft().stage).toBe('transfer');
  expect(session.incoming()?.name).toBe('R-410A');
});

test('opened to take too much out of another cylinder, it knows where it comes from, and what that is', async () => {
  const other = aCylinder({ id: 'c5', name: 'C-05', refrigerant: 'R-410A' });
  const { kept } = stage({
    drafts: { 'fill.c7': { before: pounds('24.6'), source: 's1' } },
    serverData: {
      cylinder$: (id: string) => of(id === 'c5' ? other : aCylinder()),
      accounts$: of([anAccount({ id: 'c5', kind: 'cylinder', name: 'C-05', massKg: 9 })]),
    },
    providers: [FillSession, target({ source: 'c5' })],
  });
  const session = TestBed.inject(FillSession);
  await answered();
  expect([session.source()?.name, session.incoming()?.name, session.saysItself()]).toEqual(['C-05', 'R-410A', true]);
  expect(kept['hygromet.draft.fill.c7']).toContain('24.6');
});

test('of another cylinder that was chosen before nothing counts; one that cannot be read is no choice', async () => {
  const accounts = ['c5', 'c6'].map((id) => anAccount({ id, kind: 'cylinder', name: id, massKg: 9 }));
  const cylinder$ = (id: string) => {
    if (id === 'c6') return throwError(() => new ApiError('offline', 'The server did not answer.'));
    return of(id === 'c5' ? aCylinder({ id: 'c5', refrigerant: 'R-22', composition: { 'R-22': 1 } }) : aCylinder());
  };
  const { session } = await open({ cylinder$, accounts$: of(accounts) });
  session.change({ source: 'c5', before: pounds('24.6') });
  await answered();
  expect(session.incoming()?.name).toBe('R-22');
  session.change({ source: 'c6' });
  expect(session.incoming()).toBeUndefined(); // at once
  await answered();
  expect([session.incoming(), session.sourceUnread()]).toEqual([undefined, true]);
  session.start(false);
  expect(session.draft().stage).toBe('cylinder');
});

test('a supplier does not say what comes: the person does', async () => {
  const { session } = await open({ accounts$: of([anAccount({ id: 'sup', kind: 'supplier', name: 'Supplier', massKg: -20 })]) });
  session.change({ source: 'sup', before: pounds('24.6') });
  await answered();
  expect(session.saysItself()).toBe(false);
  session.start(false);
  expect(session.draft().stage).toBe('cylinder');
  session.change({ refrigerant: 'R-410A' });
  await answered();
  session.start(false);
  expect(session.draft().stage).toBe('transfer');
});

test('the hottest place is the organisation’s until another is chosen; an own one counts once it is readable', async () => {
  const { session } = await open();
  expect(session.hottestK()).toBe(organisation.hottestK);
  session.change({ place: 'own', ownHottest: { unit: 'C', text: 'hot', ounces: '' } });
  expect(session.hottestK()).toBeUndefined();
  session.change({ ownHottest: { unit: 'C', text: '60', ounces: '' } });
  expect(session.hottestK()).toBeCloseTo(celsius(60), 9);
});

test('an empty cylinder gets its limits from what will come in', async () => {
  const empty = aCylinder({ refrigerant: null, composition: null, contentKg: 0, fillStatus: { state: 'empty' } });
  const { session } = await open({ cylinder$: () => of(empty), systems$: of([aSystem({ refrigerant: 'R-32' })]) });
  expect(session.composition()).toBeUndefined();
  session.change({ source: 's1' });
  await answered();
  expect(session.composition()).toEqual({ 'R-32': 1 });
  expect(session.ruling()).toBeDefined();
});

test('another refrigerant than the label’s stops the plan', async () => {
  const { session } = await open({ systems$: of([aSystem({ refrigerant: 'R-22' })]) });
  session.change({ source: 's1' });
  await answered();
  expect(session.stopped()).toBe(true);
  expect(session.cautions().map(({ code }) => code)).toContain('mixing');
});

test('levels follow the dragged temperature', async () => {
  const { session } = await open();
  const share = () => valueOf(session.levels())?.[0]?.liquidShare ?? Number.NaN;
  const cold = share();
  expect(cold).toBeGreaterThan(0);
  session.temperature.set(celsius(55));
  await answered();
  expect(share()).not.toBe(cold);
});

test('a booking carries what was typed, and a second sending is the same booking', async () => {
  const sent: { key: string; happenedAt: string; sentAt: string; grossAfterKg: number; grossAfterTyped: unknown }[] = [];
  const { session } = await open({
    bookTransfer$: (body: (typeof sent)[number]) => {
      sent.push(body);
      return throwError(() => new ApiError('offline', 'The server did not answer.'));
    },
  });
  session.change({ before: pounds('24.6'), after: pounds('36.2'), source: 's1', stage: 'transfer' });
  session.book();
  await answered();
  await new Promise((resolve) => setTimeout(resolve, 5));
  session.book();
  expect(sent).toHaveLength(2);
  // only the moment of sending is another
  expect(sent[1]).toEqual({ ...sent[0], sentAt: sent[1]!.sentAt });
  expect(sent[1]!.sentAt > sent[0]!.sentAt).toBe(true);
  expect(sent[0]!.grossAfterKg).toBeCloseTo(massFrom(36.2, 'lb'), 9);
  expect(sent[0]!.grossAfterTyped).toEqual({ text: '36.2', unit: 'lb' });
  expect(session.booking.state()).toMatchObject({ state: 'refused' });
  expect(session.draft().after.text).toBe('36.2');
});

test('what the server asks back about is sent again with its answer, as the same booking', async () => {
  const sent: { key: string; certain: readonly string[] }[] = [];
  const { session } = await open({
    bookTransfer$: (body: (typeof sent)[number]) => {
      sent.push(body);
      const asked = new ApiError('perhaps-twice', 'Tobin Wake has booked this already.', {
        '/grossAfterKg': 'Tobin Wake has booked this already.',
      });
      return sent.length === 1 ? throwError(() => asked) : of({ movement: { id: 'm2', massKg: 5 } });
    },
  });
  session.change({ before: pounds('24.6'), after: pounds('36.2'), source: 's1', stage: 'transfer' });
  session.book();
  await answered();
  expect([session.question(), session.draft().stage]).toEqual(['perhaps-twice', 'transfer']);
  session.certain('perhaps-twice');
  await answered();
  expect(sent.map(({ certain }) => certain)).toEqual([[], ['perhaps-twice']]);
  expect(sent[1]!.key).toBe(sent[0]!.key);
  expect(session.draft().stage).toBe('account');
});

test.each([
  ['no stage', { stage: 'nothing' }],
  ['a booking that is none', { stage: 'account', booked: null }],
  ['half a booking', { stage: 'account', booked: { movement: null } }],
  ['readings of another shape', { before: '12.5', after: null, target: 'x' }],
])('a draft from the device with %s does not break the page', async (_, stored) => {
  localStorage.setItem('hygromet.draft.fill.c1', JSON.stringify({ ...stored, note: 'kept' }));
  const { session } = await open();
  expect(session.draft().stage).toBe('cylinder');
  expect(session.draft().before).toEqual({ text: '', unit: 'lb', ounces: '' });
  localStorage.removeItem('hygromet.draft.fill.c1');
});

test('what happened earlier is booked with its time and note; a time to come is not sent', async () => {
  const sent: { happenedAt: string; note?: string }[] = [];
  const { session } = await open({ bookTransfer$: (body: (typeof sent)[number]) => (sent.push(body), of({ movement: { id: 'm2' } })) });
  session.change({ before: pounds('24.6'), after: pounds('36.2'), source: 's1', stage: 'transfer', note: ' second hose ' });
  session.change({ when: minuteOf(new Date(Date.now() + 3_600_000)) });
  session.book();
  expect(sent).toHaveLength(0);
  session.change({ when: '2026-11-02T15:10' });
  session.book();
  await answered();
  expect(sent[0]).toMatchObject({ happenedAt: new Date(2026, 10, 2, 15, 10).toISOString(), note: 'second hose' });
});

test('a time that the server refused is not sent again', async () => {
  const sent: { happenedAt: string }[] = [];
  const { session } = await open({
    bookTransfer$: (body: (typeof sent)[number]) => {
      sent.push(body);
      return throwError(() => new ApiError('invalid-input', 'Still to come.', { '/happenedAt': 'Still to come.' }));
    },
  });
  session.change({ before: pounds('24.6'), after: pounds('36.2'), source: 's1', stage: 'transfer' });
  session.book();
  await answered();
  await new Promise((resolve) => setTimeout(resolve, 5)); // the clock goes on
  session.book();
  expect(sent[1]!.happenedAt > sent[0]!.happenedAt).toBe(true);
});

test('after a booking the account is shown, and another transfer begins with a new key', async () => {
  const { session } = await open({ bookTransfer$: () => of({ movement: { id: 'm2' } }) });
  const { key } = session.draft();
  session.change({ before: pounds('24.6'), after: pounds('36.2'), source: 's1', stage: 'transfer' });
  session.book();
  await answered();
  expect(session.draft().stage).toBe('account');
  session.again();
  expect(session.draft()).toMatchObject({ stage: 'cylinder', booked: null, source: '' });
  expect(session.draft().key).not.toBe(key);
});

test('a draft of yesterday is found as it was left', async () => {
  const { session } = await open({}, { 'fill.c7': { before: pounds('24.6'), stage: 'transfer', source: 's1' } });
  expect(session.draft()).toMatchObject({ stage: 'transfer', source: 's1' });
  expect(session.weighed()).toBe(true);
});

test('a reading that can hardly be is asked back before it goes on, and taken when it is right', async () => {
  // one that holds so much: what is overfilled is not started, however sure somebody is
  const { session } = await open({ cylinder$: () => of(aCylinder({ volumeM3: 0.06 })) });
  session.change({ source: 's1' });
  session.readBefore(pounds('11.2'));
  await answered();
  session.readBefore(pounds('80'));
  await answered();
  expect(session.doubt()).toContain('more than before. Read the scale again.');
  session.start(false);
  expect(session.draft().stage).toBe('cylinder');
  session.change({ certain: true });
  session.start(false);
  expect(session.draft().stage).toBe('transfer');
});

test('a jump during the transfer is asked back before it is booked', async () => {
  const sent: object[] = [];
  const { session } = await open({ bookTransfer$: (body: object) => (sent.push(body), of({})) });
  session.change({ before: pounds('24.6'), source: 's1' });
  await answered();
  session.start(false);
  session.change({ after: pounds('88.5') });
  session.book();
  expect(session.doubt()).toContain('63.9 lb more than before');
  expect(sent).toEqual([]);
  session.change({ certain: true });
  session.book();
  expect(sent).toHaveLength(1);
});

test('the reading at which to stop goes with the booking as it was told when the valve was opened', async () => {
  const sent: { target?: { shown: object; rule: string; grossKg: number; limitGrossKg: number } }[] = [];
  const { session } = await open({ bookTransfer$: (body: object) => (sent.push(body), of({})) });
  session.change({ before: pounds('24.6'), source: 's1' });
  await answered();
  session.start(false);
  session.change({ after: pounds('30.0') });
  await answered();
  session.book();
  const target = sent[0]?.target;
  expect(target).toMatchObject({ shown: { text: '38.2', unit: 'lb' }, rule: 'not-liquid-full-131F' });
  expect(target!.grossKg).toBeLessThan(target!.limitGrossKg);
});

test('what comes out of a system with an open visit belongs to that visit, begun from either side', async () => {
  const booked: { visit?: string }[] = [];
  const bookTransfer$ = (body: { visit?: string }) => (booked.push(body), of(undefined));
  const { session } = await open({ visits$: of([aVisit({ id: 'old', state: 'closed' }), aVisit()]), bookTransfer$ });
  session.change({ before: pounds('24.6'), source: 's1' });
  await answered();
  expect(session.visit()?.id).toBe('v1');
  session.start(false);
  session.change({ after: pounds('26.6') });
  await answered();
  session.book();
  expect(booked.map(({ visit }) => visit)).toEqual(['v1']);
});

test('with another source the stop of before is not acted on, until that of now is there', async () => {
  const { session } = await open();
  session.change({ before: pounds('24.6'), source: 's1' });
  await answered();
  expect([session.computing(), session.shutAt() !== undefined]).toEqual([false, true]);
  session.change({ port: 'liquid', hose: 'none' });
  expect(session.computing()).toBe(true);
  session.start(false);
  expect(session.draft().stage).toBe('cylinder');
  await answered();
  expect(session.computing()).toBe(false);
  session.start(false);
  expect(session.draft().stage).toBe('transfer');
});

test('an overfilled cylinder is not started, and what has happened already can still be logged', async () => {
  const { session } = await open();
  session.change({ before: pounds('80'), source: 's1', certain: true });
  await answered();
  expect(session.stopped()).toBe(true);
  session.start(false);
  expect(session.draft().stage).toBe('cylinder');
  session.start(true);
  expect(session.draft().stage).toBe('transfer');
});

test.each(['suit', 'rating'] as const)(
  'where the rule behind "%s" cannot be computed, nothing is started, and it is said',
  async (broken) => {
    @Injectable()
    class BrokenWorker extends CoreWorker {
      override ask$: CoreWorker['ask$'] = (name, args) =>
        name === broken ? throwError(() => new Error('The core did not answer.')) : super.ask$(name, args);
    }
    stage({ providers: [FillSession, target(), { provide: CoreWorker, useClass: BrokenWorker }] });
    const session = TestBed.inject(FillSession);
    session.change({ before: pounds('24.6'), source: 's1' });
    await answered();
    expect(session.stopped()).toBe(true);
    expect(session.cautions()[0]).toMatchObject({
      code: 'unjudged',
      stops: true,
      sentence: expect.stringContaining('The core did not answer.'),
    });
    session.start(false);
    expect(session.draft().stage).toBe('cylinder');
  },
);
