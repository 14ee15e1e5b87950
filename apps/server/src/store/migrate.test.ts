import { newDatabase } from '../../test/house';
import { connect } from './database';
import { migrate } from './migrate';

test('data that a newer version has used are refused in a sentence, and nothing in them is changed', async () => {
  const urlOf = await newDatabase();
  const db = connect(urlOf('owner'), () => undefined);
  expect((await migrate(db)).length).toBeGreaterThan(10);
  expect(await migrate(db)).toEqual([]);
  await db.insertInto('kysely_migration').values({ name: '9999-from-the-future', timestamp: '2030-01-01' }).execute();
  await expect(migrate(db)).rejects.toThrow(/newer version of Hygromet \(it made 9999-from-the-future\)/);
  await db.destroy();
});
