import { ChangeDetectionStrategy, Component, inject, input, model, output } from '@angular/core';
import type { VisitReading } from '@hygromet/contract/visit-record';
import type { Circuit, ComponentId } from '@hygromet/core/circuit/circuit';
import type { Moment } from '@hygromet/core/planning/at-step';
import type { Step } from '@hygromet/core/planning/steps';
import { Units } from '../preferences/units.service';
import { Caution } from '../ui/caution';
import { CircuitDrawing } from './circuit-drawing';
import { cautionText, stepText } from './step-labels';
import { momentText } from '../ui/day';

/** What is drawn at a step. */
export interface DrawnMoment {
  readonly circuit: Circuit;
  readonly moment: Moment;
  readonly opened: readonly ComponentId[];
}

/** The checklist, in order; a caution stands at its step, and a reading is noted beside it. */
@Component({
  selector: 'hy-step-list',
  imports: [Caution, CircuitDrawing],
  template: `
    <ol>
      @for (step of steps(); track $index) {
        <li [class.touched]="touched() === $index">
          <div class="line">
            <button
              type="button"
              class="step"
              [attr.aria-pressed]="touched() === $index"
              (click)="touched.set(touched() === $index ? undefined : $index)"
            >
              {{ text(step) }}
            </button>
            @if (step.asksReading) {
              <input
                type="text"
                autocomplete="off"
                [attr.aria-label]="spoken.readAtStep($index + 1)"
                placeholder="read"
                i18n-placeholder
                [value]="readings()[step.code] ?? kept().get(step.code)?.text ?? ''"
                (input)="noted.emit({ code: step.code, text: $any($event.target).value })"
                (change)="complete.emit({ code: step.code, text: $any($event.target).value })"
              />
            }
          </div>
          @if (step.asksReading && kept().get(step.code); as reading) {
            <p class="small">{{ reading.text }} · {{ reading.recordedBy }}, {{ moment(reading.readAt) }}</p>
          }
          @if (touched() === $index && drawn(); as d) {
            <hy-circuit-drawing class="drawn" [circuit]="d.circuit" [shut]="d.moment.shut" [where]="d.moment.where" [opened]="d.opened" />
          }
          @for (caution of step.cautions; track $index) {
            <hy-caution>{{ words(caution) }}</hy-caution>
          }
        </li>
      }
    </ol>
  `,
  styleUrl: './step-list.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepList {
  protected readonly spoken = { readAtStep: (step: number): string => $localize`Read at step ${step}` };

  private readonly units = inject(Units);
  readonly steps = input.required<readonly Step[]>();
  readonly readings = input.required<Readonly<Record<string, string>>>();
  /** What the visit keeps already, by step. */
  readonly kept = input<ReadonlyMap<string, VisitReading>>(new Map());
  /** The step that the drawing shows, by its place. */
  readonly touched = model<number | undefined>();
  /** The circuit when that step has been done. */
  readonly drawn = input<DrawnMoment | undefined>();
  readonly noted = output<{ code: string; text: string }>();
  /** Sent when the field is left. */
  readonly complete = output<{ code: string; text: string }>();

  protected text = (step: Step): string => stepText(step, this.units);
  protected words = cautionText;
  protected moment = momentText;
}
