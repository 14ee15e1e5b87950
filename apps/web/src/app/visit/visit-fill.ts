import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ActivatedRoute } from '@angular/router';
import { FillJob } from '../transfer/fill-job';
import { FillSession } from '../transfer/fill.session';
import { FillTarget } from '../transfer/fill-target';
import { ReadState } from '../shell/read-state';
import { Caution } from '../ui/caution';
import { massEntry } from '../ui/entry-of';
import { LivePanel, type EndedGross } from './live/live-panel';
import { LiveTransfer } from './live/live-transfer';
import { VisitJob } from './visit-job';

function targetOfVisit(): FillTarget {
  const { visit, id } = inject(VisitJob);
  const running = inject(LiveTransfer).transfer()?.setUp.cylinder;
  const cylinderId = inject(ActivatedRoute).snapshot.queryParamMap.get('cylinder') ?? running ?? '';
  return { cylinderId, visit: id, source: visit()?.system.id ?? null };
}

/** The transfer of a visit: from its system into one cylinder. */
@Component({
  selector: 'hy-visit-fill',
  imports: [Caution, FillJob, LivePanel, ReadState],
  providers: [FillSession, { provide: FillTarget, useFactory: targetOfVisit }],
  template: `
    @if (following()) {
      <hy-live-panel (stopped)="endedAt($event)" />
      <hy-caution i18n>Stay with the cylinder while it fills. It warms and its pressure climbs; a float switch is no limit.</hy-caution>
    } @else {
      @let reads = session.reads();
      @switch (reads.state) {
        @case ('ready') {
          <h2 i18n>Fill {{ session.name() }}</h2>
          <hy-fill-job />
        }
        @default {
          <hy-read-state [of]="reads" what="cylinder" i18n-what />
        }
      }
    }
  `,
  styleUrl: './stages/stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitFill {
  protected readonly session = inject(FillSession);
  private readonly live = inject(LiveTransfer);
  /** Whoever looks at the visit follows it, whether they began it or not. */
  protected readonly following = computed(() => this.live.transfer()?.setUp.cylinder === this.session.cylinderId);

  /** What the scale showed at the end is the reading after, in the unit of that scale. */
  protected endedAt({ grossKg, startGrossKg }: EndedGross): void {
    const [unit, { before }] = [this.session.scaleUnit(), this.session.draft()];
    this.session.change({
      stage: 'transfer',
      before: before.text === '' ? massEntry(startGrossKg, unit) : before,
      after: massEntry(grossKg, unit),
      certain: false,
    });
  }
}
