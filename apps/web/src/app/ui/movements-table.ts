import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Movement } from '@hygromet/contract/movement';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { objectionWords } from '../cylinders/objection-labels';
import { Units } from '../preferences/units.service';
import { accountPage } from './account-page';
import { Icon } from './icon';
import { TextField } from './text-field';
import { momentText } from './day';

type Column = 'when' | 'from' | 'to' | 'what' | 'mass';
const sortKeys: Record<Column, (movement: Movement) => string | number> = {
  when: ({ happenedAt }) => happenedAt,
  from: ({ from }) => from.name,
  to: ({ to }) => to.name,
  what: ({ refrigerant }) => refrigerant ?? '',
  mass: ({ massKg }) => massKg,
};
const columnNames: Record<Column, string> = {
  when: $localize`When`,
  from: $localize`From`,
  to: $localize`To`,
  what: $localize`What`,
  mass: $localize`Mass`,
};

/** Entries of the ledger, newest first; a wrong one is reversed from here, never edited. */
@Component({
  selector: 'hy-movements-table',
  imports: [Icon, NzModalModule, RouterLink, TextField],
  template: `
    @if (movements().length === 0) {
      <p class="second">{{ none() }}</p>
    } @else {
      <table>
        <thead>
          <tr>
            @for (column of columns; track column) {
              <th
                scope="col"
                [class.number]="column === 'mass'"
                [attr.aria-sort]="sort().by !== column ? null : sort().down ? 'descending' : 'ascending'"
              >
                <button type="button" class="sort" (click)="sortBy(column)">
                  {{ columnNames[column] }}<span aria-hidden="true">{{ sort().by !== column ? '' : sort().down ? ' ↓' : ' ↑' }}</span>
                </button>
              </th>
            }
            <th scope="col"><span i18n class="unseen">Reverse</span></th>
          </tr>
        </thead>
        <tbody>
          @for (m of sorted(); track m.id) {
            <tr [class.gone]="m.reversedBy !== null" [class.reversal]="m.reverses !== null">
              <td class="when" title="recorded {{ moment(m.recordedAt) }}" i18n-title>
                <a [routerLink]="['/book', m.id]">{{ moment(m.happenedAt) }}</a><span class="small">{{ m.recordedBy }}</span>
              </td>
              <td data-label="from" i18n-data-label [class.short]="m.from.kind === 'cylinder'">
                @if (pageOf(m.from); as page) {
                  <a [routerLink]="page">{{ m.from.name }}</a>
                } @else {
                  {{ m.from.name }}
                }
              </td>
              <td data-label="to" i18n-data-label [class.short]="m.to.kind === 'cylinder'">
                @if (pageOf(m.to); as page) {
                  <a [routerLink]="page">{{ m.to.name }}</a>
                } @else {
                  {{ m.to.name }}
                }
              </td>
              <td>
                {{ m.refrigerant ?? phrases.mixture }}<span class="small">{{ words(m) }}</span>
              </td>
              <td class="number mass" [title]="typed(m)">{{ sign(m) }}{{ units.massText(m.massKg) }}</td>
              <td class="action">
                @if (m.reverses === null && m.reversedBy === null) {
                  <button
                    type="button"
                    class="icon-button"
                    [attr.aria-label]="spoken.reverseTheEntryOf(moment(m.happenedAt))"
                    (click)="ask(m)"
                  >
                    <svg hyIcon="reverse"></svg>
                  </button>
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
      @if (more()) {
        <p class="older">
          <button i18n type="button" class="button small" (click)="readMore.emit()">Show older entries</button>
        </p>
      }
    }
    <nz-modal
      [nzVisible]="wrong() !== undefined"
      nzTitle="Reverse this entry"
      i18n-nzTitle
      [nzFooter]="null"
      (nzOnCancel)="wrong.set(undefined)"
    >
      <ng-container *nzModalContent>
        @if (wrong(); as m) {
          <div class="ask">
            <p i18n>
              <b>{{ units.massText(m.massKg) }}</b> from {{ m.from.name }} to {{ m.to.name }}, {{ moment(m.happenedAt) }}. This adds a
              reversing entry; both stay in the ledger.
            </p>
            <hy-text-field
              label="Reason"
              i18n-label
              placeholder="such as: scale read with a hose on it"
              i18n-placeholder
              [(text)]="reason"
              [submitted]="submitted()"
            />
            <div class="buttons">
              <button i18n type="button" class="button main" (click)="confirm(m)">Reverse it</button>
              <button i18n type="button" class="button" (click)="wrong.set(undefined)">Cancel</button>
            </div>
          </div>
        }
      </ng-container>
    </nz-modal>
  `,
  styleUrls: ['./toolbar.css', './movements-table.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MovementsTable {
  protected readonly spoken = { reverseTheEntryOf: (moment: string): string => $localize`Reverse the entry of ${moment}` };

  protected readonly phrases = { mixture: $localize`mixture` } as const;

  protected readonly units = inject(Units);
  readonly movements = input.required<readonly Movement[]>();
  /** The account whose book this is: masses get their sign from it. */
  readonly account = input<string | undefined>();
  /** Said where there is no entry. */
  readonly none = input($localize`Nothing is booked yet.`);
  /** Whether there are older entries than these. */
  readonly more = input(false);
  readonly readMore = output();
  readonly reverse = output<{ id: string; note: string }>();

  protected readonly columns = Object.keys(sortKeys) as readonly Column[]; // Object.keys forgets its literal keys
  protected readonly columnNames = columnNames;
  protected readonly sort = signal<{ readonly by: Column; readonly down: boolean }>({ by: 'when', down: true });
  protected readonly sorted = computed(() => {
    const { by, down } = this.sort();
    const key = sortKeys[by];
    return [...this.movements()].sort((a, b) => (down ? -1 : 1) * (key(a) < key(b) ? -1 : key(a) > key(b) ? 1 : 0));
  });

  protected readonly wrong = signal<Movement | undefined>(undefined);
  protected readonly reason = signal('');
  private reasonFor: string | undefined;
  protected readonly submitted = signal(false);
  protected readonly moment = momentText;

  protected sortBy(column: Column): void {
    this.sort.update(({ by, down }) => ({ by: column, down: by === column ? !down : column === 'when' || column === 'mass' }));
  }

  protected sign({ from }: Movement): string {
    if (this.account() === undefined) return '';
    return from.id === this.account() ? '−' : '+';
  }

  /** Nothing for the account whose book this is. */
  protected pageOf = (side: Movement['from']): readonly string[] | undefined =>
    side.id === this.account() ? undefined : accountPage(side);

  protected words({ known, note, reverses, reversedBy, against }: Movement): string {
    if (reversedBy !== null) return $localize`reversed`;
    const spoke = against === null ? null : $localize`against: ${against.map((objection) => objectionWords[objection]).join(', ')}`;
    return [reverses === null ? known : $localize`reversal`, spoke, note].filter((part) => part !== null).join(' · ');
  }

  protected typed({ typed, target }: Movement): string {
    const shown = { ...typed, ...(target === null ? {} : { 'stop told as': target.shown }) };
    return Object.entries(shown)
      .map(([name, { text, unit }]) => `${name}: ${text} ${unit}`)
      .join(', ');
  }

  protected ask(movement: Movement): void {
    if (movement.id !== this.reasonFor) this.reason.set(''); // a reversal that failed is asked again with its reason
    this.reasonFor = movement.id;
    this.submitted.set(false);
    this.wrong.set(movement);
  }

  protected confirm({ id }: Movement): void {
    this.submitted.set(true);
    if (this.reason().trim() === '') return;
    this.reverse.emit({ id, note: this.reason().trim() });
    this.wrong.set(undefined);
  }
}
