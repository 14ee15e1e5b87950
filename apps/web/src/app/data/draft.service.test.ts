import { TestBed } from '@angular/core/testing';
import { DRAFT_STORAGE, Drafts } from './draft.service';

function storageOf(entries: Record<string, string>) {
  return {
    entries,
    getItem: (key: string) => entries[key] ?? null,
    setItem: (key: string, value: string) => void (entries[key] = value),
    removeItem: (key: string) => void delete entries[key],
  };
}

function openIn(storage: object | null) {
  TestBed.configureTestingModule({ providers: [{ provide: DRAFT_STORAGE, useValue: storage }] });
  return TestBed.runInInjectionContext(() => TestBed.inject(Drafts).open('fill', () => ({ gross: '', unit: 'lb' })));
}

test('what was typed is found again', () => {
  const draft = openIn(storageOf({ 'hygromet.draft.fill': '{"gross":"24.6"}' }));
  expect(draft.value()).toEqual({ gross: '24.6', unit: 'lb' });
});

test('what is typed is kept at once, and forgotten when it was sent', () => {
  const storage = storageOf({});
  const draft = openIn(storage);
  draft.value.set({ gross: '30', unit: 'lb' });
  TestBed.tick();
  expect(storage.entries['hygromet.draft.fill']).toContain('"30"');
  draft.clear();
  TestBed.tick();
  expect(storage.entries).toEqual({});
});

test('a storage that is switched off or damaged gives an empty form, and the page lives', () => {
  const broken = {
    getItem: () => '{"gross":',
    setItem: () => {
      throw new Error('quota');
    },
    removeItem: () => undefined,
  };
  const draft = openIn(broken);
  draft.value.set({ gross: '30', unit: 'lb' });
  TestBed.tick();
  expect(draft.value().gross).toBe('30');
});

test('a browser that keeps nothing gives an empty form, and it is known that nothing is kept', () => {
  const draft = openIn(null);
  draft.value.set({ gross: '30', unit: 'lb' });
  TestBed.tick();
  expect([draft.value().gross, TestBed.inject(Drafts).keeps()]).toEqual(['30', false]);
});

test('a storage that is full is known as one that keeps nothing', () => {
  const full = storageOf({});
  full.setItem = () => {
    throw new Error('quota');
  };
  openIn(full);
  TestBed.tick();
  expect(TestBed.inject(Drafts).keeps()).toBe(false);
});

test('a draft that makes no sense is left, one of an older shape keeps what fits', () => {
  const storage = storageOf({ 'hygromet.draft.fill': '{"gross":12.5,"unit":"kg","old":true}' });
  expect(openIn(storage).value()).toEqual({ gross: '', unit: 'kg' });
  const open = (sound: boolean) => TestBed.runInInjectionContext(() => TestBed.inject(Drafts).open('fill', () => ({ unit: 'lb' }), () => sound)); // prettier-ignore
  expect([open(true).value().unit, open(false).value().unit]).toEqual(['kg', 'lb']);
});
