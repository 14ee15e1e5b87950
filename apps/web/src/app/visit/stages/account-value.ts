import { fromServer } from '../../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';

import { amountOf, priceAt, type PriceKind } from '@hygromet/core/account/price';
import { ServerData } from '../../data/server-data.service';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { amountText } from '../../ui/amount';
import { valueOf } from '../../ui/loadable';

/** What was recovered is worth, and what is missing of the charge will cost, by the prices of that day; nothing where no price was typed. */
@Component({
  selector: 'hy-account-value',
  template: `
    @if (worth(); as text) {
      <p>{{ text }}</p>
    }
    @if (toAdd(); as text) {
      <p>{{ text }}</p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AccountValue {
  readonly refrigerant = input.required<string>();
  readonly day = input.required<string>();
  readonly recoveredKg = input.required<number>();
  private readonly units = inject(Units);
  private readonly session = inject(MethodSession);
  private readonly loaded = fromServer(inject(ServerData).prices$);

  protected readonly worth = computed(() => {
    const amount = this.amount('credit', this.recoveredKg());
    return amount === undefined ? undefined : $localize`What was recovered brings ${amount} at the reclaimer, by the price of that day.`;
  });
  protected readonly toAdd = computed(() => {
    const kg = (valueOf(this.session.system())?.nameplateKg ?? 0) - this.recoveredKg();
    const amount = this.amount('buy', Math.max(0, kg));
    return amount === undefined || kg <= 0
      ? undefined
      : $localize`${this.units.massText(kg)} are missing of the plate: virgin ${this.refrigerant()} for it costs ${amount}.`;
  });

  private amount(kind: PriceKind, kg: number): string | undefined {
    const price = priceAt(valueOf(this.loaded()) ?? [], this.refrigerant(), kind, this.day());
    return price === undefined ? undefined : amountText(amountOf(price, kg), price.currency, this.units);
  }
}
