import { ReadState } from '../shell/read-state';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { contentName, placeNames } from '../cylinders/cylinder-labels';
import { errorIn } from '../data/mutation';
import { Units } from '../preferences/units.service';
import { doubtWords } from '../cylinders/doubt-labels';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/choice-field';
import { PageHead } from '../ui/page-head';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { WeightPad } from '../ui/weight-pad';
import { OTHER_REASON, reasons, type RoundResult } from './weigh-in-draft';
import { WeighInSession } from './weigh-in.session';

/** Along the rack with a scale, one cylinder after the other; what differs is explained or booked before the next. */
@Component({
  selector: 'hy-weigh-in-page',
  imports: [ReadState, Caution, ChoiceField, PageHead, QuantityField, ReactiveFormsModule, RouterLink, TextField, WeightPad],
  providers: [WeighInSession],
  templateUrl: './weigh-in.page.html',
  styleUrls: ['../ui/columns.css', '../ui/state-page.css', './weigh-in.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeighInPage {
  protected readonly words = {
    chooseTheReasonOrLog: $localize`Choose the reason, or log the difference.`,
    theReasonIsMissing: $localize`The reason is missing.`,
  } as const;

  protected readonly session = inject(WeighInSession);
  protected readonly units = inject(Units);

  protected readonly other = OTHER_REASON;
  protected readonly reasons = [
    { value: '', label: $localize`choose a reason` },
    ...reasons.map((value) => ({ value, label: value })),
    { value: OTHER_REASON, label: $localize`another reason` },
  ];
  protected readonly places = [
    { value: 'all', label: $localize`all places` },
    { value: 'van', label: placeNames.van },
    { value: 'workshop', label: placeNames.workshop },
    { value: 'site', label: placeNames.site },
  ];
  protected readonly line = computed(() => $localize`${this.session.doneCount()} of ${this.session.cylinders().length} weighed`);
  protected readonly busy = computed(() => this.session.sending.state().state === 'busy');
  protected readonly refused = computed(() => errorIn(this.session.sending.state()));

  protected readonly doubt = computed(() => {
    const [doubt, cylinder, grossKg, ledgerKg] = [
      this.session.doubt(),
      this.session.current(),
      this.session.grossKg(),
      this.session.ledgerKg(),
    ];
    if (doubt === undefined || cylinder === undefined || grossKg === undefined || ledgerKg === undefined) return undefined;
    return doubtWords(doubt, grossKg, ledgerKg, cylinder, this.units);
  });
  protected readonly differs = computed(() => {
    const [differsKg, grossKg, ledgerKg] = [this.session.differsKg(), this.session.grossKg(), this.session.ledgerKg()];
    if (differsKg === undefined || grossKg === undefined || ledgerKg === undefined) return undefined;
    return {
      amount: this.units.massText(Math.abs(differsKg)),
      word: differsKg > 0 ? $localize`more` : $localize`less`,
      read: this.units.massText(grossKg),
      ledger: this.units.massText(ledgerKg),
    };
  });

  protected readonly rows = computed(() =>
    this.session.cylinders().map((cylinder) => {
      const done = this.session.isDone(cylinder);
      const result = this.session.draft().results[cylinder.id];
      return {
        id: cylinder.id,
        name: cylinder.name,
        content: contentName(cylinder),
        here: cylinder.id === this.session.current()?.id,
        done,
        off: done && result !== undefined && result.is !== 'none',
        out: done ? this.outcome(result) : '',
      };
    }),
  );

  protected readonly summary = computed(() => {
    const results = Object.values(this.session.draft().results);
    const of = (is: RoundResult['is']) => results.filter((result) => result.is === is);
    const booked = of('booked').reduce((sum, { differsKg }) => sum + differsKg, 0);
    const parts = [
      $localize`${of('none').length} agree`,
      ...(of('explained').length > 0 ? [$localize`${of('explained').length} explained`] : []),
      ...(of('booked').length > 0 ? [$localize`${of('booked').length} logged as unaccounted, ${this.signed(booked)} in all`] : []),
    ];
    return results.length === 0 ? $localize`Nothing weighed yet.` : parts.join(', ');
  });

  protected readonly content = (cylinder: Cylinder) => contentName(cylinder);
  protected readonly place = (cylinder: Cylinder) => placeNames[cylinder.place].toLowerCase();

  private readonly signed = (kg: number) => `${kg < 0 ? '−' : '+'}${this.units.massText(Math.abs(kg))}`;

  private outcome(result: RoundResult | undefined): string {
    if (result === undefined) return $localize`weighed`;
    if (result.is === 'none') return $localize`✓ agrees`;
    const differs = this.signed(result.differsKg);
    return result.is === 'explained' ? $localize`${differs} explained` : $localize`${differs} logged`;
  }
}
