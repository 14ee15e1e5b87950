import { received } from './received';

const NOW = 1_795_953_600;

test('readings come in SI, whatever unit they were sent in', () => {
  const { readings, problems } = received(
    [
      { bn: 'urn:dev:ser:a:', n: 'gross', u: 'g', v: 12_345 },
      { n: 'head', u: 'kPa', v: 2100 },
      { n: 'wall', u: 'Cel', v: 25 },
      { n: 'vacuum', v: 66.6 },
    ],
    NOW,
  );
  expect(problems).toEqual([]);
  expect(readings.map(({ quantity, value }) => [quantity, value])).toEqual([
    ['gross', 12.345],
    ['head', 2_100_000],
    ['wall', 298.15],
    ['vacuum', 66.6],
  ]);
});

test.each([
  [{ v: 1 }, 'name-missing'],
  [{ n: 'gross', v: 1 }, 'name-strange'],
  [{ n: 'scale 1:gross', v: 1 }, 'name-strange'],
  [{ n: 'scale-1:', v: 1 }, 'name-strange'],
  [{ n: 'scale-1:gross' }, 'value-missing'],
  [{ n: 'scale-1:colour', v: 1 }, 'quantity-unknown'],
  [{ n: 'scale-1:gross', vs: 'heavy' }, 'quantity-unknown'],
  [{ n: 'scale-1:gross', u: 'lb', v: 1 }, 'unit-unknown'],
  [{ n: 'scale-1:gross', u: 'Pa', v: 1 }, 'unit-of-another-kind'],
  [{ n: 'scale-1:gross', v: 1e7 }, 'out-of-range'],
  [{ n: 'scale-1:gross', v: 12, t: 3600 }, 'clock-ahead'],
] as const)('%j is named: %s', (record, problem) => {
  expect(received([record], NOW).problems).toEqual([{ record: 0, problem }]);
});

test('what is wrong keeps nothing else out, and a clock that is ahead loses no reading', () => {
  const { readings, problems } = received(
    [
      { n: 'a:gross', v: 1, t: 7200 },
      { n: 'a:nonsense', v: 1 },
      { n: 'a:gross', v: 2, t: -1 },
    ],
    NOW,
  );
  expect(readings.map(({ at, value }) => [at, value])).toEqual([
    [NOW, 1],
    [NOW - 1, 2],
  ]);
  expect(problems).toHaveLength(2);
});

test('what an instrument says of itself is a fact, not a reading', () => {
  const { readings, facts } = received(
    [
      { bn: 'urn:dev:ser:a:', n: 'unit', vs: 'lb' },
      { n: 'battery', v: 80 },
      { n: 'simulated', vb: true },
    ],
    NOW,
  );
  expect(readings).toEqual([]);
  expect(facts.map(({ fact, value }) => [fact, value])).toEqual([
    ['unit', 'lb'],
    ['battery', 80],
    ['simulated', true],
  ]);
});
