import type { Method } from './method';
import { methods } from './method';
import { methodCost, type MethodCost } from './method-cost';
import { reasonsAgainst, type Reason } from './reasons';
import { cheapestOf, minutesToSee, type Sight } from './sight';
import type { JobConditions } from './job-conditions';

export interface Verdict {
  readonly method: Method;
  readonly feasibility: 'possible' | 'once-seen' | 'not-advised' | 'impossible';
  readonly reasons: readonly Reason[];
  /** Absent where it is impossible. */
  readonly cost?: MethodCost;
}

/** What may be done now: what has to be seen first is not, and neither is the impossible. */
export const permits = ({ feasibility }: Pick<Verdict, 'feasibility'>): boolean =>
  feasibility === 'possible' || feasibility === 'not-advised';

/** What to see next, and the method that would then be the better one. */
export interface NextLook {
  readonly see: Sight;
  readonly for: Method | undefined;
}

export interface Decision {
  readonly verdicts: readonly Verdict[];
  /** The possible method that costs least; otherwise the least ill-advised one; nothing where no method is possible as it stands. */
  readonly chosen: Method | undefined;
  /** What is worth seeing before anything is decided; nothing where the deciding facts are there. */
  readonly next: NextLook | undefined;
}

/** Every method judged, and the one to take. */
export function decide(conditions: JobConditions): Decision {
  const verdicts = methods.map((method): Verdict => {
    const reasons = reasonsAgainst(method, conditions);
    const feasibility = standingOf(reasons);
    return { method, feasibility, reasons, ...(feasibility === 'impossible' ? {} : { cost: methodCost(method, conditions) }) };
  });
  const chosen = cheapest(verdicts, 'possible') ?? leastIllAdvised(verdicts);
  return { verdicts, chosen: chosen?.method, next: nextLook(verdicts, chosen, conditions) };
}

function standingOf(reasons: readonly Reason[]): Verdict['feasibility'] {
  if (reasons.some(({ effect }) => effect === 'impossible')) return 'impossible';
  if (reasons.some(({ effect }) => effect === 'once-seen')) return 'once-seen';
  return reasons.length > 0 ? 'not-advised' : 'possible';
}

/** Whether it would be possible only if the unit differs from its record. */
export const restsOnRecord = ({ feasibility, reasons }: Pick<Verdict, 'feasibility' | 'reasons'>): boolean =>
  feasibility === 'once-seen' && reasons.some(({ asRecorded }) => asRecorded === true);

const toSee = ({ reasons }: Verdict): readonly Sight[] => [...new Set(reasons.flatMap(({ see }) => see ?? []))];

/** Nobody is sent to look for a receiver where such a kind has none: who sees one puts it on record. */
const HARDLY_EVER_THERE = 'no-receiver';

/** The standing pressure first of all; then what would make a better method possible than the one that is. */
function nextLook(verdicts: readonly Verdict[], chosen: Verdict | undefined, { asFound }: JobConditions): NextLook | undefined {
  if (asFound.state === 'unread') return { see: 'standing-pressure', for: undefined };
  const withLooks = (verdict: Verdict) => burden(verdict) + toSee(verdict).reduce((sum, sight) => sum + minutesToSee(sight), 0);
  const best = verdicts
    .filter(({ feasibility, reasons }) => feasibility === 'once-seen' && !reasons.some(({ effect }) => effect === 'not-advised'))
    .filter(({ reasons }) => !reasons.some(({ code, asRecorded }) => asRecorded === true && code === HARDLY_EVER_THERE))
    // that the unit is not as its record has it is looked for last
    .sort((a, b) => Number(restsOnRecord(a)) - Number(restsOnRecord(b)) || withLooks(a) - withLooks(b))[0];
  if (best === undefined || (chosen?.feasibility === 'possible' && withLooks(best) >= burden(chosen))) return undefined;
  const see = cheapestOf(toSee(best));
  return see === undefined ? undefined : { see, for: best.method };
}

const cheapest = (verdicts: readonly Verdict[], feasibility: Verdict['feasibility']) =>
  verdicts.filter((verdict) => verdict.feasibility === feasibility).sort((a, b) => burden(a) - burden(b))[0];

const leastIllAdvised = (verdicts: readonly Verdict[]) =>
  verdicts
    .filter(({ feasibility }) => feasibility === 'not-advised')
    .sort((a, b) => a.reasons.length - b.reasons.length || burden(a) - burden(b))[0];

/** One figure from minutes, carrying and loss, for the choice alone: a kilogram carried is half a minute, a kilogram lost two hours. */
const burden = ({ cost }: Verdict) =>
  cost === undefined ? Number.POSITIVE_INFINITY : cost.minutes + 0.5 * cost.carriedKg + 120 * cost.lostKg;
