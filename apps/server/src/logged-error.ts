/** Of an error only what helps: a broken connection would bring its whole client along, with what opens it. */
export function loggedError(error: unknown): object {
  if (!(error instanceof Error)) return { message: String(error) };
  const { name, message, stack } = error;
  const code = 'code' in error && typeof error.code === 'string' ? { code: error.code } : {};
  return { type: name, message, ...code, stack };
}
