import type { StopWeight } from '@hygromet/core/cylinder/stop-weight';
import type { Units } from '../preferences/units.service';

/** Less than this is told of nothing. */
const SEEN_KG = 0.001;

/** Why the valve is shut below the limit. */
export function lessText(limitKg: number, shutAt: StopWeight | undefined, units: Pick<Units, 'massText'>): string {
  if (shutAt === undefined) return '';
  const parts = [
    [shutAt.scale, 'for the scale'],
    [shutAt.hose, 'still in the hose'],
    [shutAt.oil, 'for the oil'],
  ] as const;
  const told = parts.filter(([kg]) => kg > SEEN_KG).map(([kg, why]) => `${units.massText(kg, 'up')} ${why}`);
  const limit = `The limit is ${units.massText(limitKg, 'down')}`;
  return told.length === 0 ? `${limit}.` : `${limit}, less ${told.join(', ')}.`;
}
