import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { usualScaleOff } from '@hygromet/core/cylinder/handling';
import { hottestPlaces, placeProblem } from '../cylinders/hottest-place';
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
import { WeightKeys } from '../ui/weight-keys';
import { Units } from '../preferences/units.service';
import { BudgetTable } from './budget-table';
import { CylinderSide } from './cylinder-side';
import { lessText } from './less-text';
import type { FillDraft } from './fill-draft';
import { FillSession } from './fill.session';

/** Before the first gram moves: what is in it, which limit applies, and the reading at which to stop. */
@Component({
  selector: 'hy-cylinder-stage',
  imports: [
    BigNumber,
    BudgetTable,
    Caution,
    ChoiceField,
    CylinderSide,
    LimitsTable,
    QuantityField,
    RefrigerantField,
    TextField,
    WeightBeam,
    WeightKeys,
  ],
  templateUrl: './cylinder.stage.html',
  styleUrls: ['../ui/columns.css', './stage.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CylinderStage {
  protected readonly words = {
    notToBeFilledNow: $localize`Not to be filled now. Its stop weight is`,
    closeTheValveWhenThe: $localize`Close the valve when the scale reads`,
    giveTheReasonUntilThen: $localize`Give the reason: until then the rule stands.`,
    more: $localize`more`,
    less: $localize`less`,
  } as const;

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
  protected readonly stop = computed(() => this.units.mass(this.session.shutAt()?.gross ?? 0, 'down', this.session.scaleUnit()));
  protected readonly stopNet = computed(() => this.session.onScale((this.session.shutAt()?.gross ?? 0) - this.session.tareKg(), 'down'));
  protected readonly otherUnit = computed(() => this.units.otherMassUnit(this.session.scaleUnit()));
  /** Until the valve is shut; what is over the limit already is told apart. */
  protected readonly room = computed(() => {
    return Math.max(0, (this.session.shutAt()?.gross ?? 0) - (this.session.grossBefore() ?? 0));
  });
  protected readonly less = computed(() =>
    lessText(this.session.ruling()?.gross ?? 0, this.session.shutAt(), { massText: this.session.onScale }),
  );
  protected readonly ports = [
    { value: '', label: $localize`not known (worst case)` },
    { value: 'liquid', label: $localize`liquid, or all of it` },
    { value: 'vapour', label: $localize`vapor only` },
  ];
  protected port = (value: string) => value as FillDraft['port']; // the field offers only these
  protected readonly scaleHint = computed(() => {
    const gross = this.session.ruling()?.gross;
    return gross === undefined ? '' : $localize`left empty: ${this.session.onScale(usualScaleOff(gross), 'up')}, as such a scale is`;
  });
  /** What is taken off because nobody has published a pair of its substances. */
  protected readonly estimated = computed(() => {
    const composition = this.session.incoming()?.composition ?? this.session.composition();
    if (composition === undefined || isUnknown(composition)) return $localize`Not identified: everything it could be is counted.`;
    const margin = this.session.margin();
    if (margin === undefined) return $localize`Two substances in this mixture have no published data together.`;
    const { densityFactor, pressureTooLow, worstPressureTooLow } = margin;
    return (
      $localize`Two substances in this mixture have no published data together. Its density is taken ${this.units.decimal(100 * (1 - densityFactor), 1)} % lower, ` +
      $localize`its pressure up to ${this.units.percent(pressureTooLow)} too low is allowed for (measured: nine of ten such mixtures; the worst ${this.units.percent(worstPressureTooLow)}).`
    );
  });
  protected readonly hoses = [
    { value: 'three-eighths', label: $localize`one 3/8 in hose` },
    { value: 'quarter-inch', label: $localize`one 1/4 in hose` },
    { value: 'none', label: $localize`None – hose is cleared first` },
  ];
  protected readonly oilProblem = computed(() =>
    this.session.oilShare() === undefined ? $localize`Per cent of oil by mass, 0 to 50.` : undefined,
  );
  protected readonly sources = computed<readonly Choice[]>(() => {
    const accounts = valueOf(this.session.accounts()) ?? [];
    const from = (kind: string) => accounts.filter((account) => account.kind === kind && account.id !== this.session.cylinderId);
    const refrigerants = new Map((valueOf(this.session.systems()) ?? []).map(({ id, refrigerant }) => [id, refrigerant]));
    const systems = from('system').map(({ id, name }) => ({ value: id, label: `${name} (${refrigerants.get(id) ?? ''})` }));
    const cylinders = from('cylinder')
      .filter(({ massKg }) => massKg > 0)
      .map(({ id, name, massKg }) => ({ value: id, label: $localize`${name} (${this.units.massText(massKg)} in it)` }));
    const others = [...from('supplier'), ...from('hoses'), ...from('unexplained')].map(({ id, name }) => ({ value: id, label: name }));
    return [{ value: '', label: $localize`Select a source` }, ...systems, ...cylinders, ...others];
  });
  protected readonly sourceProblem = computed(() => {
    if (this.session.sourceUnread()) return $localize`What is in it cannot be read now. Choose it again when the server answers.`;
    return this.session.submitted() && this.session.source() === undefined ? $localize`Select a source.` : undefined;
  });
  protected readonly refrigerantProblem = computed(() =>
    this.session.submitted() && this.session.incoming() === undefined ? $localize`Say which refrigerant it is.` : undefined,
  );

  protected readonly placeProblem = placeProblem;
  protected readonly placeChoices = computed(() => hottestPlaces(this.session.place(), this.session.organisationK(), this.units));

  protected book(): void {
    const before = readQuantity('mass', this.session.draft().before);
    if (before.state === 'good') this.session.weighing.send(before.si);
  }
}
