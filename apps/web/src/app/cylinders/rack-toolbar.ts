import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Icon } from '../ui/icon';
import { ListAfterPaint } from '../ui/list-after-paint';
import type { RackFilter, RackView } from './rack-view';
import { shelvings } from './shelves';

/** What of the rack is shown, in full: where a page is wide enough. */
@Component({
  selector: 'hy-rack-toolbar',
  imports: [Icon, ListAfterPaint, RouterLink],
  template: `
    <div class="toolbar">
      <input
        class="search"
        type="search"
        placeholder="Find by number, stamp, refrigerant"
        i18n-placeholder
        aria-label="Find a cylinder"
        i18n-aria-label
        [value]="view().search"
        (input)="changed.emit({ search: $any($event.target).value })"
      />
      @for (filter of filters(); track filter.id) {
        <button
          type="button"
          class="chip"
          [class.grave]="filter.grave"
          [attr.aria-pressed]="view().filter === filter.id"
          (click)="changed.emit({ filter: filter.id })"
        >
          {{ filter.name }}
        </button>
      }
      <div class="push">
        @if (view().as === 'rack') {
          <select
            class="shelving"
            aria-label="Shelves"
            i18n-aria-label
            [value]="view().by"
            (change)="changed.emit({ by: $any($event.target).value })"
          >
            @for (entry of shelvings; track entry[0]) {
              <option [value]="entry[0]" [selected]="entry[0] === view().by">{{ entry[1] }}</option>
            }
          </select>
        }
        <button
          type="button"
          class="icon-button"
          aria-label="Show the rack"
          i18n-aria-label
          [attr.aria-pressed]="view().as === 'rack'"
          (click)="changed.emit({ as: 'rack' })"
        >
          <svg hyIcon="rack"></svg>
        </button>
        <button
          type="button"
          class="icon-button"
          aria-label="Show a table"
          i18n-aria-label
          [attr.aria-pressed]="view().as === 'table'"
          (click)="changed.emit({ as: 'table' })"
        >
          <svg hyIcon="table"></svg>
        </button>
        <button i18n type="button" class="button small" [attr.aria-pressed]="choosing()" (click)="chooses.emit()">Select multiple</button>
        <a i18n class="button small" routerLink="/cylinders/import">Import</a>
        <button
          type="button"
          class="button small"
          aria-label="Export these cylinders as CSV"
          i18n-aria-label
          (click)="exported.emit('csv')"
        >
          <svg hyIcon="export"></svg><ng-container i18n>CSV </ng-container>
        </button>
        <button
          type="button"
          class="button small"
          aria-label="Export these cylinders as JSON"
          i18n-aria-label
          (click)="exported.emit('json')"
        >
          <svg hyIcon="export"></svg><ng-container i18n>JSON </ng-container>
        </button>
      </div>
    </div>
  `,
  styleUrl: '../ui/toolbar.css',
  styles: `
    .shelving {
      min-height: 48px;
      padding: 0 10px;
      border: 1.5px solid var(--line-strong);
      border-radius: var(--radius);
      background: transparent;
      font-size: 16px;
      font-weight: 600;
    }

    .shelving option {
      background: var(--sheet);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RackToolbar {
  readonly view = input.required<RackView>();
  readonly filters = input.required<readonly RackFilter[]>();
  readonly choosing = input.required<boolean>();
  readonly changed = output<Partial<RackView>>();
  readonly chooses = output();
  readonly exported = output<'csv' | 'json'>();
  protected readonly shelvings = Object.entries(shelvings);
}
