import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Icon } from '../ui/icon';
import { QuantityField } from '../ui/quantity-field';
import { RefrigerantField } from '../ui/refrigerant-field';
import { BenchSession } from './bench.session';

/** What is asked about: one refrigerant, or several put together by weight. */
@Component({
  selector: 'hy-content-fields',
  imports: [Icon, QuantityField, RefrigerantField],
  template: `
    @let draft = session.draft();
    <div class="modes" role="group" aria-label="What is in it" i18n-aria-label>
      <button i18n type="button" class="chip" [attr.aria-pressed]="draft.mode === 'one'" (click)="session.change({ mode: 'one' })">
        One refrigerant
      </button>
      <button i18n type="button" class="chip" [attr.aria-pressed]="draft.mode === 'mixture'" (click)="session.change({ mode: 'mixture' })">
        A mixture by weight
      </button>
    </div>
    @if (draft.mode === 'one') {
      <hy-refrigerant-field [refrigerant]="draft.refrigerant" (refrigerantChange)="session.change({ refrigerant: $event })" />
    } @else {
      @for (part of draft.parts; track $index) {
        <div class="part">
          <hy-refrigerant-field
            label="Content {{ $index + 1 }}"
            i18n-label
            [refrigerant]="part.refrigerant"
            (refrigerantChange)="session.changePart($index, { refrigerant: $event })"
          />
          <hy-quantity-field
            label="Weight of content {{ $index + 1 }}"
            i18n-label
            kind="mass"
            [entry]="part.mass"
            (entryChange)="session.changePart($index, { mass: $event })"
          />
          <button
            type="button"
            class="icon-button"
            [attr.aria-label]="words.removeComponent($index + 1)"
            [disabled]="draft.parts.length < 3"
            (click)="session.removePart($index)"
          >
            <svg hyIcon="close"></svg>
          </button>
        </div>
      }
      <button type="button" class="button plain" (click)="session.addPart()">
        <svg hyIcon="add"></svg><ng-container i18n>Add component</ng-container>
      </button>
      <p i18n class="small">
        For what has happened, not for a plan: hardly any reclaimer takes a mixture, and it may burn where its parts did not.
      </p>
    }
  `,
  styleUrl: '../ui/toolbar.css',
  styles: `
    :host {
      display: grid;
      align-items: end;
      gap: 12px 16px;
      grid-template-columns: auto minmax(200px, 1fr);
    }

    :host:has(.part) {
      grid-template-columns: 1fr;
      justify-items: start;
    }

    .modes {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }

    .part {
      display: grid;
      width: 100%;
      align-items: end;
      gap: 12px;
      grid-template-columns: 1fr 1fr 48px;
    }

    .icon-button[disabled] {
      visibility: hidden;
    }

    @media (max-width: 599px) {
      :host {
        grid-template-columns: 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ContentFields {
  protected readonly words = { removeComponent: (component: number): string => $localize`Remove component ${component}` };

  protected readonly session = inject(BenchSession);
}
