import { Readable, Writable } from 'node:stream';
import { propertyAnswer } from '@hygromet/contract/properties';
import { answerLines } from './answer-lines';
import { answerLine } from './properties-line';

const answer = (question: object) => answerLine(JSON.stringify(question));

test('saturation has the fields that are promised', () => {
  expect(Object.keys(answer({ op: 'saturation', refrigerant: 'R-407C', T: 298.15 }))).toEqual([
    'pBubble',
    'pDew',
    'rhoLiquid',
    'rhoVapour',
    'bubbleVapour',
    'dewLiquid',
    'latentHeat',
    'estimated',
  ]);
});

test('a composition stands for a designation', () => {
  const byName = answer({ op: 'closedVolume', refrigerant: 'R-410A', V: 0.0119, m: 8, T: 298.15 });
  const byShares = answer({ op: 'closedVolume', composition: { 'R-32': 0.5, 'R-125': 0.5 }, V: 0.0119, m: 8, T: 298.15 });
  expect(byShares).toEqual(byName);
  expect(byName).toMatchObject({ state: 'two-phase', estimated: false });
});

test('two liquids under one vapor are told as two layers, the denser one first', () => {
  const told = answer({ op: 'closedVolume', composition: { 'R-717': 0.5, 'R-290': 0.5 }, V: 0.02, m: 6, T: 298.15 });
  expect(propertyAnswer.parse(told)).toMatchObject({ state: 'two-liquids', liquid: null, rhoLiquid: null, estimated: false });
  const { liquids } = told as unknown as { liquids: { rho: number; liquid: Record<string, number> }[] };
  expect(liquids.map(({ liquid }) => liquid['R-717']! > 0.5)).toEqual([true, false]);
  expect(liquids[0]!.rho).toBeGreaterThan(liquids[1]!.rho);
});

test('liquid-full, and the pressure above it', () => {
  const full = answer({ op: 'liquidFull', refrigerant: 'R-410A', density: 850, above: [2, 5, 10] }) as { p: number; pAbove: number[] };
  expect(full.pAbove).toEqual([...full.pAbove].sort((a, b) => a - b));
  expect(full.pAbove[0]).toBeGreaterThan(full.p);
});

test.each([
  ['no JSON', '{', 'invalid-input'],
  ['NaN', '{"op":"saturation","refrigerant":"R-32","T":NaN}', 'invalid-input'],
  ['an unknown operation', '{"op":"boil"}', 'invalid-input'],
  ['an unknown refrigerant', '{"op":"saturation","refrigerant":"R-4I0A","T":300}', 'unknown-refrigerant'],
  ['shares that do not sum to 1', '{"op":"saturation","composition":{"R-32":0.5,"R-125":0.4},"T":300}', 'bad-composition'],
  ['neither', '{"op":"saturation","T":300}', 'bad-composition'],
  ['a temperature above the line', '{"op":"saturation","refrigerant":"R-744","T":320}', 'no-two-phase-state'],
  ['a negative mass', '{"op":"closedVolume","refrigerant":"R-32","V":0.01,"m":-1,"T":300}', 'out-of-range'],
  ['a volume of 0', '{"op":"closedVolume","refrigerant":"R-32","V":0,"m":1,"T":300}', 'out-of-range'],
])('%s answers with a stable code and a sentence', (_, line, code) => {
  expect(answerLine(line)).toEqual({ error: { code, message: expect.stringMatching(/\.$|\?$/) } });
});

test('an impossible question is answered, and the next goes on', async () => {
  const lines: string[] = [];
  const output = new Writable({
    write(chunk: Buffer, _, done) {
      lines.push(chunk.toString());
      done();
    },
  });
  await answerLines(Readable.from(['{"op":"boil"}\n\n', '{"op":"saturation","refrigerant":"R-32","T":300}\n']), output, answerLine);
  expect(lines.map((line) => Object.keys(JSON.parse(line) as object)[0])).toEqual(['error', 'pBubble']);
});

test('a byte-order mark is passed over, and usual spellings are understood', async () => {
  const lines: string[] = [];
  const output = new Writable({ write: (chunk: Buffer, _, done) => (lines.push(chunk.toString()), done()) });
  await answerLines(Readable.from(['\uFEFF{"op":"saturation","refrigerant":"r410a","T":300}\n']), output, answerLine);
  expect(JSON.parse(lines[0]!)).toHaveProperty('pBubble');
  expect(answer({ op: 'saturation', composition: { 'R-410A': 0.5, 'R-32': 0.5 }, T: 300 })).toHaveProperty('pBubble');
});

test.each([
  ['nothing in it', { op: 'closedVolume', refrigerant: 'R-22', V: 0.01, m: 0, T: 298 }],
  ['more than a liquid can be', { op: 'closedVolume', refrigerant: 'R-22', V: 0.01, m: 30, T: 298 }],
  ['a leak of nothing', { op: 'leak', refrigerant: 'R-407C', V: 0.01, m: 0, T: 298, phase: 'vapour', lost: [0.1] }],
])('%s is refused, never answered with a number that is none', (_, question) => {
  expect(answer(question)).toMatchObject({ error: { code: 'out-of-range' } });
});

test('a reader that is slow is waited for, and one that has gone ends it', async () => {
  const question = '{"op":"saturation","refrigerant":"R-32","T":300}\n';
  let waiting = 0;
  const slow = new Writable({ highWaterMark: 1, write: (_, __, done) => void (waiting++, setTimeout(done, 1)) });
  await answerLines(Readable.from(Array.from({ length: 20 }, () => question)), slow, answerLine);
  expect(slow.writableLength).toBeLessThan(2 * 400); // never the whole queue
  expect(waiting).toBeGreaterThan(15);
  const gone = new Writable({ write: (_, __, done) => done(Object.assign(new Error('closed'), { code: 'EPIPE' })) });
  await answerLines(Readable.from(Array.from({ length: 5 }, () => question)), gone, answerLine);
  expect(gone.destroyed).toBe(true);
});
