import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { readQuantity } from '../ui/quantity-entry';
import { BigNumber } from '../ui/big-number';
import { Caution } from '../ui/caution';
import { ChoiceField, type Choice } from '../ui/choice-field';
import { LimitsTable } from '../ui/limits-table';
import { valueOf } from '../ui/loadable';
import { QuantityField } from '../ui/quantity-field';
import { RefrigerantField } from '../ui/refrigerant-field';
import { TextField } from '../ui/text-field';
import { WeightBeam } from '../ui/weight-beam';
import { Units } from '../preferences/units.service';
import { CylinderSide } from './cylinder-side';
import { lessText } from './less-text';
import { FillSession } from './fill.session';

/** Before the first gram moves: what is in it, which limit applies, and the reading at which to stop. */
@Component({
  selector: 'hy-cylinder-stage',
  imports: [BigNumber, Caution, ChoiceField, CylinderSide, LimitsTable, QuantityField, RefrigerantField, TextField, WeightBeam],
  templateUrl: './cylinder.stage.html',
  styleUrls: ['../ui/columns.css', './stage.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CylinderStage {
  protected readonly session = inject(FillSession);
  protected readonly units = inject(Units);

  protected readonly cylinder = computed(() => valueOf(this.session.cylinder())!); // the page shows this stage only with its cylinder
  protected readonly limits = computed(() => valueOf(this.session.limits()));
  protected readonly noLimit = computed(() => {
    const limits = this.session.limits();
    return limits.state === 'failed' ? limits.sentence : undefined;
  });
  /** The limits together with the reading at which to shut the valve: never one without the other. */
  protected readonly shown = computed(() => {
    const [limits, shutAt] = [this.limits(), this.session.shutAt()];
    return limits === undefined || shutAt === undefined ? undefined : { ...limits, shutAt };
  });
  protected readonly stop = computed(() => this.units.mass(this.session.shutAt()?.gross ?? 0, 'down'));
  /** Until the valve is shut; what is over the limit already is told apart. */
  protected readonly room = computed(() => {
    const { gross = 0 } = this.session.shutAt() ?? {};
    return Math.max(0, (this.session.ruling()?.mayAdd ?? 0) - (this.session.ruling()?.gross ?? 0) + gross);
  });
  protected readonly less = computed(() => lessText(this.session.ruling()?.gross ?? 0, this.session.shutAt(), this.units));
  protected readonly hoses = [
    { value: 'three-eighths', label: 'one 3/8 in hose' },
    { value: 'quarter-inch', label: 'one 1/4 in hose' },
    { value: 'none', label: 'nothing, emptied first' },
  ];
  protected readonly oilProblem = computed(() => (this.session.oilShare() === undefined ? 'Per cent of oil by mass, 0 to 50.' : undefined));
  protected readonly sources = computed<readonly Choice[]>(() => {
    const accounts = valueOf(this.session.accounts()) ?? [];
    const from = (kind: string) => accounts.filter((account) => account.kind === kind && account.id !== this.session.cylinderId);
    const refrigerants = new Map((valueOf(this.session.systems()) ?? []).map(({ id, refrigerant }) => [id, refrigerant]));
    const systems = from('system').map(({ id, name }) => ({ value: id, label: `${name} (${refrigerants.get(id) ?? ''})` }));
    const others = [...from('cylinder'), ...from('supplier'), ...from('hoses'), ...from('unexplained')].map(({ id, name }) => ({
      value: id,
      label: name,
    }));
    return [{ value: '', label: 'Choose a system' }, ...systems, ...others];
  });
  protected readonly sourceProblem = computed(() =>
    this.session.asked() && this.session.source() === undefined ? 'Choose the system it comes from.' : undefined,
  );
  protected readonly refrigerantProblem = computed(() =>
    this.session.asked() && this.session.incoming() === undefined ? 'Say which refrigerant it is.' : undefined,
  );

  protected readonly placeChoices = computed<readonly Choice[]>(() => [
    ...this.session.places.map(({ id, name, T }) => ({ value: id, label: `${name}, ${this.units.temperature(T)}` })),
    ...(this.session.place() === 'organisation'
      ? [{ value: 'organisation', label: `As in the settings, ${this.units.temperature(this.session.hottestK() ?? 0)}` }]
      : []),
    { value: 'own', label: 'Another temperature' },
  ]);

  protected book(): void {
    const before = readQuantity('mass', this.session.draft().before);
    if (before.state === 'good') this.session.weighing.send(before.si);
  }
}
