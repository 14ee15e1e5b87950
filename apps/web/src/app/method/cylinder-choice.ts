import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';

import { RouterLink } from '@angular/router';
import { candidateOf } from '@hygromet/contract/candidate';
import type { Visit } from '@hygromet/contract/visit';
import { placeNames } from '../cylinders/cylinder-labels';
import { objectionWords } from '../cylinders/objection-labels';
import { coreQuery } from '../core-worker/core-query';
import type { SuitArgs } from '../core-worker/cylinder-operations';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { valueOf } from '../ui/loadable';
import { Computing } from '../ui/computing';

const MOST_SHOWN = 4;

/** How many of them, the roomiest first, take the mass. */
function neededOf(roomiest: readonly { readonly roomKg: number }[], massKg: number): number {
  let room = 0;
  return roomiest.findIndex(({ roomKg }) => (room += roomKg) >= massKg) + 1;
}

/** Which cylinder takes it: those that may be filled, the nearest first, with what each takes; why the others do not. */
@Component({
  selector: 'hy-cylinder-choice',
  imports: [Computing, RouterLink],
  template: `
    @if (suited(); as list) {
      @if (first(); as sentence) {
        <p>{{ sentence }}</p>
      }
      <p [class.short]="shortBy() > 0" [hyComputing]="answer()">{{ sentence() }}</p>
      <ul [hyComputing]="answer()">
        @for (entry of offered(); track entry.cylinder.id) {
          <li>
            <a [routerLink]="['/cylinders', entry.cylinder.id]"
              ><b>{{ entry.cylinder.name }}</b></a
            >
            <span class="second"
              >{{ place(entry.cylinder.place) }}, {{ entry.cylinder.contentKg > 0 ? entry.cylinder.refrigerant : words.evacuated }}</span
            >
            <span i18n class="room">takes {{ units.massText(entry.roomKg, 'down') }}</span>
            <a
              i18n
              class="button small"
              [routerLink]="['/visits', visit().id, 'transfer']"
              [queryParams]="{ cylinder: entry.cylinder.id }"
              [attr.aria-label]="words.fillNamed(entry.cylinder.name)"
              >Fill</a
            >
          </li>
        }
      </ul>
      @if (others().length > 0) {
        <p i18n class="small">Not now: {{ others().join(' · ') }}</p>
      }
    } @else {
      <p i18n class="second">Looking at the cylinders</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }

    .short {
      color: var(--danger);
      font-weight: 600;
    }

    li {
      display: grid;
      align-items: center;
      gap: 4px 12px;
      grid-template-columns: minmax(52px, max-content) minmax(0, 1fr) auto auto;
      padding: 8px 0;
      border-top: 1px solid var(--line);
    }

    .room {
      font-weight: 650;
      white-space: nowrap;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CylinderChoice {
  protected readonly words = { evacuated: $localize`evacuated`, fillNamed: (name: string): string => $localize`Fill ${name}` } as const;

  readonly visit = input.required<Visit>();
  /** What has to find room, kg. */
  readonly massKg = input.required<number>();
  readonly burnt = input(false);
  readonly goesBack = input(false);
  readonly suspect = input(false);
  protected readonly units = inject(Units);
  private readonly serverData = inject(ServerData);
  private readonly cylinders = fromServer(this.serverData.cylinders$);
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);
  private readonly organisation = fromServer(this.serverData.organisation$);

  private readonly question = computed((): SuitArgs | undefined => {
    const [cylinders, refrigerants, organisation] = [valueOf(this.cylinders()), valueOf(this.refrigerants()), valueOf(this.organisation())];
    const { refrigerant, site } = this.visit().system;
    const incoming = refrigerants?.find(({ id }) => id === refrigerant);
    if (cylinders === undefined || incoming === undefined || organisation === undefined) return undefined;
    const nominal = (id: string) => refrigerants?.find((refrigerant) => refrigerant.id === id)?.composition;
    return {
      cylinders: cylinders.map((cylinder) => ({ id: cylinder.id, ...candidateOf(cylinder, nominal) })),
      incoming: {
        composition: incoming.composition,
        flammable: incoming.flammable,
        quality: this.burnt() ? 'burnt' : 'usual',
        owner: site,
        goesBack: this.goesBack(),
        suspect: this.suspect(),
      },
      policy: { required: organisation.requiredRules, liquidShareAt131F: organisation.liquidShareAt131F },
      hottestK: organisation.hottestK,
    };
  });
  protected readonly answer = coreQuery(inject(CoreWorker), 'suit', this.question);
  protected readonly suited = computed(() => {
    const [answer, cylinders] = [valueOf(this.answer()), valueOf(this.cylinders())];
    return answer?.flatMap((suited) => {
      const cylinder = cylinders?.find(({ id }) => id === suited.id);
      return cylinder === undefined || cylinder.retiredAt !== null ? [] : [{ ...suited, cylinder }];
    });
  });
  private readonly fitting = computed(() =>
    (this.suited() ?? [])
      .filter(({ objections }) => objections.length === 0)
      .sort(
        (a, b) => Number(b.cylinder.place === 'van') - Number(a.cylinder.place === 'van') || b.cylinder.contentKg - a.cylinder.contentKg,
      ),
  );
  protected readonly offered = computed(() => this.fitting().slice(0, MOST_SHOWN));
  /** kg that find no room in the van. */
  protected readonly shortBy = computed(() => {
    const room = this.fitting()
      .filter(({ cylinder }) => cylinder.place === 'van')
      .reduce((sum, { roomKg }) => sum + roomKg, 0);
    return Math.max(0, this.massKg() - room);
  });
  protected readonly sentence = computed(() => {
    const mass = this.units.massText(this.massKg());
    const inVan = this.fitting().filter(({ cylinder }) => cylinder.place === 'van');
    if (this.shortBy() > 0)
      return $localize`${mass} may have to find room, and the cylinders in the van take ${this.units.massText(this.massKg() - this.shortBy(), 'down')}\: ${this.units.massText(this.shortBy())} are short.`;
    const whole = inVan.find(({ roomKg }) => roomKg >= this.massKg());
    if (whole !== undefined) return $localize`At most ${mass} have to find room: they fit into ${whole.cylinder.name}.`;
    const roomiest = [...inVan].sort((a, b) => b.roomKg - a.roomKg);
    const names = roomiest.slice(0, neededOf(roomiest, this.massKg())).map(({ cylinder }) => cylinder.name);
    return $localize`At most ${mass} have to find room: take ${names.join(' and ')}.`;
  });
  /** What the choice is limited to, and why. */
  protected readonly first = computed(() => {
    if (this.suspect())
      return $localize`Air or another refrigerant is suspected: only empty, evacuated cylinders, marked as unknown content.`;
    if (this.burnt()) return $localize`After a failed compressor, until an acid test is clear: only cylinders marked for burnout.`;
    return this.goesBack()
      ? $localize`It goes back into a system: only an evacuated cylinder of its own, with a drier in line.`
      : undefined;
  });
  /** Cylinders of the same refrigerant, or empty ones, that must not be filled now, each with its gravest reason. */
  protected readonly others = computed(() =>
    (this.suited() ?? [])
      .filter(
        ({ objections, cylinder }) =>
          objections.length > 0 && (cylinder.refrigerant === this.visit().system.refrigerant || cylinder.refrigerant === null),
      )
      .map(({ cylinder, objections }) => `${cylinder.name} ${objectionWords[objections[0]!]}`),
  );
  protected place = (place: keyof typeof placeNames): string => placeNames[place];
}
