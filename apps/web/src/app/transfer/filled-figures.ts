import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Heat } from '../core-worker/property-operations';
import { Units } from '../preferences/units.service';

/** What a cylinder filled to its stop does in the heat: where it is full of liquid, what it stands at, where its relief valve opens. */
@Component({
  selector: 'hy-filled-figures',
  template: `
    @let h = heat();
    <dl>
      <div>
        <dt i18n>Liquid-full at</dt>
        <dd>
          @if (h.fills) {
            {{ units.temperature(h.T) }}
          } @else {
            <ng-container i18n>never</ng-container>
          }
        </dd>
      </div>
      @if (h.pHottest !== undefined && hottestK() !== undefined) {
        <div>
          <dt i18n>Pressure at {{ units.temperature(hottestK()!) }}, {{ air() }}</dt>
          <dd>{{ units.pressure(h.pHottest) }}</dd>
        </div>
      }
      <div>
        <dt i18n>Relief valve opens at</dt>
        <dd>{{ relief() }}</dd>
      </div>
    </dl>
  `,
  styles: `
    dl {
      display: grid;
      gap: 2px;
      margin: 12px 0 0;
      font-size: 15px;
    }

    div {
      display: flex;
      justify-content: space-between;
      gap: 16px;
      padding: 4px 0;
      border-top: 1px solid var(--line);
    }

    dt {
      color: var(--ink-2);
    }

    dd {
      margin: 0;
      text-align: right;
      font-variant-numeric: tabular-nums;
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FilledFigures {
  readonly heat = input.required<Heat>();
  readonly hottestK = input.required<number | undefined>();
  /** What is counted as air, in words. */
  readonly air = input.required<string>();
  protected readonly units = inject(Units);

  protected readonly relief = computed(() => {
    const { relief } = this.heat();
    switch (relief?.opens) {
      case 'at':
        return this.units.temperature(relief.T);
      case 'not-until':
        return $localize`above ${this.units.temperature(relief.T)}`;
      case 'always':
        return $localize`any temperature: check its set pressure`;
      case 'unknown':
        return $localize`not known: beyond the equations`;
      case undefined:
        return $localize`set pressure not recorded`;
      default:
        return relief satisfies never;
    }
  });
}
