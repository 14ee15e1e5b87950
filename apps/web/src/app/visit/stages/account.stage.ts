import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Explanation } from '@hygromet/core/account/account';
import type { DecidingCheck } from '@hygromet/core/account/explanation';
import { leakRate } from '@hygromet/core/account/leak-rate';
import type { VisitTerm } from '@hygromet/core/account/visit-terms';
import { coreQuery } from '../../core-worker/core-query';
import type { AccountArgs } from '../../core-worker/account-operations';
import { Drafts } from '../../data/draft.service';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { MethodSession } from '../../method/method.session';
import { ReadState } from '../../shell/read-state';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { BigNumber } from '../../ui/big-number';
import { Caution } from '../../ui/caution';
import { ChoiceField } from '../../ui/choice-field';
import { momentText } from '../../ui/day';
import { isStale, valueOf } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { emptyEntry, readQuantity, type QuantityEntry } from '../../ui/quantity-entry';
import { StageMark } from '../stage-mark';
import { lastWatched } from '../shut-in-readings';
import { VisitEntries } from '../visit-entries';
import { isUnpurged } from '../live/live-figures';
import { VisitJob } from '../visit-job';
import { AccountTerms, type TermRow } from './account-terms';
import { AccountValue } from './account-value';
import { checkText, explanationText, termText } from './account-labels';
import { LogDifference } from './log-difference';
import { RefrigerantRecord } from './refrigerant-record';
import { ReuseVerdictOfVisit } from './reuse-verdict';

const MOST_SHOWN = 4;

interface AccountDraft {
  readonly end: QuantityEntry;
  readonly checks: Partial<Record<DecidingCheck, string>>;
}

