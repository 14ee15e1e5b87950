import { computed, inject, Injectable } from '@angular/core';
import { Drafts } from '../data/draft.service';
import { fromServer } from '../data/from-server';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { valueOf } from '../ui/loadable';
import { firstSteps, nextFirstStep, stepsDone, type Begun, type FirstStep } from './first-steps';

interface Passed {
  readonly passed: readonly FirstStep[];
}

/** How far a firm of its own has begun; nothing of it in the demo. */
@Injectable()
export class FirstStepsSession {
  private readonly serverData = inject(ServerData);
  private readonly person = inject(PreferencesService).current;
  private readonly stored = inject(Drafts).open<Passed>('first-steps', () => ({ passed: [] }));
  private readonly organisationRead = fromServer(this.serverData.organisation$);
  private readonly cylinders = fromServer(this.serverData.cylinders$);
  private readonly systems = fromServer(this.serverData.systems$);

  readonly organisation = computed(() => valueOf(this.organisationRead()));
  readonly counts = computed(() => ({ cylinders: valueOf(this.cylinders())?.length ?? 0, systems: valueOf(this.systems())?.length ?? 0 }));
  /** Known once everything is read: nobody is asked for what is there already. */
  private readonly begun = computed((): Begun | undefined => {
    const organisation = this.organisation();
    if (organisation === undefined || valueOf(this.cylinders()) === undefined || valueOf(this.systems()) === undefined) return undefined;
    return { organisation, person: this.person().person, ...this.counts(), passed: this.stored.value().passed };
  });
  readonly done = computed(() => {
    const begun = this.begun();
    return begun === undefined ? new Set<FirstStep>() : stepsDone(begun);
  });
  readonly next = computed(() => {
    const begun = this.begun();
    return begun === undefined ? undefined : nextFirstStep(begun);
  });
  /** Whether a person is to be led through: in a firm of its own, while something is missing that nobody has passed over. */
  readonly asked = computed(() => this.organisation()?.demo === false && this.next() !== undefined);
  readonly left = computed(() => firstSteps.filter((step) => !this.done().has(step) && !this.stored.value().passed.includes(step)).length);

  /** Done later, or looked at. */
  pass(step: FirstStep): void {
    this.stored.value.update(({ passed }) => ({ passed: [...passed.filter((other) => other !== step), step] }));
  }
}
