import { TestBed } from '@angular/core/testing';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { of, throwError } from 'rxjs';
import { render, settled, stage } from '../../../test/scene';
import { benchOperations } from '../core-worker/bench-operations';
import { ApiError } from '../data/api-error';
import { BenchPage } from './bench.page';
import { PointsTable } from './points-table';

// jsdom has no canvas: the drawing itself is looked at in a browser
jest.mock('./chart-setup', () => ({ drawChart: () => new Promise(() => undefined), redraw: () => undefined }));
beforeAll(() => {
  globalThis.MutationObserver ??= class {
    observe() {}
    disconnect() {}
    takeRecords() {
      return [];
    }
  };
});

const open = (drafts: Record<string, object> = {}, serverData: Record<string, unknown> = {}) => {
  stage({ drafts, serverData });
  return render(BenchPage);
};
const more = async (page: Awaited<ReturnType<typeof open>>) => {
  for (let k = 0; k < 3; k++) await settled(page.fixture);
};

test('one refrigerant at a temperature: the pressure rules the page, both points stand below', async () => {
  const page = await open();
  await more(page);
  expect(page.text()).toContain('R-410A at 77.0 °F: bubble pressure');
  expect(page.text()).toMatch(/225 psig|226 psig/);
  expect(page.text()).toContain('Bubble point');
  expect(page.text()).toMatch(/Vapor at the bubble point: \d+\.\d % R-32/);
});

test('a pressure leads once it is typed', async () => {
  const page = await open();
  await more(page);
  await page.type('Pressure', '118');
  await more(page);
  expect(page.text()).toMatch(/R-410A at 118 psig: bubble temperature/);
  expect(Number(page.control('Temperature').value)).toBeCloseTo(40, 0);
});

test('what follows is greyed until it belongs to what was typed', async () => {
  const page = await open();
  await more(page);
  const greyed = (label: string) => page.control(label).closest('hy-quantity-field')!.classList.contains('computing');
  expect(['Temperature', 'Pressure'].map(greyed)).toEqual([false, false]);
  const field = page.control('Temperature');
  field.value = '90';
  field.dispatchEvent(new Event('input', { bubbles: true }));
  page.fixture.detectChanges();
  expect(['Temperature', 'Pressure'].map(greyed)).toEqual([false, true]);
  await more(page);
  expect(['Temperature', 'Pressure'].map(greyed)).toEqual([false, false]);
});

describe('the chart is the control', () => {
  const chartOf = (page: Awaited<ReturnType<typeof open>>) => page.root.querySelector<HTMLElement>('canvas[role=slider]')!;
  const press = async (page: Awaited<ReturnType<typeof open>>, key: string) => {
    chartOf(page).dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true }));
    await more(page);
  };

  test('it tells where it stands, between which ends', async () => {
    const page = await open();
    await more(page);
    const chart = chartOf(page);
    expect(chart.getAttribute('aria-label')).toContain('R-410A');
    expect(chart.getAttribute('aria-valuetext')).toMatch(/^77\.0 °F, boils under 22\d psig$/);
    expect(Number(chart.getAttribute('aria-valuenow'))).toBeCloseTo(77, 0);
    expect(Number(chart.getAttribute('aria-valuemin'))).toBeLessThan(0);
    expect(Number(chart.getAttribute('aria-valuemax'))).toBeGreaterThan(150);
  });

  test.each([
    ['ArrowRight', '78'],
    ['ArrowDown', '76'],
    ['PageUp', '87'],
    ['PageDown', '67'],
  ])('%s moves by a degree or ten of the person', async (key, after) => {
    const page = await open();
    await more(page);
    await press(page, key);
    expect(Number(page.control('Temperature').value)).toBeCloseTo(Number(after), 1);
  });

  test('keys that are pressed faster than the answers come are all counted', async () => {
    const page = await open();
    await more(page);
    for (let k = 0; k < 3; k++) {
      chartOf(page).dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', cancelable: true }));
    }
    await more(page);
    expect(Number(page.control('Temperature').value)).toBeCloseTo(74, 1);
  });

  test('it does not leave its line, and other keys are not its own', async () => {
    const page = await open();
    await more(page);
    await press(page, 'x');
    expect(page.control('Temperature').value).toBe('77');
    await press(page, 'End');
    const hottest = page.control('Temperature').value;
    expect(Number(hottest)).toBeCloseTo(Number(chartOf(page).getAttribute('aria-valuemax')), 0);
    await press(page, 'ArrowRight');
    expect(page.control('Temperature').value).toBe(hottest);
  });
});

