// @ts-check
import { run } from './run.mjs';

/** Templates in files of their own are Angular's only for Prettier; everything else, templates inside a component too, is oxfmt's. */
const FORMATTERS = [
  { command: ['oxfmt'], files: ['.'] },
  { command: ['prettier', '--log-level', 'warn'], files: ['**/*.html'] },
];

/** What is not formatted is said, or put right. @param {'check' | 'write'} what */
export async function format(what) {
  const answers = await Promise.all(FORMATTERS.map(({ command, files }) => run('npx', [...command, `--${what}`, ...files])));
  return { code: Math.max(...answers.map(({ code }) => code)), output: answers.map(({ output }) => output).join('') };
}
