import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { nitrogenCylinders, type SupplyTask } from '@hygromet/core/proof/nitrogen-supply';
import { coreQuery } from '../../core-worker/core-query';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { Caution } from '../../ui/caution';
import { ChoiceField } from '../../ui/choice-field';
import { Computing } from '../../ui/computing';
import { valueOf } from '../../ui/loadable';
import { emptyEntry, readQuantity } from '../../ui/quantity-entry';
import { QuantityField } from '../../ui/quantity-field';

const NOT_SAID = { value: '', label: $localize`not said` };

/** What the test takes from the nitrogen cylinder, and whether that is in it. */
@Component({
  selector: 'hy-nitrogen-supply',
  imports: [Caution, ChoiceField, Computing, QuantityField],
  template: `
    <div class="fields">
      <hy-choice-field label="Nitrogen cylinder" i18n-label [choices]="sizes" [value]="size()" (valueChange)="size.set($event)" />
      @if (size() !== '') {
        <hy-quantity-field
          label="Pressure in it"
          i18n-label
          hint="on the gauge of its own side"
          i18n-hint
          kind="service-pressure"
          [entry]="pressure()"
          (entryChange)="pressure.set($event)"
        />
      }
    </div>
    @if (supply(); as s) {
      <p class="second" [hyComputing]="asked()">{{ sentence() }}</p>
      @if (s.givesKg !== undefined && s.givesKg < s.neededKg) {
        <hy-caution i18n>Not enough: bring another cylinder, or test a half of the circuit at a time.</hy-caution>
      }
    }
  `,
  styles: `
    .fields {
      display: grid;
      gap: 12px 16px;
      grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
    }

    p {
      margin: 8px 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NitrogenSupply {
  /** What is filled, and to which pressure; nothing until it was typed. */
  readonly task = input<Omit<SupplyTask, 'cylinder'> | undefined>();
  private readonly units = inject(Units);
  protected readonly size = signal('');
  protected readonly pressure = signal(emptyEntry(inject(PreferencesService).current().pressure.startsWith('bar') ? 'barg' : 'psig'));
  protected readonly sizes = [
    NOT_SAID,
    ...nitrogenCylinders.map((feet) => ({ value: String(feet), label: $localize`${feet} cubic feet` })),
  ];
  private readonly question = computed((): SupplyTask | undefined => {
    const [task, reading] = [this.task(), readQuantity('service-pressure', this.pressure())];
    if (task === undefined) return undefined;
    return this.size() === '' || reading.state !== 'good'
      ? task
      : { ...task, cylinder: { cubicFeet: Number(this.size()), gaugePa: reading.si } };
  });
  protected readonly asked = coreQuery(inject(CoreWorker), 'nitrogenSupply', this.question);
  protected readonly supply = computed(() => valueOf(this.asked()));
  protected readonly sentence = computed(() => {
    const { neededKg, givesKg } = this.supply()!;
    const takes = $localize`It takes ${this.units.massText(neededKg, 'up')} of nitrogen`;
    return givesKg === undefined
      ? `${takes}.`
      : $localize`${takes}; the cylinder gives about ${this.units.massText(givesKg, 'down')} before it stands at the test pressure itself.`;
  });
}
