import { computed, inject, Injectable, signal } from '@angular/core';
import { ActivatedRoute } from '@angular/router';
import type { ImportAnswer } from '@hygromet/contract/import';
import type { Observable } from 'rxjs';
import { mutation } from '../data/mutation';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { cylinderSheet } from './cylinder-sheet';
import { cellsOf, suggested, type Mapping } from './mapping';
import { readFile, type FileContent } from './read-file';
import { CellError, type Sheet } from './sheet';
import { systemSheet } from './system-sheet';

export type SheetName = 'systems' | 'cylinders';

/** One row of the file: what it would be in the register, or why it cannot be read. */
export interface ReadRow {
  /** What it is called in the preview. */
  readonly title: string;
  readonly record?: object;
  readonly problem?: string;
}

/** A file on its way into a register: read, mapped, tried, and taken whole or not at all. */
@Injectable()
export class ImportSession {
  private readonly serverData = inject(ServerData);
  private readonly person = inject(PreferencesService).current;
  readonly name: SheetName = inject(ActivatedRoute).snapshot.data['sheet'] === 'cylinders' ? 'cylinders' : 'systems';
  readonly sheet: Sheet<object, never> = this.name === 'systems' ? systemSheet : cylinderSheet;

  readonly fileName = signal('');
  readonly content = signal<FileContent | undefined>(undefined);
  readonly mapping = signal<Mapping>({});
  /** Whether the headings left something open when the file was chosen; the list of columns then stays open. */
  readonly mappingAsked = signal(false);
  readonly answer = signal<ImportAnswer | undefined>(undefined);

  readonly unmapped = computed(() =>
    this.content()?.kind === 'table'
      ? this.sheet.columns.filter(({ required, name }) => required && (this.mapping()[name]?.heading ?? '') === '')
      : [],
  );
  readonly rows = computed((): readonly ReadRow[] => {
    const content = this.content();
    if (content === undefined || content.kind === 'wrong') return [];
    if (content.kind === 'objects') return content.objects.map((entry) => ({ title: titleOf(entry), record: { ...entry, key: newKey() } }));
    return content.rows.map((row) => this.rowOf(cellsOf(this.sheet.columns, content.headings, row, this.mapping())));
  });
  readonly problems = computed(() => this.rows().filter(({ problem }) => problem !== undefined).length);

  readonly sending = mutation(
    (tryOnly: boolean): Observable<ImportAnswer> => {
      const body = { rows: this.rows().map(({ record }) => record) as never[], tryOnly, recordedBy: this.person().person };
      return this.name === 'systems' ? this.serverData.importSystems$(body) : this.serverData.importCylinders$(body);
    },
    (answer) => this.answer.set(answer),
  );
  /** Per row: what the server says of it, from its answer or from its error of a field. */
  readonly said = computed((): ReadonlyMap<number, { readonly outcome: string; readonly detail?: string | undefined }> => {
    const state = this.sending.state();
    if (state.state === 'refused')
      return new Map(
        Object.entries(state.apiError.fields).flatMap(([pointer, detail]) => {
          const row = /^\/rows\/(\d+)/.exec(pointer)?.[1];
          return row === undefined ? [] : [[Number(row), { outcome: 'refused', detail }] as const];
        }),
      );
    return new Map((this.answer()?.outcomes ?? []).map(({ row, outcome, detail }) => [row, { outcome, detail }]));
  });

  async open(file: File): Promise<void> {
    this.fileName.set(file.name);
    const content = readFile(file.name, await file.text());
    this.answer.set(undefined);
    this.sending.reset();
    this.content.set(content);
    this.mapping.set(content.kind === 'table' ? suggested(this.sheet.columns, content.headings) : {});
    this.mappingAsked.set(this.unmapped().length > 0);
    this.tryIt();
  }

  map(name: string, part: Partial<Mapping[string]>): void {
    this.mapping.update((mapping) => ({ ...mapping, [name]: { heading: '', unit: '', ...mapping[name], ...part } }));
    this.answer.set(undefined);
    this.tryIt();
  }

  private tryIt(): void {
    if (this.rows().length > 0 && this.problems() === 0 && this.unmapped().length === 0) this.sending.send(true);
  }

  private rowOf(cells: Readonly<Record<string, string>>): ReadRow {
    const title = titleOf({ ...cells, name: cells['name'] ?? cells['number'] });
    try {
      return { title, record: this.sheet.read(cells) };
    } catch (error) {
      if (error instanceof CellError) return { title, problem: error.message };
      throw error;
    }
  }
}

const titleOf = (entry: object): string => {
  const { site, name } = entry as { site?: unknown; name?: unknown };
  return [site, name].filter((part): part is string => typeof part === 'string' && part !== '').join(', ') || $localize`without a name`;
};
