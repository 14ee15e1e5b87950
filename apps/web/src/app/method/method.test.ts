import { of, Subject } from 'rxjs';
import type { System } from '@hygromet/contract/system';
import type { StepCode } from '@hygromet/core/planning/steps';
import { aSystem, render, settled, stage } from '../../../test/scene';
import { arrivalText, contradictionText, methodNames, reasonText } from './method-labels';
import { MethodPage } from './method.page';
import { cautionText, stepText } from './step-labels';

const tell = {
  massText: (kg: number) => `${kg.toFixed(2)} kg`,
  percent: (share: number) => `${Math.round(share * 100)} %`,
  pressure: (p: number) => `${Math.round(p / 1000)} kPa`,
  temperature: (T: number) => `${Math.round(T)} K`,
  pressureStep: (p: number) => `${Math.round(p / 1000)} kPa`,
};

const split = (more: Partial<System> = {}) =>
  aSystem({
    kind: 'split',
    contentKg: 4,
    nameplateKg: 4,
    facts: { volumes: { condenser: { m3: 0.008, known: 'plate' } }, written: 'keep the cap tight' },
    ...more,
  });
const open = (system: System, drafts: Record<string, object> = {}) => {
  const { kept } = stage({ id: 's1', serverData: { system$: () => of(system) }, drafts });
  return render(MethodPage).then((page) => ({ ...page, kept }));
};

type Page = Awaited<ReturnType<typeof open>>;
/** Everything that decides a pump-down was seen, and is in order. */
/** The key of a method, by the name that stands beside it. */
function radioOf(root: HTMLElement, name: string): HTMLInputElement {
  const label = [...root.querySelectorAll('hy-verdict-list label')].find((each) => each.querySelector('.name')?.textContent === name);
  const input = label?.querySelector('input');
  if (!input) throw new Error(`no method is called "${name}"`);
  return input;
}

async function seen({ type }: Pick<Page, 'type'>, more: Readonly<Record<string, string>> = {}): Promise<void> {
  const all = {
    Ambient: '80',
    'Standing pressure': '236',
    ...(more['Purpose'] === undefined ? { 'Failed part': 'evaporator' } : {}),
    Compressor: 'runs',
    'Liquid service valve': 'holds',
    'Suction service valve': 'holds',
    'Metering device': 'works',
    ...more,
  };
  for (const [field, value] of Object.entries(all)) await type(field, value);
}

test('what nobody has seen is looked at first, one thing after the other, before a method stands in large type', async () => {
  const page = await open(split());
  const { type, root, text } = page;
  const heading = () => root.querySelector('.decided h2')?.textContent?.trim();
  const headings = [heading()];
  for (const [field, value] of [
    ['Ambient', '80'],
    ['Standing pressure', '236'],
    ['Failed part', 'evaporator'],
    ['Compressor', 'runs'],
  ] as const) {
    await type(field, value);
    headings.push(heading());
  }
  expect(headings).toEqual([
    'Measure the outdoor temperature',
    'Read the standing pressure',
    'Liquid recovery by pressure difference, then vapor',
    'Start the compressor',
    'Try a pump-down',
  ]);
  expect(text()).toMatch(
    /suction must fall to 1 psig within about 6 min\. Then shut the suction side, stop it, and it must hold for 5 min/,
  );
  expect(text()).toContain('Then it may be: pump down into the condenser.');
  expect(radioOf(root, 'Pump down into the condenser').disabled).toBe(true);
  await seen(page);
  expect(heading()).toBe('Pump down into the condenser');
});

test('a method that was chosen falls at once when it becomes impossible, and says so', async () => {
  const page = await open(split());
  const { type, root, text, fixture } = page;
  await seen(page, { 'Failed part': 'drier' });
  radioOf(root, 'Pump down what fits, recover the rest').click();
  await settled(fixture);
  expect(root.querySelector('.decided h2')?.textContent?.trim()).toBe('Pump down what fits, recover the rest');
  await type('Compressor', 'stands');
  expect(root.querySelector('.decided h2')?.textContent?.trim()).not.toContain('Pump down');
  expect(text()).toContain('Pump down what fits, recover the rest was chosen and is not possible any more');
});

