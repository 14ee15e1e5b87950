import { zValidator } from '@hono/zod-validator';
import type { Context } from 'hono';
import type * as z from 'zod';
import type { Env } from './env';
import { problemAnswer } from './errors';

/** A wrong field answers with a pointer to it and its sentence. */
const hook = (result: { success: true } | { success: false; error: z.core.$ZodError }, c: Context) => {
  if (result.success) return undefined;
  const errors = result.error.issues.map(({ path, message }) => ({
    pointer: path.map((key) => `/${String(key)}`).join(''),
    detail: message,
  }));
  // the middleware sets the request id before any route runs
  return problemAnswer(c as Context<Env>, { code: 'invalid-input', detail: errors.map(({ detail }) => detail).join(' '), errors });
};

export const body = <T extends z.ZodType>(schema: T) => zValidator('json', schema, hook);
export const params = <T extends z.ZodType>(schema: T) => zValidator('param', schema, hook);
export const query = <T extends z.ZodType>(schema: T) => zValidator('query', schema, hook);
