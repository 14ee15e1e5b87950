import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, signal } from '@angular/core';

import { ReactiveFormsModule } from '@angular/forms';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { collarQuestion } from '@hygromet/contract/collar-question';
import { sentenceText } from '@hygromet/contract/sentence';
import { places } from '@hygromet/contract/places';
import type { Place } from '@hygromet/contract/cylinder';
import { usualMarks } from '@hygromet/contract/usual-marks';
import { cylinderKinds } from '@hygromet/core/cylinder/cylinder-kind';
import { mutation } from '../data/mutation';
import { newKey } from '../data/new-key';
import { wordingIn } from '../data/wording';
import { ServerData } from '../data/server-data.service';
import { draftForm } from '../forms/draft-form';
import { serverProblems } from '../forms/server-problems';
import { between, filled, quantity, stampMonth } from '../forms/validators';
import type { Preferences } from '../preferences/preferences';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/choice-field';
import { PageHead } from '../ui/page-head';
import { valueOf } from '../ui/loadable';
import { emptyEntry, readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { QuantityField } from '../ui/quantity-field';
import { RefrigerantField } from '../ui/refrigerant-field';
import { TextField } from '../ui/text-field';
import { YesNoField } from '../ui/yes-no-field';
import { placeNames } from './cylinder-labels';
import { doubtsOf } from './collar-doubts-typed';
import { CollarDrawing } from './collar-drawing';
import type { StampId } from './collar-stamps';
import { marksDraft, marksOf, marksRules, testPressureProblem, type MarksDraft } from './marks-draft';
import { MarksFields } from './marks-fields';
import { cylinderKindNames } from './objection-labels';
import { sameNumber } from './same-number';
import { readStamp } from './stamp-month';

interface CylinderDraft extends MarksDraft {
  readonly key: string;
  readonly name: string;
  readonly volume: QuantityEntry;
  readonly tare: QuantityEntry;
  readonly service: QuantityEntry;
  readonly stamp: string;
  readonly place: string;
  readonly refrigerant: string | null;
  readonly gross: QuantityEntry;
}

const newDraft = (preferences: Preferences, metric = preferences.mass === 'kg'): CylinderDraft => ({
  ...marksDraft(usualMarks, preferences),
  key: newKey(),
  name: '',
  volume: emptyEntry(metric ? 'L' : 'lb-water'),
  tare: emptyEntry(metric ? 'kg' : 'lb'),
  service: emptyEntry(metric ? 'barg' : 'psig'),
  stamp: '',
  place: 'van',
  refrigerant: null,
  gross: emptyEntry(metric ? 'kg' : 'lb'),
});

/** A cylinder as its collar tells it, and the scale where it stands on one. */
@Component({
  selector: 'hy-add-cylinder-page',
  imports: [
    Caution,
    ChoiceField,
    CollarDrawing,
    MarksFields,
    PageHead,
    QuantityField,
    ReactiveFormsModule,
    RefrigerantField,
    RouterLink,
    TextField,
    YesNoField,
  ],
  template: `
    <hy-page-head title="Add a cylinder" i18n-title line="Enter the data stamped on the collar" i18n-line />
    <div class="beside">
      <form novalidate [formGroup]="form" (ngSubmit)="save()" (focusin)="lookAt($event)" (focusout)="here.set(undefined)">
        <hy-text-field data-stamp="number" label="Number" i18n-label placeholder="such as C-15" i18n-placeholder formControlName="name">
          @if (alike(); as other) {
            <p class="alike" role="status">
              {{ other.same ? words.thisNumberIsRegistered : words.aNumberMuchLikeIt }}
              <a i18n [routerLink]="['/cylinders', other.id]">Open {{ other.name }}</a>
            </p>
          }
        </hy-text-field>
        <hy-choice-field label="Used for" i18n-label [choices]="kindChoices" formControlName="kind" />
        <hy-yes-no-field label="Rated for flammables" i18n-label formControlName="flammableRated" />
        <hy-choice-field label="Where it is" i18n-label [choices]="placeChoices" formControlName="place" />
        <hy-quantity-field
          data-stamp="volume"
          label="Water capacity"
          i18n-label
          kind="volume"
          hint="WC, not the nominal size"
          i18n-hint
          formControlName="volume"
        />
        <hy-quantity-field data-stamp="tare" label="Tare" i18n-label kind="mass" hint="TW on the collar" i18n-hint formControlName="tare" />
        <hy-quantity-field
          data-stamp="service"
          label="Service pressure"
          i18n-label
          kind="service-pressure"
          hint="such as 400 of 4BA400"
          i18n-hint
          formControlName="service"
        />
        <hy-text-field
          data-stamp="stamp"
          label="Last requalification"
          i18n-label
          placeholder="11-21"
          hint="month and year as stamped"
          i18n-hint
          formControlName="stamp"
        />
        <hy-refrigerant-field emptyLabel="Empty, evacuated" i18n-emptyLabel formControlName="refrigerant" />
        <hy-quantity-field
          label="Gross weight (scale reading)"
          i18n-label
          kind="mass"
          hint="only if something is in it"
          i18n-hint
          formControlName="gross"
        />
        <details class="more" [open]="moreOpen()">
          <summary i18n>More cylinder markings</summary>
          <div class="more-fields"><hy-marks-fields /></div>
        </details>
        @if (doubts().length > 0) {
          <hy-caution class="doubts">
            @for (doubt of doubts(); track doubt) {
              <p>{{ doubt }}</p>
            }
            <hy-yes-no-field label="Read again, and right" i18n-label formControlName="confirmed" />
          </hy-caution>
        }
        @if (refused(); as sentence) {
          <p class="refused" role="alert">{{ sentence }}</p>
        }
        <div class="actions">
          <button type="submit" class="button main" [disabled]="busy()">
            @if (busy()) {
              <ng-container i18n>Saving</ng-container>
            } @else {
              <ng-container i18n>Add the cylinder</ng-container>
            }
          </button>
        </div>
      </form>
      <aside aria-label="Collar" i18n-aria-label>
        <hy-collar-drawing [entries]="draft()" [here]="here()" [flammable]="draft().flammableRated" (touched)="goTo($event)" />
        <p i18n class="hint">
          Touch a stamp to type it. Where each one stands differs by maker; a worn stamp is for a requalifier, not for a guess.
        </p>
      </aside>
    </div>
  `,
  styleUrls: ['../ui/form.css', './add-cylinder.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddCylinderPage {
  protected readonly words = {
    thisNumberIsRegistered: $localize`This number is registered.`,
    aNumberMuchLikeIt: $localize`A number much like it is registered.`,
  } as const;

  private readonly serverData = inject(ServerData);
  private readonly router = inject(Router);
  private readonly preferences = inject(PreferencesService).current;
  private readonly drafted = draftForm<CylinderDraft>('new-cylinder', () => newDraft(this.preferences()), {
    fields: {
      name: [filled()],
      volume: [quantity('volume')],
      tare: [quantity('mass')],
      service: [quantity('service-pressure')],
      stamp: [stampMonth],
      gross: [quantity('mass', { optional: true })],
      ...marksRules,
    },
    group: [between<CylinderDraft>(ofTheWhole)],
  });
  protected readonly form = this.drafted.form;
  protected readonly draft = this.drafted.value;
  protected readonly kindChoices = cylinderKinds.map((value) => ({ value, label: cylinderKindNames[value] }));
  protected readonly placeChoices = places.map((place) => ({ value: place, label: placeNames[place] }));

  private readonly saving = mutation(this.serverData.addCylinder$, ({ id }) => {
    this.drafted.clear();
    void this.router.navigate(['/cylinders', id]);
  });
  protected readonly busy = computed(() => this.saving.state().state === 'busy');
  protected readonly refused = serverProblems(this.saving.state, {
    '/name': this.form.controls.name,
    'name-taken': this.form.controls.name,
    '/volumeM3': this.form.controls.volume,
    '/tareKg': this.form.controls.tare,
    '/servicePressurePa': this.form.controls.service,
    '/requalified': this.form.controls.stamp,
    '/refrigerant': this.form.controls.refrigerant,
    '/grossKg': this.form.controls.gross,
    '/marks/owner': this.form.controls.owner,
    '/marks/thread': this.form.controls.thread,
    '/marks/testPressurePa': this.form.controls.testPressure,
    '/marks/reliefPressurePa': this.form.controls.reliefPressure,
    '/marks/validYears': this.form.controls.validYears,
  });
  private readonly units = inject(Units);
  /** What hardly stands on a collar, as long as it is typed so. */
  protected readonly doubts = computed(() =>
    doubtsOf(this.draft()).map((doubt) => sentenceText(collarQuestion(doubt), wordingIn(this.units))),
  );
  private readonly registered = fromServer(this.serverData.cylinders$);
  /** The cylinder that this one could be mistaken for, or is. */
  protected readonly alike = computed(() => {
    const { name } = this.draft();
    const alike = (valueOf(this.registered()) ?? []).filter((entry) => sameNumber(entry.name, name));
    const [other] = [...alike.filter((entry) => entry.name === name.trim()), ...alike];
    return other === undefined ? undefined : { ...other, same: other.name === name.trim() };
  });
  /** Set by each try to send: a field at fault is shown, wherever it stands. */
  private readonly tries = signal(0);
  protected readonly moreOpen = computed(() => {
    const [state, wrong] = [this.saving.state(), this.testTooLow() !== undefined];
    if (state.state === 'refused' && Object.keys(state.apiError.fields).some((pointer) => pointer.startsWith('/marks/'))) return true;
    return this.tries() > 0 && (wrong || Object.keys(marksRules).some((name) => this.form.get(name)?.invalid));
  });
  private readonly testTooLow = computed(() => ofTheWhole(this.draft()).testPressure);

  /** The stamp whose field is being typed. */
  protected readonly here = signal<StampId | undefined>(undefined);
  private readonly page = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    // a number that was scanned and that nobody knows
    const number = inject(ActivatedRoute).snapshot.queryParamMap.get('number');
    if (number !== null) this.form.controls.name.setValue(number);
  }

  protected lookAt({ target }: Event): void {
    const field = target instanceof Element ? target.closest<HTMLElement>('[data-stamp]') : null;
    this.here.set(field?.dataset['stamp'] as StampId | undefined); // the template names only these
  }

  protected goTo(stamp: StampId): void {
    this.page.querySelector<HTMLInputElement>(`[data-stamp='${stamp}'] input`)?.focus();
  }

  protected save(): void {
    this.tries.update((count) => count + 1);
    const draft = this.form.getRawValue();
    const [volume, tare, service, gross, stamp] = [
      readQuantity('volume', draft.volume),
      readQuantity('mass', draft.tare),
      readQuantity('service-pressure', draft.service),
      readQuantity('mass', draft.gross),
      readStamp(draft.stamp),
    ];
    if (this.form.invalid || volume.state !== 'good' || tare.state !== 'good' || service.state !== 'good' || stamp.state !== 'good') return;
    const marks = marksOf(draft, service.si);
    if (marks === undefined) return;
    this.saving.send({
      key: draft.key,
      name: draft.name.trim(),
      volumeM3: volume.si,
      volumeTyped: volume.typed,
      tareKg: tare.si,
      tareTyped: tare.typed,
      servicePressurePa: service.si,
      serviceTyped: service.typed,
      requalified: stamp.month,
      place: draft.place as Place, // the field offers only these
      marks,
      ...(draft.refrigerant === null ? {} : { refrigerant: draft.refrigerant }),
      ...(gross.state === 'good' ? { grossKg: gross.si, grossTyped: gross.typed } : {}),
    });
  }
}

/** What the figures of a collar say of each other. */
function ofTheWhole(draft: CylinderDraft) {
  const [gross, tare, service] = [
    readQuantity('mass', draft.gross),
    readQuantity('mass', draft.tare),
    readQuantity('service-pressure', draft.service),
  ];
  const below = gross.state === 'good' && tare.state === 'good' && gross.si < tare.si;
  return {
    gross: below ? $localize`The gross weight is below the tare. Read both again.` : undefined,
    testPressure: testPressureProblem(draft, service.state === 'good' ? service.si : undefined),
    confirmed: draft.confirmed || doubtsOf(draft).length === 0 ? undefined : $localize`Read the collar again, and say so here.`,
  };
}
