import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import type { FillLimit } from '@hygromet/core/cylinder/fill-limit';
import type { MassUnit } from '@hygromet/core/units/mass';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { Units } from '../preferences/units.service';

/** All limits side by side, the ruling one marked; a tap on one opens why. */
@Component({
  selector: 'hy-limits-table',
  imports: [NzDrawerModule],
  template: `
    <table>
      <caption i18n class="unseen">
        Fill limits, strictest required first
      </caption>
      <thead>
        <tr>
          <th i18n scope="col">Limit</th>
          <th i18n scope="col" class="number">net</th>
          <th i18n scope="col" class="number">gross</th>
          <th i18n scope="col" class="number">more</th>
        </tr>
      </thead>
      <tbody>
        @for (limit of limits(); track limit.rule) {
          <tr [class.rules]="limit.rule === ruling()" (click)="why.set(limit)">
            <th scope="row">
              <button type="button" [attr.aria-label]="words.whyNamed(limit.name)" (click)="why.set(limit); $event.stopPropagation()">
                {{ limit.name }}
              </button>
              <span class="formula">{{ limit.formula }}{{ within(limit) }}{{ limit.required ? '' : words.adviceNotRequiredHere }}</span>
            </th>
            <td class="number">{{ units.massText(limit.net, 'nearest', unit()) }}</td>
            <td class="number">{{ units.massText(limit.gross, 'down', unit()) }}</td>
            <td class="number" [class.over]="limit.mayAdd < 0">
              {{ limit.mayAdd < 0 ? '' : '+' }}{{ units.mass(limit.mayAdd, 'down', unit()).number }}
            </td>
          </tr>
        }
      </tbody>
    </table>
    <nz-drawer
      [nzVisible]="why() !== undefined"
      nzPlacement="right"
      [nzWidth]="drawerWidth"
      [nzTitle]="why()?.name ?? ''"
      (nzOnClose)="why.set(undefined)"
    >
      <ng-container *nzDrawerContent>
        @if (why(); as limit) {
          <p i18n class="result">{{ units.massText(limit.net, 'nearest', unit()) }} net</p>
          <p>
            @if (limit.required) {
              <ng-container i18n>Your organisation requires this limit.</ng-container>
            } @else {
              <ng-container i18n>Advice: your firm does not require this limit. Settings can change that.</ng-container>
            }
          </p>
          <h3 i18n>How it is computed</h3>
          @for (basis of limit.bases; track basis.what; let first = $first) {
            <dl [class.smallest]="first && limit.bases.length > 1">
              <dt>{{ basis.what }}{{ first && limit.bases.length > 1 ? words.theSmallestItCounts : '' }}</dt>
              <dd i18n>{{ basis.formula }} = {{ basis.net.toFixed(3) }} kg</dd>
              <dd class="small">
                @if (basis.p !== undefined && basis.T !== undefined) {
                  <ng-container i18n
                    >{{ basis.density.toFixed(1) }} kg/m³: the densest filling that stays within {{ units.pressure(basis.p) }} at
                    {{ units.temperature(basis.T) }}, by the equations of state</ng-container
                  >
                } @else if (basis.T !== undefined) {
                  <ng-container i18n
                    >{{ basis.density.toFixed(1) }} kg/m³: saturated liquid at {{ units.temperature(basis.T) }}, bubble point, by the
                    equations of state</ng-container
                  >
                } @else {
                  <ng-container i18n>{{ basis.density.toFixed(1) }} kg/m³: from the table</ng-container>
                }
              </dd>
            </dl>
          }
          <p i18n>
            Gross = net + tare = {{ units.massText(limit.gross, 'down', unit()) }}: what is read on the scale, and what may go in, is
            rounded down to its step.
          </p>
          <h3 i18n>Where it comes from</h3>
          <p>{{ limit.source }}</p>
          <p i18n class="small">Local codes and the owner of the cylinder come first.</p>
        }
      </ng-container>
    </nz-drawer>
  `,
  styleUrl: './limits-table.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LimitsTable {
  protected readonly words = {
    adviceNotRequiredHere: $localize` · advice, not required here`,
    theSmallestItCounts: $localize`, the smallest: it counts`,
    whyNamed: (name: string): string => $localize`Why: ${name}`,
  } as const;

  protected readonly units = inject(Units);
  readonly limits = input.required<readonly FillLimit[]>();
  readonly ruling = input.required<string>();
  /** The unit of the scale in front of the person; where there is none, the person's own. */
  readonly unit = input<MassUnit>();
  /** Where a pressure limits the filling, which one and at what temperature. */
  protected within({ bases: [smallest] }: FillLimit): string {
    if (smallest?.p === undefined || smallest.T === undefined) return '';
    return $localize` · ${this.units.pressure(smallest.p)} at ${this.units.temperature(smallest.T)}`;
  }

  protected readonly why = signal<FillLimit | undefined>(undefined);
  protected readonly drawerWidth = 'min(460px, 92vw)';
}
