import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';

import { priceKinds } from '@hygromet/core/account/price';
import { CoreError } from '@hygromet/core/errors';
import { massFrom } from '@hygromet/core/units/mass';
import { readNumber } from '@hygromet/core/units/read-number';
import { mutation, errorIn } from '../data/mutation';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { amountText } from '../ui/amount';
import { ChoiceField } from '../ui/choice-field';
import { dayOf, dayWords } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { RefrigerantField } from '../ui/refrigerant-field';
import { TextField } from '../ui/text-field';
import { PreferencesService } from './preferences.service';
import { Units } from './units.service';

const kindText = { buy: 'costs', credit: 'brings at the reclaimer' } as const;

/** What a refrigerant costs and brings, each price from a day on; none is ever changed, a later one takes its place. */
@Component({
  selector: 'hy-prices',
  imports: [ChoiceField, RefrigerantField, TextField],
  template: `
    <h2>Prices</h2>
    <p class="small">Optional: with them an account says what was recovered is worth, and what has to be added costs.</p>
    @if (rows().length > 0) {
      <ul>
        @for (row of rows(); track row.id) {
          <li>
            {{ row.text }} <span class="small">{{ row.since }}</span>
          </li>
        }
      </ul>
    }
    <form novalidate (submit)="$event.preventDefault(); send()">
      <hy-refrigerant-field [refrigerant]="refrigerant()" (refrigerantChange)="refrigerant.set($event)" [problem]="missing()" />
      <hy-choice-field label="Kind of price" [choices]="kinds" [value]="kind()" (valueChange)="kind.set($event)" />
      <hy-text-field
        [label]="'Price per ' + unit()"
        [text]="price()"
        (textChange)="price.set($event)"
        [problem]="reading().sentence ?? field('/perKg')"
        [submitted]="submitted()"
      />
      <hy-text-field
        label="Currency"
        [text]="currency()"
        (textChange)="currency.set($event.toUpperCase())"
        [problem]="field('/currency')"
      />
      <hy-text-field label="From" type="date" [text]="from()" (textChange)="from.set($event)" [problem]="field('/from')" />
      <button type="submit" class="button" [disabled]="busy()">Add the price</button>
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
  protected readonly kinds = priceKinds.map((value) => ({ value, label: value === 'buy' ? 'to buy' : 'credit of the reclaimer' }));
  protected readonly refrigerant = signal<string | null>(null);
  protected readonly kind = signal<string>('buy');
  protected readonly price = signal('');
  protected readonly currency = signal('USD');
  protected readonly from = signal(dayOf(new Date()));
  protected readonly submitted = signal(false);
  private readonly key = signal(newKey());
  protected readonly unit = computed(() => (this.preferences().mass === 'kg' ? 'kg' : 'lb'));
  protected readonly missing = computed(() => (this.submitted() && this.refrigerant() === null ? 'Which refrigerant?' : undefined));

  protected readonly rows = computed(() =>
    (valueOf(this.loaded()) ?? [])
      .map(({ id, refrigerant, kind, perKg, currency, from, recordedBy }) => ({
        id,
        text: `${refrigerant} ${kindText[kind]} ${amountText(perKg * massFrom(1, this.unit()), currency, this.units)} a ${this.unit()}`,
        since: `from ${dayWords(from)}, ${recordedBy}`,
      }))
      .reverse(),
  );
  protected readonly reading = computed((): { readonly value?: number; readonly sentence?: string } => {
    if (this.price().trim() === '') return {};
    try {
      return { value: readNumber(this.price()) / massFrom(1, this.unit()) };
    } catch (error) {
      if (error instanceof CoreError) return { sentence: error.message };
      throw error;
    }
  });
  private readonly adding = mutation(this.serverData.addPrice$, () => {
    this.price.set('');
    this.submitted.set(false);
    this.key.set(newKey());
  });
  protected readonly busy = computed(() => this.adding.state().state === 'busy');
  protected readonly field = (pointer: string) => errorIn(this.adding.state(), pointer);
  protected readonly refused = computed(() => errorIn(this.adding.state()));

  protected send(): void {
    this.submitted.set(true);
    const [refrigerant, { value }, kind] = [this.refrigerant(), this.reading(), priceKinds.find((priceKind) => priceKind === this.kind())];
    if (refrigerant === null || value === undefined || kind === undefined) return;
    this.adding.send({
      key: this.key(),
      refrigerant,
      kind,
      perKg: value,
      currency: this.currency(),
      from: this.from(),
      recordedBy: this.preferences().person,
    });
  }
}
