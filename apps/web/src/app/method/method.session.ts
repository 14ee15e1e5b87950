import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import type { Part, Valve, ValveState } from '@hygromet/core/circuit/part';
import { kindOf } from '@hygromet/core/circuit/system-kind';
import type { Equipment } from '@hygromet/core/planning/equipment';
import type { Method } from '@hygromet/core/planning/method';
import type { CompressorState, MeteringState } from '@hygromet/core/planning/situation';
import { whereAfter, whereAtRest } from '@hygromet/core/planning/where';
import type { Visit, VisitPlan } from '@hygromet/contract/visit';
import { catchError, concatMap, EMPTY, Subject, tap } from 'rxjs';
import { asked } from '../live/asked';
import { command } from '../live/command';
import { Drafts } from '../live/draft.service';
import { newKey } from '../live/new-key';
import type { PlanArgs } from '../live/plan-operations';
import { PropertyService } from '../live/property.service';
import { Refusal } from '../live/refusal';
import { Registers } from '../live/registers.service';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { loadable, valueOf, waiting } from '../ui/loadable';
import { readQuantity } from '../ui/quantity-entry';
import { newLookDraft, type LookDraft } from './look-draft';

const SHUT_BY: Partial<Record<Method, readonly Valve[]>> = {
  'pump-down-condenser': ['liquid-service', 'suction-service'],
  'pump-down-and-recover': ['liquid-service', 'suction-service'],
  'pump-down-receiver': ['king', 'suction-service'],
};

/** One look at one system: what was seen, what follows from it, and what was decided. */
@Injectable()
export class MethodSession {
  private readonly registers = inject(Registers);
  private readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  readonly systemId = inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '';
  private readonly stored = inject(Drafts).open<LookDraft>(`look.${this.systemId}`, () => newLookDraft(this.preferences()));

