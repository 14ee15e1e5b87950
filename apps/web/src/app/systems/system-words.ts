import type { SystemKind } from '@hygromet/contract/system';

export const systemKindNames: Record<SystemKind, string> = {
  split: 'Split system',
  'heat-pump': 'Heat pump',
  packaged: 'Packaged unit',
  'walk-in': 'Walk-in with receiver',
  rack: 'Rack',
  chiller: 'Water chiller',
  appliance: 'Sealed appliance',
};
