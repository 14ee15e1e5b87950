import { ReadState } from '../shell/read-state';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Cylinder } from '@hygromet/contract/cylinder';
import { pressureIn, STANDARD_ATMOSPHERE } from '@hygromet/core/units/pressure';
import { LabelCard } from '../labels/label-card';
import { errorIn } from '../data/mutation';
import { Units } from '../preferences/units.service';
import { BigNumber } from '../ui/big-number';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/choice-field';
import { CylinderDrawing } from '../ui/cylinder-drawing';
import { LimitsTable } from '../ui/limits-table';
import { valueOf, waiting } from '../ui/loadable';
import { settledOnce } from '../ui/settled';
import { MovementsTable } from '../ui/movements-table';
import { PageHead } from '../ui/page-head';
import { QuantityField } from '../ui/quantity-field';
import { WeightBeam } from '../ui/weight-beam';
import { drawnLevels } from '../transfer/drawn-levels';
import { CombineCard } from './combine-card';
import { eventText } from './event-labels';
import { CylinderEventForm } from './cylinder-event-form';
import { HotChart } from './hot-chart';
import { airCounted, borneBy, reliefOf } from './judged-cylinder';
import { stampNames } from './objection-labels';
import { hottestPlaces, OWN_PLACE, placeProblem } from './hottest-place';
import { cylinderKindNames, portNames } from './objection-labels';
import { TroublePlan } from './trouble-plan';
import { CylinderSession } from './cylinder.session';
import { contentName, dayText, graveFlags, monthText, placeNames, stateWords } from './cylinder-labels';
import { WouldHold } from './would-hold';
import { momentText } from '../ui/day';

