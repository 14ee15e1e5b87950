import { ReadState } from '../shell/read-state';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { StageParts } from './stage-parts';
import { VisitJob } from './visit-job';
import { VisitWorkspace } from './visit-workspace';

/** One visit, one place: everything that is done on it, stage by stage. */
@Component({
  selector: 'hy-visit-page',
  imports: [ReadState, RouterLink, VisitWorkspace],
  providers: [VisitJob, StageParts],
  template: `
    @let loaded = job.loaded();
    @switch (loaded.state) {
      @case ('ready') {
        <hy-visit-workspace />
      }
      @default {
        <hy-read-state [of]="loaded" what="visit" i18n-what><a i18n class="button" routerLink="/today">Back to today</a></hy-read-state>
      }
    }
  `,
  styleUrl: '../ui/state-page.css',
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

  constructor() {
    // the part of the stage is on its way while the visit is read
    inject(StageParts);
  }
}
