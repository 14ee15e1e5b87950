// @ts-check
import { spawn } from 'node:child_process';
import path from 'node:path';
import { asDatabaseUser } from './database-user.mjs';
import { Stop } from './say.mjs';

/**
 * Who logs in: `owner` brings the database to shape, `app` serves, `reader` looks. None is a superuser; what `app` and `reader` may do to
 * which table stands in `apps/server/src/store/rights.ts`.
 * @typedef {'owner' | 'app' | 'reader'} Role
 * @type {readonly Role[]}
 */
export const roles = ['owner', 'app', 'reader'];

/** Made by initdb, as every cluster needs one; it may not log in. */
export const SUPERUSER = 'hygromet';

/** @param {Role} role @param {string} password */
const madeOrChanged = (role, password) => `
do $$ begin
  if not exists (select from pg_roles where rolname = 'hygromet_${role}') then create role hygromet_${role}; end if;
end $$;

alter role hygromet_${role} with login nosuperuser nocreaterole noreplication nobypassrls
  ${role === 'owner' ? 'createdb' : 'nocreatedb'} password '${password}';
`;

/** The owner may end the sessions of the others when a database is thrown away or restored. */
const CLOSE_THE_DOOR = `
grant hygromet_app, hygromet_reader to hygromet_owner;

alter role ${SUPERUSER} with nologin password null;
`;

/** A database of an earlier version belongs to the superuser, and all that is in it. @param {string} database */
const handOver = (database) => `
alter database ${database} owner to hygromet_owner;

do $$ declare it record; begin
  for it in select c.oid::regclass as name, c.relkind from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'v')
  loop execute format('alter %s %s owner to hygromet_owner', case it.relkind when 'v' then 'view' else 'table' end, it.name); end loop;
  for it in select p.oid::regprocedure as name from pg_proc p where p.pronamespace = 'public'::regnamespace
    and not exists (select from pg_depend d where d.objid = p.oid and d.deptype = 'e')
  loop execute format('alter function %s owner to hygromet_owner', it.name); end loop;
end $$;
`;

/**
 * Gives a stopped cluster its roles, in single-user mode: for that no login of a superuser is needed, and no password stands in a process
 * list.
 * @param {string} binaries @param {import('./cluster.mjs').Settings} settings @param {string} [handedOver] database of an earlier version
 */
export async function makeRoles(binaries, { cluster, passwords }, handedOver) {
  const making = roles.map((role) => madeOrChanged(role, passwords[role])).join('');
  await alone(binaries, cluster, 'postgres', making + CLOSE_THE_DOOR);
  if (handedOver !== undefined) await alone(binaries, cluster, handedOver, handOver(handedOver), true);
}

/** @param {string} binaries @param {string} cluster @param {string} database @param {string} sql @param {boolean} [mayBeMissing] */
async function alone(binaries, cluster, database, sql, mayBeMissing = false) {
  const [program, args] = asDatabaseUser(path.join(binaries, 'postgres'), ['--single', '-j', '-D', cluster, database]);
  const child = spawn(program, args, { cwd: '/', stdio: ['pipe', 'ignore', 'pipe'] });
  let said = '';
  child.stderr.on('data', (/** @type {Buffer} */ chunk) => (said += chunk.toString()));
  child.stdin.on('error', () => undefined); // it ended before it had read: what it said tells why
  child.stdin.end(sql);
  await new Promise((resolve) => child.once('close', resolve));
  if (mayBeMissing && said.includes(`database "${database}" does not exist`)) return;
  // single-user mode ends well whatever failed; the statement itself is not told, a password stands in it
  const wrong = said.split('\n').filter((line) => /\b(ERROR|FATAL|PANIC):/.test(line));
  if (wrong.length > 0 || child.exitCode !== 0) throw new Stop(`The roles of the database could not be made.\n${wrong.join('\n')}`);
}
