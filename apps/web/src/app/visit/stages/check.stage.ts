import { fromServer } from '../../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';

import { RouterLink } from '@angular/router';
import type { Run } from '@hygromet/contract/visit-record';
import { readingsTo } from '@hygromet/contract/running-readings';
import { tells, type Band } from '@hygromet/core/cycle/expected-today';
import type { Derived } from '@hygromet/core/cycle/cycle-readings';
import { followedQuantities, type FollowedRun } from '@hygromet/core/cycle/followed-run';
import { coolsMoistAir } from '@hygromet/core/cycle/unit';
import { unitKindOf, usualCapacityW } from '@hygromet/core/cycle/unit-of-kind';
import { coreVersion } from '@hygromet/core/version';
import { worthReading } from '@hygromet/core/cycle/told';
import { errorIn } from '../../data/mutation';
import { Drafts } from '../../data/draft.service';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { ServerData } from '../../data/server-data.service';
import { MethodSession } from '../../method/method.session';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units, type FormattedQuantity } from '../../preferences/units.service';
import { BigNumber } from '../../ui/big-number';
import { Caution } from '../../ui/caution';
import { momentText } from '../../ui/day';
import { isStale, valueOf } from '../../ui/loadable';
import { BandRows, type BandRow } from '../check/band-rows';
import { emptyCheck, readCheck, typedUnits, withFollowed, type CheckDraft } from '../check/check-draft';
import { CheckTables } from '../check/check-tables';
import { derivedText, nextTextOf, slipText, stillMoves, withheldText, withheldWhy } from '../check/check-labels';
import { FollowRun } from '../check/follow-run';
import { RunningFields } from '../check/running-fields';
import { runningQuery } from '../check/running-query';
import { SeasonTable } from '../check/season-table';
import { StageMark } from '../stage-mark';
import { VisitJob } from '../visit-job';

