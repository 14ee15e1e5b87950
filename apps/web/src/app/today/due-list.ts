import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';

import { RouterLink } from '@angular/router';
import type { CylinderFlag } from '@hygromet/contract/cylinder';
import { placeNames, stateWords } from '../cylinders/cylinder-labels';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { valueOf } from '../ui/loadable';

/** What each flag asks for, in a few words. */
const todo: Readonly<Record<CylinderFlag, string>> = {
  overfilled: $localize`remove the excess`,
  mixed: $localize`ask the reclaimer`,
  'pressure-rating-too-low': $localize`move it into a higher class`,
  'negative-balance': $localize`weigh it in`,
  overdue: $localize`have it requalified`,
  'non-condensables': $localize`check it again, or send it in`,
  'wrong-tare': $localize`verify the tare`,
  'collar-unconfirmed': $localize`read its collar again`,
  'due-soon': $localize`have it requalified`,
  'overdue-for-return': $localize`send it to the reclaimer`,
  'no-limit': $localize`open it: a mark is missing, or it cannot be computed`,
};

/** Cylinders needing attention: the gravest of each, and what to do. */
@Component({
  selector: 'hy-due-list',
  imports: [RouterLink],
  template: `
    @if (cylinders().state === 'failed') {
      <p i18n class="grave" role="alert">The cylinders cannot be read now: what needs attention is not known.</p>
    }
    @if (due().length > 0) {
      <section aria-label="Cylinders needing attention" i18n-aria-label>
        <h2 i18n>Needs attention</h2>
        <ul>
          @for (entry of due(); track entry.id) {
            <li>
              <a [routerLink]="['/cylinders', entry.id]" [class.grave]="entry.grave">
                @if (entry.grave) {
                  <span aria-hidden="true">▲ </span>
                }
                {{ entry.name }}: {{ entry.words }}</a
              >
              <p class="second">{{ entry.todo }}</p>
            </li>
          }
        </ul>
        <p i18n class="small">
          Dates as a calendar for your own program: <a href="/api/calendar.ics" download="hygromet.ics">calendar feed (ICS)</a>
        </p>
      </section>
    }
  `,
  styles: `
    h2 {
      margin-bottom: 2px;
      font-size: 17px;
    }

    li {
      padding: 11px 0;
      border-bottom: 1px solid var(--line);
    }

    a {
      color: var(--ink);
      font-weight: 650;
      text-decoration: none;
    }

    a:hover {
      text-decoration: underline;
    }

    .grave {
      color: var(--danger);
    }

    .small {
      margin-top: 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DueList {
  private readonly units = inject(Units);
  protected readonly cylinders = fromServer(inject(ServerData).cylinders$);
  protected readonly due = computed(() =>
    (valueOf(this.cylinders()) ?? [])
      .filter(({ flags, retiredAt }) => flags.length > 0 && retiredAt === null)
      .map((cylinder) => {
        const { text, grave } = stateWords(cylinder, this.units);
        return {
          id: cylinder.id,
          name: cylinder.name,
          words: `${text}, ${placeNames[cylinder.place].toLowerCase()}`,
          grave,
          todo: todo[cylinder.flags[0]!],
        };
      })
      .sort((a, b) => Number(b.grave) - Number(a.grave)),
  );
}
