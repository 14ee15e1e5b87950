import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';

import { candidateOf } from '@hygromet/contract/candidate';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { qualityIn } from '@hygromet/core/cylinder/cylinder-kind';
import { coreQuery } from '../core-worker/core-query';
import type { TakeArgs } from '../core-worker/cylinder-operations';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { valueOf } from '../ui/loadable';
import { objectionWords } from './objection-labels';
import { Computing } from '../ui/computing';

/** Refrigerants that are shown: those of most systems. */
const MOST_SHOWN = 8;

/** An empty cylinder beside the refrigerants of the systems: how much of each it may take, or why none of it. */
@Component({
  selector: 'hy-would-hold',
  imports: [Computing],
  template: `
    @if (rows().length > 0) {
      <table>
        <caption i18n>
          Capacity by refrigerant
        </caption>
        <thead>
          <tr>
            <th i18n scope="col">Refrigerant</th>
            <th i18n scope="col" class="number">net</th>
            <th i18n scope="col" class="number">at most, gross</th>
          </tr>
        </thead>
        <tbody [hyComputing]="answer()">
          @for (row of rows(); track row.id) {
            <tr>
              <th scope="row">
                {{ row.id }} <span class="small">{{ row.systems }}</span>
              </th>
              @if (row.against === '') {
                <td class="number">{{ row.net }}</td>
                <td class="number gross">{{ row.gross }}</td>
              } @else {
                <td class="against" colspan="2">{{ row.against }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
      <p i18n class="small">
        By the strictest rule of your firm; scale, hose and oil are taken off before a transfer.
        @if (others()) {
          Others ({{ others() }}) are shown when you start a fill.
        }
      </p>
    } @else {
      <p i18n class="second">Fill limits are set by the first refrigerant charged.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }

    table {
      width: 100%;
      border-collapse: collapse;
    }

    caption {
      padding-bottom: 8px;
      font-size: 18px;
      font-weight: 650;
      text-align: left;
    }

    thead th {
      padding: 0 0 6px;
      border-bottom: 1.5px solid var(--ink);
      color: var(--ink-2);
      font-size: 14.5px;
      font-weight: 600;
      text-align: left;
    }

    tbody tr {
      border-bottom: 1px solid var(--line);
    }

    tbody th,
    tbody td {
      padding: 9px 0;
      font-weight: 430;
      text-align: left;
    }

    table .number {
      text-align: right;
      white-space: nowrap;
    }

    .gross {
      font-weight: 700;
    }

    tbody .against {
      color: var(--danger);
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WouldHold {
  readonly cylinder = input.required<Cylinder>();
  private readonly units = inject(Units);
  private readonly serverData = inject(ServerData);
  private readonly systems = fromServer(this.serverData.systems$);
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);
  private readonly organisation = fromServer(this.serverData.organisation$);

  /** Refrigerants by the number of systems that hold them, the most common first. */
  private readonly held = computed(() => {
    const counts = new Map<string, number>();
    for (const { refrigerant } of valueOf(this.systems()) ?? []) counts.set(refrigerant, (counts.get(refrigerant) ?? 0) + 1);
    const known = new Map((valueOf(this.refrigerants()) ?? []).map((entry) => [entry.id, entry]));
    return [...counts]
      .sort(([a, many], [b, more]) => more - many || a.localeCompare(b, 'en', { numeric: true }))
      .flatMap(([id, count]) => {
        const found = known.get(id);
        return found === undefined ? [] : [{ ...found, count }];
      });
  });
  private readonly common = computed(() => this.held().slice(0, MOST_SHOWN));
  protected readonly others = computed(() =>
    this.held()
      .slice(MOST_SHOWN)
      .map(({ id }) => id)
      .join(', '),
  );
  private readonly question = computed((): TakeArgs | undefined => {
    const [cylinder, organisation, common] = [this.cylinder(), valueOf(this.organisation()), this.common()];
    if (organisation === undefined || common.length === 0) return undefined;
    const candidate = candidateOf(cylinder, () => undefined);
    const quality = qualityIn(cylinder.marks.kind);
    return {
      cylinder: candidate,
      incomings: common.map(({ composition, flammable }) => ({ composition, flammable, quality, owner: cylinder.marks.owner })),
      policy: { required: organisation.requiredRules, liquidShareAt131F: organisation.liquidShareAt131F },
      hottestK: organisation.hottestK,
    };
  });
  protected readonly answer = coreQuery(inject(CoreWorker), 'mayTake', this.question);
  protected readonly rows = computed(() => {
    const [answer, { tareKg }] = [this.answer(), this.cylinder()];
    if (answer.state === 'failed') return [];
    return this.common().map(({ id, count }, k) => {
      const systems = $localize`in ${count === 1 ? $localize`one system` : $localize`${count} systems`}`;
      const found = valueOf(answer)?.[k];
      // its row is kept free, so that nothing moves when the answer comes
      if (found === undefined) return { id, systems, net: '…', gross: '…', against: '' };
      const { objections, roomKg, stopGrossKg = tareKg } = found;
      return {
        id,
        systems,
        net: this.units.massText(roomKg, 'down'),
        gross: this.units.massText(stopGrossKg, 'down'),
        against: objections.map((objection) => objectionWords[objection]).join(', '),
      };
    });
  });
}
