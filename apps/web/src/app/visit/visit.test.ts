import { TestBed } from '@angular/core/testing';
import type { NewVisitEvent } from '@hygromet/contract/visit-event';
import type { Look } from '@hygromet/contract/look';
import { BehaviorSubject, of, Subject, throwError } from 'rxjs';
import { aCylinder, aVisit, render, settled, stage } from '../../../test/scene';
import { open, plan, SEEN, theVisit } from '../../../test/visit-scene';
import { ApiError } from '../data/api-error';
import { VisitPage } from './visit.page';

/** What was typed is saved when the fingers rest. */
const rested = () => new Promise((resolve) => setTimeout(resolve, 750));

const stageOf = (root: HTMLElement, name: string) =>
  root.querySelector(`hy-visit-stepper a[aria-label^="${name},"]`)?.getAttribute('aria-label');

describe('the stages in the head', () => {
  test('say how each stands, and where we are', async () => {
    const { root } = await open('account', { look: SEEN, plan, recovered: { bookings: 2, massKg: 4 } });
    expect(root.querySelectorAll('hy-visit-stepper li').length).toBe(9);
    expect(root.querySelector('hy-visit-stepper [aria-current=step]')?.textContent).toContain('Account');
    expect(stageOf(root, 'Look')).toBe('Look, done');
    expect(stageOf(root, 'Transfer')).toBe('Transfer, done');
    expect(stageOf(root, 'Prove')).toBe('Prove, needs pressure test and vacuum');
  });

  test('after a pump-down no cylinder is asked for', async () => {
    const { root, text } = await open('transfer', {
      look: { ...SEEN, failed: 'evaporator' },
      plan: { ...plan, method: 'pump-down-receiver', failed: 'evaporator' },
    });
    expect(stageOf(root, 'Transfer')).toBe('Transfer, needs the pump-down');
    expect(text()).toContain('Pump it down');
    expect([...root.querySelectorAll('details')].some(({ open: isOpen }) => isOpen)).toBe(false);
    expect(stageOf(root, 'Account')).toContain('nothing was removed');
  });

  test('facts that changed since stand there as trouble', async () => {
    const { root } = await open('method', { look: SEEN, plan: { ...plan, factsVersion: 0 } });
    expect(stageOf(root, 'Method')).toContain('the facts have changed');
    expect(root.querySelector('hy-visit-stepper li.trouble')).not.toBeNull();
  });
});

