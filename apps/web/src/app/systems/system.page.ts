import { TimelineStyles } from '../ui/library-styles/timeline-styles';
import { NzTimelineModule } from 'ng-zorro-antd/timeline';
import { lookedName, sectionsOf, valvesFor, type FactSection, type Looked } from './facts-sections';
import { ReadState } from '../shell/read-state';
import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';

import { ReactiveFormsModule, type AbstractControl } from '@angular/forms';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { changedFacts } from '@hygromet/contract/known-facts';
import type { RecordFact } from '@hygromet/core/circuit/evidence';
import type { SavedFacts, System } from '@hygromet/contract/system';
import { tubeSizes } from '@hygromet/core/circuit/line-set';
import { valvesOf } from '@hygromet/core/circuit/circuit';
import { circuitOf } from '@hygromet/core/circuit/circuit-of';
import { fittedStates, optionalParts, valveStates, type OptionalPart } from '@hygromet/core/circuit/part';
import { condenserCoolings, partsOf, type CircuitRecord } from '@hygromet/core/circuit/system-kind';
import { partsWithVolume } from '@hygromet/core/circuit/part-volume';
import { compressorTypes } from '@hygromet/core/planning/job-conditions';
import { whereAtRest } from '@hygromet/core/planning/where';
import { lineQuery } from '../core-worker/line-query';
import { Drafts } from '../data/draft.service';
import { mutation, errorIn } from '../data/mutation';
import { ledger } from '../data/ledger';
import { newKey } from '../data/new-key';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { overlayForm } from '../forms/overlay-form';
import { CircuitDrawing } from '../method/circuit-drawing';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { afterItsPaint } from '../ui/after-paint';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/choice-field';
import { valueOf } from '../ui/loadable';
import { MovementsTable } from '../ui/movements-table';
import { PageHead } from '../ui/page-head';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import {
  circuitRecordOf,
  draftOf,
  factsOf,
  factsRules,
  noEdits,
  touchedOf,
  typedOver,
  type FactsDraft,
  type FactsEdits,
  type PartWithVolume,
} from './facts-draft';
import { ComparedWithUnit } from './compared-with-unit';
import { wayChoices } from './evidence-labels';
import { FactsEvidence } from './facts-evidence';
import { changesIn } from './facts-labels';
import { KnownLine } from './known-line';
import { LimitsField } from './limits-field';
import {
  cooledByNames,
  compressorNames,
  fittedNames,
  flammableWords,
  partNames,
  portNames,
  systemKindNames,
  valveNames,
  valveStateNames,
} from './system-labels';
import { momentText } from '../ui/day';
import { DiscardButton } from '../ui/discard-button';
import { Computing } from '../ui/computing';

const AS_USUAL = { value: '', label: $localize`default for this system type` };

