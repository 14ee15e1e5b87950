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
      <caption class="unseen">
        Fill limits, strictest required first
      </caption>
      <thead>
        <tr>
          <th scope="col">Limit</th>
          <th scope="col" class="number">net</th>
          <th scope="col" class="number">gross</th>
          <th scope="col" class="number">more</th>
        </tr>
      </thead>
      <tbody>
        @for (limit of limits(); track limit.rule) {
          <tr [class.rules]="limit.rule === ruling()" (click)="why.set(limit)">
            <th scope="row">
              <button type="button" [attr.aria-label]="'Why: ' + limit.name" (click)="why.set(limit); $event.stopPropagation()">
                {{ limit.name }}
              </button>
              <span class="formula">{{ limit.formula }}{{ within(limit) }}{{ limit.required ? '' : ' · advice, not required here' }}</span>
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
          <p class="result">{{ units.massText(limit.net, 'nearest', unit()) }} net</p>
          <p>
            {{
              limit.required
                ? 'Your organisation requires this limit.'
                : 'Advice: your firm does not require this limit. Settings can change that.'
            }}
          </p>
          <h3>How it is computed</h3>
          @for (basis of limit.bases; track basis.what; let first = $first) {
            <dl [class.smallest]="first && limit.bases.length > 1">
              <dt>{{ basis.what }}{{ first && limit.bases.length > 1 ? ', the smallest: it counts' : '' }}</dt>
              <dd>{{ basis.formula }} = {{ basis.net.toFixed(3) }} kg</dd>
              <dd class="small">
                @if (basis.p !== undefined && basis.T !== undefined) {
                  {{ basis.density.toFixed(1) }} kg/m³: the densest filling that stays within {{ units.pressure(basis.p) }} at
                  {{ units.temperature(basis.T) }}, by the equations of state
                } @else if (basis.T !== undefined) {
                  {{ basis.density.toFixed(1) }} kg/m³: saturated liquid at {{ units.temperature(basis.T) }}, bubble point, by the equations
                  of state
                } @else {
                  {{ basis.density.toFixed(1) }} kg/m³: from the table
                }
              </dd>
            </dl>
          }
          <p>
            Gross = net + tare = {{ units.massText(limit.gross, 'down', unit()) }}: what is read on the scale, and what may go in, is
            rounded down to its step.
          </p>
          <h3>Where it comes from</h3>
          <p>{{ limit.source }}</p>
          <p class="small">Local codes and the owner of the cylinder come first.</p>
        }
      </ng-container>
    </nz-drawer>
  `,
  styleUrl: './limits-table.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LimitsTable {
  protected readonly units = inject(Units);
  readonly limits = input.required<readonly FillLimit[]>();
  readonly ruling = input.required<string>();
  /** The unit of the scale in front of the person; where there is none, the person's own. */
  readonly unit = input<MassUnit>();
  /** Where a pressure limits the filling, which one and at what temperature. */
  protected within({ bases: [smallest] }: FillLimit): string {
    if (smallest?.p === undefined || smallest.T === undefined) return '';
    return ` · ${this.units.pressure(smallest.p)} at ${this.units.temperature(smallest.T)}`;
  }

  protected readonly why = signal<FillLimit | undefined>(undefined);
  protected readonly drawerWidth = 'min(460px, 92vw)';
}
