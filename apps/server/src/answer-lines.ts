import { CoreError } from '@hygromet/core/errors';
import { once } from 'node:events';
import { createInterface } from 'node:readline';
import type * as z from 'zod';

/** Answers one line: an impossible question with its error. */
export type AnswerLine = (line: string) => object;

/** A line is a question by a schema. */
export const lineBy =
  <T>(schema: z.ZodType<T>, answer: (request: T) => object): AnswerLine =>
  (line) => {
    try {
      const parsed = schema.safeParse(JSON.parse(line));
      if (!parsed.success)
        return refusal(
          'invalid-input',
          parsed.error.issues.map(({ path, message }) => (path.length > 0 ? `${path.join('.')}: ${message}` : message)).join(' '),
        );
      return answer(parsed.data);
    } catch (error) {
      if (error instanceof CoreError) return refusal(error.code, error.message);
      if (error instanceof SyntaxError) return refusal('invalid-input', 'This line is not JSON.');
      throw error;
    }
  };

const refusal = (code: string, message: string) => ({ error: { code, message } });

/**
 * One question a line on standard input, one answer a line on standard output, until the input ends or nobody reads the answers any more.
 * Blank lines are passed over; a slow reader is waited for.
 */
export async function answerLines(input: NodeJS.ReadableStream, output: NodeJS.WritableStream, answer: AnswerLine): Promise<void> {
  const closed = new AbortController();
  output.once('error', () => closed.abort()); // `| head` has seen enough
  for await (const line of createInterface({ input, crlfDelay: Infinity })) {
    if (closed.signal.aborted) return;
    const question = line.replace(BYTE_ORDER_MARK, '');
    if (question.trim() === '') continue;
    if (!output.write(`${JSON.stringify(answer(question))}\n`)) await drained(output, closed.signal);
  }
}

const BYTE_ORDER_MARK = /^\uFEFF/;

async function drained(output: NodeJS.WritableStream, signal: AbortSignal): Promise<void> {
  try {
    await once(output, 'drain', { signal });
  } catch (error) {
    if (!signal.aborted) throw error;
  }
}
