import { currentOrganisation } from '@hygromet/contract/organisation';
import { environment, newDatabase } from '../../test/house';
import { loadDemo } from '../demo/load-demo';
import { accountsOf } from '../store/account-store';
import { connect, type Db } from '../store/database';
import { migrate } from '../store/migrate';
import { ownOrganisation } from '../store/organisation-store';
import { openFirm } from './open-firm';
import { settingsAnswer } from './settings';

let db: Db;
beforeEach(async () => {
  db = connect((await newDatabase())('owner'), () => undefined);
  await migrate(db);
});
afterEach(() => db.destroy());

test('an empty database is opened with the accounts that every entry needs, and with nothing of the demo', async () => {
  expect(await openFirm(db, environment)).toBe(true);
  const own = await ownOrganisation(db);
  expect(currentOrganisation.parse(settingsAnswer(own))).toMatchObject({ demo: false, people: [], version: 1 });
  const accounts = await accountsOf(db, own.id);
  expect(accounts.map(({ kind }) => kind).sort()).toEqual(['air', 'hoses', 'reclaimer', 'supplier', 'unexplained']);
  for (const table of ['cylinder', 'system', 'visit', 'movement'] as const)
    expect(await db.selectFrom(table).select('id').execute()).toEqual([]);
});

test('its limits are the usual ones: what binds is required from the first fill on', async () => {
  await openFirm(db, environment);
  const { requiredRules, liquidShareAt131F } = await ownOrganisation(db);
  expect(requiredRules).toEqual(expect.arrayContaining(['eighty-percent-77F', 'not-liquid-full-131F', 'not-liquid-full-hottest']));
  expect(liquidShareAt131F).toBeLessThan(1);
});

test('a database that holds a firm is left alone, whoever opens it', async () => {
  await loadDemo(db, environment);
  expect(await openFirm(db, environment)).toBe(false);
  expect(await ownOrganisation(db)).toMatchObject({ demo: true, people: expect.arrayContaining(['Ines Marrow']) });
  expect(await loadDemo(db, environment)).toBe(false);
});
