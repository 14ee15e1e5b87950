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
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Chart } from 'chart.js';
import type { Lines } from '../core-worker/bench-operations';
import { Units } from '../preferences/units.service';
import { Theme } from '../ui/theme';
import type { Corner, Drawn } from './chart-setup';

const NO_LINES: Lines = { T: [], pBubble: [], pDew: [] };

/** Degrees of the person that a key moves by; one beyond the ends stays at the end. */
const STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 10,
  PageDown: -10,
  Home: -Infinity,
  End: Infinity,
};

/** Pressure over temperature with the bubble and the dew line. It is a slider: a finger on it, or a key, moves the temperature. */
@Component({
  selector: 'hy-pressure-chart',
  template: `
    <canvas
      #canvas
      role="slider"
      tabindex="0"
      aria-orientation="horizontal"
      [attr.aria-label]="words.temperatureOnTheBubble(name())"
      [attr.aria-valuemin]="scale()?.coldest"
      [attr.aria-valuemax]="scale()?.hottest"
      [attr.aria-valuenow]="scale()?.now"
      [attr.aria-valuetext]="scale()?.text"
      (pointerdown)="hold($event)"
      (pointermove)="drag($event)"
      (keydown)="step($event)"
    ></canvas>
  `,
  styles: `
    :host {
      position: relative;
      display: block;
      height: 300px;
    }

    canvas {
      cursor: ew-resize;
      touch-action: pan-y;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PressureChart {
  protected readonly words = {
    temperatureOnTheBubble: (name: string): string => $localize`Temperature on the bubble and dew line of ${name}`,
  };

  private readonly units = inject(Units);
  private readonly theme = inject(Theme);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  readonly lines = input.required<Lines>();
  readonly labelLines = input<Lines | undefined>();
  readonly here = input<readonly { readonly T: number; readonly p: number }[]>([]);
  readonly measured = input<{ readonly T: number; readonly p: number } | undefined>();
  readonly name = input.required<string>();
  /** K */
  readonly pointed = output<number>();
  /** K from where it is now; without end, to that end of the line. Several may come before anything is drawn. */
  readonly stepped = output<number>();

  private readonly chart = signal<{ chart: Chart; redraw: typeof import('./chart-setup').redraw } | undefined>(undefined);
  private readonly drawn = computed<Drawn>(() => {
    const [own, label, measured] = [this.lines(), this.labelLines() ?? NO_LINES, this.measured()];
    return {
      measured: measured === undefined ? [] : [this.corner(measured)],
      here: this.here().map(this.corner),
      guide: this.here().slice(0, 1).map(this.corner),
      bubble: this.corners(own.T, own.pBubble),
      dew: this.corners(own.T, own.pDew),
      labelBubble: this.corners(label.T, label.pBubble),
      labelDew: this.corners(label.T, label.pDew),
    };
  });
  private readonly ends = computed(() => {
    const { bubble, labelBubble } = this.drawn();
    const [first, last] = [bubble[0] ?? { x: 0, y: 0 }, bubble.at(-1) ?? { x: 1, y: 1 }];
    return {
      x: [first.x, last.x] as const,
      y: [Math.min(0, first.y), Math.max(last.y, ...labelBubble.filter(({ x }) => x <= last.x).map(({ y }) => y))] as const,
    };
  });

  /** What a reader of screens says of the point. */
  protected readonly scale = computed(() => {
    const { T } = this.lines();
    const [coldest, hottest, at] = [T[0], T.at(-1), this.here()[0]];
    if (coldest === undefined || hottest === undefined) return undefined;
    const [low, high, now] = [coldest, hottest, at?.T ?? coldest].map((value) => Math.round(this.units.temperatureNumber(value) * 10) / 10);
    return {
      coldest: low,
      hottest: high,
      now,
      text:
        at === undefined
          ? $localize`no point yet`
          : $localize`${this.units.temperature(at.T, 1)}, boils under ${this.units.pressure(at.p)}`,
    };
  });

  constructor() {
    const injector = inject(Injector);
    let gone = false;
    inject(DestroyRef).onDestroy(() => {
      gone = true;
      this.chart()?.chart.destroy();
    });
    afterNextRender(() => {
      effect(
        () => {
          this.theme.current(); // colours are read from the page when it is made
          const axes = {
            x: $localize`Temperature, °${this.units.temperatureUnit()}`,
            y: $localize`Pressure, ${this.units.pressureUnit()}`,
          };
          void import('./chart-setup').then(async ({ drawChart, redraw }) => {
            const chart = await drawChart(this.canvas().nativeElement, axes);
            if (gone) chart.destroy();
            else this.chart.set({ chart, redraw });
          });
        },
        { injector },
      );
    });
    effect(() => {
      const made = this.chart();
      if (made !== undefined) made.redraw(made.chart, this.drawn(), this.ends());
    });
  }

  protected hold(event: PointerEvent): void {
    this.canvas().nativeElement.setPointerCapture(event.pointerId);
    this.point(event);
  }

  protected drag(event: PointerEvent): void {
    if (event.buttons !== 0) this.point(event);
  }

  protected step(event: KeyboardEvent): void {
    const degrees = STEPS[event.key];
    if (degrees === undefined) return;
    event.preventDefault();
    this.stepped.emit(degrees * this.units.kelvinsInADegree());
  }

  private point(event: PointerEvent): void {
    const [own, scale] = [this.lines(), this.chart()?.chart.scales['x']];
    const [coldest, hottest] = [own.T[0], own.T.at(-1)];
    if (scale === undefined || coldest === undefined || hottest === undefined) return;
    const share = ((scale.getValueForPixel(event.offsetX) ?? scale.min) - scale.min) / (scale.max - scale.min);
    this.pointed.emit(coldest + Math.min(1, Math.max(0, share)) * (hottest - coldest));
  }

  private corner = ({ T, p }: { readonly T: number; readonly p: number }): Corner => ({
    x: this.units.temperatureNumber(T),
    y: this.units.pressureNumber(p),
  });
  private corners = (T: readonly number[], p: readonly number[]): readonly Corner[] =>
    T.map((value, k) => this.corner({ T: value, p: p[k] ?? 0 }));
}
