import type { NewVisitEvent } from '@hygromet/contract/visit-event';
import { weakestPart } from '@hygromet/core/circuit/weakest-part';
import { partsLeftOut } from '@hygromet/contract/parts-left-out';
import type { Visit } from '@hygromet/contract/visit';
import type { Tx } from '../store/database';
import { systemById } from '../store/system-store';
import { DomainError } from './domain-error';

/**
 * No pressure test is begun above what the weakest recorded part bears that no proved valve keeps apart, nor without its limit where one is
 * recorded: whoever sends it has not computed what the rule asks for.
 */
export async function refuseHighTest(tx: Tx, organisationId: string, visit: Visit, event: NewVisitEvent): Promise<void> {
  if (event.kind !== 'test-begun' || event.setUp.test !== 'hold') return;
  const system = await systemById(tx, organisationId, visit.system.id);
  if (system === undefined) return;
  const apart = partsLeftOut(system, visit, event.setUp.tested);
  const weakest = weakestPart((system.facts.limits ?? []).filter(({ part }) => !apart.includes(part)));
  if (weakest === undefined) return;
  if (event.setUp.setGaugePa > weakest.gaugePa)
    throw new DomainError(
      'invalid-input',
      `The test pressure is above what the ${weakest.what} is rated for. Take it out, test lower, or hold the other side by itself first: a valve that was proved keeps it apart.`,
      '/setUp/setGaugePa',
    );
  if (event.setUp.mostGaugePa === null)
    throw new DomainError(
      'invalid-input',
      `The ${weakest.what} has a pressure limit on record, and the most that may be put on now was not computed. Measure the outdoor temperature and set the test up again.`,
      '/setUp/mostGaugePa',
    );
}
