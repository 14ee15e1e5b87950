import type { TruckPlan, TruckTask } from '@hygromet/core/planning/truck';

export interface TruckRequest {
  readonly id: number;
  readonly task: TruckTask;
}

export type TruckAnswer =
  | { readonly id: number; readonly state: 'done'; readonly plan: TruckPlan; readonly proved: boolean; readonly ms: number }
  | { readonly id: number; readonly state: 'failed'; readonly message: string };
