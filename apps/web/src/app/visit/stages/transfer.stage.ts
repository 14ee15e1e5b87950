import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { map } from 'rxjs';
import { CylinderChoice } from '../../method/cylinder-choice';
import { pumpDowns } from '@hygromet/core/planning/method';
import { staysInSystem } from '@hygromet/core/visit/stage-states';
import { jobOf } from '@hygromet/contract/visit-stages';
import { goesBack } from '@hygromet/core/planning/reuse';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { valueOf } from '../../ui/loadable';
import { stateText } from '../stage-labels';
import { EndedTransfers } from '../live/ended-transfers';
import { LiveTransfer } from '../live/live-transfer';
import { PumpDown } from '../pump-down/pump-down';
import { ShutInWatch } from '../shut-in-watch';
import { TransferForecast } from '../transfer-forecast';
import { VisitFill } from '../visit-fill';
import { VisitJob } from '../visit-job';

/** Which cylinder takes the charge, and its transfer by the scale. */
@Component({
  selector: 'hy-transfer-stage-of-visit',
  imports: [CylinderChoice, EndedTransfers, PumpDown, RouterLink, ShutInWatch, TransferForecast, VisitFill],
  template: `
    @if (job.visit(); as visit) {
      @if (cylinder(); as id) {
        <!-- another cylinder is another transfer -->
        @for (entry of [id]; track entry) {
          <hy-visit-fill />
          @if (live.transfer() === undefined && visit.recovered.bookings > 0) {
            <hy-shut-in-watch />
          }
          @if (live.transfer() === undefined) {
            <hy-transfer-forecast [cylinder]="entry" />
          }
          <hy-ended-transfers />
        }
        @if (live.transfer() === undefined) {
          <p><a i18n [routerLink]="['/visits', visit.id, 'transfer']">Choose another cylinder</a></p>
        }
      } @else {
        @if (pumpsDown()) {
          <hy-pump-down />
        }
        @if (pumpsDown() && stays()) {
          @if (toWatch()) {
            <hy-shut-in-watch />
          }
          <details>
            <summary i18n>Refrigerant goes into a cylinder all the same</summary>
            <hy-cylinder-choice [visit]="visit" [massKg]="leftKg()" [burnt]="apart()" [goesBack]="back()" [suspect]="suspect()" />
          </details>
        } @else if (job.state()?.state === 'not-needed') {
          <h2 i18n>No transfer</h2>
          <p>{{ notNeeded() }}.</p>
          <details>
            <summary i18n>Refrigerant goes into a cylinder all the same</summary>
            <hy-cylinder-choice [visit]="visit" [massKg]="leftKg()" [burnt]="apart()" [goesBack]="back()" [suspect]="suspect()" />
          </details>
        } @else {
          <h2>
            @if (visit.recovered.bookings === 0) {
              <ng-container i18n>Which cylinder?</ng-container>
            } @else {
              <ng-container i18n>Another cylinder?</ng-container>
            }
          </h2>
          @if (visit.recovered.bookings > 0) {
            <p i18n>{{ units.massText(visit.recovered.massKg) }} recovered so far, {{ units.massText(onRecordKg()) }} left on record.</p>
            <hy-shut-in-watch />
          }
          <hy-cylinder-choice [visit]="visit" [massKg]="leftKg()" [burnt]="apart()" [goesBack]="back()" [suspect]="suspect()" />
        }
      }
    }
  `,
  styleUrl: './stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TransferStage {
  protected readonly job = inject(VisitJob);
  protected readonly live = inject(LiveTransfer);
  private readonly session = inject(MethodSession);
  protected readonly apart = this.session.keptApart;
  protected readonly back = computed(() => goesBack(this.session.draft().destination));
  protected readonly suspect = computed(() => valueOf(this.session.plan())?.asFound.state === 'air-or-other');
  protected readonly units = inject(Units);
  private readonly asked = toSignal(inject(ActivatedRoute).queryParamMap.pipe(map((query) => query.get('cylinder'))));
  /** As the address says; else the one that is being filled. */
  protected readonly cylinder = computed(() => this.asked() ?? this.live.transfer()?.setUp.cylinder);
  /** It was pumped down, or somebody says so: then it is shut in and watched. */
  protected readonly toWatch = computed(() => {
    const { tests = [] } = this.job.visit() ?? {};
    const pumped = tests.some(({ setUp, ended }) => setUp.test === 'shut-in' || (setUp.test === 'pump-down' && ended !== null));
    return pumped || this.job.state()?.state === 'done';
  });
  protected readonly pumpsDown = computed(() => {
    const method = this.job.visit()?.plan?.method;
    return method !== undefined && pumpDowns.includes(method) && this.job.state()?.state !== 'not-needed';
  });
  /** Nothing goes into a cylinder, as far as anybody knows. */
  protected readonly stays = computed(() => {
    const visit = this.job.visit();
    return visit !== undefined && visit.recovered.bookings === 0 && staysInSystem(jobOf(visit));
  });
  protected readonly notNeeded = computed(() => {
    const state = this.job.state();
    const words = state === undefined ? '' : stateText(state);
    return `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}`;
  });
  protected readonly onRecordKg = computed(() => Math.max(0, valueOf(this.session.system())?.contentKg ?? 0));
  /** What may still have to find room, kg. */
  protected readonly leftKg = computed(() => {
    const [plan, system] = [valueOf(this.session.plan()), valueOf(this.session.system())];
    return Math.max(0, plan?.content.high ?? system?.contentKg ?? 0);
  });
}
