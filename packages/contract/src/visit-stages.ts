import { stageStates, type JobSoFar } from '@hygromet/core/visit/stage-states';
import type { Visit } from './visit';

/** How far a visit has come, for the core. */
export const jobOf = ({ look, plan, marked, recovered, state, system }: Visit): JobSoFar => ({
  ambientRead: (look.ambient?.text ?? '').trim() !== '',
  standingRead: (look.standing?.text ?? '').trim() !== '' || typeof plan?.standingPa === 'number',
  failed: (look.failed ?? plan?.failed ?? 'unknown') as JobSoFar['failed'], // the lists on the page offer only what the core knows
  method: plan?.method,
  factsChanged: plan !== null && plan.factsVersion !== system.factsVersion,
  lookChanged: plan !== null && look.failed !== undefined && look.failed !== plan.failed,
  transfers: recovered.bookings,
  said: new Map(marked.map(({ stage, mark, why }) => [stage, { mark, why }])),
  closed: state === 'closed',
});

/** Where each stage of a visit stands: the same in the browser and on the server. */
export const stagesOf = (own: Visit) => stageStates(jobOf(own));
