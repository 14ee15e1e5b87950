import { truckGoals, type TruckGoal } from '@hygromet/core/planning/truck';
import type { Cylinder } from '@hygromet/contract/cylinder';
import type { Visit } from '@hygromet/contract/visit';
import type { TruckPlan } from '@hygromet/core/planning/truck';
import { notCarried, type CarriageReason } from '@hygromet/core/compliance/carriage';
import type { Units } from '../preferences/units.service';
import type { Suited } from '../core-worker/cylinder-operations';
import type { TruckVisit } from './truck-task';

type QuantityFormatter = Pick<Units, 'massText' | 'pressureStep'>;

/** What to do about room that is missing: the one thing that would make it, or what to get. */
export function remedy(
  kg: number,
  { system }: TruckVisit,
  suited: readonly Suited[],
  cylinders: readonly Cylinder[],
  tell: QuantityFormatter,
): string {
  const named = (id: string) => cylinders.find((cylinder) => cylinder.id === id);
  const only = (objection: string) =>
    suited
      .filter(({ objections, id }) => objections.length === 1 && objections[0] === objection && named(id)?.retiredAt === null)
      .sort((a, b) => b.roomKg - a.roomKg)
      .find(({ roomKg }) => roomKg > 0);
  const start = $localize`${system.site}\: ${tell.massText(kg, 'up')} of ${system.refrigerant} will not fit.`;
  const unevacuated = only('not-evacuated');
  if (unevacuated !== undefined)
    return $localize`${start} Evacuate ${named(unevacuated.id)?.name ?? ''} tonight: it takes ${tell.massText(unevacuated.roomKg, 'down')}.`;
  const unrated = only('not-for-flammable');
  if (unrated !== undefined)
    return $localize`${start} It is flammable: get an evacuated cylinder rated for flammables. ${named(unrated.id)?.name ?? ''} would take it if its collar says so; then record its marks.`;
  const full = cylinders.find(
    ({ refrigerant, fillStatus, retiredAt }) =>
      retiredAt === null && refrigerant === system.refrigerant && fillStatus.state === 'limited' && fillStatus.mayAddKg < kg,
  );
  return $localize`${start} Get an evacuated recovery cylinder of the class for ${system.refrigerant}${full === undefined ? '' : $localize`, or exchange ${full.name} at the reclaimer`}.`;
}

/** kg of a visit's refrigerant that the van takes without anything being fetched, beside what is planned into it from elsewhere. */
export function roomInVan(
  { visit }: TruckVisit,
  { plan, suited }: { readonly plan: TruckPlan; readonly suited: ReadonlyMap<string, readonly Suited[]> },
  cylinders: readonly Cylinder[],
): number {
  const inVan = new Set(cylinders.filter(({ place }) => place === 'van').map(({ id }) => id));
  const taken = new Set(
    plan.loads.filter(({ transfers }) => transfers.some(({ job }) => job !== visit.id)).map(({ cylinder }) => cylinder),
  );
  return (suited.get(visit.id) ?? [])
    .filter(({ id, objections }) => inVan.has(id) && !taken.has(id) && objections.length === 0)
    .reduce((sum, { roomKg }) => sum + roomKg, 0);
}

const fromPlace: Readonly<Record<Cylinder['place'], string>> = {
  van: $localize`the van`,
  workshop: $localize`the workshop`,
  site: $localize`the site`,
  reclaimer: $localize`the reclaimer`,
};

interface Solved {
  readonly plan: TruckPlan;
  readonly suited: ReadonlyMap<string, readonly Suited[]>;
}

/** What has to be fetched, one sentence for each visit, and why what is in the van is not enough. */
export function fetchedSentences(
  solved: Solved,
  visits: readonly TruckVisit[],
  cylinders: readonly Cylinder[],
  tell: QuantityFormatter,
): readonly string[] {
  return visits.flatMap((visit) => {
    const fetched = solved.plan.loads
      .filter(({ transfers }) => transfers[0]?.job === visit.visit.id)
      .flatMap(({ cylinder }) => cylinders.find(({ id, place }) => id === cylinder && place !== 'van') ?? []);
    return fetched.length === 0 ? [] : [fetching(fetched, visit, roomInVan(visit, solved, cylinders), tell)];
  });
}

const fetching = (fetched: readonly Cylinder[], { system, job }: TruckVisit, inVan: number, tell: QuantityFormatter): string =>
  $localize`Take ${listed(byPlace(fetched))} as well: ` +
  $localize`${system.site} may bring up to ${tell.massText(job.high)} of ${system.refrigerant}, and ` +
  (inVan > 0
    ? $localize`only ${tell.massText(inVan, 'down')} fit into what is free in the van.`
    : $localize`nothing that is free in the van takes it.`);