  readonly draft = this.stored.value.asReadonly();
  readonly system = toSignal(loadable(this.registers.system$(this.systemId)), { initialValue: waiting });
  private readonly refrigerants = toSignal(loadable(this.registers.refrigerants$), { initialValue: waiting });
  private readonly organisation = toSignal(loadable(this.registers.organisation$), { initialValue: waiting });
  private readonly known = computed(() => valueOf(this.system()));
  private readonly summary = computed(() => valueOf(this.refrigerants())?.find(({ id }) => id === this.known()?.refrigerant));

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
      look: {
        T: ambient.si,
        standing: standing.state === 'good' ? standing.si : undefined,
        failed: draft.failed as Part | 'unknown' | 'none', // the lists on the page offer only what the core knows
        compressor: draft.compressor as CompressorState,
        metering: draft.metering as MeteringState,
        heldInCooling: draft.heldInCooling,
        water: draft.water === 'stands' ? 'stands' : 'flows',
        majorRepair: draft.majorRepair,
        leaks: draft.leaks,
        shaded: draft.shaded,
        atmosphere: this.units.atmosphere(),
        equipment: {
          machine: draft.machine,
          cores: draft.cores,
          hoses: draft.hoses,
          cooling: draft.cooling,
          built: draft.built,
        } as Equipment, // as above
      },
      schools: {
        partShare: organisation.partShare,
        keptShare: organisation.liquidShareAt131F,
        hottestK: organisation.hottestK,
        endOfPumpDown: organisation.endOfPumpDown,
      },
      method: draft.method ?? undefined,
    };
  });
  readonly plan = asked(inject(PropertyService), 'plan', this.question);

  readonly failedPart = computed(() => {
    const { failed } = this.draft();
    return failed === 'unknown' || failed === 'none' ? undefined : (failed as Part);
  });
  readonly where = computed(() => {
    const [system, plan] = [this.known(), valueOf(this.plan())];
    if (system === undefined) return new Map();
    return plan?.method === undefined ? whereAtRest(system.kind) : whereAfter(plan.method, system.kind);
  });
  readonly valves = computed(() => {
    const system = this.known();
    if (system === undefined) return [];
    const shut = SHUT_BY[valueOf(this.plan())?.method ?? 'recover'] ?? [];
    const states: Partial<Record<Valve, ValveState>> = system.facts.valves ?? {};
    return kindOf(system.kind)
      .valves.filter((valve) => states[valve] !== 'none')
      .map((valve) => ({ valve, shut: shut.includes(valve) }));
  });

  /** Somebody has changed the facts since this plan was last looked at. */
  readonly changedBy = computed(() => {
    const [system, { seenVersion }] = [this.known(), this.draft()];
    return system === undefined || seenVersion === null || seenVersion === system.version ? undefined : (system.changedBy ?? 'Somebody');
  });

  private readonly visits = toSignal(loadable(this.registers.visits$), { initialValue: waiting });
  /** The open visit to this system, the latest where there are several. */
  readonly visit = computed(() => valueOf(this.visits())?.find(({ state, system }) => state === 'open' && system.id === this.systemId));
  readonly keeping = command(
    ({ visit, plan }: { visit: Visit; plan: VisitPlan }) =>
      this.registers.saveVisitPlan$(visit.id, { version: visit.version, plan, recordedBy: this.preferences().person }),
    () => undefined,
  );

  /** The last reading of each step that the visit keeps. */
  readonly keptReadings = computed(() => new Map((this.visit()?.readings ?? []).map((reading) => [reading.step, reading])));
  private readonly readings$ = new Subject<{ readonly visit: string; readonly step: string; readonly text: string }>();
  /** Why the last reading could not be kept; it stays on the device. */
  readonly readingRefused = signal<string | undefined>(undefined);

  constructor() {
    // one after the other: what is read quickly at two steps is kept twice
    this.readings$
      .pipe(
        concatMap(({ visit, step, text }) =>
          this.registers
            .addVisitReading$(visit, {
              key: newKey(),
              step,
              text,
              readAt: new Date().toISOString(),
              recordedBy: this.preferences().person,
            })
            .pipe(
              tap(() => this.readingRefused.set(undefined)),
              catchError((error: unknown) => {
                this.readingRefused.set(error instanceof Refusal ? error.message : 'This reading is not kept yet.');
                return EMPTY;
              }),
            ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe();
    // a reading of the last visit must not decide this one; what was typed before the visit was opened belongs to it
    effect(() => {
      const visit = this.visit();
      const own = this.draft().visit;
      if (visit === undefined || own === visit.id) return;
      this.stored.value.update((draft) => ({ ...(own === null ? draft : newLookDraft(this.preferences())), visit: visit.id }));
    });
  }

  /** Keeps what was decided with the visit, and the version of the facts it rests on. */
  keep(): void {
    const [visit, plan, question, draft] = [this.visit(), valueOf(this.plan()), this.question(), this.draft()];
    if (visit === undefined || plan?.method === undefined || question === undefined) return;
    this.keeping.send({
      visit,
      plan: {
        method: plan.method,
        proposed: plan.decision.chosen ?? null,
        why: draft.why.trim(),
        failed: draft.failed,
        burntOut: draft.compressor === 'burnt-out',
        ambientK: question.look.T,
        standingPa: question.look.standing ?? null,
        factsVersion: draft.seenVersion ?? visit.system.factsVersion,
      },
    });
  }

  /** What was read at a step: on the device as it is typed, with the visit once it is complete. */
  keepReading(step: string, text: string): void {
    const visit = this.visit();
    if (visit === undefined || text.trim() === '' || this.keptReadings().get(step)?.text === text.trim()) return;
    this.readings$.next({ visit: visit.id, step, text: text.trim() });
  }

  /** What is changed is looked at with the facts as they are now. */
  change(part: Partial<LookDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, seenVersion: draft.seenVersion ?? this.known()?.version ?? null, ...part }));
  }

  lookAgain(): void {
    this.change({ seenVersion: this.known()?.version ?? null });
  }
}
