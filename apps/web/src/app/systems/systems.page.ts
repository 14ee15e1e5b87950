import { SAME_WEIGHT_KG } from '@hygromet/core/cylinder/scale-tolerance';
import { ReadState } from '../shell/read-state';
import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';

import { RouterLink } from '@angular/router';
import type { System } from '@hygromet/contract/system';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Drafts } from '../data/draft.service';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { Icon } from '../ui/icon';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { systemKindNames } from './system-labels';

/** The register of systems: what stands on the plate, and what the ledger says is still in it. */
@Component({
  selector: 'hy-systems-page',
  imports: [ReadState, Icon, NzTableModule, PageHead, RouterLink],
  template: `
    <hy-page-head title="Systems" i18n-title [line]="line()">
      <a class="button main" routerLink="/systems/new"><svg hyIcon="add"></svg><ng-container i18n>Add a system</ng-container></a>
    </hy-page-head>
    <div class="toolbar">
      <input
        class="search"
        type="search"
        placeholder="Find by site, name, refrigerant"
        i18n-placeholder
        aria-label="Find a system"
        i18n-aria-label
        [value]="view().search"
        (input)="view.set({ search: $any($event.target).value })"
      />
      <a i18n class="button small push" routerLink="/systems/import">Import</a>
      <button type="button" class="button small" aria-label="Export these systems as CSV" i18n-aria-label (click)="export('csv')">
        <svg hyIcon="export"></svg><ng-container i18n>CSV </ng-container>
      </button>
      <button type="button" class="button small" aria-label="Export these systems as JSON" i18n-aria-label (click)="export('json')">
        <svg hyIcon="export"></svg><ng-container i18n>JSON </ng-container>
      </button>
    </div>
    @switch (systems().state) {
      @default {
        <hy-read-state [of]="systems()" what="systems" i18n-what />
      }
      @case ('ready') {
        <div class="table">
          <nz-table
            #table
            [nzData]="shown()"
            [nzFrontPagination]="false"
            [nzShowPagination]="false"
            nzNoResult="No system matches."
            i18n-nzNoResult
            [nzScroll]="{ x: '820px' }"
          >
            <thead>
              <tr>
                @for (column of columns; track column.name) {
                  <th [nzSortFn]="column.sort" [nzAlign]="column.number ? 'right' : 'left'">{{ column.name }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (s of table.data; track s.id) {
                <tr>
                  <td>
                    <a [routerLink]="['/systems', s.id]"
                      ><b>{{ s.site }}</b></a
                    ><span class="small block">{{ s.name }}</span>
                  </td>
                  <td>{{ kind(s) }}</td>
                  <td>{{ s.refrigerant }}</td>
                  <td class="number">
                    {{ units.massText(s.nameplateKg)
                    }}<span i18n class="small block">{{ s.nameplateTyped?.text }} {{ s.nameplateTyped?.unit }} on the plate</span>
                  </td>
                  <td class="number">
                    {{ units.massText(s.contentKg) }}
                    @if (s.overdrawnByKg; as over) {
                      <span i18n class="small block over">{{ units.massText(over, 'up') }} more taken out than was in it</span>
                    } @else if (missing(s); as kg) {
                      <span class="small block">
                        @if (kg > 0) {
                          <ng-container i18n>{{ units.massText(kg) }} taken out</ng-container>
                        } @else {
                          <ng-container i18n>{{ units.massText(-kg) }} above the plate</ng-container>
                        }
                      </span>
                    }
                  </td>
                </tr>
              }
            </tbody>
          </nz-table>
        </div>
      }
    }
  `,
  styleUrl: '../ui/toolbar.css',
  styles: `
    .table {
      padding: 8px var(--margin) 24px;
    }

    .over {
      color: var(--danger);
    }

    .block {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SystemsPage {
  protected readonly units = inject(Units);
  protected readonly view = inject(Drafts).open('systems', () => ({ search: '' }), { view: true }).value;
  protected readonly systems = fromServer(inject(ServerData).systems$);
  private readonly all = computed(() => valueOf(this.systems()) ?? []);

  protected readonly line = computed(
    () =>
      $localize`${this.all().length} systems · ${this.units.massText(this.all().reduce((sum, { contentKg }) => sum + contentKg, 0))} on record`,
  );
  protected readonly shown = computed(() => {
    const wanted = this.view().search.trim().toLowerCase();
    return this.all().filter((system) =>
      [system.site, system.name, system.refrigerant, systemKindNames[system.kind]].join(' ').toLowerCase().includes(wanted),
    );
  });

  protected readonly columns: readonly { name: string; number: boolean; sort: (a: System, b: System) => number }[] = [
    { name: $localize`System`, number: false, sort: (a, b) => `${a.site} ${a.name}`.localeCompare(`${b.site} ${b.name}`) },
    { name: $localize`Kind`, number: false, sort: (a, b) => systemKindNames[a.kind].localeCompare(systemKindNames[b.kind]) },
    {
      name: $localize`Refrigerant`,
      number: false,
      sort: (a, b) => a.refrigerant.localeCompare(b.refrigerant, undefined, { numeric: true }),
    },
    { name: $localize`Nameplate`, number: true, sort: (a, b) => a.nameplateKg - b.nameplateKg },
    { name: $localize`In it now`, number: true, sort: (a, b) => a.contentKg - b.contentKg },
  ];
  protected readonly kind = ({ kind }: System) => systemKindNames[kind];
  /** Nameplate less content, where they differ. */
  protected readonly missing = ({ nameplateKg, contentKg }: System) =>
    Math.abs(nameplateKg - contentKg) > SAME_WEIGHT_KG ? nameplateKg - contentKg : undefined;

  protected async export(format: 'csv' | 'json'): Promise<void> {
    const [{ saveCsv, saveJson }, { systemSheet }] = await Promise.all([import('../ui/save-file'), import('../sheets/system-sheet')]);
    if (format === 'csv') {
      saveCsv('systems.csv', this.shown().map(systemSheet.write));
      return;
    }
    const records = this.shown().map(({ site, name, kind, refrigerant, nameplateKg, nameplateTyped, facts }) => ({
      site,
      name,
      kind,
      refrigerant,
      nameplateKg,
      ...(nameplateTyped === null ? {} : { nameplateTyped }),
      facts,
    }));
    saveJson('systems.json', records);
  }
}