/** "C-09 and C-11 from the workshop" */
const byPlace = (fetched: readonly Cylinder[]): readonly string[] =>
  [...new Set(fetched.map(({ place }) => place))].map(
    (place) => $localize`${listed(fetched.filter((entry) => entry.place === place).map(({ name }) => name))} from ${fromPlace[place]}`,
  );

const listed = (parts: readonly string[]) =>
  parts.length < 2 ? parts.join('') : $localize`${parts.slice(0, -1).join(', ')} and ${parts.at(-1) ?? ''}`;

/** What has no room on the truck, each with its remedy. */
export const shortSentences = (
  solved: Solved,
  visits: readonly TruckVisit[],
  cylinders: readonly Cylinder[],
  tell: QuantityFormatter,
): readonly string[] =>
  solved.plan.short.flatMap(({ job, kg }) => {
    const visit = visits.find((one) => one.visit.id === job);
    return visit === undefined ? [] : [remedy(kg, visit, solved.suited.get(job) ?? [], cylinders, tell)];
  });

const beforeDriven: Readonly<Record<CarriageReason, string>> = {
  overfilled: $localize`is overfilled: remove the excess before it is driven, and keep it out of the sun.`,
  'pressure-rating-too-low': $localize`its pressure class is too low for what is in it: move its content before it is driven.`,
};

/** What stands in the van and must not be driven as it is. */
export const notToBeDriven = (cylinders: readonly Cylinder[]): readonly string[] =>
  cylinders
    .filter(({ place, retiredAt }) => place === 'van' && retiredAt === null)
    .flatMap(({ name, flags }) => {
      const reason = notCarried(flags);
      return reason === undefined ? [] : [$localize`${name} stands in the van, and ${beforeDriven[reason]}`];
    });

/** A plan for a later day counts the cylinders as they are now. */
export const beforeSentence = (before: readonly Pick<Visit, 'system'>[]): string | undefined =>
  before.length === 0
    ? undefined
    : $localize`Cylinders are counted as they are now. What is filled before then (${listed([...new Set(before.map(({ system }) => system.site))])}) takes room: look again after it is booked.`;

/** What else goes on the truck, and why. */
export function otherThings(visits: readonly TruckVisit[]): readonly { readonly what: string; readonly why: string }[] {
  const sites = (some: readonly TruckVisit[]) => some.map(({ system }) => system.site).join(', ');
  const recovering = visits.filter(({ needsMachine }) => needsMachine);
  const opened = visits.filter(({ visit }) => visit.plan === null || (visit.plan.failed !== 'none' && visit.plan.failed !== 'unknown'));
  const flammable = visits.filter(({ flammable: burns }) => burns);
  const pierced = visits.filter(({ visit }) => visit.plan?.method === 'pierce');
  return [
    ...(recovering.length > 0
      ? [
          { what: $localize`Recovery machine, short wide hoses, core tools`, why: sites(recovering) },
          { what: $localize`Scale and cylinder strap`, why: $localize`every cylinder is weighed before and after` },
        ]
      : [{ what: $localize`No recovery machine`, why: $localize`every visit is planned without it; keep the manifold on board` }]),
    ...(opened.length > 0
      ? [
          { what: $localize`Dry nitrogen with its regulator`, why: $localize`sweep and pressure test: ${sites(opened)}` },
          {
            what: `${opened.length} ${opened.length === 1 ? $localize`drier` : $localize`driers`}`,
            why: $localize`one for each circuit that is opened`,
          },
          { what: $localize`Vacuum pump with fresh oil, micron gauge`, why: $localize`before it is recharged` },
        ]
      : []),
    ...(flammable.length > 0
      ? [{ what: $localize`Machine and hoses rated for flammables, a detector, a fan`, why: sites(flammable) }]
      : []),
    ...(pierced.length > 0 ? [{ what: $localize`Piercing valve and a port to replace it`, why: sites(pierced) }] : []),
  ];
}

const goalText: Readonly<Record<TruckGoal, string>> = {
  overweight: $localize`what the truck cannot carry`,
  shortage: $localize`what has no room`,
  opened: $localize`evacuated cylinders opened`,
  carried: $localize`steel carried and fetched`,
};

/** What is decided now, of how many things. */
export const planningText = (goal: TruckGoal | undefined): string =>
  goal === undefined
    ? $localize`Planning the truck`
    : $localize`Planning the truck: step ${truckGoals.indexOf(goal) + 1} of ${truckGoals.length}, as little as possible of ${goalText[goal]}`;
