import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Holding } from '@hygromet/core/circuit/holding';
import type { RecoveryEstimate } from '@hygromet/core/planning/recovery-estimate';
import { nearsCutOut, shareOfCutOut } from '@hygromet/core/planning/cut-out';
import { pascal } from '@hygromet/core/units/quantity';
import { pumpDowns } from '@hygromet/core/planning/method';
import { whereRunning } from '@hygromet/core/planning/where';
import type { PlanAnswer } from '../core-worker/plan-operations';
import { Units } from '../preferences/units.service';
import { ComparedWithUnit } from '../systems/compared-with-unit';
import { systemKindNames } from '../systems/system-labels';
import { Caution } from '../ui/caution';
import { valueOf } from '../ui/loadable';
import { CircuitDrawing } from './circuit-drawing';
import { EquipmentFields } from './equipment-fields';
import { MethodSession } from './method.session';
import { contentReasonText, coolingWords } from './method-labels';

/** The circuit as the map of the job: what is in its parts, what is shut, what will be open, and the figures the method rests on. */
@Component({
  selector: 'hy-circuit-side',
  imports: [Caution, CircuitDrawing, ComparedWithUnit, EquipmentFields],
  template: `
    @if (system(); as s) {
      <h2>{{ title() }}</h2>
      <p class="second">{{ kinds[s.kind] }}, {{ s.refrigerant }}{{ readings() }}</p>
      @if (session.circuit(); as circuit) {
        <hy-circuit-drawing
          [circuit]="circuit"
          [shut]="shut()"
          [where]="where()"
          [opened]="running() ? [] : session.opened()"
          [bearsLeast]="bearsLeast()"
        />
      }
      @if (planning()) {
        <hy-compared-with-unit [system]="s" [needed]="waitsForIt()" (compared)="session.compared($event)" />
      }
      @if (plan(); as p) {
        <dl class="figures">
          @if (p.weakest; as weakest) {
            <div>
              <dt i18n>Weakest recorded part: {{ weakest.what }}</dt>
              <dd>{{ units.pressureStep(weakest.gaugePa) }}</dd>
            </div>
          }
          <div>
            <dt i18n>
              In it now
              <span class="why">{{ reasons(p) }}</span>
            </dt>
            <dd>{{ inItNow(p) }}</dd>
          </div>
          @if (p.condenser; as holds) {
            <div>
              <dt i18n>Condenser may hold, {{ roomOf(holds) }}</dt>
              <dd>{{ range(holds) }}</dd>
            </div>
          }
          @if (p.receiver; as holds) {
            <div>
              <dt i18n>Receiver may hold, {{ roomOf(holds) }}</dt>
              <dd>{{ range(holds) }}</dd>
            </div>
          }
          <div>
            <dt i18n>Required evacuation level</dt>
            <dd>{{ units.pressure(p.level.p) }}{{ p.level.heated ? words.byControlledHeating : '' }}</dd>
          </div>
          @if (planning() && p.estimate; as estimate) {
            @if (estimate.cannot === undefined) {
              <div>
                <dt i18n>Machine, simulated with a usual cylinder</dt>
                <dd>{{ byMachine(estimate) }}</dd>
              </div>
            }
          }
        </dl>
        @if (planning() && p.estimate) {
          <hy-equipment-fields />
        }
        @if (planning() && p.estimate; as estimate) {
          @if (estimate.trips) {
            <hy-caution>{{ tripping(p) }}</hy-caution>
          } @else if (nears(estimate.headP)) {
            <hy-caution i18n>
              The head comes to {{ units.percent(share(estimate.headP)) }} of the machine’s high-pressure cut-out: a warmer hour or a fuller
              cylinder opens it. Have water or a fan ready.
            </hy-caution>
          }
        }
        <p i18n class="small">
          {{ printed(p) }}: {{ p.level.source }}. Volumes that nobody has measured are estimated with a range; minutes, weights and losses
          of the methods are estimated to compare them (common practice). Local codes and the maker's instructions come first.
        </p>
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 10px;
    }

    h2 {
      font-size: 16.5px;
    }

    .why {
      display: block;
      font-size: 13.5px;
    }
  `,
  styleUrl: '../ui/figures.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CircuitSide {
  protected readonly words = { byControlledHeating: $localize`, by controlled heating` } as const;

  /** Whether the recovery is still ahead: what it needs is told then. */
  readonly planning = input(true);
  /** Whether it runs: then the drawing shows that, whatever was planned. */
  readonly running = input(false);
  /** Whether it is tested: then the part that bears least is shown. */
  readonly proving = input(false);
  protected readonly session = inject(MethodSession);
  protected readonly units = inject(Units);
  protected readonly kinds = systemKindNames;
  protected readonly system = computed(() => valueOf(this.session.system()));
  protected readonly plan = computed(() => valueOf(this.session.plan()));

  protected readonly bearsLeast = computed(() => (this.proving() ? this.plan()?.weakest?.part : undefined));

  /** Whether a verdict waits for the drawing to be compared with the unit. */
  protected readonly waitsForIt = computed(() => this.plan()?.decision.next?.see === 'as-installed');

  /** The drawing shows the end of the method; without one, what is there today. */
  protected readonly title = computed(() => {
    if (this.running()) return $localize`As it runs`;
    const method = this.plan()?.method;
    if (method === undefined || method === 'nothing') return $localize`As it stands`;
    return pumpDowns.includes(method) ? $localize`After the pump-down` : $localize`After recovery`;
  });
  protected readonly where = computed(() => {
    const circuit = this.session.circuit();
    return this.running() && circuit !== undefined ? whereRunning(circuit) : this.session.moment().where;
  });
  protected readonly shut = computed(() => (this.running() ? new Set<never>() : this.session.moment().shut));
  /** What was read of it, beside what it is. */
  protected readonly readings = computed(() => {
    const [standing, ambient] = [this.session.standing(), this.session.ambient()];
    const said = [
      ...(standing.state === 'good' ? [$localize`${standing.typed.text} ${standing.typed.unit} standing`] : []),
      ...(ambient.state === 'good' ? [$localize`${ambient.typed.text} °${ambient.typed.unit} outdoors`] : []),
    ];
    return said.length === 0 ? '' : ` · ${said.join(', ')}`;
  });

  protected reasons = ({ content }: PlanAnswer): string =>
    content.reasons.map((reason) => contentReasonText(reason, this.units)).join(' · ');
  /** What is measured away leaves a range; what is on record is one figure. */
  protected inItNow({ content: { likely, high, reasons } }: PlanAnswer): string {
    const measured = reasons.some(({ code }) => code === 'vapour-only' || code === 'flat');
    return measured ? $localize`${this.units.mass(likely).number} to ${this.units.massText(high, 'up')}` : this.units.massText(likely);
  }
  protected range = ({ low, high }: Holding): string =>
    high - low < 0.01
      ? this.units.massText(low, 'down')
      : $localize`${this.units.mass(low, 'down').number} to ${this.units.massText(high, 'down')}`;
  protected printed = ({ level }: PlanAnswer): string =>
    level.orShare === undefined ? $localize`The level` : $localize`The level, or ${this.units.percent(level.orShare)} of the charge`;
  /** What limits it: the day, or the heat that it will see while it is shut off. */
  protected roomOf = ({ by, share, T }: Holding): string =>
    by === 'shipped'
      ? $localize`the charge it was shipped with at least`
      : $localize`${this.units.percent(share)} liquid at ${this.units.temperature(T)}${by === 'heat' ? $localize`, the hottest it will see` : ''}`;
  protected share = (p: number): number => shareOfCutOut(pascal(p));
  protected nears = (p: number): boolean => nearsCutOut(pascal(p));
  /** Where it would trip, what it takes once it is cooled: the sentence below says with what. */
  protected byMachine = ({ range, trips, headP }: RecoveryEstimate): string => {
    const minutes = $localize`${this.units.decimal(range.low, 0)} to ${this.units.decimal(range.high, 0)} min`;
    return trips ? $localize`${minutes}, once cooled` : $localize`${minutes}, head ${this.units.pressure(headP)}`;
  };
  protected tripping = ({ estimate }: PlanAnswer): string => {
    if (estimate?.cannot !== undefined)
      return $localize`This machine cannot take it: even on ice ${estimate.cannot === 'no-liquid' ? $localize`it does not condense` : $localize`it stands above the high-pressure cut-out`}. Use a machine built for high-pressure gases.`;
    const cure =
      estimate?.needs === undefined
        ? $localize`take less at a time, or wait for a cooler hour`
        : $localize`put the cylinder ${coolingWords[estimate.needs]}`;
    return $localize`The machine’s high-pressure cut-out will open: ${cure}.`;
  };
}