describe('the look', () => {
  test('is saved as it is made, only what was changed, and the map shows it', async () => {
    const { root, type, sent, text, fixture } = await open('look');
    expect(text()).toContain('Still needed: standing pressure, outdoor temperature, failed part.');
    expect(root.querySelector('hy-circuit-side h2')?.textContent).toBe('As it stands');
    await type('Failed part', 'condenser');
    await type('Standing pressure', '128');
    await rested();
    await settled(fixture);
    expect(sent.map((entry) => entry.kind === 'looked' && entry.look)).toEqual([
      { failed: 'condenser', standing: { text: '128', unit: 'psig', ounces: '' } },
    ]);
    expect(text()).toContain('Still needed: outdoor temperature.');
    expect(text()).toContain('128 psig standing');
  });

  test('a pressure that no gauge shows is still needed, and the map does not repeat it', async () => {
    const { type, text, fixture } = await open('look', { look: { ...SEEN, ambient: { text: 'warm', unit: 'F' } } });
    await type('Standing pressure', '1211212122');
    await rested();
    await settled(fixture);
    expect(text()).toContain('Still needed: standing pressure, outdoor temperature.');
    expect(text()).not.toContain('psig standing');
    expect(text()).not.toContain('outdoors');
    await type('Standing pressure', '128');
    await rested();
    await settled(fixture);
    expect(text()).toContain('Still needed: outdoor temperature.');
    expect(text()).toContain('128 psig standing');
  });

  test('stays where it was typed between its answer and the visit that has it', async () => {
    const later$ = new Subject<void>();
    const known$ = new BehaviorSubject<object>({ ...aVisit(), events: [] });
    const addVisitEvent$ = (_: string, { look }: { look?: object }) => of({ ...aVisit({ look: look as Look }), version: 9 });
    const { type, control, fixture } = await open('look', {}, { addVisitEvent$, visit$: () => known$, readVisit$: () => later$ });
    await type('Standing pressure', '128');
    await rested();
    await settled(fixture);
    expect(control('Standing pressure').value).toBe('128');
    known$.next({ ...aVisit({ look: { standing: { text: '131', unit: 'psig' } } }), version: 10, events: [] });
    await settled(fixture);
    expect(control('Standing pressure').value).toBe('131');
  });

  test('of a colleague appears here', async () => {
    const { visit$, control, fixture } = await open('look');
    visit$.next({ ...visit$.value, look: { failed: 'evaporator', compressor: 'burnt-out' } });
    await settled(fixture);
    expect([control('Failed part').value, control('Compressor').value]).toEqual(['evaporator', 'burnt-out']);
  });

  test('that cannot be saved stays on the device, and is said', async () => {
    const addVisitEvent$ = () => throwError(() => new ApiError('offline', 'The server cannot be reached.'));
    const { type, text, control, kept, fixture } = await open('look', {}, { addVisitEvent$ });
    await type('Failed part', 'condenser');
    await rested();
    await settled(fixture);
    expect(text()).toContain('The server cannot be reached.');
    expect(control('Failed part').value).toBe('condenser');
    expect(kept['hygromet.draft.visit.v1']).toContain('condenser');
  });

  test('is sent again as it was said first, once there is a connection', async () => {
    const tried: NewVisitEvent[] = [];
    const addVisitEvent$ = (_: string, event: NewVisitEvent) => {
      tried.push(event);
      return tried.length === 1 ? throwError(() => new ApiError('offline', 'The server cannot be reached.')) : of(aVisit());
    };
    const { type, text, fixture } = await open('look', {}, { addVisitEvent$ });
    await type('Failed part', 'condenser');
    await rested();
    await new Promise((resolve) => setTimeout(resolve, 6000));
    await settled(fixture);
    expect(tried.length).toBe(2);
    expect(tried[1]).toEqual(tried[0]);
    expect(text()).not.toContain('The server cannot be reached');
  });

  test('of a closed visit is only read', async () => {
    const { control, root } = await open('look', { look: SEEN, state: 'closed' });
    expect(control('Failed part').value).toBe('condenser');
    expect(root.querySelector<HTMLFieldSetElement>('hy-look-stage fieldset')?.disabled).toBe(true);
  });

  test('takes over what was typed at this system before the visit was opened, and nothing of an earlier visit', async () => {
    const before = { failed: 'evaporator', visit: null };
    const server = theVisit();
    const scene = { id: 'v1', more: { stage: 'look' }, serverData: server.serverData };
    stage({ ...scene, drafts: { 'look.s1': before } });
    const adopted = await render(VisitPage);
    expect(adopted.control('Failed part').value).toBe('evaporator');
    TestBed.resetTestingModule();
    stage({ ...scene, serverData: theVisit().serverData, drafts: { 'look.s1': { ...before, visit: 'last-week' } } });
    expect((await render(VisitPage)).control('Failed part').value).toBe('unknown');
  });
});

