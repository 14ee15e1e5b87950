import { EMPTY_KG } from '@hygromet/core/cylinder/scale-tolerance';
import { changeCylinder, cylinderById } from '../store/cylinder-store';
import type { Tx } from '../store/database';

/** What was emptied has held refrigerant: it is no evacuated cylinder until somebody evacuates it. */
export async function emptiedIfSo(tx: Tx, organisationId: string, cylinderId: string, by: string): Promise<void> {
  const cylinder = await cylinderById(tx, organisationId, cylinderId);
  if (cylinder === undefined || cylinder.contentKg >= EMPTY_KG) return;
  await changeCylinder(tx, organisationId, cylinderId, { evacuatedAt: null, vacuum: null, airShare: null }, by);
}
