import { fromServer } from '../../data/from-server';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, output, signal } from '@angular/core';

import type { Cylinder } from '@hygromet/contract/cylinder';
import { findingNow } from '@hygromet/core/account/refrigerant-tests';
import { mayGoBackByTests } from '@hygromet/core/account/reuse-verdict';
import type { VapourTask } from '@hygromet/core/charge/drawn-as-vapour';
import { mayFeed, sourcesFor, type Stock } from '@hygromet/core/charge/sources';
import type { Composition } from '@hygromet/core/fluids/composition';
import { feedingRules } from '@hygromet/core/charge/feeding';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { coreQuery } from '../../core-worker/core-query';
import { mutation } from '../../data/mutation';
import { ServerData } from '../../data/server-data.service';
import { ReadState } from '../../shell/read-state';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { ChoiceField } from '../../ui/choice-field';
import { Computing } from '../../ui/computing';
import { allOf, valueOf, type Loadable } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { FeedLive } from '../live/feed-live';
import { TakeReading } from '../live/take-reading';
import type { Feeding } from '../live/scenario-of';
import { PushBack } from '../push-back/push-back';
import { VisitEntries } from '../visit-entries';
import { VisitJob } from '../visit-job';
import { ReactiveFormsModule } from '@angular/forms';
import { readingForm } from '../../forms/reading-form';
import { serverProblems } from '../../forms/server-problems';
import { sameSending } from '../../data/same-sending';

/** Of a cylinder that does not hold the whole charge the error is told for half of it. */
const HALF_DRAWN = 0.5;

