import { byContent } from './tables-by-content';

test('a composition that comes again as another object is not built anew, another one is', () => {
  const built: string[] = [];
  const of = byContent((composition) => (built.push(JSON.stringify(composition)), { composition }));
  expect(of({ 'R-32': 1 })).toBe(of({ ...{ 'R-32': 1 } }));
  of({ 'R-125': 1 });
  expect(built).toEqual(['{"R-32":1}', '{"R-125":1}']);
});

test('what throws is asked again', () => {
  let times = 0;
  const of = byContent(() => {
    if (++times < 2) throw new Error('not yet');
    return times;
  });
  expect(() => of({ 'R-32': 1 })).toThrow('not yet');
  expect(of({ 'R-32': 1 })).toBe(2);
});

test('it is bounded: after very many others the first is built anew', () => {
  let times = 0;
  const of = byContent(() => ++times);
  for (let k = 0; k <= 200; k++) of({ 'R-32': k });
  expect(of({ 'R-32': 0 })).toBe(202);
});
