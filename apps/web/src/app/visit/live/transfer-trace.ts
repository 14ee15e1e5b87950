import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { VisitTransfer } from '@hygromet/contract/visit-transfer';
import { Units } from '../../preferences/units.service';

const WIDTH_DRAWN = 240;

/** The weight of a transfer that was followed, over its time. */
@Component({
  selector: 'hy-transfer-trace',
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height()" role="img" [attr.aria-label]="words()">
      <path [attr.d]="way()" />
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }

    path {
      fill: none;
      stroke: var(--liquid);
      stroke-width: 2.4;
      vector-effect: non-scaling-stroke;
    }

    svg {
      display: block;
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TransferTrace {
  private readonly units = inject(Units);
  readonly transfer = input.required<VisitTransfer>();
  readonly height = input(44);
  protected readonly width = WIDTH_DRAWN;
  protected readonly words = computed(() => {
    const { setUp, ended } = this.transfer();
    return $localize`From ${this.units.massText(setUp.startGrossKg)} to ${this.units.massText(ended?.finish.endGrossKg ?? 0)}`;
  });
  protected readonly way = computed(() => {
    const [{ ended, setUp }, height] = [this.transfer(), this.height()];
    const trace = ended?.finish.trace;
    if (trace === undefined) return '';
    const points = trace.t.flatMap((t, k) => (trace.grossKg[k] == null ? [] : [{ t, kg: trace.grossKg[k] }]));
    const most = Math.max(...points.map(({ kg }) => kg), setUp.startGrossKg + 0.01);
    const x = (t: number) => (WIDTH_DRAWN * t) / Math.max(1, trace.t.at(-1) ?? 1);
    const y = (kg: number) => height - 3 - ((height - 6) * (kg - setUp.startGrossKg)) / (most - setUp.startGrossKg);
    return points.map(({ t, kg }, k) => `${k === 0 ? 'M' : 'L'}${x(t).toFixed(1)} ${y(kg).toFixed(1)}`).join('');
  });
}
