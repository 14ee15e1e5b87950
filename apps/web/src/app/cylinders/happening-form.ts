import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { places } from '@hygromet/contract/places';
import { cylinderKinds } from '@hygromet/core/cylinder/cylinder-kind';
import type { Observable } from 'rxjs';
import { asked } from '../live/asked';
import { command, refusalIn } from '../live/command';
import { newKey } from '../live/new-key';
import { PropertyService } from '../live/property.service';
import { Registers } from '../live/registers.service';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/choice-field';
import { loadable, valueOf, waiting } from '../ui/loadable';
import { QuantityField } from '../ui/quantity-field';
import { RefrigerantField } from '../ui/refrigerant-field';
import { TextField } from '../ui/text-field';
import { airWords } from './air-words';
import { placeNames } from './cylinder-words';
import { airReadings, happenings, newHappening, sendingOf, type HappeningDraft } from './happening-draft';
import { cylinderKindNames } from './objection-words';
import { readStamp } from './stamp-month';

export const happeningNames: Readonly<Record<(typeof happenings)[number], string>> = {
  evacuated: 'Evacuated and proved',
  'air-checked': 'Checked for air',
  left: 'Something left it',
  moved: 'Moved',
  requalified: 'Requalified',
  'tare-weighed': 'Tare weighed',
  relabelled: 'Labelled anew',
  described: 'Marks and use',
  retired: 'Out of use',
};

/** Records what happened to a cylinder, with what has to be known of it. */
@Component({
  selector: 'hy-happening-form',
  imports: [Caution, ChoiceField, QuantityField, RefrigerantField, TextField],
  templateUrl: './happening-form.html',
  styleUrls: ['../ui/form.css', './happening-form.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HappeningForm {
  readonly cylinder = input.required<Cylinder>();
  readonly composition = input<Readonly<Record<string, number>> | undefined>();
  private readonly registers = inject(Registers);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly units = inject(Units);
  private readonly accounts = toSignal(loadable(this.registers.accounts$), { initialValue: waiting });

  protected readonly id = linkedSignal(() => this.cylinder().id);
  protected readonly draft = linkedSignal<string, HappeningDraft>({
    source: this.id,
    computation: () => newHappening(this.preferences(), this.cylinder()),
  });
  protected readonly asked = signal(false);
  protected readonly done = signal(false);
  protected readonly choices = happenings.map((value) => ({ value, label: happeningNames[value] }));
  protected readonly placeChoices = places.map((value) => ({ value, label: placeNames[value] }));
  protected readonly kindChoices = cylinderKinds.map((value) => ({ value, label: cylinderKindNames[value] }));
  protected readonly portChoices = [
    { value: 'liquid-and-vapour', label: 'liquid and vapour' },
    { value: 'one', label: 'one' },
  ];
  protected readonly yesNo = [
    { value: 'no', label: 'no' },
    { value: 'yes', label: 'yes' },
  ];
  protected readonly targets = computed(() => [
    { value: '', label: 'choose where it went' },
    ...(valueOf(this.accounts()) ?? [])
      .filter(({ kind }) => kind === 'reclaimer' || kind === 'system' || kind === 'air' || kind === 'hoses')
      .sort((a, b) => Number(b.kind === 'reclaimer') - Number(a.kind === 'reclaimer'))
      .map(({ id, name }) => ({ value: id, label: name })),
  ]);
  protected readonly targetProblem = computed(() =>
    this.asked() && this.draft().to === '' ? 'Choose where it went. Into another cylinder it is a transfer into that one.' : undefined,
  );
  protected readonly stampProblem = computed(() => {
    const stamp = readStamp(this.draft().stamp);
    return stamp.state === 'bad' && this.asked() ? stamp.sentence : this.field('/stamp');
  });

  private readonly air = asked(
    inject(PropertyService),
    'air',
    computed(() => {
      const [composition, readings] = [this.composition(), airReadings(this.draft(), this.units.atmosphere())];
      if (composition === undefined || readings === undefined || this.draft().what !== 'air-checked') return undefined;
      const { p, T, gauge, thermometer } = readings;
      return { composition, p, T, accuracy: { gauge, thermometer } };
    }),
  );
  protected readonly airSaid = computed(() => {
    const check = valueOf(this.air());
    return check === undefined ? undefined : airWords(check, this.units);
  });

  protected readonly sending = command(
    (sent: NonNullable<ReturnType<typeof sendingOf>>): Observable<unknown> =>
      sent.kind === 'removal'
        ? this.registers.bookRemoval$(sent.removal)
        : this.registers.addCylinderEvent$(this.cylinder().id, sent.event),
    () => {
      this.asked.set(false);
      this.done.set(true);
      this.draft.set({ ...newHappening(this.preferences(), this.cylinder()), what: this.draft().what });
    },
  );
  protected readonly busy = computed(() => this.sending.state().state === 'busy');
  protected readonly field = (pointer: string) => refusalIn(this.sending.state(), pointer);
  protected readonly refused = computed(() => {
    const state = this.sending.state();
    return state.state === 'refused' ? state.refusal.message : undefined;
  });

  protected change(part: Partial<HappeningDraft>): void {
    this.done.set(false);
    this.draft.update((draft) => ({ ...draft, ...part, key: newKey() }));
  }

  protected send(): void {
    this.asked.set(true);
    const sent = sendingOf(this.draft(), this.cylinder().id, this.preferences().person, new Date(), this.units.atmosphere());
    if (sent !== undefined) this.sending.send(sent);
  }
}
