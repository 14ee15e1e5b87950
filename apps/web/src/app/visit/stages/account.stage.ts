import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { DecidingCheck } from '@hygromet/core/account/explanation';
import { of, switchMap } from 'rxjs';
import { asked } from '../../live/asked';
import type { AccountArgs } from '../../live/account-operations';
import { Drafts } from '../../live/draft.service';
import { PropertyService } from '../../live/property.service';
import { Registers } from '../../live/registers.service';
import { MethodSession } from '../../method/method.session';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { BigNumber } from '../../ui/big-number';
import { ChoiceField } from '../../ui/choice-field';
import { momentText } from '../../ui/day';
import { isStale, loadable, valueOf, waiting } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { emptyEntry, readQuantity, type QuantityEntry } from '../../ui/quantity-entry';
import { ReuseVerdictOfVisit } from './reuse-verdict';
import { StageMark } from '../stage-mark';
import { VisitJob } from '../visit-job';
import { LogDifference } from './log-difference';
import { checkText, explanationText, termText } from './account-words';

const ENTRIES = 200;
const SHOWN = 4;

interface AccountDraft {
  readonly end: QuantityEntry;
  readonly checks: Partial<Record<DecidingCheck, string>>;
}

/** What should have been in it, what came out, what is left: the difference with its error, and what explains it. */
@Component({
  selector: 'hy-account-stage',
  imports: [BigNumber, ChoiceField, LogDifference, QuantityField, ReuseVerdictOfVisit, StageMark],
  template: `
    @if (job.visit(); as visit) {
      @if (answer(); as a) {
        <hy-big-number [what]="what()" [number]="big().number" [unit]="big().unit" [quiet]="a.withinErrors" [computing]="stale()">
          <div>± {{ units.massText(1.645 * a.sigmaKg, 'up') }}, nine times of ten</div>
          <div>{{ a.withinErrors ? 'within the errors of the terms' : 'more than the errors of the terms' }}</div>
        </hy-big-number>
      } @else {
        <h2>{{ visit.recovered.bookings === 0 ? 'Nothing is logged yet' : 'Adding it up' }}</h2>
      }
      <table>
        <caption class="unseen">
          The account of this visit
        </caption>
        <thead>
          <tr>
            <th scope="col">Where it is</th>
            <th scope="col" class="number">{{ units.mass(0).unit }}</th>
            <th scope="col" class="number">±</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.name) {
            <tr>
              <th scope="row">
                {{ row.name }} <span class="second">{{ row.note }}</span>
              </th>
              <td class="number">{{ row.sign }}{{ units.mass(row.kg).number }}</td>
              <td class="number second">{{ units.mass(row.sigmaKg, 'up').number }}</td>
            </tr>
          }
        </tbody>
      </table>
      @if (visit.recovered.bookings === 0) {
        <p class="second">Weigh the cylinder before and after: what is logged on this visit appears here.</p>
      } @else {
        <div class="two">
          <hy-quantity-field
            label="Pressure at the end"
            hint="of the shut-in system"
            kind="pressure"
            [entry]="draft().end"
            (entryChange)="change({ end: $event })"
          />
        </div>
      }
      @if (answer(); as a) {
        @if (!a.withinErrors) {
          <section aria-label="Explanations">
            <h3>What may explain it</h3>
            <ul class="explanations">
              @for (own of a.explanations.slice(0, shown); track own.code) {
                <li>
                  <span class="bar" aria-hidden="true"><i [style.width.%]="100 * own.probability"></i></span>
                  <span
                    ><b>{{ explanations[own.code] }}</b
                    ><span class="second about">about {{ units.massText(abs(own.kg)) }}</span></span
                  >
                  <span class="number">{{ units.percent(own.probability) }}</span>
                  <hy-choice-field
                    [label]="checks[own.decidedBy]"
                    [choices]="findings"
                    [value]="draft().checks[own.decidedBy] ?? 'open'"
                    (valueChange)="check(own.decidedBy, $event)"
                  />
                </li>
              }
            </ul>
            @if (a.nextCheck; as next) {
              <p>
                Cheapest check that decides: <b>{{ lower(checks[next]) }}</b>.
              </p>
            }
          </section>
        }
      }
      @if (logged(); as words) {
        <p class="second">{{ words }}</p>
      }
      @if (answer(); as a) {
        @if (!a.withinErrors && loggable() && job.open()) {
          <hy-log-difference
            [system]="visit.system.id"
            [differenceKg]="a.differenceKg - loggedKg()"
            [reason]="explanations[a.explanations[0]?.code ?? 'leaked-before']"
          />
        }
        <hy-reuse-verdict [beforeKg]="beforeKg()" [missingKg]="a.differenceKg" [recoveredKg]="visit.recovered.massKg" />
      }
      <hy-stage-mark ask="Where is the rest, and why?" done="The charge is balanced" />
    }
  `,
  styleUrls: ['./stage.css', './account.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AccountStage {
  protected readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly registers = inject(Registers);
  protected readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly stored = inject(Drafts).open<AccountDraft>(`account.${this.job.id}`, () => ({
    end: emptyEntry(this.preferences().pressure),
    checks: {},
  }));
  protected readonly draft = this.stored.value.asReadonly();
  protected readonly shown = SHOWN;
  protected readonly explanations = explanationText;
  protected readonly checks = checkText;
  protected readonly abs = Math.abs;
  protected readonly findings = [
    { value: 'open', label: 'not checked' },
    { value: 'found', label: 'found' },
    { value: 'not-found', label: 'not found' },
  ];
  private readonly system = computed(() => this.job.visit()?.system.id);
  private readonly movements = toSignal(
    toObservable(this.system).pipe(
      switchMap((account) => (account === undefined ? of(waiting) : loadable(this.registers.movements$(ENTRIES, { account })))),
    ),
    { initialValue: waiting },
  );
  /** What was taken out on this visit and stands. */
  private readonly ofVisit = computed(() =>
    (valueOf(this.movements()) ?? []).filter(
      ({ visit, reversedBy, reverses }) => visit === this.job.id && reversedBy === null && reverses === null,
    ),
  );
  private readonly entries = computed(() => this.ofVisit().filter(({ from, known }) => from.id === this.system() && known === 'weighed'));
  /** Differences that were logged on this visit: missing above 0. */
  protected readonly loggedKg = computed(() =>
    this.ofVisit()
      .filter(({ known }) => known === 'estimated')
      .reduce((sum, { from, massKg }) => sum + (from.id === this.system() ? massKg : -massKg), 0),
  );
  private readonly leftKg = computed(() => {
    const system = valueOf(this.session.system());
    return system === undefined ? 0 : system.overdrawnByKg === null ? system.contentKg : -system.overdrawnByKg;
  });
  protected readonly beforeKg = computed(
    () => this.leftKg() + this.loggedKg() + this.entries().reduce((sum, { massKg }) => sum + massKg, 0),
  );
  private readonly end = computed(() => {
    const [p, ambient] = [readQuantity('pressure', this.draft().end, this.units.atmosphere()), this.session.ambient()];
    return p.state === 'good' && ambient.state === 'good' ? { p: p.si, T: ambient.si } : undefined;
  });

  private readonly question = computed((): AccountArgs | undefined => {
    const [plan, composition, entries] = [valueOf(this.session.plan()), this.session.question()?.composition, this.entries()];
    if (plan === undefined || composition === undefined || entries.length === 0 || this.beforeKg() <= 0) return undefined;
    return {
      composition,
      beforeKg: this.beforeKg(),
      lineKg: Math.max(0, plan.lineKg),
      recovered: entries.map(({ to, massKg, happenedAt }) => ({ name: `${to.name}|${happenedAt}`, kg: massKg })),
      end: this.end(),
      volume: plan.volume,
      known: { checked: this.checked() },
    };
  });
  private readonly accounted = asked(inject(PropertyService), 'account', this.question);
  protected readonly answer = computed(() => valueOf(this.accounted()));
  protected readonly stale = computed(() => isStale(this.accounted()));

  protected readonly what = computed(() => {
    const { differenceKg, withinErrors } = this.answer()!;
    if (withinErrors) return 'Accounted for, but for';
    return differenceKg > 0 ? 'Not accounted for' : 'More came out than should have been in it';
  });
  protected readonly big = computed(() => this.units.mass(Math.abs(this.answer()!.differenceKg)));
  protected readonly rows = computed(() => {
    const answer = this.answer();
    if (answer === undefined) return [{ name: termText('before'), note: '', sign: '', kg: this.beforeKg(), sigmaKg: 0 }];
    const row = (sign: string) => (own: { term: string; kg: number; sigmaKg: number }) => {
      const [name, at] = own.term.split('|') as [string, string?];
      return { ...own, name: termText(name), note: at === undefined ? '' : momentText(at), sign };
    };
    return [...answer.expected.map(row('')), ...answer.recovered.map(row('−')), ...answer.residual.map(row('−'))];
  });

  /** What is left to log once a part of it is. */
  protected readonly loggable = computed(() => Math.abs((this.answer()?.differenceKg ?? 0) - this.loggedKg()) > 0.02);
  protected readonly logged = computed(() => {
    const kg = this.loggedKg();
    return Math.abs(kg) < 1e-6 ? '' : `${this.units.massText(Math.abs(kg))} of it are logged as ${kg > 0 ? 'missing' : 'too much'}.`;
  });

  private checked(): Partial<Record<DecidingCheck, boolean>> {
    const said = Object.entries(this.draft().checks).filter(([, own]) => own !== 'open');
    return Object.fromEntries(said.map(([check, own]) => [check, own === 'found']));
  }

  protected lower = (text: string): string => `${text[0]?.toLowerCase() ?? ''}${text.slice(1)}`;

  protected check(check: DecidingCheck, finding: string): void {
    this.change({ checks: { ...this.draft().checks, [check]: finding } });
  }

  protected change(part: Partial<AccountDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }
}
