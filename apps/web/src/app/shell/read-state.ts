import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { NzResultModule } from 'ng-zorro-antd/result';
import { NzSkeletonModule } from 'ng-zorro-antd/skeleton';
import { Connection } from '../data/connection';
import { Icon } from '../ui/icon';
import type { Loadable } from '../ui/loadable';

/** What stands in the place of something that is not there: that it is read, or why it cannot be and what to do. */
@Component({
  selector: 'hy-read-state',
  imports: [Icon, NzResultModule, NzSkeletonModule],
  template: `
    @if (failure(); as sentence) {
      <nz-result role="alert" [nzIcon]="sign" [nzTitle]="'The ' + what() + ' cannot be read now.'" [nzSubTitle]="sentence">
        <div nz-result-extra>
          <button type="button" class="button main" (click)="connection.tryAgain()">Read again</button>
          <ng-content />
        </div>
      </nz-result>
      <ng-template #sign><svg hyIcon="caution"></svg></ng-template>
    } @else {
      <p class="unseen" role="status">Reading the {{ what() }}</p>
      <nz-skeleton aria-hidden="true" [nzActive]="true" [nzTitle]="true" [nzParagraph]="{ rows: 5 }" />
    }
  `,
  styles: `
    :host {
      display: block;
      padding: var(--margin);
    }

    nz-skeleton {
      max-width: 720px;
    }

    [nz-result-extra] {
      display: flex;
      justify-content: center;
      gap: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadState {
  readonly of = input.required<Loadable<unknown>>();
  /** As it is called in a sentence: "cylinders", "visit". */
  readonly what = input.required<string>();

  protected readonly connection = inject(Connection);
  protected readonly failure = computed(() => {
    const loaded = this.of();
    return loaded.state === 'failed' ? loaded.sentence : undefined;
  });
}
