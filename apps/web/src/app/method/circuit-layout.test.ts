import { circuitOf } from '@hygromet/core/circuit/circuit-of';
import { optionalParts, valves, type Valve } from '@hygromet/core/circuit/part';
import { partsOf, systemKinds, type CircuitRecord } from '@hygromet/core/circuit/system-kind';
import fc from 'fast-check';
import { layoutOf, type Label } from './circuit-layout';
import { drawnName } from './drawn-name';

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
/** As they stand in the drawing, shut. */
const names: Record<string, string> = {
  'discharge-service': 'Discharge valve, shut',
  'receiver-inlet': 'Inlet valve, shut',
  king: 'King valve, shut',
  'liquid-service': 'Liquid valve, shut',
  'branch-liquid': 'Branch valve, shut',
  'branch-gas': 'Gas valve, shut',
  'suction-service': 'Suction valve, shut',
};

/** What is wrong with a drawing: names over lines, parts or each other, or out of it; bodies over each other. */
function faultsOf(record: CircuitRecord): readonly string[] {
  const circuit = circuitOf(record);
  const layout = layoutOf(circuit);
  const labels = [
    ...layout.parts.map((placed) => ({ name: placed.part, box: boxOf(placed.label, drawnName(circuit, placed)) })),
    ...layout.valves.map(({ valve, label }) => ({ name: valve, box: boxOf(label, names[valve]!) })),
  ];
  const lines = layout.pipes.flatMap(({ way }) => pieces(way));
  const bodies = layout.parts.map(({ part, x, y, width, height }) => ({
    name: part,
    box: { left: x, right: x + width, top: y, bottom: y + height },
  }));
  return [
    ...labels.flatMap(({ name, box }) => [
      ...(lines.some((line) => overlap(box, line)) ? [`${name} over a line`] : []),
      ...bodies.filter((body) => overlap(box, body.box)).map((body) => `${name} over the ${body.name}`),
      ...labels.filter((other) => other.name !== name && overlap(box, other.box)).map((other) => `${name} over the name ${other.name}`),
      ...(box.left < 0 || box.right > layout.width || box.top < 0 || box.bottom > layout.height ? [`${name} runs out`] : []),
    ]),
    ...bodies.flatMap(({ name, box }, k) =>
      bodies.slice(k + 1).flatMap((other) => (overlap(box, other.box) ? [`the ${name} over the ${other.name}`] : [])),
    ),
  ];
}

test.each(systemKinds)('no name in the drawing of a %s lies over a line, a part or another name, or runs out of it', (kind) => {
  expect(faultsOf({ kind })).toEqual([]);
});

const anyRecord: fc.Arbitrary<CircuitRecord> = fc
  .record({
    kind: fc.constantFrom(...systemKinds),
    fitted: fc.subarray([...optionalParts]),
    there: fc.subarray([...valves]),
    indoorUnits: fc.integer({ min: 1, max: 5 }),
    condenserCooling: fc.constantFrom('air' as const, 'water' as const),
  })
  .map(({ kind, fitted, there, indoorUnits, condenserCooling }) => ({
    kind,
    condenserCooling,
    indoorUnits,
    fitted: Object.fromEntries(optionalParts.map((part) => [part, fitted.includes(part) ? 'fitted' : 'none'])),
    valves: Object.fromEntries(valves.map((valve): [Valve, 'holds' | 'none'] => [valve, there.includes(valve) ? 'holds' : 'none'])),
  }));

test('so it is for any make-up that a record can have', () => {
  fc.assert(
    fc.property(anyRecord, (record) => {
      expect(faultsOf(record)).toEqual([]);
    }),
    { numRuns: 400 },
  );
});

test('every part and valve of any make-up is drawn once, and its pipes close the loop', () => {
  fc.assert(
    fc.property(anyRecord, (record) => {
      const circuit = circuitOf(record);
      const layout = layoutOf(circuit);
      const drawn = layout.parts.map(({ part }) => part);
      expect([...drawn].sort()).toEqual(
        partsOf(record)
          .filter((part) => !part.endsWith('line'))
          .sort(),
      );
      const installed = circuit.links.flatMap(({ barrier }) => (barrier?.kind === 'hand-valve' ? [barrier.valve] : []));
      expect(layout.valves.map(({ valve }) => valve).sort()).toEqual([...new Set(installed)].sort());
      const bypass = drawn.includes('head-pressure-valve') ? 1 : 0;
      // as many pipes as there are things on the loop; what passes the condenser has two of its own
      expect(layout.pipes).toHaveLength(layout.parts.length + layout.valves.length + bypass);
    }),
    { numRuns: 200 },
  );
});
