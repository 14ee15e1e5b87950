import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { errorIn } from '../data/mutation';
import { TextField } from '../ui/text-field';
import { VisitJob } from './visit-job';
import { momentText } from '../ui/day';

/** A person's word about the stage that is here: done, or not needed with the reason; either can be opened again. */
@Component({
  selector: 'hy-stage-mark',
  imports: [TextField],
  template: `
    @if (job.open()) {
      @if (said(); as word) {
        <p class="said">
          {{ word.mark === 'done' ? words.done : words.notNeeded }}{{ word.why === '' ? '' : ': ' + word.why }}
          <span class="second">{{ word.by }}, {{ moment(word.at) }}</span>
          <button i18n type="button" class="link" (click)="send('open-again')">Open it again</button>
        </p>
      } @else {
        <hy-text-field
          [label]="ask()"
          [text]="why()"
          (textChange)="why.set($event)"
          [problem]="problem()"
          hint="saved with the job"
          i18n-hint
        />
        <div class="actions">
          <button type="button" class="button" [class.main]="!quiet()" (click)="send('done')">{{ done() }}</button>
          <button i18n type="button" class="button" (click)="send('not-needed')">Not needed on this visit</button>
        </div>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
      max-width: 620px;
    }

    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }

    .said {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StageMark {
  protected readonly words = { done: $localize`Done`, notNeeded: $localize`Not needed` } as const;

  protected readonly job = inject(VisitJob);
  /** What is asked about the stage. */
  readonly ask = input.required<string>();
  /** What the button says that ends it. */
  readonly done = input.required<string>();
  /** Something else is to be done on this page first. */
  readonly quiet = input(false);
  protected readonly moment = momentText;
  /** What is typed belongs to its stage. */
  protected readonly why = linkedSignal({ source: this.job.here, computation: () => '' });
  protected readonly said = computed(() => {
    const word = this.job.visit()?.marked.find(({ stage }) => stage === this.job.here());
    return word === undefined || word.mark === 'open-again' ? undefined : word;
  });
  private readonly marking = this.job.adding(() => this.why.set(''));
  protected readonly problem = computed(() => errorIn(this.marking.state(), '/why') ?? errorIn(this.marking.state()));

  protected send(mark: 'done' | 'not-needed' | 'open-again'): void {
    this.marking.send({ kind: 'marked', stage: this.job.here(), mark, why: mark === 'open-again' ? '' : this.why().trim() });
  }
}
