import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { PDFDocument } from 'pdf-lib';
import { of, throwError } from 'rxjs';
import { aCylinder, render, settled, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { RackPage } from './rack.page';

const cylinders = [aCylinder(), aCylinder({ id: 'c8', name: 'C-08' }), aCylinder({ id: 'c9', name: 'C-09', place: 'workshop' })];

const bytesOf = async (blob: Blob | undefined): Promise<ArrayBuffer> =>
  new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as ArrayBuffer);
    if (blob !== undefined) reader.readAsArrayBuffer(blob);
  });

async function choosing(serverData: object = {}) {
  const { kept } = stage({ serverData: { cylinders$: of(cylinders), ...serverData } });
  const page = await render(RackPage);
  await page.press('Select multiple');
  const pick = async (name: string) => {
    const found = [...page.root.querySelectorAll('[role="checkbox"]')].find((element) => element.textContent?.includes(name));
    (found as HTMLElement).click();
    await settled(page.fixture);
    return found?.getAttribute('aria-checked');
  };
  return { ...page, pick, kept };
}

test('taps choose instead of opening, and tell what all of it weighs', async () => {
  const { pick, text, press, root } = await choosing();
  expect(text()).toContain('Tap cylinders to select them.');
  expect(await pick('C-07')).toBe('true');
  await pick('C-09');
  expect(text()).toContain('2 chosen49.2 lb gross');
  expect(await pick('C-07')).toBe('false');
  await press('Choose all shown');
  expect(text()).toContain('3 chosen');
  await press('Clear selection');
  await press('Done');
  expect(root.querySelector('[role="checkbox"]')).toBeNull();
});

test('the chosen are moved together, and those that were there already are told', async () => {
  const sent: { place: string; cylinders: { id: string; key: string }[] }[] = [];
  const { pick, type, press, text } = await choosing({
    moveCylinders$: (body: (typeof sent)[number]) => (sent.push(body), of({ moved: 1 })),
  });
  await pick('C-07');
  await pick('C-09');
  await type('Move to', 'workshop');
  await press('Move');
  expect([sent[0]?.place, sent[0]?.cylinders.map(({ id }) => id)]).toEqual(['workshop', ['c7', 'c9']]);
  expect(text()).toContain('1 moved: workshop; 1 was there already.');
});

test('an error stands in the bar', async () => {
  const { pick, press, text } = await choosing({
    moveCylinders$: () => throwError(() => new ApiError('offline', 'The server does not answer.')),
  });
  await pick('C-08');
  await press('Move');
  expect(text()).toContain('The server does not answer.');
});

test('labels of all of them, in the size that is printed on', async () => {
  const saved: Blob[] = [];
  URL.createObjectURL = (blob) => (saved.push(blob as Blob), 'blob:1');
  URL.revokeObjectURL = () => undefined;
  const { pick, press } = await choosing();
  await pick('C-07');
  await pick('C-09');
  const download = jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
  await press('Labels as PDF, 62 × 100 mm');
  while (saved.length === 0) await new Promise((resolve) => setTimeout(resolve, 20)); // the PDF writer is loaded when it is needed
  download.mockRestore();
  const pdf = await PDFDocument.load(await bytesOf(saved[0]));
  expect(pdf.getPages().map((page) => Math.round(page.getWidth()))).toEqual([176, 176]); // 62 mm in points
});

test('a shipment takes them along', async () => {
  const { pick, press, kept } = await choosing();
  const went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  await pick('C-08');
  await press('Shipment sheet');
  expect(went).toHaveBeenCalledWith(['/cylinders/shipment']);
  expect(JSON.parse(kept['hygromet.draft.shipment'] ?? '{}')).toMatchObject({ cylinders: ['c8'] });
});
