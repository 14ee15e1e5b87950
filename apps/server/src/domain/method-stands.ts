import { schoolsOf } from '@hygromet/contract/plan-facts';
import type { Visit } from '@hygromet/contract/visit';
import type { VisitPlan } from '@hygromet/contract/visit-plan';
import type { Executor } from '../store/database';
import type { OrganisationRow } from '../store/organisation-store';
import { systemById } from '../store/system-store';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/**
 * Whether the method of a plan may be taken by what its system and its look say: judged here as on the page, so that nothing impossible is
 * saved. Ask before anything is locked. @throws DomainError
 */
export async function refuseImpossible(
  db: Executor,
  organisation: OrganisationRow,
  visit: Visit,
  { method, look, ambientK, standingPa }: VisitPlan,
  { computing }: Environment,
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
    practice: schoolsOf(organisation),
    method,
  });
  if (verdict.permitted) return;
  throw new DomainError(
    'method-not-possible',
    `This method is not possible as the facts stand (${verdict.reasons.join(', ')}). Check them under Look, then choose again.`,
    '/plan/method',
  );
}
