import type { Cylinder } from '@hygromet/contract/cylinder';
import type { System } from '@hygromet/contract/system';
import type { Visit } from '@hygromet/contract/visit';
import type { Quality } from '@hygromet/core/cylinder/cylinder-kind';
import type { Carried, TruckJob, TruckTask } from '@hygromet/core/planning/truck';
import { withDoubt } from '@hygromet/core/planning/charge-doubt';
import type { Range } from '@hygromet/core/planning/job-conditions';
import type { Suited } from '../core-worker/cylinder-operations';

/** What stays in the system's own condenser or receiver needs no cylinder; what is not decided yet is planned as if all of it came. */
const NO_CYLINDER: readonly string[] = ['nothing', 'pump-down-condenser', 'pump-down-receiver'];

/** A visit as the truck sees it. */
export interface TruckVisit {
  readonly visit: Visit;
  readonly system: System;
  readonly job: TruckJob;
  /** Of what it brings: burnt-out refrigerant goes into cylinders of its own. */
  readonly quality: Quality;
  readonly needsMachine: boolean;
  readonly flammable: boolean;
}

const NOTHING: Range = { low: 0, likely: 0, high: 0 };

/** @param contents what is in each system by what was seen of it; of the others plate and ledger say it */
export function truckVisits(
  visits: readonly Visit[],
  systems: readonly System[],
  day: string,
  burns: (refrigerant: string) => boolean,
  contents: ReadonlyMap<string, Range> = new Map(),
): readonly TruckVisit[] {
  return visits
    .filter((visit) => visit.state === 'open' && visit.day === day)
    .flatMap((visit) => {
      const system = systems.find(({ id }) => id === visit.system.id);
      if (system === undefined) return [];
      const needs = visit.plan === null || !NO_CYLINDER.includes(visit.plan.method);
      const content = contents.get(visit.id) ?? withDoubt(Math.max(0, system.contentKg));
      const quality = visit.plan?.burntOut === true ? ('burnt' as const) : ('usual' as const);
      const job: TruckJob = {
        id: visit.id,
        ...(needs ? { low: content.low, likely: content.likely, high: content.high } : NOTHING),
        group: quality === 'usual' ? system.refrigerant : `${system.refrigerant}, ${quality}`,
      };
      return [{ visit, system, job, quality, needsMachine: needs, flammable: burns(system.refrigerant) }];
    });
}

export interface Wishes {
  readonly pinned: readonly string[];
  readonly excluded: readonly string[];
  readonly mostWeight: number | undefined;
}

/** What is solved. @param suited what each cylinder takes, by visit */
export function truckTask(
  visits: readonly TruckVisit[],
  cylinders: readonly Cylinder[],
  suited: ReadonlyMap<string, readonly Suited[]>,
  { pinned, excluded, mostWeight }: Wishes,
): TruckTask {
  const usable = cylinders.filter(({ retiredAt, place }) => retiredAt === null && place !== 'reclaimer');
  const carried = usable.map(({ id, tareKg, contentKg, place, evacuatedAt }): Carried => ({
    id,
    weight: tareKg + Math.max(0, contentKg),
    tare: tareKg,
    onTruck: place === 'van',
    evacuated: evacuatedAt !== null && contentKg <= 0,
  }));
  const rooms = new Map(
    carried.map(({ id }) => [
      id,
      new Map(
        visits.flatMap(({ visit }) => {
          const found = suited.get(visit.id)?.find((one) => one.id === id);
          return found === undefined ? [] : [[visit.id, { objections: found.objections, roomKg: found.roomKg }] as const];
        }),
      ),
    ]),
  );
  return {
    jobs: visits.map(({ job }) => job).filter(({ high }) => high > 0),
    cylinders: carried,
    rooms,
    pinned: new Set(pinned),
    excluded: new Set(excluded),
    mostWeight,
  };
}
