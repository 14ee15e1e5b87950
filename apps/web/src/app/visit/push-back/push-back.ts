import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { coreQuery } from '../../core-worker/core-query';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { Caution } from '../../ui/caution';
import { Computing } from '../../ui/computing';
import { valueOf } from '../../ui/loadable';
import { pushBackScenarioOf, type Feeding } from '../live/scenario-of';
import { byItselfText, byMachineText, machineBetweenText, shutOffText } from './push-back-labels';

/** A charge into a standing system: how much goes by pressure alone, what the recovery machine pushes, as the twin has it from here on. */
@Component({
  selector: 'hy-push-back',
  imports: [Caution, Computing],
  template: `
    @if (told(); as a) {
      <section aria-label="How it goes in" i18n-aria-label [hyComputing]="answer()">
        <p>
          <b>{{ a.byItself }}</b>
          @if (a.byMachine; as words) {
            {{ words }}
          }
        </p>
        @if (a.pushes) {
          <p>{{ between }}</p>
          <hy-caution [grave]="true">{{ shutOff }}</hy-caution>
        }
        <p class="second">{{ source() }}</p>
      </section>
    }
  `,
  styles: `
    section {
      display: grid;
      gap: 8px;
    }

    p {
      margin: 0;
      max-width: 62ch;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PushBack {
  readonly from = input.required<Cylinder>();
  readonly feeding = input.required<Feeding>();
  /** Whether there is anything to tell. */
  readonly foretold = output<boolean>();
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  protected readonly between = machineBetweenText;
  protected readonly shutOff = shutOffText;

  private readonly scenario = computed(() =>
    pushBackScenarioOf(this.session.question(), valueOf(this.session.plan()), this.from(), this.feeding()),
  );
  protected readonly answer = coreQuery(inject(CoreWorker), 'pushedBack', this.scenario, this.session.plan);
  protected readonly told = computed(() => {
    const answer = valueOf(this.answer());
    if (answer === undefined) return undefined;
    return {
      byItself: byItselfText(answer, this.units),
      byMachine: byMachineText(answer, this.from().name, this.units),
      pushes: answer.byMachine !== undefined && answer.byMachine.ends !== 'trips',
    };
  });
  protected readonly source = computed(() => {
    const { system, cylinder } = this.scenario() ?? {};
    if (system === undefined || cylinder === undefined) return '';
    const of = (name: string, T: number) => $localize`${name} at ${this.units.temperature(T)}`;
    return $localize`By the twin: ${of('system', system.temperatureK)}, ${of('cylinder', cylinder.temperatureK)}, volumes as recorded or usual; the longer time with a valve core in the way.`;
  });

  constructor() {
    effect(() => this.foretold.emit(this.told() !== undefined));
  }
}
