import { kindOf, systemKinds } from '@hygromet/core/circuit/system-kind';
import { layoutOf, type Label } from './circuit-layout';

interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Width of a letter at the size of the drawing's names; half as wide again for the bold ones. */
const LETTER = 9.6;
const HEIGHT = 18;

function boxOf({ x, y, anchor }: Label, words: string): Box {
  const width = words.length * LETTER;
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return { left, right: left + width, top: y - HEIGHT + 4, bottom: y + 4 };
}

/** The straight pieces of a way made of M, H and V. */
function pieces(way: string): Box[] {
  const all: Box[] = [];
  let [x, y] = [0, 0];
  for (const [, letter, numbers] of way.matchAll(/([MHV])([\d. ]+)/g)) {
    const values = numbers!.trim().split(' ').map(Number);
    const next = letter === 'M' ? [values[0]!, values[1]!] : letter === 'H' ? [values[0]!, y] : [x, values[0]!];
    if (letter !== 'M')
      all.push({
        left: Math.min(x, next[0]!) - 5,
        right: Math.max(x, next[0]!) + 5,
        top: Math.min(y, next[1]!) - 5,
        bottom: Math.max(y, next[1]!) + 5,
      });
    [x, y] = next as [number, number];
  }
  return all;
}

const overlap = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
const names: Record<string, string> = {
  'liquid-service': 'Liquid valve, shut',
  'suction-service': 'Suction valve, shut',
  king: 'King valve, shut',
};

test.each(systemKinds)('no name in the drawing of a %s lies over a line, a part or another name, or runs out of it', (kind) => {
  const layout = layoutOf(kind, kindOf(kind).valves);
  const labels = [
    ...layout.parts.map(({ part, label }) => ({ name: part, box: boxOf(label, part.replace('-', ' ')) })),
    ...layout.valves.map(({ valve, label }) => ({ name: valve, box: boxOf(label, names[valve]!) })),
  ];
  const lines = layout.pipes.flatMap(({ way }) => pieces(way));
  const bodies = layout.parts.map(({ x, y, width, height }) => ({ left: x, right: x + width, top: y, bottom: y + height }));
  for (const { name, box } of labels) {
    expect([name, lines.some((line) => overlap(box, line))]).toEqual([name, false]);
    expect([name, bodies.some((body) => overlap(box, body))]).toEqual([name, false]);
    expect([name, labels.some((other) => other.name !== name && overlap(box, other.box))]).toEqual([name, false]);
    expect(box.left).toBeGreaterThanOrEqual(0);
    expect(box.right).toBeLessThanOrEqual(layout.width);
  }
});

test.each(systemKinds)('every part and valve of a %s is drawn, and its pipes close the loop', (kind) => {
  const { parts, valves } = kindOf(kind);
  const layout = layoutOf(kind, valves);
  const drawn = layout.parts.map(({ part }) => part);
  expect(parts.filter((part) => !part.endsWith('line') && !drawn.includes(part))).toEqual([]);
  expect(layout.valves.map(({ valve }) => valve)).toEqual(valves);
  expect(layout.pipes).toHaveLength(6);
});
