import { BehaviorSubject, of, throwError } from 'rxjs';
import type { SavedOrganisation } from '@hygromet/contract/organisation';
import { organisation, render, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { FirmStep } from './firm-step';

const fresh = { ...organisation, name: 'Your firm', demo: false, people: [], altitudeM: 0, version: 1 };

async function open(save: (body: SavedOrganisation) => unknown, more: object = {}) {
  stage({ serverData: { organisation$: new BehaviorSubject(fresh), saveOrganisation$: save, ...more } });
  return render(FirmStep, { organisation: fresh });
}

test('name, altitude in feet and people are sent in SI, each name once, the other settings as they are', async () => {
  const sent: SavedOrganisation[] = [];
  const { type, press } = await open((body) => (sent.push(body), of({ ...fresh, ...body.settings, version: 2 })));
  await type('Name of the firm', ' Gullwing Chill ');
  await type('Altitude', '5000');
  await type('People', 'Vera Halm\nOtto Brink\nVera Halm');
  await press('Save and go on');
  expect(sent[0]).toMatchObject({
    version: 1,
    settings: { name: 'Gullwing Chill', people: ['Vera Halm', 'Otto Brink'], requiredRules: fresh.requiredRules },
  });
  expect(sent[0]!.settings.altitudeM).toBeCloseTo(1524, 6);
});

test.each([
  ['Name of the firm', ' ', 'The name of the firm is missing'],
  ['Altitude', 'high', 'The altitude is a number'],
  ['Altitude', '40000', 'The altitude is a number'],
  ['Altitude', '', 'The altitude is a number'],
])('%s "%s" is named beside its field, and nothing is sent', async (label, typed, sentence) => {
  const sent: object[] = [];
  const { type, press, text } = await open((body) => (sent.push(body), of(fresh)));
  await type('Name of the firm', 'Gullwing Chill');
  await type(label, typed);
  await press('Save and go on');
  expect(text()).toContain(sentence);
  expect(sent).toEqual([]);
});

test('settings that somebody else has changed are read again, and what is typed stays', async () => {
  let read = 0;
  const changed = () => throwError(() => new ApiError('changed-meanwhile', 'Vera Halm has changed these settings meanwhile.'));
  const { type, press, text, control } = await open(changed, { readAgain: () => read++ });
  await type('Name of the firm', 'Gullwing Chill');
  await press('Save and go on');
  expect(text()).toContain('Vera Halm has changed these settings meanwhile.');
  expect([read, control('Name of the firm').value]).toEqual([1, 'Gullwing Chill']);
});
