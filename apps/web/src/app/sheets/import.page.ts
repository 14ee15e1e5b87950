import { ScrollingModule } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { errorIn } from '../data/mutation';
import { ChoiceField } from '../ui/choice-field';
import { PageHead } from '../ui/page-head';
import { quantityUnits } from '../ui/quantity-entry';
import { ImportSession } from './import.session';
import type { Column } from './sheet';

const outcomeNames: Readonly<Record<string, string>> = {
  added: $localize`new`,
  changed: $localize`changes`,
  unchanged: $localize`is there already`,
  refused: $localize`refused`,
};

/** A file into a register: choose it, see what each row would do, and take all of it or nothing. */
@Component({
  selector: 'hy-import-page',
  imports: [ChoiceField, PageHead, RouterLink, ScrollingModule],
  providers: [ImportSession],
  templateUrl: './import.page.html',
  styleUrls: ['../ui/form.css', './import.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportPage {
  protected readonly words = {
    chooseAFile: $localize`Choose a file`,
    chooseAnotherFile: $localize`Choose another file`,
    needed: $localize`, needed`,
    asTheHeadingsSay: $localize`as the headings say`,
    notFound: $localize` not found`,
    whichHeadingIsIt: $localize`Which heading is it?`,
    imported: $localize`Imported: `,
    looking: $localize`Looking`,
    nothingToImport: $localize`Nothing to import`,
    import: $localize`Import `,
    row: $localize` row`,
    rows: $localize` rows`,
    fileWith: (what: string): string => $localize`File with ${what}`,
  } as const;

  protected readonly session = inject(ImportSession);
  protected readonly title = $localize`Import ${this.session.sheet.what}`;
  protected readonly back = `/${this.session.name}`;
  protected readonly wrong = computed(() => {
    const content = this.session.content();
    return content?.kind === 'wrong' ? content.sentence : undefined;
  });
  protected readonly headings = computed(() => {
    const content = this.session.content();
    const headings = content?.kind === 'table' ? content.headings : [];
    return [{ value: '', label: $localize`not in the file` }, ...headings.map((heading) => ({ value: heading, label: heading }))];
  });
  protected readonly isTable = computed(() => this.session.content()?.kind === 'table');
  protected readonly lines = computed(() => {
    const said = this.session.said();
    // what stops the file comes first
    const refusedFirst = (a: { outcome: string }, b: { outcome: string }) =>
      Number(b.outcome === 'refused') - Number(a.outcome === 'refused');
    const lines = this.session.rows().map(({ title, problem }, row) => {
      const found = said.get(row);
      return {
        row,
        title,
        outcome: problem === undefined ? (found?.outcome ?? '') : 'refused',
        words: problem ?? found?.detail ?? outcomeNames[found?.outcome ?? ''] ?? '',
      };
    });
    return lines.sort(refusedFirst);
  });
  protected readonly refusedCount = computed(() => this.lines().filter(({ outcome }) => outcome === 'refused').length);
  protected readonly newCount = computed(() => this.lines().filter(({ outcome }) => outcome === 'added' || outcome === 'changed').length);
  protected readonly ready = computed(() => {
    const answer = this.session.answer();
    return answer !== undefined && !answer.kept && this.refusedCount() === 0 && this.newCount() > 0;
  });
  protected readonly kept = computed(() => this.session.answer()?.kept === true);
  protected readonly busy = computed(() => this.session.sending.state().state === 'busy');
  protected readonly refused = computed(() => (this.session.said().size > 0 ? undefined : errorIn(this.session.sending.state())));
  protected readonly missing = computed(() => this.session.unmapped().map(({ label }) => label));
  protected readonly summary = computed(() => {
    const count = (outcome: string) => this.lines().filter((line) => line.outcome === outcome).length;
    const told = [
      [count('added'), 'new'],
      [count('changed'), $localize`to be changed`],
      [count('unchanged'), $localize`there already`],
      [count('refused'), 'refused'],
    ] as const;
    return told.flatMap(([number, words]) => (number === 0 ? [] : [`${number} ${words}`])).join(' · ');
  });

  protected units = ({ quantity }: Column) =>
    quantity === undefined
      ? []
      : [
          { value: '', label: $localize`in each cell` },
          ...Object.entries(quantityUnits[quantity]).map(([value, label]) => ({ value, label })),
        ];

  protected choose(event: Event): void {
    const input = event.target as HTMLInputElement; // this listener sits on the file field alone
    const file = input.files?.[0];
    if (file !== undefined) void this.session.open(file);
    input.value = '';
  }
}
