import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { SystemKind } from '@hygromet/contract/system';
import { mutation, errorIn } from '../data/mutation';
import { Drafts } from '../data/draft.service';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { ChoiceField } from '../ui/choice-field';
import { PageHead } from '../ui/page-head';
import { emptyEntry, readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { QuantityField } from '../ui/quantity-field';
import { RefrigerantField } from '../ui/refrigerant-field';
import { TextField } from '../ui/text-field';
import { systemKindNames } from './system-labels';

interface SystemDraft {
  readonly key: string;
  readonly site: string;
  readonly name: string;
  readonly kind: string;
  readonly refrigerant: string | null;
  readonly nameplate: QuantityEntry;
}

/** A system as its plate tells it. */
@Component({
  selector: 'hy-add-system-page',
  imports: [ChoiceField, PageHead, QuantityField, RefrigerantField, TextField],
  template: `
    <hy-page-head title="Add a system" line="Refrigerant and charge as printed on its plate" />
    @let d = draft();
    <form novalidate (submit)="$event.preventDefault(); save()">
      <hy-text-field
        label="Site"
        placeholder="such as Cheese cave"
        [text]="d.site"
        (textChange)="change({ site: $event })"
        [submitted]="submitted()"
        [problem]="field('/site')"
      />
      <hy-text-field
        label="Name"
        placeholder="such as ripening cellar"
        [text]="d.name"
        (textChange)="change({ name: $event })"
        [submitted]="submitted()"
        [problem]="field('/name')"
      />
      <hy-choice-field label="Kind" [choices]="kinds" [value]="d.kind" (valueChange)="change({ kind: $event })" />
      <hy-refrigerant-field
        [refrigerant]="d.refrigerant"
        (refrigerantChange)="change({ refrigerant: $event })"
        [problem]="refrigerantProblem()"
      />
      <hy-quantity-field
        label="Nameplate charge"
        kind="charge"
        hint="pounds and ounces: choose lb + oz"
        [entry]="d.nameplate"
        (entryChange)="change({ nameplate: $event })"
        [submitted]="submitted()"
        [problem]="field('/nameplateKg')"
      />
      @if (refused(); as sentence) {
        <p class="refused" role="alert">{{ sentence }}</p>
      }
      <div class="actions">
        <button type="submit" class="button main" [disabled]="busy()">{{ busy() ? 'Saving' : 'Add the system' }}</button>
      </div>
    </form>
  `,
  styleUrl: '../ui/form.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddSystemPage {
  private readonly serverData = inject(ServerData);
  private readonly router = inject(Router);
  private readonly metric = inject(PreferencesService).current().mass === 'kg';
  private readonly stored = inject(Drafts).open<SystemDraft>('new-system', () => ({
    key: newKey(),
    site: '',
    name: '',
    kind: 'split',
    refrigerant: null,
    nameplate: emptyEntry(this.metric ? 'kg' : 'lb'),
  }));
  protected readonly draft = this.stored.value.asReadonly();
  protected readonly submitted = signal(false);
  protected readonly kinds = Object.entries(systemKindNames).map(([value, label]) => ({ value, label }));

  private readonly saving = mutation(this.serverData.addSystem$, () => {
    this.stored.clear();
    void this.router.navigate(['/systems']);
  });
  protected readonly busy = computed(() => this.saving.state().state === 'busy');
  protected readonly field = (pointer: string) => errorIn(this.saving.state(), pointer);
  protected readonly refused = computed(() => {
    const state = this.saving.state();
    return state.state === 'refused' && Object.keys(state.apiError.fields).length === 0 ? state.apiError.message : undefined;
  });
  protected readonly refrigerantProblem = computed(() =>
    this.submitted() && this.draft().refrigerant === null ? 'Choose the refrigerant on the plate.' : this.field('/refrigerant'),
  );

  protected change(part: Partial<SystemDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }

  protected save(): void {
    this.submitted.set(true);
    const draft = this.draft();
    const nameplate = readQuantity('charge', draft.nameplate);
    if (nameplate.state !== 'good' || draft.refrigerant === null || draft.site.trim() === '' || draft.name.trim() === '') return;
    this.saving.send({
      key: draft.key,
      site: draft.site.trim(),
      name: draft.name.trim(),
      kind: draft.kind as SystemKind, // the field offers only these
      refrigerant: draft.refrigerant,
      nameplateKg: nameplate.si,
      nameplateTyped: nameplate.typed,
    });
  }
}