/** What should have been in it, what came out, what is left: the difference with its error, and what explains it. */
@Component({
  selector: 'hy-account-stage',
  providers: [VisitEntries],
  imports: [
    AccountTerms,
    AccountValue,
    BigNumber,
    Caution,
    ChoiceField,
    LogDifference,
    QuantityField,
    ReadState,
    RefrigerantRecord,
    ReuseVerdictOfVisit,
    StageMark,
  ],
  template: `
    @if (job.visit(); as visit) {
      @if (answer(); as a) {
        <hy-big-number [what]="what()" [number]="big().number" [unit]="big().unit" [quiet]="a.withinErrors" [computing]="stale()">
          <div i18n>± {{ units.massText(1.645 * a.sigmaKg, 'up') }}, nine times of ten</div>
          <div>
            @if (a.withinErrors) {
              <ng-container i18n>within the errors of the terms</ng-container>
            } @else {
              <ng-container i18n>more than the errors of the terms</ng-container>
            }
          </div>
        </hy-big-number>
      } @else {
        <h2>
          @if (visit.recovered.bookings === 0 && visitLog().state === 'ready') {
            <ng-container i18n>Nothing is logged yet</ng-container>
          } @else {
            <ng-container i18n>Adding it up</ng-container>
          }
        </h2>
      }
      @if (visitLog().state === 'ready') {
        <hy-account-terms [rows]="rows()" />
      } @else {
        <hy-read-state [of]="visitLog()" what="log of this system" i18n-what />
      }
      @if (visit.recovered.bookings === 0) {
        <p i18n class="second">Weigh the cylinder before and after: what is logged on this visit appears here.</p>
      } @else {
        <div class="two">
          <hy-quantity-field
            label="Pressure at the end"
            i18n-label
            [hint]="endHint()"
            kind="pressure"
            [entry]="draft().end"
            (entryChange)="change({ end: $event })"
          />
        </div>
        @if (answer()?.moreThanItHolds) {
          <hy-caution i18n [grave]="true"
            >That is more than this circuit holds full of liquid. Weigh the cylinder again, and check its tare and what was in it
            before.</hy-caution
          >
        }
        @if (answer()?.liquidMayBeLeft) {
          <hy-caution i18n
            >At that pressure liquid may be left in the circuit: recover on, or read it again. What is left cannot be computed.</hy-caution
          >
        }
      }
      @if (answer(); as a) {
        @if (!a.withinErrors) {
          <section aria-label="Explanations" i18n-aria-label>
            <h3 i18n>What may explain it</h3>
            <ul class="explanations">
              @for (item of a.explanations.slice(0, shown); track item.code) {
                <li>
                  <span class="bar" aria-hidden="true"><i [style.width.%]="100 * item.probability"></i></span>
                  <span
                    ><b>{{ explanations[item.code] }}</b
                    ><span i18n class="second about">about {{ units.massText(abs(item.kg)) }}{{ history(item) }}</span></span
                  >
                  <span class="number">{{ units.percent(item.probability) }}</span>
                  <hy-choice-field
                    [label]="checks[item.decidedBy]"
                    [choices]="findings"
                    [value]="draft().checks[item.decidedBy] ?? 'open'"
                    (valueChange)="check(item.decidedBy, $event)"
                  />
                </li>
              }
            </ul>
            @if (a.nextCheck; as next) {
              <p i18n>
                Cheapest check that decides: <b>{{ lower(checks[next]) }}</b>.
              </p>
            }
          </section>
        }
      }
      @if (logged(); as words) {
        <p class="second">{{ words }}</p>
      }
      @if (visitLog().state === 'ready' && answer(); as a) {
        @if (!a.withinErrors && loggable() && job.open()) {
          <hy-log-difference
            [system]="visit.system.id"
            [differenceKg]="a.differenceKg - loggedKg()"
            [reason]="explanations[a.explanations[0]?.code ?? 'leaked-before']"
          />
        }
        <hy-account-value [refrigerant]="visit.system.refrigerant" [day]="visit.day" [recoveredKg]="visit.recovered.massKg" />
        <hy-reuse-verdict
          [beforeKg]="beforeKg()"
          [missingKg]="a.differenceKg"
          [recoveredKg]="visit.recovered.massKg"
          [cylinders]="cylinders()"
        />
        <hy-refrigerant-record />
      }
      <hy-stage-mark ask="Where is the rest, and why?" i18n-ask done="The charge is balanced" i18n-done />
    }
  `,
  styleUrls: ['./stage.css', './account.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AccountStage {
  protected readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly book = inject(VisitEntries);
  protected readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly stored = inject(Drafts).open<AccountDraft>(`account.${this.job.id}`, () => ({
    end: emptyEntry(this.preferences().pressure),
    checks: {},
  }));
  protected readonly draft = this.stored.value.asReadonly();
  protected readonly shown = MOST_SHOWN;
  protected readonly explanations = explanationText;
  protected readonly checks = checkText;
  protected readonly abs = Math.abs;
  protected readonly findings = [
    { value: 'open', label: $localize`not checked` },
    { value: 'found', label: $localize`found` },
    { value: 'not-found', label: $localize`not found` },
  ];
  protected readonly visitLog = this.book.loaded;
  private readonly entries = this.book.recovered;
  /** Where it is now. */
  protected readonly cylinders = computed(() => [...new Set(this.entries().flatMap(({ to }) => (to.kind === 'cylinder' ? [to.id] : [])))]);
  /** What was purged with non-condensables, as it was noted. */
  private readonly purgedKg = computed(() => (this.job.visit()?.cleaning ?? []).reduce((sum, { massKg }) => sum + (massKg ?? 0), 0));
  /** Differences that were logged on this visit: missing above 0. */
  protected readonly loggedKg = computed(() =>
    this.book
      .ofVisit()
      .filter(({ known }) => known === 'estimated')
      .reduce((sum, { from, massKg }) => sum + (from.id === this.book.system() ? massKg : -massKg), 0),
  );
  private readonly leftKg = computed(() => {
    const system = valueOf(this.session.system());
    return system === undefined ? 0 : system.overdrawnByKg === null ? system.contentKg : -system.overdrawnByKg;
  });
  protected readonly beforeKg = computed(
    () => this.leftKg() + this.loggedKg() + this.entries().reduce((sum, { massKg }) => sum + massKg, 0),
  );
  /** Pa absolute that the shut-in system showed last. */
  private readonly watched = computed(() => lastWatched(this.job.visit()?.tests ?? []));
  protected readonly endHint = computed(() => {
    const p = this.watched();
    return p === undefined
      ? $localize`of the shut-in system`
      : $localize`of the shut-in system: ${this.units.pressure(p)} as it was watched`;
  });
  private readonly end = computed(() => {
    const [p, ambient] = [readQuantity('pressure', this.draft().end, this.units.atmosphere()), this.session.ambient()];
    const watched = this.watched();
    const read = p.state === 'good' ? p.si : p.state === 'empty' ? watched : undefined;
    return read !== undefined && ambient.state === 'good' ? { p: read, T: ambient.si } : undefined;
  });

  private readonly question = computed((): AccountArgs | undefined => {
    const [plan, composition, entries] = [valueOf(this.session.plan()), this.session.question()?.composition, this.entries()];
    const kind = this.job.visit()?.system.kind;
    if (this.visitLog().state !== 'ready') return undefined;
    if (plan === undefined || composition === undefined || kind === undefined || entries.length === 0 || this.beforeKg() <= 0)
      return undefined;
    return {
      kind,
      purgedKg: this.purgedKg(),
      machineUnpurged: isUnpurged(this.job.visit()?.transfers ?? []),
      composition,
      beforeKg: this.beforeKg(),
      lineKg: Math.max(0, plan.lineKg),
      recovered: entries.map(({ to, massKg, happenedAt }) => ({ name: `${to.name}|${happenedAt}`, kg: massKg })),
      end: this.end(),
      volume: plan.volume,
      known: { checked: this.checked() },
    };
  });
  private readonly accounted = coreQuery(inject(CoreWorker), 'account', this.question, this.session.plan);
  protected readonly answer = computed(() => valueOf(this.accounted()));
  protected readonly stale = computed(() => isStale(this.accounted()));

  protected readonly what = computed(() => {
    const { differenceKg, withinErrors } = this.answer()!;
    if (withinErrors) return $localize`Accounted for, but for`;
    return differenceKg > 0 ? $localize`Not accounted for` : $localize`More came out than should have been in it`;
  });
  protected readonly big = computed(() => this.units.mass(Math.abs(this.answer()!.differenceKg)));
  protected readonly rows = computed((): readonly TermRow[] => {
    const answer = this.answer();
    const before = { term: 'before', basis: 'ledger', kg: this.beforeKg(), sigmaKg: 0, from: {} } as const;
    const row =
      (sign: TermRow['sign']) =>
      (term: VisitTerm): TermRow => {
        const [name, at] = term.term.split('|') as [string, string?]; // as they are put together in the question
        return { ...term, name: termText(name), note: at === undefined ? '' : momentText(at), sign };
      };
    if (answer === undefined) return [row('')(before)];
    return [...answer.expected.map(row('')), ...answer.recovered.map(row('−')), ...answer.residual.map(row('−'))];
  });

  /** What is left to log once a part of it is. */
  protected readonly loggable = computed(() => Math.abs((this.answer()?.differenceKg ?? 0) - this.loggedKg()) > 0.02);
  protected readonly logged = computed(() => {
    const kg = this.loggedKg();
    return Math.abs(kg) < 1e-6
      ? ''
      : $localize`${this.units.massText(Math.abs(kg))} of it are logged as ${kg > 0 ? $localize`missing` : $localize`too much`}.`;
  });

  private checked(): Partial<Record<DecidingCheck, boolean>> {
    const said = Object.entries(this.draft().checks).filter(([, item]) => item !== 'open');
    return Object.fromEntries(said.map(([check, item]) => [check, item === 'found']));
  }

  /** What the ledger says to an explanation: since when it leaked, or who charged it last. */
  protected history({ code, kg }: Explanation): string {
    const last = this.book.lastIn();
    if (last === undefined) return '';
    const at = momentText(last.happenedAt);
    if (code === 'overcharged' || code === 'other-charge')
      return last.known === 'nameplate'
        ? $localize`; never charged since it was registered, ${at}`
        : $localize`; last charged ${at} by ${last.recordedBy}, ${this.units.massText(last.massKg)}`;
    if (code !== 'leaked-before') return '';
    const rate = leakRate(kg, (Date.now() - Date.parse(last.happenedAt)) / 1000);
    return rate === undefined ? '' : $localize`; ${this.units.massText(rate)} a year since ${at}`;
  }

  protected lower = (text: string): string => `${text[0]?.toLowerCase() ?? ''}${text.slice(1)}`;

  protected check(check: DecidingCheck, finding: string): void {
    this.change({ checks: { ...this.draft().checks, [check]: finding } });
  }

  protected change(part: Partial<AccountDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }
}
