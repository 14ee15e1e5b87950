import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Units } from '../preferences/units.service';
import { BigNumber } from '../ui/big-number';
import { Caution } from '../ui/caution';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { RefrigerantField } from '../ui/refrigerant-field';
import { BenchRun } from './bench-run';
import { BenchSession } from './bench.session';
import { ContentFields } from './content-fields';
import { LeadField, type Rail } from './lead-field';
import { MeasuredPair } from './measured-pair';
import { PointsTable } from './points-table';
import { PressureChart } from './pressure-chart';

/** K: less than a thermometer tells is not named. */
const SMALLEST_GLIDE = 0.05;

/** Saturation of anything that can be in a cylinder, and what a gauge says about it. Nothing here touches the ledger. */
@Component({
  selector: 'hy-bench-page',
  imports: [BenchRun, BigNumber, Caution, ContentFields, LeadField, MeasuredPair, PageHead, PointsTable, PressureChart, RefrigerantField],
  providers: [BenchSession],
  templateUrl: './bench.page.html',
  styleUrls: ['../ui/columns.css', './bench.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchPage {
  protected readonly session = inject(BenchSession);
  protected readonly units = inject(Units);
  protected readonly smallestGlide = SMALLEST_GLIDE;

  protected readonly points = computed(() => valueOf(this.session.points()));
  protected readonly lines = computed(() => valueOf(this.session.lines()));
  protected readonly labelLines = computed(() => (this.session.draft().label === null ? undefined : valueOf(this.session.labelLines())));
  protected readonly refused = computed(() => {
    const asked = [this.session.points(), this.session.lines()].find(({ state }) => state === 'failed');
    return asked?.state === 'failed' ? asked.sentence : undefined;
  });
  protected readonly asks = () =>
    this.session.draft().mode === 'mixture'
      ? 'Choose what came together and weigh each part: at least two.'
      : 'Choose a refrigerant, and a temperature or a pressure.';

  protected readonly pressure = computed(() => this.units.pressureShown(this.points()?.bubble.p ?? 0));
  protected readonly temperature = computed(() => this.units.temperatureShown(this.points()?.bubble.T ?? 0));

  private readonly ends = computed(() => {
    const lines = this.lines();
    const [coldest, hottest, lowest, highest] = [lines?.T[0], lines?.T.at(-1), lines?.pBubble[0], lines?.pBubble.at(-1)];
    if (coldest === undefined || hottest === undefined || lowest === undefined || highest === undefined) return undefined;
    return { coldest, hottest, lowest, highest };
  });
  protected readonly temperatureRail = computed((): Rail | undefined => {
    const ends = this.ends();
    if (ends === undefined) return undefined;
    const T = this.points()?.bubble.T ?? ends.coldest;
    const [from, to] = [this.units.temperature(ends.coldest), this.units.temperature(ends.hottest)];
    return { min: ends.coldest, max: ends.hottest, step: 0.1, value: T, text: this.units.temperature(T, 1), from, to };
  });
  /** Along the logarithm: a pressure is dragged as evenly at its low end as at its high one. */
  protected readonly pressureRail = computed((): Rail | undefined => {
    const ends = this.ends();
    if (ends === undefined) return undefined;
    const p = this.points()?.bubble.p ?? ends.lowest;
    const [from, to] = [this.units.pressure(ends.lowest), this.units.pressure(ends.highest)];
    return {
      min: Math.log(ends.lowest),
      max: Math.log(ends.highest),
      step: 0.001,
      value: Math.log(p),
      text: this.units.pressure(p),
      from,
      to,
    };
  });
  protected movePressure = (ln: number): void => this.session.leadPressure(Math.exp(ln));

  protected readonly here = computed(() => {
    const at = this.points();
    return at === undefined ? [] : [at.bubble, at.dew];
  });
  protected readonly chartText = computed(() => {
    const [at, name] = [this.points(), this.session.name()];
    return at === undefined
      ? `Bubble and dew line of ${name}`
      : `Bubble and dew line of ${name}; at ${this.units.temperature(at.bubble.T, 1)} it boils under ${this.units.pressure(at.bubble.p)}`;
  });

  protected readonly comparison = computed(() => {
    const [own, label, name] = [this.points(), valueOf(this.session.labelPoints()), this.session.draft().label];
    if (own === undefined || label === undefined || name === null) return undefined;
    if (this.session.draft().lead === 'pressure') {
      const step = own.bubble.T - label.bubble.T;
      return `Under ${this.units.pressure(own.bubble.p)} it boils ${this.units.temperatureStep(Math.abs(step))} ${step < 0 ? 'below' : 'above'} ${name}.`;
    }
    const step = own.bubble.p - label.bubble.p;
    return `At ${this.units.temperature(own.bubble.T, 1)} it reads ${this.units.pressureStep(Math.abs(step))} ${step < 0 ? 'below' : 'above'} ${name}, which reads ${this.units.pressure(label.bubble.p)}.`;
  });
}
