import type { Executor, Tx } from './database';

export interface NewRow {
  readonly id: string;
  readonly organisationId: string;
  readonly jpeg: Buffer;
  readonly addedAt: Date;
  readonly addedBy: string;
}

export const addPhotographRow = async (tx: Tx, { id, organisationId, jpeg, addedAt, addedBy }: NewRow): Promise<void> => {
  await tx
    .insertInto('photograph')
    .values({ id, organisation_id: organisationId, jpeg, added_at: addedAt.toISOString(), added_by: addedBy })
    .execute();
};

export async function photographById(db: Executor, organisationId: string, id: string): Promise<Buffer | undefined> {
  const row = await db
    .selectFrom('photograph')
    .select('jpeg')
    .where('organisation_id', '=', organisationId)
    .where('id', '=', id)
    .executeTakeFirst();
  return row?.jpeg;
}

export const isPhotograph = async (db: Executor, organisationId: string, id: string): Promise<boolean> =>
  (await db.selectFrom('photograph').select('id').where('organisation_id', '=', organisationId).where('id', '=', id).executeTakeFirst()) !==
  undefined;
