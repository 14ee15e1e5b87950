import type { Visit } from '@hygromet/contract/visit';
import type { Tx } from '../store/database';
import { visitById } from '../store/visit-store';
import { DomainError } from './domain-error';

/** What is booked on a visit belongs to the system that was visited: it comes from there, or goes into it. @throws DomainError */
export async function refuseOtherVisit(tx: Tx, organisationId: string, id: string | undefined, system: string): Promise<void> {
  const visit = await refuseMissingVisit(tx, organisationId, id);
  if (visit !== undefined && visit.system.id !== system)
    throw new DomainError(
      'other-visit',
      `That visit is to ${visit.system.site}. Choose the system again, or book it without the visit.`,
      '/visit',
    );
}

/** The visit on which it was done, where there was one. @throws DomainError where it is not there */
export async function refuseMissingVisit(tx: Tx, organisationId: string, id: string | undefined): Promise<Visit | undefined> {
  if (id === undefined) return undefined;
  const visit = await visitById(tx, organisationId, id);
  if (visit === undefined) throw new DomainError('not-found', 'This visit is not there.', '/visit');
  return visit;
}
