import type { Look } from '@hygromet/contract/look';
import { of } from 'rxjs';
import { aCylinder, aSystem } from '../../../test/scene';
import { open, plan } from '../../../test/visit-scene';

const chiller = aSystem({ kind: 'chiller', refrigerant: 'R-134a', nameplateKg: 6, contentKg: 6 });
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

test('each number that it is built from says how it is known', async () => {
  const { root } = await fill('drained');
  const rows = [...root.querySelectorAll('hy-transfer-forecast details dl div')].map((row) => row.textContent.replace(/\s+/g, ' '));
  expect(rows).toEqual([
    expect.stringMatching(/Charge.*on record; ± 10 %.*13\.2 lb/),
    expect.stringMatching(/Volume of the circuit.*estimated from the charge on the plate/),
    expect.stringMatching(/Outdoors.*read on this visit.*54 °F/),
    expect.stringMatching(/Cylinder.*by its stamps.*tare/),
    expect.stringMatching(/In the cylinder.*on record.*0\.0 lb/),
    expect.stringMatching(/Oil of the compressor.*estimated from the charge/),
    expect.stringMatching(/Machine, hoses, cooling.*common practice/),
  ]);
});

test('one that is drained has nothing to freeze', async () => {
  const { text } = await fill('drained');
  expect(text()).toContain('Forecast');
  expect(text()).not.toContain('would freeze');
});
