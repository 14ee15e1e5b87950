import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';

import type { Scenario } from '@hygromet/core/twin/scenario';
import type { Simulated } from '@hygromet/core/twin/simulate';
import { CHARGE_DOUBT } from '@hygromet/core/planning/charge-doubt';
import { exchangerOf } from '@hygromet/core/circuit/exchanger';
import { machineCutOut } from '@hygromet/core/planning/cut-out';
import { scaleLinear } from 'd3-scale';
import { coreQuery } from '../core-worker/core-query';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import type { ForecastArgs } from '../core-worker/twin-operations';
import { MethodSession } from '../method/method.session';
import { Units } from '../preferences/units.service';
import { valueOf } from '../ui/loadable';
import { scenarioOf } from './live/scenario-of';
import { Caution } from '../ui/caution';
import { Computing } from '../ui/computing';
import { forecastBasis } from './live/forecast-basis';
import { durationText } from './live/live-labels';

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [560, 190, 52, 52, 24, 30];
/** A transfer as it will likely go, drawn before it starts: weight and head over time, with the band of what is not known. */
@Component({
  selector: 'hy-transfer-forecast',
  imports: [Caution, Computing],
  template: `
    @if (forecast(); as f) {
      <section aria-label="Forecast" i18n-aria-label [hyComputing]="answer()">
        <h3 i18n>Forecast</h3>
        <p>{{ sentence() }}</p>
        @if (freezing(); as text) {
          <hy-caution>{{ text }}</hy-caution>
        }
        @let d = drawn();
        <svg [attr.viewBox]="box" role="img" [attr.aria-label]="sentence()">
          <text i18n [attr.x]="left" y="14">recovered, {{ units.mass(0).unit }}</text>
          <text i18n class="head" [attr.x]="right" y="14" text-anchor="end">head, {{ units.pressureUnit() }}</text>
          @for (tick of d.ticksY; track tick.text) {
            <line class="grid" [attr.x1]="left" [attr.x2]="right" [attr.y1]="tick.y" [attr.y2]="tick.y" />
            <text [attr.x]="left - 8" [attr.y]="tick.y + 5" text-anchor="end">{{ tick.text }}</text>
          }
          @for (tick of d.ticksP; track tick.text) {
            <text class="head" [attr.x]="right + 8" [attr.y]="tick.y + 5">{{ tick.text }}</text>
          }
          @for (tick of d.ticksX; track tick.text) {
            <text [attr.x]="tick.x" [attr.y]="bottom + 20" text-anchor="middle">{{ tick.text }}</text>
          }
          @for (way of d.edges; track $index) {
            <path class="edge" [attr.d]="way" />
          }
          @if (d.cutOut; as y) {
            <line class="cut-out" [attr.x1]="left" [attr.x2]="right" [attr.y1]="y" [attr.y2]="y" />
            <text i18n class="said" [attr.x]="left + 6" [attr.y]="y - 5">cut-out</text>
          }
          <path class="pressure" [attr.d]="d.pressure" />
          <path class="mass" [attr.d]="d.mass" />
        </svg>
        <p i18n class="small">
          Simulated from plate, ledger and usual equipment; the band is ± {{ doubt }} % of the charge, and a core left in.
        </p>
        <details>
          <summary i18n>Which of its numbers are measured</summary>
          <dl class="figures">
            @for (row of basis(); track row.what) {
              <div>
                <dt>
                  {{ row.what }}<span class="known">{{ row.known }}</span>
                </dt>
                <dd>{{ row.value }}</dd>
              </div>
            }
          </dl>
        </details>
      </section>
    }
  `,
  styles: `
    :host {
      display: block;
    }

    h3 {
      font-size: 18px;
    }

    svg {
      width: 100%;
      max-width: 640px;
      height: auto;
      font-size: 13px;
    }

    text {
      fill: var(--ink-2);
    }

    .grid {
      stroke: var(--line);
    }

    path {
      fill: none;
      stroke-width: 2.4;
    }

    .mass {
      stroke: var(--liquid);
    }

    .edge {
      stroke: var(--liquid-2);
      stroke-dasharray: 3 4;
      stroke-width: 1.6;
    }

    .pressure {
      stroke: var(--caution);
      stroke-width: 1.8;
    }

    .head {
      fill: var(--caution);
    }

    .cut-out {
      stroke: var(--danger);
      stroke-dasharray: 6 4;
    }

    .said {
      fill: var(--danger);
    }

    .known {
      display: block;
      color: var(--ink-2);
      font-size: 13.5px;
    }
  `,
  styleUrl: '../ui/figures.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TransferForecast {
  /** The cylinder that takes it. */
  readonly cylinder = input.required<string>();
  private readonly session = inject(MethodSession);
  protected readonly units = inject(Units);
  private readonly cylinders = fromServer(inject(ServerData).cylinders$);
  protected readonly box = `0 0 ${WIDTH} ${HEIGHT}`;
  protected readonly left = LEFT;
  protected readonly right = WIDTH - RIGHT;
  protected readonly bottom = HEIGHT - BOTTOM;

  private readonly chosen = computed(() => valueOf(this.cylinders())?.find(({ id }) => id === this.cylinder()));
  private readonly scenario = computed((): Scenario | undefined =>
    scenarioOf(this.session.question(), valueOf(this.session.plan()), this.chosen()),
  );
  /** Whether water flows around the tubes of its evaporator. */
  private readonly flows = computed(() => {
    const circuit = this.session.circuit();
    const isBarrel = circuit?.water.some((id) => exchangerOf(circuit, id) === 'barrel') ?? false;
    return isBarrel && this.session.draft().water === 'flows';
  });
  /** What happens where the water stops: nobody notices that at the machine. */
  protected readonly freezing = computed(() => {
    const { freezesS } = this.forecast() ?? {};
    return freezesS === undefined
      ? undefined
      : $localize`If its water stopped, the tubes of the barrel would freeze after about ${durationText(freezesS, this.units)}\: keep it flowing to the end, and look at it.`;
  });
  /** What it is built from, and how each of it is known. */
  protected readonly basis = computed(() => {
    const [plan, question, cylinder] = [valueOf(this.session.plan()), this.session.question(), this.chosen()];
    return plan === undefined || question === undefined || cylinder === undefined
      ? []
      : forecastBasis(plan, cylinder, question.look.T, this.units);
  });
  protected readonly answer = coreQuery(
    inject(CoreWorker),
    'forecast',
    computed((): ForecastArgs | undefined => {
      const scenario = this.scenario();
      return scenario === undefined ? undefined : { scenario, chargeOff: CHARGE_DOUBT, byWater: this.flows() };
    }),
    this.session.plan,
  );
  protected readonly doubt = Math.round(100 * CHARGE_DOUBT);
  protected readonly forecast = computed(() => valueOf(this.answer()));

  protected readonly sentence = computed(() => {
    const { likely, low, high } = this.forecast()!;
    const minutes = (t: number) => this.units.decimal(Math.max(1, t / 60), 0);
    const range = [low, likely, high].flatMap((simulated) => (simulated === undefined ? [] : [simulated.end.t]));
    const [least, most] = [Math.min(...range), Math.max(...range)];
    const trip = likely.events.find(({ kind }) => kind === 'trip');
    const stops = likely.end.reason === 'stop-weight' || likely.end.reason === 'cylinder-full';
    const time = stops
      ? $localize`The stop weight is reached after about ${minutes(likely.end.t)} min; ${this.units.massText(likely.end.leftKg)} are left for another cylinder.`
      : $localize`About ${minutes(least)} to ${minutes(most)} min at the machine, ${this.units.massText(likely.end.leftKg, 'up')} left in the system, about ${this.units.massText(likely.end.inOilKg)} of it in the oil.`;
    const over = likely.events.find(({ kind }) => kind === 'liquid-over');
    const byItself = over === undefined ? 0 : gained(likely, over.t);
    const liquid =
      byItself < 0.1 || over === undefined
        ? ''
        : $localize` By pressure alone ${this.units.massText(byItself)} go over in ${minutes(over.t)} min.`;
    const head = $localize` Head up to ${this.units.pressure(highest(likely))}.`;
    const { airKg = 0 } = this.scenario()?.system ?? {};
    const air = airKg > 0 ? $localize` Counted with ${this.units.massText(airKg)} of air, as its standing pressure shows.` : '';
    return (
      time +
      liquid +
      head +
      air +
      (trip === undefined ? '' : $localize` The cut-out opens after ${minutes(trip.t)} min: cool the cylinder.`)
    );
  });

  protected readonly drawn = computed(() => {
    const { likely, low, high } = this.forecast()!;
    const all = [likely, low, high].flatMap((simulated) => (simulated === undefined ? [] : [simulated]));
    const end = Math.max(60, ...all.map((simulated) => simulated.end.t));
    const start = likely.samples[0]?.grossKg ?? 0;
    const mass = (kg: number) => this.number(kg);
    const most = Math.max(...all.flatMap(({ samples }) => samples.map(({ grossKg }) => mass(grossKg - start))));
    const pressure = (p: number) => this.units.pressureNumber(p);
    const top = Math.max(pressure(highest(likely)), 1) * 1.15;
    const x = scaleLinear([0, end / 60], [LEFT, this.right]);
    const y = scaleLinear([0, 1.08 * most], [this.bottom, TOP]);
    const yp = scaleLinear([0, top], [this.bottom, TOP]);
    const way = ({ samples }: Simulated, of: (sample: Simulated['samples'][number]) => number) =>
      thinned(samples)
        .map((sample, k) => `${k === 0 ? 'M' : 'L'}${x(sample.t / 60).toFixed(1)} ${of(sample).toFixed(1)}`)
        .join('');
    const cutOut = yp(pressure(machineCutOut));
    return {
      mass: way(likely, ({ grossKg }) => y(mass(grossKg - start))),
      pressure: way(likely, ({ headPa }) => yp(Math.max(0, pressure(headPa)))),
      edges: [low, high].flatMap((simulated) =>
        simulated === undefined ? [] : [way(simulated, ({ grossKg }) => y(mass(grossKg - start)))],
      ),
      cutOut: cutOut > TOP ? cutOut : undefined,
      ticksX: x.ticks(5).map((value) => ({ x: x(value), text: $localize`${value} min` })),
      ticksY: y.ticks(4).map((value) => ({ y: y(value), text: this.units.decimal(value, most < 3 ? 1 : 0) })),
      ticksP: yp.ticks(4).map((value) => ({ y: yp(value), text: this.units.decimal(value, 0) })),
    };
  });

  /** In the unit of the scale, as a number. */
  private number = (kg: number): number => kg / (this.units.mass(1).unit === 'kg' ? 1 : 0.45359237);
}

/** kg that are in the cylinder beyond what was in it, at a time. */
const gained = ({ samples }: Simulated, t: number): number =>
  (samples.find((sample) => sample.t >= t)?.grossKg ?? 0) - (samples[0]?.grossKg ?? 0);

const highest = ({ samples }: Simulated): number => Math.max(...samples.map(({ headPa }) => headPa));
const MOST_POINTS_COUNT = 160;
const thinned = (samples: Simulated['samples']) => {
  const every = Math.ceil(samples.length / MOST_POINTS_COUNT);
  return samples.filter((_, k) => k % every === 0 || k === samples.length - 1);
};
