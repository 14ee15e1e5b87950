import fc from 'fast-check';
import { circuitOf, partOf } from './circuit-of';
import { partsApart, sectionId } from './section-id';
import { sectionsOf } from './sections';
import { systemKinds } from './system-kind';

const split = sectionsOf(circuitOf({ kind: 'split' }), {});
const indoor = split.find(({ components }) => components.includes('evaporator'))!;

test('behind valves that were proved the outdoor coil is apart from a test of the lines', () => {
  const apart = partsApart(split, sectionId(indoor), new Set([sectionId(indoor)]));
  expect(apart).toContain('condenser');
  expect(apart).toContain('compressor');
  expect(apart).not.toContain('evaporator');
});

test('a valve that nobody has proved keeps nothing apart, nor does a piece that is none', () => {
  expect(partsApart(split, sectionId(indoor), new Set())).toEqual([]);
  expect(partsApart(split, 'section:nowhere@', new Set(['section:nowhere@']))).toEqual([]);
});

test('whatever the kind of system and the piece: what is tested is never apart, and less that is proved never leaves more apart', () => {
  fc.assert(
    fc.property(fc.constantFrom(...systemKinds), fc.nat(), fc.boolean(), (kind, which, proved) => {
      const sections = sectionsOf(circuitOf({ kind }), {});
      const section = sections[which % sections.length]!;
      const heldTight = new Set(proved ? [sectionId(section)] : []);
      const apart = partsApart(sections, sectionId(section), heldTight);
      for (const id of section.components) expect(apart).not.toContain(partOf(id));
      if (!proved) expect(apart).toEqual([]);
    }),
  );
});
