import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { hasPart } from '@hygromet/core/circuit/circuit';
import { purposes, sortOf, thingsOf, type ThingSort } from '@hygromet/core/circuit/opened';
import { valveStates, type Valve, type ValveState } from '@hygromet/core/circuit/part';
import { purposeNames, thingName, valveNames, valveStateNames } from '../systems/system-labels';
import { ChoiceField } from '../ui/choice-field';
import { QuantityField } from '../ui/quantity-field';
import { MethodSession } from './method.session';

const GROUPS: Record<ThingSort, string> = {
  part: $localize`Parts`,
  valve: $localize`Valves`,
  port: $localize`Ports`,
  joint: $localize`Joints`,
};

/** What is seen on arriving: readings, the part that failed, and what still works. */
@Component({
  selector: 'hy-look-fields',
  imports: [ChoiceField, QuantityField],
  template: `
    @let draft = session.draft();
    <hy-quantity-field
      label="Standing pressure"
      i18n-label
      kind="pressure"
      [entry]="draft.standing"
      (entryChange)="session.change({ standing: $event })"
    />
    <hy-choice-field
      label="Pressure read on"
      i18n-label
      [choices]="sides"
      [value]="draft.sides"
      (valueChange)="session.change({ sides: $any($event) })"
    />
    <hy-quantity-field
      label="Ambient"
      i18n-label
      hint="measured at the condenser"
      i18n-hint
      kind="temperature"
      [entry]="draft.ambient"
      (entryChange)="session.change({ ambient: $event, ambientConfirmed: false })"
    />
    <hy-quantity-field
      label="Reported short"
      i18n-label
      hint="leave empty if nobody said so"
      i18n-hint
      kind="mass"
      [entry]="draft.short"
      (entryChange)="session.change({ short: $event })"
      [required]="false"
    />
    <hy-choice-field
      label="Purpose"
      i18n-label
      [choices]="purposes"
      [value]="draft.purpose"
      (valueChange)="session.change({ purpose: $any($event) })"
    />
    @if (draft.purpose === 'repair' || draft.purpose === 'find-leak') {
      <hy-choice-field
        label="Failed part"
        i18n-label
        [choices]="failedChoices()"
        [value]="draft.failed"
        (valueChange)="session.change({ failed: $any($event) })"
      />
    }
    <hy-choice-field
      label="Compressor"
      i18n-label
      [choices]="compressorStates"
      [value]="draft.compressor"
      (valueChange)="session.change({ compressor: $any($event) })"
    />
    @for (entry of session.valveStates(); track entry.valve) {
      <hy-choice-field
        [label]="valveNames[entry.valve]"
        [choices]="valveChoices"
        [value]="entry.state"
        (valueChange)="found(entry.valve, $event)"
      />
    }
    <hy-choice-field
      label="Metering device"
      i18n-label
      [choices]="meteringStates"
      [value]="draft.metering"
      (valueChange)="session.change({ metering: $any($event) })"
    />
    @if ((session.circuit()?.water ?? []).length > 0) {
      <hy-choice-field
        label="Water"
        i18n-label
        [choices]="waterStates"
        [value]="draft.water"
        (valueChange)="session.change({ water: $any($event) })"
      />
    }
    @if (reversible()) {
      <hy-choice-field
        label="Forced cooling"
        i18n-label
        [choices]="coolingStates"
        [value]="draft.coolingMode"
        (valueChange)="session.change({ coolingMode: $any($event) })"
      />
    }
    <hy-choice-field
      label="Repair"
      i18n-label
      [choices]="repairs"
      [value]="draft.majorRepair ? 'major' : 'minor'"
      (valueChange)="session.change({ majorRepair: $event === 'major' })"
    />
    <hy-choice-field
      label="Leak"
      i18n-label
      [choices]="leakStates"
      [value]="draft.leaks ? 'spoils' : 'no'"
      (valueChange)="session.change({ leaks: $event === 'spoils' })"
    />
    @if (stores()) {
      <hy-choice-field
        label="Condenser and receiver"
        i18n-label
        [choices]="sunStates"
        [value]="draft.shaded ? 'shade' : 'sun'"
        (valueChange)="session.change({ shaded: $event === 'shade' })"
      />
    }
  `,
  styleUrl: '../ui/field-grid.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LookFields {
  protected readonly session = inject(MethodSession);
  protected readonly reversible = computed(() => {
    const circuit = this.session.circuit();
    return circuit !== undefined && hasPart(circuit, 'reversing-valve');
  });
  protected readonly purposes = purposes.map((value) => ({ value, label: purposeNames[value] }));
  /** What of this circuit can fail; what an earlier version said, or an earlier make-up had, stays in sight. */
  protected readonly failedChoices = computed(() => {
    const [circuit, { failed }] = [this.session.circuit(), this.session.draft()];
    const things = circuit === undefined ? [] : thingsOf(circuit);
    const said = failed === 'unknown' || failed === 'none' || things.includes(failed) ? [] : [failed];
    return [
      { value: 'unknown', label: $localize`not found yet` },
      ...(failed === 'none' ? [{ value: 'none', label: $localize`none – decommissioning` }] : []),
      ...[...said, ...things].map((value) => ({ value, label: thingName(value), group: GROUPS[sortOf(value)] })),
    ];
  });
  protected found = (valve: Valve, state: string): void => this.session.change({ [valve]: state as ValveState }); // the list offers only these
  protected readonly valveNames = valveNames;
  protected readonly valveChoices = valveStates.map((value) => ({ value, label: valveStateNames[value] }));
  protected readonly sides = [
    { value: 'unknown', label: $localize`not said` },
    { value: 'both', label: $localize`both sides, alike` },
    { value: 'one', label: $localize`one side only` },
  ];
  protected readonly compressorStates = [
    { value: 'unknown', label: $localize`not verified` },
    { value: 'runs', label: $localize`runs` },
    { value: 'stands', label: $localize`does not run` },
    { value: 'burnt-out', label: $localize`burnout` },
    { value: 'said-to-stand', label: $localize`reported: does not run` },
    { value: 'said-burnt-out', label: $localize`reported: burnout` },
  ];
  protected readonly meteringStates = [
    { value: 'unknown', label: $localize`not verified` },
    { value: 'works', label: $localize`works` },
    { value: 'stuck-closed', label: $localize`stuck shut` },
    { value: 'stuck-open', label: $localize`stuck open` },
  ];
  protected readonly waterStates = [
    { value: 'unknown', label: $localize`not verified` },
    { value: 'flows', label: $localize`flows` },
    { value: 'stands', label: $localize`no flow` },
    { value: 'drained', label: $localize`isolated and drained` },
    { value: 'leaks-in', label: $localize`leaks into the refrigerant` },
  ];
  protected readonly coolingStates = [
    { value: 'unknown', label: $localize`not verified` },
    { value: 'held', label: $localize`can be held` },
    { value: 'not-held', label: $localize`cannot be held` },
  ];
  protected readonly stores = computed(() => this.session.valveStates().length > 0);
  protected readonly leakStates = [
    { value: 'no', label: $localize`level can be reached` },
    { value: 'spoils', label: $localize`level cannot be reached` },
  ];
  protected readonly sunStates = [
    { value: 'sun', label: $localize`in the sun, or not known` },
    { value: 'shade', label: $localize`in the shade all day` },
  ];
  protected readonly repairs = [
    { value: 'major', label: $localize`major repair` },
    { value: 'minor', label: $localize`non-major repair` },
  ];
}
