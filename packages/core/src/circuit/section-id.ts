import { partOf } from './circuit-of';
import type { Part } from './part';
import type { Section } from './sections';

const PREFIX = 'section:';

/**
 * What was found of a piece of the circuit stands in the visit beside its joints, under the first of its parts and the valves that shut it
 * off: with other valves it is another piece.
 */
export const sectionId = ({ components, valves }: Section): string =>
  `${PREFIX}${components[0] ?? ''}@${[...new Set(valves.map((id) => id.replace(/-\d+$/, '')))].join(',')}`;
export const isSection = (id: string): boolean => id.startsWith(PREFIX);

/**
 * Parts that a test of one piece leaves out: those of the other pieces, and only where this one was held by itself and lost nothing. A valve
 * that nobody has proved keeps nothing apart. Common practice. @param heldTight ids of the pieces that were held and lost nothing
 */
export function partsApart(sections: readonly Section[], tested: string, heldTight: ReadonlySet<string>): readonly Part[] {
  const section = sections.find((one) => sectionId(one) === tested);
  if (section === undefined || !heldTight.has(tested)) return [];
  const inside = new Set(section.components.map(partOf));
  const others = sections.filter((one) => one !== section).flatMap(({ components }) => components.map(partOf));
  return [...new Set(others)].filter((part) => !inside.has(part));
}
