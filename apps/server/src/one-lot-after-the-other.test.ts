import { oneLotAfterTheOther } from './one-lot-after-the-other';

const settled = () => new Promise((resolve) => setImmediate(resolve));

test('who comes alone is worked on at once; who comes meanwhile goes together into the next lot, in the order of coming', async () => {
  const lots: (readonly string[])[] = [];
  const done: (() => void)[] = [];
  const put = oneLotAfterTheOther<string>((those) => {
    lots.push(those);
    return new Promise<void>((resolve) => done.push(resolve));
  });
  put('Tobin');
  put('Maren');
  put('Ode');
  expect(lots).toEqual([['Tobin']]);
  done[0]?.();
  await settled();
  expect(lots).toEqual([['Tobin'], ['Maren', 'Ode']]);
  put('Wim');
  done[1]?.();
  await settled();
  expect(lots.at(-1)).toEqual(['Wim']);
});

test('after everything is done the next one is again worked on at once', async () => {
  const lots: (readonly number[])[] = [];
  const put = oneLotAfterTheOther<number>((those) => {
    lots.push(those);
    return Promise.resolve();
  });
  put(1);
  await settled();
  put(2);
  expect(lots).toEqual([[1], [2]]);
});
