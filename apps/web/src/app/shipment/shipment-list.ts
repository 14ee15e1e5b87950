import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';

import { RouterLink } from '@angular/router';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { amountText } from '../ui/amount';
import { dayWords } from '../ui/day';
import { valueOf } from '../ui/loadable';

/** What has left for the reclaimer, and which of it still waits for its receipt. */
@Component({
  selector: 'hy-shipment-list',
  imports: [RouterLink],
  template: `
    @if (rows().length > 0) {
      <h2 i18n>Shipments</h2>
      <ul>
        @for (row of rows(); track row.id) {
          <li>
            <a [routerLink]="['/cylinders/shipments', row.id]">{{ row.day }}, {{ row.to }}</a>
            <span class="second">{{ row.content }}</span>
            <span [class.open]="row.open">{{ row.state }}</span>
          </li>
        }
      </ul>
    }
  `,
  styles: `
    h2 {
      font-size: 18px;
    }

    li {
      display: grid;
      gap: 2px 16px;
      grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr) minmax(0, 1fr);
      padding: 8px 0;
      border-top: 1px solid var(--line);
    }

    .open {
      color: var(--caution);
      font-weight: 600;
    }

    @media (max-width: 699px) {
      li {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShipmentList {
  private readonly units = inject(Units);
  private readonly loaded = fromServer(inject(ServerData).shipments$);
  protected readonly rows = computed(() =>
    (valueOf(this.loaded()) ?? []).map(({ id, day, to, lines, receipt }) => {
      const names = lines.map(({ name }) => name).join(', ');
      const balance = (receipt?.lines ?? []).reduce((sum, { credit }) => sum + credit, 0) - (receipt?.charges ?? 0);
      return {
        id,
        to,
        day: dayWords(day),
        content: `${names}, ${this.units.massText(lines.reduce((sum, { massKg }) => sum + massKg, 0))}`,
        open: receipt === null,
        state:
          receipt === null
            ? $localize`no receipt yet`
            : balance === 0
              ? $localize`settled`
              : $localize`settled, ${amountText(balance, receipt.currency, this.units)}`,
      };
    }),
  );
}
