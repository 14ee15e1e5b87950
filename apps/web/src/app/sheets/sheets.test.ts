import { of } from 'rxjs';
import scenario from '../../../../../demo/tidewrack.json';
import type { System } from '@hygromet/contract/system';
import { massFrom } from '@hygromet/core/units/mass';
import { aCylinder, aSystem, render, stage } from '../../../test/scene';
import { cylinderSheet } from './cylinder-sheet';
import { ImportPage } from './import.page';
import { cellsOf, suggested } from './mapping';
import { readFile } from './read-file';
import { CellError, type Cells, type Sheet } from './sheet';
import { systemSheet } from './system-sheet';
import { csvOf } from '../ui/csv';

const through = <New, Known>(sheet: Sheet<New, Known>, known: Known): New => {
  const file = readFile('x.csv', csvOf([sheet.write(known)]));
  if (file.kind !== 'table') throw new Error(JSON.stringify(file));
  return sheet.read(cellsOf(sheet.columns, file.headings, file.rows[0]!, suggested(sheet.columns, file.headings)));
};

describe('what an export wrote an import reads', () => {
  test.each(scenario.systems.map((system) => [`${system.site}, ${system.name}`, system] as const))('%s', (_, entry) => {
    const [text, unit] = [String(entry.nameplate[0]), String(entry.nameplate[1])];
    const known = aSystem({
      ...entry,
      nameplateKg: massFrom(Number(text), unit as 'lb'),
      nameplateTyped: { text, unit },
    } as unknown as System);
    const back = through(systemSheet, known);
    expect(back).toMatchObject({ site: entry.site, name: entry.name, kind: entry.kind, refrigerant: entry.refrigerant });
    expect(back.nameplateKg).toBeCloseTo(known.nameplateKg, 9);
    expect(back.facts?.limits?.map(({ what, part }) => [what, part])).toEqual(known.facts.limits?.map(({ what, part }) => [what, part]));
    expect(back.facts?.valves ?? {}).toEqual(known.facts.valves ?? {});
    expect(back.facts?.volumes?.receiver?.m3 ?? 0).toBeCloseTo(known.facts.volumes?.receiver?.m3 ?? 0, 9);
    expect(back.facts?.written).toBe(known.facts.written);
  });

  test('a cylinder with its marks, and what is in it', () => {
    const known = aCylinder({
      marks: { kind: 'clean', owner: 'Cheese cave', flammableRated: true, ports: 'one', validYears: 10, testPressurePa: 5.5e6 },
    });
    const back = through(cylinderSheet, known);
    expect(back).toMatchObject({
      name: 'C-07',
      requalified: '2024-11',
      place: 'van',
      refrigerant: 'R-410A',
      tareTyped: { text: '17.2', unit: 'lb' },
    });
    expect(back.marks).toMatchObject({ ...known.marks, testPressurePa: expect.closeTo(5.5e6, 0) });
    expect(back.grossKg).toBeCloseTo(known.tareKg + known.contentKg, 6);
  });
});

