import type { Wording } from '@hygromet/contract/sentence';
import type { Units } from '../preferences/units.service';
import { momentText } from '../ui/day';

/** How quantities of a sentence become words on this device. */
export const wordingIn = (units: Pick<Units, 'massText' | 'temperature' | 'pressure'>): Wording => ({
  mass: (kg) => units.massText(kg),
  temperature: (T) => units.temperature(T),
  pressure: (p) => units.pressure(p),
  at: momentText,
});
