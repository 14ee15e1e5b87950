import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';

import { RouterLink } from '@angular/router';
import { candidateOf } from '@hygromet/contract/candidate';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { qualityIn } from '@hygromet/core/cylinder/cylinder-kind';
import { coreQuery } from '../core-worker/core-query';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { valueOf } from '../ui/loadable';
import { overfilledBy } from './cylinder-labels';
import { collarOf } from './judged-cylinder';
import { Computing } from '../ui/computing';

/** What to do with a cylinder that is overfilled or holds a mixture: how much into which others, how warm it may get, where it may go. */
@Component({
  selector: 'hy-trouble-plan',
  imports: [Computing, RouterLink],
  template: `
    @if (decanting(); as plan) {
      <h2 i18n [hyComputing]="answer()">Take out {{ units.massText(plan.outKg, 'up') }}</h2>
      @if (plan.emergency) {
        <p i18n class="short">
          Liquid-full at any temperature it can have here: it can burst. Do not move or warm it. Keep people away, cool it where it stands,
          and vent liquid into a recovery cylinder at once.
        </p>
      } @else if (plan.keepBelow; as T) {
        <p i18n [hyComputing]="answer()">
          <b>Keep it below {{ units.temperature(T) }} until then:</b> just above that it goes liquid-full and pressure spikes.
        </p>
      }
      <ol [hyComputing]="answer()">
        @for (pour of pours(); track pour.id) {
          <li>
            <span i18n
              ><b>{{ units.massText(pour.kg, 'up') }}</b> into {{ pour.name }}, {{ pour.what }}</span
            >
            <a
              i18n
              class="button small"
              [routerLink]="['/cylinders', pour.id, 'fill']"
              [queryParams]="{ from: cylinder().id }"
              [attr.aria-label]="words.fillNamed(pour.name)"
              >Fill</a
            >
          </li>
        }
      </ol>
      @if (plan.leftKg > 0) {
        <p i18n class="short">For {{ units.massText(plan.leftKg, 'up') }} no cylinder with room is at hand: evacuate one.</p>
      }
      <p i18n class="small">Fewest transfers, into compatible cylinders. Weigh both before and after.</p>
    }
    @if (mixture(); as found) {
      <h2 i18n>What it is now</h2>
      <p>{{ found.parts }}</p>
      <p>{{ found.pressure }}</p>
      <p i18n class="small">
        This is a mixed refrigerant and cannot be reused. Give the reclaimer this analysis; they may require destruction. Add nothing, and
        mark the cylinder.
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }

    h2 {
      font-size: 18px;
    }

    li {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      justify-content: space-between;
      gap: 8px 16px;
      padding: 8px 0;
      border-top: 1px solid var(--line);
    }

    .short {
      color: var(--danger);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TroublePlan {
  protected readonly words = { fillNamed: (name: string): string => $localize`Fill ${name}` };

  readonly cylinder = input.required<Cylinder>();
  protected readonly units = inject(Units);
  private readonly properties = inject(CoreWorker);
  private readonly serverData = inject(ServerData);
  private readonly all = fromServer(this.serverData.cylinders$);
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);
  private readonly organisation = fromServer(this.serverData.organisation$);

  private readonly decantQuestion = computed(() => {
    const [cylinder, all, organisation, refrigerants] = [
      this.cylinder(),
      valueOf(this.all()),
      valueOf(this.organisation()),
      valueOf(this.refrigerants()),
    ];
    const { fillStatus, composition } = cylinder;
    const over = overfilledBy(cylinder);
    if (all === undefined || organisation === undefined || refrigerants === undefined) return undefined;
    if (composition === null || fillStatus.state !== 'limited' || over <= 0) return undefined;
    const nominal = (id: string) => refrigerants.find((entry) => entry.id === id);
    const label = cylinder.refrigerant === null ? undefined : nominal(cylinder.refrigerant);
    return {
      composition,
      cylinder: { contentKg: cylinder.contentKg, limitKg: cylinder.contentKg - over, volumeM3: cylinder.volumeM3 },
      others: {
        cylinders: all
          .filter(({ id }) => id !== cylinder.id)
          .map((entry) => ({ id: entry.id, ...candidateOf(entry, (id) => nominal(id)?.composition) })),
        incoming: {
          composition,
          flammable: label?.flammable ?? true, // unknown is taken as burning
          quality: qualityIn(cylinder.marks.kind),
          owner: cylinder.marks.owner,
        },
        policy: { required: organisation.requiredRules, liquidShareAt131F: organisation.liquidShareAt131F },
        hottestK: organisation.hottestK,
      },
    };
  });
  protected readonly answer = coreQuery(this.properties, 'decant', this.decantQuestion);
  protected readonly decanting = computed(() => valueOf(this.answer()));
  protected readonly pours = computed(() =>
    (this.decanting()?.pours ?? []).map(({ into, kg }) => {
      const found = valueOf(this.all())?.find(({ id }) => id === into);
      return {
        id: into,
        kg,
        name: found?.name ?? '',
        what: found === undefined || found.contentKg <= 0 ? $localize`evacuated` : $localize`${found.refrigerant ?? ''} in it`,
      };
    }),
  );

  private readonly rating = coreQuery(
    this.properties,
    'rating',
    computed(() => {
      const cylinder = this.cylinder();
      const { flags, composition, contentKg } = cylinder;
      if (composition === null || !flags.includes('mixed')) return undefined;
      const filling = { ...collarOf(cylinder), composition, contentKg, port: 'liquid' as const };
      return { filling, massKg: contentKg, airShare: cylinder.airShare ?? undefined };
    }),
  );
  protected readonly mixture = computed(() => {
    const [{ composition }, rating] = [this.cylinder(), valueOf(this.rating())];
    if (composition === null || rating === undefined) return undefined;
    const parts = Object.entries(composition)
      .sort((a, b) => b[1] - a[1])
      .map(([id, share]) => `${id} ${this.units.decimal(share * 100, 1)} %`)
      .join(', ');
    const { pWithAir, allowed, T, suits } = rating;
    return {
      parts: isUnknown(composition) ? $localize`Nobody has identified it.` : $localize`${parts} by mass, on record`,
      pressure:
        pWithAir === undefined || allowed === undefined
          ? $localize`Its pressure class cannot be judged: a mark of the collar is missing.`
          : $localize`At ${this.units.temperature(T)} it can reach ${this.units.pressure(pWithAir)}; cylinder limit is ${this.units.pressure(allowed)}${suits ? '' : $localize`\: move it into a higher class`}.`,
    };
  });
}
