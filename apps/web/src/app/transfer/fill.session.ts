import { fromServer, serverReader } from '../data/from-server';
import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { comingIn } from '@hygromet/contract/coming-in';
import type { Question } from '@hygromet/contract/asked-back';
import type { ScaleTarget } from '@hygromet/contract/movement';
import { sameWeight } from '@hygromet/core/cylinder/same-weight';
import type { Hose } from '@hygromet/core/cylinder/handling';
import type { MassUnit } from '@hygromet/core/units/mass';
import { isBelowTare } from '@hygromet/core/cylinder/scale-tolerance';
import { USUAL_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';
import { of, switchMap } from 'rxjs';
import { hottestAt, usualPlace } from '../cylinders/hottest-place';
import { tareOf } from '../cylinders/gross-tare';
import { questionIn } from '../data/asked-back';
import { mutation, errorIn } from '../data/mutation';
import { Drafts } from '../data/draft.service';
import { newKey } from '../data/new-key';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { Units, type Rounding } from '../preferences/units.service';
import { allOf, currentOf, valueOf, waiting } from '../ui/loadable';
import { readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { readWhen } from '../ui/when';
import { fillAnswers } from './fill-answers';
import { fillCautions } from './fill-cautions';
import { fillDoubt } from './fill-doubt';
import { isSound, newFillDraft, type FillDraft } from './fill-draft';
import { FillTarget } from './fill-target';
import { startGate } from './start-gate';

/** The rule that may be set aside by the person who named the place. */
const HOT_RULE = 'not-liquid-full-hottest' as const;

/** One fill of one cylinder, from the weight before to the booking: what was typed, and everything that follows from it. */
@Injectable()
export class FillSession {
  private readonly serverData = inject(ServerData);
  private readonly read$ = serverReader();
  private readonly properties = inject(CoreWorker);
  private readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly target = inject(FillTarget);
  readonly cylinderId = this.target.cylinderId;
  private readonly drafts = inject(Drafts).open<FillDraft>(`fill.${this.cylinderId}`, () => newFillDraft(this.preferences()), {
    sound: isSound,
  });

  readonly draft = this.drafts.value.asReadonly();
  /** Temperature of the drawn cylinder, K. */
  readonly temperature = signal<number>(USUAL_REFERENCE);
  /** Set by the first try to go on: empty fields are named from then on. */
  readonly submitted = signal(false);

  readonly cylinder = fromServer(this.serverData.cylinder$(this.cylinderId));
  readonly systems = fromServer(this.serverData.systems$);
  readonly accounts = fromServer(this.serverData.accounts$);
  private readonly organisation = fromServer(this.serverData.organisation$);
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);
  private readonly visits = fromServer(this.serverData.visits$);

  /** What a stop weight and its booking are made of: nothing is filled before all of it is read. */
  readonly reads = computed(() =>
    allOf(this.cylinder(), this.systems(), this.accounts(), this.organisation(), this.refrigerants(), this.visits()),
  );

  private readonly known = computed(() => valueOf(this.cylinder()));
  readonly name = computed(() => this.known()?.name ?? '');
  readonly before = computed(() => readQuantity('mass', this.draft().before));
  readonly after = computed(() => readQuantity('mass', this.draft().after));
  readonly source = computed(() => valueOf(this.accounts())?.find(({ id }) => id === this.draft().source));
  private readonly sourceCylinder = toSignal(
    toObservable(computed(() => (this.source()?.kind === 'cylinder' ? this.source()?.id : undefined))).pipe(
      switchMap((id) => (id === undefined ? of(waiting) : this.read$(this.serverData.cylinder$(id)))),
    ),
    { initialValue: waiting },
  );

  /** Begun from either side: what comes out of a system with an open visit belongs to that visit. */
  readonly visit = computed(() => {
    const visits = valueOf(this.visits()) ?? [];
    return (
      visits.find(({ id }) => id === this.draft().visit) ??
      visits.find(({ state, system }) => state === 'open' && system.id === this.draft().source)
    );
  });

  /** Nothing until a source is chosen, and known. */
  readonly incoming = computed(() => {
    const [into, source] = [this.known(), this.source()];
    if (into === undefined || source === undefined) return undefined;
    const cylinder = source.kind === 'cylinder' ? valueOf(this.sourceCylinder()) : undefined;
    if (source.kind === 'cylinder' && cylinder?.id !== source.id) return undefined; // on its way: that of the choice before does not count
    const system = valueOf(this.systems())?.find(({ id }) => id === source.id);
    return comingIn({ system, cylinder, refrigerant: this.draft().refrigerant, into, nominal: this.nominal });
  });
  readonly sourceUnread = computed(() => this.source()?.kind === 'cylinder' && this.sourceCylinder().state === 'failed');
  readonly saysItself = computed(() => [undefined, 'system', 'cylinder'].includes(this.source()?.kind));
  private readonly nominal = (id: string | null | undefined) => valueOf(this.refrigerants())?.find((refrigerant) => refrigerant.id === id);

  /** What is in it, else what it is labelled for, else what would come in: the limits are the worst of this and of what comes. */
  readonly composition = computed(() => {
    const cylinder = this.known();
    return cylinder?.composition ?? this.nominal(cylinder?.refrigerant)?.composition ?? this.incoming()?.composition;
  });
  /** A blend's vapour is another mixture: asked only of blends. */
  readonly asksPort = computed(() => Object.keys(this.incoming()?.composition ?? this.composition() ?? {}).length > 1);
  readonly tareKg = computed(() => {
    const cylinder = this.known();
    return cylinder === undefined ? 0 : tareOf(cylinder);
  });

  readonly grossBefore = computed(() => {
    const [cylinder, before] = [this.known(), this.before()];
    if (cylinder === undefined) return undefined;
    return before.state === 'good' ? before.si : tareOf(cylinder) + Math.max(0, cylinder.contentKg);
  });
  /** What is on the scale as far as it was typed: after the transfer, else before it, else what the ledger says. */
  readonly grossNow = computed(() => {
    const after = this.after();
    return this.draft().stage === 'transfer' && after.state === 'good' ? after.si : this.grossBefore();
  });
  /** What the scale in front of the person shows: the stop is told as it will stand there. */
  readonly scaleUnit = computed(() => this.draft().before.unit as MassUnit); // the field offers only these
  readonly onScale = (kg: number, rounding?: Rounding): string => this.units.massText(kg, rounding, this.scaleUnit());
  readonly weighed = computed(() => this.before().state === 'good');
  /** A reading that can hardly be, until the person says that it is right. */
  readonly doubt = computed(() => {
    const [cylinder, before, after] = [this.known(), this.before(), this.after()];
    if (cylinder === undefined || this.draft().certain) return undefined;
    const read = (reading: typeof before) => (reading.state === 'good' ? reading.si : undefined);
    return fillDoubt({ cylinder, stage: this.draft().stage, before: read(before), after: read(after) }, { massText: this.onScale });
  });
  readonly belowTare = computed(() => this.sentenceBelowTare());
  private readonly content = computed(() => {
    const [cylinder, gross] = [this.known(), this.grossNow()];
    return cylinder === undefined || gross === undefined ? undefined : Math.max(0, gross - tareOf(cylinder));
  });
  readonly contentKg = computed(() => this.content() ?? 0);

  /** Scale less ledger, kg; nothing while they agree or the cylinder is not weighed. */
  readonly unexplained = computed(() => {
    const [cylinder, before] = [this.known(), this.before()];
    if (cylinder === undefined || before.state !== 'good' || isBelowTare(before.si, cylinder.tareKg)) return undefined;
    const difference = before.si - tareOf(cylinder) - cylinder.contentKg;
    return sameWeight(difference) ? undefined : difference;
  });

  readonly organisationK = computed(() => valueOf(this.organisation())?.hottestK);
  /** Until the person chooses, it is the organisation's own. */
  readonly place = computed(() => this.draft().place || usualPlace(this.organisationK()));
  readonly hottestK = computed(() => hottestAt(this.place(), this.draft().ownHottest, this.organisationK()));

  /** Set aside with a reason; without one the rule stands. */
  readonly overruled = computed(() => this.draft().overrules && this.draft().overruledWhy.trim() !== '');
  private readonly policy = computed(() => {
    const organisation = valueOf(this.organisation());
    if (organisation === undefined) return undefined;
    const required = organisation.requiredRules.filter((rule) => rule !== HOT_RULE || !this.overruled());
    return { required, liquidShareAt131F: organisation.liquidShareAt131F };
  });
  readonly scaleOff = computed(() => readQuantity('mass', this.draft().scaleOff));
  /** Share of oil, 0 to 0.5; nothing where it cannot be read. */
  readonly oilShare = computed(() => {
    const percent = Number(this.draft().oilPercent.trim().replace(',', '.'));
    return percent >= 0 && percent <= 50 ? percent / 100 : undefined;
  });
  private readonly answers = fillAnswers(this.properties, {
    cylinder: this.known,
    composition: this.composition,
    contentKg: this.content,
    hottestK: this.hottestK,
    policy: this.policy,
    scaleOff: this.scaleOff,
    oilShare: this.oilShare,
    hose: computed(() => this.draft().hose as Hose), // the field offers only these
    port: computed(() => this.draft().port || undefined),
    temperature: this.temperature,
    incoming: this.incoming,
    compositionOf: (id) => this.nominal(id)?.composition,
    atmosphere: () => this.units.atmosphere(),
  });
  readonly limits = this.answers.limits;
  readonly levels = this.answers.levels;
  readonly margin = computed(() => currentOf(this.answers.margin()));
  /** The reading at which to shut the valve: the limit, less what scale, hose and oil leave open. */
  readonly shutAt = computed(() => valueOf(this.answers.stop()));
  /** Every rule that is asked about: what comes in is judged once it is known. */
  private readonly gate = computed(() => {
    const { stop, limits, suited, rating } = this.answers;
    return startGate([stop(), limits(), rating(), ...(this.incoming() === undefined ? [] : [suited()])]);
  });
  /** The stop of exactly what stands on the page is on its way: nobody starts on the one of before. */
  readonly computing = computed(() => {
    const sourceCylinder = this.sourceCylinder();
    const sourceOnItsWay = this.source()?.kind === 'cylinder' && this.incoming() === undefined && sourceCylinder.state !== 'failed';
    return this.gate().state === 'computing' || sourceOnItsWay;
  });
  /** The limit behind the stop. */
  readonly ruling = computed(() => this.shutAt()?.limit);
  readonly heat = computed(() => valueOf(this.answers.heat()));
  /** The place that was named sets the stop, or would. */
  readonly placeRules = computed(() => this.ruling()?.rule === HOT_RULE || this.draft().overrules);

  /** Refrigerant straight from a supplier may go where virgin refrigerant is kept. */
  readonly objections = computed(() => {
    const objections = valueOf(this.answers.suited())?.[0]?.objections ?? [];
    return this.source()?.kind === 'supplier' ? objections.filter((objection) => objection !== 'virgin') : objections;
  });

  readonly cautions = computed(() => {
    const cylinder = this.known();
    if (cylinder === undefined) return [];
    const [incoming, gate] = [this.incoming(), this.gate()];
    return fillCautions(
      {
        cylinder,
        unjudged: gate.state === 'unjudged' ? gate.sentence : undefined,
        incoming,
        safetyGroup: incoming === undefined ? this.nominal(cylinder.refrigerant)?.safetyGroup : incoming.safetyGroup,
        ruling: this.ruling(),
        objections: this.objections(),
        nowKg: this.grossNow(),
        rating: valueOf(this.answers.rating()),
        heat: this.heat(),
        hottestK: this.hottestK(),
        overruled: this.overruled(),
        scaleUnit: this.scaleUnit(),
      },
      this.units,
    );
  });
  /** Two refrigerants were mixed: how it came is asked, and stays with the entry. */
  readonly mixes = computed(() => this.draft().acceptMixing && this.cautions().some(({ code }) => code === 'mixing'));
  readonly reasonMissing = computed(() => this.mixes() && this.draft().note.trim() === '');
  readonly stopped = computed(() => this.cautions().some(({ stops }) => stops));

  readonly booking = mutation(this.serverData.bookTransfer$, (booked) => {
    this.change({ booked, stage: 'account' });
    this.submitted.set(false);
  });
  readonly weighing = mutation(
    (grossKg: number) =>
      this.serverData.weigh$(this.cylinderId, {
        key: newKey(),
        grossKg,
        grossTyped: typedOf(this.before()),
        happenedAt: new Date().toISOString(),
        recordedBy: this.preferences().person,
      }),
    () => undefined,
  );

  constructor() {
    // a page that was opened for a visit, or to take too much out of another cylinder, knows where the refrigerant comes from
    const { visit, source } = this.target;
    if (source === null) return;
    if (visit === null && this.draft().stage === 'cylinder') this.change({ source });
    if (visit === null || visit === this.draft().visit) return;
    this.drafts.value.set({ ...newFillDraft(this.preferences()), visit, source });
  }

  change(part: Partial<FillDraft>): void {
    this.drafts.value.update((draft) => ({ ...draft, ...part }));
  }

  /** A scale keeps its unit: what is typed after follows. */
  readBefore(before: QuantityEntry): void {
    this.change({ before, after: { ...this.draft().after, unit: before.unit }, certain: false });
  }

  /** Whether the first stage is complete, and on to the transfer if it is. */
  start(acceptMixing: boolean): void {
    this.submitted.set(true);
    const complete = this.weighed() && this.belowTare() === undefined && this.source() !== undefined && this.incoming() !== undefined;
    if (!complete || this.doubt() !== undefined || (!acceptMixing && (this.computing() || this.stopped()))) return;
    this.submitted.set(false);
    // what has happened already had no target: none is told, and none is kept
    this.change({ stage: 'transfer', acceptMixing, certain: false, target: acceptMixing ? null : this.targetNow() });
  }

  book(): void {
    this.submitted.set(true);
    const [before, after] = [this.before(), this.after()];
    if (before.state !== 'good' || after.state !== 'good' || this.doubt() !== undefined) return;
    const when = readWhen(this.draft().when, new Date());
    if (when.state === 'bad' || this.reasonMissing()) return;
    // sent again it is the same booking, unless its time was refused or is given now
    const first = this.draft().when === '' && this.draft().happenedAt !== '' && errorIn(this.booking.state(), '/happenedAt') === undefined;
    if (!first) this.change({ happenedAt: when.instant });
    const draft = this.draft();
    this.booking.send({
      key: draft.key,
      from: draft.source,
      cylinder: this.cylinderId,
      ...(this.saysItself() || draft.refrigerant === null ? {} : { refrigerant: draft.refrigerant }),
      grossBeforeKg: before.si,
      grossBeforeTyped: before.typed,
      grossAfterKg: after.si,
      grossAfterTyped: after.typed,
      acceptMixing: draft.acceptMixing,
      ...(draft.target === null ? {} : { target: draft.target }),
      ...this.visitOf(draft),
      happenedAt: draft.happenedAt,
      sentAt: new Date().toISOString(),
      certain: [...draft.answered],
      ...(draft.note.trim() === '' ? {} : { note: draft.note.trim() }),
      recordedBy: this.preferences().person,
    });
  }

  /** What the server asked back about the last sending. */
  readonly question = computed(() => questionIn(this.booking.state()));

  /** It is right all the same. */
  certain(question: Question): void {
    this.change({ answered: [...new Set([...this.draft().answered, question])] });
    this.book();
  }

  /** A fresh draft for the same cylinder. */
  again(): void {
    const { visit, source } = this.draft();
    this.drafts.value.set({ ...newFillDraft(this.preferences()), ...(visit === '' ? {} : { visit, source }) });
    this.booking.reset();
  }

  /** What was begun for a visit is sent for it, also while the visits cannot be read. */
  private visitOf(draft: FillDraft): { visit?: string } {
    const visit = draft.visit === '' ? this.visit()?.id : draft.visit;
    return visit === undefined ? {} : { visit };
  }

  /** What a scale would be given: the weight, and how this person's scale shows it. */
  private targetNow(): ScaleTarget | null {
    const [shutAt, ruling] = [this.shutAt(), this.ruling()];
    if (shutAt === undefined || ruling === undefined) return null;
    const { number, unit } = this.units.mass(shutAt.gross, 'down', this.scaleUnit());
    const overruled = this.overruled() ? { rule: HOT_RULE, why: this.draft().overruledWhy.trim() } : undefined;
    return {
      grossKg: Math.max(0, shutAt.gross),
      rule: ruling.rule,
      limitGrossKg: ruling.gross,
      shown: { text: number, unit },
      ...(overruled === undefined ? {} : { overruled }),
    };
  }

  private sentenceBelowTare(): string | undefined {
    const [cylinder, before] = [this.known(), this.before()];
    if (cylinder === undefined || before.state !== 'good' || !isBelowTare(before.si, cylinder.tareKg)) return undefined;
    return $localize`That is below its tare of ${this.onScale(cylinder.tareKg)}. Read the scale again, and "TW" on the collar.`;
  }
}

const typedOf = (reading: ReturnType<typeof readQuantity>) => (reading.state === 'good' ? reading.typed : undefined);
