import { cutOutOf } from '../cut-out-of';
import parameters from '../parameters.json';
import type { Deed, Scenario } from '../scenario';
import type { EndReason, Simulated, TwinEventKind } from '../transfer-run';
import { fitNoLonger, type BesideTwin } from './beside';
import { valueAt, type Observable } from './observed';
import { explain, type Explained } from './explain';
import { curesOf, type Cure } from './cures';
import data from './priors.json';
import { run, type Fitted, type Underway } from './refit';
import { MISFIT, suspectsOf, type Suspect } from './suspects';
import { unknowns, type Guess } from './guess';

/** A figure with its nine-in-ten range. */
export interface Range {
  readonly likely: number;
  readonly low: number;
  readonly high: number;
}

/** What comes, as far as readings and records tell. Times in s since the start. */
export interface Outlook {
  readonly t: readonly number[];
  readonly bands: Readonly<Record<Observable, readonly Range[]>>;
  readonly end: { readonly reason: EndReason; readonly t: Range; readonly grossKg: Range; readonly leftKg: Range };
  /** When the liquid was over, or will be. */
  readonly liquidOver: Range | undefined;
  readonly below20psig: Range | undefined;
  /** Where the head meets the cut-out of the machine, if it goes on like this. */
  readonly trip: Range | undefined;
  /** Pa absolute, of a usual machine. */
  readonly cutOutPa: number;
  readonly chargeKg: Range;
  /** While liquid is left the charge cannot be seen: the plate decides. */
  readonly chargeSeen: boolean;
  /** kg in the system now. */
  readonly systemKg: Range;
  /** What would avert the trip, where one is foreseen. */
  readonly cures: readonly Cure[];
  readonly guess: Guess;
  readonly suspects: readonly Suspect[];
  /** Designation of the refrigerant that it reads like, where that is another than the record's. */
  readonly readsLike: string | undefined;
  /** What is left between readings and twin, in standard deviations. */
  readonly misfit: number;
  /** The same by kind of reading. */
  readonly beside: BesideTwin;
  /** Kinds of readings that the twin follows no longer, the worst first. */
  readonly offReadings: readonly Observable[];
}

/** Of nine in ten. */
const SIGMAS = 1.645;
const POINTS = 60;

/**
 * From where it stands to its end, with the range that is left of what is not known: one run at the estimate, and one at a standard deviation
 * along each direction of its covariance.
 */
export function outlook(underway: Underway, fitted: Fitted): Outlook | undefined {
  const explained = explain(underway, fitted);
  const { underway: taken, fitted: by } = explained?.instead ?? { underway, fitted };
  return outlookOf(taken, by, explained);
}

