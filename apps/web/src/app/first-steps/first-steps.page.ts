import { StepsStyles } from '../ui/library-styles/steps-styles';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { NzStepsModule } from 'ng-zorro-antd/steps';
import { PageHead } from '../ui/page-head';
import { DeviceStep } from './device-step';
import { firstSteps, type FirstStep } from './first-steps';
import { FirstStepsSession } from './first-steps.session';
import { FirmStep } from './firm-step';
import { PracticeStep } from './practice-step';

const titles: Readonly<Record<FirstStep, string>> = {
  firm: $localize`Your firm`,
  device: $localize`This device`,
  practice: $localize`Company practice`,
  cylinders: $localize`Cylinders`,
  systems: $localize`Systems`,
};

/** A firm of its own begins: each step may be passed over, left and taken up again. */
@Component({
  selector: 'hy-first-steps-page',
  imports: [StepsStyles, DeviceStep, FirmStep, NzStepsModule, PageHead, PracticeStep, RouterLink],
  providers: [FirstStepsSession],
  template: `
    <hy-steps-styles />
    <hy-page-head title="First steps" i18n-title [line]="line()">
      <a i18n class="button" routerLink="/today">Go to Today</a>
    </hy-page-head>
    <div class="body">
      <nz-steps nzDirection="vertical" [nzCurrent]="at()" (nzIndexChange)="step.set(steps[$event]!)">
        @for (one of steps; track one) {
          <nz-step
            [nzTitle]="titles[one]"
            [nzDescription]="session.done().has(one) ? 'done' : ''"
            [nzStatus]="one === step() ? 'process' : session.done().has(one) ? 'finish' : 'wait'"
            [nzIcon]="number"
          />
          <ng-template #number
            ><span class="number">{{ session.done().has(one) ? '✓' : steps.indexOf(one) + 1 }}</span></ng-template
          >
        }
      </nz-steps>
      <section [attr.aria-label]="titles[step()]">
        <h2>{{ titles[step()] }}</h2>
        @if (session.organisation(); as organisation) {
          @switch (step()) {
            @case ('firm') {
              <hy-firm-step [organisation]="organisation" (saved)="forward()">
                <button i18n type="button" class="button" (click)="pass()">Later</button>
              </hy-firm-step>
            }
            @case ('device') {
              <hy-device-step>
                <button i18n type="button" class="button main" (click)="forward()">Go on</button>
                <button i18n type="button" class="button" (click)="pass()">Later</button>
              </hy-device-step>
            }
            @case ('practice') {
              <hy-practice-step [organisation]="organisation">
                <button i18n type="button" class="button main" (click)="pass()">Work with these</button>
              </hy-practice-step>
            }
            @case ('cylinders') {
              <p i18n>
                {{ counted(session.counts().cylinders, 'cylinder') }} Take them from a list, scan their labels, or type what the collar
                says.
              </p>
              <div class="ways">
                <a i18n class="button main" routerLink="/cylinders/import">Import a list</a>
                <a i18n class="button" routerLink="/scan">Scan a label</a>
                <a i18n class="button" routerLink="/cylinders/new">Add one by hand</a>
                <button type="button" class="button" (click)="pass()">
                  @if (session.done().has('cylinders')) {
                    <ng-container i18n>Go on</ng-container>
                  } @else {
                    <ng-container i18n>Later</ng-container>
                  }
                </button>
              </div>
            }
            @case ('systems') {
              <p i18n>{{ counted(session.counts().systems, 'system') }} Take them from a list, or type what the plate says.</p>
              <div class="ways">
                <a i18n class="button main" routerLink="/systems/import">Import a list</a>
                <a i18n class="button" routerLink="/systems/new">Add one by hand</a>
                <button type="button" class="button" (click)="pass()">
                  @if (session.done().has('systems')) {
                    <ng-container i18n>To Today</ng-container>
                  } @else {
                    <ng-container i18n>Later</ng-container>
                  }
                </button>
              </div>
            }
          }
        }
      </section>
    </div>
  `,
  styles: `
    .body {
      display: grid;
      align-items: start;
      grid-template-columns: 230px minmax(0, 1fr);
      gap: 40px;
      padding: 28px var(--margin);
    }

    section {
      display: grid;
      gap: 18px;
    }

    h2 {
      font-size: 21px;
    }

    .number {
      display: grid;
      width: 34px;
      height: 34px;
      border: 1.7px solid currentcolor;
      border-radius: 50%;
      font-size: 16px;
      font-weight: 650;
      place-items: center;
    }

    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }

    @media (max-width: 899px) {
      .body {
        grid-template-columns: 1fr;
        gap: 20px;
      }

      nz-steps {
        display: none; /* the heading says where one is */
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirstStepsPage {
  protected readonly session = inject(FirstStepsSession);
  private readonly router = inject(Router);
  protected readonly steps = firstSteps;
  protected readonly titles = titles;
  /** Whoever comes back goes on where something is missing. */
  protected readonly step = linkedSignal<FirstStep | undefined, FirstStep>({
    source: this.session.next,
    computation: (next, before) => (before?.source === undefined ? (next ?? 'firm') : before.value),
  });
  protected readonly at = computed(() => firstSteps.indexOf(this.step()));
  protected readonly line = computed(() => $localize`Step ${this.at() + 1} of ${firstSteps.length}; each can wait`);

  protected readonly counted = (count: number, what: string): string =>
    count === 0
      ? $localize`No ${what} is registered yet.`
      : $localize`${count} ${what}${count === 1 ? $localize` is` : $localize`s are`} registered.`;

  protected pass(): void {
    this.session.pass(this.step());
    this.forward();
  }

  protected forward(): void {
    const next = firstSteps[this.at() + 1];
    if (next === undefined) void this.router.navigate(['/today']);
    else this.step.set(next);
  }
}
