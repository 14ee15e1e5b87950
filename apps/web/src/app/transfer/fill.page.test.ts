import { of, throwError } from 'rxjs';
import { aCylinder, aSystem, render, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { FillPage } from './fill.page';

const open = (serverData: Record<string, unknown> = {}) => {
  const { kept } = stage({ serverData });
  return render(FillPage).then((page) => ({ ...page, kept }));
};

test('weigh, start, read after, book: the number to stop at stands throughout', async () => {
  const booked = {
    movement: { massKg: 5.26, recordedBy: 'Ines Marrow' },
    from: { name: 'Planetarium, rooftop unit', massKg: 3.72 },
    to: { name: 'C-07', massKg: 8.62 },
    limits: { stopGrossKg: 17.59, mayAddKg: 1.17 },
    overfilledByKg: null,
  };
  const { type, press, text } = await open({
    bookTransfer$: ({ target }: { target: object }) => of({ ...booked, movement: { ...booked.movement, target } }),
  });
  // the limit of 38.7 lb, less the 95 % half-widths of density, stamp, tare and scale together, the vapor of the blend, and one hose
  expect(text()).toMatch(/Close the valve when the scale reads\s*38\.2 lb gross/);
  expect(text()).toMatch(
    /The limit is 38\.7 lb, less 0\.29 lb for what stamp, scale and equation leave open, 0\.18 lb still in the hose, 0\.01 lb for the oil, 0\.09 lb in case vapor comes over\./,
  );
  await type('Gross weight (scale reading)', '24.6');
  await type('Source', 's1');
  await press('Start the transfer');
  expect(text()).toContain('Stay with the cylinder while it fills.');
  await type('Ending gross weight', '36.2');
  expect(text()).toContain('moved 11.6 lb');
  await press('Log transfer');
  expect(text()).toContain('Booked. Left until the stop weight');
  expect(text()).toContain('C-07 now holds 19.0 lb');
  expect(text()).toContain('stop at 38.2 lb gross'); // as it was told before
});

test.each([
  ['kg', '11.16', /reads\s*17\.34 kg gross\s*9\.54 kg net · 38\.2 lb gross/],
  ['lb-oz', '24', /reads\s*38 lb 3 oz gross\s*21 lb 0 oz net · 17\.34 kg gross/],
])('the stop is told in the unit of the scale that is read: %s', async (unit, digits, words) => {
  const { type, text, root } = await open();
  await type('Unit of Gross weight (scale reading)', unit);
  await type('Gross weight (scale reading)', digits);
  await type('Source', 's1');
  expect(text()).toMatch(words);
  expect(root.querySelector('hy-weight-beam [role=img]')?.getAttribute('aria-label')).toMatch(unit === 'kg' ? / kg$/ : / oz$/);
});

test('nothing typed is named when somebody wants to go on', async () => {
  const { press, text } = await open();
  await press('Start the transfer');
  expect(text()).toContain('The reading of the scale is missing.');
});

test('beyond the stop it is said at once, and may still be booked: the ledger keeps what happened', async () => {
  const { type, press, text } = await open();
  await type('Gross weight (scale reading)', '24.6');
  await type('Source', 's1');
  await press('Start the transfer');
  await type('Ending gross weight', '40.0');
  expect(text()).toMatch(/beyond the stop by 1\.\d lb/);
  expect(text()).toContain('If that is correct, log it anyway');
});

test('a cylinder that did not get heavier is asked back', async () => {
  const { type, press, text } = await open();
  await type('Gross weight (scale reading)', '24.6');
  await type('Source', 's1');
  await press('Start the transfer');
  await type('Ending gross weight', '24.0');
  expect(text()).toContain('The weight did not increase.');
});

test('an error keeps everything that was typed', async () => {
  const { type, press, text, control } = await open({
    bookTransfer$: () => throwError(() => new ApiError('offline', 'The server did not answer.')),
  });
  await type('Gross weight (scale reading)', '24.6');
  await type('Source', 's1');
  await press('Start the transfer');
  await type('Ending gross weight', '36.2');
  await press('Log transfer');
  expect(text()).toContain('The server did not answer.');
  expect(control('Ending gross weight').value).toBe('36.2');
});

test('another refrigerant cannot be planned into it', async () => {
  const { type, text } = await open({ systems$: of([aSystem({ refrigerant: 'R-22' })]) });
  await type('Source', 's1');
  expect(text()).toContain('C-07 is for R-410A, and R-22 would come in');
});

test('an empty cylinder asks where the refrigerant comes from', async () => {
  const { text } = await open({
    cylinder$: () => of(aCylinder({ refrigerant: null, composition: null, contentKg: 0, fillStatus: { state: 'empty' } })),
  });
  expect(text()).toContain('Choose where the refrigerant comes from');
});

test('a cylinder that is not there leads back to the others', async () => {
  const { text } = await open({ cylinder$: () => throwError(() => new ApiError('not-found', 'This cylinder is not in the register.')) });
  expect(text()).toContain('This cylinder is not in the register.');
  expect(text()).toContain('Back to cylinders');
});

test('a worse scale, no hose and oily refrigerant move the reading, never above the limit', async () => {
  const { type, text, button } = await open();
  const reads = () => Number(/scale reads\s*([\d.]+) lb/.exec(text())?.[1]);
  await type('Scale accuracy (±)', '0.5');
  expect(reads()).toBeCloseTo(37.9, 1);
  await type('Refrigerant left in hose', 'none');
  expect(reads()).toBeCloseTo(38.1, 1);
  await type('Scale accuracy (±)', ''); // as such a scale usually is
  expect(reads()).toBeCloseTo(38.4, 1);
  await type('Oil content, %', 'much');
  expect(text()).toContain('Per cent of oil by mass, 0 to 50.');
  // without a reading to stop at, nothing is started
  expect(button('Start the transfer').disabled).toBe(true);
});
