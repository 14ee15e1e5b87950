import { TestBed } from '@angular/core/testing';
import { bubblePoint } from '@hygromet/core/thermo/saturation';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { celsius, fahrenheit } from '@hygromet/core/units/temperature';
import { pressureIn, STANDARD_ATMOSPHERE } from '@hygromet/core/units/pressure';
import { of } from 'rxjs';
import { stage } from '../../../test/scene';
import { valueOf } from '../ui/loadable';
import { BenchSession } from './bench.session';

const answered = async () => {
  for (let k = 0; k < 6; k++) {
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve));
  }
};

async function open(...scene: Parameters<typeof stage>) {
  const { kept } = stage({ ...scene[0], providers: [BenchSession, ...(scene[0]?.providers ?? [])] });
  const session = TestBed.inject(BenchSession);
  await answered();
  return { session, kept };
}

test('it opens with a refrigerant at 77 °F and its pressure', async () => {
  const { session } = await open();
  const p = bubblePoint(refrigerant('R-410A').composition, fahrenheit(77)).p;
  expect(session.name()).toBe('R-410A');
  expect(valueOf(session.points())?.bubble.p).toBeCloseTo(p, 3);
  expect(Number(session.pressure().text)).toBeCloseTo(pressureIn(p, 'psig', STANDARD_ATMOSPHERE), 1);
});

test('what was touched last leads, the other follows', async () => {
  const { session } = await open();
  session.typePressure({ unit: 'psig', text: '118', ounces: '' });
  await answered();
  expect(session.draft().lead).toBe('pressure');
  expect(Number(session.temperature().text)).toBeCloseTo(40, 0); // 118 psig is 40 °F: common practice
  session.leadTemperature(fahrenheit(77));
  await answered();
  expect(session.temperature().text).toBe('77.0');
  session.typePressure({ ...session.pressure(), text: pressureIn(1_000_000, 'psig', STANDARD_ATMOSPHERE).toFixed(1) });
  await answered();
  expect(session.pressure().text).toBe(pressureIn(1_000_000, 'psig', STANDARD_ATMOSPHERE).toFixed(1));
});

test('another unit rewrites the field and changes nothing else', async () => {
  const { session } = await open();
  session.typeTemperature({ ...session.temperature(), unit: 'C' });
  await answered();
  expect(session.temperature()).toMatchObject({ unit: 'C', text: '25.0' });
  const before = valueOf(session.points())?.bubble.p;
  session.typePressure({ ...session.pressure(), unit: 'barg' });
  await answered();
  expect(session.draft().lead).toBe('temperature');
  expect(valueOf(session.points())?.bubble.p).toBe(before);
  expect(session.pressure().text).toBe(((before! - STANDARD_ATMOSPHERE) / 1e5).toFixed(2));
});

test('a slip of the finger asks nothing, and the last answer is not shown as its answer', async () => {
  const { session } = await open();
  session.typeTemperature({ unit: 'F', text: 'seventy', ounces: '' });
  await answered();
  expect(session.points().state).toBe('waiting');
  expect(session.pressure().text).toBe('');
});

test('several contents are mixed by weight; one with a name gets it', async () => {
  const { session } = await open();
  session.change({ mode: 'mixture' });
  session.changePart(0, { refrigerant: 'R-32', mass: { unit: 'kg', text: '2', ounces: '' } });
  await answered();
  expect(session.composition()).toBeUndefined(); // one content is no mixture
  session.changePart(1, { refrigerant: 'R-125', mass: { unit: 'kg', text: '2', ounces: '' } });
  await answered();
  expect(session.name()).toBe('R-410A');
  session.changePart(1, { mass: { unit: 'kg', text: '6', ounces: '' } });
  await answered();
  expect(session.composition()).toEqual({ 'R-32': 0.25, 'R-125': 0.75 });
  expect(session.name()).toBe('75 % R-125 + 25 % R-32');
  session.addPart();
  session.removePart(0);
  expect(session.draft().parts.map(({ refrigerant: id }) => id)).toEqual(['R-125', null]);
});

test('a measured pair is asked about where it was measured, and only there', async () => {
  const { session } = await open();
  session.change({
    measuredPressure: { unit: 'psia', text: '280', ounces: '' },
    measuredTemperature: { unit: 'F', text: '77', ounces: '' },
  });
  await answered();
  expect(valueOf(session.atRest())?.verdict).toBe('high');
  expect(session.superheat().state).toBe('waiting');
  session.change({ measuredAt: 'liquid' });
  await answered();
  expect(valueOf(session.subcooling())).toBeGreaterThan(0);
  expect(session.candidates().state).toBe('waiting');
});

test('the label is compared at the same temperature', async () => {
  const { session } = await open();
  session.change({ label: 'R-22' });
  await answered();
  expect(valueOf(session.labelPoints())?.bubble.p).toBeCloseTo(bubblePoint({ 'R-22': 1 }, celsius(25)).p, 3);
  expect(valueOf(session.labelLines())?.T.length).toBe(96);
});

test('what was typed is found again on the device', async () => {
  const { session, kept } = await open({ drafts: { bench: { refrigerant: 'R-134a' } } });
  expect(session.name()).toBe('R-134a');
  session.change({ label: 'R-12' });
  await answered();
  expect(kept['hygromet.draft.bench']).toContain('R-12');
});

test('metric people begin at 25 °C', async () => {
  const { session } = await open({
    drafts: { preferences: { temperature: 'C', pressure: 'barg', mass: 'kg' } },
    serverData: { organisation$: of() },
  });
  expect(session.temperature()).toMatchObject({ unit: 'C', text: '25' });
  expect(session.pressure().unit).toBe('barg');
});
