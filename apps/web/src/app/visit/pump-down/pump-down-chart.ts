import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { PumpDownSetUp } from '@hygromet/contract/visit-test';
import type { PumpDownReading } from '@hygromet/core/planning/pump-down';
import type { Outlook } from '@hygromet/core/twin/estimate/outlook';
import { scaleLinear } from 'd3-scale';
import { Units } from '../../preferences/units.service';

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [560, 200, 52, 12, 24, 30];
const LEAST_MINUTES_DRAWN = 2;
/** Of the picture: the height of letters with their room, the width of a name. */
const [LETTERS_DRAWN, NAME_DRAWN] = [18, 64];

/** Suction and head as they were read, where the twin sees them go, and the two lines that matter. */
@Component({
  selector: 'hy-pump-down-chart',
  template: `
    @let d = drawn();
    <svg [attr.viewBox]="box" role="img" [attr.aria-label]="text()">
      <text [attr.x]="left" y="14">{{ units.pressureUnit() }}</text>
      @for (tick of d.ticksY; track tick.text) {
        <line class="grid" [attr.x1]="left" [attr.x2]="right" [attr.y1]="tick.y" [attr.y2]="tick.y" />
        <text [attr.x]="left - 8" [attr.y]="tick.y + 5" text-anchor="end">{{ tick.text }}</text>
      }
      @for (tick of d.ticksX; track tick.text) {
        <text [attr.x]="tick.x" [attr.y]="bottom + 20" text-anchor="middle">{{ tick.text }}</text>
      }
      <path class="band" [attr.d]="d.band" />
      <path class="likely" [attr.d]="d.coming" />
      <line class="end" [attr.x1]="left" [attr.x2]="right" [attr.y1]="d.end" [attr.y2]="d.end" />
      <text i18n class="said" [attr.x]="right" [attr.y]="d.end - 5" text-anchor="end">shut the suction valve</text>
      @if (d.highSwitch; as y) {
        <line class="switch" [attr.x1]="left" [attr.x2]="right" [attr.y1]="y" [attr.y2]="y" />
        <text i18n class="over" [attr.x]="left + 6" [attr.y]="y - 5">high-pressure switch</text>
      }
      <path class="head" [attr.d]="d.head" />
      <path class="suction" [attr.d]="d.suction" />
      @for (name of d.names; track name.text) {
        <text [class]="name.text" [attr.text-anchor]="name.anchor" [attr.x]="name.x" [attr.y]="name.y">{{ name.text }}</text>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }

    svg {
      width: 100%;
      max-width: 640px;
      height: auto;
      font-size: 13px;
    }

    @media (max-width: 600px) {
      svg {
        font-size: 20px;
      }
    }

    text {
      fill: var(--ink-2);
    }

    .grid {
      stroke: var(--line);
    }

    path {
      fill: none;
    }

    .band {
      fill: var(--liquid-2);
      opacity: 0.25;
    }

    .likely {
      stroke: var(--liquid-2);
      stroke-dasharray: 4 4;
      stroke-width: 1.8;
    }

    text.head {
      fill: var(--caution);
      stroke: none;
    }

    text.suction {
      fill: var(--liquid);
      stroke: none;
    }

    path.suction {
      stroke: var(--liquid);
      stroke-width: 2.6;
    }

    path.head {
      stroke: var(--caution);
      stroke-width: 2;
    }

    .end {
      stroke: var(--act);
      stroke-dasharray: 6 4;
    }

    .said {
      fill: var(--act);
    }

    .switch {
      stroke: var(--danger);
      stroke-dasharray: 6 4;
    }

    .over {
      fill: var(--danger);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PumpDownChart {
  readonly readings = input.required<readonly PumpDownReading[]>();
  readonly setUp = input.required<PumpDownSetUp>();
  readonly outlook = input<Outlook | undefined>();
  protected readonly units = inject(Units);
  protected readonly box = `0 0 ${WIDTH} ${HEIGHT}`;
  protected readonly left = LEFT;
  protected readonly right = WIDTH - RIGHT;
  protected readonly bottom = HEIGHT - BOTTOM;

  protected readonly text = computed(() => {
    const last = this.readings().at(-1);
    if (last === undefined) return $localize`No pressure has been read yet`;
    const head = last.head === undefined ? '' : $localize`, head ${this.units.pressure(last.head)}`;
    return $localize`Over time: suction ${this.units.pressure(last.suction)}${head}`;
  });

  protected readonly drawn = computed(() => {
    const [readings, outlook, { endPa, highSwitchPa }] = [this.readings(), this.outlook(), this.setUp()];
    const p = (value: number) => this.units.pressureNumber(value);
    const coming = outlook === undefined ? [] : outlook.t.map((t, k) => ({ t, ...outlook.bands.suctionPa[k]! }));
    const lastS = Math.max(60 * LEAST_MINUTES_DRAWN, readings.at(-1)?.t ?? 0, Math.min(outlook?.end.t.high ?? 0, MOST_MINUTES_DRAWN * 60));
    const heads = readings.flatMap(({ t, head }) => (head === undefined ? [] : [{ t, value: head }]));
    const highest = Math.max(...readings.map(({ suction }) => p(suction)), ...heads.map(({ value }) => p(value)), 2 * p(endPa), 1);
    const most = highest > 0.6 * p(highSwitchPa) ? 1.1 * Math.max(highest, p(highSwitchPa)) : 1.15 * highest;
    const least = Math.min(0, p(endPa), ...readings.map(({ suction }) => p(suction)));
    const x = scaleLinear([0, lastS / 60], [LEFT, this.right]);
    const y = scaleLinear([least, most], [this.bottom, TOP]).clamp(true);
    const way = (points: readonly { readonly t: number; readonly value: number }[], joined = 'M') =>
      points.map(({ t, value }, k) => `${k === 0 ? joined : 'L'}${x(t / 60).toFixed(1)} ${y(p(Math.max(0, value))).toFixed(1)}`).join('');
    const inView = coming.filter(({ t }) => t <= lastS);
    const highSwitch = y(p(highSwitchPa));
    const suctions = readings.map(({ t, suction }) => ({ t, value: suction }));
    const ends = [
      { text: $localize`suction`, last: suctions.at(-1) },
      { text: $localize`head`, last: heads.at(-1) },
    ].flatMap(({ text, last }) => (last === undefined ? [] : [{ text, x: x(last.t / 60), y: y(p(last.value)) }]));
    // beside the end of its line, before it where there is no room, and never one over the other
    const meet = ends.length === 2 && Math.abs(ends[0]!.y - ends[1]!.y) < LETTERS_DRAWN;
    const names = ends.map(({ text, x: at, y: level }) => {
      const before = at > this.right - NAME_DRAWN;
      return {
        text,
        x: before ? at : at + 8,
        anchor: before ? 'end' : 'start',
        y: meet && text === 'suction' ? level + LETTERS_DRAWN : level - 6,
      };
    });
    return {
      names,
      suction: way(suctions),
      head: way(heads),
      coming: way(inView.map(({ t, likely }) => ({ t, value: likely }))),
      band:
        way(inView.map(({ t, high }) => ({ t, value: high }))) +
        way(
          [...inView].reverse().map(({ t, low }) => ({ t, value: low })),
          'L',
        ),
      end: y(p(endPa)),
      highSwitch: p(highSwitchPa) < most ? highSwitch : undefined,
      ticksX: x.ticks(5).map((value) => ({ x: x(value), text: $localize`${value} min` })),
      ticksY: y.ticks(4).map((value) => ({ y: y(value), text: this.units.decimal(value, 0) })),
    };
  });
}

const MOST_MINUTES_DRAWN = 20;
