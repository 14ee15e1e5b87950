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
  const place = /** @type {NodeJS.ErrnoException} */ (error)?.path;
  if (code === 'EROFS')
    return `${place} lies on a disk that is read-only. Keep the data elsewhere with --data DIR, or start it from a copy of this folder.`;
  if (code === 'EEXIST' || code === 'ENOTDIR')
    return `${place} is a file where a folder is needed. Name another folder with --data DIR, or move that file away.`;
  if (code === 'ERR_MODULE_NOT_FOUND')
    return `A part of the Node packages is missing (${/** @type {Error} */ (error).message.split('\n')[0]}). Delete the folder node_modules, and start again.`;
  if (code === 'EACCES' || code === 'EPERM')
    return `No permission: ${/** @type {Error} */ (error).message}. Run it as the owner of this folder.`;
  return error instanceof Error ? (error.stack ?? error.message) : String(error);
}
