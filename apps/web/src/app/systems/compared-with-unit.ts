import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { asDrawn } from '@hygromet/contract/known-facts';
import { circuitRecord, unseenOf } from '@hygromet/contract/plan-facts';
import type { SavedFacts, System } from '@hygromet/contract/system';
import { makeUpFacts } from '@hygromet/core/circuit/evidence';
import { errorIn, mutation } from '../data/mutation';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { evidenceText } from './evidence-labels';
import { makeUpText } from './make-up-text';

/** Whether somebody has compared the drawing with the unit; whoever stands before it says so with one press. */
@Component({
  selector: 'hy-compared-with-unit',
  imports: [RouterLink],
  template: `
    @if (isCompared()) {
      <p i18n class="small">Drawing compared with the unit. {{ latest() }}.</p>
    } @else {
      <div class="ask" [class.needed]="needed()">
        <p><b i18n>Is it built like this?</b> {{ text() }}</p>
        <p i18n class="small">
          As on record, or as such a unit usually is: nobody has compared it with the unit. Until then it forbids nothing, and allows
          nothing.
        </p>
        @if (refused(); as sentence) {
          <p class="refused" role="alert">{{ sentence }}</p>
        }
        <div class="actions">
          <button i18n type="button" class="button small" [disabled]="saving.state().state === 'busy'" (click)="confirm()">
            Yes, I see it so
          </button>
          @if (linked()) {
            <a i18n class="button plain small" [routerLink]="['/systems', system().id]">Correct the record</a>
          }
        </div>
      </div>
    }
  `,
  styles: `
    .ask {
      display: grid;
      gap: 6px;
      padding: 10px 12px;
      border: 1px solid var(--line);
      border-radius: var(--radius);
    }

    .needed {
      border-color: var(--caution);
      box-shadow: inset 4px 0 0 var(--caution);
    }

    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparedWithUnit {
  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  readonly system = input.required<System>();
  /** Whether a verdict waits for it. */
  readonly needed = input(false);
  /** Whether a way to the record is offered; not on its own page. */
  readonly linked = input(true);
  /** It was compared, and is stored. */
  readonly compared = output<System>();

  /** How many indoor units there are is asked of a multi-split alone. */
  protected readonly isCompared = computed(() => {
    const { kind, facts } = this.system();
    return unseenOf(facts).every((fact) => fact === 'indoor-units' && kind !== 'multi-split');
  });
  protected readonly text = computed(() => makeUpText(circuitRecord(this.system())));
  protected readonly latest = computed(() => {
    const { known = {} } = this.system().facts;
    const all = makeUpFacts.flatMap((fact) => known[fact] ?? []);
    return evidenceText(all.sort((a, b) => b.at.localeCompare(a.at))[0]);
  });
  protected readonly saving = mutation(
    (body: SavedFacts) => this.serverData.saveSystemFacts$(this.system().id, body),
    (system) => this.compared.emit(system),
  );
  protected readonly refused = computed(() => errorIn(this.saving.state()));

  protected confirm(): void {
    const [system, { person }] = [this.system(), this.preferences()];
    const facts = asDrawn(system, { how: 'seen', by: person, at: new Date().toISOString() });
    this.saving.send({ version: system.version, facts, recordedBy: person });
  }
}
