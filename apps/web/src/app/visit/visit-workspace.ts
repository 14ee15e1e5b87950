import { NgComponentOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, RouterLink } from '@angular/router';
import type { Visit } from '@hygromet/contract/visit';
import { map } from 'rxjs';
import { CircuitSide } from '../method/circuit-side';
import { LookSource, SYSTEM_ID } from '../method/look-source';
import { MethodSession } from '../method/method.session';
import { Units } from '../preferences/units.service';
import { ReadState } from '../shell/read-state';
import { dayWords } from '../ui/day';
import { valueOf, waiting } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { settledOnce } from '../ui/settled';
import { nextActionText, stateText } from './stage-labels';
import { StageParts } from './stage-parts';
import { AlarmSound } from './live/alarm-sound';
import { LiveTransfer } from './live/live-transfer';
import { StopAlarm } from './live/stop-alarm';
import { WhereItIs } from './live/where-it-is';
import { VisitJob } from './visit-job';
import { VisitLook } from './visit-look';
import { VisitStepper } from './visit-stepper';

/** The stages in the head, the one that is here at the left, and always the circuit at the right. */
@Component({
  selector: 'hy-visit-workspace',
  imports: [CircuitSide, NgComponentOutlet, PageHead, ReadState, RouterLink, StopAlarm, VisitStepper, WhereItIs],
  providers: [
    { provide: SYSTEM_ID, useFactory: () => inject(VisitJob).visit()?.system.id ?? '' },
    { provide: LookSource, useClass: VisitLook },
    MethodSession,
    LiveTransfer,
    AlarmSound,
  ],
  template: `
    @if (!settled()) {
      <hy-read-state [of]="notYet" what="visit" i18n-what />
    } @else if (job.visit(); as visit) {
      <hy-page-head [title]="visit.system.site + ', ' + visit.system.name" [line]="line(visit)">
        <hy-visit-stepper [visit]="visit.id" [states]="job.states()" [here]="job.here()" />
      </hy-page-head>
      <div class="workspace">
        <section class="work" [attr.aria-label]="job.here()">
          @if (!job.open()) {
            <p i18n class="second">This visit is closed. What was recorded on it stays as it is.</p>
          }
          @if (notNeeded(); as words) {
            <p class="second">{{ words }}.</p>
          }
          @if (part(); as stage) {
            <ng-container *ngComponentOutlet="stage" />
          } @else {
            <hy-read-state [of]="parts.here()" what="stage" i18n-what />
          }
          @if (session.unsaved(); as sentence) {
            <p role="alert" class="over">{{ sentence }}</p>
          }
          @if (part() !== undefined && live.transfer() === undefined && elsewhere(); as stage) {
            <p class="onward">
              <a
                i18n
                class="button"
                [class.main]="!filling() && (job.state()?.state === 'done' || job.state()?.state === 'not-needed')"
                [routerLink]="['/visits', visit.id, stage]"
                >Next: {{ action() }}</a
              >
            </p>
          }
        </section>
        <aside class="map" aria-label="Circuit" i18n-aria-label>
          @if (live.transfer() !== undefined) {
            <hy-where-it-is />
          }
          <hy-circuit-side [planning]="planning()" [running]="job.here() === 'check'" [proving]="job.here() === 'prove'" />
        </aside>
      </div>
    }
    <hy-stop-alarm />
  `,
  styleUrl: './visit-workspace.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisitWorkspace {
  protected readonly job = inject(VisitJob);
  protected readonly session = inject(MethodSession);
  protected readonly live = inject(LiveTransfer);
  private readonly units = inject(Units);
  protected readonly parts = inject(StageParts);
  /** The stage that is here, where its part is. */
  protected readonly part = computed(() => valueOf(this.parts.here()));
  protected readonly settled = settledOnce(() => this.session.read() && this.part() !== undefined);
  protected readonly notYet = waiting;
  protected readonly action = computed(() => nextActionText(this.job.states()));
  /** What is done next, where that is another stage than the one that is looked at. */
  protected readonly elsewhere = computed(() => (this.job.open() && this.job.next() !== this.job.here() ? this.job.next() : undefined));

  private readonly cylinder = toSignal(inject(ActivatedRoute).queryParamMap.pipe(map((query) => query.has('cylinder'))));
  /** Another cylinder is being filled: its own action stands under the thumb, whatever was done before. */
  protected readonly filling = computed(() => this.job.here() === 'transfer' && this.cylinder() === true);

  protected readonly planning = computed(
    () => ['look', 'method', 'transfer'].includes(this.job.here()) && this.live.transfer() === undefined,
  );
  /** Why this stage is not needed; a transfer says it itself. */
  protected readonly notNeeded = computed(() => {
    const state = this.job.state();
    if (state?.state !== 'not-needed' || state.stage === 'transfer') return undefined;
    const words = stateText(state);
    return `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}`;
  });

  protected line({ system, reason, day }: Visit): string {
    const plate = valueOf(this.session.system())?.nameplateKg;
    const charge = plate === undefined ? system.refrigerant : $localize`${system.refrigerant}, ${this.units.massText(plate)} on the plate`;
    return `${charge} · ${reason}, ${dayWords(day)}`;
  }
}
