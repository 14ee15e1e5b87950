import type { NewVisitEvent } from '@hygromet/contract/visit-event';
import { weakestPart } from '@hygromet/core/circuit/weakest-part';
import type { Tx } from '../store/database';
import { systemById } from '../store/system-store';
import { DomainError } from './domain-error';

/**
 * No pressure test is begun above what the weakest recorded part bears, nor without its limit where one is recorded: whoever sends it has
 * not computed what the rule asks for.
 */
export async function refuseHighTest(tx: Tx, organisationId: string, systemId: string, event: NewVisitEvent): Promise<void> {
  if (event.kind !== 'test-begun' || event.setUp.test !== 'hold') return;
  const system = await systemById(tx, organisationId, systemId);
  const weakest = weakestPart(system?.facts.limits ?? []);
  if (weakest === undefined) return;
  if (event.setUp.setGaugePa > weakest.gaugePa)
    throw new DomainError(
      'invalid-input',
      `The test pressure is above what the ${weakest.what} is rated for. Valve it off and record that it is apart, take it out, or test lower.`,
      '/setUp/setGaugePa',
    );
  if (event.setUp.mostGaugePa === null)
    throw new DomainError(
      'invalid-input',
      `The ${weakest.what} has a pressure limit on record, and the most that may be put on now was not computed. Measure the outdoor temperature and set the test up again.`,
      '/setUp/mostGaugePa',
    );
}
