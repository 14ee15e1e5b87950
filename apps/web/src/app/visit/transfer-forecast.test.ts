import type { Look } from '@hygromet/contract/look';
import { of } from 'rxjs';
import { aCylinder, aSystem } from '../../../test/scene';
import { open, plan } from '../../../test/visit-scene';

const chiller = aSystem({ kind: 'chiller', refrigerant: 'R-134a', nameplateKg: 6, contentKg: 6, composition: { 'R-134a': 1 } });
const empty = aCylinder({ id: 'c11', name: 'C-11', refrigerant: null, composition: null, contentKg: 0, fillStatus: { state: 'empty' } });

/** The fill of an empty cylinder from a chiller that is recovered, its water as it was seen. */
const fill = (water: Look['water']) =>
  open(
    'transfer',
    {
      look: { ambient: { text: '54', unit: 'F' }, standing: { text: '51', unit: 'psig' }, failed: 'condenser', water },
      plan: { ...plan, method: 'recover' },
    },
    { system$: () => of(chiller), cylinder$: () => of(empty), cylinders$: of([empty]) },
    { cylinder: 'c11' },
  );

test('a chiller by water is told how soon its tubes would freeze if the water stopped', async () => {
  const { text } = await fill('flows');
  expect(text()).toContain('Forecast');
  expect(text()).toMatch(/If its water stopped, the tubes of the barrel would freeze after about \d+ (min|s): keep it flowing to the end/);
});

test('one that is drained has nothing to freeze', async () => {
  const { text } = await fill('drained');
  expect(text()).toContain('Forecast');
  expect(text()).not.toContain('would freeze');
});
