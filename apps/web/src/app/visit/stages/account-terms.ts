import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import type { VisitTerm } from '@hygromet/core/account/visit-terms';
import { Units } from '../../preferences/units.service';
import { basisText } from './account-labels';

/** One line of the account: a term with its sign, and how it came about. */
export interface TermRow extends VisitTerm {
  readonly name: string;
  readonly note: string;
  readonly sign: '' | '−';
}

/** The terms of an account with their errors; how each came about is one tap away. */
@Component({
  selector: 'hy-account-terms',
  template: `
    <table>
      <caption i18n class="unseen">
        The account of this visit
      </caption>
      <thead>
        <tr>
          <th i18n scope="col">Where it is</th>
          <th scope="col" class="number">{{ units.mass(0).unit }}</th>
          <th scope="col" class="number">±</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.term) {
          <tr>
            <th scope="row">
              <button type="button" [attr.aria-expanded]="opened() === row.term" (click)="toggle(row.term)">
                <span class="mark" aria-hidden="true">{{ opened() === row.term ? '▾' : '▸' }}</span> {{ row.name }}
                <span class="second">{{ row.note }}</span>
              </button>
            </th>
            <td class="number">{{ row.sign }}{{ units.mass(row.kg).number }}</td>
            <td class="number second">{{ units.mass(row.sigmaKg, 'up').number }}</td>
          </tr>
          @if (opened() === row.term) {
            <tr class="how">
              <td colspan="3" class="second">{{ how(row) }}</td>
            </tr>
          }
        }
      </tbody>
    </table>
  `,
  styleUrl: './stage.css',
  styles: `
    button {
      width: 100%;
      min-height: 24px;
      padding: 0;
      border: 0;
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: pointer;
    }

    .mark {
      display: inline-block;
      width: 1em;
      color: var(--ink-2);
    }

    .how td {
      max-width: 58ch;
      padding: 0 0 10px 1.2em;
      border: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AccountTerms {
  readonly rows = input.required<readonly TermRow[]>();
  protected readonly units = inject(Units);
  /** The term whose origin is shown. */
  protected readonly opened = signal<string | undefined>(undefined);
  protected how = (row: TermRow): string => basisText(row, this.units);

  protected toggle(term: string): void {
    this.opened.update((before) => (before === term ? undefined : term));
  }
}
