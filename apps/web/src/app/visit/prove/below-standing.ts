import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Composition } from '@hygromet/core/fluids/composition';
import { coreQuery } from '../../core-worker/core-query';
import { CoreWorker } from '../../core-worker/core-worker.service';
import type { StandingArgs } from '../../core-worker/proof-operations';
import { Units } from '../../preferences/units.service';
import { Caution } from '../../ui/caution';
import { currentOf } from '../../ui/loadable';

interface Filled {
  /** Pa above the air. */
  readonly setGaugePa: number;
  readonly T: number;
}

/** A test below the pressure at which the charge stands today: a place that leaks only under more than that is not seen. */
@Component({
  selector: 'hy-below-standing',
  imports: [Caution],
  template: `
    @if (sentence(); as words) {
      <hy-caution>{{ words }}</hy-caution>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BelowStanding {
  readonly task = input<Filled | undefined>();
  readonly composition = input.required<Composition>();
  private readonly units = inject(Units);
  private readonly asked = coreQuery(
    inject(CoreWorker),
    'standing',
    computed((): StandingArgs | undefined => {
      const [composition, T] = [this.composition(), this.task()?.T];
      return T === undefined || Object.keys(composition).length === 0 ? undefined : { composition, T };
    }),
  );
  protected readonly sentence = computed(() => {
    const [standing, task] = [currentOf(this.asked()) ?? undefined, this.task()];
    if (standing === undefined || task === undefined) return undefined;
    const own = standing - this.units.atmosphere();
    return task.setGaugePa >= own
      ? undefined
      : $localize`Below the ${this.units.pressureStep(own)} at which the charge stands today: what leaks only under that is not seen. Test above it where the weakest part allows.`;
  });
}
