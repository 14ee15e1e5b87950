import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Composition } from '@hygromet/core/fluids/composition';
import type { HoldMeta } from '@hygromet/core/proof/trace';
import { usualHold } from '@hygromet/core/proof/usual-test';
import { coreQuery } from '../../core-worker/core-query';
import type { HoldLimitArgs, SeenLimit } from '../../core-worker/proof-operations';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { Units } from '../../preferences/units.service';
import { valueOf } from '../../ui/loadable';
import { comeBackText } from './come-back';
import { percentPerHour, yearlyText } from './prove-labels';
import { Computing } from '../../ui/computing';

const SHORT = [
  { s: 900, name: '15 min' },
  { s: 3600, name: '1 h' },
];
const OVERNIGHT = { s: 57_600, name: 'overnight' };

/** What a hold will see before it is started, and what would make it see more. */
@Component({
  selector: 'hy-hold-sees',
  imports: [Computing],
  template: `
    @if (rows().length > 0) {
      <table>
        <caption i18n class="unseen">
          The smallest leak that the hold finds, per cent an hour
        </caption>
        <thead>
          <tr>
            <th i18n scope="col">What this hold can see, % per hour</th>
            @for (entry of durations(); track entry.name) {
              <th scope="col" class="number">{{ entry.name }}</th>
            }
          </tr>
        </thead>
        <tbody [hyComputing]="asSet()">
          @for (row of rows(); track row.name; let first = $first) {
            <tr [class.rules]="first">
              <th scope="row">
                <b>{{ row.name }}</b> <span class="small">{{ row.note }}</span>
              </th>
              @for (entry of row.cells; track $index) {
                <td class="number" [class.enough]="entry.enough">{{ entry.text }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
      <p i18n class="small">Soap and a detector see less at one place: a hold never replaces them.</p>
    }
  `,
  styleUrl: './hold-sees.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldSees {
  readonly meta = input.required<HoldMeta>();
  readonly composition = input.required<Composition>();
  /** Share an hour that is asked for. */
  readonly asked = input.required<number>();
  /** When somebody comes back to read it. */
  readonly until = input<Date | undefined>();
  private readonly units = inject(Units);
  private readonly properties = inject(CoreWorker);
  protected readonly durations = computed(() => {
    const until = this.until();
    const s = until === undefined ? 0 : Math.round((until.getTime() - Date.now()) / 1000);
    return [...SHORT, until === undefined || s <= 3600 ? OVERNIGHT : { s, name: $localize`until ${comeBackText(until)}` }];
  });
  private readonly base = computed((): HoldLimitArgs => ({
    meta: this.meta(),
    durationsS: this.durations().map(({ s }) => s),
    composition: this.composition(),
  }));
  private readonly variant = (change: (meta: HoldMeta) => Partial<HoldMeta>) =>
    coreQuery(
      this.properties,
      'holdLimit',
      computed(() =>
        Object.keys(this.composition()).length === 0 ? undefined : { ...this.base(), meta: { ...this.meta(), ...change(this.meta()) } },
      ),
    );
  protected readonly asSet = this.variant(() => ({}));
  private readonly clamped = this.variant(() => ({ thermometers: ['air', 'pipe'] }));
  private readonly waited = this.variant(({ secondsSinceFilling }) => ({ secondsSinceFilling: secondsSinceFilling + usualHold.waitS }));

  protected readonly rows = computed(() => {
    const asSet = valueOf(this.asSet());
    if (asSet === undefined) return [];
    const last = asSet.at(-1);
    const inYears =
      last === undefined ? '' : `${this.durations().at(-1)!.name} ${yearlyText(last.refrigerantKgPerYear, this.units)} a year`;
    return [
      { name: $localize`as it is set up`, note: inYears, cells: this.cells(asSet) },
      ...this.better($localize`with a clamp on the pipe`, valueOf(this.clamped()), asSet),
      ...this.better($localize`half an hour later`, valueOf(this.waited()), asSet),
    ];
  });

  private better(name: string, limits: readonly SeenLimit[] | undefined, than: readonly SeenLimit[]) {
    const helps = limits?.some((limit, k) => limit.lossPerHour < 0.93 * (than[k]?.lossPerHour ?? 0)) ?? false;
    return helps && limits !== undefined ? [{ name, note: '', cells: this.cells(limits) }] : [];
  }

  private cells = (limits: readonly SeenLimit[]) =>
    limits.map(({ lossPerHour }) => ({ text: percentPerHour(lossPerHour, this.units), enough: lossPerHour <= this.asked() }));
}
