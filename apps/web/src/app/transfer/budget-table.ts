import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { BudgetTerm, StopWeight } from '@hygromet/core/cylinder/stop-weight';
import data from '@hygromet/core/cylinder/stop-budget.json';
import type { MassUnit } from '@hygromet/core/units/mass';
import { SEEN_KG } from '@hygromet/core/cylinder/scale-tolerance';
import { Units } from '../preferences/units.service';

const names: Readonly<Record<BudgetTerm, readonly [string, string]>> = {
  density: [$localize`Density`, $localize`equation of state, ±${100 * data.densityShare} %`],
  capacity: [$localize`Water capacity`, `stamp, ±${100 * data.capacityShare} %`],
  tare: [$localize`Tare`, $localize`stamped to 0.1 lb`],
  scale: [$localize`Scale`, $localize`as entered, or as is usual for its size`],
  oil: [$localize`Oil`, $localize`takes room without weighing as much`],
  drift: [$localize`Drift`, $localize`first vapor of the blend is lighter`],
  hose: [$localize`Hose`, $localize`liquid that still runs in`],
};

/** From the limit to the reading at which the valve is shut: each part with its share. */
@Component({
  selector: 'hy-budget-table',
  template: `
    <table>
      <caption i18n>
        From the limit to the stop
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ shutAt().limit.name }}</th>
          <td class="number">{{ gross() }}</td>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.term) {
          <tr>
            <th scope="row">
              {{ row.name }} <span class="small">{{ row.why }}</span>
            </th>
            <td class="number">− {{ row.kg }}</td>
          </tr>
        }
      </tbody>
      <tfoot>
        <tr>
          <th i18n scope="row">Close the valve at</th>
          <td class="number">{{ stop() }}</td>
        </tr>
      </tfoot>
    </table>
    <p i18n class="small">
      Density, capacity, tare and scale are independent: their squares add up, and the stop is the lower end of the 95 % range. The rest is
      taken off in full. {{ source }}.
    </p>
  `,
  styles: `
    :host {
      display: block;
      margin-top: 20px;
    }

    table {
      width: 100%;
      border-collapse: collapse;
      font-variant-numeric: tabular-nums;
    }

    caption {
      padding-bottom: 6px;
      text-align: left;
      font-weight: 600;
    }

    th {
      text-align: left;
      font-weight: 450;
    }

    th,
    td {
      padding: 5px 0;
      border-top: 1px solid var(--line);
    }

    .number {
      text-align: right;
      white-space: nowrap;
    }

    thead th,
    thead td {
      border-top: 0;
    }

    tfoot th,
    tfoot td {
      border-top: 2px solid var(--ink);
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BudgetTable {
  readonly shutAt = input.required<StopWeight>();
  readonly unit = input.required<MassUnit>();
  private readonly units = inject(Units);
  protected readonly source = $localize`Widths: ${data.source.split(';')[0]}`;

  protected readonly gross = computed(() => this.units.massText(this.shutAt().limit.gross, 'down', this.unit()));
  protected readonly stop = computed(() => this.units.massText(this.shutAt().gross, 'down', this.unit()));
  protected readonly rows = computed(() =>
    this.shutAt()
      .budget.filter(({ kg }) => kg > SEEN_KG)
      .map(({ term, kg }) => ({ term, name: names[term][0], why: names[term][1], kg: this.units.massText(kg, 'nearest', this.unit()) })),
  );
}
