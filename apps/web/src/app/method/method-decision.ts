import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Method } from '@hygromet/core/planning/method';
import { usualAmbient } from '@hygromet/core/planning/usual-ambient';
import type { PlanAnswer } from '../core-worker/plan-operations';
import { Units } from '../preferences/units.service';
import { Caution } from '../ui/caution';
import { valueOf } from '../ui/loadable';
import { TextField } from '../ui/text-field';
import { MethodSession, type Slip } from './method.session';
import { sightCriterion, sightTitle } from './sight-labels';
import { ReuseFields } from './reuse-fields';
import { arrivalText, contradictionText, methodNames } from './method-labels';
import { VerdictList } from './verdict-list';
import { Computing } from '../ui/computing';

const READ_AGAIN: Readonly<Record<Slip['of'], string>> = {
  standing: $localize`Read the standing pressure again`,
  short: $localize`Check what is reported short`,
};

/** The verdict, why, and every way with what speaks against it; another way than the proposed one carries its reason. */
@Component({
  selector: 'hy-method-decision',
  imports: [Computing, Caution, ReuseFields, TextField, VerdictList],
  template: `
    @if (session.changedBy(); as who) {
      <hy-caution [grave]="true">
        <ng-container i18n
          >{{ who }} has changed the facts of this system since this plan was made. Check it before it is used. </ng-container
        ><button i18n type="button" class="link" (click)="session.lookAgain()">I have checked it</button>
      </hy-caution>
    }
    @if (plan(); as p) {
      @for (question of questions(); track $index) {
        <hy-caution>{{ question }}</hy-caution>
      }
      <div class="decided" [hyComputing]="session.plan()">
        @if (look(); as first) {
          <p i18n class="second">First</p>
          <h2>{{ first.title }}</h2>
          <p>{{ first.criterion }}</p>
          <p class="second">
            @if (first.then; as then) {
              <ng-container i18n>Then it may be: {{ then }}. </ng-container>
            }
            @if (p.method; as method) {
              {{ first.then ? words.withoutIt : words.asItStands }}: {{ lower(names[method]) }}.
            }
          </p>
        } @else {
          <p class="second">
            @if (overridden()) {
              <ng-container i18n>Chosen against the proposal</ng-container>
            } @else {
              <ng-container i18n>Proposed</ng-container>
            }
          </p>
          <h2>
            @if (p.method === undefined) {
              <ng-container i18n>No method is possible yet</ng-container>
            } @else {
              {{ names[p.method] }}
            }
          </h2>
          @if (p.method === undefined) {
            <p i18n>Resolve the items below, then check again.</p>
          }
        }
        @if (fallen(); as method) {
          <p i18n class="over" role="alert">{{ names[method] }} was chosen and is not possible any more: see its reasons below.</p>
        }
      </div>
      <p class="asFound" [hyComputing]="session.plan()">
        {{ asFound(p) }}
        @if (p.hosesTake; as fall) {
          <ng-container i18n>Three 3/8 in hoses lower the reading by about {{ units.pressureStep(fall) }}. </ng-container>
        }
      </p>
      <hy-reuse-fields />
      <ng-content />
      <hy-verdict-list [verdicts]="p.decision.verdicts" [taken]="p.method" (take)="take($event, p)" />
      @if (overridden()) {
        <hy-text-field
          label="Reason for overriding"
          i18n-label
          [text]="session.draft().why"
          (textChange)="session.change({ why: $event })"
          [submitted]="true"
          hint="saved with the job"
          i18n-hint
        />
      }
    } @else if (refused(); as sentence) {
      <hy-caution>{{ sentence }}</hy-caution>
    } @else if (session.ambientDoubted()) {
      <div class="decided">
        <p i18n class="second">First</p>
        <h2 i18n>Read the outdoor temperature again</h2>
        <p i18n>
          {{ session.draft().ambient.text }} °{{ session.draft().ambient.unit }} is beyond {{ units.temperature(usualAmbient.least) }} to
          {{ units.temperature(usualAmbient.most) }}: a slip, or the other unit. Nothing is computed from it until it was read again.
        </p>
        <div class="actions">
          <button i18n type="button" class="button" (click)="session.change({ ambientConfirmed: true })">It is right</button>
        </div>
      </div>
    } @else if (session.ambient().state !== 'good') {
      <div class="decided">
        <p i18n class="second">First</p>
        <h2 i18n>Measure the outdoor temperature</h2>
        <p i18n>
          In the shade, at the condenser: what a part may hold, what the standing pressure says and how long it takes follow from it.
        </p>
      </div>
    } @else if (session.slip(); as slip) {
      <div class="decided">
        <p i18n class="second">First</p>
        <h2>{{ words.again[slip.of] }}</h2>
        <p>{{ slip.sentence }}</p>
      </div>
    } @else {
      <p i18n class="second">Comparing methods</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 18px;
    }

    .asFound {
      font-size: 17px;
    }

    .decided h2 {
      font-size: 34px;
      letter-spacing: -0.01em;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MethodDecision {
  protected readonly words = { withoutIt: $localize`Without it`, asItStands: $localize`As it stands`, again: READ_AGAIN } as const;

  protected readonly session = inject(MethodSession);
  protected readonly units = inject(Units);
  protected readonly names = methodNames;
  protected readonly usualAmbient = usualAmbient;
  protected readonly plan = computed(() => valueOf(this.session.plan()));
  protected readonly refused = computed(() => {
    const plan = this.session.plan();
    return plan.state === 'failed' ? plan.sentence : undefined;
  });
  protected readonly questions = computed(() =>
    (this.plan()?.contradictions ?? []).map((contradiction) => contradictionText(contradiction, this.units)),
  );
  /** A method that somebody has chosen and that still is possible. */
  protected readonly overridden = computed(() => {
    const { method } = this.session.draft();
    return method !== null && this.plan()?.method === method;
  });
  protected readonly fallen = computed(() => {
    const [{ method }, plan] = [this.session.draft(), this.plan()];
    return method === null || plan === undefined || plan.method === method ? undefined : method;
  });
  /** What to see before anything is decided; not where somebody has decided. */
  protected readonly look = computed(() => {
    const plan = this.plan();
    const next = plan?.decision.next;
    if (plan === undefined || next === undefined || this.overridden()) return undefined;
    return {
      title: sightTitle(next.see, next.for),
      criterion: sightCriterion(next.see, plan.trial, this.units),
      then: next.for === undefined ? undefined : this.lower(methodNames[next.for]),
    };
  });
  protected lower = (name: string): string => `${name[0]?.toLowerCase() ?? ''}${name.slice(1)}`;
  protected asFound = ({ asFound, content }: PlanAnswer): string => arrivalText(asFound, content, this.units);

  protected take(method: Method, { decision }: PlanAnswer): void {
    this.session.change({ method: method === decision.chosen ? null : method, ...(method === decision.chosen ? { why: '' } : {}) });
  }
}