test('the failed part decides: a coil is pumped away from, a condenser is emptied', async () => {
  const page = await open(split());
  const { type, text, root } = page;
  expect(text()).toContain('Notes for the next technician: “keep the cap tight”');
  await seen(page);
  expect(root.querySelector('.decided h2')?.textContent?.trim()).toBe('Pump down into the condenser');
  expect(root.querySelector('hy-circuit-side h2')?.textContent).toBe('After the pump-down');
  expect(root.querySelector('svg[role=img]')?.getAttribute('aria-label')).toMatch(
    /Liquid service valve shut.*Evaporator: nearly empty, will be open to the air/,
  );
  await type('Failed part', 'condenser');
  expect(root.querySelector('.decided h2')?.textContent?.trim()).toBe('Liquid recovery by pressure difference, then vapor');
  expect(root.querySelector('hy-circuit-side h2')?.textContent).toBe('After recovery');
  expect(text()).toContain('The part to open is on the side that keeps the charge');
});

test('the proposal is overruled with a reason, and taken back', async () => {
  const page = await open(split());
  const { type, root, text, fixture, control, kept } = page;
  await seen(page);
  const recover = radioOf(root, 'Recover everything');
  recover.click();
  await settled(fixture);
  expect(text()).toContain('Chosen against the proposal');
  await type('Reason for overriding', 'the owner wants it weighed');
  expect(kept['hygromet.draft.look.s1']).toContain('the owner wants it weighed');
  radioOf(root, 'Pump down into the condenser').click();
  await settled(fixture);
  expect(text()).toContain('Proposed');
  expect(() => control('Reason for overriding')).toThrow();
});

test('a standing pressure of nothing ends in proving zero', async () => {
  const page = await open(split());
  const { text, root } = page;
  await seen(page, { 'Standing pressure': '0' });
  expect(root.querySelector('.decided h2')?.textContent?.trim()).toBe('Read zero on both sides');
  await page.type('Pressure read on', 'both');
  expect(root.querySelector('.decided h2')?.textContent?.trim()).toBe('Nothing to recover');
  expect(text()).toContain('Prove zero on both sides');
});

test('a standing pressure that no gauge shows is asked back, and nothing is compared with it', async () => {
  const page = await open(split());
  const { root, type, text } = page;
  await seen(page, { 'Standing pressure': '1211212122' });
  const heading = () => root.querySelector('.decided h2')?.textContent?.trim();
  expect(heading()).toBe('Read the standing pressure again');
  expect(text()).toContain('No gauge reads below a full vacuum or above 3000 psig');
  expect(root.querySelector('hy-verdict-list')).toBeNull();
  await type('Standing pressure', '121');
  expect(heading()).not.toBe('Read the standing pressure again');
  expect(root.querySelector('hy-verdict-list')).not.toBeNull();
});

test('what has leaked away is told from ledger and pressure together', async () => {
  const { type, text } = await open(split());
  await type('Ambient', '80');
  await type('Standing pressure', '60');
  expect(text()).toContain('only vapor on that side. Read both sides before you count on it');
  await type('Pressure read on', 'both');
  expect(text()).toMatch(/only vapor is left, 0\.\d+ lb at most; 8\.\d lb of the contents on record are gone/);
  expect(text()).toMatch(/Three 3\/8 in hoses lower the reading by about \d+ psi/);
});

test('without water nothing may be started at a chiller', async () => {
  const { type, text, root } = await open(aSystem({ kind: 'chiller', refrigerant: 'R-134a', nameplateKg: 62, contentKg: 62 }));
  await type('Ambient', '80');
  await type('Standing pressure', '86');
  await type('Failed part', 'metering');
  await type('Water', 'stands');
  expect(root.querySelector('.decided h2')?.textContent?.trim()).toBe('No method is possible yet');
  expect(text()).toContain('Start the pump first');
});

test('a plan made from facts that somebody has changed meanwhile says so before it is used', async () => {
  const systems$ = new Subject<System>();
  stage({ id: 's1', serverData: { system$: () => systems$ } });
  const { text, type, fixture, press } = await render(MethodPage);
  systems$.next(split());
  await settled(fixture);
  await type('Failed part', 'evaporator');
  systems$.next(split({ version: 2, changedBy: 'Jory Quill' }));
  await settled(fixture);
  expect(text()).toContain('Jory Quill has changed the facts of this system since this plan was made');
  await press('I have checked it');
  expect(text()).not.toContain('has changed the facts');
});

test('facts that hardly go together are asked about', async () => {
  const { text, type } = await open(split({ nameplateKg: 181, contentKg: 181 }));
  await type('Ambient', '80');
  expect(text()).toContain('unusual for this kind of system');
});

test('a unit that is replaced is pumped full, cut off and recovered on the ground; what has failed is not asked', async () => {
  const page = await open(split());
  await seen(page, { Purpose: 'replace-outdoor' });
  expect(page.root.querySelector('.decided h2')?.textContent?.trim()).toBe('Pump down into the condenser');
  expect(page.text()).toContain('take the unit down with its charge');
  expect([...page.root.querySelectorAll('label')].map((label) => label.textContent)).not.toContain('Failed part');
});