describe('a file of somebody else', () => {
  const headings = ['Number', 'Tare (lb)', 'Water capacity (L)', 'Service pressure psi', 'Stamp'];
  test('its headings are found by name, and the unit behind them counts for bare figures', () => {
    const mapping = suggested(cylinderSheet.columns, headings);
    expect(mapping['tare']).toEqual({ heading: 'Tare (lb)', unit: 'lb' });
    expect(mapping['water_capacity']?.unit).toBe('L');
    const cylinder = cylinderSheet.read(cellsOf(cylinderSheet.columns, headings, ['A1', '27.7', '21.6', '400', '11-21'], mapping));
    expect(cylinder.tareKg).toBeCloseTo(massFrom(27.7, 'lb'), 9);
    expect(cylinder).toMatchObject({ name: 'A1', requalified: '2021-11', serviceTyped: { text: '400', unit: 'psig' } });
  });

  const cells: Cells = { number: 'A1', tare: '27.7 lb', water_capacity: '21.6 L', service_pressure: '400 psi', requalified: '11-21' };
  test.each([
    [{ tare: '27.7' }, 'tare', /has no unit: write one of lb/],
    [{ tare: '27.7 stone' }, 'tare', /"stone" is no unit here/],
    [{ tare: 'heavy' }, 'tare', /not a number/],
    [{ tare: '' }, 'tare', /tare is missing/],
    [{ requalified: '13-21' }, 'requalified', /no month 13/],
    [{ kind: 'secret' }, 'kind', /none of recovery/],
  ])('%j is refused at its column', (wrong, column, sentence) => {
    const read = () => cylinderSheet.read({ ...cells, ...wrong });
    expect(read).toThrow(sentence);
    expect(read).toThrow(CellError);
    try {
      read();
    } catch (error) {
      expect((error as CellError).column).toBe(column);
    }
  });

  test('pounds and ounces in one cell are no decimal', () => {
    expect(
      systemSheet.read({ site: 'a', name: 'b', kind: 'Heat pump', refrigerant: 'R-410A', nameplate: '4 lb 6 oz' }).nameplateKg,
    ).toBeCloseTo(massFrom(4.375, 'lb'), 9);
  });
});

test.each([
  ['empty.csv', '', /empty/],
  ['one.csv', 'just a line', /no table/],
  ['cut.json', '[{"site": "a"', /cut short/],
  ['other.json', '{"a": 1}', /no list/],
  ['quote.csv', 'a,b\n"x,y\n', /quotation mark/],
])('%s is said to be wrong', (name, text, sentence) => {
  expect(readFile(name, text)).toEqual({ kind: 'wrong', sentence: expect.stringMatching(sentence) });
});

describe('the page', () => {
  const file = (text: string, name = 'mine.csv') => ({ name, text: () => Promise.resolve(text) });
  const open = async (answers: object[], text: string, name?: string) => {
    const sent: { tryOnly: boolean; rows: object[] }[] = [];
    const importSystems$ = (body: { tryOnly: boolean; rows: object[] }) => {
      sent.push(body);
      return of(answers[Math.min(sent.length, answers.length) - 1]);
    };
    stage({ serverData: { importSystems$ }, data: { sheet: 'systems' } });
    const page = await render(ImportPage);
    const input = page.root.querySelector<HTMLInputElement>('input[type=file]')!;
    Object.defineProperty(input, 'files', { value: [file(text, name)] });
    input.dispatchEvent(new Event('change'));
    await new Promise((resolve) => setTimeout(resolve, 20));
    await page.fixture.whenStable();
    return { ...page, sent };
  };
  const good = 'site,name,kind,refrigerant,nameplate\nNet loft,cold room,walk-in,R-449A,5.1 kg\n';

  test('tries first, shows what would happen, then takes it', async () => {
    const outcomes = [{ row: 0, outcome: 'added' }];
    const { text, press, sent } = await open(
      [
        { kept: false, outcomes },
        { kept: true, outcomes },
      ],
      good,
    );
    expect(sent[0]).toMatchObject({ tryOnly: true, rows: [{ site: 'Net loft', nameplateKg: 5.1 }] });
    expect(text()).toContain('1 new');
    await press('Import 1 row');
    expect(sent[1]).toMatchObject({ tryOnly: false });
    expect(text()).toContain('Imported: 1 new');
  });

  test('one row that is wrong stops all of them, and is named', async () => {
    const { text, root, sent } = await open([], `${good}Net loft,ice store,walk-in,R-449A,five\n`);
    expect(sent).toEqual([]);
    expect(text()).toContain('Nothing is taken in while a row is refused');
    expect(root.querySelector<HTMLButtonElement>('button.main')?.disabled).toBe(true);
  });

  test('a heading that is not found is asked for', async () => {
    const { text, type, sent } = await open([{ kept: false, outcomes: [] }], good.replace('nameplate', 'charge'));
    expect(text()).toContain('Nameplate charge not found');
    await type('Nameplate charge', 'charge');
    expect(sent).toHaveLength(1);
  });

  test('the wrong file is said to be wrong', async () => {
    expect((await open([], '%PDF-1.7')).text()).toContain('This is no table');
  });
});
