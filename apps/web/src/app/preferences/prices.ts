import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { FormBuilder, FormGroupDirective, ReactiveFormsModule } from '@angular/forms';

import { priceKinds } from '@hygromet/core/account/price';
import { CoreError } from '@hygromet/core/errors';
import { massFrom } from '@hygromet/core/units/mass';
import { readNumber } from '@hygromet/core/units/read-number';
import { mutation } from '../data/mutation';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { serverProblems } from '../forms/server-problems';
import { filled, wrongIf } from '../forms/validators';
import { amountText } from '../ui/amount';
import { ChoiceField } from '../ui/choice-field';
import { dayOf, dayWords } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { RefrigerantField } from '../ui/refrigerant-field';
import { TextField } from '../ui/text-field';
import { PreferencesService } from './preferences.service';
import { Units } from './units.service';

const kindText = { buy: $localize`costs`, credit: $localize`brings at the reclaimer` } as const;

/** What a refrigerant costs and brings, each price from a day on; none is ever changed, a later one takes its place. */
@Component({
  selector: 'hy-prices',
  imports: [ChoiceField, ReactiveFormsModule, RefrigerantField, TextField],
  template: `
    <h2 i18n>Prices</h2>
    <p i18n class="small">Optional: with them an account says what was recovered is worth, and what has to be added costs.</p>
    @if (rows().length > 0) {
      <ul>
        @for (row of rows(); track row.id) {
          <li>
            {{ row.text }} <span class="small">{{ row.since }}</span>
          </li>
        }
      </ul>
    }
    <form novalidate [formGroup]="form" (ngSubmit)="send()">
      <hy-refrigerant-field missing="Which refrigerant?" i18n-missing formControlName="refrigerant" />
      <hy-choice-field label="Kind of price" i18n-label [choices]="kinds" formControlName="kind" />
      <hy-text-field label="Price per {{ unit() }}" i18n-label formControlName="price" />
      <hy-text-field label="Currency" i18n-label formControlName="currency" />
      <hy-text-field label="From" i18n-label type="date" formControlName="from" />
      <button i18n type="submit" class="button" [disabled]="busy()">Add the price</button>
    </form>
    @if (refused(); as sentence) {
      <p class="refused" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrls: ['../ui/form.css', './section.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Prices {
  private readonly serverData = inject(ServerData);
  private readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly loaded = fromServer(this.serverData.prices$);
  protected readonly kinds = priceKinds.map((value) => ({
    value,
    label: value === 'buy' ? $localize`to buy` : $localize`credit of the reclaimer`,
  }));
  protected readonly form = inject(FormBuilder).nonNullable.group({
    refrigerant: [null as string | null, filled()],
    kind: 'buy',
    price: ['', [filled(), wrongIf(noNumber)]],
    currency: ['USD', filled()],
    from: [dayOf(new Date()), filled()],
  });
  private readonly sheet = viewChild(FormGroupDirective);
  private readonly key = signal(newKey());
  protected readonly unit = computed(() => (this.preferences().mass === 'kg' ? 'kg' : 'lb'));

  protected readonly rows = computed(() =>
    (valueOf(this.loaded()) ?? [])
      .map(({ id, refrigerant, kind, perKg, currency, from, recordedBy }) => ({
        id,
        text: `${refrigerant} ${kindText[kind]} ${amountText(perKg * massFrom(1, this.unit()), currency, this.units)} a ${this.unit()}`,
        since: $localize`from ${dayWords(from)}, ${recordedBy}`,
      }))
      .reverse(),
  );
  private readonly adding = mutation(this.serverData.addPrice$, () => {
    this.sheet()?.resetForm({ ...this.form.getRawValue(), price: '' });
    this.key.set(newKey());
  });
  protected readonly busy = computed(() => this.adding.state().state === 'busy');
  protected readonly refused = serverProblems(this.adding.state, {
    '/refrigerant': this.form.controls.refrigerant,
    '/perKg': this.form.controls.price,
    '/currency': this.form.controls.currency,
    '/from': this.form.controls.from,
  });

  protected send(): void {
    const { refrigerant, price, currency, from, ...chosen } = this.form.getRawValue();
    const kind = priceKinds.find((priceKind) => priceKind === chosen.kind);
    if (this.form.invalid || refrigerant === null || kind === undefined) return;
    this.adding.send({
      key: this.key(),
      refrigerant,
      kind,
      perKg: readNumber(price) / massFrom(1, this.unit()),
      currency: currency.trim().toUpperCase(),
      from,
      recordedBy: this.preferences().person,
    });
  }
}

/** What is wrong with a price as it is typed. */
function noNumber(text: string): string | undefined {
  if (text.trim() === '') return undefined;
  try {
    readNumber(text);
    return undefined;
  } catch (error) {
    if (error instanceof CoreError) return error.message;
    throw error;
  }
}
