import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Units } from '../preferences/units.service';
import { BigNumber } from '../ui/big-number';
import { Caution } from '../ui/caution';
import { isStale, valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { readQuantity } from '../ui/quantity-entry';
import { QuantityField } from '../ui/quantity-field';
import { RefrigerantField } from '../ui/refrigerant-field';
import { BenchRun } from './bench-run';
import { BenchSession } from './bench.session';
import { ContentFields } from './content-fields';
import { MeasuredPair } from './measured-pair';
import { PointsTable } from './points-table';
import { PressureChart } from './pressure-chart';
import { Computing } from '../ui/computing';

/** K: less than a thermometer tells is not named. */
const SMALLEST_GLIDE_SHOWN = 0.05;

/** Saturation of anything that can be in a cylinder, and what a gauge says about it. Nothing here touches the ledger. */
@Component({
  selector: 'hy-bench-page',
  imports: [
    Computing,
    BenchRun,
    BigNumber,
    Caution,
    ContentFields,
    MeasuredPair,
    PageHead,
    PointsTable,
    PressureChart,
    QuantityField,
    RefrigerantField,
  ],
  providers: [BenchSession],
  templateUrl: './bench.page.html',
  styleUrls: ['../ui/columns.css', './bench.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchPage {
  protected readonly session = inject(BenchSession);
  protected readonly units = inject(Units);
  protected readonly smallestGlide = SMALLEST_GLIDE_SHOWN;

  protected readonly points = computed(() => valueOf(this.session.points()));
  protected readonly stale = computed(() => isStale(this.session.points()));
  protected readonly lines = computed(() => valueOf(this.session.lines()));
  protected readonly labelLines = computed(() => (this.session.draft().label === null ? undefined : valueOf(this.session.labelLines())));
  protected readonly refused = computed(() => {
    const asked = [this.session.points(), this.session.lines()].find(({ state }) => state === 'failed');
    return asked?.state === 'failed' ? asked.sentence : undefined;
  });
  protected readonly asks = () =>
    this.session.draft().mode === 'mixture'
      ? $localize`Choose what came together and weigh each part: at least two.`
      : $localize`Choose a refrigerant, and a temperature or a pressure.`;

  protected readonly pressure = computed(() => this.units.pressureShown(this.points()?.bubble.p ?? 0));
  protected readonly temperature = computed(() => this.units.temperatureShown(this.points()?.bubble.T ?? 0));

  protected readonly here = computed(() => {
    const at = this.points();
    return at === undefined ? [] : [at.bubble, at.dew];
  });
  /** From what the field has now: its answer may still be on its way. */
  protected step(kelvins: number): void {
    const [now, T] = [readQuantity('temperature', this.session.temperature()), this.lines()?.T ?? []];
    const [coldest, hottest] = [T[0], T.at(-1)];
    if (coldest === undefined || hottest === undefined) return;
    const from = now.state === 'good' ? now.si : coldest;
    this.session.leadTemperature(Math.min(hottest, Math.max(coldest, from + kelvins)));
  }

  protected readonly comparison = computed(() => {
    const [subject, label, name] = [this.points(), valueOf(this.session.labelPoints()), this.session.draft().label];
    if (subject === undefined || label === undefined || name === null) return undefined;
    if (this.session.draft().lead === 'pressure') {
      const step = subject.bubble.T - label.bubble.T;
      return $localize`Under ${this.units.pressure(subject.bubble.p)} it boils ${this.units.temperatureStep(Math.abs(step))} ${step < 0 ? $localize`below` : $localize`above`} ${name}.`;
    }
    const step = subject.bubble.p - label.bubble.p;
    return $localize`At ${this.units.temperature(subject.bubble.T, 1)} it reads ${this.units.pressureStep(Math.abs(step))} ${step < 0 ? $localize`below` : $localize`above`} ${name}, which reads ${this.units.pressure(label.bubble.p)}.`;
  });
}
