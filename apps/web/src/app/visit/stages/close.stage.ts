import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { nothingRecorded } from '@hygromet/contract/nothing-recorded';
import { errorIn } from '../../data/mutation';
import { TextField } from '../../ui/text-field';
import { stageNames, stateText } from '../stage-labels';
import { VisitJob } from '../visit-job';
import { momentText } from '../../ui/day';

/** How each stage stands, and the end of the visit. Nothing forbids to close it: what is missing stays visible. */
@Component({
  selector: 'hy-close-stage',
  imports: [RouterLink, TextField],
  template: `
    @if (job.visit(); as visit) {
      <h2>
        @if (visit.state === 'closed') {
          <ng-container i18n>Closed</ng-container>
        } @else if (missing() === 0) {
          <ng-container i18n>Everything is done</ng-container>
        } @else {
          <ng-container i18n>{{ missing() }} stages are still open</ng-container>
        }
      </h2>
      <table>
        <caption i18n class="unseen">
          How each stage stands
        </caption>
        <tbody>
          @for (entry of stages(); track entry.stage) {
            <tr>
              <th scope="row">
                <a [routerLink]="['/visits', visit.id, entry.stage]">{{ names[entry.stage] }}</a>
              </th>
              <td [class.over]="entry.state === 'trouble'">
                {{ words(entry) }}{{ entry.state === 'done' && entry.said ? ': ' + entry.said : '' }}
              </td>
            </tr>
          }
        </tbody>
      </table>
      @if (visit.state === 'open') {
        @if (empty()) {
          <hy-text-field
            label="Why is it closed without a record?"
            i18n-label
            hint="nothing was seen, planned or weighed on it"
            i18n-hint
            [text]="without()"
            (textChange)="without.set($event)"
            [problem]="withoutRefused()"
          />
        }
        <div class="actions">
          <button i18n type="button" class="button" [class.main]="missing() === 0" [disabled]="busy()" (click)="close(visit.version)">
            Close the visit
          </button>
          @if (missing() > 0) {
            <p i18n class="second">What is open stays visible in the record.</p>
          }
        </div>
      } @else {
        <p i18n class="second">Closed {{ moment(visit.changedAt) }}.</p>
        <hy-text-field
          label="Why is it opened again?"
          i18n-label
          [text]="why()"
          (textChange)="why.set($event)"
          [problem]="reopenRefused()"
        />
        <div class="actions">
          <button i18n type="button" class="button" (click)="reopening.send({ kind: 'reopened', why: why().trim() })">
            Reopen the visit
          </button>
        </div>
      }
      @if (refused(); as sentence) {
        <p role="alert" class="over">{{ sentence }}</p>
      }
    }
  `,
  styleUrl: './stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CloseStage {
  protected readonly job = inject(VisitJob);
  protected readonly names = stageNames;
  protected readonly words = stateText;
  protected readonly moment = momentText;
  protected readonly why = signal('');
  protected readonly stages = computed(() => this.job.states().filter(({ stage }) => stage !== 'close'));
  protected readonly missing = computed(() => this.stages().filter(({ state }) => state === 'ahead' || state === 'trouble').length);
  /** Nothing was recorded: then it is closed only with the reason. */
  protected readonly empty = computed(() => {
    const visit = this.job.visit();
    return visit !== undefined && nothingRecorded(visit);
  });
  protected readonly without = signal('');
  protected readonly closing = this.job.adding(() => this.without.set(''));
  protected readonly withoutRefused = computed(() => errorIn(this.closing.state(), '/why'));
  protected readonly reopening = this.job.adding(() => this.why.set(''));
  protected readonly busy = computed(() => this.closing.state().state === 'busy');
  protected readonly refused = computed(() => (this.withoutRefused() === undefined ? errorIn(this.closing.state()) : undefined));
  protected readonly reopenRefused = computed(() => errorIn(this.reopening.state(), '/why') ?? errorIn(this.reopening.state()));

  protected close(version: number): void {
    const why = this.without().trim();
    this.closing.send({ kind: 'closed', version, ...(why === '' ? {} : { why }) });
  }
}
