import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { VisitJob } from './visit-job';
import { VisitWorkspace } from './visit-workspace';

/** One visit, one place: everything that is done on it, stage by stage. */
@Component({
  selector: 'hy-visit-page',
  imports: [RouterLink, VisitWorkspace],
  providers: [VisitJob],
  template: `
    @let loaded = job.loaded();
    @switch (loaded.state) {
      @case ('ready') {
        <hy-visit-workspace />
      }
      @case ('failed') {
        <div class="alone" role="alert">
          <p>{{ loaded.sentence }}</p>
          <a class="button" routerLink="/today">Back to today</a>
        </div>
      }
      @default {
        <p class="alone second">Reading the visit</p>
      }
    }
  `,
  styleUrl: '../ui/alone.css',
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitPage {
  protected readonly job = inject(VisitJob);
}
