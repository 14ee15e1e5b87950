import type { ComponentId } from '@hygromet/core/circuit/circuit';
import { componentName } from '../../systems/system-labels';

/** Whatever has a name of its own: pieces of pipe go with what they belong to. */
export function sectionName(components: readonly ComponentId[]): string {
  const names = components.filter((id) => !id.startsWith('before-')).map((id) => componentName(id));
  return [names[0] ?? $localize`Pipe`, ...names.slice(1).map((name) => name.toLowerCase())].join(', ');
}
