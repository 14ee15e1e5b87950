import type { AccountKind } from '@hygromet/contract/account';
import type { Organisation } from '@hygromet/contract/organisation';
import { defaultFillPolicy } from '@hygromet/core/cylinder/fill-rule';
import { USUAL_PRACTICE } from '@hygromet/core/planning/company-practice';
import { fahrenheit } from '@hygromet/core/units/temperature';
import { addAccount } from '../store/account-store';
import type { Db, Tx } from '../store/database';
import { addOrganisation } from '../store/organisation-store';
import type { Environment } from './environment';

/** As a firm begins that has decided nothing yet: the rules that bind, and what most do where practice differs. */
const atFirst: Organisation = {
  name: 'Your firm',
  altitudeM: 0,
  requiredRules: [...defaultFillPolicy.required],
  liquidShareAt131F: defaultFillPolicy.liquidShareAt131F,
  hottestK: fahrenheit(140),
  partShare: USUAL_PRACTICE.partShare,
  endOfPumpDown: USUAL_PRACTICE.endOfPumpDown,
  readingsKeptDays: 30,
  people: [],
};

/** Where refrigerant comes from and goes to besides cylinders and systems. */
const accounts: readonly (readonly [AccountKind, string])[] = [
  ['supplier', 'Supplier'],
  ['reclaimer', 'Reclaimer'],
  ['hoses', 'Hoses and machine'],
  ['air', 'Lost to the air'],
  ['unexplained', 'Unexplained'],
];

export async function addFirmAccounts(tx: Tx, organisationId: string, environment: Environment): Promise<void> {
  for (const [kind, name] of accounts) await addAccount(tx, { id: environment.newId(), organisationId, kind, name });
}

/**
 * Opens an empty database for a firm of its own: settings, accounts, and nothing else.
 * @returns whether it was opened: a database that holds an organisation is left alone
 */
export const openFirm = (db: Db, environment: Environment): Promise<boolean> =>
  db.transaction().execute(async (tx) => {
    if ((await tx.selectFrom('organisation').select('id').executeTakeFirst()) !== undefined) return false;
    const id = environment.newId();
    await addOrganisation(tx, id, atFirst);
    await addFirmAccounts(tx, id, environment);
    return true;
  });
