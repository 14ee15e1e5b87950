// @ts-check
/** Something that the person at the terminal can mend: one sentence, no stack. */
export class Stop extends Error {}

const started = performance.now();
/** @type {NodeJS.WritableStream} */
let stream = process.stdout;

/** For scripts whose standard output is read by a program. */
export const sayOnStderr = () => void (stream = process.stderr);

/** One line of progress with the seconds since the start. @param {string} line */
export function say(line) {
  const seconds = ((performance.now() - started) / 1000).toFixed(1).padStart(6);
  stream.write(`${seconds} s  ${line}\n`);
}

/** Ends a script: a sentence for what can be mended, the whole error for what nobody has foreseen. @param {unknown} error */
export function fail(error) {
  process.stderr.write(`\n${sentenceOf(error)}\n`);
  process.exit(1);
}

/** @param {unknown} error @returns {string} */
export function sentenceOf(error) {
  if (error instanceof Stop) return error.message;
  const code = /** @type {NodeJS.ErrnoException} */ (error)?.code;
  if (code === 'ENOSPC') return 'The disk is full. Free some space (1 GB is enough) and start again; what was booked is safe.';
  if (code === 'EACCES' || code === 'EPERM')
    return `No permission: ${/** @type {Error} */ (error).message}. Run it as the owner of this folder.`;
  return error instanceof Error ? (error.stack ?? error.message) : String(error);
}
