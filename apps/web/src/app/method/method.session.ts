import { fromServer } from '../data/from-server';
import { computed, inject, Injectable } from '@angular/core';

import { valves as allValves, type Valve, type ValveState } from '@hygromet/core/circuit/part';
import { kindOf } from '@hygromet/core/circuit/system-kind';
import type { Method } from '@hygromet/core/planning/method';
import { keptApart } from '@hygromet/core/planning/reuse';
import { whereAfter, whereAtRest } from '@hygromet/core/planning/where';
import { decisiveLook, schoolsOf, seenLook } from '@hygromet/contract/plan-facts';
import type { VisitPlan } from '@hygromet/contract/visit-plan';
import { kelvin, pascal } from '@hygromet/core/units/quantity';
import { coreQuery } from '../core-worker/core-query';
import type { PlanArgs } from '../core-worker/plan-operations';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { currentOf, valueOf } from '../ui/loadable';
import { readQuantity } from '../ui/quantity-entry';
import { saidOf, type LookDraft } from './look-draft';
import { LookSource, SYSTEM_ID } from './look-source';

const SHUT_BY: Partial<Record<Method, readonly Valve[]>> = {
  'pump-down-condenser': ['liquid-service', 'suction-service'],
  'pump-down-and-recover': ['liquid-service', 'suction-service'],
  'pump-down-receiver': ['king', 'suction-service'],
};

/** One look at one system: what was seen, what follows from it, and what was decided. */
@Injectable()
export class MethodSession {
  private readonly serverData = inject(ServerData);
  private readonly units = inject(Units);
  readonly systemId = inject(SYSTEM_ID);
  private readonly look = inject(LookSource);

  readonly draft = this.look.draft;
  readonly unsaved = this.look.unsaved;
  readonly system = fromServer(this.serverData.system$(this.systemId));
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);
  private readonly organisation = fromServer(this.serverData.organisation$);
  private readonly known = computed(() => valueOf(this.system()));
  private readonly summary = computed(() => valueOf(this.refrigerants())?.find(({ id }) => id === this.known()?.refrigerant));

  readonly composition = computed(() => this.summary()?.composition);
  readonly kind = computed(() => {
    const system = this.known();
    return system === undefined ? undefined : kindOf(system.kind);
  });
  readonly ambient = computed(() => readQuantity('temperature', this.draft().ambient));
  readonly standing = computed(() => readQuantity('pressure', this.draft().standing, this.units.atmosphere()));

  readonly question = computed((): PlanArgs | undefined => {
    const [system, summary, organisation] = [this.known(), this.summary(), valueOf(this.organisation())];
    const [ambient, standing, draft] = [this.ambient(), this.standing(), this.draft()];
    if (system === undefined || summary === undefined || organisation === undefined || ambient.state !== 'good' || standing.state === 'bad')
      return undefined;
    return {
      system,
      composition: summary.composition,
      flammable: summary.flammable,
      look: seenLook(saidOf(draft), {
        T: kelvin(ambient.si),
        standingPressure: standing.state === 'good' ? pascal(standing.si) : undefined,
        atmosphere: pascal(this.units.atmosphere()),
      }),
      practice: schoolsOf(organisation),
      method: draft.method ?? undefined,
    };
  });
  readonly plan = coreQuery(inject(CoreWorker), 'plan', this.question);

  readonly failedPart = computed(() => {
    const { failed } = this.draft();
    return failed === 'unknown' || failed === 'none' ? undefined : failed;
  });
  /** What comes out goes into a cylinder marked for burnout, until a test has found no acid. */
  readonly keptApart = computed(() => keptApart(this.draft().compressor, this.draft().failed, this.draft().acid));
  readonly where = computed(() => {
    const [system, plan] = [this.known(), valueOf(this.plan())];
    if (system === undefined) return new Map();
    return plan?.method === undefined ? whereAtRest(system.kind) : whereAfter(plan.method, system.kind);
  });
  readonly valves = computed(() => {
    const system = this.known();
    if (system === undefined) return [];
    const found = this.draft();
    const shut = SHUT_BY[valueOf(this.plan())?.method ?? 'recover'] ?? [];
    const states: Partial<Record<Valve, ValveState>> = system.facts.valves ?? {};
    return kindOf(system.kind)
      .valves.filter((valve) => (found[valve] ?? states[valve]) !== 'none')
      .map((valve) => ({ valve, shut: shut.includes(valve) }));
  });

  /** The valves that can be found to hold or to leak, with what is known of them. */
  readonly valveStates = computed(() => {
    const [system, draft] = [this.known(), this.draft()];
    if (system === undefined) return [];
    const recorded: Partial<Record<Valve, ValveState>> = system.facts.valves ?? {};
    return allValves
      .filter((valve) => kindOf(system.kind).valves.includes(valve) || recorded[valve] !== undefined)
      .map((valve) => ({ valve, state: draft[valve] ?? recorded[valve] ?? 'unproved' }));
  });

  /** Somebody has changed the facts since this plan was last looked at. */
  readonly changedBy = computed(() => {
    const [system, { seenVersion }] = [this.known(), this.draft()];
    return system === undefined || seenVersion === null || seenVersion === system.version ? undefined : (system.changedBy ?? 'Somebody');
  });

  /** What would be saved as decided; nothing while nothing is possible. */
  readonly decided = computed((): VisitPlan | undefined => {
    const [system, plan, question, draft] = [this.known(), currentOf(this.plan()), this.question(), this.draft()];
    if (system === undefined || plan?.method === undefined || question === undefined) return undefined;
    return {
      method: plan.method,
      proposed: plan.decision.chosen ?? null,
      why: draft.why.trim(),
      failed: draft.failed,
      burntOut: this.keptApart(),
      look: decisiveLook(saidOf(draft)),
      ambientK: question.look.T,
      standingPa: question.look.standingPressure ?? null,
      factsVersion: draft.seenVersion ?? system.version,
    };
  });

  /** What is changed is looked at with the facts as they are now. */
  change(part: Partial<LookDraft>): void {
    this.look.change({ seenVersion: this.draft().seenVersion ?? this.known()?.version ?? null, ...part });
  }

  lookAgain(): void {
    this.change({ seenVersion: this.known()?.version ?? null });
  }
}
