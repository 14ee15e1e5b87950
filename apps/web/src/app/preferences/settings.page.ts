import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { CheckboxStyles } from '../ui/library-styles/checkbox-styles';

import { fillRuleName, fillRules, fillRuleSource, type FillRule } from '@hygromet/core/cylinder/fill-rule';
import { FormsModule, ReactiveFormsModule } from '@angular/forms';
import { mutation, errorIn } from '../data/mutation';
import { ServerData } from '../data/server-data.service';
import { overlayForm } from '../forms/overlay-form';
import { LanguageField } from '../language/language-field';
import { DiscardButton } from '../ui/discard-button';
import { ChoiceField } from '../ui/choice-field';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { emptyOrganisationForm, organisationOf, organisationRules, rulesMissing, type OrganisationForm } from './organisation-form';
import type { Preferences } from './preferences';
import { decimalMarks, massUnits, pressureUnits, temperatureUnits, themes } from './preference-choices';
import { PreferencesService } from './preferences.service';
import { Instruments } from './instruments';
import { PersonField } from './person-field';
import { Prices } from './prices';
import { settingsHistory } from './settings-history';
import { Units } from './units.service';
import { momentText } from '../ui/day';

/** What belongs to this person on this device, and what the whole firm has decided. */
@Component({
  selector: 'hy-settings-page',
  imports: [
    DiscardButton,
    CheckboxStyles,
    FormsModule,
    NzCheckboxModule,
    LanguageField,
    PersonField,
    ChoiceField,
    PageHead,
    Instruments,
    Prices,
    QuantityField,
    ReactiveFormsModule,
    TextField,
  ],
  templateUrl: './settings.page.html',
  styleUrls: ['../ui/form.css', './settings.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingsPage {
  private readonly serverData = inject(ServerData);
  private readonly service = inject(PreferencesService);
  private readonly units = inject(Units);
  protected readonly preferences = this.service.current;

  private readonly loaded = fromServer(this.serverData.organisation$);
  protected readonly organisation = computed(() => valueOf(this.loaded()));
  private readonly edits = signal<Partial<OrganisationForm>>({});
  protected readonly saved = signal(false);

  private readonly record = computed<OrganisationForm>(() => {
    const stored = this.organisation();
    const { temperature } = this.preferences();
    if (stored === undefined) return emptyOrganisationForm(temperature);
    return {
      name: stored.name,
      people: stored.people.join(', '),
      altitudeM: String(stored.altitudeM),
      liquidPercent: String(Math.round(stored.liquidShareAt131F * 100)),
      hottest: { unit: temperature, text: String(Math.round(this.units.temperatureNumber(stored.hottestK))), ounces: '' },
      requiredRules: stored.requiredRules,
      partPercent: String(Math.round(stored.partShare * 100)),
      endOfPumpDown: stored.endOfPumpDown,
      keptDays: String(stored.readingsKeptDays),
    };
  });
  protected readonly form = overlayForm<OrganisationForm>(
    {
      shape: emptyOrganisationForm(this.preferences().temperature),
      record: this.record,
      typed: this.edits,
      change: (typed) => this.edited(typed),
    },
    organisationRules,
  );
  /** What is ticked now. */
  protected readonly required = computed(() => this.edits().requiredRules ?? this.record().requiredRules);
  protected readonly rulesProblem = computed(() => (this.required().length === 0 ? rulesMissing : undefined));

  /** The version that was on the screen when the first field was changed: whatever came after it has not been looked at. */
  private readonly seen = signal<number | undefined>(undefined);
  private readonly changes = fromServer(this.serverData.organisationHistory$);
  protected readonly history = computed(() => settingsHistory(valueOf(this.changes()) ?? [], this.units));
  protected readonly moment = momentText;

  private readonly saving = mutation(this.serverData.saveOrganisation$, () => {
    this.edits.set({});
    this.seen.set(undefined);
    this.saved.set(true);
  });
  protected readonly busy = computed(() => this.saving.state().state === 'busy');
  protected readonly refused = computed(() => errorIn(this.saving.state()));
  /** Somebody else has saved meanwhile: their state is read, and what is typed here stays until the person decides. */
  protected readonly overtaken = computed(() => {
    const state = this.saving.state();
    return state.state === 'refused' && state.apiError.code === 'changed-meanwhile';
  });

  /** What nobody has identified is held to its rule whatever is ticked: no box is offered for it. */
  protected readonly rules = fillRules
    .filter((rule) => rule !== 'unknown-content')
    .map((rule) => ({ rule, name: fillRuleName(rule), source: fillRuleSource(rule) }));
  protected readonly endsOfPumpDown = choices({
    'slightly-positive': $localize`Slightly positive, 0 to 2 psig`,
    vacuum: $localize`Vacuum, reciprocating compressors only`,
  });
  protected readonly massUnits = massUnits;
  protected readonly temperatureUnits = temperatureUnits;
  protected readonly pressureUnits = pressureUnits;
  protected readonly decimalMarks = decimalMarks;
  protected readonly themes = themes;

  /** The field of that name offers only the values of that preference. */
  protected prefer(name: keyof Preferences, value: string): void {
    this.service.change({ [name]: value });
  }

  private edited(typed: Partial<OrganisationForm>): void {
    this.saved.set(false);
    if (this.seen() === undefined) this.seen.set(this.organisation()?.version);
    this.edits.set(typed);
  }

  protected toggle(rule: FillRule): void {
    const { requiredRules } = this.form.controls;
    requiredRules.markAsDirty();
    requiredRules.setValue(
      requiredRules.value.includes(rule) ? requiredRules.value.filter((other) => other !== rule) : [...requiredRules.value, rule],
    );
  }

  constructor() {
    effect(() => {
      if (this.overtaken()) untracked(() => this.serverData.readAgain());
    });
  }

  protected takeTheirs(): void {
    this.edits.set({});
    this.seen.set(undefined);
    this.saving.reset();
  }

  /** Only what was changed here goes over theirs. */
  protected saveOver(): void {
    this.seen.set(undefined);
    this.save();
  }

  protected save(): void {
    const version = this.organisation()?.version;
    const settings = this.form.valid ? organisationOf(this.form.getRawValue()) : undefined;
    if (settings === undefined || version === undefined) return;
    this.saving.send({ version: this.seen() ?? version, settings, recordedBy: this.preferences().person });
  }
}

const choices = (labels: Readonly<Record<string, string>>) => Object.entries(labels).map(([value, label]) => ({ value, label }));
