import { fromServer } from '../data/from-server';
import { computed, inject, Injectable, linkedSignal } from '@angular/core';

import type { Circuit, ComponentId } from '@hygromet/core/circuit/circuit';
import { circuitOf } from '@hygromet/core/circuit/circuit-of';
import { valves as allValves } from '@hygromet/core/circuit/part';
import { idsOf } from '@hygromet/core/circuit/sections';
import { valveStateOf, type CircuitRecord } from '@hygromet/core/circuit/system-kind';
import { atStep, type Moment } from '@hygromet/core/planning/at-step';
import { keptApart } from '@hygromet/core/planning/reuse';
import { isUnusualAmbient } from '@hygromet/core/planning/usual-ambient';
import { opened } from '@hygromet/core/planning/what-is-opened';
import { pumpedInto, SHUT_AT_THE_END, whereAfter, whereAtRest } from '@hygromet/core/planning/where';
import { kelvin } from '@hygromet/core/units/quantity';
import { circuitRecord, decisiveLook, schoolsOf } from '@hygromet/contract/plan-facts';
import type { System } from '@hygromet/contract/system';
import type { VisitPlan } from '@hygromet/contract/visit-plan';
import { coreQuery } from '../core-worker/core-query';
import type { PlanArgs } from '../core-worker/plan-operations';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { currentOf, valueOf } from '../ui/loadable';
import { readQuantity } from '../ui/quantity-entry';
import { saidOf, type LookDraft } from './look-draft';
import { ambientOf, askedOf, lookIn } from './plan-question';
import { LookSource, SYSTEM_ID } from './look-source';
import type { DrawnMoment } from './step-list';

