import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { AccountKind } from '@hygromet/contract/account';
import { command, refusalIn } from '../live/command';
import { Drafts } from '../live/draft.service';
import { newKey } from '../live/new-key';
import { Registers } from '../live/registers.service';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { Icon } from '../ui/icon';
import { loadable, valueOf, waiting } from '../ui/loadable';
import { MovementsTable } from '../ui/movements-table';
import { PageHead } from '../ui/page-head';

const OUTSIDE: readonly AccountKind[] = ['supplier', 'reclaimer', 'hoses', 'air', 'unexplained'];

/** The ledger: every gram on one account, and every entry that moved it. */
@Component({
  selector: 'hy-book-page',
  imports: [Icon, MovementsTable, PageHead],
  template: `
    <hy-page-head title="Book" [line]="line()">
      <button type="button" class="button" (click)="export()"><svg hyIcon="export"></svg>Export as CSV</button>
    </hy-page-head>
    @switch (accounts().state) {
      @case ('failed') {
        <p class="empty" role="alert">The book cannot be read now. Is the server running?</p>
      }
      @case ('waiting') {
        <p class="empty second">Reading the book</p>
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
              placeholder="Find by account, refrigerant, person"
              aria-label="Find an entry"
              [value]="view().search"
              (input)="view.set({ search: $any($event.target).value })"
            />
          </div>
          <hy-movements-table [movements]="shown()" (reverse)="reversing.send($event)" />
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
  private readonly registers = inject(Registers);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly view = inject(Drafts).open('book', () => ({ search: '' })).value;
  protected readonly accounts = toSignal(loadable(this.registers.accounts$), { initialValue: waiting });
  private readonly movements = toSignal(loadable(this.registers.movements$), { initialValue: waiting });

  private readonly all = computed(() => valueOf(this.movements()) ?? []);
  protected readonly line = computed(
    () => `${this.all().length} entries; all accounts together sum to ${this.units.massText(this.total())}`,
  );
  private readonly total = computed(() => (valueOf(this.accounts()) ?? []).reduce((sum, { massKg }) => sum + massKg, 0));

  protected readonly sums = computed(() => {
    const accounts = valueOf(this.accounts()) ?? [];
    const of = (kind: AccountKind) => accounts.filter((account) => account.kind === kind).reduce((sum, { massKg }) => sum + massKg, 0);
    const outside = accounts.filter(({ kind }) => OUTSIDE.includes(kind)).map(({ name, massKg }) => ({ name, kg: massKg }));
    return [{ name: 'In systems', kg: of('system') }, { name: 'In cylinders', kg: of('cylinder') }, ...outside];
  });

  protected readonly shown = computed(() => {
    const wanted = this.view().search.trim().toLowerCase();
    return this.all().filter(({ from, to, refrigerant, recordedBy, note }) =>
      [from.name, to.name, refrigerant, recordedBy, note].join(' ').toLowerCase().includes(wanted),
    );
  });

  protected readonly reversing = command(
    ({ id, note }: { id: string; note: string }) =>
      this.registers.reverse$(id, { key: newKey(), recordedBy: this.preferences().person, note }),
    () => undefined,
  );
  protected readonly refused = computed(() => refusalIn(this.reversing.state()));

  protected async export(): Promise<void> {
    const { saveCsv } = await import('../ui/save-file');
    const rows = this.shown().map((m) => ({
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
      note: m.note,
      reverses: m.reverses,
    }));
    saveCsv('movements.csv', rows);
  }
}