function outlookOf({ scenario, now }: Underway, fitted: Fitted, explained: Explained | undefined): Outlook | undefined {
  const { guess, covariance } = fitted;
  const coming: Scenario = { ...scenario, deeds: goingOn(scenario, now), tripsFrom: Number.POSITIVE_INFINITY };
  const base = run(coming, guess, 5);
  if (base === undefined) return undefined;
  const root = cholesky(covariance);
  const others = unknowns.map((_, k) => {
    const at = guess.map((value, i) => value + root[i * unknowns.length + k]!);
    return (
      run(coming, at, 5, { near: base }) ??
      run(
        coming,
        guess.map((value, i) => value - root[i * unknowns.length + k]!),
        5,
        { near: base },
      ) ??
      base
    );
  });
  /** @param structure what the model itself may be off, one standard deviation */
  const range = (of: (simulated: Simulated) => number | undefined, structure: (likely: number) => number): Range | undefined => {
    const likely = of(base);
    if (likely === undefined) return undefined;
    const sd = Math.hypot(structure(likely), ...others.map((other) => (of(other) ?? likely) - likely));
    return { likely, low: likely - SIGMAS * sd, high: likely + SIGMAS * sd };
  };
  const sure = (of: (simulated: Simulated) => number, structure: (likely: number) => number): Range => range(of, structure)!;
  const { time, mass, pressure } = data.structure;
  const ofTime = (likely: number) => time * Math.max(0, likely - now);
  const grossNow = valueAt(base.samples, 'grossKg', now);
  const ofMass = (likely: number) => mass * Math.abs(likely - grossNow);
  const ofPressure = (likely: number) => pressure * likely;
  const after = ({ low, likely, high }: Range): Range => ({ likely, low: Math.max(now, low), high: Math.max(now, high) });
  const until = Math.max(base.end.t, now + 60);
  const t = Array.from({ length: POINTS + 1 }, (_, k) => now + ((until - now) * k) / POINTS);
  const band = (of: Observable) => t.map((at) => sure(({ samples }) => valueAt(samples, of, at), of === 'grossKg' ? ofMass : ofPressure));
  const bands = { grossKg: band('grossKg'), suctionPa: band('suctionPa'), headPa: band('headPa') };
  const when = (kind: TwinEventKind) => range(({ events }) => events.find((event) => event.kind === kind)?.t, ofTime);
  const below = when('below-20-psig');
  const chargeSd = Math.sqrt(covariance[0]!);
  const charge = scenario.system.chargeKg * Math.exp(guess[0]!);
  const cutOut = cutOutOf(scenario);
  const trip = scenario.machine === null && scenario.method !== 'pump-down' ? undefined : crossing(t, bands.headPa, cutOut);
  return {
    t,
    bands,
    end: {
      reason: base.end.reason,
      t: after(sure(({ end }) => end.t, ofTime)),
      grossKg: sure(({ end }) => end.grossKg, ofMass),
      leftKg: atLeastNothing(
        sure(
          ({ end }) => end.leftKg,
          (likely) => mass * likely,
        ),
      ),
    },
    liquidOver: when('liquid-over'),
    below20psig: below === undefined ? undefined : after(below),
    cutOutPa: cutOut,
    trip,
    chargeKg: { likely: charge, low: charge * Math.exp(-SIGMAS * chargeSd), high: charge * Math.exp(SIGMAS * chargeSd) },
    chargeSeen: fitted.seen[0]!,
    systemKg: atLeastNothing(
      sure(
        ({ samples }) => valueAt(samples, 'systemKg', now),
        (likely) => mass * likely,
      ),
    ),
    cures: trip === undefined || scenario.method === 'pump-down' ? [] : curesOf(coming, guess, t, cutOut),
    guess,
    suspects: explained === undefined ? suspectsOf(fitted) : [explained.suspect],
    readsLike: explained?.readsLike,
    misfit: fitted.misfit,
    beside: fitted.beside,
    offReadings: fitNoLonger(fitted.beside, MISFIT),
  };
}

/** A machine that loops or purges does so for a while, and then draws from the system again. */
function goingOn({ deeds = [] }: Scenario, now: number): readonly Deed[] {
  const task = deeds.findLast((deed) => deed.task !== undefined)?.task ?? 'recover';
  return task === 'recover' ? deeds : [...deeds, { at: now + parameters.loop.seconds, task: 'recover' }];
}

const atLeastNothing = ({ likely, low, high }: Range): Range => ({
  likely: Math.max(0, likely),
  low: Math.max(0, low),
  high: Math.max(0, high),
});

/** Where a rising band meets a line: with its middle likely, with its upper edge first, with its lower edge last. */
function crossing(t: readonly number[], band: readonly Range[], line: number): Range | undefined {
  const first = (of: keyof Range): number | undefined => {
    const k = band.findIndex((value) => value[of] > line);
    if (k < 0) return undefined;
    if (k === 0) return t[0];
    const [a, b] = [band[k - 1]![of], band[k]![of]];
    return t[k - 1]! + ((line - a) / (b - a)) * (t[k]! - t[k - 1]!);
  };
  const likely = first('likely');
  return likely === undefined ? undefined : { likely, low: first('high') ?? likely, high: first('low') ?? Number.POSITIVE_INFINITY };
}

/** The lower root of a covariance; a direction in which nothing is left to know is none. */
function cholesky(matrix: Float64Array): Float64Array {
  const n = unknowns.length;
  const root = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let rest = matrix[i * n + j]!;
      for (let k = 0; k < j; k++) rest -= root[i * n + k]! * root[j * n + k]!;
      if (i === j) root[i * n + i] = Math.sqrt(Math.max(0, rest));
      else root[i * n + j] = root[j * n + j]! > 0 ? rest / root[j * n + j]! : 0;
    }
  return root;
}
