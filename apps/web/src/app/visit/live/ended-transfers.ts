import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { TransferTrace, VisitTransfer } from '@hygromet/contract/visit-transfer';
import { Units } from '../../preferences/units.service';
import { clockText } from '../../ui/day';
import { saveCsv, saveJson } from '../../ui/save-file';
import { LiveTransfer } from './live-transfer';
import { purgedKg } from './live-figures';
import { durationText } from './live-labels';
import { traceRows, traceSenml } from './transfer-files';

const [WIDTH, HEIGHT] = [240, 44];

/** Transfers of this visit that were followed, each with its trace and what was foretold. */
@Component({
  selector: 'hy-ended-transfers',
  template: `
    @if (live.ended().length > 0) {
      <section aria-label="Transfers that were followed">
        <h3>Followed</h3>
        <table>
          <thead>
            <tr>
              <th scope="col">Began</th>
              <th scope="col">Weight over time</th>
              <th scope="col" class="number">Moved</th>
              <th scope="col" class="number">Foretold</th>
              <th scope="col"><span class="unseen">Files</span></th>
            </tr>
          </thead>
          <tbody>
            @for (item of live.ended(); track item.id) {
              <tr>
                <td>{{ clock(item) }}, {{ lasted(item) }}</td>
                <td>
                  <svg [attr.viewBox]="box" role="img" [attr.aria-label]="'From ' + start(item) + ' to ' + end(item)">
                    <path [attr.d]="way(item)" />
                  </svg>
                </td>
                <td class="number">
                  {{ moved(item) }}
                  @if (purged(item); as text) {
                    <br /><span class="second">{{ text }}</span>
                  }
                </td>
                <td class="number">{{ foretold(item) }}</td>
                <td class="number">
                  <button type="button" class="link" (click)="csv(item)">CSV</button>
                  <button type="button" class="link" (click)="senml(item)">SenML</button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </section>
    }
  `,
  styles: `
    path {
      fill: none;
      stroke: var(--liquid);
      stroke-width: 2.4;
    }

    svg {
      max-width: 240px;
    }

    .link {
      min-height: 44px;
      padding: 0 6px;
    }
  `,
  styleUrl: './live.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EndedTransfers {
  protected readonly live = inject(LiveTransfer);
  private readonly units = inject(Units);
  protected readonly box = `0 0 ${WIDTH} ${HEIGHT}`;
  protected clock = ({ begunAt }: VisitTransfer): string => clockText(Date.parse(begunAt));
  protected lasted = ({ ended }: VisitTransfer): string => durationText(ended?.finish.trace.t.at(-1) ?? 0, this.units);
  protected start = ({ setUp }: VisitTransfer): string => this.units.massText(setUp.startGrossKg);
  protected end = ({ ended }: VisitTransfer): string => this.units.massText(ended?.finish.endGrossKg ?? 0);
  protected moved = ({ setUp, ended }: VisitTransfer): string => this.units.massText((ended?.finish.endGrossKg ?? 0) - setUp.startGrossKg);
  protected foretold = ({ setUp, ended }: VisitTransfer): string => {
    const gross = ended?.finish.foretoldGrossKg;
    return gross === null || gross === undefined ? '–' : this.units.massText(gross - setUp.startGrossKg);
  };
  protected purged = (entry: VisitTransfer): string => {
    const kg = purgedKg(entry);
    return kg === undefined ? '' : `${this.units.massText(kg)} by the purge`;
  };
  protected csv = (entry: VisitTransfer): void => saveCsv(`transfer-${entry.begunAt.slice(0, 10)}.csv`, traceRows(entry));
  protected senml = (entry: VisitTransfer): void => saveJson(`transfer-${entry.begunAt.slice(0, 10)}.senml.json`, traceSenml(entry));

  protected way({ ended, setUp }: VisitTransfer): string {
    const trace: TransferTrace | undefined = ended?.finish.trace;
    if (trace === undefined) return '';
    const points = trace.t.flatMap((t, k) => (trace.grossKg[k] === null ? [] : [{ t, kg: trace.grossKg[k]! }]));
    const most = Math.max(...points.map(({ kg }) => kg), setUp.startGrossKg + 0.01);
    const x = (t: number) => (WIDTH * t) / Math.max(1, trace.t.at(-1) ?? 1);
    const y = (kg: number) => HEIGHT - 3 - ((HEIGHT - 6) * (kg - setUp.startGrossKg)) / (most - setUp.startGrossKg);
    return points.map(({ t, kg }, k) => `${k === 0 ? 'M' : 'L'}${x(t).toFixed(1)} ${y(kg).toFixed(1)}`).join('');
  }
}
