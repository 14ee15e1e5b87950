import { TestBed } from '@angular/core/testing';
import type { Cylinder, CylinderMarks } from '@hygromet/contract/cylinder';
import type { NewShipment } from '@hygromet/contract/shipment';
import { PDFDocument } from 'pdf-lib';
import { of, throwError } from 'rxjs';
import { aCylinder, render, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { ShipmentPage } from './shipment.page';
import { readyToGo, shipmentOf } from './shipment';
import { shipmentPdf } from './shipment-pdf';

const marks = (kind: CylinderMarks['kind']): CylinderMarks => ({ kind, flammableRated: false, ports: 'one', validYears: 5 });
const burns = (id: string) => id === 'R-32';
const some: readonly Cylinder[] = [
  aCylinder({ id: 'a', name: 'C-10', contentKg: 5 }),
  aCylinder({ id: 'b', name: 'C-9', contentKg: 3 }),
  aCylinder({ id: 'c', name: 'C-03', refrigerant: 'R-134a', contentKg: 4 }),
  aCylinder({ id: 'd', name: 'B-01', contentKg: 2, marks: marks('burn-out') }),
  aCylinder({ id: 'e', name: 'C-11', contentKg: 1, flags: ['mixed'], composition: { 'R-22': 0.6, 'R-32': 0.4 } }),
];

test('each content is summed apart, burnt-out and mixed from clean, and the sums meet in the total', () => {
  const { groups, netKg, grossKg } = shipmentOf(some, burns);
  expect(groups.map(({ content, un, lines }) => [content, un, lines.map(({ cylinder }) => cylinder.name)])).toEqual([
    ['mixture', 'UN 3161 LIQUEFIED GAS, FLAMMABLE, N.O.S. (R-22, R-32), 2.1', ['C-11']],
    ['R-134a', 'UN 3159 1,1,1,2-TETRAFLUOROETHANE (REFRIGERANT GAS R 134a), 2.2', ['C-03']],
    ['R-410A', 'UN 3163 LIQUEFIED GAS, N.O.S. (R-410A), 2.2', ['C-9', 'C-10']],
    ['R-410A, burnout', 'UN 3163 LIQUEFIED GAS, N.O.S. (R-410A), 2.2', ['B-01']],
  ]);
  expect(netKg).toBeCloseTo(15, 9);
  expect(grossKg).toBeCloseTo(15 + 5 * 7.801789, 9);
  expect(groups.reduce((sum, group) => sum + group.netKg, 0)).toBeCloseTo(netKg, 9);
});

test.each([
  [{ flags: ['overfilled'] }, /is overfilled: remove the excess/],
  [{ flags: ['pressure-rating-too-low'] }, /too low a pressure class/],
  [{ flags: ['negative-balance'] }, /negative balance/],
  [{ contentKg: 0 }, /is empty on record/],
] satisfies [Partial<Cylinder>, RegExp][])('%j is not to be carried, and why is said', (more: Partial<Cylinder>, why) => {
  expect(shipmentOf([aCylinder(more)], burns).stopped[0]?.why).toMatch(why);
  expect(shipmentOf([aCylinder()], burns).stopped).toEqual([]);
  expect(shipmentOf([aCylinder({ flags: ['overfilled'] })], burns).groups[0]?.lines[0]?.remark).toBe('OVERFILLED: not to be carried');
});

test('full, mixed and burnt-out cylinders are proposed; virgin, empty and those that have left are not', () => {
  const full = {
    state: 'limited',
    ruling: 'eighty-percent-77F',
    limitGrossKg: 11.5,
    stopGrossKg: 11.5,
    mayAddKg: 0.1,
    liquidShare77F: 0.78,
    stopShare77F: 0.8,
  } as const;
  expect(readyToGo(aCylinder({ fillStatus: full }))).toBe(true);
  expect(readyToGo(aCylinder({ flags: ['mixed'] }))).toBe(true);
  expect(readyToGo(aCylinder({ marks: marks('burn-out') }))).toBe(true);
  expect(readyToGo(aCylinder())).toBe(false);
  expect(readyToGo(aCylinder({ fillStatus: full, marks: marks('virgin') }))).toBe(false);
  expect(readyToGo(aCylinder({ fillStatus: full, place: 'reclaimer' }))).toBe(false);
  expect(readyToGo(aCylinder({ fillStatus: full, flags: ['overfilled'] }))).toBe(false);
  expect(readyToGo(aCylinder({ fillStatus: full, contentKg: 0 }))).toBe(false);
});

const head = { from: 'Tidewrack Cold Works', to: '', carrier: '', day: '2026-11-26', person: 'Ines Marrow' };
test('as PDF: one page for a few cylinders, more for many', async () => {
  const pages = async (cylinders: readonly Cylinder[]) =>
    (await PDFDocument.load(await shipmentPdf(shipmentOf(cylinders, burns), head, (kg) => `${kg.toFixed(1)} kg`))).getPageCount();
  expect(await pages(some)).toBe(1);
  expect(
    await pages(
      Array.from({ length: 90 }, (_, k) =>
        aCylinder({
          id: `x${k}`,
          name: `C-${k}`,
          marks: { ...marks('recovery'), owner: 'a name that is longer than its column can hold by far' },
        }),
      ),
    ),
  ).toBe(3);
});

test('names with the signs of the format, and letters that its fonts lack, are printed as far as they can be', async () => {
  const odd = [aCylinder({ id: 'x', name: ') Tj /JS (app.alert(1)) <</S /JavaScript>>' }), aCylinder({ id: 'y', name: 'Холод 冷' })];
  const bytes = await shipmentPdf(shipmentOf(odd, burns), { ...head, to: 'Ж) endstream' }, (kg) => `${kg.toFixed(1)} kg`);
  const objects = (await PDFDocument.load(bytes)).context.enumerateIndirectObjects().map(([, object]) => object.toString());
  expect(objects.join('\n')).not.toMatch(/JavaScript|\/JS/);
});

describe('the page', () => {
  const open = async (serverData: object = {}, cylinders: readonly string[] = ['a', 'c']) => {
    stage({ serverData: { cylinders$: of(some), shipments$: of([]), ...serverData }, drafts: { shipment: { cylinders } } });
    return render(ShipmentPage);
  };

  test('shows gross, tare and net of each cylinder and the sums', async () => {
    const { text, press } = await open();
    expect(text()).toContain('2 cylinders · 19.8 lb net · 54.2 lb gross');
    expect(text()).toMatch(/C-03Recovery26\.0 lb17\.2 lb8\.8 lb/);
    await press('Leave C-03 out');
    expect(text()).toContain('1 cylinder · 11.0 lb net');
  });

  test('what has left is a shipment of its own, and goes to somebody', async () => {
    const sent: NewShipment[] = [];
    const sendShipment$ = (body: NewShipment) => (sent.push(body), of({ id: 'sh1', lines: [{}, {}] }));
    const { press, type, text } = await open({ sendShipment$ });
    await press(/Mark as shipped/);
    expect([sent.length, text()]).toEqual([0, expect.stringContaining('To whom?')]);
    await type('To', 'Brackwater Reclaim');
    await press(/Mark as shipped/);
    expect([sent[0]?.to, sent[0]?.cylinders.map(({ id }) => id)]).toEqual(['Brackwater Reclaim', ['a', 'c']]);
    expect(text()).toContain('2 cylinders are at the reclaimer now.');
  });

  test('without a choice it proposes what usually goes', async () => {
    const { press, text } = await open({}, []);
    expect(text()).toContain('B-01 (R-410A), C-11 (mixture)');
    await press('Take these 2');
    expect(text()).toContain('R-410A, burnout');
  });

  test('an error is said; what got no answer is sent again as the same shipment, another one with other keys', async () => {
    const sent: NewShipment[] = [];
    const { press, type, text } = await open({
      sendShipment$: (body: NewShipment) => {
        sent.push(body);
        return throwError(() => new ApiError('offline', 'The server does not answer.'));
      },
    });
    await type('To', 'Brackwater Reclaim');
    await press(/Mark as shipped/);
    expect(text()).toContain('The server does not answer.');
    await press(/Mark as shipped/);
    expect(sent[1]).toEqual(sent[0]);
    await type('To', 'Saltmere Reclaim');
    await press(/Mark as shipped/);
    const keys = ({ key, cylinders }: NewShipment) => [key, ...cylinders.map((cylinder) => cylinder.key)];
    expect(new Set([...keys(sent[0]!), ...keys(sent[2]!)]).size).toBe(6);
    TestBed.resetTestingModule();
  });
});
