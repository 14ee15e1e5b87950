import { refrigerant } from '../../fluids/refrigerant';
import { NoTwoPhaseState } from '../../errors';
import type { Composition } from '../../fluids/composition';
import { bubblePoint } from '../../thermo/saturation';
import { kelvin } from '../../units/quantity';
import { unless } from '../../unless';
import { airOfShare } from '../air';
import data from './explain.json';
import { refit, run, type Fitted, type Underway } from './refit';
import { MISFIT, type Suspect } from './suspects';
import { AS_RECORDED } from './guess';

/** What explains readings that no factor of the record explains. */
export interface Explained {
  readonly suspect: Extract<Suspect, 'valve-shut' | 'air' | 'another-refrigerant'>;
  /** Designation of what it reads like. */
  readonly readsLike?: string;
  /** The transfer as it then is, and the fit of it; nothing of one that does not go on like this. */
  readonly instead?: { readonly underway: Underway; readonly fitted: Fitted };
}

/** How much better it has to fit than the record does. */
const MUCH_BETTER = 0.4;

/**
 * Where readings do not fit the transfer of the record: a scale that stands is a valve that is shut; otherwise what stood over the system before
 * it began says what to try, another refrigerant of that pressure or air over this one. Told only where it fits much better.
 */
export function explain(underway: Underway, fitted: Fitted): Explained | undefined {
  if (standsStill(underway)) return { suspect: 'valve-shut' };
  const atRest = readAtRest(underway);
  if (fitted.misfit <= MISFIT || atRest === undefined) return undefined;
  const { scenario } = underway;
  const tried = (other: Underway['scenario']) => {
    const again: Underway = { ...underway, scenario: other, from: AS_RECORDED };
    const anew = refit(again);
    return anew.misfit < MUCH_BETTER * fitted.misfit && anew.misfit <= MISFIT ? { underway: again, fitted: anew } : undefined;
  };
  const T = scenario.system.temperatureK;
  const like = nearest(scenario.composition, T, atRest);
  if (like !== undefined) {
    const instead = tried({ ...scenario, composition: refrigerant(like).composition });
    if (instead !== undefined) return { suspect: 'another-refrigerant', readsLike: like, instead };
  }
  const saturation = pressureOf(scenario.composition, T);
  if (saturation === undefined || atRest < (1 + data.noticed) * saturation) return undefined;
  const { chargeKg, condenserM3, evaporatorM3, receiverM3 = 0 } = scenario.system;
  const holds = { composition: scenario.composition, volume: condenserM3 + evaporatorM3 + receiverM3, chargeKg };
  const airKg = airOfShare(holds, T, 1 - saturation / atRest);
  const instead = tried({ ...scenario, system: { ...scenario.system, airKg } });
  return instead === undefined ? undefined : { suspect: 'air', instead };
}

/** The scale has hardly moved where by the record it would have moved far. */
function standsStill({ scenario, readings: { grossKg }, now }: Underway): boolean {
  const [first, last] = [grossKg?.value[0], grossKg?.value.at(-1)];
  const isShut = (scenario.deeds ?? []).findLast(({ valve }) => valve !== undefined)?.valve === 'shut';
  const isEarly = now < data.standsStill.afterS;
  if (first === undefined || last === undefined || isShut || isEarly || scenario.method === 'pump-down') return false;
  const expected = run({ ...scenario, tripsFrom: Number.POSITIVE_INFINITY }, AS_RECORDED, now / 2, { until: now });
  if (expected === undefined) return false;
  const moved = expected.end.grossKg - (expected.samples[0]?.grossKg ?? 0);
  return moved > data.standsStill.expectedKg && last - first < data.standsStill.share * moved;
}

/** Pa absolute of the system before anything moved, where it was read. */
const readAtRest = ({ readings: { suctionPa } }: Underway): number | undefined =>
  suctionPa !== undefined && (suctionPa.t[0] ?? Number.POSITIVE_INFINITY) <= data.atRestS ? suctionPa.value[0] : undefined;

const pressureOf = (composition: Composition, T: number): number | undefined =>
  unless(NoTwoPhaseState, () => bubblePoint(composition, kelvin(T)).p);

/** Of the common refrigerants the one whose bubble pressure is nearest, where it is near and this one's is not. */
function nearest(composition: Composition, T: number, p: number): string | undefined {
  const off = (other: Composition) => Math.abs((pressureOf(other, T) ?? Number.POSITIVE_INFINITY) / p - 1);
  if (off(composition) < data.near) return undefined;
  const [best] = data.common.map((id) => ({ id, off: off(refrigerant(id).composition) })).sort((a, b) => a.off - b.off);
  return best !== undefined && best.off < data.near ? best.id : undefined;
}
