import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { celsius } from '@hygromet/core/units/temperature';
import { scaleLinear } from 'd3-scale';
import { coreQuery } from '../core-worker/core-query';
import type { HotPoint } from '../core-worker/cylinder-operations';
import { CoreWorker } from '../core-worker/core-worker.service';
import { Units } from '../preferences/units.service';
import { valueOf } from '../ui/loadable';

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [420, 210, 56, 12, 14, 34];
const [COLDEST, HOTTEST] = [celsius(-10), celsius(80)];
const STEPS_COUNT = 45;
const temperatures = Array.from({ length: STEPS_COUNT + 1 }, (_, k) => COLDEST + ((HOTTEST - COLDEST) * k) / STEPS_COUNT);

/** Pressure of the closed cylinder over temperature, up to what it bears, with the temperature from which it is full of liquid. */
@Component({
  selector: 'hy-hot-chart',
  template: `
    @if (drawn(); as d) {
      <h2 i18n>Pressure vs. temperature</h2>
      <svg [attr.viewBox]="box" role="img" [attr.aria-label]="sentence() || words.pressureOverTemperatureBeingComputed">
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
        @if (d.bearsY; as y) {
          <line class="bears" [attr.x1]="left" [attr.x2]="right" [attr.y1]="y" [attr.y2]="y" />
        }
        <line class="hottest" [attr.x1]="d.hottestX" [attr.x2]="d.hottestX" [attr.y1]="top" [attr.y2]="bottom" />
        <path class="curve" [attr.d]="d.way" />
      </svg>
      <p class="legend" aria-hidden="true">
        <span i18n class="key curve">pressure, {{ units.pressureUnit() }} over °{{ units.temperatureUnit() }}</span>
        @if (d.bearsY) {
          <span i18n class="key bears">cylinder limit</span>
        }
        <span i18n class="key hottest">hottest location</span>
        @if (d.fullX) {
          <span i18n class="key full">full of liquid</span>
        }
      </p>
      <p>{{ sentence() }}</p>
    }
  `,
  styleUrl: './hot-chart.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HotChart {
  protected readonly words = { pressureOverTemperatureBeingComputed: $localize`Pressure over temperature, being computed` } as const;

  readonly composition = input.required<Readonly<Record<string, number>> | undefined>();
  readonly volumeM3 = input.required<number>();
  readonly massKg = input.required<number>();
  /** What it must not pass in the heat, Pa absolute; nothing while a mark of its collar is missing. */
  readonly bornePa = input.required<number | undefined>();
  readonly hottestK = input.required<number | undefined>();
  /** Air that is counted in its vapour at 77 °F. */
  readonly airShare = input.required<number>();
  /** Set pressure of its relief valve, Pa absolute, where it is recorded. */
  readonly reliefPa = input<number>();
  protected readonly units = inject(Units);
  private readonly properties = inject(CoreWorker);

  protected readonly box = `0 0 ${WIDTH} ${HEIGHT}`;
  protected readonly left = LEFT;
  protected readonly right = WIDTH - RIGHT;
  protected readonly top = TOP;
  protected readonly bottom = HEIGHT - BOTTOM;

  private readonly content = computed(() => {
    const [composition, massKg] = [this.composition(), this.massKg()];
    if (composition === undefined || isUnknown(composition) || massKg <= 0) return undefined;
    return { composition, volumeM3: this.volumeM3(), massKg, airShare: this.airShare() };
  });
  private readonly heat = coreQuery(
    this.properties,
    'heat',
    computed(() => {
      const content = this.content();
      return content && { ...content, hottestK: this.hottestK(), reliefPa: this.reliefPa() };
    }),
  );
  private readonly curve = coreQuery(
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
    const relief = heat.relief?.opens === 'at' ? $localize` Its relief valve opens at ${this.units.temperature(heat.relief.T)}.` : '';
    const there =
      hottest === undefined || heat.pHottest === undefined
        ? ''
        : $localize` At ${this.units.temperature(hottest)} it reaches ${this.units.pressure(heat.pHottest)}.`;
    if (!heat.fills) return $localize`At this charge it never goes liquid-full; it all turns to vapor first.${there}${relief}`;
    const rise = this.units.pressureStep(this.units.kelvinsInADegree() * heat.slopePaPerK);
    const stands = heat.pHottest === undefined ? '' : $localize`, ${this.units.pressure(heat.pHottest)} there`;
    const place =
      hottest === undefined
        ? ''
        : $localize` Hottest expected location: ${this.units.temperature(hottest)}${stands}${hottest < heat.T ? '.' : $localize` – do not leave it there.`}`;
    return $localize`Goes liquid-full at ${this.units.temperature(heat.T)}; above that, pressure climbs about ${rise} per degree.${relief}${place}`;
  });

  protected readonly drawn = computed(() => {
    const [points, heat] = [valueOf(this.curve()), valueOf(this.heat())];
    if (points === undefined || points.length === 0) return undefined;
    return this.draw(points, heat?.fills === true && heat.T < HOTTEST ? heat.T : undefined);
  });

  private draw(points: readonly HotPoint[], full: number | undefined) {
    const degrees = (T: number) => this.units.temperatureNumber(T);
    const borne = this.bornePa();
    const allowed = borne === undefined ? undefined : this.units.pressureNumber(borne);
    const highest = allowed ?? Math.max(...points.map(({ p }) => this.units.pressureNumber(p)));
    const x = scaleLinear([degrees(COLDEST), degrees(HOTTEST)], [this.left, this.right]);
    const y = scaleLinear([0, 1.25 * highest], [this.bottom, this.top]);
    // above the drawing the line ends: a line along its edge would read as a pressure that no longer rises
    const places = points.map(({ T, p }) => [x(degrees(T)), y(this.units.pressureNumber(p))] as const);
    const beyond = places.findIndex(([, py]) => py < this.top);
    const inside = beyond < 0 ? places : places.slice(0, beyond);
    return {
      way: inside.map(([px, py], k) => `${k === 0 ? 'M' : 'L'}${px.toFixed(1)} ${py.toFixed(1)}`).join(''),
      fullX: full === undefined ? undefined : x(degrees(full)),
      bearsY: allowed === undefined ? undefined : y(allowed),
      hottestX: x(degrees(this.hottestK() ?? HOTTEST)),
      ticksX: x.ticks(6).map((value) => ({ x: x(value), text: String(value) })),
      ticksY: y.ticks(5).map((value) => ({ y: y(value), text: String(value) })),
    };
  }
}