/** One system: its circuit, what is known of it, and what was moved in and out. */
@Component({
  selector: 'hy-system-page',
  imports: [
    DiscardButton,
    Computing,
    TimelineStyles,
    NzTimelineModule,
    ReadState,
    Caution,
    ChoiceField,
    CircuitDrawing,
    ComparedWithUnit,
    KnownLine,
    LimitsField,
    MovementsTable,
    PageHead,
    QuantityField,
    ReactiveFormsModule,
    RouterLink,
    TextField,
  ],
  providers: [FactsEvidence],
  templateUrl: './system.page.html',
  styleUrls: ['../ui/columns.css', '../ui/form.css', '../ui/figures.css', '../ui/state-page.css', './system.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SystemPage {
  protected readonly words = {
    fitted: $localize`Fitted`,
    sayHowYouKnowIt: $localize`Say how you know it: what somebody only says neither forbids nor allows anything.`,
  } as const;

  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly units = inject(Units);
  protected readonly evidence = inject(FactsEvidence);
  protected readonly wayChoices = wayChoices;
  private readonly id = inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '';
  protected readonly system = fromServer(this.serverData.system$(this.id));
  protected readonly ledger = ledger({ account: this.id });
  protected readonly movements = computed(() => valueOf(this.ledger.entries()) ?? []);
  private readonly known = computed(() => valueOf(this.system()));

  protected readonly kindName = ({ kind }: System): string => systemKindNames[kind];
  /** As it is on record, with what is being typed: the drawing shows it at once. */
  private readonly record = computed((): CircuitRecord => {
    const system = this.known();
    return system === undefined ? { kind: 'split' } : circuitRecordOf(system.kind, this.draft(), system.facts);
  });
  protected readonly circuit = computed(() => circuitOf(this.record()));
  protected readonly parts = computed(() => partsOf(this.record()));
  protected readonly where = computed(() => whereAtRest(this.circuit()));
  protected readonly moment = momentText;
  private readonly history = fromServer(this.serverData.systemHistory$(this.id));
  /** Every change of the facts, the latest first, with what it changed. */
  protected readonly changes = computed(() => {
    const history = valueOf(this.history()) ?? [];
    return history.map((change, k) => ({ ...change, lines: changesIn(change, history[k + 1], this.units) }));
  });
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);
  protected readonly line = lineQuery(
    inject(CoreWorker),
    this.known,
    () => valueOf(this.refrigerants())?.find(({ id }) => id === this.known()?.refrigerant)?.composition,
  );
  /** kg on the plate and in what of the line set the plate does not cover. */
  protected readonly total = computed(() => {
    const [system, line] = [this.known(), valueOf(this.line())];
    return system === undefined || line === undefined ? undefined : system.nameplateKg + line;
  });
  protected readonly flammable = computed(() => {
    const found = valueOf(this.refrigerants())?.find(({ id }) => id === this.known()?.refrigerant);
    return found?.flammable === true
      ? (flammableWords[found.safetyGroup ?? ''] ?? $localize`Flammable: everything rated for it, no ignition source, ventilate.`)
      : undefined;
  });

  /** What was typed and not saved yet, kept on the device. */
  private readonly edits = inject(Drafts).open<FactsEdits>(`facts.${this.id}`, noEdits).value;
  protected readonly isTyped = computed(() => Object.keys(this.edits().typed).length > 0);
  private readonly storedDraft = computed((): FactsDraft => {
    const { mass, pressure } = this.preferences();
    return draftOf(this.known()?.facts ?? {}, mass === 'kg', pressure === 'psig' ? 'psig' : 'barg');
  });
  private readonly over = computed(() => typedOver(this.storedDraft(), this.edits().typed));
  /** What nobody has typed follows the record; what was typed stays until it is saved. */
  protected readonly draft = computed((): FactsDraft => ({ ...this.storedDraft(), ...this.over() }));
  protected readonly form = overlayForm<FactsDraft>(
    {
      shape: untracked(this.storedDraft),
      record: this.storedDraft,
      typed: this.over,
      change: (typed) => this.typed(typed),
    },
    factsRules,
  );
  /** What of the circuit is looked at; its facts stand beside the drawing. */
  protected readonly looked = signal<Looked>('unit');
  protected readonly touched = computed(() => {
    const looked = this.looked();
    return looked === 'unit' || looked === 'all' ? undefined : looked;
  });
  /** Whose facts stand beside it: the touch is seen before they are drawn. */
  private readonly laidOut = afterItsPaint(this.looked);
  protected readonly lookedName = lookedName;
  protected readonly things = computed(() =>
    (['unit', ...this.parts(), ...new Set(valvesOf(this.circuit()).map(({ valve }) => valve)), 'all'] as const).map((value) => ({
      value,
      label: lookedName(value),
    })),
  );
  private readonly sections = computed(() => new Set(sectionsOf(this.laidOut())));
  /** The part whose limits are shown alone. */
  protected readonly onlyPart = computed(() => this.parts().find((part) => part === this.laidOut()));
  protected readonly submitted = signal(false);
  protected readonly saving = mutation(
    (body: SavedFacts) => this.serverData.saveSystemFacts$(this.id, body),
    () => {
      this.edits.set(noEdits());
      this.evidence.forget();
      this.saved.set(true);
    },
  );
  protected readonly saved = signal(false);
  protected readonly busy = computed(() => this.saving.state().state === 'busy');
  protected readonly refused = computed(() => errorIn(this.saving.state()));
  /** What was changed of what carries how it is known. */
  private readonly changed = computed((): readonly RecordFact[] => {
    const [facts, known] = [factsOf(this.draft()), this.known()];
    return this.isTyped() && facts !== undefined && known !== undefined ? changedFacts(known.facts, facts) : [];
  });
  protected readonly asksHow = computed(() => this.changed().length > 0);
  /** Something was changed, and he has not said how he knows it. */
  protected readonly isAskedHow = computed(() => this.asksHow() && this.evidence.way() === undefined);
  /** Somebody else has saved meanwhile: their state is read, and what is typed here stays until the person decides. */
  protected readonly overtaken = computed(() => {
    const state = this.saving.state();
    return state.state === 'refused' && state.apiError.code === 'changed-meanwhile';
  });

  protected readonly compressors = [AS_USUAL, ...compressorTypes.map((value) => ({ value, label: compressorNames[value] }))];
  protected readonly ports = [AS_USUAL, ...Object.entries(portNames).map(([value, label]) => ({ value, label }))];
  protected readonly valveChoices = [
    { value: '', label: $localize`usual` },
    ...valveStates.map((value) => ({ value, label: valveStateNames[value] })),
  ];
  protected readonly volumes = computed(() => partsWithVolume.filter((part) => this.parts().includes(part)));
  /** Valves that such a system may have, whether its kind usually has them or not. */
  protected readonly possibleValves = computed(() => valvesFor(this.record().kind, this.parts()));
  protected readonly optionalParts = optionalParts;
  private readonly usualParts = computed(() => partsOf({ kind: this.record().kind }));
  /** What such a system usually has is said: the choice shows what follows from it. */
  protected fittedChoices = (part: OptionalPart) => [
    { value: '', label: $localize`usual: ${this.usualParts().includes(part) ? $localize`fitted` : $localize`none`}` },
    ...fittedStates.map((value) => ({ value, label: fittedNames[value] })),
  ];
  protected readonly coolingChoices = [
    { value: '', label: $localize`usual` },
    ...condenserCoolings.map((value) => ({ value, label: cooledByNames[value] })),
  ];
  protected readonly sources = [
    { value: 'plate', label: $localize`plate` },
    { value: 'measured', label: $localize`measured` },
  ];
  protected readonly lowSwitches = [
    AS_USUAL,
    { value: 'fitted', label: $localize`there is one` },
    { value: 'none', label: $localize`there is none` },
  ];
  protected readonly partNames = partNames;
  protected readonly tubes = tubeSizes.map((value) => ({ value, label: $localize`${value} in` }));
  protected readonly valveNames = valveNames;

  protected readonly reversing = mutation(
    ({ id, note }: { id: string; note: string }) =>
      this.serverData.reverse$(id, { key: newKey(), recordedBy: this.preferences().person, note }),
    () => undefined,
  );

  constructor() {
    this.evidence.follow(this.changed);
    effect(() => {
      if (this.overtaken()) untracked(() => this.serverData.readAgain());
    });
  }

  protected shows = (section: FactSection): boolean => this.sections().has(section);
  /** Of several alike the one that is looked at; all of them where none is. */
  protected shownOf = <T extends string>(all: readonly T[]): readonly T[] =>
    all.some((thing) => thing === this.laidOut()) ? all.filter((thing) => thing === this.laidOut()) : all;

  protected look(value: string): void {
    this.looked.set(this.things().find((thing) => thing.value === value)?.value ?? 'unit');
  }

  protected setValve = ({ valves }: FactsDraft, valve: string, state: string) => ({ ...valves, [valve]: state });
  protected setFitted = ({ fitted }: FactsDraft, part: string, state: string) => ({ ...fitted, [part]: state });

  protected setVolume = ({ volumes }: FactsDraft, part: PartWithVolume, value: Partial<FactsDraft['volumes'][PartWithVolume]>) => ({
    ...volumes,
    [part]: { ...volumes[part], ...value },
  });

  /** Of what has several fields in one: its valves, its volumes. */
  protected edit(part: Partial<FactsDraft>): void {
    const controls: Partial<Record<string, AbstractControl>> = this.form.controls;
    for (const [key, value] of Object.entries(part)) {
      controls[key]?.markAsDirty();
      controls[key]?.setValue(value);
    }
  }

  private typed(whole: Partial<FactsDraft>): void {
    this.saved.set(false);
    this.edits.update(({ version, typed }) => ({
      version: version ?? this.known()?.version ?? null,
      typed: touchedOf(whole, this.storedDraft(), typed),
    }));
  }

  protected save(): void {
    this.submitted.set(true);
    const [facts, system] = [factsOf(this.draft()), this.known()];
    // what is wrong may stand with a part that is not looked at
    if (facts === undefined) this.looked.set('all');
    if (facts === undefined || system === undefined || this.isAskedHow()) return;
    const version = this.edits().version ?? system.version;
    this.saving.send({ version, facts: this.evidence.evidenced(system.facts, facts), recordedBy: this.preferences().person });
  }

  protected takeTheirs(): void {
    this.saving.reset();
    this.edits.set(noEdits());
  }

  protected saveOver(): void {
    const version = this.known()?.version ?? null;
    this.edits.update(({ typed }) => ({ version, typed }));
    this.save();
  }
}
