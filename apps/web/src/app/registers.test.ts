import type { Cylinder } from '@hygromet/contract/cylinder';
import { of, throwError } from 'rxjs';
import { aCylinder, aMovement, anAccount, aSystem, render, stage } from '../../test/scene';
import { BookPage } from './book/book.page';
import { RackPage } from './cylinders/rack.page';
import { CylinderPage } from './cylinders/cylinder.page';
import { contentName, monthText, stateWords } from './cylinders/cylinder-labels';
import { ApiError } from './data/api-error';
import { Units } from './preferences/units.service';
import { SystemsPage } from './systems/systems.page';
import { MovementsTable } from './ui/movements-table';
import { TestBed } from '@angular/core/testing';

const rows = (root: HTMLElement) =>
  [...root.querySelectorAll('tbody tr')].map(({ textContent }) => (textContent ?? '').replace(/\s+/g, ' ').trim());

describe('the rack', () => {
  const cylinders = [
    aCylinder(),
    aCylinder({ id: 'c4', name: 'C-04', refrigerant: null, composition: null, contentKg: 0, fillStatus: { state: 'empty' } }),
    aCylinder({ id: 'c6', name: 'C-06', refrigerant: 'R-22', flags: ['overdue'], validThrough: '2026-08', place: 'workshop' }),
  ];

  test('finds by number and refrigerant, and counts what needs a look', async () => {
    stage({ serverData: { cylinders$: of(cylinders) } });
    const { type, text, press } = await render(RackPage);
    expect(text()).toContain('3 in use');
    await type('Find a cylinder', 'r22');
    expect([text().includes('C-06'), text().includes('C-07')]).toEqual([true, false]);
    await type('Find a cylinder', 'nothing like it');
    expect(text()).toContain('No cylinder matches.');
    await press('Show all');
    await press(/Needs attention \(1\)/);
    expect([text().includes('C-06'), text().includes('C-04')]).toEqual([true, false]);
    expect(text()).toContain('requalification due since 08-26');
  });

  test('an unreachable server is said instead of an empty rack', async () => {
    stage({ serverData: { cylinders$: throwError(() => new ApiError('offline', 'x')) } });
    expect((await render(RackPage)).text()).toContain('Read again');
  });
});

describe('the words for a cylinder', () => {
  test.each([
    [{ flags: ['overfilled'], fillStatus: { ...fillStatus(), limitGrossKg: 7.801789 + 3.3566 - 0.5443 } }, 'overfilled by 1.2 lb'],
    [{ flags: ['negative-balance'] }, 'ledger below zero: weigh it'],
    [{ flags: ['pressure-rating-too-low'] }, 'pressure class too low'],
    [{ flags: ['mixed'] }, 'mixed: R-32, R-125'],
    [{ contentKg: 0, evacuatedAt: null }, 'not evacuated'],
    [{ contentKg: 0, evacuatedAt: '2026-11-15T08:00:00.000Z' }, 'evacuated Nov 15'],
    [{}, '7.4 lb'],
  ] satisfies [Partial<Cylinder>, string][])('%j is told as %s', (more: Partial<Cylinder>, words) => {
    stage();
    expect(stateWords(aCylinder(more), TestBed.inject(Units)).text).toBe(words);
  });

  test('its content is called by the label, as a mixture, as unknown or as empty', () => {
    expect(contentName(aCylinder())).toBe('R-410A');
    expect(contentName(aCylinder({ flags: ['mixed'] }))).toBe('mixture');
    expect(contentName(aCylinder({ refrigerant: null }))).toBe('unknown');
    expect(contentName(aCylinder({ refrigerant: null, contentKg: 0 }))).toBe('empty');
    expect(monthText('2026-08')).toBe('08-26');
  });

  function fillStatus() {
    return {
      state: 'limited',
      ruling: 'not-liquid-full-131F',
      limitGrossKg: 17.59,
      stopGrossKg: 17.59,
      mayAddKg: 6.43,
      liquidShare77F: 0.22,
      stopShare77F: 0.76,
    } as const;
  }
});

describe('one cylinder', () => {
  test('shows its content, its limits and what happened to it', async () => {
    stage();
    const { text } = await render(CylinderPage);
    expect(text()).toMatch(/Contents on record/);
    expect(text()).toContain('expected gross weight 24.6 lb');
    expect(text()).toContain('Not liquid-full at 131 °F');
    expect(text()).toContain('Planetarium, rooftop unit');
  });

  test.each([
    [{ 'R-134a': 1 }, 'purge its vapor into recovery, and check again'],
    [{ 'R-32': 0.5, 'R-125': 0.5 }, 'A blend is not purged'],
  ])('air in %j says what to do about it', async (composition, advice) => {
    stage({ serverData: { cylinder$: () => of(aCylinder({ flags: ['non-condensables'], airShare: 0.11, composition })) } });
    expect((await render(CylinderPage)).text()).toContain(advice);
  });

  test('a mixture says what to do with it', async () => {
    stage({
      serverData: { cylinder$: () => of(aCylinder({ flags: ['mixed'], refrigerant: 'R-22', composition: { 'R-22': 0.6, 'R-32': 0.4 } })) },
    });
    expect((await render(CylinderPage)).text()).toContain('Add nothing. Ask the reclaimer');
  });
});

describe('the systems', () => {
  test('tell what was taken out, and are found by site or kind', async () => {
    const systems = [
      aSystem({ contentKg: 3.98 }),
      aSystem({ id: 's2', site: 'Cheese cave', name: 'cellar', kind: 'walk-in', refrigerant: 'R-449A' }),
    ];
    stage({ serverData: { systems$: of(systems) } });
    const { text, type } = await render(SystemsPage);
    expect(text()).toContain('11.0 lb taken out');
    await type('Find a system', 'walk-in');
    expect([text().includes('Cheese cave'), text().includes('Planetarium')]).toEqual([true, false]);
  });
});

describe('the book', () => {
  const movements = [
    aMovement(),
    aMovement({
      id: 'm2',
      massKg: 9,
      from: { id: 'sup', kind: 'supplier', name: 'Supplier' },
      happenedAt: '2026-11-10T09:00:00.000Z',
      note: 'two drums',
    }),
    aMovement({ id: 'm3', massKg: 1, reverses: 'm0', happenedAt: '2026-11-22T09:00:00.000Z', note: 'read with a hose on it' }),
  ];

  test('sums by kind of account', async () => {
    const accounts = [
      anAccount(),
      anAccount({ id: 's2', massKg: 2 }),
      anAccount({ id: 'sup', kind: 'supplier', name: 'Supplier', massKg: -10.98 }),
    ];
    stage({ serverData: { movements$: () => of(movements), accounts$: of(accounts) } });
    const { text } = await render(BookPage);
    expect(text()).toContain('ledger balance 0.0 lb');
    expect(text()).toContain('In systems24.2 lb');
  });

  test('stands newest first, by mass when asked, and signed from the side of an account', async () => {
    stage();
    const { root, press } = await render(MovementsTable, { movements, account: 'c7' });
    expect(rows(root)[0]).toContain('reversal · read with a hose on it');
    await press(/^Mass/);
    expect(rows(root)[0]).toContain('+19.8 lb');
    await press(/^Mass/);
    expect(rows(root)[0]).toContain('+2.2 lb');
  });

  test('an entry is reversed only with a reason; a reversed one not again', async () => {
    stage();
    const { root } = await render(MovementsTable, { movements: [aMovement({ reversedBy: 'm9' }), aMovement({ id: 'm5' })] });
    expect(root.querySelectorAll('button[aria-label^="Reverse the entry"]')).toHaveLength(1);
  });
});
