import { operations, type OperationName } from './property-operations';

/** What the worker answers: an operation by its name. */
export interface CoreApi {
  readonly answer: (name: OperationName, args: unknown) => unknown;
}

export const coreApi: CoreApi = {
  answer: (name, args) => (operations[name] as (args: unknown) => unknown)(args), // the service sends each operation its own arguments
};
