type ErrorClass = abstract new (...args: never[]) => Error;

/** What `ask` answers; nothing where an error of that kind says that there is no answer. Every other error goes on. */
export function unless<T>(kind: ErrorClass, ask: () => T): T | undefined {
  try {
    return ask();
  } catch (error) {
    if (error instanceof kind) return undefined;
    throw error;
  }
}
