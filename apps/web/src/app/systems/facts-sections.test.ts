import { parts, valves } from '@hygromet/core/circuit/part';
import { kindOf, systemKinds } from '@hygromet/core/circuit/system-kind';
import { layoutOf } from '../method/circuit-layout';
import { touchesOf } from '../method/circuit-touches';
import { factSections, lookedName, sectionsOf } from './facts-sections';

test('whatever is touched has facts and a name', () => {
  for (const thing of [...parts, ...valves]) {
    expect(sectionsOf(thing).length).toBeGreaterThan(0);
    expect(lookedName(thing)).toMatch(/^[A-Z]/);
  }
});

test('every fact can be reached from the drawing of every kind, or from the whole unit', () => {
  for (const kind of systemKinds) {
    const touched = touchesOf(layoutOf(kind, kindOf(kind).valves)).map(({ thing }) => thing);
    const reached = new Set([...sectionsOf('unit'), ...touched.flatMap(sectionsOf)]);
    const missing = factSections.filter((section) => !reached.has(section) && !(section === 'valves' && kindOf(kind).valves.length === 0));
    expect([kind, missing]).toEqual([kind, []]);
  }
});
