import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { ActivatedRoute } from '@angular/router';
import { FillJob } from '../transfer/fill-job';
import { FillSession } from '../transfer/fill.session';
import { FillTarget } from '../transfer/fill-target';
import { valueOf } from '../ui/loadable';
import { VisitJob } from './visit-job';

function targetOfVisit(): FillTarget {
  const { visit, id } = inject(VisitJob);
  const cylinderId = inject(ActivatedRoute).snapshot.queryParamMap.get('cylinder') ?? '';
  return { cylinderId, visit: id, source: visit()?.system.id ?? null };
}

/** The transfer of a visit: from its system into one cylinder. */
@Component({
  selector: 'hy-visit-fill',
  imports: [FillJob],
  providers: [FillSession, { provide: FillTarget, useFactory: targetOfVisit }],
  template: `
    @let loaded = session.cylinder();
    @switch (loaded.state) {
      @case ('ready') {
        <h2>Fill {{ name() }}</h2>
        <hy-fill-job />
      }
      @case ('failed') {
        <p role="alert">{{ loaded.sentence }}</p>
      }
      @default {
        <p class="second">Reading the cylinder</p>
      }
    }
  `,
  styleUrl: './stages/stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitFill {
  protected readonly session = inject(FillSession);
  protected readonly name = () => valueOf(this.session.cylinder())?.name ?? '';
}
