import { CdkMenu, CdkMenuGroup, CdkMenuItem, CdkMenuItemRadio, CdkMenuTrigger } from '@angular/cdk/menu';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Icon } from '../ui/icon';
import { ALL, type RackFilter, type RackView } from './rack-view';
import { shelvings, type Shelving } from './shelves';

/** The same as the toolbar in one row, for a thumb: find, filter, add; the rest in a menu. */
@Component({
  selector: 'hy-rack-bar',
  imports: [CdkMenu, CdkMenuGroup, CdkMenuItem, CdkMenuItemRadio, CdkMenuTrigger, Icon, RouterLink],
  template: `
    <div class="bar">
      <div class="find">
        <input
          type="search"
          placeholder="Find"
          i18n-placeholder
          aria-label="Find a cylinder"
          i18n-aria-label
          [value]="view().search"
          (input)="changed.emit({ search: $any($event.target).value })"
        />
        <a class="icon-button" routerLink="/scan" aria-label="Scan a label" i18n-aria-label><svg hyIcon="scan"></svg></a>
      </div>
      <button
        type="button"
        class="icon-button"
        aria-label="Filter"
        i18n-aria-label
        [attr.data-set]="filtered() ? '' : null"
        [cdkMenuTriggerFor]="filterMenu"
      >
        <svg hyIcon="filter"></svg>
      </button>
      <button type="button" class="icon-button" aria-label="More" i18n-aria-label [cdkMenuTriggerFor]="moreMenu">
        <svg hyIcon="more"></svg>
      </button>
      <a class="add" routerLink="/cylinders/new" aria-label="Add a cylinder" i18n-aria-label><svg hyIcon="add"></svg></a>
    </div>
    @if (filtered(); as filter) {
      <p class="told">
        {{ filter.name }} <button i18n type="button" class="link" (click)="changed.emit({ filter: all })">Show all</button>
      </p>
    }
    <ng-template #filterMenu>
      <div class="menu" cdkMenu aria-label="Filter" i18n-aria-label>
        <div cdkMenuGroup>
          @for (filter of filters(); track filter.id) {
            <button
              type="button"
              cdkMenuItemRadio
              [class.grave]="filter.grave"
              [cdkMenuItemChecked]="filter.id === view().filter"
              (cdkMenuItemTriggered)="changed.emit({ filter: filter.id })"
            >
              {{ filter.name }}
            </button>
          }
        </div>
      </div>
    </ng-template>
    <ng-template #moreMenu>
      <div class="menu" cdkMenu aria-label="More" i18n-aria-label>
        <div cdkMenuGroup aria-label="Show as" i18n-aria-label>
          <button
            i18n
            type="button"
            cdkMenuItemRadio
            [cdkMenuItemChecked]="view().as === 'table'"
            (cdkMenuItemTriggered)="changed.emit({ as: 'table' })"
          >
            As a table
          </button>
          @for (entry of shelvings; track entry[0]) {
            <button
              i18n
              type="button"
              cdkMenuItemRadio
              [cdkMenuItemChecked]="view().as === 'rack' && view().by === entry[0]"
              (cdkMenuItemTriggered)="changed.emit({ as: 'rack', by: entry[0] })"
            >
              Rack {{ entry[1] }}
            </button>
          }
        </div>
        <hr />
        <button i18n type="button" cdkMenuItem (cdkMenuItemTriggered)="go('/cylinders/weigh-in')">Cylinder weigh-in</button>
        <button i18n type="button" cdkMenuItem (cdkMenuItemTriggered)="chooses.emit()">Select multiple</button>
        <button i18n type="button" cdkMenuItem (cdkMenuItemTriggered)="go('/cylinders/import')">Import</button>
        <button i18n type="button" cdkMenuItem (cdkMenuItemTriggered)="exported.emit('csv')">Export as CSV</button>
        <button i18n type="button" cdkMenuItem (cdkMenuItemTriggered)="exported.emit('json')">Export as JSON</button>
      </div>
    </ng-template>
  `,
  styleUrls: ['../ui/toolbar.css', '../ui/menu.css', './rack-bar.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RackBar {
  private readonly router = inject(Router);
  readonly view = input.required<RackView>();
  readonly filters = input.required<readonly RackFilter[]>();
  readonly changed = output<Partial<RackView>>();
  readonly chooses = output();
  readonly exported = output<'csv' | 'json'>();
  protected readonly all = ALL;
  protected readonly shelvings = Object.entries(shelvings) as readonly (readonly [Shelving, string])[];
  protected readonly filtered = computed(() => this.filters().find(({ id }) => id === this.view().filter && id !== ALL));

  protected go(page: string): void {
    void this.router.navigateByUrl(page);
  }
}
