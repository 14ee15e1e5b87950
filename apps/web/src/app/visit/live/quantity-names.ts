import type { Quantity } from '@hygromet/core/instruments/quantity';

/** What an instrument reads, in words, where it is missed. */
export const quantityNames: Record<Quantity, string> = {
  gross: $localize`weight`,
  suction: $localize`suction pressure`,
  head: $localize`pressure`,
  wall: $localize`pipe temperature`,
  air: $localize`air temperature`,
  pipe: $localize`pipe temperature`,
  suctionLine: $localize`suction line`,
  liquidLine: $localize`liquid line`,
  supply: $localize`supply air`,
  discharge: $localize`discharge line`,
  outdoor: $localize`outdoor temperature`,
  indoor: $localize`return air`,
  wetBulb: $localize`wet bulb of the return air`,
  vacuum: $localize`vacuum (above its range a micron gauge shows nothing)`,
};
