import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { NzSkeletonModule } from 'ng-zorro-antd/skeleton';
import { Connection } from '../data/connection';
import { Icon } from '../ui/icon';
import type { Loadable } from '../ui/loadable';

/** What stands in the place of something that is not there: that it is read, or why it cannot be and what to do. */
@Component({
  selector: 'hy-read-state',
  imports: [Icon, NzSkeletonModule],
  template: `
    @if (failure(); as sentence) {
      <div class="failed" role="alert">
        <svg hyIcon="caution"></svg>
        <div>
          <p i18n class="what">The {{ what() }} cannot be read now.</p>
          <p>{{ sentence }}</p>
        </div>
        <div class="actions">
          <button i18n type="button" class="button main" (click)="connection.tryAgain()">Read again</button>
          <ng-content />
        </div>
      </div>
    } @else {
      <p i18n class="unseen" role="status">Reading the {{ what() }}</p>
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

    .failed {
      display: grid;
      max-width: 720px;
      gap: 6px 14px;
      grid-template-columns: 24px 1fr;
    }

    .failed svg {
      color: var(--caution);
    }

    .what {
      margin: 0 0 4px;
      font-weight: 650;
    }

    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
      margin-top: 14px;
      grid-column: 2;
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
