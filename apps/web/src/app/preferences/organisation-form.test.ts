import { FormControl } from '@angular/forms';
import { rulesOf } from '../forms/draft-form';
import { errorTold } from '../forms/field-errors';
import { organisationOf, organisationRules, type OrganisationForm } from './organisation-form';

const good: OrganisationForm = {
  name: 'Tidewrack',
  people: 'Ines Marrow, Tobin  Wake;Ines Marrow, ',
  altitudeM: '40',
  liquidPercent: '95',
  hottest: { unit: 'F', text: '140', ounces: '' },
  requiredRules: ['eighty-percent-77F'],
  partPercent: '75',
  endOfPumpDown: 'vacuum',
  keptDays: '60',
};

test('settings become SI', () => {
  const settings = organisationOf(good);
  expect(settings).toMatchObject({
    altitudeM: 40,
    liquidShareAt131F: 0.95,
    partShare: 0.75,
    endOfPumpDown: 'vacuum',
    readingsKeptDays: 60,
    people: ['Ines Marrow', 'Tobin Wake'],
  });
  expect(settings?.hottestK).toBeCloseTo(333.15, 9);
});

test.each<[Partial<OrganisationForm>, keyof OrganisationForm, RegExp]>([
  [{ name: '  ' }, 'name', /missing/],
  [{ altitudeM: 'high' }, 'altitudeM', /meters/],
  [{ altitudeM: '20000' }, 'altitudeM', /9000/],
  [{ liquidPercent: '120' }, 'liquidPercent', /50 to 100/],
  [{ hottest: { unit: 'F', text: '', ounces: '' } }, 'hottest', /missing/],
  [{ partPercent: '85' }, 'partPercent', /50 to 80/],
  [{ keptDays: '0' }, 'keptDays', /1 to 3650/],
  [{ keptDays: 'a month' }, 'keptDays', /1 to 3650/],
  [{ requiredRules: [] }, 'requiredRules', /at least one/],
])('%j has its sentence at its field', (change, field, sentence) => {
  const value: unknown = { ...good, ...change }[field];
  const control = new FormControl(value, [...rulesOf(organisationRules, field)]);
  expect(errorTold(control, 'The hottest temperature is missing.', true)).toMatch(sentence);
});

test.each(Object.keys(good) as (keyof OrganisationForm)[])('what is good of "%s" has none', (field) => {
  expect(new FormControl<unknown>(good[field], [...rulesOf(organisationRules, field)]).errors).toBeNull();
});
