import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { PASCAL_PER_PSI } from '@hygromet/core/proof/trace';
import { scaleLinear } from 'd3-scale';
import { Units } from '../../preferences/units.service';
import { clockText } from '../../ui/day';
import type { HoldAnswer } from '../../core-worker/proof-operations';

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [640, 210, 60, 12, 26, 30];
/** s: a hold that has just begun is drawn as one of a quarter of an hour. */
const SHORTEST_S_DRAWN = 900;

/** Pressure with its temperature taken out, with what a leak of the excluded size would have done. */
@Component({
  selector: 'hy-hold-chart',
  template: `
    @let d = drawn();
    <h3 i18n>Pressure, with its temperature taken out</h3>
    <svg [attr.viewBox]="box" role="img" [attr.aria-label]="told()">
      <text i18n class="axis" [attr.x]="left" y="14">{{ units.pressureUnit() }}, as if at {{ asIf() }}</text>
      @for (tick of d.ticksY; track tick.text) {
        <line class="grid" [attr.x1]="left" [attr.x2]="right" [attr.y1]="tick.y" [attr.y2]="tick.y" />
        <text [attr.x]="left - 8" [attr.y]="tick.y + 5" text-anchor="end">{{ tick.text }}</text>
      }
      @for (tick of d.ticksX; track tick.text) {
        <text [attr.x]="tick.x" [attr.y]="bottom + 20" text-anchor="middle">{{ tick.text }}</text>
      }
      @if (d.leak; as way) {
        <path class="band" [attr.d]="way.band" />
        <path class="leak" [attr.d]="way.line" />
        <text i18n class="said" [attr.x]="right" [attr.y]="way.y" text-anchor="end">
          a leak of {{ way.percent }} % per hour would be here
        </text>
      }
      @for (point of d.points; track $index) {
        <circle [attr.cx]="point.x" [attr.cy]="point.y" r="3" />
      }
    </svg>
  `,
  styleUrl: './hold-chart.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldChart {
  readonly timeS = input.required<readonly number[]>();
  readonly answer = input.required<HoldAnswer>();
  readonly startedAt = input.required<number>();
  /** Of the first reading, K. */
  readonly T = input.required<number>();
  protected readonly units = inject(Units);
  protected readonly box = `0 0 ${WIDTH} ${HEIGHT}`;
  protected readonly left = LEFT;
  protected readonly right = WIDTH - RIGHT;
  protected readonly bottom = HEIGHT - BOTTOM;
  protected readonly asIf = computed(() => this.units.temperature(this.T()));
  private readonly shown = computed(() => this.answer().compensatedPsig.map((psig) => this.number(psig)));

  protected readonly drawn = computed(() => {
    const [t, values] = [this.timeS(), this.shown()];
    const end = Math.max(SHORTEST_S_DRAWN, 1.3 * (t.at(-1) ?? 0));
    const first = values[0] ?? 0;
    const { excludesAbove } = this.answer().result;
    const fall = (s: number) =>
      this.number(this.absolute(this.answer().compensatedPsig[0] ?? 0) * Math.exp((-excludesAbove * s) / 3600) - this.air());
    const known = Number.isFinite(excludesAbove);
    const low = Math.min(...values, known ? fall(end) : first);
    const high = Math.max(...values, first);
    const pad = Math.max(0.1 * (high - low), 0.002 * first);
    const x = scaleLinear([0, end], [LEFT, this.right]);
    const y = scaleLinear([low - pad, high + pad], [this.bottom, TOP]);
    const corners = Array.from({ length: 21 }, (_, k) => (end * k) / 20).map((s) => `${x(s).toFixed(1)} ${y(fall(s)).toFixed(1)}`);
    return {
      points: t.map((s, k) => ({ x: x(s), y: y(values[k]!) })),
      ticksY: y.ticks(4).map((value) => ({ y: y(value), text: this.units.decimal(value, high - low < 2 ? 1 : 0) })),
      ticksX: x.ticks(4).map((s) => ({ x: x(s), text: clockText(this.startedAt() + 1000 * s) })),
      leak: known
        ? {
            line: `M${corners.join('L')}`,
            band: `M${corners.join('L')}L${this.right} ${y(first).toFixed(1)}L${LEFT} ${y(first).toFixed(1)}Z`,
            y: Math.min(this.bottom - 6, y(fall(end)) + 18),
            percent: this.units.decimal(100 * excludesAbove, excludesAbove < 0.01 ? 2 : 1),
          }
        : undefined,
    };
  });
  protected readonly told = computed(() => {
    const values = this.shown();
    return $localize`${values.length} readings, from ${this.units.decimal(values[0] ?? 0, 1)} to ${this.units.decimal(values.at(-1) ?? 0, 1)} ${this.units.pressureUnit()} with the temperature taken out`;
  });

  private air = () => this.units.atmosphere() / PASCAL_PER_PSI;
  private absolute = (psig: number) => psig + this.air();
  private number = (psig: number) => this.units.pressureNumber(this.units.atmosphere() + psig * PASCAL_PER_PSI);
}
