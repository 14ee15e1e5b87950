import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { PDFDocument } from 'pdf-lib';
import { aCylinder, render, stage } from '../../../test/scene';
import { AddCylinderPage } from '../cylinders/add-cylinder.page';
import { Units } from '../preferences/units.service';
import { cylinderIn, labelOf } from './label';
import { labelPdf } from './label-pdf';
import { labelSizeNames, labelSizes } from './label-sizes';
import { ScanPage } from './scan.page';

const ID = '3f1b0c9e-8f4b-4a37-9d2e-0c5a8b7e6d51';
const label = (more: object, group: string | null | undefined) => {
  stage();
  return labelOf(aCylinder({ id: ID, ...more }), group, 'https://rack.example', TestBed.inject(Units));
};

test('a label tells what it is, its weights in both units, never a maximum rounded up', () => {
  const current = label({}, 'A1');
  expect(current).toMatchObject({ number: 'C-07', content: 'R-410A (A1)', marks: ['RECOVERED REFRIGERANT'] });
  expect(Object.fromEntries(current.figures)).toMatchObject({
    'Maximum gross': '38.7 lb · 17.59 kg',
    Tare: '17.2 lb · 7.80 kg',
    'Water capacity': '26.2 lb · 11.9 L',
    'Retest by': '11-2029',
  });
});

const marks = { flammableRated: false, ports: 'one', validYears: 5 } as const;
test.each<[string, object, string | null | undefined, string[]]>([
  ['what burns', { refrigerant: 'R-32' }, 'A2L', ['RECOVERED REFRIGERANT', 'FLAMMABLE A2L']],
  ['a mixture', { flags: ['mixed'] }, 'A1', ['FOR DESTRUCTION OR ANALYSIS', 'SAFETY GROUP UNKNOWN: TREAT AS FLAMMABLE']],
  ['what nobody has classified', { refrigerant: 'R-1123' }, null, ['RECOVERED REFRIGERANT', 'SAFETY GROUP UNKNOWN: TREAT AS FLAMMABLE']],
  ['what is not read yet', { refrigerant: 'R-290' }, undefined, ['RECOVERED REFRIGERANT', 'SAFETY GROUP UNKNOWN: TREAT AS FLAMMABLE']],
  ['virgin refrigerant', { marks: { ...marks, kind: 'virgin' } }, 'A1', []],
  ['burnt refrigerant', { marks: { ...marks, kind: 'burn-out' } }, 'A1', ['RECOVERED REFRIGERANT', 'BURN-OUT OR UNKNOWN: ACID']],
])('%s is marked so', (_, more, group, expected) => {
  expect(label(more, group).marks).toEqual(expected);
});

test('its code leads to the cylinder, and no other code does', () => {
  expect(cylinderIn(label({}, 'A1').code)).toBe(ID);
  expect(cylinderIn('https://somewhere.example/x')).toBeUndefined();
});

test.each(labelSizeNames)('as PDF of %s: one page of that size', async (size) => {
  const pdf = await PDFDocument.load(await labelPdf([label({ marks: { ...marks, kind: 'clean', owner: 'Käse & Söhne −' } }, 'A1')], size));
  expect(pdf.getPageCount()).toBe(1);
  expect(pdf.getPage(0).getWidth()).toBeCloseTo(labelSizes[size].width, 3);
  expect(pdf.getTitle()).toBe('Label of C-07');
});

test('a number opens its cylinder, an unknown one is said', async () => {
  stage();
  const { type, press, text } = await render(ScanPage);
  const went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  await type('Number', 'c 99');
  await press('Open it');
  expect(text()).toContain('No cylinder has the number "c 99".');
  expect(text()).toContain('Register c 99');
  await type('Number', 'c07');
  await press('Open it');
  expect(went).toHaveBeenCalledWith(['/cylinders', 'c7']);
});

test('a number that nobody knows is registered under what was read', async () => {
  stage({ query: { number: 'VT-20177' } });
  const { control } = await render(AddCylinderPage);
  expect(control('Number').value).toBe('VT-20177');
});
