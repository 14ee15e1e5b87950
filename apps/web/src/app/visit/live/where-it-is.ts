import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Range } from '@hygromet/core/twin/estimate/outlook';
import { Units } from '../../preferences/units.service';
import { LiveTransfer } from './live-transfer';
import { durationText } from './live-labels';

/** Where the refrigerant is while it moves, and what decides that: readings, or still the plate. */
@Component({
  selector: 'hy-where-it-is',
  template: `
    @if (rows(); as list) {
      <h2>{{ phase() }}</h2>
      <dl>
        @for (row of readings(); track row.name) {
          <div>
            <dt>{{ row.name }}</dt>
            <dd>{{ row.value }}</dd>
          </div>
        }
      </dl>
      <table>
        <thead>
          <tr>
            <th i18n scope="col">Where it is</th>
            <th scope="col" class="number">{{ units.mass(0).unit }}</th>
          </tr>
        </thead>
        <tbody>
          @for (row of list; track row.name) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td class="number">{{ row.value }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p class="small">{{ decides() }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-bottom: 24px;
    }

    h2,
    dl,
    table {
      margin-bottom: 14px;
    }

    h2 {
      font-size: 16.5px;
    }

    dl {
      display: flex;
      gap: 10px;
      margin-top: 0;
    }

    dl div {
      flex: 1;
      padding: 8px 12px;
      border: 1px solid var(--line-strong);
      border-radius: var(--radius);
      background: var(--paper);
    }

    dt {
      color: var(--ink-2);
      font-size: 14px;
    }

    dd {
      margin: 0;
      font-size: 18px;
      font-weight: 650;
    }
  `,
  styleUrl: './live.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhereItIs {
  private readonly live = inject(LiveTransfer);
  protected readonly units = inject(Units);

  protected readonly phase = computed(() => {
    const over = this.live.outlook()?.liquidOver?.likely;
    if (this.live.valveShut()) return $localize`Valve shut`;
    if (this.live.machineOff()) return $localize`Machine stopped`;
    if (this.live.machineState() === 'loop') return $localize`The machine loops the cylinder`;
    if (this.live.machineState() === 'purge') return $localize`The machine purges itself`;
    const method = this.live.transfer()?.setUp.scenario?.method;
    if (method === 'liquid-first' && over !== undefined && over < this.live.elapsed())
      return $localize`Vapor through the machine, liquid over for ${durationText(this.live.elapsed() - over, this.units)}`;
    if (method === 'liquid-first' || method === 'direct') return $localize`Liquid, by its own pressure`;
    return method === 'push-pull' ? $localize`Liquid, pushed by the machine` : $localize`Vapor through the machine`;
  });
  protected readonly readings = computed(() => {
    const [suction, head] = [this.live.last('suction'), this.live.last('head')];
    return [
      ...(suction === undefined ? [] : [{ name: $localize`Suction`, value: this.units.pressure(suction.value) }]),
      ...(head === undefined ? [] : [{ name: $localize`Head`, value: this.units.pressure(head.value) }]),
    ];
  });
  protected readonly rows = computed(() => {
    const [transfer, gross, outlook] = [this.live.transfer(), this.live.gross(), this.live.outlook()];
    if (transfer === undefined || gross === undefined) return undefined;
    const { tareKg, startGrossKg } = transfer.setUp;
    const inCylinder = { name: $localize`Cylinder`, value: this.number(Math.max(0, gross.kg - tareKg)) };
    if (outlook === undefined) return [inCylinder];
    const held = outlook.chargeKg.likely - outlook.systemKg.likely - (gross.kg - startGrossKg);
    return [
      inCylinder,
      { name: $localize`System, as vapor and in the oil`, value: this.range(outlook.systemKg) },
      { name: $localize`Hoses and machine`, value: this.number(Math.max(0, held)) },
    ];
  });
  protected readonly decides = computed(() => {
    const outlook = this.live.outlook();
    if (outlook === undefined) return '';
    return outlook.chargeSeen
      ? $localize`The readings tell what is left: ${this.range(outlook.chargeKg)} ${this.units.mass(0).unit} were in it.`
      : $localize`The charge cannot be seen while liquid is left: until then plate and ledger decide what remains.`;
  });

  private number = (kg: number): string => this.units.mass(kg).number;
  private range = ({ low, high, likely }: Range): string => {
    const [a, b] = [this.number(low), this.number(high)];
    return a === b ? this.number(likely) : $localize`${a} to ${b}`;
  };
}
