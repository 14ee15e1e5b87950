import type { SenmlRecord } from '@hygromet/core/instruments/senml';
import type { Shown } from './scene';

/** Which instrument shows what, with the unit of its SenML records. */
const SHOWS = {
  gross: { serial: 'scale-1', kind: 'scale', u: 'kg', unit: 'lb' },
  suction: { serial: 'probe-low', kind: 'pressure probe', u: 'Pa', unit: 'psig' },
  head: { serial: 'probe-high', kind: 'pressure probe', u: 'Pa', unit: 'psig' },
  wall: { serial: 'clamp-1', kind: 'temperature clamp', u: 'K', unit: '°F' },
} as const;

/** Readings of one moment. @param at s since 1970 */
export const packOf = (shown: Shown, at: number): SenmlRecord[] =>
  (Object.entries(shown) as [keyof typeof SHOWS, number][]).map(([quantity, v], k) => ({
    ...(k === 0 ? { bt: at } : {}),
    n: `urn:dev:ser:${SHOWS[quantity].serial}:${quantity}`,
    u: SHOWS[quantity].u,
    v,
  }));

/** What each instrument says of itself, now and then. @param battery per cent */
export const factsOf = (speed: number, battery: number, at: number): SenmlRecord[] =>
  Object.values(SHOWS).flatMap(({ serial, kind, unit }, k) => [
    { bn: `urn:dev:ser:${serial}:`, ...(k === 0 ? { bt: at } : {}), n: 'kind', vs: kind },
    { n: 'unit', vs: unit },
    { n: 'battery', v: Math.round(battery) },
    { n: 'simulated', vb: true },
    { n: 'speed', v: speed },
  ]);
