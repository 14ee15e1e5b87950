import { CoreError } from '@hygromet/core/errors';
import type { Phrase } from '@hygromet/core/phrase';
import { operations, type OperationName } from './property-operations';

/** An answer, or what the core refuses, with its quantities apart: an error would cross to the page as its message alone. */
export type CoreAnswer = { readonly value: unknown } | { readonly refused: Phrase };

/** What the worker answers: an operation by its name. */
export interface CoreApi {
  readonly answer: (name: OperationName, args: unknown) => CoreAnswer;
}

export const coreApi: CoreApi = {
  answer: (name, args) => {
    try {
      return { value: (operations[name] as (args: unknown) => unknown)(args) }; // the service sends each operation its own arguments
    } catch (error) {
      if (error instanceof CoreError) return { refused: error.phrase };
      throw error;
    }
  },
};
