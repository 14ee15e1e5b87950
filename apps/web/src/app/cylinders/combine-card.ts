import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';

import type { Cylinder } from '@hygromet/contract/cylinder';
import type { Fate } from '@hygromet/core/cylinder/combination';
import { coreQuery } from '../core-worker/core-query';
import type { CombineArgs } from '../core-worker/cylinder-operations';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/choice-field';
import { valueOf } from '../ui/loadable';
import { cylinderKindNames } from './objection-labels';
import { Computing } from '../ui/computing';

const fateWords: Readonly<Record<Fate, string>> = {
  reuse: $localize`It may go back into its owner’s system.`,
  reclaim: $localize`It goes to the reclaimer.`,
  'ask-reclaimer': $localize`It can often not be reclaimed and is then destroyed: keep them apart.`,
  destroy: $localize`It is destroyed.`,
};

/** What results when another cylinder's content is put into this one: before anybody does it. */
@Component({
  selector: 'hy-combine-card',
  imports: [Computing, Caution, ChoiceField],
  template: `
    @if (choices().length > 1) {
      <h2 i18n>Combine with another cylinder</h2>
      <hy-choice-field label="Content of" i18n-label [choices]="choices()" [value]="other()" (valueChange)="other.set($event)" />
      @if (told(); as t) {
        @if (t.grave) {
          <hy-caution [grave]="true" [hyComputing]="answer()">{{ t.sentence }}</hy-caution>
        } @else {
          <p [hyComputing]="answer()">{{ t.sentence }}</p>
        }
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      margin-top: 18px;
    }

    h2 {
      font-size: 16.5px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CombineCard {
  readonly cylinder = input.required<Cylinder>();
  /** kg that this cylinder may hold at most; nothing where no limit is known. */
  readonly limitKg = input<number | undefined>();
  protected readonly other = signal('');
  private readonly units = inject(Units);
  private readonly all = fromServer(inject(ServerData).cylinders$);

  private readonly others = computed(() =>
    (valueOf(this.all()) ?? []).filter(
      ({ id, contentKg, composition, retiredAt }) =>
        id !== this.cylinder().id && contentKg > 0 && composition !== null && retiredAt === null,
    ),
  );
  protected readonly choices = computed(() => [
    { value: '', label: $localize`choose a cylinder` },
    ...(this.cylinder().contentKg > 0
      ? this.others().map(({ id, name, refrigerant, contentKg }) => ({
          value: id,
          label: `${name}, ${refrigerant ?? $localize`a mixture`}, ${this.units.massText(contentKg)}`,
        }))
      : []),
  ]);

  private readonly question = computed((): CombineArgs | undefined => {
    const other = this.others().find(({ id }) => id === this.other());
    const { composition, contentKg, marks } = this.cylinder();
    if (other === undefined || composition === null || other.composition === null || contentKg <= 0) return undefined;
    return [
      { composition, mass: contentKg, kind: marks.kind },
      { composition: other.composition, mass: other.contentKg, kind: other.marks.kind },
    ];
  });
  protected readonly answer = coreQuery(inject(CoreWorker), 'combine', this.question);
  protected readonly told = computed(() => {
    const combined = valueOf(this.answer());
    if (combined === undefined || this.question() === undefined) return undefined;
    const { mass, designation, kind, fate } = combined;
    const limit = this.limitKg();
    const over =
      limit !== undefined && mass > limit
        ? $localize` That is ${this.units.massText(mass - limit, 'up')} more than this cylinder may hold.`
        : '';
    const what = designation ?? $localize`an unidentified mixture`;
    return {
      grave: fate === 'ask-reclaimer' || over !== '',
      sentence: $localize`${this.units.massText(mass)} of ${what}, then ${cylinderKindNames[kind].toLowerCase()}. ${fateWords[fate]}${over}`,
    };
  });
}
