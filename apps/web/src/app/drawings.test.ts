import { circuitOf } from '@hygromet/core/circuit/circuit-of';
import { TestBed } from '@angular/core/testing';
import { celsius } from '@hygromet/core/units/temperature';
import type { Level } from '@hygromet/core/cylinder/level';
import { aCylinder, render, settled, stage } from '../../test/scene';
import { AppRoot } from './app-root';
import { CylinderTable } from './cylinders/cylinder-table';
import { RackCylinder } from './cylinders/rack-cylinder';
import { CircuitDrawing } from './method/circuit-drawing';
import { Units } from './preferences/units.service';
import { drawnLevels } from './transfer/drawn-levels';
import { CylinderDrawing, type DrawnLevel } from './ui/cylinder-drawing';
import { bodyHeightOf, cylinderShape } from './ui/cylinder-shape';
import { saveCsv } from './ui/save-file';

const levels = (now: number, stop: number, hot: number): readonly DrawnLevel[] => [
  { kind: 'hot', share: hot, title: 'at 131 °F', text: '94 %' },
  { kind: 'stop', share: stop, title: 'at the stop', text: '76 %' },
  { kind: 'now', share: now, title: 'now', text: '22 %' },
];

describe('the drawn cylinder', () => {
  const open = (of = levels(0.22, 0.76, 0.94)) => {
    stage();
    return render(CylinderDrawing, { levels: of, temperature: celsius(25) });
  };

  test('tells its temperature as a slider and follows the arrow keys', async () => {
    const { root, fixture } = await open();
    const thumb = root.querySelector<SVGGElement>('[role=slider]')!;
    expect(thumb.getAttribute('aria-valuetext')).toBe('77 °F');
    thumb.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true }));
    await settled(fixture);
    expect(fixture.componentInstance.temperature()).toBeGreaterThan(celsius(25));
    thumb.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true, cancelable: true }));
    await settled(fixture);
    expect(fixture.componentInstance.temperature()).toBeCloseTo(celsius(25), 6);
  });

  test('labels that would touch are pushed apart', async () => {
    const { root } = await open(levels(0.74, 0.75, 0.76));
    const heights = [...root.querySelectorAll('text.title')].map((text) => Number(text.getAttribute('y'))).sort((a, b) => a - b);
    expect(heights).toHaveLength(3);
    for (const [k, y] of heights.slice(1).entries()) expect(y - heights[k]!).toBeGreaterThanOrEqual(36);
  });

  test('a higher share stands higher', () => {
    const { surface } = cylinderShape(318);
    const drawn = [0, 0.2, 0.5, 0.8, 1].map(surface);
    expect(drawn).toEqual([...drawn].sort((a, b) => b - a));
    expect(bodyHeightOf(0.024, 50) / bodyHeightOf(0.012, 50)).toBeCloseTo(2 ** (1 / 3), 1);
  });
});

test.each<[Level, RegExp]>([
  [{ state: 'empty', liquidShare: 0 }, /^empty$/],
  [{ state: 'vapour', liquidShare: 0, p: 500_000 } as Level, /^vapor · 58 psig$/],
  [{ state: 'two-phase', liquidShare: 0.22, p: 1_650_000 } as Level, /^22 % · 225 psig$/],
  [{ state: 'two-liquids', liquidShare: 0.4, p: 1_650_000 } as Level, /^40 % · 225 psig$/],
  [{ state: 'liquid-full', liquidShare: 1, p: 6_000_000 } as Level, /^liquid-full · 856 psig$/],
])('a level %j is told in words', (level, words) => {
  stage();
  const drawn = drawnLevels([level, level, level], TestBed.inject(Units));
  expect(drawn.find(({ kind }) => kind === 'now')?.text).toMatch(words);
  expect(drawnLevels(undefined, TestBed.inject(Units))).toEqual([]);
  // without a limit there is no level at it
  expect(drawnLevels([level, level], TestBed.inject(Units)).map(({ kind }) => kind)).toEqual(['hot', 'now']);
});

describe('a cylinder on the rack', () => {
  test('is a link that says what it is and how it stands', async () => {
    stage();
    const { root, text } = await render(RackCylinder, { cylinder: aCylinder(), boxHeight: 160 });
    expect(root.querySelector('a')?.getAttribute('href')).toBe('/cylinders/c7');
    expect(text()).toContain('C-07');
    expect(text()).toContain('7.4 lb');
    expect(root.querySelector('.marker')).not.toBeNull();
  });

  test('a mixture is hatched, an empty one has no marker', async () => {
    stage();
    const mixed = await render(RackCylinder, { cylinder: aCylinder({ flags: ['mixed'] }), boxHeight: 160 });
    expect(mixed.root.querySelector('rect[style*="mixed"]')).not.toBeNull();
    const empty = await render(RackCylinder, {
      cylinder: aCylinder({ id: 'e', contentKg: 0, fillStatus: { state: 'empty' } }),
      boxHeight: 160,
    });
    expect(empty.root.querySelector('.marker')).toBeNull();
  });

  test('the same as a table', async () => {
    stage();
    const { text } = await render(CylinderTable, {
      cylinders: [aCylinder(), aCylinder({ id: 'c6', name: 'C-06', flags: ['overdue'], validThrough: '2026-08' })],
    });
    expect(text()).toContain('requalification due since 08-26');
    expect(text()).toContain('38.7 lb');
  });
});

test('the drawn circuit says in words where the refrigerant is, which valve is shut and what will be open', async () => {
  stage();
  const { root } = await render(CircuitDrawing, {
    circuit: circuitOf({ kind: 'split' }),
    shut: new Set(['liquid-service']),
    where: new Map([
      ['condenser', 'liquid'],
      ['evaporator', 'nearly-empty'],
    ]),
    opened: ['evaporator'],
  });
  const words = root.querySelector('svg')?.getAttribute('aria-label') ?? '';
  expect(words).toBe('Circuit. Liquid service valve shut. Condenser: liquid. Evaporator: nearly empty, will be open to the air.');
  expect(root.querySelectorAll('.valve.shut')).toHaveLength(1);
  expect(root.querySelectorAll('.body.opened')).toHaveLength(1);
});

test('every place is one step away, and the content is reached without passing them all', async () => {
  stage({ drafts: { preferences: { person: 'Odalys Fenn' } } });
  const { root, text } = await render(AppRoot);
  const links = [...root.querySelectorAll('nav a')].map((link) => link.getAttribute('href'));
  expect(links).toEqual(['/', '/today', '/cylinders', '/systems', '/book', '/bench', '/settings']);
  expect(text()).toContain('Odalys');
  expect(root.querySelector('a.skip')?.getAttribute('href')).toBe('#main');
});

test('a table is given away as CSV by the standard: quoted where it must be', async () => {
  const blobs: Blob[] = [];
  URL.createObjectURL = (blob) => (blobs.push(blob as Blob), 'blob:1');
  URL.revokeObjectURL = () => undefined;
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
  saveCsv('systems.csv', [{ site: 'Planetarium, roof', charge_kg: 8.98, note: null }]);
  const read = new FileReader();
  const text = await new Promise<string>((resolve) => {
    read.onload = () => resolve(String(read.result));
    read.readAsText(blobs[0]!);
  });
  expect(text).toBe('site,charge_kg,note\r\n"Planetarium, roof",8.98,');
});
