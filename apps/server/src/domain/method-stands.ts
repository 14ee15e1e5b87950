import { schoolsOf } from '@hygromet/contract/plan-facts';
import type { Visit } from '@hygromet/contract/visit';
import type { VisitPlan } from '@hygromet/contract/visit-plan';
import type { Tx } from '../store/database';
import type { OrganisationRow } from '../store/organisation-store';
import { systemById } from '../store/system-store';
import type { Outside } from './outside';
import { Refused } from './refused';

/**
 * Whether the method of a plan may be taken by what its system and its look say: judged here as on the page, so that nothing impossible is
 * saved. Ask before anything is locked. @throws Refused
 */
export async function refuseImpossible(
  db: Tx,
  organisation: OrganisationRow,
  visit: Visit,
  { method, look, ambientK, standingPa }: VisitPlan,
  { computing }: Outside,
): Promise<void> {
  const system = await systemById(db, organisation.id, visit.system.id);
  if (system === undefined) return;
  const { kind, refrigerant, nameplateKg, contentKg, facts } = system;
  const verdict = await computing.run('method', {
    system: { kind, nameplateKg, contentKg, facts },
    refrigerant,
    look: { ...visit.look, ...look },
    ambientK,
    standingPa,
    altitudeM: organisation.altitudeM,
    schools: schoolsOf(organisation),
    method,
  });
  if (verdict.permitted) return;
  throw new Refused(
    'method-not-possible',
    `This method is not possible as the facts stand (${verdict.reasons.join(', ')}). Check them under Look, then choose again.`,
    '/plan/method',
  );
}
