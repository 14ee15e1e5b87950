import type { Composition } from '../fluids/composition';
import { massDensity } from '../thermo/phase';
import { singlePhase } from '../thermo/single-phase';
import type { PartVolume } from '../circuit/part-volume';
import type { Kelvin, Pascal } from '../units/quantity';
import type { AsFound } from './as-found';
import { withDoubt } from './charge-doubt';
import data from './charge-doubt.json';
import type { Range } from './job-conditions';

/** Why it is reckoned with so much, in the order in which it was found. kg of each. */
export type ContentReason =
  /** By plate and ledger: what went in and out since. */
  | { readonly code: 'on-record'; readonly kg: number }
  /** What the line set holds beyond what the plate covers. */
  | { readonly code: 'line-set'; readonly kg: number }
  /** More came out than was on record: a question, not a content below nothing. */
  | { readonly code: 'overdrawn'; readonly kg: number }
  /** Somebody says that so much is missing: it makes it likelier, and nothing sure. */
  | { readonly code: 'reported-short'; readonly kg: number }
  /** How it ran says that about so much is in it: it makes that likelier, and nothing sure. */
  | { readonly code: 'running'; readonly kg: number }
  /** The standing pressure is below saturation: vapour alone, so much at most. */
  | { readonly code: 'vapour-only'; readonly kg: number }
  /** No pressure is left: at most the vapour that stands at that pressure. */
  | { readonly code: 'flat'; readonly kg: number }
  /** It was read on one side: what it says of the other nobody knows. */
  | { readonly code: 'one-side-read'; readonly kg: number };

/** What is in a circuit now, as far as anybody knows, and why. */
export interface ContentNow extends Range {
  /** What plate, ledger and line set come to: what nobody has measured away. */
  readonly onRecord: number;
  readonly reasons: readonly ContentReason[];
}

export interface ContentFacts {
  readonly composition: Composition;
  /** K, of the coldest part that can hold liquid. */
  readonly T: Kelvin;
  /** Of the whole circuit. */
  readonly volume: PartVolume;
  /** kg by plate and ledger; below 0 where more came out than was on record. */
  readonly ledgerKg: number;
  readonly lineKg: number;
  readonly asFound: AsFound;
  /** Pa absolute, where it was read. */
  readonly standingPressure?: Pascal | undefined;
  /** Whether it was read on both sides: on one, a shut valve hides what is on the other. */
  readonly bothSides: boolean;
  /** kg that a running check on this visit says are in it, before anything was taken out. */
  readonly runningKg?: number | undefined;
  /** kg that somebody says are missing. */
  readonly reportedShortKg?: number | undefined;
}

/**
 * One distribution for everything that follows from it: room, cylinders, time, truck. Only a measurement takes away what may be there at
 * most, and only where it was made on both sides; what somebody says makes less likely. Sources: `charge-doubt.json`, vapour by the property core.
 */
export function contentNow(facts: ContentFacts): ContentNow {
  const { ledgerKg, lineKg, runningKg, reportedShortKg = 0, asFound } = facts;
  const onRecord = Math.max(0, ledgerKg + Math.max(0, lineKg));
  const start: ContentNow = {
    ...withDoubt(onRecord),
    onRecord,
    reasons: [
      { code: 'on-record', kg: Math.max(0, ledgerKg) },
      ...(lineKg > 0 ? [{ code: 'line-set' as const, kg: lineKg }] : []),
      ...(ledgerKg < 0 ? [{ code: 'overdrawn' as const, kg: -ledgerKg }] : []),
    ],
  };
  const ran = runningKg === undefined ? start : asItRan(start, runningKg);
  // what was seen to run goes before what somebody says
  const reported = reportedShortKg > 0 && runningKg === undefined ? shortBy(start, reportedShortKg) : ran;
  if (asFound.state === 'vapour-only' || asFound.state === 'flat') return vapourAlone(reported, facts, asFound.state);
  return reported;
}

/** A running check is off by some of the charge as well: it takes nothing from what may be there at most, and may add to it. */
const asItRan = (content: ContentNow, kg: number): ContentNow => ({
  ...content,
  low: Math.min(content.low, (1 - data.runningShare) * kg),
  likely: kg,
  high: Math.max(content.high, (1 + data.runningShare) * kg),
  reasons: [...content.reasons, { code: 'running', kg }],
});

function shortBy(content: ContentNow, shortKg: number): ContentNow {
  const likely = Math.max(0, content.likely - shortKg);
  return {
    ...content,
    low: Math.max(0, content.low - (1 + data.reportedShare) * shortKg),
    likely,
    reasons: [...content.reasons, { code: 'reported-short', kg: shortKg }],
  };
}

/** Below saturation there is only vapour: its density at what was read, in what the circuit holds. */
function vapourAlone(
  content: ContentNow,
  { composition, T, standingPressure, volume, bothSides }: ContentFacts,
  code: 'vapour-only' | 'flat',
): ContentNow {
  const density =
    standingPressure === undefined || standingPressure <= 0 ? 0 : massDensity(singlePhase(composition, T, standingPressure, 'vapour'));
  const [low, likely, high] = [volume.low, volume.likely, volume.high].map((part) => density * part) as [number, number, number];
  if (!bothSides)
    return { ...content, low: Math.min(low, content.low), reasons: [...content.reasons, { code: 'one-side-read', kg: high }] };
  return {
    ...content,
    low: Math.min(low, content.low),
    likely: Math.min(likely, content.high),
    high,
    reasons: [...content.reasons, { code, kg: high }],
  };
}
