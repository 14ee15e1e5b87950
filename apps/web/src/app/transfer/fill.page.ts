import { ReadState } from '../shell/read-state';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { PageHead } from '../ui/page-head';
import { Spine } from '../ui/spine';
import { FillJob } from './fill-job';
import { FillSession } from './fill.session';
import { FillTarget } from './fill-target';

const STAGES = { cylinder: $localize`Cylinder`, transfer: $localize`Transfer`, account: $localize`Account` } as const;

function targetOfAddress(): FillTarget {
  const { paramMap, queryParamMap } = inject(ActivatedRoute).snapshot;
  return { cylinderId: paramMap.get('id') ?? '', visit: queryParamMap.get('visit'), source: queryParamMap.get('from') };
}

/** One fill, from the scale to the ledger: weigh and read the stop, transfer, book. */
@Component({
  selector: 'hy-fill-page',
  imports: [ReadState, FillJob, PageHead, RouterLink, Spine],
  providers: [FillSession, { provide: FillTarget, useFactory: targetOfAddress }],
  template: `
    @let reads = session.reads();
    @switch (reads.state) {
      @case ('ready') {
        <hy-page-head title="Fill {{ session.name() }}" i18n-title [line]="line()">
          <hy-spine [stages]="stages" [current]="here()" />
        </hy-page-head>
        <hy-fill-job />
      }
      @default {
        <hy-read-state [of]="reads" what="cylinder" i18n-what
          ><a i18n class="button" routerLink="/cylinders">Back to cylinders</a></hy-read-state
        >
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
export class FillPage {
  protected readonly session = inject(FillSession);
  protected readonly stages = Object.values(STAGES);
  protected readonly here = () => STAGES[this.session.draft().stage];

  protected line(): string {
    const incoming = this.session.incoming();
    const source = this.session.source();
    return source === undefined
      ? $localize`Put the cylinder on the scale`
      : $localize`from ${source.name}${incoming === undefined ? '' : `, ${incoming.name}`}`;
  }
}
