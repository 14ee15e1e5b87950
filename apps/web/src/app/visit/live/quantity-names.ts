import type { Quantity } from '@hygromet/core/instruments/quantity';

/** What an instrument reads, in words, where it is missed. */
export const quantityNames: Record<Quantity, string> = {
  gross: 'weight',
  suction: 'suction pressure',
  head: 'pressure',
  wall: 'pipe temperature',
  air: 'air temperature',
  pipe: 'pipe temperature',
  suctionLine: 'suction line',
  liquidLine: 'liquid line',
  supply: 'supply air',
  discharge: 'discharge line',
  outdoor: 'outdoor temperature',
  indoor: 'return air',
  wetBulb: 'wet bulb of the return air',
  vacuum: 'vacuum (above its range a micron gauge shows nothing)',
};
