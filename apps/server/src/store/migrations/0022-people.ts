import { sql, type Kysely } from 'kysely';

/** A firm has people, and is the made-up one or somebody's own. The demo of before is told by its name: nobody else is called so. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table organisation
      add column people text[] not null default '{}',
      add column demo boolean not null default false`.execute(db);
  await sql`alter table organisation disable trigger user`.execute(db); // nobody has changed the settings
  await sql`update organisation set demo = true, people = '{Ines Marrow,Tobin Wake,Odalys Fenn,Jory Quill}' where name = 'Tidewrack Cold Works'`.execute(
    db,
  );
  await sql`alter table organisation enable trigger user`.execute(db);
}