/** The running unit: what it reads against what it should read today, what explains it, the charge with its range, and what to do. */
@Component({
  selector: 'hy-check-stage',
  imports: [BandRows, BigNumber, Caution, CheckTables, FollowRun, RouterLink, RunningFields, SeasonTable, StageMark],
  template: `
    @if (covered() === false) {
      <h2 i18n>Check it by the maker's chart</h2>
      <p i18n class="second">The running of this kind of system is not modelled here. Write down what was read.</p>
    } @else {
      @if (answer(); as a) {
        @if (a.withheld; as why) {
          <h2>{{ withheldText[why] }}</h2>
          <p>{{ why === 'not-settled' && draft().seen === 'moving' ? stillMoves : withheldWhy[why] }}</p>
        } @else {
          <hy-big-number
            what="Charge, by how it runs today"
            i18n-what
            [number]="big()"
            unit="%"
            [quiet]="a.advice !== 'add' && a.advice !== 'remove'"
            [computing]="stale()"
          >
            <div>{{ range() }}</div>
            <div>
              <b>{{ todo() }}</b>
              @if (a.advice === 'add') {
                <a i18n class="how" [routerLink]="['/visits', job.id, 'recharge']">how fast, and from which cylinder</a>
              }
            </div>
            @if (draft().rain) {
              <div i18n>rain on the coil is counted in</div>
            }
          </hy-big-number>
        }
        @for (slip of a.slips; track slip) {
          <hy-caution [grave]="true">{{ slips[slip] }}</hy-caution>
        }
      } @else {
        <h2>{{ waitsFor() }}</h2>
        @if (line().state === 'failed') {
          <hy-caution i18n>What its lines take beyond the plate cannot be computed: it is not judged.</hy-caution>
        }
        <p i18n class="second">Air flow before charge: filter, blower and coil first. The maker's chart comes first where there is one.</p>
      }
      @if (rows().length > 0) {
        <section aria-label="Readings against today" i18n-aria-label>
          <h3 i18n>Read, against what it should be today</h3>
          <hy-band-rows [rows]="rows()" />
          @if (water(); as words) {
            <p>{{ words }}</p>
          }
          @if (held(); as words) {
            <p class="second">{{ words }}</p>
          }
        </section>
      }
      @if (answer(); as a) {
        @if (visits().state === 'failed') {
          <hy-caution i18n>Earlier checks of this unit cannot be read now: it is judged by its plate alone.</hy-caution>
        }
        <hy-check-tables [answer]="a" [kind]="kind()" />
        <p i18n class="second">
          Computed from plate and readings by a model of the circuit; what no plate says is its doubt. Air flow before charge: filter,
          blower and coil first. The maker's chart comes first where there is one.
        </p>
        @if (next(); as words) {
          <p i18n>
            Read next: <b>{{ words }}</b>.
          </p>
        }
      }
      @if (composition(); as it) {
        <hy-follow-run [composition]="it" [quantities]="quantities()" (read)="follow($event)" />
      }
      <hy-running-fields
        [draft]="draft()"
        (draftChange)="type($event)"
        [kind]="kind()"
        [problems]="read().problems"
        [wanted]="telling()"
        [canHeat]="job.visit()?.system?.kind === 'heat-pump'"
        [usualCapacity]="usualCapacity()"
        [units]="typed()"
      />
      @if (loggable()) {
        <div class="actions">
          <button i18n type="button" class="button" [disabled]="busy()" (click)="log(false)">Log these readings</button>
          @if (answer()?.advice === 'leave') {
            <button i18n type="button" class="button" [disabled]="busy()" (click)="log(true)">Log: charged by weight, runs well</button>
          }
        </div>
        <p i18n class="second">A unit that was charged by weight and runs well is judged by its own numbers the next time.</p>
      }
      @if (refused(); as sentence) {
        <p class="over" role="alert">{{ sentence }}</p>
      }
      @if (composition(); as it) {
        <hy-season-table [composition]="it" [runs]="everyRun()" />
      }
      @if (runs().length > 0) {
        <section aria-label="Logged readings" i18n-aria-label>
          <h3 i18n>Logged</h3>
          @for (run of runs(); track run.at) {
            <p class="second">{{ runText(run) }}</p>
          }
          <div class="actions">
            <button i18n type="button" class="button small" (click)="csv()">CSV</button>
            <button i18n type="button" class="button small" (click)="senml()">SenML</button>
            <button i18n type="button" class="button small" (click)="label()">Charge label as PDF</button>
          </div>
        </section>
      }
    }
    <hy-stage-mark ask="What was found on the running system?" i18n-ask done="Check done" i18n-done [quiet]="true" />
  `,
  styleUrl: './stage.css',
  styles: `
    .how {
      margin-left: 10px;
      font-size: 16px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CheckStage {
  protected readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  protected readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly serverData = inject(ServerData);
  protected readonly stored = inject(Drafts).open<CheckDraft>(`check.${this.job.id}`, () =>
    emptyCheck(this.preferences().pressure, this.preferences().temperature),
  );
  protected readonly draft = this.stored.value.asReadonly();
  protected readonly withheldText = withheldText;
  protected readonly withheldWhy = withheldWhy;
  protected readonly stillMoves = stillMoves;
  protected readonly slips = slipText;

  protected readonly typed = computed(() => typedUnits(this.units.kelvinsInADegree(), this.preferences().mass === 'kg'));
  protected readonly read = computed(() => readCheck(this.draft(), this.units.atmosphere(), this.typed()));
  private readonly system = computed(() => valueOf(this.session.system()));
  /** Nothing while it is not known. */
  protected readonly covered = computed(() => {
    const system = this.system();
    return system === undefined ? undefined : unitKindOf(system.kind) !== undefined;
  });
  protected readonly usualCapacity = computed(() => {
    const system = this.system();
    const { name, W } = this.typed().capacity;
    return system === undefined ? '' : `${this.units.decimal(usualCapacityW(system.nameplateKg) / W, 1)} ${name}`;
  });

  protected readonly kind = computed(() => {
    const system = this.system();
    return system === undefined ? undefined : unitKindOf(system.kind);
  });
  protected readonly composition = this.session.composition;
  protected readonly quantities = computed(() => followedQuantities.filter((name) => name !== 'wetBulb' || coolsMoistAir(this.kind())));

  protected readonly runs = computed(() => this.job.visit()?.runs ?? []);
  protected readonly visits = fromServer(this.serverData.visits$);
  /** Every check of this system, the oldest first. */
  protected readonly everyRun = computed((): readonly Run[] =>
    (valueOf(this.visits()) ?? [])
      .filter(({ id, system }) => id !== this.job.id && system.id === this.job.visit()?.system.id)
      .flatMap(({ runs }) => runs)
      .concat(this.runs())
      .sort((a, b) => a.at.localeCompare(b.at)),
  );
  private readonly judged = runningQuery(inject(CoreWorker), {
    system: this.system,
    composition: this.composition,
    read: this.read,
    runs: this.runs,
    everyRun: computed(() => (this.visits().state === 'waiting' ? undefined : this.everyRun())),
  });
  protected readonly line = this.judged.line;
  private readonly question = this.judged.question;
  private readonly checked = this.judged.checked;
  protected readonly answer = computed(() => valueOf(this.checked()));
  protected readonly stale = computed(() => isStale(this.checked()));
  protected readonly waitsFor = computed(() => {
    const read = this.read();
    if (this.line().state === 'failed') return $localize`Check it by the maker's chart`;
    if (this.question() !== undefined) return $localize`Working it out`;
    if (read.metering === undefined) return $localize`Which metering device does it have?`;
    if (Object.keys(read.problems).length > 0) return $localize`A reading cannot be read`;
    return $localize`Type the readings of the running system`;
  });

  protected readonly big = computed(() => {
    const off = 100 * ((this.answer()?.chargeShare?.value ?? 1) - 1);
    return this.signed(off);
  });
  protected readonly range = computed(() => {
    const [low, high] = this.answer()?.chargeShare?.range90 ?? [1, 1];
    return $localize`${this.signed(100 * (low - 1))} to ${this.signed(100 * (high - 1))} %, if the charge is the question`;
  });
  private signed = (percent: number): string => `${percent > 0.5 ? '+' : ''}${this.units.decimal(percent, 0)}`;
  protected readonly todo = computed(() => {
    const answer = this.answer();
    const about = this.units.massText(answer?.changeKg ?? 0, 'down');
    switch (answer?.advice) {
      case 'add':
        return $localize`feed about ${about}, then wait 10 min`;
      case 'remove':
        return $localize`take out about ${about}, then wait 10 min`;
      case 'leave':
        return $localize`leave the charge`;
      case 'not-the-charge':
        return $localize`it is not the charge: leave it`;
      default:
        return $localize`cannot tell yet: leave the charge`;
    }
  });

  /** The reading that decides most, while there is something to decide. */
  protected readonly telling = computed(() => {
    const answer = this.answer();
    const [first] = answer?.next ?? [];
    return answer === undefined || first === undefined || !worthReading(first.bits) || answer.slips.length > 0 ? undefined : first.name;
  });
  protected readonly next = computed(() => {
    const name = this.telling();
    return name === undefined ? undefined : nextTextOf(this.kind())[name];
  });

  protected readonly rows = computed((): readonly BandRow[] => {
    const answer = this.answer();
    if (answer?.expected === undefined) return [];
    const { expected, derived } = answer;
    const names = Object.entries(derivedText(this.kind())) as [keyof Derived, string][]; // the keys of the table
    const degrees = (K: number): FormattedQuantity => ({
      number: this.units.decimal(K / this.units.kelvinsInADegree(), 0),
      unit: `°${this.units.temperatureUnit()}`,
    });
    const steps = names.map(([name, text]) => rowOf(text, tells(name, expected[name]), expected[name], derived[name], degrees));
    const pressures = (['suction', 'head'] as const).map((name) =>
      rowOf(
        name === 'suction' ? $localize`Suction` : $localize`Head`,
        tells(name, expected[name]),
        expected[name],
        this.read().readings[name],
        (p) => this.units.pressureShown(p),
      ),
    );
    return [...steps, ...pressures];
  });

  /** Of a chiller: what flows through its barrel, by what it cools today. */
  protected readonly water = computed(() => {
    const flow = this.answer()?.waterFlow;
    if (flow === undefined) return undefined;
    const [low, likely, high] = [flow.low, flow.likely, flow.high].map((value) => this.units.waterFlow(value));
    return $localize`Water through the barrel, by what it cools today: about ${likely!.number} ${likely!.unit}, ${low!.number} to ${high!.number}.`;
  });

  /** What is taken for granted of its head. */
  protected readonly held = computed(() => {
    const K = this.question()?.plate.headHeldK;
    return K === undefined
      ? undefined
      : $localize`Its head-pressure valve is taken to hold ${this.units.temperature(K)} of condensing in the cold, the usual setting (common practice): check the one on it.`;
  });

  private readonly logging = this.job.adding();
  protected readonly busy = computed(() => this.logging.state().state === 'busy');
  protected readonly refused = computed(() => errorIn(this.logging.state()));
  protected readonly loggable = computed(
    () =>
      this.job.open() && this.question() !== undefined && this.answer() !== undefined && !this.stale() && this.answer()?.slips.length === 0,
  );

  /** What somebody types is read by hand: whether it has settled is told by the minutes again. */
  protected type(draft: CheckDraft): void {
    this.stored.value.set({ ...draft, seen: '' });
  }

  protected follow(run: FollowedRun): void {
    this.stored.value.update((draft) => withFollowed(draft, run, this.units.atmosphere()));
  }

  protected log(good: boolean): void {
    const [question, answer] = [this.question(), this.answer()];
    if (question === undefined || answer === undefined) return;
    const { plate, conditions, readings, settled } = question;
    const { composition: _composition, compressor: _compressor, ...unit } = plate;
    this.logging.send({
      kind: 'ran',
      unit,
      conditions,
      readings: readingsTo(readings),
      settled,
      good,
      advice: answer.advice,
      chargeShare: answer.chargeShare?.value ?? null,
      coreVersion,
    });
  }

  protected runText({ at, by, advice, chargeShare, good, settled }: Run): string {
    const charge = chargeShare === null ? '' : $localize`, charge ${this.signed(100 * (chargeShare - 1))} %`;
    return `${momentText(at)}, ${by}: ${advice.replaceAll('-', ' ')}${charge}${settled ? '' : $localize`, not settled`}${good ? $localize`, charged by weight and runs well` : ''}`;
  }

  protected async csv(): Promise<void> {
    const [{ saveCsv }, { runRows }] = await Promise.all([import('../../ui/save-file'), import('../check/run-files')]);
    saveCsv(`running-check-${this.job.visit()?.day ?? ''}.csv`, this.runs().map(runRows));
  }

  protected async senml(): Promise<void> {
    const [{ saveJson }, { runSenml }] = await Promise.all([import('../../ui/save-file'), import('../check/run-files')]);
    saveJson(
      `running-check-${this.job.visit()?.day ?? ''}.json`,
      this.runs().flatMap((run) => runSenml(this.job.id, run)),
    );
  }

  protected async label(): Promise<void> {
    const [{ save }, { chargeLabelPdf }] = await Promise.all([import('../../ui/save-file'), import('../check/charge-label-pdf')]);
    const [visit, system, run] = [this.job.visit(), this.system(), this.runs().at(-1)];
    if (visit === undefined || system === undefined || run === undefined) return;
    const kg = run.unit.plateKg;
    const masses = [this.units.massText(kg, 'nearest', 'lb-oz'), this.units.massText(kg, 'nearest', 'kg')];
    const bytes = await chargeLabelPdf({ visit, run, masses, day: momentText(run.at) });
    save(`charge-label-${visit.day}.pdf`, new Blob([bytes as BlobPart], { type: 'application/pdf' }));
  }
}

function rowOf(
  name: string,
  tells: boolean,
  { low, high }: Band,
  read: number | undefined,
  shown: (value: number) => FormattedQuantity,
): BandRow {
  const [from, to, own] = [shown(low), shown(high), read === undefined ? undefined : shown(read)];
  return {
    name,
    low,
    high,
    read,
    tells,
    text: own === undefined ? '' : `${own.number} ${own.unit}`,
    band: $localize`${from.number} to ${to.number} ${to.unit}`,
  };
}
