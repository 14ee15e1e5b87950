import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Question } from '@hygromet/contract/asked-back';
import { Caution } from './caution';

const RIGHT: Readonly<Record<Question, string>> = {
  'perhaps-twice': $localize`It is another transfer – log it`,
  'ledger-differs': $localize`Reading is correct – log it`,
  'clock-off': $localize`The time is correct – log it`,
};

/** A booking that the server has asked back about: its sentence, and the ways on. */
@Component({
  selector: 'hy-asked-back',
  imports: [Caution, RouterLink],
  template: `
    <hy-caution [grave]="true">
      {{ sentence() }}
      <p class="ways">
        <button type="button" class="link" (click)="certain.emit(question())">{{ right() }}</button>
        @if (question() === 'perhaps-twice') {
          <button i18n type="button" class="link" (click)="same.emit()">It is the same – skip it</button>
        }
        <a i18n class="link" routerLink="/book">Check the ledger</a>
      </p>
    </hy-caution>
  `,
  styles: `
    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 20px;
      margin: 6px 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AskedBack {
  readonly question = input.required<Question>();
  readonly sentence = input.required<string>();
  /** It is right all the same. */
  readonly certain = output<Question>();
  /** It is in the ledger already. */
  readonly same = output();
  protected readonly right = computed(() => RIGHT[this.question()]);
}
