import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { momentText } from '../../ui/day';
import { HoldRunning } from '../prove/hold-running';
import { HoldSetup } from '../prove/hold-setup';
import { isHold } from '../prove/hold-trace';
import { RiseTest } from '../prove/rise-test';
import { isRise } from '../prove/rise-trace';
import { StageMark } from '../stage-mark';
import { VisitJob } from '../visit-job';

/** Pressure test and vacuum: what each can show beforehand, what it shows as it runs, and what it has shown. */
@Component({
  selector: 'hy-prove-stage',
  imports: [HoldRunning, HoldSetup, RiseTest, StageMark],
  template: `
    @if (ended().length > 0) {
      <h2>What is shown</h2>
      <ul class="shown">
        @for (test of ended(); track test.id) {
          <li>
            <b>{{ test.setUp.test === 'hold' ? 'Nitrogen hold' : 'Rise test' }}</b> {{ test.ended!.finding.said }}
            <span class="second">{{ test.ended!.by }}, {{ moment(test.ended!.at) }}, core {{ test.ended!.finding.coreVersion }}</span>
          </li>
        }
      </ul>
    }
    @if (job.open()) {
      @if (hold(); as running) {
        <hy-hold-running [test]="running" />
      } @else if (rise(); as running) {
        <hy-rise-test [test]="running" />
      } @else {
        <hy-hold-setup />
        <hy-rise-test [first]="held()" />
      }
    }
    <hy-stage-mark ask="What else was tested?" done="Tests done" [quiet]="ended().length === 0" />
  `,
  styleUrls: ['./stage.css'],
  styles: `
    .shown li {
      padding: 8px 0;
      border-top: 1px solid var(--line);
    }

    .shown .second {
      display: block;
      font-size: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProveStage {
  protected readonly job = inject(VisitJob);
  protected readonly moment = momentText;
  private readonly tests = computed(() => this.job.visit()?.tests ?? []);
  protected readonly ended = computed(() => this.tests().filter(({ ended }) => ended !== null));
  protected readonly hold = computed(() =>
    this.tests()
      .filter(isHold)
      .find(({ ended }) => ended === null),
  );
  protected readonly rise = computed(() =>
    this.tests()
      .filter(isRise)
      .find(({ ended }) => ended === null),
  );
  /** A hold has been ended: the vacuum is next. */
  protected readonly held = computed(() => this.ended().some(isHold));
}
