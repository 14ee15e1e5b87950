import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input, model, signal, viewChild } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormGroupDirective, ReactiveFormsModule, type FormControl } from '@angular/forms';
import { usualMarks } from '@hygromet/contract/usual-marks';

import type { Question } from '@hygromet/contract/asked-back';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { places } from '@hygromet/contract/places';
import { cylinderKinds } from '@hygromet/core/cylinder/cylinder-kind';
import type { Observable } from 'rxjs';
import { coreQuery } from '../core-worker/core-query';
import { questionIn } from '../data/asked-back';
import { mutation } from '../data/mutation';
import { newKey } from '../data/new-key';
import { shapedAs } from '../data/shaped-as';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { overlayForm } from '../forms/overlay-form';
import { serverProblems } from '../forms/server-problems';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { AskedBack } from '../ui/asked-back';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/choice-field';
import { valueOf } from '../ui/loadable';
import type { QuantityEntry } from '../ui/quantity-entry';
import { QuantityField } from '../ui/quantity-field';
import { RefrigerantField } from '../ui/refrigerant-field';
import { TextField } from '../ui/text-field';
import { WeightKeys } from '../ui/weight-keys';
import { WhenField } from '../ui/when-field';
import { YesNoField } from '../ui/yes-no-field';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { airWords } from './air-labels';
import { placeNames } from './cylinder-labels';
import { eventPlausibility } from './cylinder-event-plausibility';
import {
  airReadings,
  cylinderEventKinds,
  eventRules,
  fieldsOf,
  newCylinderEventDraft,
  sendingOf,
  type CylinderEventDraft,
  type CylinderEventFields,
} from './cylinder-event-draft';
import { MarksFields } from './marks-fields';
import { cylinderKindNames } from './objection-labels';

export const cylinderEventNames: Readonly<Record<(typeof cylinderEventKinds)[number], string>> = {
  evacuated: $localize`Evacuated and vacuum-tested`,
  'air-checked': $localize`Checked for air`,
  left: $localize`Refrigerant removed`,
  moved: $localize`Moved`,
  requalified: $localize`Requalified`,
  'tare-weighed': $localize`Tare weighed`,
  relabelled: $localize`Relabeled`,
  described: $localize`Markings and service`,
  retired: $localize`Out of use`,
};

