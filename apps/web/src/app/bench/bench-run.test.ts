import { TestBed } from '@angular/core/testing';
import { render, settled, stage } from '../../../test/scene';
import { BenchRun } from './bench-run';
import { BenchSession } from './bench.session';

const open = async () => {
  stage({ providers: [BenchSession] });
  const page = await render(BenchRun);
  return {
    ...page,
    fill: async (fields: Record<string, string>) => {
      for (const [label, value] of Object.entries(fields)) await page.type(label, value);
      for (let k = 0; k < 4; k++) await settled(page.fixture);
    },
  };
};

// Common practice: R-410A, 3/8 in liquid and 3/4 in suction, about 0.6 oz a foot.
test('twenty feet of line set take about 12 oz of R-410A', async () => {
  const { text, fill } = await open();
  expect(text()).toContain('Type a length: what the lines take follows.');
  await fill({ 'Length beyond the plate': '20' });
  expect(Number(/(\d+) oz ±/.exec(text())?.[1])).toBeGreaterThan(10);
  expect(Number(/(\d+) oz ±/.exec(text())?.[1])).toBeLessThan(15);
});

test('a day has its bands, with the target of practice beside them for an orifice alone', async () => {
  const { text, fill, type } = await open();
  await fill({ Outdoors: '95', 'Return air': '80', 'Return air, wet bulb': '67' });
  expect(text()).toMatch(/Superheat ?\d+ to \d+ °F/);
  expect(text()).toMatch(/Split ?1\d to 2\d °F/);
  expect(text()).toMatch(/Target superheat by rule of thumb ?13\.0 °F/);
  await type('Metering device', 'txv');
  await fill({});
  expect(text()).not.toContain('Target superheat');
});

// Common practice: 0.1 lb a minute for each ton and 10 °F to spare.
test('feeding goes by the superheat to spare, and not at all without any', async () => {
  const { text, fill } = await open();
  await fill({ 'Superheat at the compressor, °F': '20', 'Cooling capacity, tons': '3' });
  expect(text()).toMatch(/0\.[23]\d* lb a minute at most/);
  await fill({ 'Superheat at the compressor, °F': '9' });
  expect(text()).toContain('No superheat to spare');
  TestBed.resetTestingModule();
});
