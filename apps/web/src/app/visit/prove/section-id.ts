import type { Section } from '@hygromet/core/circuit/sections';

const PREFIX = 'section:';

/**
 * What was found of a piece of the circuit stands in the visit beside its joints, under the first of its parts and the valves that shut it
 * off: with other valves it is another piece.
 */
export const sectionId = ({ components, valves }: Section): string =>
  `${PREFIX}${components[0] ?? ''}@${[...new Set(valves.map((id) => id.replace(/-\d+$/, '')))].join(',')}`;
export const isSection = (id: string): boolean => id.startsWith(PREFIX);