/** Records what happened to a cylinder, with what has to be known of it. */
@Component({
  selector: 'hy-cylinder-event-form',
  imports: [
    AskedBack,
    Caution,
    ChoiceField,
    MarksFields,
    QuantityField,
    ReactiveFormsModule,
    RefrigerantField,
    TextField,
    WeightKeys,
    WhenField,
    YesNoField,
  ],
  templateUrl: './cylinder-event-form.html',
  styleUrls: ['../ui/form.css', './cylinder-event-form.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CylinderEventForm {
  readonly cylinder = input.required<Cylinder>();
  readonly composition = input<Readonly<Record<string, number>> | undefined>();
  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly units = inject(Units);
  private readonly accounts = fromServer(this.serverData.accounts$);

  /** What was typed; it lies over what the cylinder says, which may be read anew while somebody types. */
  readonly typed = model<Partial<CylinderEventDraft>>({});
  protected readonly draft = computed<CylinderEventDraft>(() => {
    const fresh = newCylinderEventDraft(this.preferences(), this.cylinder());
    return shapedAs({ ...fresh, ...this.typed() }, fresh);
  });
  /** What of it stands in fields. */
  protected readonly form = overlayForm<CylinderEventFields>(
    {
      shape: fieldsOf(newCylinderEventDraft(this.preferences(), { contentKg: 0, place: 'van', marks: usualMarks })),
      record: computed(() => fieldsOf(newCylinderEventDraft(this.preferences(), this.cylinder()))),
      typed: this.typed,
      change: (fields) => this.changed(fields),
    },
    eventRules(
      () => this.units.atmosphere(),
      () => this.cylinder().servicePressurePa,
    ),
  );
  private readonly sheet = viewChild(FormGroupDirective);
  /** Set by a try to send: what can hardly be is asked back then, not while it is typed. */
  protected readonly asked = signal(false);
  protected readonly done = signal(false);
  protected readonly choices = cylinderEventKinds.map((value) => ({ value, label: cylinderEventNames[value] }));
  protected readonly placeChoices = places.map((value) => ({ value, label: placeNames[value] }));
  protected readonly kindChoices = cylinderKinds.map((value) => ({ value, label: cylinderKindNames[value] }));
  protected readonly targets = computed(() => [
    { value: '', label: $localize`choose where it went` },
    ...(valueOf(this.accounts()) ?? [])
      .filter(({ kind }) => kind === 'reclaimer' || kind === 'system' || kind === 'air' || kind === 'hoses')
      .sort((a, b) => Number(b.kind === 'reclaimer') - Number(a.kind === 'reclaimer'))
      .map(({ id, name }) => ({ value: id, label: name })),
  ]);
  /** A weight that can hardly be is asked back before it is recorded. */
  protected readonly doubt = computed(() =>
    this.draft().certain ? undefined : eventPlausibility(this.draft(), this.cylinder(), this.units),
  );

  private readonly properties = inject(CoreWorker);
  private readonly air = coreQuery(
    this.properties,
    'air',
    computed(() => {
      const [composition, readings] = [this.composition(), airReadings(this.draft(), this.units.atmosphere())];
      if (composition === undefined || isUnknown(composition) || readings === undefined) return undefined;
      if (this.draft().what !== 'air-checked' || this.cylinder().contentKg <= 0) return undefined;
      const { p, T, gauge, thermometer } = readings;
      const { volumeM3, contentKg } = this.cylinder();
      return { composition, p, T, accuracy: { gauge, thermometer }, volumeM3, massKg: contentKg };
    }),
  );
  /** A pressure that is not its own may be that of something else. */
  private readonly fits = coreQuery(
    this.properties,
    'candidates',
    computed(() => {
      const [check, readings] = [valueOf(this.air()), airReadings(this.draft(), this.units.atmosphere())];
      const odd = check?.finding === 'air' || check?.finding === 'below';
      return odd && readings !== undefined ? { p: readings.p, T: readings.T } : undefined;
    }),
  );
  protected readonly airSaid = computed(() => {
    const check = valueOf(this.air());
    const fits = (valueOf(this.fits()) ?? []).map(({ id }) => id).filter((id) => id !== this.cylinder().refrigerant);
    return check === undefined ? undefined : airWords(check, { blend: Object.keys(this.composition() ?? {}).length > 1, fits }, this.units);
  });

  protected readonly sending = mutation(
    (sent: NonNullable<ReturnType<typeof sendingOf>>): Observable<unknown> =>
      sent.kind === 'removal'
        ? this.serverData.bookRemoval$(sent.removal)
        : this.serverData.addCylinderEvent$(this.cylinder().id, sent.event),
    () => {
      this.asked.set(false);
      this.done.set(true);
      this.sheet()?.resetForm(this.form.getRawValue());
      this.typed.set({ what: this.draft().what });
    },
  );
  protected readonly busy = computed(() => this.sending.state().state === 'busy');
  protected readonly question = computed(() => questionIn(this.sending.state()));
  protected readonly refused = serverProblems(this.sending.state, {
    '/pressurePa': this.form.controls.vacuum,
    '/grossBeforeKg': this.form.controls.before,
    '/grossAfterKg': this.form.controls.after,
    '/stamp': this.form.controls.stamp,
    '/tareKg': this.form.controls.tare,
    '/reason': this.form.controls.reason,
    '/happenedAt': this.form.controls.when,
    '/note': this.form.controls.note,
    '/marks/owner': this.form.controls.owner,
    '/marks/thread': this.form.controls.thread,
    '/marks/testPressurePa': this.form.controls.testPressure,
    '/marks/reliefPressurePa': this.form.controls.reliefPressure,
    '/marks/validYears': this.form.controls.validYears,
  });

  constructor() {
    // a scale keeps its unit: what is typed after follows
    const { before, after } = this.form.controls;
    before.valueChanges.pipe(takeUntilDestroyed()).subscribe(({ unit }) => {
      if (before.dirty && after.value.unit !== unit) put(after, { ...after.value, unit });
    });
  }

  /** Something else was typed: it is another event, and nothing of it was asked back yet. */
  private changed(fields: Partial<CylinderEventFields>): void {
    this.done.set(false);
    this.typed.set({ ...fields, certain: false, answered: [], key: newKey() });
  }

  protected weigh(field: 'before' | 'after' | 'tare', entry: QuantityEntry): void {
    put(this.form.controls[field], entry);
  }

  /** Right all the same: sent again with the same key. */
  protected answer(question: Question): void {
    this.typed.update((typed) => ({ ...typed, answered: [...(typed.answered ?? []), question] }));
    this.send();
  }

  /** It is in the ledger already. */
  protected leave(): void {
    this.typed.set({ what: this.draft().what });
    this.sending.reset();
  }

  protected certain(): void {
    this.typed.update((typed) => ({ ...typed, certain: true }));
    this.send();
  }

  protected send(): void {
    this.asked.set(true);
    this.typed.update((typed) => ({ key: newKey(), ...typed })); // sent again, it is the same event
    if (this.doubt() !== undefined) return;
    const sent = sendingOf(this.draft(), this.cylinder(), this.preferences().person, new Date(), this.units.atmosphere());
    if (sent !== undefined) this.sending.send(sent);
  }
}

function put(control: FormControl<QuantityEntry>, entry: QuantityEntry): void {
  control.markAsDirty();
  control.setValue(entry);
}
