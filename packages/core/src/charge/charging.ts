import data from './charging.json';

/** How a charge is found; practitioners differ. By weight is the default: the scale is twice as good as any running check. */
export const chargingSchools = ['by-weight', 'by-subcooling', 'by-sight-glass'] as const;
export type ChargingSchool = (typeof chargingSchools)[number];

/** What is known of the system; what nobody has seen is absent. */
export interface ChargingFacts {
  readonly metering?: 'orifice' | 'txv' | 'eev' | undefined;
  readonly receiver: boolean;
  /** Evacuated and standing; otherwise it runs, with a charge of some kind in it. */
  readonly evacuated: boolean;
  readonly flammable: boolean;
  readonly heatPump: boolean;
  /** K between bubble and dew point; 0 for a single substance. */
  readonly glideK: number;
  readonly outdoorK?: number | undefined;
}

export type SchoolReason =
  | 'charge-unknown'
  | 'needs-valve'
  | 'metering-not-seen'
  | 'receiver-hides'
  | 'needs-receiver'
  | 'too-cold'
  | 'outdoors-not-read'
  | 'glide-bubbles';
export interface SchoolStanding {
  readonly school: ChargingSchool;
  /** `possible` only where everything it rests on was seen. */
  readonly feasibility: 'possible' | 'once-seen' | 'not-here';
  readonly reasons: readonly SchoolReason[];
}

/** Where each school may be used on this system, and why not. */
export const schoolsFor = (facts: ChargingFacts): readonly SchoolStanding[] => chargingSchools.map((school) => standingOf(school, facts));

const UNSEEN: readonly SchoolReason[] = ['metering-not-seen', 'outdoors-not-read'];

function standingOf(school: ChargingSchool, facts: ChargingFacts): SchoolStanding {
  const reasons = reasonsAgainst(school, facts);
  const against = reasons.some((reason) => !UNSEEN.includes(reason));
  // where something that was seen decides, nothing else has to be looked at
  const deciding = against ? reasons.filter((reason) => !UNSEEN.includes(reason)) : reasons;
  return { school, feasibility: reasons.length === 0 ? 'possible' : against ? 'not-here' : 'once-seen', reasons: deciding };
}

function reasonsAgainst(
  school: ChargingSchool,
  { metering, receiver, evacuated, glideK, outdoorK }: ChargingFacts,
): readonly SchoolReason[] {
  const cold = (least: number): readonly SchoolReason[] =>
    outdoorK === undefined ? ['outdoors-not-read'] : outdoorK < least ? ['too-cold'] : [];
  switch (school) {
    case 'by-weight':
      return evacuated ? [] : ['charge-unknown'];
    case 'by-subcooling':
      return [
        ...(receiver ? (['receiver-hides'] as const) : []),
        ...(metering === undefined ? (['metering-not-seen'] as const) : metering === 'orifice' ? (['needs-valve'] as const) : []),
        ...cold(data.leastOutdoorK.subcooling),
      ];
    case 'by-sight-glass':
      return [
        ...(receiver ? [] : (['needs-receiver'] as const)),
        ...(glideK > data.glideK ? (['glide-bubbles'] as const) : []),
        ...cold(data.leastOutdoorK.sightGlass),
      ];
    default:
      return school satisfies never;
  }
}

/** What is minded before and while it goes in. */
export type ChargingStep =
  | 'gauge-off'
  | 'break-vacuum'
  | 'liquid-only'
  | 'throttle-suction'
  | 'flammable'
  | 'heat-pump'
  | 'receiver-room'
  | 'low-switch'
  | 'mark-level'
  | 'hose-back';

/** In the order in which it is done. */
export const chargingSteps = ({ receiver, evacuated, flammable, heatPump, glideK }: ChargingFacts): readonly ChargingStep[] => [
  ...(flammable ? (['flammable'] as const) : []),
  ...(evacuated ? (['gauge-off', 'break-vacuum'] as const) : (['throttle-suction'] as const)),
  ...(glideK > 0 ? (['liquid-only'] as const) : []),
  ...(heatPump ? (['heat-pump'] as const) : []),
  ...(receiver ? (['receiver-room', 'low-switch', 'mark-level'] as const) : []),
  'hose-back',
];
