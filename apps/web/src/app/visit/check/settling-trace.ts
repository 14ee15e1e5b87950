import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Moment } from '@hygromet/core/cycle/settled';
import { temperatureDifferenceIn } from '@hygromet/core/units/temperature';
import { scaleLinear } from 'd3-scale';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { Width } from '../../ui/width';

const HEIGHT_PX = 128;
const PAD_PX = { left: 40, right: 118, top: 10, bottom: 24 };
/** Words at the ends of their lines stand so far apart at least. */
const APART_PX = 18;

/** Superheat and subcooling of the last minutes, with a word at the end of each. */
@Component({
  selector: 'hy-settling-trace',
  imports: [Width],
  template: `
    <div hyWidth #box="hyWidth">
      @if (drawing(box.pixels()); as d) {
        <svg [attr.width]="box.pixels()" [attr.height]="height" role="img" [attr.aria-label]="summary()">
          @for (tick of d.ticks; track tick.y) {
            <line class="rule" [attr.x1]="d.left" [attr.x2]="d.right" [attr.y1]="tick.y" [attr.y2]="tick.y" />
            <text class="axis" [attr.x]="d.left - 8" [attr.y]="tick.y + 5" text-anchor="end">{{ tick.text }}</text>
          }
          <text class="axis" [attr.x]="d.left" [attr.y]="height - 4">{{ d.begins }}</text>
          <text i18n class="axis" [attr.x]="d.right" [attr.y]="height - 4" text-anchor="end">now</text>
          @for (item of d.lines; track item.name) {
            <path [class]="item.name" [attr.d]="item.path" />
            <text [class]="item.name" [attr.x]="d.right + 8" [attr.y]="item.y">{{ item.word }}</text>
          }
        </svg>
      }
    </div>
  `,
  styles: `
    svg {
      display: block;
    }

    path {
      fill: none;
      stroke-width: 2.4;
      stroke-linejoin: round;
    }

    path.superheat {
      stroke: var(--ink);
    }

    path.subcooling {
      stroke: var(--liquid);
    }

    .rule {
      stroke: var(--line);
    }

    text {
      fill: var(--ink);
      font-size: 15px;
    }

    .axis {
      fill: var(--ink-2);
      font-size: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettlingTrace {
  readonly moments = input.required<readonly Moment[]>();
  private readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly height = HEIGHT_PX;

  private readonly degrees = (K: number): number => temperatureDifferenceIn(K, this.preferences().temperature);
  protected readonly summary = computed(() => {
    const last = this.moments().at(-1);
    return last === undefined
      ? $localize`Superheat and subcooling: nothing yet`
      : $localize`Superheat ${this.units.temperatureStep(last.superheat)}, subcooling ${this.units.temperatureStep(last.subcooling)}`;
  });

  protected drawing(width: number) {
    const moments = this.moments();
    const [first, last] = [moments[0], moments.at(-1)];
    if (first === undefined || last === undefined || moments.length < 2) return undefined;
    const [left, right] = [PAD_PX.left, width - PAD_PX.right];
    const values = moments.flatMap(({ superheat, subcooling }) => [this.degrees(superheat), this.degrees(subcooling)]);
    const y = scaleLinear([Math.min(0, ...values), Math.max(...values) + 1], [HEIGHT_PX - PAD_PX.bottom, PAD_PX.top]).nice(3);
    const x = scaleLinear([first.atS, last.atS], [left, right]);
    const lines = (['superheat', 'subcooling'] as const).map((name) => ({
      name,
      path: `M${moments.map((moment) => `${x(moment.atS).toFixed(1)} ${y(this.degrees(moment[name])).toFixed(1)}`).join('L')}`,
      y: y(this.degrees(last[name])) + 5,
      word: name,
    }));
    const [one, other] = lines as [(typeof lines)[0], (typeof lines)[0]]; // of two names there are two
    const near = APART_PX - Math.abs(one.y - other.y);
    const push = near > 0 ? near / 2 : 0;
    const upper = one.y <= other.y ? one : other;
    return {
      left,
      right,
      lines: lines.map((item) => ({ ...item, y: item === upper ? item.y - push : item.y + push })),
      ticks: y.ticks(3).map((value) => ({ y: y(value), text: `${value}°` })),
      begins: $localize`${this.units.decimal((last.atS - first.atS) / 60, 0)} min ago`,
    };
  }
}
