import { CdkDrag, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { placeNames, stateWords } from '../cylinders/cylinder-labels';
import { Units } from '../preferences/units.service';
import { dayWords } from '../ui/day';
import { ReadState } from '../shell/read-state';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/choice-field';
import { valueOf } from '../ui/loadable';
import { VisitDay } from '../today/visit-day';
import { PageHead } from '../ui/page-head';
import { QuantityField } from '../ui/quantity-field';
import { TruckSession } from './truck.session';
import { beforeSentence, fetchedSentences, notToBeDriven, otherThings, shortSentences, planningText } from './truck-labels';

/** Which cylinders go along on a day, and what else; drag one on or off, and see what follows. */
@Component({
  selector: 'hy-truck-page',
  imports: [Caution, CdkDrag, CdkDropList, ChoiceField, PageHead, QuantityField, ReadState, RouterLink, VisitDay],
  providers: [TruckSession],
  templateUrl: './truck.page.html',
  styleUrls: ['../ui/columns.css', '../ui/state-page.css', './truck.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TruckPage {
  protected readonly words = {
    addedManually: $localize`, added manually`,
    provedNoChoiceLeavesLess: $localize`Proved: no choice leaves less without room; of those, none opens fewer evacuated cylinders; and of those, none carries and fetches less.`,
    theBestPlanFoundIn: $localize`The best plan found in time; a better one may exist.`,
    removedManually: $localize`, removed manually`,
    leaveHere: (name: string): string => $localize`Leave ${name} here`,
    takeAlong: (name: string): string => $localize`Take ${name} along`,
  } as const;

  protected readonly session = inject(TruckSession);
  protected readonly units = inject(Units);
  protected readonly solved = computed(() => valueOf(this.session.solved()));
  protected readonly failed = computed(() => {
    const solved = this.session.solved();
    return solved.state === 'failed' ? solved.sentence : undefined;
  });
  protected readonly dayChoices = computed(() => this.session.days().map((value) => ({ value, label: dayWords(value) })));
  protected readonly line = computed(() => {
    if (this.session.reads().state !== 'ready') return dayWords(this.session.day());
    const visits = this.session.visits().length;
    return `${visits === 0 ? $localize`no open visit` : visits === 1 ? $localize`one open visit` : $localize`${visits} open visits`}, ${dayWords(this.session.day())}`;
  });
  private readonly byId = computed(() => new Map(this.session.cylinders().map((cylinder) => [cylinder.id, cylinder])));
  private readonly siteOf = computed(() => new Map(this.session.visits().map((truckVisit) => [truckVisit.visit.id, truckVisit])));

  protected readonly loaded = computed(() =>
    (this.solved()?.plan.loads ?? []).flatMap(({ cylinder, transfers }) => {
      const found = this.byId().get(cylinder);
      return found === undefined
        ? []
        : [
            {
              cylinder: found,
              transfers: transfers.map(
                ({ job, kg }) => $localize`${this.units.massText(kg)} from ${this.siteOf().get(job)?.system.site ?? ''}`,
              ),
              pinned: this.session.choices().pinned.includes(cylinder),
            },
          ];
    }),
  );
  protected readonly notLoaded = computed(() => {
    const loaded = new Set((this.solved()?.plan.loads ?? []).map(({ cylinder }) => cylinder));
    return this.session
      .cylinders()
      .filter(({ id, retiredAt, place }) => !loaded.has(id) && retiredAt === null && place !== 'reclaimer')
      .map((cylinder) => ({
        cylinder,
        excluded: this.session.choices().excluded.includes(cylinder.id),
        words: stateWords(cylinder, this.units).text,
      }));
  });
  /** What has to be fetched, and why what is in the van is not enough. */
  protected readonly fetched = computed(() => {
    const solved = this.solved();
    return solved === undefined ? [] : fetchedSentences(solved, this.session.visits(), this.session.cylinders(), this.units);
  });
  protected readonly short = computed(() => {
    const solved = this.solved();
    return solved === undefined ? [] : shortSentences(solved, this.session.visits(), this.session.cylinders(), this.units);
  });
  protected readonly planning = computed(() => planningText(this.session.goal()));
  protected readonly unfit = computed(() => notToBeDriven(this.session.cylinders()));
  protected readonly early = computed(() => beforeSentence(this.session.before()));
  protected readonly things = computed(() => otherThings(this.session.visits()));
  protected readonly weight = computed(() => this.units.massText(this.solved()?.plan.weight ?? 0));
  protected readonly said = (day: string): string => dayWords(day);
  protected readonly place = ({ place }: Cylinder): string => placeNames[place];
  protected readonly content = ({ contentKg, refrigerant }: Cylinder): string =>
    contentKg > 0 ? (refrigerant ?? $localize`a mixture`) : $localize`empty`;
  protected readonly brings = (visit: ReturnType<TruckSession['visits']>[number]): string =>
    visit.job.high === 0
      ? $localize`stays in its own condenser or receiver`
      : $localize`${this.units.mass(visit.job.low).number} to ${this.units.massText(visit.job.high)} of ${visit.system.refrigerant}`;

  protected dropped({ item, container, previousContainer }: CdkDragDrop<string>): void {
    if (container === previousContainer) return;
    this.session.decide(item.data as string, container.data === 'loaded' ? 'pinned' : 'excluded'); // the lists hand over ids
  }
}
