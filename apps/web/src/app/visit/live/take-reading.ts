import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { siOf, type Quantity } from '@hygromet/core/instruments/quantity';
import type { Instrument } from '@hygromet/contract/instrument';
import { Units } from '../../preferences/units.service';
import { HeardInstruments, lastOf } from './heard-instruments';

/** What an instrument shows now, to be taken into the field beside it. Nothing where none is heard. */
@Component({
  selector: 'hy-take-reading',
  template: `
    @if (reading(); as own) {
      <button i18n type="button" class="button small" (click)="taken.emit(own.value)">Take {{ own.text }} from {{ own.id }}</button>
    }
  `,
  styles: `
    :host {
      display: block;
    }

    button {
      margin-top: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeReading {
  readonly quantity = input.required<Quantity>();
  /** SI. */
  readonly taken = output<number>();
  private readonly units = inject(Units);
  private readonly heard = toSignal<readonly Instrument[], readonly Instrument[]>(inject(HeardInstruments).heard$, { initialValue: [] });
  protected readonly reading = computed(() => {
    const quantity = this.quantity();
    const current = lastOf(this.heard(), quantity);
    const value = current?.last[quantity]?.value;
    return current === undefined || value === undefined ? undefined : { id: current.id, value, text: this.text(quantity, value) };
  });

  private text(quantity: Quantity, value: number): string {
    const si = siOf(quantity);
    return si === 'kg' ? this.units.massText(value) : si === 'Pa' ? this.units.pressure(value) : this.units.temperature(value, 1);
  }
}
