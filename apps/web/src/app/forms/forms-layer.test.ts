import { ChangeDetectionStrategy, Component, Injector, runInInjectionContext, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { render, settled, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import type { MutationState } from '../data/mutation';
import { ChoiceField } from '../ui/choice-field';
import { emptyEntry, type QuantityEntry } from '../ui/quantity-entry';
import { QuantityField } from '../ui/quantity-field';
import { RefrigerantField } from '../ui/refrigerant-field';
import { TextField } from '../ui/text-field';
import { WhenField } from '../ui/when-field';
import { YesNoField } from '../ui/yes-no-field';
import { draftForm } from './draft-form';
import { errorTold } from './field-errors';
import { overlayForm } from './overlay-form';
import { serverProblems } from './server-problems';
import { between, filled, onlyIf, quantity, stampMonth, wrongIf } from './validators';

const pounds = (text: string): QuantityEntry => ({ ...emptyEntry('lb'), text });
const inContext = <T>(body: () => T): T => runInInjectionContext(TestBed.inject(Injector), body);

describe('what is told, and when', () => {
  const control = (errors: object) => {
    const made = new FormControl('');
    made.setErrors(errors);
    return made;
  };
  test.each<[string, object, boolean, boolean, string | undefined]>([
    ['an empty field waits until somebody tries to send', { missing: true }, false, false, undefined],
    ['and is then named by its label', { missing: true }, false, true, 'The tare is missing.'],
    ['or by its own sentence', { missing: 'Say which gauge.' }, false, true, 'Say which gauge.'],
    ['what cannot be read waits until the field is left', { unreadable: 'no number' }, false, false, undefined],
    ['and is told then', { unreadable: 'no number' }, true, false, 'no number'],
    ['or when somebody tries to send', { unreadable: 'no number' }, false, true, 'no number'],
    ['what cannot be so is told at once', { wrong: 'too low' }, false, false, 'too low'],
    ['the server comes first', { server: 'refused', wrong: 'too low' }, false, false, 'refused'],
    ['nothing where all is well', {}, true, true, undefined],
  ])('%s', (_, errors, touched, submitted, sentence) => {
    const made = control(errors);
    if (touched) made.markAsTouched();
    expect(errorTold(made, 'The tare is missing.', submitted)).toBe(sentence);
  });

  test('what two fields say of each other stands under the one that bears it', () => {
    const group = new FormGroup(
      { gross: new FormControl(3), tare: new FormControl(5) },
      {
        validators: [
          between<{ gross: number; tare: number }>(({ gross, tare }) => ({ gross: gross < tare ? 'below the tare' : undefined })),
        ],
      },
    );
    expect(errorTold(group.controls.gross, '', false)).toBe('below the tare');
    expect(errorTold(group.controls.tare, '', false)).toBeUndefined();
    group.controls.gross.setValue(6);
    expect(group.valid).toBe(true);
  });
});

describe('validators', () => {
  test.each([
    ['', { missing: true }],
    ['   ', { missing: true }],
    ['C-15', null],
  ])('filled: "%s"', (text, errors) => {
    expect(filled()(new FormControl(text))).toEqual(errors);
  });
  test('a quantity: missing, not to be read, good; an optional one may be missing', () => {
    expect(quantity('mass')(new FormControl(pounds('')))).toEqual({ missing: true });
    expect(quantity('mass', { optional: true })(new FormControl(pounds('')))).toBeNull();
    expect(quantity('mass', { optional: true })(new FormControl(pounds('x')))).toEqual({
      unreadable: expect.stringContaining('"x" is not a number'),
    });
    expect(quantity('mass')(new FormControl(pounds('17.2')))).toBeNull();
  });
  test('a stamp is a month of the past', () => {
    expect(stampMonth(new FormControl('11-21'))).toBeNull();
    expect(stampMonth(new FormControl('13-21'))).toEqual({ unreadable: expect.stringContaining('no month 13') });
    expect(stampMonth(new FormControl(''))).toEqual({ missing: true });
  });
  test('a rule that is not about it is none, and another kind brings its own', () => {
    const what = new FormControl('moved', { nonNullable: true });
    const reason = new FormControl('', {
      nonNullable: true,
      validators: [onlyIf<{ what: string }>((value) => value.what === 'retired', filled())],
    });
    new FormGroup({ what, reason });
    reason.updateValueAndValidity();
    expect(reason.errors).toBeNull();
    what.setValue('retired');
    reason.updateValueAndValidity();
    expect(reason.errors).toEqual({ missing: true });
  });
  test('a sentence makes a validator', () => {
    const even = wrongIf<number>((value) => (value % 2 === 0 ? undefined : 'odd'));
    expect(even(new FormControl(2))).toBeNull();
    expect(even(new FormControl(3))).toEqual({ wrong: 'odd' });
  });
});

describe('a form whose value is its draft', () => {
  const open = () =>
    inContext(() => draftForm('thing', () => ({ key: 'k1', name: '', tare: pounds('') }), { fields: { name: [filled()] } }));

  test('what is typed is kept on the device, and found again', () => {
    const { kept } = stage();
    const first = open();
    first.form.controls.name.setValue('C-21');
    TestBed.tick();
    expect(kept['hygromet.draft.thing']).toContain('C-21');
    expect(open().form.getRawValue()).toEqual({ key: 'k1', name: 'C-21', tare: pounds('') });
  });

  test('sent, it is forgotten', () => {
    const { kept } = stage();
    const { form, clear } = open();
    form.controls.name.setValue('C-21');
    TestBed.tick();
    clear();
    TestBed.tick();
    expect(kept['hygromet.draft.thing']).toBeUndefined();
  });

  test('what another tab typed appears in the fields', () => {
    stage();
    const { form } = open();
    TestBed.tick();
    const newValue = JSON.stringify({ name: 'C-22', '~': { version: 1, stamp: 'b:1', base: '' } });
    window.dispatchEvent(new StorageEvent('storage', { key: 'hygromet.draft.thing', newValue }));
    TestBed.tick();
    expect(form.getRawValue().name).toBe('C-22');
  });
});

describe('a form over what is recorded', () => {
  const over = () => {
    stage();
    const record = signal({ place: 'van', note: '' });
    const typed = signal<Partial<{ place: string; note: string }>>({});
    const changes: object[] = [];
    const change = (now: Partial<{ place: string; note: string }>) => (changes.push(now), typed.set(now));
    const form = inContext(() => overlayForm({ shape: record(), record, typed, change }, {}));
    TestBed.tick();
    const type = (field: 'place' | 'note', value: string) => {
      form.controls[field].markAsDirty();
      form.controls[field].setValue(value);
      TestBed.tick();
    };
    return { form, record, typed, changes, type };
  };

  test('what nobody has typed follows the record, what was typed stays', () => {
    const { form, record, type } = over();
    type('note', 'to the roof');
    record.set({ place: 'site', note: 'by somebody else' });
    TestBed.tick();
    expect(form.getRawValue()).toEqual({ place: 'site', note: 'to the roof' });
  });

  test('each change is told once, with all that was typed', () => {
    const { changes, type } = over();
    type('note', 'a');
    type('place', 'site');
    expect(changes).toEqual([{ note: 'a' }, { place: 'site', note: 'a' }]);
  });

  test('let go, it is as recorded', () => {
    const { form, typed, type, changes } = over();
    type('note', 'a');
    typed.set({});
    TestBed.tick();
    expect(form.getRawValue()).toEqual({ place: 'van', note: '' });
    expect(form.dirty).toBe(false);
    expect(changes).toHaveLength(1);
  });
});

describe('what the server refused', () => {
  const refusedWith = (error: ApiError) => {
    stage();
    const state = signal<MutationState>({ state: 'idle' });
    const [name, tare] = [new FormControl('C-21'), new FormControl('17')];
    const rest = inContext(() => serverProblems(state, { '/name': name, '/tareKg': tare, 'name-taken': name }));
    state.set({ state: 'refused', apiError: error });
    TestBed.tick();
    return { name, tare, rest };
  };

  test('lands on its control, and goes when something else is typed', () => {
    const { tare, rest } = refusedWith(new ApiError('invalid-input', 'Look at the fields.', { '/tareKg': 'The tare is 0.' }));
    expect(tare.errors).toEqual({ server: 'The tare is 0.' });
    expect(rest()).toBeUndefined();
    tare.setValue('18');
    expect(tare.errors).toBeNull();
  });
  test('by its code, where it is about one field', () => {
    const { name, rest } = refusedWith(new ApiError('name-taken', 'This name is taken.'));
    expect(name.errors).toEqual({ server: 'This name is taken.' });
    expect(rest()).toBeUndefined();
  });
  test('what belongs to no field is told by the form', () => {
    expect(refusedWith(new ApiError('offline', 'The server did not answer.')).rest()).toBe('The server did not answer.');
  });
  test('a field that the form does not show is told by the form too', () => {
    const error = new ApiError('invalid-input', 'Look at the fields.', { '/other': 'The other is strange.', '/tareKg': 'The tare is 0.' });
    expect(refusedWith(error).rest()).toBe('The other is strange.');
  });
});

describe('every field is a control', () => {
  @Component({
    selector: 'hy-probe',
    imports: [ChoiceField, QuantityField, ReactiveFormsModule, RefrigerantField, TextField, WhenField, YesNoField],
    template: `
      <form [formGroup]="form" (ngSubmit)="sent()">
        <hy-text-field label="Name" formControlName="name" />
        <hy-quantity-field label="Tare" kind="mass" formControlName="tare" />
        <hy-choice-field label="Place" missing="Choose a place." [choices]="places" formControlName="place" />
        <hy-yes-no-field label="Rated" formControlName="rated" />
        <hy-when-field formControlName="when" />
        <hy-refrigerant-field formControlName="refrigerant" />
        <button type="submit">Send</button>
      </form>
    `,
    changeDetection: ChangeDetectionStrategy.OnPush,
  })
  class Probe {
    readonly places = [
      { value: '', label: 'choose' },
      { value: 'van', label: 'Van' },
    ];
    readonly form = new FormGroup({
      name: new FormControl('', { nonNullable: true, validators: [filled()] }),
      tare: new FormControl(pounds(''), { nonNullable: true, validators: [quantity('mass')] }),
      place: new FormControl('', { nonNullable: true, validators: [filled()] }),
      rated: new FormControl(false, { nonNullable: true }),
      when: new FormControl('', { nonNullable: true }),
      refrigerant: new FormControl<string | null>(null, { validators: [filled()] }),
    });
    readonly sent = jest.fn();
  }

  test('what is typed is in the form', async () => {
    stage();
    const page = await render(Probe);
    await page.type('Name', 'C-21');
    await page.type('Tare', '17.2');
    await page.type('Place', 'van');
    page.answerKey('Rated', 'yes').click();
    await page.press('Earlier');
    expect(page.fixture.componentInstance.form.getRawValue()).toMatchObject({
      name: 'C-21',
      tare: pounds('17.2'),
      place: 'van',
      rated: true,
    });
    expect(page.fixture.componentInstance.form.controls.when.value).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/);
    expect(page.fixture.componentInstance.form.controls.name.touched).toBe(true);
  });

  test('what the form is set to stands in the fields', async () => {
    stage();
    const page = await render(Probe);
    page.fixture.componentInstance.form.patchValue({ name: 'C-22', tare: pounds('18'), rated: true });
    await settled(page.fixture);
    expect([page.control('Name').value, page.control('Tare').value]).toEqual(['C-22', '18']);
    expect([page.answerKey('Rated', 'no').checked, page.answerKey('Rated', 'yes').checked]).toEqual([false, true]);
  });

  test('all that is missing is told by a try to send, and what is typed takes it away', async () => {
    stage();
    const page = await render(Probe);
    expect(page.text()).not.toContain('missing');
    await page.press('Send');
    for (const sentence of ['The name is missing.', 'The tare is missing.', 'Choose a place.', 'Choose the refrigerant.'])
      expect(page.text()).toContain(sentence);
    expect(page.control('Name').getAttribute('aria-invalid')).toBe('true');
    await page.type('Name', 'C-21');
    expect(page.text()).not.toContain('The name is missing.');
  });

  test('a form that is switched off switches its fields off', async () => {
    stage();
    const page = await render(Probe);
    page.fixture.componentInstance.form.disable();
    await settled(page.fixture);
    expect(['Name', 'Tare', 'Place'].map((label) => page.control(label).disabled)).toEqual([true, true, true]);
    expect(['no', 'yes'].map((name) => page.answerKey('Rated', name).disabled)).toEqual([true, true]);
  });
});
