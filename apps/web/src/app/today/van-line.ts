import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';

import { RouterLink } from '@angular/router';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { valueOf } from '../ui/loadable';

/** More names than this are a number. */
const MOST_SHOWN = 6;

/** What rides along, in one line. */
@Component({
  selector: 'hy-van-line',
  imports: [RouterLink],
  template: `
    <section aria-label="In the van" i18n-aria-label>
      <h2 i18n>In the van</h2>
      @if (van(); as own) {
        @if (own.names.length === 0) {
          <p i18n>No cylinder. <a routerLink="/truck">Load the truck</a></p>
        } @else {
          <p>{{ own.line }}</p>
          <p class="second">{{ own.evacuated }}</p>
        }
      }
    </section>
  `,
  styles: `
    h2 {
      margin-bottom: 6px;
      font-size: 17px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VanLine {
  private readonly units = inject(Units);
  private readonly cylinders = fromServer(inject(ServerData).cylinders$);
  protected readonly van = computed(() => {
    const all = valueOf(this.cylinders());
    if (all === undefined) return undefined;
    const along = all.filter(({ place, retiredAt }) => place === 'van' && retiredAt === null);
    const names = along.map(({ name }) => name).sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
    const shown = names.length > MOST_SHOWN ? $localize`${names.length} cylinders` : names.join(', ');
    const ready = along.filter(({ evacuatedAt, contentKg }) => evacuatedAt !== null && contentKg === 0).map(({ name }) => name);
    return {
      names,
      line: $localize`${shown} · ${this.units.massText(along.reduce((sum, { contentKg }) => sum + Math.max(0, contentKg), 0))} of refrigerant`,
      evacuated: ready.length === 0 ? $localize`none evacuated and empty` : $localize`evacuated and empty: ${ready.sort().join(', ')}`,
    };
  });
}
