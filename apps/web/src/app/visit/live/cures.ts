import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { CureBy } from '@hygromet/core/twin/estimate/cures';
import { Units } from '../../preferences/units.service';
import { cureDone, cureNames, durationText } from './live-labels';
import { LiveTransfer } from './live-transfer';

interface Row {
  readonly name: string;
  readonly head: string;
  readonly time: string;
  readonly averts: boolean;
  readonly by: CureBy;
}

/** What would avert a trip that is foreseen: each way with the head and the minutes that come of it. */
@Component({
  selector: 'hy-cures',
  template: `
    @if (rows(); as list) {
      <details>
        <summary i18n>Every way, with head and minutes</summary>
        <table>
          <thead>
            <tr>
              <th i18n scope="col">From now on</th>
              <th i18n scope="col" class="number">Highest head</th>
              <th i18n scope="col" class="number">It takes</th>
              <th scope="col"><span i18n class="unseen">Done</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of list; track row.name) {
              <tr [class.trips]="!row.averts">
                <th scope="row">{{ row.name }}</th>
                <td class="number">
                  {{ row.head }}
                </td>
                <td class="number">{{ row.time }}</td>
                <td class="number">
                  @if (row.by !== 'swap') {
                    <button type="button" class="button small" (click)="done(row.by)">{{ said[row.by] }}</button>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
      </details>
    }
  `,
  styleUrl: './live.css',
  styles: `
    :host {
      flex: 1 1 100%;
    }

    th,
    td {
      padding: 4px 8px 4px 0;
    }

    tbody th::first-letter {
      text-transform: uppercase;
    }

    td:last-child {
      padding-right: 0;
    }

    .trips th,
    .trips td {
      color: var(--ink-2);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Cures {
  protected readonly live = inject(LiveTransfer);
  protected readonly said = cureDone;
  private readonly units = inject(Units);
  protected readonly rows = computed((): readonly Row[] | undefined => {
    const outlook = this.live.outlook();
    return outlook === undefined || outlook.cures.length === 0
      ? undefined
      : outlook.cures.map((cure) => ({
          name: cureNames[cure.by],
          head:
            cure.tripS === undefined
              ? this.units.pressure(cure.headPa)
              : $localize`trips in ${durationText(cure.tripS - this.live.elapsed(), this.units)}`,
          time: this.time(cure.endS - outlook.end.t.likely),
          averts: cure.tripS === undefined,
          by: cure.by,
        }));
  });

  protected done = (by: CureBy): void => this.live.cured(by);

  private time(seconds: number): string {
    if (Math.abs(seconds) < LEAST_TOLD_S_SHOWN) return $localize`as long`;
    const text = durationText(Math.abs(seconds), this.units);
    return seconds > 0 ? $localize`${text} more` : $localize`${text} less`;
  }
}

/** Below it nobody would notice. */
const LEAST_TOLD_S_SHOWN = 45;
