import { TestBed } from '@angular/core/testing';
import { Drafts, type DraftOptions } from './draft.service';
import { DRAFT_STORAGE } from './draft-store';

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
  const open = (sound: boolean) => TestBed.runInInjectionContext(() => TestBed.inject(Drafts).open('fill', () => ({ unit: 'lb' }), { sound: () => sound })); // prettier-ignore
  expect([open(true).value().unit, open(false).value().unit]).toEqual(['kg', 'lb']);
});

describe('two tabs', () => {
  interface Fill {
    readonly gross: string;
    readonly unit: string;
  }
  const empty = (): Fill => ({ gross: '', unit: 'lb' });
  const entries: Record<string, string> = {};
  beforeEach(() => Object.keys(entries).forEach((key) => delete entries[key]));

  /** A tab on a storage that all share, and how often it has written. */
  function tab(options: DraftOptions<Fill> = {}) {
    const written: string[] = [];
    const storage = {
      getItem: (key: string) => entries[key] ?? null,
      setItem: (key: string, text: string) => void ((entries[key] = text), written.push(key)),
      removeItem: (key: string) => void delete entries[key],
    };
    TestBed.configureTestingModule({ providers: [{ provide: DRAFT_STORAGE, useValue: storage }] });
    const drafts = TestBed.inject(Drafts);
    const draft = TestBed.runInInjectionContext(() => drafts.open<Fill>('fill', empty, options));
    TestBed.tick();
    return { drafts, draft, written, type: (gross: string) => (draft.value.set({ gross, unit: 'lb' }), TestBed.tick()) };
  }
  /** What another tab writes. */
  const elsewhere = (text: object | null) => {
    const newValue = text === null ? null : JSON.stringify(text);
    if (newValue === null) delete entries['hygromet.draft.fill'];
    else entries['hygromet.draft.fill'] = newValue;
    window.dispatchEvent(new StorageEvent('storage', { key: 'hygromet.draft.fill', newValue }));
    TestBed.tick();
  };
  const other = (base: string) => ({ gross: '24.6', unit: 'lb', '~': { version: 1, stamp: 'b:1', base } });
  const stored = () => JSON.parse(entries['hygromet.draft.fill'] ?? '{}') as Record<string, { stamp: string }>;

  test('one that nobody has typed into follows the other', () => {
    const { draft } = tab();
    elsewhere(other('a'));
    expect(draft.value().gross).toBe('24.6');
  });

  test('what builds on this text is followed', () => {
    const { draft, type, drafts } = tab();
    type('24');
    elsewhere(other(stored()['~']!.stamp));
    expect(draft.value().gross).toBe('24.6');
    expect(drafts.twoTexts()).toBeUndefined();
  });

  test('two texts are both kept, and a person decides', () => {
    const { draft, type, drafts } = tab();
    type('30');
    elsewhere(other('something else'));
    expect(draft.value().gross).toBe('30');
    expect(entries['hygromet.draft.fill']).toContain('24.6');
    expect(entries['hygromet.draft.fill.apart']).toContain('30');
    type('31');
    expect(entries['hygromet.draft.fill']).toContain('24.6');
    expect(entries['hygromet.draft.fill.apart']).toContain('31');
    drafts.twoTexts()!.takeOther();
    TestBed.tick();
    expect(draft.value().gross).toBe('24.6');
    expect(entries['hygromet.draft.fill.apart']).toBeUndefined();
  });

  test('kept, it goes over the other as one that has seen it', () => {
    const { type, drafts } = tab();
    type('30');
    elsewhere(other('something else'));
    drafts.twoTexts()!.keepThis();
    TestBed.tick();
    expect(stored()).toMatchObject({ gross: '30', '~': { base: 'b:1' } });
    expect(drafts.twoTexts()).toBeUndefined();
  });

  test('a text that was left beside another is offered when the form is opened again', () => {
    entries['hygromet.draft.fill'] = '{"gross":"24.6","unit":"lb"}';
    entries['hygromet.draft.fill.apart'] = '{"gross":"30","unit":"lb"}';
    const { draft, drafts } = tab();
    expect(draft.value().gross).toBe('24.6');
    drafts.twoTexts()!.takeOther();
    expect(draft.value().gross).toBe('30');
  });

  test('sent in the other tab, it is not sent from here again', () => {
    const { draft } = tab();
    elsewhere(other('a'));
    elsewhere(null);
    expect(draft.value()).toEqual(empty());
  });

  test('what was typed here stays when the other tab sends its own', () => {
    const { draft, type } = tab();
    type('31');
    elsewhere(null);
    expect(draft.value().gross).toBe('31');
  });

  test('a view belongs to its tab', () => {
    const { draft } = tab({ view: true });
    elsewhere({ gross: '24.6', unit: 'lb' });
    expect(draft.value().gross).toBe('');
  });

  test('opening a form writes nothing over it', () => {
    entries['hygromet.draft.fill'] = '{"gross":"24.6","unit":"lb"}';
    expect(tab().written).toEqual([]);
  });
});

describe('versions', () => {
  interface Fill {
    readonly gross: string;
    readonly unit: string;
  }
  const openAs = (stored: object, options: DraftOptions<Fill>) => {
    const storage = storageOf({ 'hygromet.draft.fill': JSON.stringify(stored) });
    TestBed.configureTestingModule({ providers: [{ provide: DRAFT_STORAGE, useValue: storage }] });
    const drafts = TestBed.inject(Drafts);
    return { drafts, draft: TestBed.runInInjectionContext(() => drafts.open<Fill>('fill', () => ({ gross: '', unit: 'lb' }), options)) };
  };

  test('a draft of an older version is moved on', () => {
    const migrate = (stored: unknown) => ({ gross: (stored as { weight: string }).weight, unit: 'kg' });
    const { draft, drafts } = openAs({ weight: '12' }, { version: 2, migrate });
    expect(draft.value()).toEqual({ gross: '12', unit: 'kg' });
    expect(drafts.leftOut()).toBe(false);
  });

  test('one that nothing leads on from is left out with a word', () => {
    const { draft, drafts } = openAs({ gross: '12', '~': { version: 1, stamp: 'a', base: null } }, { version: 2 });
    expect(draft.value().gross).toBe('');
    expect(drafts.leftOut()).toBe(true);
  });

  test('no draft at all is no word', () => {
    expect(openAs({}, { version: 2 }).drafts.leftOut()).toBe(false);
  });
});
