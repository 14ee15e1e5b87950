import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { VisitTransfer } from '@hygromet/contract/visit-transfer';
import { Units } from '../../preferences/units.service';
import { clockText } from '../../ui/day';
import { LiveTransfer } from './live-transfer';
import { purgedKg } from './live-figures';
import { durationText } from './live-labels';
import { saveTrace } from './transfer-files';
import { TransferTrace } from './transfer-trace';

/** Transfers of this visit that were followed, each with its trace and what was foretold. */
@Component({
  selector: 'hy-ended-transfers',
  imports: [TransferTrace],
  template: `
    @if (live.ended().length > 0) {
      <section aria-label="Transfers that were followed" i18n-aria-label>
        <h3 i18n>Followed</h3>
        <table>
          <thead>
            <tr>
              <th i18n scope="col">Began</th>
              <th i18n scope="col">Weight over time</th>
              <th i18n scope="col" class="number">Moved</th>
              <th i18n scope="col" class="number">Foretold</th>
              <th scope="col"><span i18n class="unseen">Files</span></th>
            </tr>
          </thead>
          <tbody>
            @for (item of live.ended(); track item.id) {
              <tr>
                <td>{{ clock(item) }}, {{ lasted(item) }}</td>
                <td>
                  <hy-transfer-trace [transfer]="item" />
                </td>
                <td class="number">
                  {{ moved(item) }}
                  @if (purged(item); as text) {
                    <br /><span class="second">{{ text }}</span>
                  }
                </td>
                <td class="number">{{ foretold(item) }}</td>
                <td class="number">
                  <button i18n type="button" class="link" (click)="save(item, 'csv')">CSV</button>
                  <button i18n type="button" class="link" (click)="save(item, 'senml')">SenML</button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </section>
    }
  `,
  styles: `
    hy-transfer-trace {
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
  protected clock = ({ begunAt }: VisitTransfer): string => clockText(Date.parse(begunAt));
  protected lasted = ({ ended }: VisitTransfer): string => durationText(ended?.finish.trace.t.at(-1) ?? 0, this.units);
  protected moved = ({ setUp, ended }: VisitTransfer): string => this.units.massText((ended?.finish.endGrossKg ?? 0) - setUp.startGrossKg);
  protected foretold = ({ setUp, ended }: VisitTransfer): string => {
    const gross = ended?.finish.foretoldGrossKg;
    return gross === null || gross === undefined ? '–' : this.units.massText(gross - setUp.startGrossKg);
  };
  protected purged = (entry: VisitTransfer): string => {
    const kg = purgedKg(entry);
    return kg === undefined ? '' : $localize`${this.units.massText(kg)} by the purge`;
  };
  protected readonly save = saveTrace;
}