/** One cylinder: what is in it, its limits, how it stands at a temperature, and all that happened to it. */
@Component({
  selector: 'hy-cylinder-page',
  imports: [
    ReadState,
    BigNumber,
    Caution,
    ChoiceField,
    CombineCard,
    CylinderDrawing,
    CylinderEventForm,
    HotChart,
    LabelCard,
    LimitsTable,
    MovementsTable,
    PageHead,
    QuantityField,
    RouterLink,
    TroublePlan,
    WeightBeam,
    WouldHold,
  ],
  providers: [CylinderSession],
  templateUrl: './cylinder.page.html',
  styleUrls: ['../ui/columns.css', '../transfer/stage.css', '../ui/figures.css', '../ui/state-page.css', './cylinder.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CylinderPage {
  protected readonly words = {
    outOfUse: $localize`out of use · `,
    requalificationDue: $localize` · requalification due `,
    contentsOnRecord: $localize`Contents on record`,
    empty: $localize`Empty`,
    lb: $localize`lb`,
    drawingOf: (name: string): string => $localize`Drawing of ${name}`,
  } as const;

  protected readonly session = inject(CylinderSession);
  protected readonly units = inject(Units);

  protected readonly notYet = waiting;
  protected readonly settled = settledOnce(this.session.read);
  protected readonly limits = computed(() => valueOf(this.session.limits()));
  protected readonly noLimit = computed(() => {
    const limits = this.session.limits();
    return limits.state === 'failed' ? limits.sentence : undefined;
  });
  /** In place of the drawing: that it is on its way, or why there is none. */
  protected readonly levelsSaid = computed(() => {
    const levels = this.session.levels();
    return levels.state === 'failed' ? levels.sentence : $localize`Computing its level`;
  });
  protected readonly levels = computed(() => drawnLevels(valueOf(this.session.levels()), this.units, $localize`at the limit`));
  protected readonly ownPlace = OWN_PLACE;
  protected readonly placeProblem = placeProblem;
  protected readonly airCounted = airCounted;
  protected readonly borneBy = borneBy;
  protected reliefOf = (cylinder: Cylinder) => reliefOf(cylinder, this.units.atmosphere());
  protected stamp = ({ marks }: Cylinder): string => stampNames[marks.stamp ?? ''];
  protected readonly placeChoices = computed(() => hottestPlaces(this.session.place(), this.session.organisationK(), this.units));
  protected readonly movements = computed(() => valueOf(this.session.ledger.entries()) ?? []);
  protected readonly refused = computed(() => errorIn(this.session.reversing.state()));
  protected readonly events = computed(() =>
    (valueOf(this.session.events()) ?? []).map((event) => ({
      id: event.id,
      text: [eventText(event, this.units), event.note].filter((part) => part !== null).join('. '),
      recordedBy: event.recordedBy,
      when: momentText(event.happenedAt),
    })),
  );
  protected readonly use = ({ marks }: Cylinder) =>
    [cylinderKindNames[marks.kind], marks.owner, marks.flammableRated ? $localize`rated for flammables` : undefined]
      .filter(Boolean)
      .join(', ');
  protected readonly ports = ({ marks: { ports, thread } }: Cylinder) => [portNames[ports], thread].filter(Boolean).join(', ');
  protected readonly vacuum = ({ evacuatedAt, vacuum }: Cylinder) => {
    if (evacuatedAt === null) return $localize`not evacuated since it was used`;
    if (vacuum === null) return $localize`evacuated ${dayText(evacuatedAt)}, vacuum not tested`;
    return $localize`${this.units.decimal(pressureIn(vacuum.pressurePa, 'micron', STANDARD_ATMOSPHERE), 0)} microns, ${vacuum.provedBy}, ${dayText(evacuatedAt)}`;
  };
  /** Of what is in it: a mixture is not what its label says. */
  protected readonly safety = ({ flags }: Cylinder): string | undefined => {
    if (flags.includes('mixed')) return $localize`Unknown mixture – treat as flammable`;
    const summary = this.session.summary();
    if (summary === undefined) return undefined;
    return summary.safetyGroup === null
      ? $localize`Not classified – treat as flammable`
      : summary.safetyGroup + (summary.flammable ? $localize`, flammable` : '');
  };
  protected readonly month = monthText;
  protected readonly place = (cylinder: Cylinder) => placeNames[cylinder.place];
  protected readonly content = contentName;
  /** Filling is not what a troubled cylinder wants next; what has happened all the same can still be booked there. */
  protected readonly fillable = ({ flags, retiredAt }: Cylinder) => retiredAt === null && !flags.some((flag) => graveFlags.includes(flag));
  protected readonly grave = (cylinder: Cylinder) => graveSentence(cylinder, stateWords(cylinder, this.units).text);
}

/** What to do about the gravest flag. */
function graveSentence({ flags, composition }: Cylinder, words: string): string | undefined {
  const [flag] = flags;
  if (flag === undefined || !graveFlags.includes(flag)) return undefined;
  const advice: Partial<Record<typeof flag, string>> = {
    overfilled: $localize`Move that much into an empty cylinder, and keep it cool until then.`,
    mixed: $localize`Add nothing. Ask the reclaimer whether they take it; otherwise it is destroyed.`,
    overdue: $localize`Do not fill it. Have it requalified, or empty it and take it out of use.`,
    'pressure-rating-too-low': $localize`Move its content into a cylinder of a higher pressure class.`,
    'non-condensables':
      Object.keys(composition ?? {}).length > 1
        ? $localize`Add nothing. A blend is not purged: check it again after a night at rest, or send it in as it is.`
        : $localize`Add nothing. Let it rest cold, purge its vapor into recovery, and check again.`,
    'collar-unconfirmed': $localize`Its stop weight rests on it. Read WC, TW and the service pressure again; where they are right, confirm it under Markings and service.`,
    'wrong-tare': $localize`Every net weight rests on it: find out whether the collar, ice or a hose is the reason before it is filled.`,
    'negative-balance': $localize`More was booked out of it than into it. Weigh it and book the difference.`,
  };
  return `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}. ${advice[flag] ?? ''}`;
}