describe('the method', () => {
  test('is saved with what it rests on, and leads to the next stage', async () => {
    const { press, sent, go } = await open('method', { look: SEEN });
    await press(/^Save: recover everything|^Save: liquid/);
    const [event] = sent;
    expect(event).toMatchObject({ kind: 'planned', version: 1, plan: { failed: 'condenser', factsVersion: 1, why: '' } });
    expect(event?.kind === 'planned' && event.plan.ambientK).toBeCloseTo(302.04, 1);
    expect(go).toHaveBeenCalledWith(['/visits', 'v1', 'transfer']);
  });

  test('is saved again when what it rests on has changed, and is in trouble when another part has failed', async () => {
    const { button, press, type, sent, root, visit$, fixture } = await open('method', { look: SEEN });
    await press(/^Save:/);
    expect(button('Saved').disabled).toBe(true);
    visit$.next({ ...visit$.value, look: { ...SEEN, failed: 'compressor' } });
    await settled(fixture);
    expect(stageOf(root, 'Method')).toBe('Method, what was found has changed since the method was saved');
    await press(/^Save:/);
    expect(sent.map(({ kind }) => kind)).toEqual(['planned', 'planned']);
    await type('Machine', 'one-cylinder');
    expect(stageOf(root, 'Method')).toBe('Method, done');
  });

  test('is saved with what was chosen a moment ago: that is sent first, and is nobody else’s change', async () => {
    const { press, type, sent } = await open('method', { look: SEEN });
    await type('Recovered refrigerant goes', 'reclaim');
    await press(/^Save:/);
    await rested();
    expect(sent).toMatchObject([
      { kind: 'looked', look: { destination: 'reclaim' } },
      { kind: 'planned', version: 2 },
    ]);
  });

  test('decided on what a colleague has changed meanwhile is an old one, however much of it is one’s own', async () => {
    const versions = [3, 4];
    const sent: NewVisitEvent[] = [];
    const addVisitEvent$ = (_: string, event: NewVisitEvent) => {
      sent.push(event);
      return of(aVisit({ version: versions[sent.length - 1]! }));
    };
    const { press, type } = await open('method', { look: SEEN }, { addVisitEvent$ });
    await type('Recovered refrigerant goes', 'reclaim');
    await press(/^Save:/);
    expect(sent.at(-1)).toMatchObject({ kind: 'planned', version: 1 });
  });

  test('is not saved while what it rests on is not', async () => {
    const sent: NewVisitEvent[] = [];
    const addVisitEvent$ = (_: string, event: NewVisitEvent) => {
      sent.push(event);
      return throwError(() => new ApiError('offline', 'The server cannot be reached.'));
    };
    const { press, type, text } = await open('method', { look: SEEN }, { addVisitEvent$ });
    await type('Recovered refrigerant goes', 'reclaim');
    await press(/^Save:/);
    expect(new Set(sent.map(({ kind }) => kind))).toEqual(new Set(['looked']));
    expect(text()).toContain('The server cannot be reached.');
  });

  test('is not saved without its reason, and the sentence says so', async () => {
    const apiError = new ApiError('invalid-input', 'x', { '/plan/why': 'Say why the proposal is not taken.' });
    const { press, text } = await open('method', { look: SEEN }, { addVisitEvent$: () => throwError(() => apiError) });
    await press(/^Save:/);
    expect(text()).toContain('Say why the proposal is not taken.');
  });

  test('what is read at a step goes to the visit when the field is left, once, with who and when', async () => {
    const { control, sent, text, fixture } = await open('method', { look: SEEN });
    const field = control('Read at step 1');
    field.value = '128 psig';
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('change'));
    field.dispatchEvent(new Event('change'));
    await settled(fixture);
    expect(sent.flatMap((entry) => (entry.kind === 'read' ? [entry.text] : []))).toEqual(['128 psig']);
    expect(text()).toMatch(/128 psig · Ines Marrow/);
  });

  test('a machine that would trip is given a cooler cylinder, and a smaller one takes longer', async () => {
    const { type, text } = await open('method', { look: { failed: 'condenser', ambient: { text: '115', unit: 'F' } } });
    expect(text()).toMatch(/cut-out will open: put the cylinder (before a fan|into (running|ice) water)/);
    await type('Cylinder', 'ice');
    expect(text()).not.toContain('cut-out will open');
    const minutes = () => Number(/Machine, simulated with a usual cylinder\s*\d+ to (\d+) min/.exec(text())?.[1]);
    const two = minutes();
    await type('Machine', 'one-cylinder');
    expect(minutes()).toBeGreaterThan(two);
  });
});

