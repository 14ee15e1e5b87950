import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Units } from '../preferences/units.service';
import { contentName, monthText, placeNames, stateWords } from './cylinder-labels';

/** The rack as a table, each column sorted by a tap on its head. */
@Component({
  selector: 'hy-cylinder-table',
  imports: [NzTableModule, RouterLink],
  template: `
    <nz-table
      #table
      [nzData]="cylinders()"
      [nzFrontPagination]="false"
      [nzShowPagination]="false"
      [nzVirtualItemSize]="rowHeight"
      [nzVirtualForTrackBy]="byId"
      [nzScroll]="{ x: '880px', y: height() }"
    >
      <thead>
        <tr>
          @if (chosen() !== undefined) {
            <th nzWidth="56px"><span i18n class="unseen">Chosen</span></th>
          }
          @for (column of columns; track column.name) {
            <th [nzSortFn]="column.sort" [nzAlign]="column.number ? 'right' : 'left'" [nzWidth]="column.width ?? null">
              {{ column.name }}
            </th>
          }
        </tr>
      </thead>
      <tbody>
        <ng-template nz-virtual-scroll let-c>
          <tr>
            @if (chosen(); as some) {
              <td>
                <input
                  type="checkbox"
                  [attr.aria-label]="spoken.chooseNamed(c.name)"
                  [checked]="some.has(c.id)"
                  (change)="picked.emit(c.id)"
                />
              </td>
            }
            <td>
              <a [routerLink]="['/cylinders', c.id]">{{ c.name }}</a>
            </td>
            <td>{{ content(c) }}</td>
            <td>{{ place(c) }}</td>
            <td class="number">{{ units.massText(c.contentKg) }}</td>
            <td class="number">{{ units.massText(c.tareKg) }}</td>
            <td class="number">{{ stop(c) }}</td>
            <td class="number">{{ month(c.validThrough) }}</td>
            <td [class.grave]="words(c).grave">{{ c.flags.length > 0 ? words(c).text : '' }}</td>
          </tr>
        </ng-template>
      </tbody>
    </nz-table>
  `,
  styles: `
    :host {
      display: block;
      padding: 8px var(--margin) 24px;
    }

    td {
      height: 55px;
      white-space: nowrap;
    }

    .grave {
      color: var(--danger);
      font-weight: 700;
    }

    input {
      width: 24px;
      height: 24px;
      accent-color: var(--act);
    }

    a {
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CylinderTable {
  protected readonly spoken = { chooseNamed: (name: string): string => $localize`Choose ${name}` };

  protected readonly units = inject(Units);
  readonly cylinders = input.required<readonly Cylinder[]>();
  /** Chosen cylinders; nothing while none are to be chosen. */
  readonly chosen = input<ReadonlySet<string> | undefined>();
  readonly picked = output<string>();
  protected readonly rowHeight = ROW_HEIGHT_PX;
  /** As high as its rows, and at most as the window leaves room for: of thousands only what is seen is in the page. */
  protected readonly height = computed(() => `min(${this.cylinders().length * ROW_HEIGHT_PX + 2}px, calc(100dvh - 240px))`);
  protected readonly byId = (_: number, { id }: Cylinder): string => id;

  protected readonly columns: readonly { name: string; number: boolean; width?: string; sort: (a: Cylinder, b: Cylinder) => number }[] = [
    { name: $localize`Cylinder`, number: false, sort: (a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }) },
    { name: $localize`Content`, number: false, sort: (a, b) => contentName(a).localeCompare(contentName(b), undefined, { numeric: true }) },
    { name: $localize`Place`, number: false, sort: (a, b) => a.place.localeCompare(b.place) },
    { name: $localize`Net`, number: true, sort: (a, b) => a.contentKg - b.contentKg },
    { name: $localize`Tare`, number: true, sort: (a, b) => a.tareKg - b.tareKg },
    { name: $localize`Stop at`, number: true, sort: (a, b) => stopOf(a) - stopOf(b) },
    { name: $localize`Retest by`, number: true, sort: (a, b) => a.validThrough.localeCompare(b.validThrough) },
    { name: $localize`Needs attention`, number: false, width: '230px', sort: (a, b) => b.flags.length - a.flags.length },
  ];
  protected readonly content = contentName;
  protected readonly month = monthText;
  protected readonly place = (cylinder: Cylinder) => placeNames[cylinder.place];
  protected readonly words = (cylinder: Cylinder) => stateWords(cylinder, this.units);
  protected readonly stop = (cylinder: Cylinder) =>
    cylinder.fillStatus.state === 'limited' ? this.units.massText(cylinder.fillStatus.limitGrossKg, 'down') : '';
}

/** px; the rows of the table are that high. */
const ROW_HEIGHT_PX = 55;

const stopOf = ({ fillStatus }: Cylinder) => (fillStatus.state === 'limited' ? fillStatus.limitGrossKg : 0);
