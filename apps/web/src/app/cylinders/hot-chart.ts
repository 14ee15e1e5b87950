import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { celsius } from '@hygromet/core/units/temperature';
import { scaleLinear } from 'd3-scale';
import { asked } from '../live/asked';
import type { HotPoint } from '../live/cylinder-operations';
import { PropertyService } from '../live/property.service';
import { Units } from '../preferences/units.service';
import { valueOf } from '../ui/loadable';

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [420, 210, 56, 12, 14, 34];
const [COLDEST, HOTTEST] = [celsius(-10), celsius(80)];
const STEPS = 45;
/** At 131 °F a cylinder may stand at 5/4 of its service pressure (49 CFR 173.301(a)(8), as in `pressure-rating`). */
const RATED_SHARE = 1.25;
const temperatures = Array.from({ length: STEPS + 1 }, (_, k) => COLDEST + ((HOTTEST - COLDEST) * k) / STEPS);

/** Pressure of the closed cylinder over temperature, up to what it bears, with the temperature from which it is full of liquid. */
@Component({
  selector: 'hy-hot-chart',
  template: `
    @if (drawn(); as d) {
      <h2>When it gets hot</h2>
      <svg [attr.viewBox]="box" role="img" [attr.aria-label]="sentence()">
        @if (d.fullX; as x) {
          <rect class="full" [attr.x]="x" [attr.y]="top" [attr.width]="right - x" [attr.height]="bottom - top" />
        }
        @for (tick of d.ticksY; track tick.text) {
          <line class="grid" [attr.x1]="left" [attr.x2]="right" [attr.y1]="tick.y" [attr.y2]="tick.y" />
          <text [attr.x]="left - 6" [attr.y]="tick.y + 5" text-anchor="end">{{ tick.text }}</text>
        }
        @for (tick of d.ticksX; track tick.text) {
          <text [attr.x]="tick.x" [attr.y]="bottom + 20" text-anchor="middle">{{ tick.text }}</text>
        }
        <line class="bears" [attr.x1]="left" [attr.x2]="right" [attr.y1]="d.bearsY" [attr.y2]="d.bearsY" />
        <line class="hottest" [attr.x1]="d.hottestX" [attr.x2]="d.hottestX" [attr.y1]="top" [attr.y2]="bottom" />
        <path class="curve" [attr.d]="d.way" />
      </svg>
      <p class="legend" aria-hidden="true">
        <span class="key curve">pressure, {{ units.pressureUnit() }} over °{{ units.temperatureUnit() }}</span>
        <span class="key bears">5/4 of its service pressure</span>
        <span class="key hottest">hottest place</span>
        @if (d.fullX) {
          <span class="key full">full of liquid</span>
        }
      </p>
      <p>{{ sentence() }}</p>
    }
  `,
  styleUrl: './hot-chart.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HotChart {
  readonly composition = input.required<Readonly<Record<string, number>> | undefined>();
  readonly volumeM3 = input.required<number>();
  readonly massKg = input.required<number>();
  /** Pa above the atmosphere. */
  readonly servicePressurePa = input.required<number>();
  readonly hottestK = input.required<number | undefined>();
  protected readonly units = inject(Units);
  private readonly properties = inject(PropertyService);

  protected readonly box = `0 0 ${WIDTH} ${HEIGHT}`;
  protected readonly left = LEFT;
  protected readonly right = WIDTH - RIGHT;
  protected readonly top = TOP;
  protected readonly bottom = HEIGHT - BOTTOM;

  private readonly content = computed(() => {
    const [composition, massKg] = [this.composition(), this.massKg()];
    return composition === undefined || massKg <= 0 ? undefined : { composition, volumeM3: this.volumeM3(), massKg };
  });
  private readonly heat = asked(this.properties, 'heat', this.content);
  private readonly curve = asked(
    this.properties,
    'hotCurve',
    computed(() => {
      const content = this.content();
      return content === undefined ? undefined : { ...content, temperatures };
    }),
  );

  protected readonly sentence = computed(() => {
    const [heat, hottest] = [valueOf(this.heat()), this.hottestK()];
    if (heat === undefined) return '';
    if (!heat.fills) return 'So little is in it that it never gets full of liquid: above a certain warmth all of it is vapour.';
    const rise = this.units.pressureStep(this.units.kelvinsInADegree() * heat.slopePaPerK);
    const place =
      hottest === undefined
        ? ''
        : hottest < heat.T
          ? ` The hottest place has ${this.units.temperature(hottest)}.`
          : ` The hottest place has ${this.units.temperature(hottest)}: do not leave it there.`;
    return `Full of liquid at ${this.units.temperature(heat.T)}; above it the pressure rises about ${rise} per degree.${place}`;
  });

  protected readonly drawn = computed(() => {
    const [points, heat] = [valueOf(this.curve()), valueOf(this.heat())];
    if (points === undefined || points.length === 0) return undefined;
    return this.draw(points, heat?.fills === true && heat.T < HOTTEST ? heat.T : undefined);
  });

  private draw(points: readonly HotPoint[], full: number | undefined) {
    const degrees = (T: number) => this.units.temperatureNumber(T);
    const allowed = this.units.pressureNumber(RATED_SHARE * this.servicePressurePa() + this.units.atmosphere());
    const x = scaleLinear([degrees(COLDEST), degrees(HOTTEST)], [this.left, this.right]);
    const y = scaleLinear([0, 1.25 * allowed], [this.bottom, this.top]);
    // above the drawing the line ends: a line along its edge would read as a pressure that no longer rises
    const places = points.map(({ T, p }) => [x(degrees(T)), y(this.units.pressureNumber(p))] as const);
    const beyond = places.findIndex(([, py]) => py < this.top);
    const inside = beyond < 0 ? places : places.slice(0, beyond);
    return {
      way: inside.map(([px, py], k) => `${k === 0 ? 'M' : 'L'}${px.toFixed(1)} ${py.toFixed(1)}`).join(''),
      fullX: full === undefined ? undefined : x(degrees(full)),
      bearsY: y(allowed),
      hottestX: x(degrees(this.hottestK() ?? HOTTEST)),
      ticksX: x.ticks(6).map((value) => ({ x: x(value), text: String(value) })),
      ticksY: y.ticks(5).map((value) => ({ y: y(value), text: String(value) })),
    };
  }
}
