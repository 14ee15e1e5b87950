import type { Relief } from '@hygromet/core/cylinder/hot-state';
import { kelvin } from '@hygromet/core/units/quantity';
import { render, stage } from '../../../test/scene';
import { FilledFigures } from './filled-figures';

beforeEach(() => void stage());

const told = async (relief: Relief | undefined) => {
  const heat = { fills: true, T: 340, slopePaPerK: 4e5, relief };
  const { root } = await render(FilledFigures, { heat, hottestK: 333.15, air: '1.5 % air allowed for' });
  return [...root.querySelectorAll('dd')].at(-1)?.textContent?.trim();
};

test.each<[Relief | undefined, RegExp]>([
  [{ opens: 'at', T: kelvin(350) }, /^170 °F$/],
  [{ opens: 'not-until', T: kelvin(420) }, /^above 296 °F$/],
  [{ opens: 'always' }, /check its set pressure/],
  [{ opens: 'unknown' }, /not known/],
  [undefined, /not recorded/],
])('%j: the relief valve in words, its temperature in the units of this device', async (relief, words) => {
  expect(await told(relief)).toMatch(words);
});
