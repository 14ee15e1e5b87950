import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import type { SystemKind } from '@hygromet/contract/system';
import { mutation } from '../data/mutation';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { draftForm } from '../forms/draft-form';
import { serverProblems } from '../forms/server-problems';
import { filled, quantity } from '../forms/validators';
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
  imports: [ChoiceField, PageHead, QuantityField, ReactiveFormsModule, RefrigerantField, TextField],
  template: `
    <hy-page-head title="Add a system" i18n-title line="Refrigerant and charge as printed on its plate" i18n-line />
    <form novalidate [formGroup]="form" (ngSubmit)="save()">
      <hy-text-field label="Site" i18n-label placeholder="such as Cheese cave" i18n-placeholder formControlName="site" />
      <hy-text-field label="Name" i18n-label placeholder="such as ripening cellar" i18n-placeholder formControlName="name" />
      <hy-choice-field label="Kind" i18n-label [choices]="kinds" formControlName="kind" />
      <hy-refrigerant-field missing="Choose the refrigerant on the plate." i18n-missing formControlName="refrigerant" />
      <hy-quantity-field
        label="Nameplate charge"
        i18n-label
        kind="charge"
        hint="pounds and ounces: choose lb + oz"
        i18n-hint
        formControlName="nameplate"
      />
      @if (refused(); as sentence) {
        <p class="refused" role="alert">{{ sentence }}</p>
      }
      <div class="actions">
        <button type="submit" class="button main" [disabled]="busy()">
          @if (busy()) {
            <ng-container i18n>Saving</ng-container>
          } @else {
            <ng-container i18n>Add the system</ng-container>
          }
        </button>
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
  private readonly drafted = draftForm<SystemDraft>(
    'new-system',
    () => ({ key: newKey(), site: '', name: '', kind: 'split', refrigerant: null, nameplate: emptyEntry(this.metric ? 'kg' : 'lb') }),
    { fields: { site: [filled()], name: [filled()], refrigerant: [filled()], nameplate: [quantity('charge')] } },
  );
  protected readonly form = this.drafted.form;
  protected readonly kinds = Object.entries(systemKindNames).map(([value, label]) => ({ value, label }));

  private readonly saving = mutation(this.serverData.addSystem$, (added) => {
    this.drafted.clear();
    void this.router.navigate(['/systems', added.id]);
  });
  protected readonly busy = computed(() => this.saving.state().state === 'busy');
  protected readonly refused = serverProblems(this.saving.state, {
    '/site': this.form.controls.site,
    '/name': this.form.controls.name,
    '/refrigerant': this.form.controls.refrigerant,
    '/nameplateKg': this.form.controls.nameplate,
  });

  protected save(): void {
    const { key, site, name, kind, refrigerant, nameplate: entry } = this.form.getRawValue();
    const nameplate = readQuantity('charge', entry);
    if (this.form.invalid || nameplate.state !== 'good' || refrigerant === null) return;
    this.saving.send({
      key,
      site: site.trim(),
      name: name.trim(),
      kind: kind as SystemKind, // the field offers only these
      refrigerant,
      nameplateKg: nameplate.si,
      nameplateTyped: nameplate.typed,
    });
  }
}
