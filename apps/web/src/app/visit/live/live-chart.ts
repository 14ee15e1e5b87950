import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  Injector,
  signal,
  viewChild,
} from '@angular/core';
import type { Range } from '@hygromet/core/twin/estimate/outlook';
import { Units } from '../../preferences/units.service';
import { Theme } from '../../ui/theme';
import { secondsOf, type Read } from './live-figures';
import type { Corner, DrawnLive, LiveDrawing } from './live-chart-setup';
import { LiveTransfer } from './live-transfer';
import { cureNames } from './live-labels';

/** Minutes that are drawn at least. */
const LEAST_MINUTES_DRAWN = 10;
const MOST_COUNT = 600;

/** Head and suction as they were read, where the head is going with its range, the cut-out, and what cooling would change. */
@Component({
  selector: 'hy-live-chart',
  template: `
    <h3 i18n>Pressures, and where the head is going</h3>
    <div class="chart"><canvas #canvas role="img" [attr.aria-label]="text()"></canvas></div>
    <p i18n class="small">
      Forecast by plate, ledger, look and readings; the cut-out is that of a usual machine (common practice): read yours.
    </p>
  `,
  styles: `
    h3 {
      font-size: 16px;
    }

    .chart {
      position: relative;
      height: 220px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LiveChart {
  private readonly live = inject(LiveTransfer);
  private readonly units = inject(Units);
  private readonly theme = inject(Theme);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly chart = signal<DrawnLive | undefined>(undefined);

  private readonly drawing = computed((): LiveDrawing | undefined => {
    const [transfer, series] = [this.live.transfer(), this.live.series()];
    // with the valve shut nothing goes anywhere: hours of that would leave no room for what was read
    const outlook = this.live.valveShut() ? undefined : this.live.outlook();
    if (transfer === undefined || series === undefined) return undefined;
    const p = (value: number) => Math.max(0, this.units.pressureNumber(value));
    const read = (all: readonly Read[]): Corner[] => {
      const reads = all.filter(({ at }) => at >= Date.parse(transfer.begunAt));
      const every = Math.max(1, Math.ceil(reads.length / MOST_COUNT));
      return reads
        .filter((_, k) => k % every === 0 || k === reads.length - 1)
        .map(({ at, value }) => ({ x: secondsOf(transfer, at) / 60, y: p(value) }));
    };
    const coming = (of: (range: Range) => number): Corner[] =>
      outlook === undefined ? [] : outlook.t.map((t, k) => ({ x: t / 60, y: p(of(outlook.bands.headPa[k]!)) }));
    const cure = outlook?.trip === undefined ? undefined : outlook.cures.find(({ tripS }) => tripS === undefined);
    const cutOut = outlook === undefined ? Number.POSITIVE_INFINITY : p(outlook.cutOutPa);
    const [head, high] = [read(series.head), coming((range) => range.high)];
    const end = Math.max(LEAST_MINUTES_DRAWN, (outlook?.t.at(-1) ?? this.live.elapsed()) / 60);
    const highest = Math.max(...head.map(({ y }) => y), ...coming((range) => range.likely).map(({ y }) => y), 1);
    return {
      head,
      suction: read(series.suction),
      low: coming((range) => range.low),
      high,
      likely: coming((range) => range.likely),
      cure: cure === undefined || outlook === undefined ? [] : outlook.t.map((t, k) => ({ x: t / 60, y: p(cure.heads[k]!) })),
      cureWord: cure === undefined ? '' : cureNames[cure.by],
      cutOut,
      cutOutWord: outlook === undefined ? '' : $localize`trips at ${this.units.pressure(outlook.cutOutPa)}`,
      now: this.live.elapsed() / 60,
      end,
      // the cut-out comes into the picture once the head is half way there
      most: highest > 0.5 * cutOut ? Math.max(1.1 * highest, 1.12 * cutOut) : 1.15 * highest,
    };
  });

  protected readonly text = computed(() => {
    const [head, suction] = [this.live.last('head'), this.live.last('suction')];
    const said = [
      ...(head === undefined ? [] : [$localize`head ${this.units.pressure(head.value)}`]),
      ...(suction === undefined ? [] : [$localize`suction ${this.units.pressure(suction.value)}`]),
    ];
    return said.length === 0 ? $localize`No pressure has been read yet` : $localize`Over time: ${said.join(', ')}`;
  });

  constructor() {
    const injector = inject(Injector);
    let gone = false;
    inject(DestroyRef).onDestroy(() => {
      gone = true;
      this.chart()?.destroy();
    });
    afterNextRender(() => {
      effect(
        () => {
          this.theme.current(); // colours are read from the page when it is made
          const unit = this.units.pressureUnit();
          void import('./live-chart-setup').then(async ({ DrawnLive }) => {
            const drawn = await DrawnLive.on(this.canvas().nativeElement, unit);
            if (gone) drawn.destroy();
            else this.chart.set(drawn);
          });
        },
        { injector },
      );
    });
    effect(() => {
      const [chart, drawing] = [this.chart(), this.drawing()];
      if (chart !== undefined && drawing !== undefined) chart.set(drawing);
    });
  }
}
