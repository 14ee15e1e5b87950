import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { LookFields } from '../../method/look-fields';
import { MethodSession } from '../../method/method.session';
import { arrivalText } from '../../method/method-labels';
import { sightCriterion, sightTitle } from '../../method/sight-labels';
import { Units } from '../../preferences/units.service';
import { valueOf } from '../../ui/loadable';
import { IdentifierReading } from '../identifier-reading';
import { lacksText } from '../stage-labels';
import { VisitJob } from '../visit-job';

/** What is read and seen on arriving; each change is saved with the visit as it is made. */
@Component({
  selector: 'hy-look-stage',
  imports: [IdentifierReading, LookFields],
  template: `
    <h2 i18n>What do you find?</h2>
    @if (written(); as note) {
      <p i18n class="second">Notes for the next technician: “{{ note }}”</p>
    }
    <!-- what was seen on a closed visit stays as it is -->
    <fieldset [disabled]="!job.open()"><hy-look-fields /></fieldset>
    @if (job.visit()?.system?.refrigerant; as recorded) {
      <hy-identifier-reading [recorded]="recorded" />
    }
    @if (asFound(); as sentence) {
      <p class="asFound">{{ sentence }}</p>
    }
    <p class="second" role="status">{{ lacks() || worthSeeing() || words.everythingThatDecidesTheMethod }}</p>
  `,
  styleUrl: './stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LookStage {
  protected readonly words = { everythingThatDecidesTheMethod: $localize`Everything that decides the method is recorded.` } as const;

  protected readonly session = inject(MethodSession);
  protected readonly job = inject(VisitJob);
  private readonly units = inject(Units);
  protected readonly written = computed(() => valueOf(this.session.system())?.facts.written);
  protected readonly asFound = computed(() => {
    const plan = valueOf(this.session.plan());
    return plan === undefined ? undefined : arrivalText(plan.asFound, plan.content, this.units);
  });
  /** What would make a better method possible than the one that is. */
  protected readonly worthSeeing = computed(() => {
    const plan = valueOf(this.session.plan());
    const next = plan?.decision.next;
    return plan === undefined || next === undefined
      ? ''
      : `${sightTitle(next.see, next.for)}: ${sightCriterion(next.see, plan.trial, this.units)}`;
  });
  protected readonly lacks = computed(() => {
    const state = this.job.states().find(({ stage }) => stage === 'look');
    return state === undefined ? '' : lacksText(state);
  });
}