describe('the transfer', () => {
  const empty = (name: string, more: object = {}) =>
    aCylinder({
      id: name,
      name,
      refrigerant: null,
      composition: null,
      contentKg: 0,
      evacuatedAt: '2026-11-20T08:00:00.000Z',
      fillStatus: { state: 'empty' },
      ...more,
    });
  const done = { look: SEEN, plan };

  test('what was read on both sides brings down what has to find room', async () => {
    const low = { look: { ...SEEN, sides: 'both' as const }, plan };
    const { text } = await open('transfer', low, { cylinders$: of([aCylinder()]) });
    expect(text()).toMatch(/At most 2\.\d lb have to find room: they fit into C-07\./);
  });

  test('offers those in the van first with what each takes, and each leads to its fill within this visit', async () => {
    const cylinders = [empty('C-11', { place: 'workshop' }), empty('C-04'), aCylinder()];
    const { text, root } = await open('transfer', done, { cylinders$: of(cylinders) });
    expect([...root.querySelectorAll('hy-cylinder-choice li b')].map(({ textContent }) => textContent)).toEqual(['C-07', 'C-04', 'C-11']);
    expect(text()).toMatch(/At most 21\.8 lb have to find room: take C-04 and C-07\./);
    expect(root.querySelector<HTMLAnchorElement>('[aria-label="Fill C-04"]')?.getAttribute('href')).toBe(
      '/visits/v1/transfer?cylinder=C-04',
    );
  });

  test('one too few is said with what is missing, and what must not be filled with its reason', async () => {
    const cylinders = [
      empty('C-06', { flags: ['overdue'] }),
      empty('C-99', { evacuatedAt: null }),
      aCylinder({ flags: ['non-condensables'], airShare: 0.1 }),
    ];
    const { text } = await open('transfer', done, { cylinders$: of(cylinders) });
    expect(text()).toContain('Not now: C-06 requalification overdue · C-99 not evacuated · C-07 non-condensables found');
    TestBed.resetTestingModule();
    const short = await open('transfer', done, { cylinders$: of([aCylinder()]) });
    expect(short.text()).toMatch(/21\.8 lb may have to find room, and the cylinders in the van take 13\.\d lb: 8\.\d lb are short\./);
  });

  test('after the first cylinder tells what is left on record, and what may have to find room beside it', async () => {
    const { text } = await open('transfer', { ...done, recovered: { bookings: 1, massKg: 4 } }, { cylinders$: of([aCylinder()]) });
    expect(text()).toContain('8.8 lb recovered so far, 19.8 lb left on record.');
    expect(text()).toContain('21.8 lb may have to find room');
  });

  test('into the chosen cylinder is the fill itself, from the system of the visit', async () => {
    const { text, control } = await open('transfer', done, {}, { cylinder: 'c7' });
    expect(text()).toContain('Fill C-07');
    expect(control('Source').value).toBe('s1');
  });
});

describe('a stage that a person ends', () => {
  test('is done with a word, and opened again', async () => {
    const { type, press, sent, text } = await open('repair', { look: SEEN, plan });
    await type('What was repaired?', 'flare made anew');
    await press('Repair done');
    expect(sent[0]).toMatchObject({ kind: 'marked', stage: 'repair', mark: 'done', why: 'flare made anew' });
    expect(text()).toContain('Done: flare made anew');
    await press('Open it again');
    expect(sent[1]).toMatchObject({ mark: 'open-again' });
    expect(text()).toContain('What was repaired?');
  });
});

describe('the end', () => {
  test('lists how each stage stands, and closes on what was seen', async () => {
    const { text, press, sent } = await open('close', { look: SEEN, plan });
    expect(text()).toContain('6 stages are still open');
    await press('Close the visit');
    expect(sent[0]).toMatchObject({ kind: 'closed', version: 1 });
    expect(text()).toContain('This visit is closed.');
    expect(text()).toContain('Reopen the visit');
  });
});

test('a visit on which nothing was recorded is closed with its reason', async () => {
  const { text, type, press, sent } = await open('close');
  expect(text()).toContain('nothing was seen, planned or weighed on it');
  await type('Why is it closed without a record?', 'nobody was there');
  await press('Close the visit');
  expect(sent[0]).toMatchObject({ kind: 'closed', why: 'nobody was there' });
});

test('a visit that is not there says so, with the way back', async () => {
  stage({ id: 'v1', serverData: { visit$: () => throwError(() => new ApiError('not-found', 'This visit is not there.')) } });
  const { text } = await render(VisitPage);
  expect(text()).toContain('This visit is not there.');
  expect(text()).toContain('Back to today');
});
