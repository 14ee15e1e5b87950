import { classificationOf, isFlammable } from '@hygromet/core/fluids/classification';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { comingIn } from './coming-in';
import type { Cylinder } from './cylinder';
import { usualMarks } from './usual-marks';

const nominal = (id: string) => ({
  id,
  composition: refrigerant(id).composition,
  flammable: isFlammable(classificationOf(id)),
  safetyGroup: classificationOf(id).safetyGroup,
});
/** As much of a cylinder as the rule reads. */
const aCylinder = (more: Partial<Cylinder>) =>
  ({ refrigerant: 'R-410A', composition: refrigerant('R-410A').composition, flags: [], marks: usualMarks, ...more }) as unknown as Cylinder;
const from = (more: Partial<Parameters<typeof comingIn>[0]>) => comingIn({ refrigerant: null, into: aCylinder({}), nominal, ...more });

test('a system says what comes, whose it is, and nobody has to', () => {
  const system = { refrigerant: 'R-32', site: 'Bell foundry' };
  expect(from({ system })).toMatchObject({ id: 'R-32', owner: 'Bell foundry', quality: 'usual', flammable: true, safetyGroup: 'A2L' });
});

test('another cylinder says it by what is in it, not by what a person thinks', () => {
  expect(from({ cylinder: aCylinder({}), refrigerant: 'R-22' })).toMatchObject({
    id: 'R-410A',
    composition: refrigerant('R-410A').composition,
  });
});

test('a mixture is a mixture whatever its label says, and is taken as burning', () => {
  const composition = { 'R-22': 0.6, 'R-32': 0.2, 'R-125': 0.2 };
  const cylinder = aCylinder({ refrigerant: 'R-22', composition, flags: ['mixed'] });
  expect(from({ cylinder })).toMatchObject({ id: undefined, name: 'a mixture', composition, flammable: true, safetyGroup: null });
});

test('burnt-out refrigerant, air and the owner come along with it', () => {
  const marks = { ...usualMarks, kind: 'burn-out', owner: 'Cheese cave' } as const;
  expect(from({ cylinder: aCylinder({ marks, flags: ['non-condensables'] }) })).toMatchObject({
    quality: 'burnt',
    nonCondensables: true,
    owner: 'Cheese cave',
  });
});

test('where nothing is known the person says it, and until then nothing comes', () => {
  expect(from({ refrigerant: 'R-22' })?.name).toBe('R-22');
  expect(from({ cylinder: aCylinder({ refrigerant: null, composition: null }), refrigerant: 'R-22' })?.name).toBe('R-22');
  expect(from({})).toBeUndefined();
});
