import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** One reading against what it should be today, in one unit of this person. */
export interface BandRow {
  readonly name: string;
  readonly low: number;
  readonly high: number;
  readonly read: number | undefined;
  readonly text: string;
  /** "12 to 20 °F" */
  readonly band: string;
  /** Whether the band is narrow enough to say anything. */
  readonly tells: boolean;
}

interface Drawn extends BandRow {
  readonly left: number;
  readonly width: number;
  readonly mark: number | undefined;
  readonly off: 'above' | 'below' | undefined;
}

/** Every reading as a mark on its line, with the band in which a good unit would be today. */
@Component({
  selector: 'hy-band-rows',
  template: `
    <table>
      <caption i18n class="unseen">
        Read, against what it should be today
      </caption>
      <tbody>
        @for (row of drawn(); track row.name) {
          <tr [class.off]="row.off !== undefined">
            <th scope="row">{{ row.name }}</th>
            <td class="track" aria-hidden="true">
              <span class="rail"></span>
              @if (row.tells) {
                <span class="band" [style.left.%]="row.left" [style.width.%]="row.width"></span>
              }
              @if (row.mark !== undefined) {
                <span class="mark" [style.left.%]="row.mark"></span>
              }
            </td>
            <td class="number">
              @if (row.read !== undefined) {
                <b>{{ row.off === 'above' ? '▲ ' : row.off === 'below' ? '▼ ' : '' }}{{ row.text }}</b>
              } @else {
                <span i18n class="second">not read</span>
              }
            </td>
            <td class="number second">
              @if (row.tells) {
                {{ row.band }}
              } @else {
                <ng-container i18n>not known today</ng-container>
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styleUrl: '../stages/stage.css',
  styles: `
    th {
      width: 190px;
    }

    .track {
      position: relative;
      min-width: 120px;
      height: 40px;
    }

    .rail,
    .band,
    .mark {
      position: absolute;
      top: 50%;
    }

    .rail {
      right: 0;
      left: 0;
      height: 1.5px;
      background: var(--line-strong, var(--ink-3));
    }

    .band {
      height: 16px;
      margin-top: -8px;
      border: 1.5px solid var(--act);
      border-radius: 3px;
      background: color-mix(in srgb, var(--act) 12%, var(--paper, transparent));
    }

    .mark {
      width: 5px;
      height: 20px;
      margin-top: -10px;
      margin-left: -2px;
      border-radius: 1px;
      background: var(--ink);
      transition: left 160ms ease-out;
    }

    .off .mark {
      background: var(--caution);
    }

    .off b {
      color: var(--caution);
    }

    .number {
      width: 112px;
      padding-left: 14px;
      white-space: nowrap;
    }

    @media (max-width: 599px) {
      tr {
        display: grid;
        grid-template-columns: minmax(0, 1fr) auto;
        padding: 8px 0;
        border-top: 1px solid var(--line);
      }

      th,
      td {
        width: auto;
        padding: 0;
        border: 0;
      }

      .track {
        grid-column: 1 / -1;
        grid-row: 2;
      }

      .number.second {
        grid-column: 1 / -1;
        text-align: left;
      }
    }

    @media (prefers-reduced-motion: reduce) {
      .mark {
        transition: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BandRows {
  readonly rows = input.required<readonly BandRow[]>();
  protected readonly drawn = computed(() => this.rows().map(drawnOf));
}

/** The band takes the middle third of its line, unless the reading lies further out. */
function drawnOf(row: BandRow): Drawn {
  const { low, high, read, tells } = row;
  const width = Math.max(1e-9, high - low);
  const [from, to] = [Math.min(low - width, (read ?? low) - 0.2 * width), Math.max(high + width, (read ?? high) + 0.2 * width)];
  const at = (value: number) => (100 * (value - from)) / (to - from);
  return {
    ...row,
    left: at(low),
    width: at(high) - at(low),
    mark: read === undefined ? undefined : at(read),
    off: read === undefined || !tells ? undefined : read > high ? 'above' : read < low ? 'below' : undefined,
  };
}
