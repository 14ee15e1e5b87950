// @ts-check
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** Every library is read once for so many files; more in one world would hold more memory than it saves time. */
export const MOST_IN_A_GROUP = 12;

/** What is installed or built. */
const OTHERS = /(^|\/)(node_modules|dist)\//;

/** What a file changes for whoever runs in the same world: other modules in place of the real ones, or another clock. */
const CHANGES_THE_WORLD = /\bjest\.(mock|doMock|useFakeTimers|resetModules|isolateModules)\b/;

/**
 * Files of tests that run in one world, so that its libraries are read once and not by each of them. Neighbors stay together; a file that
 * changes its world has one of its own.
 * @param {readonly { readonly file: string, readonly source: string }[]} tests @param {number} most in a group
 * @returns {string[][]} every file in exactly one group
 */
export function groupedTests(tests, most) {
  /** @type {string[][]} */
  const groups = [];
  /** @type {string[]} */
  let open = [];
  for (const { file, source } of tests) {
    if (CHANGES_THE_WORLD.test(source)) {
      groups.push([file]);
      continue;
    }
    if (open.length === 0) groups.push(open);
    open.push(file);
    if (open.length === most) open = [];
  }
  return groups;
}

/**
 * The file of tests that runs a group; each of its files is named in what is reported.
 * @param {readonly string[]} files as they are required @param {string} cleared statements that take away what a file has left behind
 */
export const groupSource = (files, cleared) =>
  files
    .map((file) => `describe(${JSON.stringify(file)}, () => {\nafterAll(() => {\n${cleared}\n});\nrequire(${JSON.stringify(file)});\n});\n`)
    .join('');

/**
 * Writes the groups of all tests below a folder. @param {string} from @param {string} to is emptied first
 * @param {{ ending: string, most: number, cleared: string }} how
 */
export function writeGroups(from, to, { ending, most, cleared }) {
  rmSync(to, { recursive: true, force: true });
  mkdirSync(to, { recursive: true });
  const files = readdirSync(from, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith(ending) && !OTHERS.test(file));
  const tests = files.sort().map((file) => ({
    file: path.posix.join(path.relative(to, from), file),
    source: readFileSync(path.join(from, file), 'utf8'),
  }));
  groupedTests(tests, most).forEach((group, k) => writeFileSync(path.join(to, `group-${k + 1}${ending}`), groupSource(group, cleared)));
}
