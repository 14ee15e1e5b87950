import type { Method } from './method';
import { methods } from './method';
import { methodCost, type MethodCost } from './method-cost';
import { reasonsAgainst, type Reason } from './reasons';
import type { Situation } from './situation';

export interface Verdict {
  readonly method: Method;
  readonly standing: 'possible' | 'not-advised' | 'impossible';
  readonly reasons: readonly Reason[];
  /** Absent where it is impossible. */
  readonly cost?: MethodCost;
}

export interface Decision {
  readonly verdicts: readonly Verdict[];
  /** The possible method that costs least; otherwise the least ill-advised one; nothing where no method is possible as it stands. */
  readonly chosen: Method | undefined;
}

/** Every method judged, and the one to take. */
export function decide(situation: Situation): Decision {
  const verdicts = methods.map((method): Verdict => {
    const reasons = reasonsAgainst(method, situation);
    const standing = standingOf(reasons);
    return { method, standing, reasons, ...(standing === 'impossible' ? {} : { cost: methodCost(method, situation) }) };
  });
  return { verdicts, chosen: (cheapest(verdicts, 'possible') ?? leastIllAdvised(verdicts))?.method };
}

function standingOf(reasons: readonly Reason[]): Verdict['standing'] {
  if (reasons.some(({ effect }) => effect === 'impossible')) return 'impossible';
  return reasons.length > 0 ? 'not-advised' : 'possible';
}

const cheapest = (verdicts: readonly Verdict[], standing: Verdict['standing']) =>
  verdicts.filter((verdict) => verdict.standing === standing).sort((a, b) => burden(a) - burden(b))[0];

const leastIllAdvised = (verdicts: readonly Verdict[]) =>
  verdicts
    .filter(({ standing }) => standing === 'not-advised')
    .sort((a, b) => a.reasons.length - b.reasons.length || burden(a) - burden(b))[0];

/** One figure from minutes, carrying and loss, for the choice alone: a kilogram carried is half a minute, a kilogram lost two hours. */
const burden = ({ cost }: Verdict) =>
  cost === undefined ? Number.POSITIVE_INFINITY : cost.minutes + 0.5 * cost.carriedKg + 120 * cost.lostKg;
