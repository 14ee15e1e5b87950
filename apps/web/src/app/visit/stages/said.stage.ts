import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Stage } from '@hygromet/core/visit/stage';
import { JointList } from '../prove/joint-list';
import { StageMark } from '../stage-mark';
import { stageNames } from '../stage-labels';
import { VisitJob } from '../visit-job';

/** Stages that a person ends with a word, and what they need for it. */
@Component({
  selector: 'hy-said-stage',
  imports: [JointList, StageMark],
  template: `
    <h2>{{ names[job.here()] }}</h2>
    @if (needs(); as sentence) {
      <p>{{ sentence }}</p>
    }
    @if (job.here() === 'repair') {
      <hy-joint-list />
    }
    <hy-stage-mark [ask]="ask()" [done]="done()" />
  `,
  styleUrl: './stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SaidStage {
  protected readonly job = inject(VisitJob);
  protected readonly names = stageNames;

  protected readonly needs = computed(() =>
    this.job.here() === 'repair' ? $localize`What was done is saved with the system, with the person and the time.` : undefined,
  );
  protected readonly ask = computed(() => ASK[this.job.here()] ?? $localize`Note`);
  protected readonly done = computed(() => DONE[this.job.here()] ?? $localize`Done`);
}

const ASK: Partial<Record<Stage, string>> = {
  repair: $localize`What was repaired?`,
};

const DONE: Partial<Record<Stage, string>> = {
  repair: $localize`Repair done`,
};
