import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Stage } from '@hygromet/core/visit/stage';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { valueOf } from '../../ui/loadable';
import { StageMark } from '../stage-mark';
import { stageNames, stateText } from '../stage-words';
import { VisitJob } from '../visit-job';

/** Stages that a person ends with a word: what they need, and one honest line about what is not computed here yet. */
@Component({
  selector: 'hy-said-stage',
  imports: [StageMark],
  template: `
    <h2>{{ names[job.here()] }}</h2>
    @if (notNeeded(); as words) {
      <p>{{ words }}</p>
    }
    @if (needs(); as sentence) {
      <p>{{ sentence }}</p>
    }
    @if (notYet(); as line) {
      <p class="second">{{ line }}</p>
    }
    <hy-stage-mark [ask]="ask()" [done]="done()" />
  `,
  styleUrl: './stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SaidStage {
  protected readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  protected readonly names = stageNames;

  protected readonly notNeeded = computed(() => {
    const state = this.job.state();
    if (state?.state !== 'not-needed') return undefined;
    const words = stateText(state);
    return `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}.`;
  });
  protected readonly needs = computed(() => this.needsOf(this.job.here()));
  protected readonly notYet = computed(() => NOT_YET[this.job.here()]);
  protected readonly ask = computed(() => ASK[this.job.here()] ?? 'Note');
  protected readonly done = computed(() => DONE[this.job.here()] ?? 'Done');

  private needsOf(stage: Stage): string | undefined {
    const [plan, system] = [valueOf(this.session.plan()), valueOf(this.session.system())];
    if (stage === 'prove') {
      const weakest = plan?.weakest;
      const limit =
        weakest === undefined
          ? 'No part with a pressure limit is recorded: read the nameplates before a test.'
          : `No test above ${this.units.pressureStep(weakest.gaugePa)}, the limit of the ${weakest.what}.`;
      return `Dry nitrogen through its regulator, a gauge that holds, a thermometer, a vacuum pump and a micron gauge. ${limit}`;
    }
    if (stage === 'recharge' && system !== undefined)
      return `A scale and ${this.units.massText(system.nameplateKg)} of ${system.refrigerant} by the plate, and what the line set takes beyond it.`;
    if (stage === 'repair') return 'What was done stands in the record of the system, with the person and the time.';
    return undefined;
  }
}

const NOT_YET: Partial<Record<Stage, string>> = {
  prove: 'Hygromet does not judge the test yet: write down pressure, time and what the rise test held.',
  recharge: 'Hygromet does not compute the charge yet: write down what was weighed in.',
  check: 'Hygromet does not judge the running system yet: write down the readings.',
};

const ASK: Partial<Record<Stage, string>> = {
  repair: 'What was repaired?',
  prove: 'What was tested, and what did it hold?',
  recharge: 'How much was charged, and from which cylinder?',
  check: 'Readings of the running system',
};

const DONE: Partial<Record<Stage, string>> = {
  repair: 'Repair done',
  prove: 'Test done',
  recharge: 'Recharged',
  check: 'Check done',
};
