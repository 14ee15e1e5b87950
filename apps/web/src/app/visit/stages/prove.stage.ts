import { fromServer } from '../../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';

import type { Visit } from '@hygromet/contract/visit';
import { jointsOf } from '@hygromet/core/circuit/joints';
import { firstValueFrom } from 'rxjs';
import { MethodSession } from '../../method/method.session';
import { jointName } from '../prove/joint-name';
import type { VisitTest } from '@hygromet/contract/visit-test';
import { ServerData } from '../../data/server-data.service';
import { Units } from '../../preferences/units.service';
import { momentText } from '../../ui/day';
import { valueOf } from '../../ui/loadable';
import { saveCsv, saveJson } from '../../ui/save-file';
import { HoldRunning } from '../prove/hold-running';
import { HoldSetup } from '../prove/hold-setup';
import { isHold } from '../prove/hold-trace';
import { PullDown } from '../prove/pull-down';
import { isPullDown } from '../prove/pull-down-trace';
import { testRows, testSenml } from '../prove/test-files';
import { RiseTest } from '../prove/rise-test';
import { JointList } from '../prove/joint-list';
import { SectionList } from '../prove/section-list';
import { isRise } from '../prove/rise-trace';
import { StageMark } from '../stage-mark';
import { VisitJob } from '../visit-job';

const testNames = {
  hold: $localize`Nitrogen hold`,
  'pull-down': $localize`Pull-down`,
  rise: $localize`Rise test`,
  'shut-in': $localize`Shut-in`,
  'pump-down': $localize`Pump-down`,
} as const;
const fileNames = {
  hold: 'pressure-test',
  'pull-down': 'pull-down',
  rise: 'rise-test',
  'shut-in': 'shut-in',
  'pump-down': 'pump-down',
} as const;

/** Pressure test and vacuum: what each can show beforehand, what it shows as it runs, and what it has shown. */
@Component({
  selector: 'hy-prove-stage',
  imports: [HoldRunning, HoldSetup, JointList, PullDown, RiseTest, SectionList, StageMark],
  template: `
    @if (ended().length > 0) {
      <h2 i18n>What is shown</h2>
      <ul class="shown">
        @for (test of ended(); track test.id) {
          <li>
            <b>{{ names[test.setUp.test] }}</b> {{ test.ended!.finding.said }}
            <span class="files">
              <button i18n type="button" class="link" (click)="certificate(test)">Certificate (PDF)</button>
              <button i18n type="button" class="link" (click)="table(test)">Readings (CSV)</button>
              <button i18n type="button" class="link" (click)="records(test)">SenML</button>
            </span>
            <span i18n class="second">{{ test.ended!.by }}, {{ moment(test.ended!.at) }}, core {{ test.ended!.finding.coreVersion }}</span>
          </li>
        }
      </ul>
    }
    @if (job.open()) {
      @if (hold(); as running) {
        <hy-hold-running [test]="running" />
      } @else if (pullDown(); as running) {
        <hy-pull-down [test]="running" />
      } @else if (rise(); as running) {
        <hy-rise-test [test]="running" />
      } @else {
        <hy-hold-setup />
        <hy-pull-down [first]="held() && !pulled()" />
        <hy-rise-test [first]="pulled()" />
      }
    }
    <hy-section-list />
    <hy-joint-list />
    <hy-stage-mark ask="What else was tested?" i18n-ask done="Tests done" i18n-done [quiet]="ended().length === 0" />
  `,
  styleUrls: ['./stage.css'],
  styles: `
    .shown li {
      padding: 8px 0;
      border-top: 1px solid var(--line);
    }

    .files {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 18px;
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
  private readonly units = inject(Units);
  private readonly session = inject(MethodSession);
  private readonly serverData = inject(ServerData);
  private readonly organisation = fromServer(this.serverData.organisation$);
  protected readonly moment = momentText;
  protected readonly names = testNames;
  private readonly tests = computed(() => this.job.visit()?.tests ?? []);
  protected readonly ended = computed(() =>
    this.tests().filter(({ ended, setUp }) => ended !== null && setUp.test !== 'shut-in' && setUp.test !== 'pump-down'),
  );
  protected readonly hold = computed(() =>
    this.tests()
      .filter(isHold)
      .find(({ ended }) => ended === null),
  );
  protected readonly pullDown = computed(() =>
    this.tests()
      .filter(isPullDown)
      .find(({ ended }) => ended === null),
  );
  protected readonly rise = computed(() =>
    this.tests()
      .filter(isRise)
      .find(({ ended }) => ended === null),
  );
  protected async certificate(test: VisitTest): Promise<void> {
    const visit = this.job.visit();
    if (visit === undefined) return;
    // the library is large, and comes when somebody asks for a page
    const [{ certificatePdf }, { save }] = await Promise.all([import('../prove/certificate-pdf'), import('../../ui/save-file')]);
    const firm = valueOf(this.organisation())?.name ?? '';
    const bytes = await certificatePdf(visit, test, firm, this.units, await this.photographs(visit));
    save(`${this.fileName(test)}.pdf`, new Blob([new Uint8Array(bytes)], { type: 'application/pdf' }));
  }

  /** With what each shows; one that cannot be read is left out rather than the whole page. */
  private async photographs(visit: Visit) {
    const circuit = this.session.circuit();
    const names = new Map((circuit === undefined ? [] : jointsOf(circuit)).map((joint) => [joint.id as string, jointName(joint)]));
    const read = visit.photographs.map(({ photograph, place, at, by }) =>
      firstValueFrom(this.serverData.photograph$(photograph)).then(
        (jpeg) => [{ jpeg, words: `${names.get(place) ?? place}, ${momentText(at)}, ${by}` }],
        () => [],
      ),
    );
    return (await Promise.all(read)).flat();
  }

  protected table(test: VisitTest): void {
    saveCsv(`${this.fileName(test)}.csv`, testRows(test));
  }

  protected records(test: VisitTest): void {
    saveJson(`${this.fileName(test)}.senml.json`, testSenml(test));
  }

  private fileName = ({ setUp, begunAt }: VisitTest): string =>
    `${fileNames[setUp.test]}-${(this.job.visit()?.system.site ?? '').replace(/[^A-Za-z0-9]+/g, '-')}-${begunAt.slice(0, 10)}`;

  /** A hold has been ended: the vacuum is next. */
  protected readonly held = computed(() => this.ended().some(isHold));
  /** A vacuum has been pulled: whether it rises is next. */
  protected readonly pulled = computed(() => this.ended().some(isPullDown));
}
