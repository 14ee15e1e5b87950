export interface WorkerRequest {
  readonly id: number;
  readonly name: string;
  readonly args: unknown;
}

export type WorkerAnswer =
  | { readonly id: number; readonly state: 'done'; readonly value: unknown }
  | { readonly id: number; readonly state: 'failed'; readonly message: string };
