import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { Units } from '../../preferences/units.service';
import { Width } from '../../ui/width';

const HEIGHT_PX = 78;
const BAR = { y: 32, height: 16 };
const PAD_PX = 20;
/** A word nearer to an end than this is put to its inner side. */
const WORD_PX = 70;
/** Drawn beyond the target, as a share of it. */
const BEYOND_DRAWN = 0.18;

/**
 * The charge as it goes in, from nothing to beyond its target: blue is in it, the framed band is the target with its error, hatched is too
 * much.
 */
@Component({
  selector: 'hy-charge-beam',
  imports: [Width],
  template: `
    <div hyWidth #box="hyWidth">
      @let d = drawing(box.pixels());
      <svg [attr.width]="box.pixels()" [attr.height]="height" role="img" [attr.aria-label]="summary()">
        <defs>
          <pattern id="too-much" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="7" class="hatch" />
          </pattern>
        </defs>
        <rect class="room" [attr.x]="d.start" [attr.width]="d.to - d.start" [attr.y]="bar.y" [attr.height]="bar.height" />
        <rect class="beyond" [attr.x]="d.to" [attr.width]="d.end - d.to" [attr.y]="bar.y" [attr.height]="bar.height" />
        <rect
          class="fed"
          [class.over]="fedKg() > targetKg() + sigmaKg()"
          [attr.x]="d.start"
          [attr.width]="d.fed - d.start"
          [attr.y]="bar.y"
          [attr.height]="bar.height"
        />
        <rect class="frame" [attr.x]="d.start" [attr.width]="d.end - d.start" [attr.y]="bar.y" [attr.height]="bar.height" />
        <rect class="band" [attr.x]="d.from" [attr.width]="d.to - d.from" [attr.y]="bar.y - 4" [attr.height]="bar.height + 8" />
        <text class="target" [attr.x]="d.targetWord" y="18" [attr.text-anchor]="d.targetAnchor">{{ targetText() }}</text>
        <line class="mark" [attr.x1]="d.fed" [attr.x2]="d.fed" [attr.y1]="bar.y + bar.height" [attr.y2]="bar.y + bar.height + 8" />
        <text i18n [attr.x]="d.fedWord" [attr.y]="height - 4" [attr.text-anchor]="d.fedAnchor">{{ units.massText(fedKg()) }} in</text>
      </svg>
    </div>
  `,
  styles: `
    :host {
      display: block;
    }

    svg {
      display: block;
    }

    .room {
      fill: var(--act-soft);
    }

    .fed {
      fill: var(--liquid);
      transition: width 200ms ease-out;
    }

    .fed.over {
      fill: var(--danger);
    }

    .beyond {
      fill: url(#too-much);
    }

    .hatch {
      stroke: var(--danger);
      stroke-width: 2.4;
    }

    .frame {
      fill: none;
      stroke: var(--line-strong);
    }

    .band {
      fill: none;
      stroke: var(--act);
      stroke-width: 2.4;
    }

    .mark {
      stroke: var(--ink);
      stroke-width: 1.8;
    }

    text {
      fill: var(--ink);
      font-size: 15px;
      font-weight: 600;
    }

    .target {
      font-size: 16px;
      font-weight: 700;
    }

    @media (prefers-reduced-motion: reduce) {
      .fed {
        transition: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChargeBeam {
  /** kg in it, kg that belong in it, and one standard deviation of that. */
  readonly fedKg = input.required<number>();
  readonly targetKg = input.required<number>();
  readonly sigmaKg = input.required<number>();
  protected readonly units = inject(Units);
  protected readonly height = HEIGHT_PX;
  protected readonly bar = BAR;
  protected readonly targetText = computed(() => `${this.units.massText(this.targetKg())} ± ${this.units.massText(this.sigmaKg(), 'up')}`);
  protected readonly summary = computed(() => $localize`Charge: ${this.units.massText(this.fedKg())} in, target ${this.targetText()}`);

  protected drawing(width: number) {
    const [target, sigma, fed] = [this.targetKg(), this.sigmaKg(), Math.max(0, this.fedKg())];
    const most = Math.max(target + sigma, fed) + BEYOND_DRAWN * Math.max(target, sigma);
    const x = scaleLinear([0, most], [PAD_PX, width - PAD_PX]);
    const [start, end] = [x(0), x(most)];
    const placed = (at: number) => (at < start + WORD_PX ? 'start' : at > end - WORD_PX ? 'end' : 'middle');
    const within = (at: number) => Math.min(end, Math.max(start, at));
    return {
      start,
      end,
      from: x(Math.max(0, target - sigma)),
      to: x(target + sigma),
      fed: x(fed),
      targetWord: within(x(target)),
      targetAnchor: placed(x(target)),
      fedWord: within(x(fed)),
      fedAnchor: placed(x(fed)),
    };
  }
}
