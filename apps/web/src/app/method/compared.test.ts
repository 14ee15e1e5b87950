import { of } from 'rxjs';
import type { SavedFacts, System } from '@hygromet/contract/system';
import { aSystem, keeping, render, stage } from '../../../test/scene';
import { SystemPage } from '../systems/system.page';
import { MethodPage } from './method.page';

const packaged = aSystem({ facts: {} });
const open = (system: System, save: unknown = () => of(system)) => {
  stage({ id: 's1', serverData: { system$: () => of(system), saveSystemFacts$: save } });
  return render(MethodPage);
};
const saw = async (page: Awaited<ReturnType<typeof open>>) => {
  await page.type('Ambient', '80');
  await page.type('Standing pressure', '236');
};
const compared = aSystem();

describe('a unit that nobody has compared with its record', () => {
  test('is compared first; what it lacks on record is told as that', async () => {
    const page = await open(packaged);
    await saw(page);
    expect(page.root.querySelector('.decided h2')?.textContent).toBe('Compare the unit with its drawing');
    expect(page.text()).toContain('on record it has no service valves, which nobody has compared with the unit');
    expect(page.root.querySelector('.needed')?.textContent).toContain('No service valves · no reversing valve · no receiver');
    expect(page.root.querySelector('input[type=radio]:not(:disabled)')).toBeNull();
  });

  test('is put on record as it is drawn with one press, by whom', async () => {
    const { sent, call } = keeping<SavedFacts, System>(packaged);
    const page = await open(packaged, call);
    await page.press('Yes, I see it so');
    const [body] = sent;
    expect(body).toMatchObject({ version: 1, recordedBy: 'Ines Marrow', facts: { ports: 'both', condenserCooling: 'air' } });
    expect(body?.facts.known?.['liquid-service']).toMatchObject({ how: 'seen', by: 'Ines Marrow' });
    expect(body?.facts.valves).toMatchObject({ 'liquid-service': 'none', king: 'none' });
  });

  test('once compared, what it lacks is impossible, and who compared it stands there', async () => {
    const page = await open(compared);
    await saw(page);
    expect(page.text()).toContain('Drawing compared with the unit. Seen by Tobin Wake');
    expect(page.root.querySelector('ul[aria-label="Impossible"]')?.textContent).toContain('it has no service valves');
    expect(page.text()).not.toContain('King valve');
    expect(page.text()).not.toContain('nobody has compared');
  });
});

describe('a fact of a record', () => {
  const openRecord = (system: System, save: unknown) => {
    stage({ id: 's1', serverData: { system$: () => of(system), saveSystemFacts$: save } });
    return render(SystemPage);
  };

  test('says how it is known; what is changed asks how, and is known so from then on', async () => {
    const { sent, call } = keeping<SavedFacts, System>(compared);
    const { root, type, press, text } = await openRecord(compared, call);
    expect(text()).toContain('Seen May 12, 2026, Tobin');
    const line = () => [...root.querySelectorAll('hy-known-line')].find((one) => one.parentElement?.textContent?.includes('Ports'))!;
    await type('Ports', 'one');
    expect(line().textContent?.trim()).toBe('Changed, not saved');
    await press('Save');
    expect(text()).toContain('Say how you know it');
    expect(sent).toEqual([]);
    await type('How you know what you changed', 'reported');
    expect(line().textContent?.trim()).toBe('Changed, reported by somebody once saved');
    await press('Save');
    expect(sent[0]?.facts.known).toMatchObject({
      ports: { how: 'reported', by: 'Ines Marrow' },
      receiver: { how: 'seen', by: 'Tobin Wake' },
    });
  });

  test('that is looked at and found so is seen from then on, and that can be taken back before it is saved', async () => {
    const reported = { ...packaged, facts: { ports: 'one' as const } };
    const { sent, call } = keeping<SavedFacts, System>(reported);
    const { root, choose, press, text } = await openRecord(reported, call);
    await choose('Facts of', 'all');
    expect(text()).toContain('Nobody has seen it');
    const line = () => [...root.querySelectorAll('hy-known-line')].find((one) => one.parentElement?.textContent?.includes('Ports'))!;
    line().querySelector('button')!.click();
    await press('Save');
    expect(sent[0]?.facts.known).toEqual({ ports: { how: 'seen', by: 'Ines Marrow', at: expect.any(String) } });
  });

  test('that was looked at and then typed otherwise is known as its new state is', async () => {
    const reported = { ...packaged, facts: { ports: 'one' as const } };
    const { sent, call } = keeping<SavedFacts, System>(reported);
    const { root, choose, type, press } = await openRecord(reported, call);
    await choose('Facts of', 'all');
    const line = () => [...root.querySelectorAll('hy-known-line')].find((one) => one.parentElement?.textContent?.includes('Ports'))!;
    line().querySelector('button')!.click();
    await type('Ports', 'both');
    await type('How you know what you changed', 'reported');
    await press('Save');
    expect(sent[0]?.facts.known).toEqual({ ports: { how: 'reported', by: 'Ines Marrow', at: expect.any(String) } });
  });
});

describe('an outdoor temperature that is hardly weather', () => {
  test('is read again before anything is computed from it; another one is asked about anew', async () => {
    const page = await open(compared);
    const heading = () => page.root.querySelector('.decided h2')?.textContent;
    await saw(page);
    await page.type('Ambient', '180');
    expect(heading()).toBe('Read the outdoor temperature again');
    expect(page.text()).toContain('180 °F is beyond −40 °F to 140 °F');
    await page.type('Ambient', '150');
    expect(heading()).toBe('Read the outdoor temperature again');
    await page.press('It is right');
    expect(heading()).not.toBe('Read the outdoor temperature again');
    await page.type('Ambient', '-60');
    expect(heading()).toBe('Read the outdoor temperature again');
  });
});
