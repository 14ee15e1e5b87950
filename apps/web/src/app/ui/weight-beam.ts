import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { massIn, type DecimalMassUnit, type MassUnit } from '@hygromet/core/units/mass';
import { scaleLinear } from 'd3-scale';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { Width } from './width';

/** Labels nearer than this stand outside their marks, not over each other. */
const LABEL_WIDTH_PX = 96;
const HALF_STOP_MARK_PX = 9;

/**
 * One scale from the tare to beyond the limit, in the unit of the person's scale: steel is tare, blue is in it, soft is room, hatched
 * is forbidden.
 */
@Component({
  selector: 'hy-weight-beam',
  imports: [Width],
  template: `
    <div hyWidth #box="hyWidth">
      <svg [attr.viewBox]="'0 0 ' + box.pixels() + ' 82'" [attr.width]="box.pixels()" height="82" role="img" [attr.aria-label]="summary()">
        <defs>
          <pattern id="forbidden" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="7" class="hatch" />
          </pattern>
        </defs>
        @let d = drawing(box.pixels());
        <rect class="steel" [attr.x]="d.start" [attr.width]="d.tare - d.start" y="34" height="15" />
        <rect class="room" [attr.x]="d.tare" [attr.width]="d.stop - d.tare" y="34" height="15" />
        <rect class="forbidden" [attr.x]="d.stop" [attr.width]="d.end - d.stop" y="34" height="15" />
        <rect class="liquid" [class.over]="over()" [attr.x]="d.tare" [attr.width]="d.now - d.tare" y="34" height="15" />
        <rect class="frame" [attr.x]="d.start" [attr.width]="d.end - d.start" y="34" height="15" />
        @for (tick of d.ticks; track tick.x) {
          <line class="tick" [attr.x1]="tick.x" [attr.x2]="tick.x" y1="49" [attr.y2]="tick.label ? 58 : 53" />
          <text class="axis" [attr.x]="tick.x" y="76" text-anchor="middle">{{ tick.label }}</text>
        }
        <line class="mark" [attr.x1]="d.tare" [attr.x2]="d.tare" y1="28" y2="34" />
        <text i18n class="light" [attr.x]="d.tareLabel.x" y="24" [attr.text-anchor]="d.tareLabel.anchor">tare {{ number(tareKg()) }}</text>
        @if (nowKg() > tareKg()) {
          <line class="mark" [attr.x1]="d.now" [attr.x2]="d.now" y1="28" y2="34" />
          <text i18n class="now" [attr.x]="d.nowLabel.x" y="24" [attr.text-anchor]="d.nowLabel.anchor">now {{ number(nowKg()) }}</text>
        }
        <path class="stop" [attr.d]="'M' + (d.stop - 9) + ' 21h18v11l-9 9l-9 -9z'" />
        <text class="stop-word" [attr.x]="d.stopLabel.x" y="14" [attr.text-anchor]="d.stopLabel.anchor">
          {{ mark() }} {{ number(stopKg(), 'down') }}
        </text>
      </svg>
    </div>
  `,
  styles: `
    svg {
      display: block;
      overflow: visible;
    }

    .steel {
      fill: var(--steel);
    }

    .room {
      fill: var(--act-soft);
    }

    .liquid {
      fill: var(--liquid);
      transition: width 200ms ease-out;
    }

    .liquid.over {
      fill: var(--danger);
    }

    .forbidden {
      fill: url(#forbidden);
    }

    .hatch {
      stroke: var(--danger);
      stroke-width: 2.4;
    }

    .frame {
      fill: none;
      stroke: var(--line-strong);
    }

    .tick {
      stroke: var(--line-strong);
      stroke-width: 1.4;
    }

    .mark {
      stroke: var(--ink);
      stroke-width: 1.8;
    }

    .stop {
      fill: var(--act);
    }

    text {
      fill: var(--ink);
      font-size: 15px;
    }

    .axis {
      fill: var(--ink-2);
      font-size: 14px;
    }

    .light {
      fill: var(--ink-2);
    }

    .now {
      font-weight: 600;
    }

    .stop-word {
      font-size: 16px;
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeightBeam {
  private readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;

  readonly tareKg = input.required<number>();
  /** Gross, now on the scale. */
  readonly nowKg = input.required<number>();
  /** Of the scale that is read; otherwise the person's own. */
  readonly unit = input<MassUnit | undefined>();
  private readonly shownUnit = computed(() => this.unit() ?? this.preferences().mass);
  /** Gross, at which to stop. */
  readonly stopKg = input.required<number>();

  /** At the scale it is where the valve is shut; elsewhere the most that may be on it. */
  readonly mark = input<'stop' | 'most'>('stop');

  protected readonly over = computed(() => this.nowKg() > this.stopKg());
  protected readonly summary = computed(
    () =>
      $localize`Scale: tare ${this.number(this.tareKg())}, now ${this.number(this.nowKg())}, ${this.mark() === 'stop' ? $localize`stop at` : $localize`at most`} ${this.number(this.stopKg(), 'down')} ${this.units.mass(0, 'nearest', this.shownUnit()).unit}`,
  );

  /** The axis is decimal, also where the scale shows pounds and ounces. */
  private readonly axisUnit = computed<DecimalMassUnit>(() => {
    const unit = this.shownUnit();
    return unit === 'lb-oz' ? 'lb' : unit;
  });

  protected number(kg: number, rounding: 'nearest' | 'down' = 'nearest'): string {
    const { number, unit } = this.units.mass(kg, rounding, this.shownUnit());
    return unit === 'oz' && number.includes('lb') ? $localize`${number} oz` : number;
  }

  protected drawing(width: number) {
    const span = this.stopKg() - this.tareKg();
    const from = this.tareKg() - 0.16 * span;
    const to = Math.max(this.stopKg() + 0.33 * span, this.nowKg() + 0.1 * span);
    const unit = this.axisUnit();
    const x = scaleLinear([massIn(from, unit), massIn(to, unit)], [20, width - 20]).nice(10);
    const at = (kg: number) => x(massIn(kg, unit));
    const [start = 0, end = 0] = x.range();
    // a reading below the tare is no content: beside its field it is named, here nothing is drawn of it
    const [tare, now, stop] = [at(this.tareKg()), at(Math.max(this.tareKg(), this.nowKg())), at(this.stopKg())];
    return {
      start,
      end,
      tare,
      now,
      stop,
      ...labelPlaces(tare, now, stop),
      ticks: ticksOf(x, width),
    };
  }
}

/** Tare to the left of its mark where the content is small; the content to the left of its mark where the stop is near, and its word to the right. */
function labelPlaces(tare: number, now: number, stop: number) {
  const nearTare = now - tare < LABEL_WIDTH_PX;
  const nearStop = Math.abs(stop - now) < LABEL_WIDTH_PX;
  return {
    tareLabel: nearTare ? { x: tare - 3, anchor: 'end' } : { x: tare, anchor: 'middle' },
    nowLabel: nearTare
      ? { x: now + 3, anchor: 'start' }
      : nearStop
        ? { x: now < stop ? now + 4 : now + 40, anchor: now < stop ? 'end' : 'start' }
        : { x: now, anchor: 'middle' },
    stopLabel: nearStop && now < stop ? { x: stop - HALF_STOP_MARK_PX, anchor: 'start' } : { x: stop, anchor: 'middle' },
  };
}

/** Short ticks for the eye, long ones with their number. */
function ticksOf(x: ReturnType<typeof scaleLinear<number, number>>, width: number): { x: number; label: string }[] {
  const labelled = new Set(x.ticks(Math.max(3, Math.floor(width / 80))));
  return [...new Set([...x.ticks(Math.max(12, Math.floor(width / 20))), ...labelled])]
    .sort((a, b) => a - b)
    .map((value) => ({ x: x(value), label: labelled.has(value) ? String(value) : '' }));
}
