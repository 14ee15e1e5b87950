import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Units } from '../preferences/units.service';
import { dayWords } from '../ui/day';
import { Caution } from '../ui/caution';
import { valueOf } from '../ui/loadable';
import { TruckSession } from './truck.session';
import { beforeSentence, fetchedSentences, shortSentences } from './truck-labels';

/** What is missing on the truck of the next day, said the evening before: solved as on the truck's own page. */
@Component({
  selector: 'hy-next-truck',
  imports: [Caution, RouterLink],
  providers: [TruckSession],
  template: `
    <section aria-label="The next truck" i18n-aria-label>
      <h2 i18n>Truck of {{ said() }}</h2>
      @for (sentence of short(); track sentence) {
        <hy-caution [grave]="true">{{ sentence }}</hy-caution>
      }
      @for (sentence of fetched(); track sentence) {
        <hy-caution>{{ sentence }}</hy-caution>
      }
      @if (early(); as sentence) {
        <p class="small">{{ sentence }}</p>
      }
      <p class="second" role="status">{{ line() }} <a i18n routerLink="/truck" [queryParams]="{ day: day() }">See the truck</a></p>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 8px;
    }

    h2 {
      font-size: 17px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NextTruck {
  readonly day = input.required<string>();
  private readonly session = inject(TruckSession);
  private readonly units = inject(Units);
  private readonly solved = computed(() => valueOf(this.session.solved()));

  protected readonly said = computed(() => dayWords(this.day()));
  protected readonly short = computed(() => this.sentences(shortSentences));
  protected readonly fetched = computed(() => this.sentences(fetchedSentences));
  protected readonly early = computed(() => beforeSentence(this.session.before()));
  protected readonly line = computed(() => {
    const state = this.session.solved();
    if (state.state === 'failed') return state.sentence;
    if (state.state === 'waiting') return $localize`Planning it.`;
    return this.short().length + this.fetched().length > 0 ? '' : $localize`Everything that the visits may bring has room in the van.`;
  });

  constructor() {
    effect(() => this.session.day.set(this.day()));
  }

  private sentences(sentences: typeof shortSentences): readonly string[] {
    const solved = this.solved();
    return solved === undefined ? [] : sentences(solved, this.session.visits(), this.session.cylinders(), this.units);
  }
}