/** A reading that cannot be. */
export interface Slip {
  readonly of: 'standing' | 'short';
  readonly sentence: string;
}

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
  /** What is in it: changed by a leak where that was seen, else as it is named; without any reading as well. */
  readonly inside = computed(() => this.question()?.composition ?? this.composition());
  readonly ambient = computed(() => readQuantity('temperature', this.draft().ambient));
  /** It is hardly weather, and nobody has read it again. */
  readonly ambientDoubted = computed(() => {
    const [ambient, { ambientConfirmed }] = [this.ambient(), this.draft()];
    return ambient.state === 'good' && isUnusualAmbient(kelvin(ambient.si)) && !ambientConfirmed;
  });
  /** What cannot be as it was typed, in the order of the form: nothing is compared before it was read again. */
  readonly slip = computed((): Slip | undefined => {
    const [standing, short] = [this.standing(), readQuantity('mass', this.draft().short)];
    if (standing.state === 'bad') return { of: 'standing', sentence: standing.sentence };
    return short.state === 'bad' ? { of: 'short', sentence: short.sentence } : undefined;
  });
  readonly standing = computed(() => readQuantity('pressure', this.draft().standing, this.units.atmosphere()));

  readonly question = computed((): PlanArgs | undefined => {
    const [system, summary, organisation, draft] = [this.known(), this.summary(), valueOf(this.organisation()), this.draft()];
    if (system === undefined || summary === undefined || organisation === undefined) return undefined;
    const look = lookIn(saidOf(draft), draft, this.units.atmosphere(), this.look.ranShare());
    return look === undefined
      ? undefined
      : { ...askedOf(system, summary), look, practice: schoolsOf(organisation), method: draft.method ?? undefined };
  });
  /** What the organisation has decided for all its people. */
  readonly practice = computed(() => {
    const organisation = valueOf(this.organisation());
    return organisation === undefined ? undefined : schoolsOf(organisation);
  });
  readonly plan = coreQuery(inject(CoreWorker), 'plan', this.question);
  /** Nothing more is on its way that a page of this look begins with. */
  readonly read = computed(
    () =>
      [this.system(), this.refrigerants(), this.organisation()].every(({ state }) => state !== 'waiting') &&
      (this.question() === undefined || this.plan().state !== 'waiting'),
  );

  /** As installed, by the record and by what was found today. */
  readonly circuit = computed((): Circuit | undefined => {
    const system = this.known();
    return system === undefined ? undefined : circuitOf(this.recordAsFound());
  });
  /** What will be open to the air; nothing while nobody knows. */
  readonly opened = computed((): readonly ComponentId[] => {
    const [circuit, plan, { purpose, failed }] = [this.circuit(), valueOf(this.plan()), this.draft()];
    if (circuit === undefined) return [];
    const opens = opened({ circuit, purpose, failed }, plan?.method === undefined ? undefined : pumpedInto(plan.method));
    return typeof opens === 'string' ? [] : opens;
  });
  /** What comes out goes into a cylinder marked for burnout, until a test has found no acid. */
  readonly keptApart = computed(() => keptApart(this.draft().compressor, this.draft().failed, this.draft().acid));
  /** The step that is touched, by its place in the list; the drawing shows it. It falls with the steps it is of. */
  readonly step = linkedSignal<unknown, number | undefined>({ source: () => valueOf(this.plan())?.steps, computation: () => undefined });
  private readonly seen = computed(() => ({
    valves: this.recordAsFound().valves ?? {},
    meteringStuckShut: this.draft().metering === 'stuck-closed',
  }));
  /** The circuit when the touched step has been done. */
  private readonly stepMoment = computed((): Moment | undefined => {
    const [circuit, plan, step] = [this.circuit(), valueOf(this.plan()), this.step()];
    if (circuit === undefined || plan?.method === undefined || step === undefined) return undefined;
    return atStep(plan.method, circuit, this.seen(), plan.steps, step);
  });
  /** What the list of steps draws beside the one that is touched. */
  readonly drawnStep = computed((): DrawnMoment | undefined => {
    const [circuit, moment] = [this.circuit(), this.stepMoment()];
    return circuit === undefined || moment === undefined ? undefined : { circuit, moment, opened: this.opened() };
  });
  /** The circuit at the end of the method; as it is today where there is none. */
  readonly moment = computed((): Moment => {
    const [circuit, plan] = [this.circuit(), valueOf(this.plan())];
    if (circuit === undefined) return { where: new Map(), shut: new Set() };
    if (plan?.method === undefined) return { where: whereAtRest(circuit), shut: new Set() };
    return { where: whereAfter(plan.method, circuit, this.seen()), shut: idsOf(circuit, ...(SHUT_AT_THE_END[plan.method] ?? [])) };
  });

  /** The valves that can be found to hold or to leak, with what is known of them. */
  readonly valveStates = computed(() => {
    const system = this.known();
    if (system === undefined) return [];
    const record = circuitRecord(system);
    return allValves
      .filter((valve) => valveStateOf(valve, record) !== 'none')
      .map((valve) => ({ valve, state: valveStateOf(valve, this.recordAsFound()) }));
  });

  /** The make-up on record, with what was found of its valves today. */
  private readonly recordAsFound = computed((): CircuitRecord => {
    const [system, draft] = [this.known(), this.draft()];
    if (system === undefined) return { kind: 'split' };
    const found = allValves.flatMap((valve) => (draft[valve] === undefined ? [] : [[valve, draft[valve]] as const]));
    const record = circuitRecord(system);
    return { ...record, valves: { ...record.valves, ...Object.fromEntries(found) } };
  });

  /** Somebody has changed the facts since this plan was last looked at. */
  readonly changedBy = computed(() => {
    const [system, { seenVersion }] = [this.known(), this.draft()];
    return system === undefined || seenVersion === null || seenVersion === system.version
      ? undefined
      : (system.changedBy ?? $localize`Somebody`);
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
      ...ambientOf(question.look),
      standingPa: question.look.standingPressure ?? null,
      factsVersion: draft.seenVersion ?? system.version,
    };
  });

  /** What is changed is looked at with the facts as they are now. */
  change(part: Partial<LookDraft>): void {
    this.look.change({ seenVersion: this.draft().seenVersion ?? this.known()?.version ?? null, ...part });
  }

  /** A plan stands that rests on the facts as they were until this person has compared them with the unit. */
  compared({ version }: Pick<System, 'version'>): void {
    if (this.draft().seenVersion === version - 1) this.change({ seenVersion: version });
  }

  lookAgain(): void {
    this.change({ seenVersion: this.known()?.version ?? null });
  }
}
