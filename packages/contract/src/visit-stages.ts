import { isGaugeReading, isThermometerReading } from '@hygromet/core/readings/typed-reading';
import { stageStates, type JobSoFar } from '@hygromet/core/visit/stage-states';
import type { Look } from './look';
import { seenSince } from './plan-facts';
import type { Visit } from './visit';
import type { VisitPlan } from './visit-plan';

/** How far a visit has come, for the core. */
export const jobOf = ({ look, plan, marked, recovered, state, system, tests }: Visit): JobSoFar => ({
  ambientRead: look.ambient !== undefined && isThermometerReading(look.ambient.text, look.ambient.unit),
  standingRead:
    (look.standing !== undefined && isGaugeReading(look.standing.text, look.standing.unit)) || typeof plan?.standingPa === 'number',
  failed: look.failed ?? (plan?.failed as JobSoFar['failed'] | undefined) ?? 'unknown', // plans name what the core knows
  purpose: look.purpose ?? plan?.look?.purpose ?? 'repair',
  method: plan?.method,
  factsChanged: plan !== null && plan.factsVersion !== system.factsVersion,
  lookChanged: plan !== null && lookChanged(plan, look),
  transfers: recovered.bookings,
  pumpedDown: tests.some(({ setUp, ended }) => setUp.test === 'pump-down' && ended?.finding.verdict === 'reached'),
  said: new Map(marked.map(({ stage, mark, why }) => [stage, { mark, why }])),
  closed: state === 'closed',
});

/** Plans of earlier versions name the failed part alone. */
const lookChanged = (plan: VisitPlan, look: Look): boolean =>
  plan.look === undefined ? look.failed !== undefined && look.failed !== plan.failed : seenSince(plan.look, look);

/** Where each stage of a visit stands: the same in the browser and on the server. */
export const stagesOf = (entry: Visit) => stageStates(jobOf(entry));