test('above the end of the boiling line it says where that ends', async () => {
  const page = await open();
  await page.type('Temperature', '200');
  await more(page);
  expect(page.text()).toMatch(/the saturation line of this refrigerant ends at/);
});

test('a mixture is asked for until two parts are weighed, and warned of', async () => {
  const page = await open();
  await page.press('A mixture by weight');
  expect(page.text()).toContain('weigh each part: at least two');
  expect(page.text()).toContain('hardly any reclaimer takes a mixture');
  await page.press('Add component');
  expect(page.control('Weight of content 3')).toBeTruthy();
  await page.press('Remove component 3');
  expect(() => page.control('Weight of content 3')).toThrow();
});

test('the label is compared in the unit of the person', async () => {
  const page = await open({ bench: { refrigerant: 'R-22', label: 'R-410A' } });
  await more(page);
  expect(page.text()).toMatch(/At 77\.0 °F it reads 8\d psi below R-410A, which reads 22\d psig/);
});

test('a measured pair names what could read it, the own one marked, and what to do', async () => {
  const page = await open({
    bench: {
      refrigerant: 'R-134a',
      measuredPressure: { unit: 'psig', text: '82', ounces: '' },
      measuredTemperature: { unit: 'F', text: '77', ounces: '' },
    },
  });
  await more(page);
  expect(page.text()).toMatch(/R-134a at saturation/);
  expect(page.text()).toContain('A liquid that reads this could be');
  expect(page.root.querySelector('li.own')?.textContent).toContain('R-134a');
  await page.type('Measured at', 'liquid');
  await more(page);
  expect(page.text()).toMatch(/Subcooling|above the bubble point/);
});

test('without the list of refrigerants it says so', async () => {
  const page = await open({}, { refrigerants$: throwError(() => new ApiError('offline', 'x')) });
  expect(page.text()).toContain('The list of refrigerants cannot be read now.');
});

describe('the table of both points', () => {
  const points = (id: string) => benchOperations.twoPoints({ composition: refrigerant(id).composition, given: { T: 298.15 } });

  test('a pure refrigerant has one column, a blend two', async () => {
    stage();
    const pure = await render(PointsTable, { points: points('R-134a') });
    expect(pure.text()).not.toContain('Dew point');
    TestBed.resetTestingModule();
    stage();
    expect((await render(PointsTable, { points: points('R-407C') })).text()).toContain('Dew point');
  });

  test('metric people read kg/m³ and kJ/kg', async () => {
    stage({ drafts: { preferences: { mass: 'kg', temperature: 'C', pressure: 'barg' } }, serverData: { organisation$: of() } });
    const { text } = await render(PointsTable, { points: points('R-134a') });
    // ASHRAE Handbook (from memory): 1206.7 kg/m³, 177.8 kJ/kg at 25 °C
    expect(text()).toContain('1206.7 kg/m³');
    expect(text()).toMatch(/Latent heat 177\.\d kJ\/kg/);
  });

  test('a pair that nobody has published is said to be estimated', async () => {
    stage();
    expect((await render(PointsTable, { points: points('R-403B') })).text()).toContain('nobody has published');
  });

  test('the publications come when they are asked for', async () => {
    stage();
    const { root, text, fixture } = await render(PointsTable, { points: points('R-134a') });
    root.querySelector('details')!.dispatchEvent(new Event('toggle'));
    await settled(fixture);
    await settled(fixture);
    expect(text()).toContain('Tillner-Roth');
  });
});
