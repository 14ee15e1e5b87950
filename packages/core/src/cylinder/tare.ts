import { cubicMetre, kilogram, type CubicMetre, type Kilogram } from '../units/quantity';
import { TARE_DIFFERS_KG } from './scale-tolerance';

/** kg/m³ of what may be in a cylinder that is heavier than its collar: water is lighter than rust, heavier than oil. */
const WATER = 998;

/** m³; heavier than full of water: nothing fits in any more. */
const NO_ROOM = 1e-6;

export interface TareAndVolume {
  /** The smaller of the stamped and the weighed one: the gross stop stands on it. */
  readonly tare: Kilogram;
  /** What is left for refrigerant. */
  readonly volume: CubicMetre;
  /** Weighed empty, it is heavier than its collar says: something is in it. */
  readonly heavier: boolean;
}

/** A lighter cylinder would be filled too far by its collar; in a heavier one something takes the room. */
export function tareAndVolume({
  tareKg,
  tareWeighedKg,
  volumeM3,
}: {
  readonly tareKg: number;
  readonly tareWeighedKg?: number | null | undefined;
  readonly volumeM3: number;
}): TareAndVolume {
  const more = (tareWeighedKg ?? tareKg) - tareKg;
  const heavier = more > TARE_DIFFERS_KG;
  const left = Math.max(NO_ROOM, volumeM3 - (heavier ? more / WATER : 0));
  return { tare: kilogram(Math.min(tareKg, tareWeighedKg ?? tareKg)), volume: cubicMetre(left), heavier };
}
