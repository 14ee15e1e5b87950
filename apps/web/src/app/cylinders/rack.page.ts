import { USUAL_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';
import { ReadState } from '../shell/read-state';
import { fromServer } from '../data/from-server';
import { BreakpointObserver } from '@angular/cdk/layout';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';

import { RouterLink } from '@angular/router';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { Drafts } from '../data/draft.service';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { Icon } from '../ui/icon';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { Width } from '../ui/width';
import { contentName, needsALook, placeNames } from './cylinder-labels';
import { CylinderTable } from './cylinder-table';
import { RackChoice } from './rack-choice';
import { RackBar } from './rack-bar';
import { heightOnRack, RackCylinder } from './rack-cylinder';
import { RackToolbar } from './rack-toolbar';
import { ALL, type RackFilter, type RackView } from './rack-view';
import { shelvesOf } from './shelves';

const EMPTY = 'empty';
const LOOK = 'look';
const OUT = 'out';
/** px that a cylinder needs beside the others; and what its words need below the drawing, before they are drawn. */
const COLUMN = { wide: 148, narrow: 108 } as const;
const NARROW_PX = 600;
const ONE_ROW = `(max-width: ${NARROW_PX - 1}px)`;
const WORDS_HEIGHT_PX = 92;

/** All cylinders, as they stand in the van and the shop; the same as a table. */
@Component({
  selector: 'hy-rack-page',
  imports: [ReadState, CylinderTable, Icon, PageHead, RackBar, RackChoice, RackCylinder, RackToolbar, RouterLink, Width],
  templateUrl: './rack.page.html',
  styleUrls: ['../ui/toolbar.css', './rack.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RackPage {
  protected readonly units = inject(Units);
  private readonly seenWidth = toSignal(inject(BreakpointObserver).observe(ONE_ROW));
  /** On a phone the controls stand in one row. */
  protected readonly narrow = computed(() => this.seenWidth()?.matches ?? false);
  private readonly stored = inject(Drafts).open<RackView>('rack', () => ({ search: '', filter: ALL, as: 'rack', by: 'place' }), {
    view: true,
  });
  protected readonly view = this.stored.value;

  protected readonly cylinders = fromServer(inject(ServerData).cylinders$);
  private readonly everything = computed(() => valueOf(this.cylinders()) ?? []);
  private readonly all = computed(() => this.everything().filter(({ retiredAt }) => retiredAt === null));
  private readonly out = computed(() => this.everything().filter(({ retiredAt }) => retiredAt !== null));

  protected readonly line = computed(() => {
    if (this.cylinders().state !== 'ready') return '';
    const all = this.all();
    const content = all.reduce((sum, { contentKg }) => sum + contentKg, 0);
    const room = all.reduce((sum, { fillStatus }) => sum + (fillStatus.state === 'limited' ? Math.max(0, fillStatus.mayAddKg) : 0), 0);
    return $localize`${all.length} in use · ${this.units.massText(content)} refrigerant · ${this.units.massText(room, 'down')} of capacity left in partial cylinders`;
  });

  protected readonly filters = computed((): readonly RackFilter[] => {
    const counts = new Map<string, number>();
    for (const { refrigerant } of this.all()) if (refrigerant !== null) counts.set(refrigerant, (counts.get(refrigerant) ?? 0) + 1);
    const common = [...counts].filter(([, count]) => count > 1).sort((a, b) => b[1] - a[1]);
    return [
      { id: ALL, name: $localize`All ${this.all().length}`, grave: false },
      ...common.slice(0, 3).map(([id, count]) => ({ id, name: `${id} ${count}`, grave: false })),
      { id: EMPTY, name: $localize`Empty ${this.all().filter(isEmpty).length}`, grave: false },
      { id: LOOK, name: $localize`▲ Needs attention (${this.all().filter(needsALook).length})`, grave: true },
      ...(this.out().length === 0 ? [] : [{ id: OUT, name: $localize`Out of use ${this.out().length}`, grave: false }]),
    ];
  });

  protected readonly shown = computed(() => {
    const { search, filter } = this.view();
    const wanted = plain(search);
    const among = filter === OUT ? this.out() : this.all();
    return among.filter((cylinder) => passes(cylinder, filter) && plain(searchText(cylinder)).includes(wanted));
  });

  /** Rows are drawn when they come into sight, so that thousands open as fast as ten. */
  private readonly measured = viewChild.required(Width);
  protected readonly columns = computed(() => {
    const width = this.measured().pixels();
    return Math.max(1, Math.floor(width / (width < NARROW_PX ? COLUMN.narrow : COLUMN.wide)));
  });
  protected readonly levelsAt = USUAL_REFERENCE;
  protected readonly wordsHeight = WORDS_HEIGHT_PX;
  protected readonly shelves = computed(() =>
    shelvesOf(this.shown(), this.view().by).map(({ name, cylinders }) => ({
      name,
      rows: rowsOf(cylinders, this.columns()),
      weight: cylinders.reduce((sum, { tareKg, contentKg }) => sum + tareKg + contentKg, 0),
      height: Math.max(...cylinders.map(({ volumeM3 }) => heightOnRack(volumeM3))),
    })),
  );

  /** Cylinders that something is done with together; nothing while taps open them. */
  protected readonly chosen = signal<ReadonlySet<string> | undefined>(undefined);
  protected readonly chosenCylinders = computed(() => this.everything().filter(({ id }) => this.chosen()?.has(id)));
  protected readonly allChosen = computed(() => this.shown().length > 0 && this.shown().every(({ id }) => this.chosen()?.has(id)));

  protected toggleChoosing(): void {
    this.chosen.update((chosen) => (chosen === undefined ? new Set() : undefined));
  }

  protected pick(id: string): void {
    this.chosen.update((before = new Set()) => {
      const chosen = new Set(before);
      if (!chosen.delete(id)) chosen.add(id);
      return chosen;
    });
  }

  protected pickAll(): void {
    this.chosen.set(new Set(this.allChosen() ? [] : this.shown().map(({ id }) => id)));
  }

  protected change(part: Partial<RackView>): void {
    this.view.update((view) => ({ ...view, ...part }));
  }

  protected async export(format: 'csv' | 'json'): Promise<void> {
    const [{ saveCsv, saveJson }, { cylinderSheet, recordOf }] = await Promise.all([
      import('../ui/save-file'),
      import('../sheets/cylinder-sheet'),
    ]);
    if (format === 'csv') saveCsv('cylinders.csv', this.shown().map(cylinderSheet.write));
    else saveJson('cylinders.json', this.shown().map(recordOf));
  }
}

const rowsOf = (cylinders: readonly Cylinder[], columns: number): readonly (readonly Cylinder[])[] =>
  Array.from({ length: Math.ceil(cylinders.length / columns) }, (_, row) => cylinders.slice(row * columns, (row + 1) * columns));

const isEmpty = ({ contentKg }: Cylinder) => contentKg <= 0;
const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');
const searchText = (cylinder: Cylinder) =>
  [
    cylinder.name,
    contentName(cylinder),
    placeNames[cylinder.place],
    cylinder.requalified,
    cylinder.volumeTyped?.text,
    cylinder.tareTyped?.text,
    cylinder.serviceTyped?.text,
    cylinder.marks.owner,
    cylinder.marks.thread,
  ].join(' ');

function passes(cylinder: Cylinder, filter: string): boolean {
  if (filter === ALL || filter === OUT) return true;
  if (filter === EMPTY) return isEmpty(cylinder);
  return filter === LOOK ? needsALook(cylinder) : cylinder.refrigerant === filter;
}
