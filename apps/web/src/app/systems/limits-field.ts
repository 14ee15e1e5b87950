import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import type { Part } from '@hygromet/core/circuit/part';
import { PreferencesService } from '../preferences/preferences.service';
import { ChoiceField } from '../ui/choice-field';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { emptyLimit, type LimitDraft } from './facts-draft';
import { partNames } from './system-labels';

/** Components with the pressure they bear, one under the other: a sensor of 150 psi stops a test at 300. */
@Component({
  selector: 'hy-limits-field',
  imports: [ChoiceField, QuantityField, TextField],
  template: `
    @for (limit of limits(); track $index; let i = $index) {
      @if (only() === undefined || limit.part === only()) {
        <div class="limit" role="group" [attr.aria-label]="words.componentNamed(i + 1)">
          <hy-text-field
            label="Component"
            i18n-label
            placeholder="such as suction sensor"
            i18n-placeholder
            [text]="limit.what"
            (textChange)="change(i, { what: $event })"
            [submitted]="submitted()"
          />
          <hy-choice-field
            label="Sits in"
            i18n-label
            [choices]="choices()"
            [value]="limit.part"
            (valueChange)="change(i, { part: $event })"
          />
          <hy-quantity-field
            label="Bears"
            i18n-label
            kind="service-pressure"
            [entry]="limit.gauge"
            (entryChange)="change(i, { gauge: $event })"
            [submitted]="submitted()"
            missing="Enter the pressure rating (see the component’s nameplate)."
            i18n-missing
          />
          <button i18n type="button" class="button plain" [attr.aria-label]="words.removeComponent(i + 1)" (click)="remove(i)">
            Remove
          </button>
        </div>
      }
    }
    <button i18n type="button" class="button small" (click)="add()">Add a component</button>
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
      justify-items: start;
    }

    .limit {
      display: grid;
      width: 100%;
      align-items: start;
      gap: 8px 16px;
      grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
      padding-bottom: 12px;
      border-bottom: 1px solid var(--line);
    }

    .limit .button {
      align-self: end;
      justify-self: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LimitsField {
  protected readonly words = {
    componentNamed: (component: number): string => $localize`Component ${component}`,
    removeComponent: (component: number): string => $localize`Remove component ${component}`,
  };

  readonly parts = input.required<readonly Part[]>();
  /** The part whose components alone are shown. */
  readonly only = input<Part | undefined>();
  readonly submitted = input(false);
  readonly limits = model.required<readonly LimitDraft[]>();
  private readonly gauge = inject(PreferencesService).current().pressure === 'psig' ? 'psig' : 'barg';
  protected readonly choices = computed(() => this.parts().map((part) => ({ value: part, label: partNames[part] })));

  protected add = (): void =>
    this.limits.update((limits) => [
      ...limits,
      { ...emptyLimit(this.gauge), ...(this.only() === undefined ? {} : { part: this.only()! }) },
    ]);
  protected remove = (at: number): void => this.limits.update((limits) => limits.filter((_, k) => k !== at));
  protected change = (at: number, part: Partial<LimitDraft>): void =>
    this.limits.update((limits) => limits.map((limit, k) => (k === at ? { ...limit, ...part } : limit)));
}
