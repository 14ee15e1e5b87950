import { parts, valves } from '@hygromet/core/circuit/part';
import { circuitOf } from '@hygromet/core/circuit/circuit-of';
import { partsOf, systemKinds } from '@hygromet/core/circuit/system-kind';
import { layoutOf } from '../method/circuit-layout';
import { touchesOf } from '../method/circuit-touches';
import { factSections, lookedName, sectionsOf, valvesFor } from './facts-sections';

test('whatever is touched has facts and a name', () => {
  for (const thing of [...parts, ...valves]) {
    expect(sectionsOf(thing).length).toBeGreaterThan(0);
    expect(lookedName(thing)).toMatch(/^[A-Z]/);
  }
});

test('every fact can be reached from the drawing of every kind, or from the whole unit', () => {
  for (const kind of systemKinds) {
    const touched = touchesOf(layoutOf(circuitOf({ kind }))).map(({ thing }) => thing);
    const reached = new Set([...sectionsOf('unit'), ...touched.flatMap(sectionsOf)]);
    const missing = factSections.filter((section) => !reached.has(section));
    expect([kind, missing]).toEqual([kind, []]);
  }
});

test('valves that shut a receiver or a branch are offered only where there is one; the others everywhere', () => {
  const of = (kind: 'packaged' | 'walk-in' | 'multi-split') => valvesFor(kind, partsOf({ kind }));
  expect(of('packaged')).toEqual(['discharge-service', 'liquid-service', 'suction-service']);
  expect(of('walk-in')).toEqual(expect.arrayContaining(['king', 'receiver-inlet']));
  expect(of('multi-split')).toEqual(expect.arrayContaining(['branch-liquid', 'branch-gas']));
});
