// @ts-check
/** PostgreSQL refuses root: there its programs run as the user `postgres`. @param {string} program @param {string[]} args @returns {[string, string[]]} */
export function asDatabaseUser(program, args) {
  if (process.getuid?.() !== 0) return [program, args];
  return ['setpriv', ['--reuid=postgres', '--regid=postgres', '--init-groups', '--reset-env', program, ...args]];
}
