import type { Movement } from '@hygromet/contract/movement';

/** Where a cylinder or a system of the ledger is shown; other accounts have no page. */
export function accountPage({ id, kind }: Movement['from']): readonly string[] | undefined {
  if (kind === 'cylinder') return ['/cylinders', id];
  return kind === 'system' ? ['/systems', id] : undefined;
}
