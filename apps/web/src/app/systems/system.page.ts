import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, RouterLink } from '@angular/router';
import type { SavedFacts, System } from '@hygromet/contract/system';
import { tubeSizes } from '@hygromet/core/circuit/line-set';
import { valveStates } from '@hygromet/core/circuit/part';
import { kindOf } from '@hygromet/core/circuit/system-kind';
import { compressorTypes } from '@hygromet/core/planning/situation';
import { whereAtRest } from '@hygromet/core/planning/where';
import { momentText } from '../cylinders/cylinder-words';
import { command, refusalIn } from '../live/command';
import { newKey } from '../live/new-key';
import { Registers } from '../live/registers.service';
import { CircuitDrawing } from '../method/circuit-drawing';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { ChoiceField } from '../ui/choice-field';
import { loadable, valueOf, waiting } from '../ui/loadable';
import { MovementsTable } from '../ui/movements-table';
import { PageHead } from '../ui/page-head';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { draftOf, factsOf, type FactsDraft } from './facts-draft';
import { compressorNames, systemKindNames, valveNames, valveStateNames } from './system-words';

const AS_USUAL = { value: '', label: 'as usual for its kind' };

/** One system: its circuit, what is known of it, and what was moved in and out. */
@Component({
  selector: 'hy-system-page',
  imports: [ChoiceField, CircuitDrawing, MovementsTable, PageHead, QuantityField, RouterLink, TextField],
  templateUrl: './system.page.html',
  styleUrls: ['../ui/columns.css', '../ui/form.css', '../ui/figures.css', '../ui/alone.css', './system.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SystemPage {
  private readonly registers = inject(Registers);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly units = inject(Units);
  private readonly id = inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '';
  protected readonly system = toSignal(loadable(this.registers.system$(this.id)), { initialValue: waiting });
  private readonly entries = toSignal(loadable(this.registers.movementsOf$(this.id)), { initialValue: waiting });
  protected readonly movements = computed(() => valueOf(this.entries()) ?? []);
  private readonly known = computed(() => valueOf(this.system()));

  protected readonly kind = computed(() => kindOf(this.known()?.kind ?? 'split'));
  protected readonly kindName = ({ kind }: System): string => systemKindNames[kind];
  protected readonly where = computed(() => whereAtRest(this.known()?.kind ?? 'split'));
  protected readonly shownValves = computed(() => this.kind().valves.map((valve) => ({ valve, shut: false })));
  protected readonly moment = momentText;

  /** Follows what is stored until somebody types. */
  protected readonly draft = linkedSignal<FactsDraft>(() => draftOf(this.known()?.facts ?? {}, this.preferences().mass === 'kg'));
  protected readonly asked = signal(false);
  protected readonly saving = command(
    (body: SavedFacts) => this.registers.saveSystemFacts$(this.id, body),
    () => this.saved.set(true),
  );
  protected readonly saved = signal(false);
  protected readonly busy = computed(() => this.saving.state().state === 'busy');
  protected readonly refused = computed(() => refusalIn(this.saving.state()));

  protected readonly compressors = [AS_USUAL, ...compressorTypes.map((value) => ({ value, label: compressorNames[value] }))];
  protected readonly ports = [
    AS_USUAL,
    { value: 'both', label: 'liquid and suction side' },
    { value: 'one', label: 'one' },
    { value: 'none', label: 'none' },
  ];
  protected readonly valveChoices = [AS_USUAL, ...valveStates.map((value) => ({ value, label: valveStateNames[value] }))];
  protected readonly tubes = tubeSizes.map((value) => ({ value, label: `${value} in` }));
  protected readonly valveNames = valveNames;

  protected readonly reversing = command(
    ({ id, note }: { id: string; note: string }) =>
      this.registers.reverse$(id, { key: newKey(), recordedBy: this.preferences().person, note }),
    () => undefined,
  );

  protected setValve = ({ valves }: FactsDraft, valve: string, state: string) => ({ ...valves, [valve]: state });

  protected edit(part: Partial<FactsDraft>): void {
    this.saved.set(false);
    this.draft.update((draft) => ({ ...draft, ...part }));
  }

  protected save(): void {
    this.asked.set(true);
    const [facts, system] = [factsOf(this.draft()), this.known()];
    if (facts === undefined || system === undefined) return;
    this.saving.send({ version: system.version, facts, recordedBy: this.preferences().person });
  }
}
