import { NoTwoPhaseState } from '@hygromet/core/errors';
import { inSI, joined, mass, moment, say, sentence, sentenceText } from './sentence';

const values = say`${'C-07'} holds ${mass(3.204)} since ${moment(new Date('2026-11-29T07:40:00Z'))}.`;

test('a sentence carries its quantities, so that each reader has them in their own units', () => {
  expect(sentence.parse(values)).toEqual(['C-07', ' holds ', { massKg: 3.204 }, ' since ', { at: '2026-11-29T07:40:00.000Z' }, '.']);
  expect(sentenceText(values, inSI)).toBe('C-07 holds 3.20 kg since 2026-11-29 07:40 UTC.');
  expect(sentenceText(values, { ...inSI, mass: (kg) => `${(kg / 0.45359237).toFixed(1)} lb`, at: () => 'this morning' })).toBe(
    'C-07 holds 7.1 lb since this morning.',
  );
});

test('what the core refuses carries temperatures and pressures, read in the units of the device', () => {
  const said = [...new NoTwoPhaseState(366, 344.49).phrase];
  expect(sentence.parse(said)).toEqual(said);
  expect(sentenceText(said, inSI)).toBe(
    'At 366 K there is no liquid beside vapor: the saturation line of this refrigerant ends at 344.49 K.',
  );
  const shown = sentenceText(said, { ...inSI, temperature: (T) => `${Math.round((T - 273.15) * 1.8 + 32)} °F` });
  expect(shown).toBe('At 199 °F there is no liquid beside vapor: the saturation line of this refrigerant ends at 160 °F.');
});

test('sentences follow one another', () => {
  expect(sentenceText(joined(say`One.`, say` Two of ${mass(1)}.`), inSI)).toBe('One. Two of 1.00 kg.');
});
