import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { TwoPoints } from '../core-worker/bench-operations';
import { Units } from '../preferences/units.service';

/** Bubble and dew point side by side; one column where they are the same. */
@Component({
  selector: 'hy-points-table',
  template: `
    <table>
      <caption i18n class="unseen">
        Saturation
      </caption>
      <thead>
        <tr>
          <th scope="col"></th>
          <th scope="col" class="number">
            @if (pure()) {
              <ng-container i18n>Saturation</ng-container>
            } @else {
              <ng-container i18n>Bubble point</ng-container>
            }
          </th>
          @if (!pure()) {
            <th i18n scope="col" class="number">Dew point</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.name) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td class="number">{{ row.bubble }}</td>
            @if (!pure()) {
              <td class="number">{{ row.dew }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
    <p i18n class="small">
      Latent heat {{ units.latentHeat(points().latentHeat) }}.
      @if (!pure()) {
        Vapor at the bubble point: {{ shares(points().bubble.other) }}; liquid at the dew point: {{ shares(points().dew.other) }}.
      }
      By the equations of state{{ points().estimated ? words.withAPairOfSubstances : '' }}.
    </p>
    <details (toggle)="showSources()">
      <summary i18n class="small">Where the numbers come from</summary>
      <ul class="small">
        @for (source of sources(); track source.id) {
          <li>
            <b>{{ source.id }}</b> {{ source.authors }}, {{ source.title }}{{ source.journal ? ', ' + source.journal : '' }} ({{
              source.year
            }}){{ source.doi ? words.doi + source.doi : '' }}
          </li>
        }
        <li i18n>Mixtures: GERG-2008 form, Kunz and Wagner, J. Chem. Eng. Data 57 (2012), doi 10.1021/je300655b</li>
      </ul>
    </details>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
    }

    th,
    td {
      padding: 6px 0 6px 12px;
      border-bottom: 1px solid var(--line);
      text-align: left;
    }

    th:first-child {
      padding-left: 0;
      font-weight: 430;
    }

    thead th {
      border-bottom: 1.5px solid var(--ink);
      color: var(--ink-2);
      font-size: 14.5px;
      font-weight: 600;
    }

    .number {
      text-align: right;
    }

    p.small {
      margin-top: 8px;
    }

    summary {
      display: inline-block;
      padding: 12px 0;
      color: var(--act);
      cursor: pointer;
    }

    li {
      padding: 3px 0;
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PointsTable {
  protected readonly words = {
    withAPairOfSubstances: $localize`, with a pair of substances that nobody has published and the combining rule estimates`,
    doi: $localize`, doi `,
  } as const;

  protected readonly units = inject(Units);
  readonly points = input.required<TwoPoints>();

  protected readonly pure = computed(() => Object.keys(this.points().bubble.other).length === 1);
  protected readonly rows = computed(() => {
    const { bubble, dew } = this.points();
    const row = (name: string, of: (point: TwoPoints['bubble']) => string) => ({ name, bubble: of(bubble), dew: of(dew) });
    return [
      row($localize`Pressure`, ({ p }) => this.units.pressure(p)),
      row($localize`Temperature`, ({ T }) => this.units.temperature(T, 1)),
      row($localize`Liquid density`, ({ rhoLiquid }) => this.units.density(rhoLiquid)),
      row($localize`Vapor density`, ({ rhoVapour }) => this.units.density(rhoVapour)),
    ];
  });

  /** The publications come when they are first asked for. */
  private readonly publications = signal<typeof import('@hygromet/core/fluids/publication') | undefined>(undefined);
  protected readonly sources = computed(() =>
    Object.keys(this.points().bubble.other).flatMap((id) => {
      const publication = this.publications()?.publicationOf(id);
      return publication === undefined ? [] : [{ id, ...publication }];
    }),
  );

  protected showSources(): void {
    void import('@hygromet/core/fluids/publication').then((module) => this.publications.set(module));
  }

  protected shares = (composition: Readonly<Record<string, number>>): string =>
    Object.entries(composition)
      .sort(([, a], [, b]) => b - a)
      .map(([id, share]) => `${this.units.decimal(share * 100, 1)} % ${id}`)
      .join(', ');
}
