import { ReadState } from '../shell/read-state';
import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';

import type { AccountKind } from '@hygromet/contract/account';
import type { Movement } from '@hygromet/contract/movement';
import { firstValueFrom } from 'rxjs';
import { mutation, errorIn } from '../data/mutation';
import { Drafts } from '../data/draft.service';
import { everyMovement$, ledger } from '../data/ledger';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { Icon } from '../ui/icon';
import { valueOf } from '../ui/loadable';
import { MovementsTable } from '../ui/movements-table';
import { PageHead } from '../ui/page-head';

const OUTSIDE: readonly AccountKind[] = ['supplier', 'reclaimer', 'hoses', 'air', 'unexplained'];

/** The ledger: every gram on one account, and every entry that moved it. */
@Component({
  selector: 'hy-book-page',
  imports: [ReadState, Icon, MovementsTable, PageHead],
  template: `
    <hy-page-head title="Log" i18n-title [line]="line()">
      <button type="button" class="button" (click)="export()">
        <svg hyIcon="export"></svg><ng-container i18n>Export as CSV</ng-container>
      </button>
    </hy-page-head>
    @switch (accounts().state) {
      @default {
        <hy-read-state [of]="accounts()" what="book" i18n-what />
      }
      @case ('ready') {
        <div class="body">
          <dl class="sums">
            @for (sum of sums(); track sum.name) {
              <div>
                <dt>{{ sum.name }}</dt>
                <dd>{{ units.massText(sum.kg) }}</dd>
              </div>
            }
          </dl>
          <div class="toolbar">
            <input
              class="search"
              type="search"
              placeholder="Find in the whole book"
              i18n-placeholder
              maxlength="100"
              aria-label="Find an entry"
              i18n-aria-label
              [value]="view().search"
              (input)="view.set({ search: $any($event.target).value })"
            />
          </div>
          @if (found(); as sentence) {
            <p class="second" role="status">{{ sentence }}</p>
          }
          @if (entries().length > 0 || found() === undefined) {
            <hy-movements-table
              [movements]="entries()"
              [none]="ledger.none()"
              [more]="ledger.more()"
              (readMore)="ledger.readMore()"
              (reverse)="reversing.send($event)"
            />
          }
          @if (refused(); as sentence) {
            <p role="alert" class="refused">{{ sentence }}</p>
          }
        </div>
      }
    }
  `,
  styleUrls: ['../ui/toolbar.css', './book.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BookPage {
  protected readonly units = inject(Units);
  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly view = inject(Drafts).open('book', () => ({ search: '' }), { view: true }).value;
  protected readonly accounts = fromServer(this.serverData.accounts$);
  protected readonly ledger = ledger({ text: computed(() => this.view().search) });

  protected readonly entries = computed(() => valueOf(this.ledger.entries()) ?? []);
  /** What the search found in the whole ledger. */
  protected readonly found = computed(() => {
    const words = this.ledger.foundBy();
    if (words === '' || this.ledger.entries().state !== 'ready') return undefined;
    const count = this.entries().length;
    if (count === 0)
      return words.split(/\s+/).some((word) => word.length < 3)
        ? $localize`No account is called “${words}”. Notes, people and refrigerants are searched from three letters on.`
        : $localize`No entry with “${words}” in the whole book.`;
    return $localize`${this.ledger.more() ? $localize`The newest ${count} entries` : count === 1 ? $localize`One entry` : $localize`${count} entries`} with “${words}”.`;
  });
  /** Each entry stands on two accounts. */
  private readonly count = computed(() => (valueOf(this.accounts()) ?? []).reduce((sum, { movements }) => sum + movements, 0) / 2);
  protected readonly line = computed(() => $localize`${this.count()} entries · ledger balance ${this.units.massText(this.total())}`);
  private readonly total = computed(() => (valueOf(this.accounts()) ?? []).reduce((sum, { massKg }) => sum + massKg, 0));

  protected readonly sums = computed(() => {
    const accounts = valueOf(this.accounts()) ?? [];
    const of = (kind: AccountKind) => accounts.filter((account) => account.kind === kind).reduce((sum, { massKg }) => sum + massKg, 0);
    const outside = accounts.filter(({ kind }) => OUTSIDE.includes(kind)).map(({ name, massKg }) => ({ name, kg: massKg }));
    return [{ name: $localize`In systems`, kg: of('system') }, { name: $localize`In cylinders`, kg: of('cylinder') }, ...outside];
  });

  protected readonly reversing = mutation(
    ({ id, note }: { id: string; note: string }) =>
      this.serverData.reverse$(id, { key: newKey(), recordedBy: this.preferences().person, note }),
    () => undefined,
  );
  protected readonly refused = computed(() => errorIn(this.reversing.state()));

  protected async export(): Promise<void> {
    const { saveCsv } = await import('../ui/save-file');
    const entries = await firstValueFrom(everyMovement$(this.serverData, this.view().search.trim()));
    saveCsv('movements.csv', entries.map(rowOf));
  }
}

const rowOf = (m: Movement) => ({
  id: m.id,
  happened_at: m.happenedAt,
  recorded_at: m.recordedAt,
  recorded_by: m.recordedBy,
  from: m.from.name,
  to: m.to.name,
  mass_kg: m.massKg,
  refrigerant: m.refrigerant,
  known: m.known,
  gross_before_kg: m.grossBeforeKg,
  gross_after_kg: m.grossAfterKg,
  against: m.against === null ? null : m.against.join(' '),
  note: m.note,
  reverses: m.reverses,
});
