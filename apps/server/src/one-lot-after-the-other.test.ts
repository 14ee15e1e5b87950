import { oneLotAfterTheOther } from './one-lot-after-the-other';

/** Two turns of the event loop: those who come at once have been gathered, and are being worked on. */
const settled = async () => {
  await new Promise((resolve) => setImmediate(resolve));
  await new Promise((resolve) => setImmediate(resolve));
};

test('who come at once are one lot; who comes meanwhile goes into the next, in the order of coming', async () => {
  const lots: (readonly string[])[] = [];
  const done: (() => void)[] = [];
  const put = oneLotAfterTheOther<string>((those) => {
    lots.push(those);
    return new Promise<void>((resolve) => done.push(resolve));
  });
  put('Tobin');
  put('Maren');
  await settled();
  expect(lots).toEqual([['Tobin', 'Maren']]);
  put('Ode');
  await settled();
  put('Wim');
  expect(lots).toHaveLength(1);
  done[0]?.();
  await settled();
  expect(lots).toEqual([
    ['Tobin', 'Maren'],
    ['Ode', 'Wim'],
  ]);
});

test('after everything is done the next one is worked on without waiting for others', async () => {
  const lots: (readonly number[])[] = [];
  const put = oneLotAfterTheOther<number>((those) => {
    lots.push(those);
    return Promise.resolve();
  });
  put(1);
  await settled();
  put(2);
  await settled();
  expect(lots).toEqual([[1], [2]]);
});
