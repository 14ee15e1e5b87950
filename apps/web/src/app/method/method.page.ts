import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { System } from '@hygromet/contract/system';
import type { Visit } from '@hygromet/contract/visit';
import type { Holding } from '@hygromet/core/circuit/holding';
import type { Method } from '@hygromet/core/planning/method';
import type { PlanAnswer } from '../live/plan-operations';
import { refusalIn } from '../live/command';
import { Units } from '../preferences/units.service';
import { systemKindNames } from '../systems/system-words';
import { dayWords } from '../ui/day';
import { Caution } from '../ui/caution';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { Spine } from '../ui/spine';
import { TextField } from '../ui/text-field';
import { CircuitDrawing } from './circuit-drawing';
import { CylinderChoice } from './cylinder-choice';
import { EquipmentFields } from './equipment-fields';
import { LookFields } from './look-fields';
import { MethodSession } from './method.session';
import { arrivalText, contradictionText, coolingWords, methodNames } from './method-words';
import { StepList } from './step-list';
import { VerdictList } from './verdict-list';
import { VisitStages } from './visit-stages';

/** Look and method: what was seen, every way to bring the refrigerant out with its reasons, and the steps of the one that is taken. */
@Component({
  selector: 'hy-method-page',
  imports: [
    Caution,
    CircuitDrawing,
    CylinderChoice,
    EquipmentFields,
    LookFields,
    PageHead,
    RouterLink,
    Spine,
    StepList,
    TextField,
    VerdictList,
    VisitStages,
  ],
  providers: [MethodSession],
  templateUrl: './method.page.html',
  styleUrls: ['../ui/columns.css', '../ui/figures.css', '../ui/alone.css', './method.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MethodPage {
  protected readonly session = inject(MethodSession);
  protected readonly units = inject(Units);
  protected readonly stages = ['Look', 'Method', 'Cylinders', 'Transfer', 'Account'];
  /** How far this visit has come. */
  protected readonly here = computed(() => {
    const visit = this.session.visit();
    if (visit === undefined || visit.plan === null) return 'Method';
    return visit.recovered.bookings > 0 ? 'Account' : 'Cylinders';
  });
  protected readonly names = methodNames;
  protected readonly said = (day: string): string => dayWords(day);

  protected readonly plan = computed(() => valueOf(this.session.plan()));
  protected readonly refused = computed(() => {
    const plan = this.session.plan();
    return plan.state === 'failed' ? plan.sentence : undefined;
  });
  protected readonly notKept = computed(
    () => refusalIn(this.session.keeping.state(), '/plan/why') ?? refusalIn(this.session.keeping.state()),
  );
  protected kept = ({ plan }: Visit, { method }: PlanAnswer): boolean =>
    plan !== null && plan.method === method && plan.failed === this.session.draft().failed;
  protected readonly questions = computed(() => (this.plan()?.contradictions ?? []).map((own) => contradictionText(own, this.units)));

  protected line = ({ refrigerant, nameplateKg }: System): string => `${refrigerant}, ${this.units.massText(nameplateKg)} on the plate`;
  protected kindName = ({ kind }: System): string => systemKindNames[kind];
  protected arrival = ({ arrival, content }: PlanAnswer): string => arrivalText(arrival, content.likely, this.units);
  protected range = ({ low, high }: Holding): string =>
    high - low < 0.01 ? this.units.massText(low, 'down') : `${this.units.mass(low, 'down').number} to ${this.units.massText(high, 'down')}`;
  protected printed = ({ level }: PlanAnswer): string =>
    level.orShare === undefined ? 'The level' : `The level, or ${this.units.percent(level.orShare)} of the charge`;
  /** What limits it: the day, or the heat that it will see while it is shut off. */
  protected roomOf = ({ by, share, T }: Holding): string =>
    `${this.units.percent(share)} liquid at ${this.units.temperature(T)}${by === 'heat' ? ', the hottest it will see' : ''}`;
  protected tripping = ({ estimate }: PlanAnswer): string => {
    if (estimate?.cannot !== undefined)
      return `This machine cannot take it: even on ice ${estimate.cannot === 'no-liquid' ? 'it does not condense' : 'it stands above the high-pressure cut-out'}. Use a machine built for high-pressure gases.`;
    const cure =
      estimate?.needs === undefined ? 'take less at a time, or wait for a cooler hour' : `put the cylinder ${coolingWords[estimate.needs]}`;
    return `The machine’s high-pressure cut-out will open: ${cure}.`;
  };

  protected weakest = ({ weakest }: PlanAnswer): string | undefined =>
    weakest === undefined ? undefined : `${this.units.pressureStep(weakest.gaugePa)}, what the ${weakest.what} bears`;
  protected print = (): void => window.print();

  protected take(method: Method, { decision }: PlanAnswer): void {
    this.session.change({ method: method === decision.chosen ? null : method, ...(method === decision.chosen ? { why: '' } : {}) });
  }

  protected note({ code, text }: { code: string; text: string }): void {
    this.session.change({ readings: { ...this.session.draft().readings, [code]: text } });
  }
}
