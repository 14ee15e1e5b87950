import { kelvin, pascal } from '../units/quantity';
import type { Column } from './gaussian';
import priors from './hold-priors.json';
import { lnAmount } from './nitrogen';
import { bins, lagged, meanOf, PASCAL_PER_PSI, type HoldMeta, type HoldReadings } from './trace';

const HOUR = 3600;
const CELSIUS = 273.15;
/** A hold is long when the day moves it more than the filling does. */
export const LONG_HOLD_S = 2 * HOUR;
const MOST_BINS = 40;
/** 1/s: leaks that lose more than five times their charge in an hour nobody has to measure. */
const FASTEST = 5 / HOUR;
const REFERENCE_PSIG = 400;
/** Shortest and longest time for which a rounded reading keeps its error, s. */
const [LEAST_ROUNDED, MOST_ROUNDED] = [10, 1200];
/** The least noise of any reading, psi. */
const LEAST_NOISE_PSI = 0.03;

/** What may be left away, to see what the doubt is made of. */
export const terms = ['settling', 'thermometer', 'sun', 'oil', 'refrigerant', 'gauge'] as const;
export type Term = (typeof terms)[number];

/** A hold in bins: everything that the linear model is made of. */
export interface Binned {
  readonly t: readonly number[];
  /** Readings in each bin. */
  readonly count: readonly number[];
  /** Pa absolute. */
  readonly p: readonly number[];
  /** K: of the pipe where there is a clamp, else of the air. */
  readonly T: readonly number[];
  readonly air: readonly number[];
  readonly airLag: readonly number[];
  readonly pipeLag: readonly number[] | undefined;
  /** Whether noise moves the reading over more than one step. */
  readonly dithers: boolean;
}

const hasPipe = ({ pipeC }: HoldReadings, { thermometers }: HoldMeta) =>
  thermometers.includes('pipe') && pipeC !== undefined && pipeC.length > 0;

export function binned(readings: HoldReadings, meta: HoldMeta): Binned {
  const { timeS, pressurePsig, airC, pipeC = [] } = readings;
  const pipe = hasPipe(readings, meta);
  const airLag = lagged(timeS, airC, priors.airAgainstLag.tau);
  const pipeLag = pipe ? lagged(timeS, pipeC, priors.pipeAgainstLag.tau) : undefined;
  const ranges = bins(timeS.length, MOST_BINS);
  const of = (values: ArrayLike<number>) => ranges.map(([from, to]) => meanOf(values, from, to));
  return {
    t: of(timeS),
    count: ranges.map(([from, to]) => to - from),
    p: of(pressurePsig).map((psig) => meta.barometerPa + psig * PASCAL_PER_PSI),
    T: of(pipe ? pipeC : airC).map((t) => t + CELSIUS),
    air: of(airC).map((t) => t + CELSIUS),
    airLag: of(airLag).map((t) => t + CELSIUS),
    pipeLag: pipeLag === undefined ? undefined : of(pipeLag).map((t) => t + CELSIUS),
    dithers: ditherOf(pressurePsig) > 0.15,
  };
}

/** Share of the readings at which the display turns back: where it does often, its rounding averages out. */
function ditherOf(values: readonly number[]): number {
  let turns = 0;
  for (let k = 2; k < values.length; k++) if ((values[k]! - values[k - 1]!) * (values[k - 1]! - values[k - 2]!) < 0) turns++;
  let moves = 0;
  for (let k = 1; k < values.length; k++) if (values[k] !== values[k - 1]) moves++;
  return values.length < 6 ? 0 : Math.max(turns, moves / 2) / values.length;
}

/** ln of the amount by each bin's mean pressure and temperature; the copper gives a little room as it warms. */
export const amounts = ({ p, T }: Binned): number[] =>
  p.map((value, k) => lnAmount(kelvin(T[k]!), pascal(value)) + priors.copperPerK * (T[k]! - T[0]!));

/** What one kelvin of the gas beyond its thermometer does to ln of the amount. */
const byKelvin = ({ p, T }: Binned): number => {
  const [own, at] = [pascal(p[0]!), T[0]!];
  return lnAmount(kelvin(at - 0.5), own) - lnAmount(kelvin(at + 0.5), own);
};

/** Of daylight between six and eighteen, at most 1. */
const daylight = (hour: number) => Math.max(0, Math.sin((Math.PI * ((((hour % 24) + 24) % 24) - 6)) / 12));

/** Drift of a gauge in an hour, share of its span, for a hold of so many hours: over days it wanders, it does not run away. */
const driftPerHour = (hours: number) => priors.gaugeDrift.sd * Math.max(priors.gaugeDrift.leastShare, 1 / (1 + Math.max(0, hours - 1) / 4));

