import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, signal } from '@angular/core';

import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { places } from '@hygromet/contract/places';
import type { Place } from '@hygromet/contract/cylinder';
import { usualMarks } from '@hygromet/contract/usual-marks';
import { cylinderKinds } from '@hygromet/core/cylinder/cylinder-kind';
import { mutation } from '../data/mutation';
import { Drafts } from '../data/draft.service';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import type { Preferences } from '../preferences/preferences';
import { PreferencesService } from '../preferences/preferences.service';
import { ChoiceField } from '../ui/choice-field';
import { PageHead } from '../ui/page-head';
import { valueOf } from '../ui/loadable';
import { emptyEntry, readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { QuantityField } from '../ui/quantity-field';
import { RefrigerantField } from '../ui/refrigerant-field';
import { TextField } from '../ui/text-field';
import { placeNames } from './cylinder-labels';
import { CollarDrawing } from './collar-drawing';
import type { StampId } from './collar-stamps';
import { marksDraft, marksOf, type MarksDraft } from './marks-draft';
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
  imports: [ChoiceField, CollarDrawing, MarksFields, PageHead, QuantityField, RefrigerantField, RouterLink, TextField],
  template: `
    <hy-page-head title="Add a cylinder" line="Enter the data stamped on the collar" />
    @let d = draft();
    <div class="beside">
      <form novalidate (submit)="$event.preventDefault(); save()" (focusin)="lookAt($event)" (focusout)="here.set(undefined)">
        <hy-text-field
          data-stamp="number"
          label="Number"
          placeholder="such as C-15"
          [text]="d.name"
          (textChange)="change({ name: $event })"
          [submitted]="submitted()"
          [problem]="field('/name') ?? nameTaken()"
        >
          @if (alike(); as other) {
            <p class="alike" role="status">
              {{ other.same ? 'This number is registered.' : 'A number much like it is registered.' }}
              <a [routerLink]="['/cylinders', other.id]">Open {{ other.name }}</a>
            </p>
          }
        </hy-text-field>
        <hy-choice-field label="Used for" [choices]="kindChoices" [value]="d.kind" (valueChange)="change({ kind: $event })" />
        <hy-choice-field
          label="Rated for flammables"
          [choices]="yesNo"
          [value]="d.flammableRated ? 'yes' : 'no'"
          (valueChange)="change({ flammableRated: $event === 'yes' })"
        />
        <hy-choice-field label="Where it is" [choices]="placeChoices" [value]="d.place" (valueChange)="change({ place: $event })" />
        <hy-quantity-field
          data-stamp="volume"
          label="Water capacity"
          kind="volume"
          hint="WC, not the nominal size"
          [entry]="d.volume"
          (entryChange)="change({ volume: $event })"
          [submitted]="submitted()"
          [problem]="field('/volumeM3')"
        />
        <hy-quantity-field
          data-stamp="tare"
          label="Tare"
          kind="mass"
          hint="TW on the collar"
          [entry]="d.tare"
          (entryChange)="change({ tare: $event })"
          [submitted]="submitted()"
          [problem]="field('/tareKg')"
        />
        <hy-quantity-field
          data-stamp="service"
          label="Service pressure"
          kind="service-pressure"
          hint="such as 400 of 4BA400"
          [entry]="d.service"
          (entryChange)="change({ service: $event })"
          [submitted]="submitted()"
          [problem]="field('/servicePressurePa')"
        />
        <hy-text-field
          data-stamp="stamp"
          label="Last requalification"
          placeholder="11-21"
          hint="month and year as stamped"
          [text]="d.stamp"
          (textChange)="change({ stamp: $event })"
          [submitted]="submitted()"
          [problem]="stampProblem()"
        />
        <hy-refrigerant-field
          emptyLabel="Empty, evacuated"
          [refrigerant]="d.refrigerant"
          (refrigerantChange)="change({ refrigerant: $event })"
          [problem]="field('/refrigerant')"
        />
        <hy-quantity-field
          label="Gross weight (scale reading)"
          kind="mass"
          [required]="false"
          hint="only if something is in it"
          [entry]="d.gross"
          (entryChange)="change({ gross: $event })"
          [problem]="grossProblem()"
        />
        <details class="more" [open]="moreOpen()">
          <summary>More cylinder markings</summary>
          <div class="more-fields">
            <hy-marks-fields
              [draft]="d"
              [servicePressurePa]="servicePa()"
              [submitted]="submitted()"
              [problems]="problems()"
              (changed)="change($event)"
            />
          </div>
        </details>
        @if (refused(); as sentence) {
          <p class="refused" role="alert">{{ sentence }}</p>
        }
        <div class="actions">
          <button type="submit" class="button main" [disabled]="busy()">{{ busy() ? 'Saving' : 'Add the cylinder' }}</button>
        </div>
      </form>
      <aside aria-label="Collar">
        <hy-collar-drawing [entries]="d" [here]="here()" [flammable]="d.flammableRated" (touched)="goTo($event)" />
        <p class="hint">
          Touch a stamp to type it. Where each one stands differs by maker; a worn stamp is for a requalifier, not for a guess.
        </p>
      </aside>
    </div>
  `,
  styleUrls: ['../ui/form.css', './add-cylinder.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddCylinderPage {
  private readonly serverData = inject(ServerData);
  private readonly router = inject(Router);
  private readonly preferences = inject(PreferencesService).current;
  private readonly stored = inject(Drafts).open<CylinderDraft>('new-cylinder', () => newDraft(this.preferences()));
  protected readonly draft = this.stored.value.asReadonly();
  protected readonly submitted = signal(false);
  protected readonly kindChoices = cylinderKinds.map((value) => ({ value, label: cylinderKindNames[value] }));
  protected readonly yesNo = [
    { value: 'no', label: 'no' },
    { value: 'yes', label: 'yes' },
  ];
  protected readonly placeChoices = places.map((place) => ({ value: place, label: placeNames[place] }));

  private readonly saving = mutation(this.serverData.addCylinder$, ({ id }) => {
    this.stored.clear();
    void this.router.navigate(['/cylinders', id]);
  });
  protected readonly busy = computed(() => this.saving.state().state === 'busy');
  protected readonly problems = computed(() => {
    const state = this.saving.state();
    return state.state === 'refused' ? state.apiError.fields : {};
  });
  protected readonly field = (pointer: string) => this.problems()[pointer];
  protected readonly nameTaken = computed(() => {
    const state = this.saving.state();
    return state.state === 'refused' && state.apiError.code === 'name-taken' ? state.apiError.message : undefined;
  });
  private readonly registered = fromServer(this.serverData.cylinders$);
  /** The cylinder that this one could be mistaken for, or is. */
  protected readonly alike = computed(() => {
    const { name } = this.draft();
    const alike = (valueOf(this.registered()) ?? []).filter((entry) => sameNumber(entry.name, name));
    const [other] = [...alike.filter((entry) => entry.name === name.trim()), ...alike];
    return other === undefined ? undefined : { ...other, same: other.name === name.trim() };
  });
  protected readonly refused = computed(() => {
    const state = this.saving.state();
    return state.state === 'refused' && state.apiError.code !== 'name-taken' && Object.keys(state.apiError.fields).length === 0
      ? state.apiError.message
      : undefined;
  });

  private readonly volume = computed(() => readQuantity('volume', this.draft().volume));
  private readonly tare = computed(() => readQuantity('mass', this.draft().tare));
  private readonly service = computed(() => readQuantity('service-pressure', this.draft().service));
  private readonly gross = computed(() => readQuantity('mass', this.draft().gross));
  protected readonly servicePa = computed(() => {
    const service = this.service();
    return service.state === 'good' ? service.si : undefined;
  });
  private readonly marks = computed(() => marksOf(this.draft(), this.servicePa()));
  /** A field at fault is shown, wherever it stands. */
  protected readonly moreOpen = computed(
    () => (this.submitted() && this.marks() === undefined) || Object.keys(this.problems()).some((pointer) => pointer.startsWith('/marks/')),
  );
  private readonly stamp = computed(() => readStamp(this.draft().stamp));

  protected readonly stampProblem = computed(() => {
    const stamp = this.stamp();
    return stamp.state === 'bad' && this.submitted() ? stamp.sentence : this.field('/requalified');
  });
  protected readonly grossProblem = computed(() => {
    const [gross, tare] = [this.gross(), this.tare()];
    if (gross.state === 'good' && tare.state === 'good' && gross.si < tare.si)
      return 'The gross weight is below the tare. Read both again.';
    return this.field('/grossKg');
  });

  /** The stamp whose field is being typed. */
  protected readonly here = signal<StampId | undefined>(undefined);
  private readonly page = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    // a number that was scanned and that nobody knows
    const number = inject(ActivatedRoute).snapshot.queryParamMap.get('number');
    if (number !== null) this.change({ name: number });
  }

  protected lookAt({ target }: Event): void {
    const field = target instanceof Element ? target.closest<HTMLElement>('[data-stamp]') : null;
    this.here.set(field?.dataset['stamp'] as StampId | undefined); // the template names only these
  }

  protected goTo(stamp: StampId): void {
    this.page.querySelector<HTMLInputElement>(`[data-stamp='${stamp}'] input`)?.focus();
  }

  protected change(part: Partial<CylinderDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }

  protected save(): void {
    this.submitted.set(true);
    const [volume, tare, service, gross, stamp, marks, draft] = [
      this.volume(),
      this.tare(),
      this.service(),
      this.gross(),
      this.stamp(),
      this.marks(),
      this.draft(),
    ];
    if (
      volume.state !== 'good' ||
      tare.state !== 'good' ||
      service.state !== 'good' ||
      stamp.state !== 'good' ||
      gross.state === 'bad' ||
      marks === undefined ||
      draft.name.trim() === ''
    )
      return;
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
