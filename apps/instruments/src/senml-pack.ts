import type { SenmlRecord } from '@hygromet/core/instruments/senml';
import type { Shown } from './played';

/** Which instrument shows what, with the unit of its SenML records. */
const SHOWS = {
  gross: { serial: 'scale-1', kind: 'scale', u: 'kg', unit: 'lb' },
  suction: { serial: 'probe-low', kind: 'pressure probe', u: 'Pa', unit: 'psig' },
  head: { serial: 'probe-high', kind: 'pressure probe', u: 'Pa', unit: 'psig' },
  wall: { serial: 'clamp-1', kind: 'temperature clamp', u: 'K', unit: '°F' },
  air: { serial: 'air-1', kind: 'air thermometer', u: 'K', unit: '°F' },
  vacuum: { serial: 'micron-1', kind: 'micron gauge', u: 'Pa', unit: 'microns' },
} as const;

/** Readings of one moment. @param at s since 1970 */
export const packOf = (shown: Shown, at: number): SenmlRecord[] =>
  (Object.entries(shown) as [keyof typeof SHOWS, number][]).map(([quantity, v], k) => ({
    ...(k === 0 ? { bt: at } : {}),
    n: `urn:dev:ser:${SHOWS[quantity].serial}:${quantity}`,
    u: SHOWS[quantity].u,
    v,
  }));

/** What each instrument that shows something says of itself, now and then. @param battery per cent */
export const factsOf = (shown: Shown, speed: number, battery: number, at: number): SenmlRecord[] =>
  (Object.keys(shown) as (keyof typeof SHOWS)[])
    .map((quantity) => SHOWS[quantity])
    .flatMap(({ serial, kind, unit }, k) => [
      { bn: `urn:dev:ser:${serial}:`, ...(k === 0 ? { bt: at } : {}), n: 'kind', vs: kind },
      { n: 'unit', vs: unit },
      { n: 'battery', v: Math.round(battery) },
      { n: 'simulated', vb: true },
      { n: 'speed', v: speed },
    ]);