test('a step that is touched is drawn with what is shut by then; touched again, it is put away', async () => {
  const page = await open(split());
  await seen(page);
  const drawn = () => page.root.querySelector('hy-step-list hy-circuit-drawing svg')?.getAttribute('aria-label') ?? null;
  const touch = async (words: string) => {
    [...page.root.querySelectorAll<HTMLButtonElement>('button.step')].find((button) => button.textContent.includes(words))!.click();
    await page.fixture.whenStable();
  };
  expect(drawn()).toBeNull();
  await touch('Shut the liquid service valve');
  expect(drawn()).toMatch(/^Circuit\. Liquid service valve shut\. .*Evaporator: vapor/);
  await touch('Shut the suction service valve');
  expect(drawn()).toMatch(/^Circuit\. Liquid service valve shut\. Suction service valve shut\. .*Evaporator: nearly empty/);
  await touch('Shut the suction service valve');
  expect(drawn()).toBeNull();
});

test('what was found of a valve is there again after the page was left', async () => {
  const kept = { king: 'holds', 'liquid-service': 'leaks', compressor: 'runs' };
  const { control, text, type } = await open(split(), { 'look.s1': kept });
  expect([control('Liquid service valve').value, control('Suction service valve').value]).toEqual(['leaks', 'unproved']);
  await type('Ambient', '80');
  await type('Standing pressure', '236');
  expect(text()).toMatch(/the liquid service valve leaks/i);
});

test('a reading noted beside a step is found again', async () => {
  const page = await open(split());
  const { type, kept } = page;
  await seen(page);
  await type('Read at step 1', '128 psig at 75 °F');
  expect(kept['hygromet.draft.look.s1']).toContain('128 psig at 75 °F');
});

test('a temperature that is not one asks nothing of the core', async () => {
  const { type, text } = await open(split());
  await type('Ambient', 'warm');
  expect(text()).toContain('"warm" is not a number');
});

test.each([
  [{ state: 'unread' } as const, /Read the standing pressure/],
  [{ state: 'flat', how: 'atmospheric' } as const, /Prove zero on both sides/],
  [{ state: 'liquid', pBubble: 1e6 } as never, /saturation \(1000 kPa\): liquid is present/],
  [{ state: 'air-or-other', airShare: 0.2 } as const, /20 % .*identifier/],
])('what was found, %j, is told with what to do', (asFound, sentence) => {
  expect(arrivalText(asFound, { onRecord: 4, reasons: [] }, tell)).toMatch(sentence);
});

test('a reason is told with its figures', () => {
  expect(
    reasonText({ code: 'does-not-fit-condenser', effect: 'impossible', numbers: { content: 5.9, holds: 4, share: 0.75, T: 333.15 } }, tell),
  ).toBe('5.90 kg are in it, the condenser may hold 4.00 kg: 75 % liquid at 333 K');
  expect(
    reasonText({ code: 'may-not-fit-condenser', effect: 'not-advised', numbers: { content: 4.4, holds: 3, share: 0.8, T: 305.15 } }, tell),
  ).toBe('up to 4.40 kg may be in it, and the condenser may hold as little as 3.00 kg: 80 % liquid at 305 K');
  expect(reasonText({ code: 'rest-above-level', effect: 'not-advised', numbers: { level: 67_000 } }, tell)).toContain('67 kPa');
  expect(Object.values(methodNames).every((name) => /^[A-Z]/.test(name))).toBe(true);
});

test.each([
  ['part-not-in-kind', { part: 'receiver' }, /A receiver is recorded, but/],
  ['charge-unusual', { numbers: { charge: 181, least: 0.3, most: 30 } }, /181\.00 kg is unusual/],
  ['line-without-set', {}, /no line set/],
  ['valve-without-part', {}, /no receiver/],
] as const)('a contradiction %s is a question', (code, more, sentence) => {
  expect(contradictionText({ code, numbers: {}, ...more }, tell)).toMatch(sentence);
});

test('a step says the reading at which to act, and its caution what can happen', () => {
  const step = (code: StepCode, at?: number) =>
    stepText({ code, cautions: [], asksReading: false, ...(at === undefined ? {} : { at: at as never }) }, tell);
  expect(step('watch-suction', 108_000)).toBe('Watch the suction fall. Act at 108 kPa.');
  expect(step('recover-vapour', 67_000)).toContain('down to 67 kPa');
  expect(cautionText('barrel-freezes')).toContain('freeze');
});
