// @ts-check

/** What a file changes for whoever runs in the same world: other modules in place of the real ones, or another clock. */
const CHANGES_THE_WORLD = /\bjest\.(mock|doMock|useFakeTimers|resetModules|isolateModules)\b/;

/** Left behind by a file, and not there for the next one. */
const CLEARED = [
  'afterAll(() => {',
  '  localStorage.clear();',
  '  sessionStorage.clear();',
  '  document.body.replaceChildren();',
  '  jest.restoreAllMocks();',
  '});',
].join('\n');

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

/** The file of tests that runs a group; each of its files is named in what is reported. @param {readonly string[]} files as they are required */
export const groupSource = (files) =>
  files.map((file) => `describe(${JSON.stringify(file)}, () => {\n${CLEARED}\nrequire(${JSON.stringify(file)});\n});\n`).join('');
