import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Run } from '@hygromet/contract/visit-record';
import { readingsFrom } from '@hygromet/contract/running-readings';
import type { SeasonRow } from '@hygromet/core/cycle/seasons';
import type { Composition } from '@hygromet/core/fluids/composition';
import { coreQuery } from '../../core-worker/core-query';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { Units } from '../../preferences/units.service';
import { momentText } from '../../ui/day';
import { valueOf } from '../../ui/loadable';

const MOST_SHOWN_COUNT = 6;

/** The checks of this unit beside each other: what was read, and what it should have read in that weather. */
@Component({
  selector: 'hy-season-table',
  template: `
    @if (lines(); as all) {
      <section aria-label="This unit, from season to season" i18n-aria-label>
        <h3 i18n>This unit, from season to season</h3>
        <table>
          <thead>
            <tr>
              <th i18n scope="col">When</th>
              <th i18n scope="col" class="number">outdoors</th>
              <th i18n scope="col" class="number">superheat</th>
              <th i18n scope="col" class="number">subcooling</th>
              <th i18n scope="col" class="number">charge</th>
            </tr>
          </thead>
          <tbody>
            @for (line of all; track line.at) {
              <tr>
                <th scope="row">{{ line.when }}</th>
                <td class="number">{{ line.outdoors }}</td>
                <td class="number">
                  {{ line.superheat.read }}<small>{{ line.superheat.band }}</small>
                </td>
                <td class="number">
                  {{ line.subcooling.read }}<small>{{ line.subcooling.band }}</small>
                </td>
                <td class="number">{{ line.charge }}</td>
              </tr>
            }
          </tbody>
        </table>
        <p i18n class="second">Small: what it should have read in the weather of that day. Raw readings of two seasons do not compare.</p>
      </section>
    }
  `,
  styleUrl: '../stages/stage.css',
  styles: `
    small {
      display: block;
      color: var(--ink-2);
      font-size: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SeasonTable {
  readonly composition = input.required<Composition>();
  /** Of this unit, of all visits, the oldest first. */
  readonly runs = input.required<readonly Run[]>();
  private readonly units = inject(Units);

  private readonly shown = computed(() => this.runs().slice(-MOST_SHOWN_COUNT));
  private readonly computed = coreQuery(
    inject(CoreWorker),
    'seasons',
    computed(() => {
      const composition = this.composition();
      if (this.shown().length < 2) return undefined;
      return {
        checks: this.shown().map(({ unit, conditions, readings }) => ({
          plate: { ...unit, composition },
          conditions,
          readings: readingsFrom(readings),
        })),
      };
    }),
  );
  protected readonly lines = computed(() => {
    const [rows, shown] = [valueOf(this.computed()), this.shown()];
    if (rows === undefined || rows.length !== shown.length || rows.length < 2) return undefined;
    return shown
      .map(({ at, conditions, chargeShare }, k) => ({
        at,
        when: momentText(at),
        outdoors: this.units.temperature(conditions.outdoorK),
        superheat: this.told(rows[k]!.superheat),
        subcooling: this.told(rows[k]!.subcooling),
        charge:
          chargeShare === null ? $localize`not told` : `${chargeShare > 1 ? '+' : ''}${this.units.decimal(100 * (chargeShare - 1), 0)} %`,
      }))
      .reverse();
  });

  private told({ read, band }: SeasonRow['superheat']): { readonly read: string; readonly band: string } {
    const degrees = (K: number) => this.units.decimal(K / this.units.kelvinsInADegree(), 0);
    return {
      read: read === undefined ? $localize`not read` : this.units.temperatureStep(read),
      band: band === undefined ? '' : $localize`${degrees(band.low)} to ${degrees(band.high)}`,
    };
  }
}