/** Columns of the linear model in ln of the amount; the loss, in 1/s, is the second of them. */
export function columnsFor(entry: Binned, meta: HoldMeta, without?: Term): Column[] {
  const { t, p, T, air, airLag, pipeLag } = entry;
  const clamped = pipeLag !== undefined;
  const perKelvin = byKelvin(entry);
  const psi = PASCAL_PER_PSI;
  const column = (name: string, values: (k: number) => number, mean: number, sd: number): Column => ({
    name,
    values: Float64Array.from(t, (_, k) => values(k)),
    mean,
    sd,
  });
  const columns = [column('amount', () => 1, 0, 1), column('loss', (k) => -t[k]!, 0, FASTEST)];
  if (without !== 'settling') columns.push(...settling(entry, meta, perKelvin, clamped));
  if (without !== 'thermometer') {
    if (clamped)
      columns.push(
        column('pipe-air', (k) => perKelvin * (T[k]! - air[k]!), priors.pipeAgainstAir.mean, priors.pipeAgainstAir.sd),
        column('pipe-lag', (k) => perKelvin * (T[k]! - pipeLag[k]!), priors.pipeAgainstLag.mean, priors.pipeAgainstLag.sd),
      );
    const { mean, sd } = clamped ? priors.airAgainstLag.clamped : priors.airAgainstLag.airOnly;
    columns.push(
      column('air-lag', (k) => perKelvin * (air[k]! - airLag[k]!), mean, sd),
      column('air', (k) => perKelvin * (air[k]! - air[0]!), priors.air.mean, priors.air.sd),
    );
  }
  if (without !== 'sun') {
    const { mean, sd } = clamped ? priors.daylight.clamped : priors.daylight.airOnly;
    const lag = priors.daylight.tau / HOUR;
    columns.push(column('sun', (k) => perKelvin * daylight(meta.startHour + t[k]! / HOUR - lag), mean, sd));
  }
  if (meta.oilLiter > 0 && without !== 'oil') columns.push(...oil(entry, meta));
  if (meta.refrigerantMayRemain && without !== 'refrigerant')
    columns.push(
      ...priors.creep.tau.map((tau) =>
        column(`creep-${tau}`, (k) => ((1 - Math.exp(-t[k]! / tau)) * psi) / p[k]!, priors.creep.mean / 2, priors.creep.sd),
      ),
    );
  if (without !== 'gauge') {
    const span = meta.gaugeSpanPsi * psi;
    columns.push(
      column('drift', (k) => ((t[k]! / HOUR) * span) / p[k]!, 0, driftPerHour(t.at(-1)! / HOUR)),
      column('gauge-air', (k) => ((air[k]! - air[0]!) * span) / p[k]!, 0, priors.gaugeByAir.sd),
    );
  }
  return columns;
}

function settling({ t, p }: Binned, { secondsSinceFilling, setPressurePsig }: HoldMeta, perKelvin: number, clamped: boolean): Column[] {
  const { tau: taus, mean, sd, clampedFrom } = priors.settling;
  const scale = setPressurePsig / REFERENCE_PSIG;
  return taus.map((tau, k) => {
    const left = scale * Math.exp(-secondsSinceFilling / tau);
    const slow = clamped && k >= clampedFrom;
    return {
      name: `settling-${tau}`,
      values: Float64Array.from(p, (_, i) => perKelvin * left * Math.exp(-t[i]! / tau)),
      mean: slow ? 0 : mean[k]!,
      sd: slow ? sd[k]! / 2 : sd[k]!,
    };
  });
}

function oil({ t }: Binned, { oilLiter, volumeLiter, secondsSinceFilling: wait }: HoldMeta): Column[] {
  const { k: rates, ostwald, mean, sd } = priors.oil;
  const most = (ostwald * oilLiter) / volumeLiter;
  return rates.map((rate) => {
    const taken = (s: number) => Math.min(1, 1.13 * rate * Math.sqrt(s));
    return { name: `oil-${rate}`, values: Float64Array.from(t, (s) => -most * (taken(s + wait) - taken(wait))), mean, sd };
  });
}

/** Covariance of what no column describes: the gas beside its thermometer, and the reading. */
export function noiseOf(entry: Binned, { gaugeResolutionPsi: step }: HoldMeta, fallPsiPerS: number, without?: Term): Float64Array {
  const { t, p, count, pipeLag, dithers } = entry;
  const n = t.length;
  const perKelvin = byKelvin(entry);
  const clamped = pipeLag !== undefined;
  const long = t[n - 1]! > LONG_HOLD_S;
  const thermometer = without === 'thermometer' ? 0 : 1;
  const gauge = without === 'gauge' ? 0 : 1;
  const wander = thermometer * perKelvin * (clamped ? priors.wandering.clampedK : priors.wandering.airOnlyK);
  const slow = long && without !== 'sun' ? perKelvin * (clamped ? priors.slow.clampedK : priors.slow.airOnlyK) : 0;
  const kept = Math.min(MOST_ROUNDED, Math.max(LEAST_ROUNDED, step / Math.max(1e-9, Math.abs(fallPsiPerS))));
  const rounding = (step * step) / 12;
  const correlated = gauge * rounding * (dithers ? 0.25 : 1);
  const white = gauge * (Math.max(0.3 * step, LEAST_NOISE_PSI) ** 2 + rounding * (dithers ? 0.75 : 0));
  const least = 1e-14;
  const noise = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const apart = t[i]! - t[j]!;
      const psi = (PASCAL_PER_PSI / p[i]!) * (PASCAL_PER_PSI / p[j]!);
      let value =
        wander * wander * Math.exp(-apart / priors.wandering.memory) +
        slow * slow * Math.exp(-apart / priors.slow.memory) +
        correlated * psi * Math.exp(-apart / kept);
      if (i === j) value += (white * psi + thermometer * (perKelvin * priors.thermometerK) ** 2) / count[i]! + least;
      noise[i * n + j] = noise[j * n + i] = value;
    }
  return noise;
}
