import { ranShareOf } from '@hygromet/contract/ran-share';
import type { SolvedTruck } from '@hygromet/core/planning/solve-truck';
import { burnsByList } from '@hygromet/core/fluids/safety-group';
import { fromServer } from '../data/from-server';
import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { candidateOf } from '@hygromet/contract/candidate';
import { schoolsOf } from '@hygromet/contract/plan-facts';
import { catchError, forkJoin, map, of, switchMap } from 'rxjs';
import { Drafts } from '../data/draft.service';
import type { Suited, SuitArgs } from '../core-worker/cylinder-operations';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { dayOf } from '../ui/day';
import { allOf, currentOf, valueOf, waiting, type Loadable } from '../ui/loadable';
import { emptyEntry, readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { coreQuery } from '../core-worker/core-query';
import { askedOf, lookIn } from '../method/plan-question';
import { Units } from '../preferences/units.service';
import { TruckSolver } from './truck-solver.service';
import { truckTask, truckVisits } from './truck-task';

/** Cylinders added manually, along or not. */
interface Choices {
  readonly pinned: readonly string[];
  readonly excluded: readonly string[];
}

interface TruckDraft {
  /** What was chosen for a day counts for that day alone. */
  readonly choices: Readonly<Record<string, Choices>>;
  readonly most: QuantityEntry;
}

const AS_PLANNED: Choices = { pinned: [], excluded: [] };

interface Solved extends SolvedTruck {
  readonly suited: ReadonlyMap<string, readonly Suited[]>;
}

/** The truck of one day: its visits, the cylinders that may take what they bring, and the best choice of them. */
@Injectable()
export class TruckSession {
  private readonly serverData = inject(ServerData);
  private readonly properties = inject(CoreWorker);
  private readonly solver = inject(TruckSolver);
  private readonly preferences = inject(PreferencesService).current;
  private readonly units = inject(Units);
  readonly day = signal(inject(ActivatedRoute).snapshot.queryParamMap.get('day') ?? dayOf(new Date()));
  private readonly stored = inject(Drafts).open<TruckDraft>('truck', () => ({ choices: {}, most: emptyEntry(this.preferences().mass) }));
  readonly most = computed(() => this.stored.value().most);
  readonly choices = computed(() => this.stored.value().choices[this.day()] ?? AS_PLANNED);

  private readonly visitsRead = fromServer(this.serverData.visits$);
  private readonly systems = fromServer(this.serverData.systems$);
  private readonly cylindersRead = fromServer(this.serverData.cylinders$);
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);
  private readonly organisation = fromServer(this.serverData.organisation$);

  /** What a plan is made of. */
  readonly reads = computed(() => allOf(this.visitsRead(), this.systems(), this.cylindersRead(), this.refrigerants(), this.organisation()));
  readonly cylinders = computed(() => valueOf(this.cylindersRead()) ?? []);
  /** Days with open visits, for the choice of the day. */
  readonly days = computed(() => {
    const open = (valueOf(this.visitsRead()) ?? []).filter(({ state }) => state === 'open').map(({ day }) => day);
    return [...new Set([this.day(), ...open])].sort();
  });
  /** What was seen of the systems of that day, for those whose outdoor temperature was measured. */
  private readonly seen = computed(() => {
    const [visits, systems, refrigerants, organisation] = [
      valueOf(this.visitsRead()),
      valueOf(this.systems()),
      valueOf(this.refrigerants()),
      valueOf(this.organisation()),
    ];
    if (visits === undefined || systems === undefined || refrigerants === undefined || organisation === undefined) return undefined;
    return visits
      .filter(({ state, day }) => state === 'open' && day === this.day())
      .flatMap((visit) => {
        const { id, look, system: { id: systemId } } = visit; // prettier-ignore
        const system = systems.find((one) => one.id === systemId);
        const summary = refrigerants.find((one) => one.id === system?.refrigerant);
        const seen = lookIn(look, look, this.units.atmosphere(), ranShareOf(visit));
        if (system === undefined || summary === undefined || seen === undefined) return [];
        return [{ id, args: { ...askedOf(system, summary), look: seen, practice: schoolsOf(organisation) } }];
      });
  });
  private readonly contents = coreQuery(this.properties, 'inItNow', this.seen);
  readonly visits = computed(() => {
    const refrigerants = valueOf(this.refrigerants()) ?? [];
    const burns = burnsByList(refrigerants);
    const contents = new Map(valueOf(this.contents()) ?? []);
    return truckVisits(valueOf(this.visitsRead()) ?? [], valueOf(this.systems()) ?? [], this.day(), burns, contents);
  });
  /** Open visits of earlier days: today's truck does not count them until somebody gives them a day. */
  readonly leftOver = computed(() => {
    const today = dayOf(new Date());
    return this.day() !== today ? [] : (valueOf(this.visitsRead()) ?? []).filter(({ state, day }) => state === 'open' && day < today);
  });
  /** Open visits between now and that day: what they fill takes room that this plan still counts. */
  readonly before = computed(() => {
    const today = dayOf(new Date());
    return (valueOf(this.visitsRead()) ?? []).filter(({ state, day }) => state === 'open' && day >= today && day < this.day());
  });
  readonly mostWeight = computed(() => {
    const most = readQuantity('mass', this.most());
    return most.state === 'good' ? most.si : undefined;
  });

  private readonly attempt = signal(0);
  private readonly question = computed(() => {
    const [refrigerants, organisation, cylinders] = [
      valueOf(this.refrigerants()),
      valueOf(this.organisation()),
      valueOf(this.cylindersRead()),
    ];
    if (refrigerants === undefined || organisation === undefined || cylinders === undefined || valueOf(this.visitsRead()) === undefined)
      return undefined;
    // what is in them decides what is carried: it is not planned with what was thought before
    if (currentOf(this.contents()) === undefined) return undefined;
    const nominal = (id: string) => refrigerants.find((refrigerant) => refrigerant.id === id);
    const asks = this.visits().flatMap(({ visit, system, quality }): readonly { readonly visit: string; readonly args: SuitArgs }[] => {
      const incoming = nominal(system.refrigerant);
      if (incoming === undefined) return [];
      return [
        {
          visit: visit.id,
          args: {
            cylinders: cylinders.map((cylinder) => ({ id: cylinder.id, ...candidateOf(cylinder, (id) => nominal(id)?.composition) })),
            incoming: { composition: incoming.composition, flammable: incoming.flammable, quality, owner: system.site },
            policy: { required: organisation.requiredRules, liquidShareAt131F: organisation.liquidShareAt131F },
            hottestK: organisation.hottestK,
          },
        },
      ];
    });
    return {
      attempt: this.attempt(),
      asks,
      cylinders,
      visits: this.visits(),
      wishes: { ...this.choices(), mostWeight: this.mostWeight() },
    };
  });

  readonly solved = toSignal(
    toObservable(this.question).pipe(
      switchMap((question) => {
        if (question === undefined) return of<Loadable<Solved>>(waiting);
        const { asks, cylinders, visits, wishes } = question;
        const suited$ = asks.length === 0 ? of([]) : forkJoin(asks.map(({ args }) => this.properties.ask$('suit', args)));
        return suited$.pipe(
          map((all) => new Map(all.map((suitedCylinders, k) => [asks[k]!.visit, suitedCylinders] as const))),
          switchMap((suited) =>
            this.solver
              .solve$(truckTask(visits, cylinders, suited, wishes))
              .pipe(map((answer): Loadable<Solved> => ({ state: 'ready', value: { ...answer, suited } }))),
          ),
          catchError((error: unknown) =>
            of<Loadable<Solved>>({
              state: 'failed',
              sentence: error instanceof Error ? error.message : $localize`The truck cannot be planned now.`,
            }),
          ),
        );
      }),
    ),
    { initialValue: waiting },
  );

  /** Which goal of the plan is decided now; nothing while it is not planned. */
  readonly goal = this.solver.goal;

  /** Stops the planning; any change plans again. */
  stop(): void {
    this.solver.cancel();
  }

  /** After it was stopped, or broke off. */
  planAgain(): void {
    this.attempt.update((count) => count + 1);
  }

  /** A person decides: along, or not, or as the plan has it. */
  decide(cylinder: string, wish: 'pinned' | 'excluded' | 'plan'): void {
    const without = (ids: readonly string[]) => ids.filter((id) => id !== cylinder);
    const { pinned, excluded } = this.choices();
    const chosen: Choices = {
      pinned: wish === 'pinned' ? [...without(pinned), cylinder] : without(pinned),
      excluded: wish === 'excluded' ? [...without(excluded), cylinder] : without(excluded),
    };
    const today = dayOf(new Date());
    this.stored.value.update((draft) => {
      const others = Object.entries(draft.choices).filter(([day]) => day >= today); // days that are over are forgotten
      return { ...draft, choices: { ...Object.fromEntries(others), [this.day()]: chosen } };
    });
  }

  carryAtMost(most: QuantityEntry): void {
    this.stored.value.update((draft) => ({ ...draft, most }));
  }
}
