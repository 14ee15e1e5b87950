import { FormControl } from '@angular/forms';
import { usualMarks } from '@hygromet/contract/usual-marks';
import { defaultPreferences } from '../preferences/preferences';
import { marksDraft, marksOf, marksRules, testPressureProblem, type MarksDraft } from './marks-draft';

const servicePressurePa = 2.758e6; // 400 psi
const draft = (more: Partial<MarksDraft> = {}): MarksDraft => ({ ...marksDraft(usualMarks, defaultPreferences), ...more });
const psi = (text: string) => ({ ...draft().testPressure, text });

test('marks that nobody changed are sent as they were', () => {
  const marks = { ...usualMarks, owner: 'Cheese cave', thread: '1/4 in flare', testPressurePa: 5.515e6, validYears: 10 };
  expect(marksOf(marksDraft(marks, defaultPreferences), servicePressurePa)).toEqual({
    ...marks,
    testPressurePa: expect.closeTo(5.515e6, -3), // shown to a tenth of a psi
  });
});

test.each(['', '0', '16', '5.5', 'five'])('"%s" years are asked back and not sent', (validYears) => {
  expect(new FormControl(validYears, [...marksRules.validYears]).errors).toEqual({ wrong: 'Whole years, from 1 to 15.' });
  expect(marksOf(draft({ validYears }), servicePressurePa)).toBeUndefined();
});

test('a test pressure not above the service pressure was misread, on every collar', () => {
  expect(testPressureProblem(draft({ testPressure: psi('400') }), servicePressurePa)).toMatch(/Read both again/);
  expect(marksOf(draft({ testPressure: psi('400') }), servicePressurePa)).toBeUndefined();
  expect(testPressureProblem(draft({ testPressure: psi('800') }), servicePressurePa)).toBeUndefined();
  expect(marksOf(draft({ testPressure: psi('800') }), servicePressurePa)?.testPressurePa).toBeCloseTo(5.516e6, -3);
});
