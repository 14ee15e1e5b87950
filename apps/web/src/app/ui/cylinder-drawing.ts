import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, model, viewChild } from '@angular/core';
import { celsius } from '@hygromet/core/units/temperature';
import { HOT_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';
import { scaleLinear } from 'd3-scale';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { cylinderShape } from './cylinder-shape';

/** A level in the drawing: how high, what it is, and what goes with it. */
export interface DrawnLevel {
  readonly kind: 'now' | 'stop' | 'hot';
  readonly share: number;
  readonly title: string;
  readonly text: string;
}

const COLDEST = celsius(-10);
const HOTTEST = celsius(70);
const RAIL = { x: 52, top: 62, bottom: 382 };
const FOOT = { x: 184, y: 384 };
const LABEL_X_PX = 282;
/** Two lines of a label need this much room. */
const LABEL_HEIGHT_PX = 42;

/**
 * The cylinder with its liquid now, at the stop and at the hottest temperature, beside a rail on which a temperature is dragged.
 */
@Component({
  selector: 'hy-cylinder-drawing',
  template: `
    <svg #drawing viewBox="0 0 420 410" width="100%">
      <defs>
        <clipPath id="inside"><path [attr.d]="shape.body" /></clipPath>
      </defs>
      <g [attr.transform]="'translate(' + foot.x + ' ' + foot.y + ')'">
        <rect class="stand" x="-43" y="0" width="86" height="12" />
        <path class="collar" [attr.d]="shape.collar" />
        <g clip-path="url(#inside)">
          <rect class="vapour" x="-90" y="-400" width="180" height="400" />
          @for (level of levels(); track level.kind) {
            @if (level.kind !== 'hot') {
              <rect [attr.class]="'liquid ' + level.kind" x="-90" width="180" [attr.y]="shape.surface(level.share)" height="400" />
            }
          }
        </g>
        <path class="outline" [attr.d]="shape.body" />
        <path class="dip" d="M0 -310V-14" />
      </g>
      @for (label of labels(); track label.level.kind) {
        <path class="leader" [class.hot]="label.level.kind === 'hot'" [attr.d]="label.leader" />
        <text class="title" [class.hot]="label.level.kind === 'hot'" [attr.x]="labelX" [attr.y]="label.y">{{ label.level.title }}</text>
        <text class="text" [attr.x]="labelX" [attr.y]="label.y + 18">{{ label.level.text }}</text>
      }
      <text class="axis" x="52" y="40" text-anchor="end">°{{ temperatureUnit() }}</text>
      <line class="rail" [attr.x1]="rail.x" [attr.x2]="rail.x" [attr.y1]="rail.top" [attr.y2]="rail.bottom" />
      @for (tick of ticks(); track tick.y) {
        <line class="tick" [attr.x1]="rail.x - 6" [attr.x2]="rail.x + 6" [attr.y1]="tick.y" [attr.y2]="tick.y" />
        @if (!underThumb(tick.y)) {
          <text class="axis" [attr.x]="rail.x - 14" [attr.y]="tick.y + 5" text-anchor="end">{{ tick.label }}</text>
        }
      }
      <line class="limit" [attr.x1]="rail.x - 12" [attr.x2]="rail.x + 12" [attr.y1]="y(hotMark)" [attr.y2]="y(hotMark)" />
      <g
        class="thumb"
        role="slider"
        tabindex="0"
        aria-label="Temperature of the cylinder"
        i18n-aria-label
        aria-orientation="vertical"
        [attr.aria-valuemin]="reading(coldest)"
        [attr.aria-valuemax]="reading(hottest)"
        [attr.aria-valuenow]="reading(temperature())"
        [attr.aria-valuetext]="units.temperature(temperature())"
        [attr.transform]="'translate(' + rail.x + ' ' + y(temperature()) + ')'"
        (keydown)="step($event)"
        (pointerdown)="grab($event)"
        (pointermove)="drag($event)"
      >
        <circle class="reach" r="26" />
        <circle class="knob" r="14" />
        <path class="arrows" d="M-4 -3l4 -5l4 5M-4 3l4 5l4 -5M0 -7v14" />
        <text class="reading" x="20" y="6">{{ reading(temperature()) }}</text>
      </g>
    </svg>
  `,
  styleUrl: './cylinder-drawing.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CylinderDrawing {
  protected readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly drawing = viewChild.required<ElementRef<SVGSVGElement>>('drawing');

  /** Highest first: each is drawn over the one before. */
  readonly levels = input.required<readonly DrawnLevel[]>();
  /** K */
  readonly temperature = model.required<number>();

  protected readonly shape = cylinderShape(318);
  protected readonly foot = FOOT;
  protected readonly rail = RAIL;
  protected readonly labelX = LABEL_X_PX;
  protected readonly coldest = COLDEST;
  protected readonly hottest = HOTTEST;
  protected readonly hotMark = HOT_REFERENCE;
  protected readonly temperatureUnit = computed(() => this.preferences().temperature);

  private readonly scale = scaleLinear([COLDEST, HOTTEST], [RAIL.bottom, RAIL.top]).clamp(true);
  protected readonly y = (T: number): number => this.scale(T);
  protected readonly reading = (T: number): number => Math.round(this.units.temperatureNumber(T));

  protected readonly ticks = computed(() => {
    const readings = scaleLinear([this.units.temperatureNumber(COLDEST), this.units.temperatureNumber(HOTTEST)], [RAIL.bottom, RAIL.top]);
    return readings.ticks(7).map((value) => ({ y: readings(value), label: String(value).replace('-', '−') }));
  });

  /** A number that the thumb would cover is left out. */
  protected readonly underThumb = (y: number): boolean => Math.abs(y - this.y(this.temperature())) < 18;

  /** Labels from the top down, pushed apart where they would touch. */
  protected readonly labels = computed(() => {
    const sorted = this.levels()
      .map((level) => ({ level, surface: FOOT.y + this.shape.surface(level.share) }))
      .sort((a, b) => a.surface - b.surface);
    let free = 60;
    return sorted.map(({ level, surface }) => {
      const y = Math.max(free, Math.min(surface - 2, 372));
      free = y + LABEL_HEIGHT_PX;
      const from = level.kind === 'hot' ? FOOT.x - 80 : FOOT.x + this.shape.width / 2;
      return { level, y, leader: `M${from} ${surface}H${LABEL_X_PX - 28}L${LABEL_X_PX - 6} ${y - 4}` };
    });
  });

  protected step(event: KeyboardEvent): void {
    const steps: Record<string, number> = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 };
    const by = steps[event.key];
    if (by === undefined) return;
    event.preventDefault();
    this.move(this.temperature() + by * this.units.kelvinsInADegree());
  }

  protected grab(event: PointerEvent): void {
    (event.currentTarget as SVGGElement).setPointerCapture(event.pointerId); // the listener sits on the thumb's group
    event.preventDefault();
  }

  protected drag(event: PointerEvent): void {
    if (!(event.currentTarget as SVGGElement).hasPointerCapture(event.pointerId)) return;
    const { top, height } = this.drawing().nativeElement.getBoundingClientRect();
    const degrees = this.units.temperatureNumber(this.scale.invert(((event.clientY - top) / height) * 410));
    const whole = Math.round(degrees) - degrees;
    this.move(this.scale.invert(((event.clientY - top) / height) * 410) + whole * this.units.kelvinsInADegree());
  }

  private move(T: number): void {
    this.temperature.set(Math.min(HOTTEST, Math.max(COLDEST, T)));
  }
}