/** From which cylinders the charge comes, and the charge as it is weighed in: what is left to the target, and its entry in the ledger. */
@Component({
  selector: 'hy-recharge-log',
  providers: [VisitEntries],
  imports: [ChoiceField, Computing, FeedLive, PushBack, QuantityField, ReactiveFormsModule, ReadState, TakeReading],
  template: `
    <h3 i18n>From which cylinder</h3>
    @if (reads().state === 'ready') {
      @if (sources(); as s) {
        <ul>
          @for (item of s.draws; track item.id) {
            <li>
              <b>{{ name(item.id) }}</b> {{ units.massText(item.kg, 'down') }}
              <span i18n class="second">{{ sorts()[item.id] }}; about {{ units.massText(item.heelKg) }} stay in it as vapor</span>
            </li>
          } @empty {
            <li i18n class="second">No cylinder on the rack holds this refrigerant clean enough.</li>
          }
        </ul>
        @for (item of untested(); track item) {
          <p i18n class="second">
            {{ item }} holds what was recovered here: not before acid and moisture are tested and passed, see Account.
          </p>
        }
        @if (s.shortKg > 0) {
          <p i18n class="short">{{ units.massText(s.shortKg, 'up') }} more are needed.</p>
        }
      }
      @if (job.open() && choices().length > 0) {
        <form novalidate [formGroup]="weights.form" (ngSubmit)="log()">
          <hy-choice-field label="Charge from" i18n-label [choices]="choices()" [value]="chosen()" (valueChange)="chosen.set($event)" />
          <hy-quantity-field label="Gross before" i18n-label kind="mass" formControlName="before">
            <hy-take-reading quantity="gross" (taken)="weights.take('before', $event)" />
          </hy-quantity-field>
          <hy-quantity-field label="Gross now" i18n-label kind="mass" formControlName="after">
            <hy-take-reading quantity="gross" (taken)="weights.take('after', $event)" />
          </hy-quantity-field>
          <button i18n type="submit" class="button main" [disabled]="!ready() || busy()">Log {{ fedText() }}</button>
        </form>
        <hy-feed-live
          [leftKg]="leftKg()"
          (began)="weights.take('before', $event)"
          (finished)="weights.take('after', $event)"
          (noted)="note({ kind: 'charge-noted', note: $event })"
          (fed)="following.set($event)"
        />
        @if (standing(); as how) {
          @if (source(); as from) {
            <hy-push-back [from]="from" [feeding]="how" (foretold)="foretold.emit($event)" />
          }
        }
        @if (asVapor(); as words) {
          <p class="second">{{ words }}</p>
        }
        @if (left(); as words) {
          <p role="status" class="left" [class.over]="over()" [hyComputing]="target()">{{ words }}</p>
        }
      }
      @if (refused(); as sentence) {
        <p class="over" role="alert">{{ sentence }}</p>
      }
      @if (chargedKg() > 0) {
        <p i18n class="second">Logged on this visit: {{ units.massText(chargedKg()) }} of {{ units.massText(targetKg()) }}.</p>
      }
    } @else {
      <!-- what is in it already is not known: nothing is said of what is left to charge -->
      <hy-read-state [of]="reads()" what="log of this system" i18n-what />
    }
  `,
  styleUrl: '../stages/stage.css',
  styles: `
    :host {
      gap: 12px;
    }

    li {
      padding: 8px 0;
      border-top: 1px solid var(--line);
    }

    form {
      display: grid;
      align-items: start;
      gap: 12px 16px;
      grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
    }

    form > button {
      align-self: start;
      margin-top: 26px; /* beside the fields, not their labels */
    }

    .short {
      color: var(--caution);
      font-weight: 600;
    }

    .left {
      font-size: 20px;
      font-weight: 650;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RechargeLog {
  readonly composition = input.required<Composition>();
  readonly targetKg = input.required<number>();
  /** The answer that the target is of: while it is on its way, what is left to it is too. */
  readonly target = input.required<Loadable<unknown>>();
  /** How it goes into a system that stands; nothing while that runs. */
  readonly into = input<Pick<Feeding, 'warmerK' | 'hose'>>();
  /** Whether it is told below how much goes in by itself. */
  readonly foretold = output<boolean>();
  /** kg in the system, with what goes in now: as the scale is followed, or as it was typed. */
  readonly inKg = output<number>();
  protected readonly job = inject(VisitJob);
  protected readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly serverData = inject(ServerData);
  private readonly book = inject(VisitEntries);
  private readonly loaded = fromServer(this.serverData.cylinders$);
  protected readonly reads = computed(() => allOf(this.loaded(), this.book.loaded()));
  private readonly rack = computed(() =>
    (valueOf(this.loaded()) ?? []).filter(({ retiredAt, place }) => retiredAt === null && place !== 'reclaimer'),
  );
  /** Cylinders into which this system was recovered on this visit. */
  private readonly recoveredHere = computed(() => new Set(this.book.recovered().map(({ to }) => to.id)));
  protected readonly chargedKg = computed(() => this.book.charged().reduce((sum, { massKg }) => sum + massKg, 0));
  /** Nothing that was recovered goes back before acid and moisture were tested on this visit, and passed. */
  private readonly tested = computed(() => {
    const { refrigerantTests: tests = [], cleaning = [] } = this.job.visit() ?? {};
    return mayGoBackByTests((test) => findingNow(tests, cleaning, test));
  });
  private readonly stock = computed((): readonly Stock[] =>
    this.rack().flatMap((cylinder) => {
      const { id, composition, contentKg, volumeM3 } = cylinder;
      const is = this.sortOf(cylinder);
      if (composition === null || is === undefined) return [];
      return [{ id, composition, contentKg, volumeM3, is, against: speaksAgainst(cylinder) || (is === 'own' && !this.tested()) }];
    }),
  );
  /** Recovered from others is offered only where the cylinder names this customer: it changes hands only reclaimed. */
  private sortOf({ id, marks }: Cylinder): Stock['is'] | undefined {
    if (this.recoveredHere().has(id)) return 'own';
    if (marks.kind === 'virgin') return 'virgin';
    return marks.owner !== undefined && same(marks.owner, this.job.visit()?.system.site ?? '') ? 'owners' : undefined;
  }
  protected readonly sorts = computed(() => Object.fromEntries(this.stock().map(({ id, is }) => [id, sortText[is]])));
  /** Recovered here, and not to be put back yet. */
  protected readonly untested = computed(() =>
    this.tested() ? [] : this.stock().flatMap(({ id, is }) => (is === 'own' ? [this.name(id)] : [])),
  );
  protected readonly sources = computed(() => sourcesFor(this.composition(), this.leftKg(), this.stock(), feedingRules.cylinderK));
  protected name = (id: string): string => this.rack().find((entry) => entry.id === id)?.name ?? '';

  protected readonly choices = computed(() => {
    const first = this.sources().draws.map(({ id }) => id);
    const rest = this.stock().filter((stock) => mayFeed(this.composition(), stock) && !first.includes(stock.id));
    return [...first, ...rest.map(({ id }) => id)].map((id) => ({ value: id, label: this.name(id) }));
  });
  protected readonly chosen = linkedSignal<string>(() => this.choices()[0]?.value ?? '');
  protected readonly weights = readingForm(`recharge-weights.${this.job.id}`, { before: 'mass', after: 'mass' });
  private readonly sending = sameSending(`recharge-sending.${this.job.id}`);
  private readonly reading = computed(() => {
    const { before, after } = this.weights.read();
    return before.state === 'good' && after.state === 'good' ? { before, after, kg: before.si - after.si } : undefined;
  });
  /** kg that a followed scale has seen go in. */
  protected readonly following = signal(0);
  /** What was called out stands in the record. */
  protected readonly note = this.job.queue();
  protected readonly leftKg = computed(() => Math.max(0, this.targetKg() - this.chargedKg()));
  protected readonly ready = computed(() => (this.reading()?.kg ?? 0) > 0 && this.chosen() !== '');
  protected readonly fedText = computed(() => (this.ready() ? this.units.massText(this.reading()!.kg) : $localize`charge`));
  protected readonly over = computed(() => (this.reading()?.kg ?? 0) > this.leftKg() + feedingRules.shutByHandKg);
  /** What is left to the target as the scale stands now. */
  protected readonly left = computed(() => {
    const reading = this.reading();
    if (reading === undefined) return undefined;
    if (reading.kg <= 0) return $localize`Nothing has left the cylinder: read both weights again.`;
    const left = this.leftKg() - reading.kg;
    if (this.over())
      return $localize`${this.units.massText(-left, 'up')} more than the charge: shut the valve. Too much is recovered again.`;
    if (left <= feedingRules.shutByHandKg) return $localize`Shut the valve: the rest comes out of the hose.`;
    return $localize`${this.units.massText(left, 'down')} left to the charge.`;
  });

  /** The cylinder that it is fed from. */
  protected readonly source = computed(() => this.rack().find(({ id }) => id === this.chosen()));
  /** As far as it has come, in steps of what a person would notice. */
  protected readonly standing = computed((): Feeding | undefined => {
    const [into, source] = [this.into(), this.source()];
    if (into === undefined || source === undefined) return undefined;
    const fedKg = inSteps(Math.max(0, this.following(), this.reading()?.kg ?? 0));
    const inCylinderKg = Math.max(0, source.contentKg - fedKg);
    return {
      ...into,
      inSystemKg: this.chargedKg() + fedKg,
      inCylinderKg,
      toGoKg: Math.min(inCylinderKg, Math.max(0, this.leftKg() - fedKg)),
    };
  });

  private readonly vapor = coreQuery(
    inject(CoreWorker),
    'drawnAsVapour',
    computed((): VapourTask | undefined => {
      const from = this.source();
      if (from?.composition == null || this.leftKg() <= 0) return undefined;
      const { composition, volumeM3, contentKg } = from;
      return { composition, volumeM3, contentKg, T: feedingRules.cylinderK, kg: Math.min(this.leftKg(), HALF_DRAWN * contentKg) };
    }),
  );
  protected readonly asVapor = computed(() => {
    const error = valueOf(this.vapor());
    if (error === undefined || error === null) return undefined;
    const share = this.units.decimal(100 * Math.abs(error.off), 0);
    return $localize`Liquid only: drawn from its vapor, what goes in would hold ${share} % ${error.off > 0 ? $localize`more` : $localize`less`} ${error.substance} than the blend.`;
  });

  private readonly logging = mutation(this.serverData.bookRemoval$, () => {
    this.sending.done();
    this.weights.empty('before', 'after');
  });
  protected readonly busy = computed(() => this.logging.state().state === 'busy');
  protected readonly refused = serverProblems(this.logging.state, {
    '/grossBeforeKg': this.weights.form.controls.before,
    '/grossAfterKg': this.weights.form.controls.after,
  });

  constructor() {
    effect(() => {
      if (this.reads().state === 'ready') this.inKg.emit(this.chargedKg() + Math.max(0, this.following(), this.reading()?.kg ?? 0));
    });
  }

  protected log(): void {
    const [reading, system] = [this.reading(), this.book.system()];
    if (reading === undefined || system === undefined || !this.ready()) return;
    const content = {
      cylinder: this.chosen(),
      to: system,
      grossBeforeKg: reading.before.si,
      grossBeforeTyped: reading.before.typed,
      grossAfterKg: reading.after.si,
      grossAfterTyped: reading.after.typed,
      recordedBy: this.preferences().person,
      visit: this.job.id,
    };
    this.logging.send({ ...content, ...this.sending.of(content) });
  }
}

const NOTICED_KG_ROUNDING = 0.1;
const inSteps = (kg: number): number => NOTICED_KG_ROUNDING * Math.floor(kg / NOTICED_KG_ROUNDING);

const sortText: Record<Stock['is'], string> = {
  own: $localize`recovered from this system and tested; its composition: see Account`,
  owners: $localize`recovered from this customer; its tests: see its cylinder`,
  virgin: $localize`virgin`,
};
const same = (one: string, other: string): boolean => one.trim().toLowerCase() === other.trim().toLowerCase();

/** What must not go into a system, whatever it is labelled. */
const speaksAgainst = ({ flags, marks }: Cylinder): boolean =>
  flags.includes('non-condensables') ||
  flags.includes('mixed') ||
  marks.kind === 'burn-out' ||
  marks.kind === 'destruction' ||
  marks.kind === 'nitrogen';
