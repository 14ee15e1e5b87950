import type { Quantity } from '@hygromet/core/instruments/quantity';
import type { SenmlRecord } from '@hygromet/core/instruments/senml';
import type { Shown } from './played';

/** Which instrument shows what, with the unit of its SenML records. */
const SHOWS = {
  gross: { serial: 'scale-1', kind: 'scale', u: 'kg', unit: 'lb' },
  suction: { serial: 'probe-low', kind: 'pressure probe', u: 'Pa', unit: 'psig' },
  head: { serial: 'probe-high', kind: 'pressure probe', u: 'Pa', unit: 'psig' },
  wall: { serial: 'clamp-1', kind: 'temperature clamp', u: 'K', unit: '°F' },
  pipe: { serial: 'clamp-2', kind: 'temperature clamp', u: 'K', unit: '°F' },
  suctionLine: { serial: 'clamp-suction', kind: 'temperature clamp', u: 'K', unit: '°F' },
  liquidLine: { serial: 'clamp-liquid', kind: 'temperature clamp', u: 'K', unit: '°F' },
  discharge: { serial: 'clamp-discharge', kind: 'temperature clamp', u: 'K', unit: '°F' },
  supply: { serial: 'air-supply', kind: 'air thermometer', u: 'K', unit: '°F' },
  outdoor: { serial: 'air-outdoor', kind: 'air thermometer', u: 'K', unit: '°F' },
  indoor: { serial: 'air-return', kind: 'psychrometer', u: 'K', unit: '°F' },
  wetBulb: { serial: 'air-return', kind: 'psychrometer', u: 'K', unit: '°F' },
  air: { serial: 'air-1', kind: 'air thermometer', u: 'K', unit: '°F' },
  vacuum: { serial: 'micron-1', kind: 'micron gauge', u: 'Pa', unit: 'microns' },
} as const satisfies Readonly<Record<Quantity, object>>;

/** Readings of one moment. @param at s since 1970 */
export const packOf = (shown: Shown, at: number): SenmlRecord[] =>
  (Object.entries(shown) as [Quantity, number][]).map(([quantity, v], k) => ({
    ...(k === 0 ? { bt: at } : {}),
    n: `urn:dev:ser:${SHOWS[quantity].serial}:${quantity}`,
    u: SHOWS[quantity].u,
    v,
  }));

/** What an identifier tells of a sample. @param at s since 1970 */
export const identifierPack = (refrigerant: string, airPercent: number, at: number): SenmlRecord[] => [
  { bn: 'urn:dev:ser:identifier-1:', bt: at, n: 'kind', vs: 'refrigerant identifier' },
  { n: 'refrigerant', vs: refrigerant },
  { n: 'nonCondensables', v: Math.round(10 * airPercent) / 10 },
  { n: 'simulated', vb: true },
];

/** How many of their seconds pass in one of ours, and since when; s since 1970. */
export interface Pace {
  readonly speed: number;
  readonly since: number;
}

/** What each instrument that shows something says of itself, now and then. @param battery per cent */
export const factsOf = (shown: Shown, { speed, since }: Pace, battery: number, at: number): SenmlRecord[] =>
  [...new Map((Object.keys(shown) as Quantity[]).map((quantity) => [SHOWS[quantity].serial, SHOWS[quantity]] as const)).values()].flatMap(
    ({ serial, kind, unit }, k) => [
      { bn: `urn:dev:ser:${serial}:`, ...(k === 0 ? { bt: at } : {}), n: 'kind', vs: kind },
      { n: 'unit', vs: unit },
      { n: 'battery', v: Math.round(battery) },
      { n: 'simulated', vb: true },
      { n: 'speed', v: speed },
      { n: 'speedSince', v: since },
    ],
  );
