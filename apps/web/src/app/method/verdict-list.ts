import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { restsOnRecord, type Verdict } from '@hygromet/core/planning/decide';
import type { Method } from '@hygromet/core/planning/method';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { Units } from '../preferences/units.service';
import { RadioStyles } from '../ui/library-styles/radio-styles';
import { methodNames, reasonText, feasibilityNames } from './method-labels';

const ORDER: readonly Verdict['feasibility'][] = ['possible', 'once-seen', 'not-advised'];

/** What may be done, with what speaks against it and what it costs, the one that is taken marked; what is impossible in a line each. */
@Component({
  selector: 'hy-verdict-list',
  imports: [FormsModule, NzRadioModule, RadioStyles],
  template: `
    <hy-radio-styles />
    <nz-radio-group
      role="radiogroup"
      aria-label="Method"
      i18n-aria-label
      [nzName]="'method'"
      [ngModel]="taken()"
      (ngModelChange)="take.emit($event)"
    >
      @for (verdict of open(); track verdict.method) {
        <div class="verdict" [class.taken]="verdict.method === taken()">
          <!-- eslint-disable-next-line @angular-eslint/template/label-has-associated-control -- the library draws its circle in it -->
          <label nz-radio [nzValue]="verdict.method" [nzDisabled]="verdict.feasibility === 'once-seen'">
            <span class="way">
              <span class="name">{{ names[verdict.method] }}</span>
              <span class="feasibility" [class]="verdict.feasibility">{{ feasibilityText[verdict.feasibility] }}</span>
            </span>
          </label>
          @if (verdict.reasons.length > 0) {
            <p class="reasons">{{ reasons(verdict) }}</p>
          }
          @if (verdict.cost; as cost) {
            <p i18n class="cost">
              about {{ units.decimal(cost.minutes, 0) }} min · carry {{ units.massText(cost.carriedKg) }} ·
              {{ units.massText(cost.lostKg) }} to the air
            </p>
          }
        </div>
      }
    </nz-radio-group>
    @if (out().length > 0) {
      <ul aria-label="Impossible" i18n-aria-label>
        @for (verdict of out(); track verdict.method) {
          <li>
            <b>{{ names[verdict.method] }}</b> {{ reasons(verdict) }}
          </li>
        }
      </ul>
    }
  `,
  styleUrl: './verdict-list.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VerdictList {
  protected readonly units = inject(Units);
  readonly verdicts = input.required<readonly Verdict[]>();
  readonly taken = input<Method | undefined>();
  readonly take = output<Method>();

  /** What may be done, what is advised first. */
  protected readonly open = computed(() =>
    this.verdicts()
      .filter((verdict) => !this.isOut(verdict))
      .sort((a, b) => this.rank(a) - this.rank(b)),
  );
  protected readonly out = computed(() => this.verdicts().filter((verdict) => this.isOut(verdict)));
  /** What is impossible, or would be if the unit is as its record has it. */
  private isOut = (verdict: Verdict): boolean => verdict.feasibility === 'impossible' || restsOnRecord(verdict);
  private rank = ({ feasibility }: Verdict): number => ORDER.indexOf(feasibility);
  protected readonly names = methodNames;
  protected readonly feasibilityText = feasibilityNames;
  protected reasons = ({ reasons }: Verdict): string => {
    const text = reasons.map((reason) => reasonText(reason, this.units)).join('; ');
    return `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}.`;
  };
}
