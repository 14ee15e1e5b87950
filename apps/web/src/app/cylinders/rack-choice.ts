import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { Cylinder, Place } from '@hygromet/contract/cylinder';
import { places } from '@hygromet/contract/places';

import { labelOf } from '../labels/label';
import { labelSizeNames, type LabelSize } from '../labels/label-sizes';
import { mutation, errorIn } from '../data/mutation';
import { Drafts } from '../data/draft.service';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { newShipment } from '../shipment/shipment-draft';
import { ChoiceField } from '../ui/choice-field';
import { valueOf } from '../ui/loadable';
import { placeNames } from './cylinder-labels';

/** What can be done with several cylinders at once. */
@Component({
  selector: 'hy-rack-choice',
  imports: [ChoiceField],
  template: `
    <p class="count" role="status">
      @if (chosen().length === 0) {
        <ng-container i18n>Tap cylinders to select them.</ng-container>
      } @else {
        <b i18n>{{ chosen().length }} chosen</b><span i18n class="small">{{ units.massText(gross()) }} gross</span>
      }
    </p>
    <button type="button" class="button small" (click)="all.emit()">
      @if (allChosen()) {
        <ng-container i18n>Clear selection</ng-container>
      } @else {
        <ng-container i18n>Choose all shown</ng-container>
      }
    </button>
    <button i18n type="button" class="button small done" (click)="done.emit()">Done</button>
    <div class="move">
      <hy-choice-field label="Move to" i18n-label [choices]="placeChoices" [value]="place()" (valueChange)="place.set($any($event))" />
      <button i18n type="button" class="button small" [disabled]="nothing()" (click)="move()">Move</button>
    </div>
    <div class="labels" role="group" aria-label="Labels as PDF" i18n-aria-label>
      <span i18n aria-hidden="true">Labels</span>
      @for (size of labelSizes; track size) {
        <button
          type="button"
          class="button small"
          [attr.aria-label]="words.labelsAsPdf(size)"
          [disabled]="nothing()"
          (click)="labels(size)"
        >
          {{ size }}
        </button>
      }
    </div>
    <button i18n type="button" class="button small" [disabled]="nothing()" (click)="ship()">Shipment sheet</button>
    @if (said(); as sentence) {
      <p role="status" class="said">{{ sentence }}</p>
    }
    @if (refused(); as sentence) {
      <p role="alert" class="refused">{{ sentence }}</p>
    }
  `,
  styles: `
    :host {
      position: sticky;
      z-index: 3;
      bottom: 0;
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px 14px;
      padding: 12px var(--margin);
      border-top: 1.5px solid var(--ink);
      background: var(--paper);
    }

    .count {
      min-width: 116px;
    }

    .count .small {
      display: block;
    }

    .move {
      display: flex;
      align-items: end;
      gap: 8px;
      margin-left: auto;
    }

    .labels {
      display: flex;
      align-items: center;
      gap: 8px;
    }

    .move hy-choice-field {
      display: flex;
      align-items: center;
      gap: 8px;
    }

    .said {
      color: var(--fine);
      font-weight: 600;
    }

    .refused {
      color: var(--danger);
      font-weight: 600;
    }

    @media (max-width: 899px) {
      :host {
        bottom: 74px;
      }

      .count {
        min-width: 0;
        flex: 1;
      }

      .done {
        order: -1;
      }

      .count {
        order: -2;
      }

      .move {
        width: 100%;
        margin-left: 0;
      }

      .button {
        padding: 0 10px;
        font-size: 15px;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RackChoice {
  protected readonly words = { labelsAsPdf: (size: string): string => $localize`Labels as PDF, ${size}` };

  readonly chosen = input.required<readonly Cylinder[]>();
  readonly allChosen = input(false);
  readonly all = output();
  readonly done = output();

  protected readonly units = inject(Units);
  private readonly serverData = inject(ServerData);
  private readonly router = inject(Router);
  private readonly preferences = inject(PreferencesService).current;
  private readonly shipment = inject(Drafts).open('shipment', newShipment);
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);

  protected readonly labelSizes = labelSizeNames;
  protected readonly place = signal<Place>('van');
  protected readonly placeChoices = places.map((value) => ({ value, label: placeNames[value] }));
  protected readonly nothing = computed(() => this.chosen().length === 0);
  protected readonly gross = computed(() => this.chosen().reduce((sum, { tareKg, contentKg }) => sum + tareKg + contentKg, 0));
  protected readonly said = signal<string | undefined>(undefined);
  private readonly moving = mutation(this.serverData.moveCylinders$, ({ moved }, { cylinders, place }) => {
    const stayed = cylinders.length - moved;
    const where = placeNames[place].toLowerCase();
    this.said.set(
      $localize`${moved} moved: ${where}${stayed > 0 ? $localize`; ${stayed} ${stayed === 1 ? $localize`was` : $localize`were`} there already` : ''}.`,
    );
  });
  protected readonly refused = computed(() => errorIn(this.moving.state()));

  protected move(): void {
    this.moving.send({
      place: this.place(),
      cylinders: this.chosen().map(({ id }) => ({ id, key: newKey() })),
      happenedAt: new Date().toISOString(),
      recordedBy: this.preferences().person,
    });
  }

  protected async labels(size: LabelSize): Promise<void> {
    const [{ labelPdf }, { save }] = await Promise.all([import('../labels/label-pdf'), import('../ui/save-file')]);
    const groups = new Map((valueOf(this.refrigerants()) ?? []).map(({ id, safetyGroup }) => [id, safetyGroup]));
    const labels = this.chosen().map((entry) => labelOf(entry, groups.get(entry.refrigerant ?? ''), location.origin, this.units));
    const bytes = await labelPdf(labels, size);
    save(`labels-${labels.length}.pdf`, new Blob([bytes as BlobPart], { type: 'application/pdf' }));
  }

  protected ship(): void {
    this.shipment.value.update((draft) => ({ ...draft, cylinders: this.chosen().map(({ id }) => id) }));
    void this.router.navigate(['/cylinders/shipment']);
  }
}
