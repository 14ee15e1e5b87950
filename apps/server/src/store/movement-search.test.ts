import type { Movement } from '@hygromet/contract/movement';
import { openHouse, transferOf, type House } from '../../test/house';

let house: House;
beforeAll(async () => {
  house = await openHouse();
  for (const note of ['100% sure, weighed twice', 'hose_left on', 'the hose was left on']) {
    const { status } = await house.send('POST', '/api/transfers', await transferOf(house, 0.01, { note, recordedBy: 'Tobin Wake' }));
    expect(status).toBe(201);
  }
});
afterAll(() => house.close());

const ids = (movements: readonly Movement[]) => movements.map(({ id }) => id);
const search = async (text: string, more = ''): Promise<Movement[]> =>
  (await house.get(`/api/movements?limit=5000&text=${encodeURIComponent(text)}${more}`)).body;

test.each([
  'c-07',
  'supplier',
  'tobin WAKE',
  'R-410A c-0',
  'hose left',
  'hose_',
  '100%',
  'c-',
  '7',
  'tobin 07',
  '%',
  '\\',
  'x',
  'nothing of the kind',
])('every entry that says “%s” is found, by one or two letters in the names of its accounts alone', async (text) => {
  const { body: all } = (await house.get('/api/movements?limit=5000')) as { body: Movement[] };
  const says = ({ from, to, refrigerant, recordedBy, note }: Movement) => {
    const names = [from.name, to.name].join('\n').toLowerCase();
    const current = [names, refrigerant ?? '', recordedBy, note ?? ''].join('\n').toLowerCase();
    return text
      .toLowerCase()
      .split(' ')
      .every((word) => (word.length < 3 ? names : current).includes(word));
  };
  expect(ids(await search(text))).toEqual(ids(all.filter(says)));
});

test('what is found is read page by page as well, and within one account', async () => {
  const all = await search('tobin');
  const [first, second] = all;
  expect(ids(await search('tobin', `&before=${first?.id ?? ''}`))[0]).toBe(second?.id);
  const supplier = first?.from.id ?? '';
  const within = await search('hose', `&account=${supplier}`);
  expect(within.length).toBe(2);
  expect(within.every(({ from, to }) => from.id === supplier || to.id === supplier)).toBe(true);
});

test('an empty search and an endless one are told what to do', async () => {
  expect((await house.get('/api/movements?text=%20')).body.detail).toBe('Say what is looked for.');
  expect((await house.get(`/api/movements?text=${'a'.repeat(101)}`)).body.detail).toBe('At most 100 characters to look for.');
});
