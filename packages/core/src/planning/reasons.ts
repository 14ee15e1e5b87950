import type { Holding } from '../circuit/holding';
import type { MakeUpFact } from '../circuit/evidence';
import { kindOf, type Ports } from '../circuit/system-kind';
import { methods, pumpDowns, recoveries, type Method } from './method';
import type { Sight } from './sight';
import type { JobConditions } from './job-conditions';
import { emptiedWhereOpened, keptBackByCompressorAlone, opened, opensUnderCharge } from './what-is-opened';

/** What speaks against a method. `instead` is what would take the reason away. */
export interface Reason {
  readonly code: ReasonCode;
  readonly effect: Effect;
  /** What would settle it, where nobody has seen it. */
  readonly see?: Sight;
  /** It would be impossible if the unit is as the record has it, and nobody has compared the two. */
  readonly asRecorded?: true;
  /** Figures behind it, SI: kg, Pa, K, shares. */
  readonly numbers: Readonly<Record<string, number>>;
}

/** Only what was measured, seen or stands on a plate forbids; what nobody has seen neither forbids nor allows: it has to be seen first. */
export type Effect = 'impossible' | 'once-seen' | 'not-advised';

export type ReasonCode = (typeof rules)[number]['code'];

type Numbers = Readonly<Record<string, number>>;
interface Rule {
  readonly code: string;
  readonly effect: Effect;
  readonly see?: Sight;
  readonly against: readonly Method[];
  /** Facts of the make-up that it rests on: it forbids where they were seen. */
  readonly restsOn?: readonly MakeUpFact[];
  /** The figures when the reason applies. */
  readonly when: (conditions: JobConditions) => Numbers | undefined;
}

type Content = JobConditions['content'];

const applies = (condition: boolean, numbers: Numbers = {}): Numbers | undefined => (condition ? numbers : undefined);
const ATMOSPHERIC = 1e-3;
const everyOther = methods.filter((method) => method !== 'nothing');

/** Common practice: below about 12 lb of liquid, push-pull takes longer to set up than it saves; below 5 lb so does liquid by pressure alone. */
const LEAST_FOR_PUSH_PULL = 5.5;
const LEAST_FOR_LIQUID_FIRST = 2.3;

/** Every reason there is, in one place: against what, how strongly, and when. Common practice where no source is named. */
const rules = [
  { code: 'it-is-flat', effect: 'not-advised', against: everyOther, when: ({ asFound }) => applies(asFound.state === 'flat') },
  {
    code: 'it-holds-refrigerant',
    effect: 'impossible',
    against: ['nothing'],
    when: ({ asFound, content }) => applies(!['flat', 'unread'].includes(asFound.state), { content: content.likely }),
  },
  {
    code: 'pressure-unread',
    effect: 'once-seen',
    see: 'standing-pressure',
    against: ['nothing'],
    when: ({ asFound }) => applies(asFound.state === 'unread'),
  },
  {
    // one side can hide behind a shut valve: flat is what stands at zero on both
    code: 'one-side-read',
    effect: 'once-seen',
    see: 'both-sides',
    against: ['nothing'],
    when: ({ asFound, sides }) => applies(asFound.state === 'flat' && sides !== 'both'),
  },
  {
    code: 'compressor-stands',
    effect: 'impossible',
    against: pumpDowns,
    when: ({ compressor }) => applies(compressor.state === 'stands'),
  },
  {
    code: 'compressor-burnt-out',
    effect: 'impossible',
    against: pumpDowns,
    when: ({ compressor }) => applies(compressor.state === 'burnt-out'),
  },
  {
    code: 'compressor-unproved',
    effect: 'once-seen',
    see: 'compressor-runs',
    against: pumpDowns,
    when: ({ compressor }) => applies(compressor.state === 'unknown'),
  },
  {
    code: 'compressor-said-dead',
    effect: 'once-seen',
    see: 'compressor-runs',
    against: pumpDowns,
    when: ({ compressor }) => applies(compressor.state === 'said-to-stand' || compressor.state === 'said-burnt-out'),
  },
  {
    code: 'not-held-in-cooling',
    effect: 'impossible',
    against: pumpDowns,
    when: ({ cooling }) => applies(cooling === 'not-held'),
  },
  {
    code: 'cooling-unproved',
    effect: 'once-seen',
    see: 'held-in-cooling',
    against: pumpDowns,
    when: ({ cooling }) => applies(cooling === 'unknown'),
  },
  {
    code: 'metering-stuck-closed',
    effect: 'impossible',
    against: ['pump-down-condenser', 'pump-down-receiver', 'pump-down-and-recover'],
    when: ({ metering }) => applies(metering === 'stuck-closed'),
  },
  {
    // the trial that shows whether a valve holds shows this as well: the suction does not fall, or falls at once
    code: 'metering-unproved',
    effect: 'once-seen',
    see: 'valves-hold',
    against: ['pump-down-condenser', 'pump-down-receiver', 'pump-down-and-recover'],
    when: ({ metering }) => applies(metering === 'unknown'),
  },
  {
    code: 'water-stands',
    effect: 'impossible',
    against: [...pumpDowns, ...recoveries],
    when: ({ water }) => applies(water === 'stands'),
  },
  {
    code: 'water-leaks-in',
    effect: 'impossible',
    against: [...pumpDowns, ...recoveries],
    when: ({ water }) => applies(water === 'leaks-in'),
  },
  {
    code: 'water-unseen',
    effect: 'once-seen',
    see: 'water-flows',
    against: [...pumpDowns, ...recoveries],
    when: ({ water }) => applies(water === 'unknown'),
  },
  {
    // with water on its other side it freezes, and nobody has looked
    code: 'condenser-cooling-unseen',
    effect: 'once-seen',
    see: 'as-installed',
    against: [...pumpDowns, ...recoveries],
    when: ({ kind, circuit, unseen }) =>
      applies(kindOf(kind).condenserMayBeWater && !circuit.water.includes('condenser') && unseen.includes('condenser-cooling')),
  },
  {
    code: 'no-service-valves',
    effect: 'impossible',
    restsOn: ['liquid-service', 'king'],
    against: pumpDowns,
    when: ({ valves }) => applies(valves['liquid-service'] === 'none' && valves.king === 'none'),
  },
  {
    code: 'no-liquid-service-valve',
    effect: 'impossible',
    restsOn: ['liquid-service'],
    against: ['pump-down-condenser', 'pump-down-and-recover'],
    when: ({ valves }) => applies(valves['liquid-service'] === 'none' && valves.king !== 'none'),
  },
  {
    code: 'no-receiver',
    effect: 'impossible',
    restsOn: ['receiver', 'king'],
    against: ['pump-down-receiver'],
    when: ({ receiver, valves }) => applies(receiver === undefined || valves.king === 'none'),
  },
  {
    code: 'liquid-valve-leaks',
    effect: 'impossible',
    against: ['pump-down-condenser', 'pump-down-and-recover'],
    when: ({ valves }) => applies(valves['liquid-service'] === 'leaks'),
  },
  {
    code: 'king-valve-leaks',
    effect: 'impossible',
    against: ['pump-down-receiver'],
    when: ({ valves }) => applies(valves.king === 'leaks'),
  },
  {
    code: 'suction-valve-leaks',
    effect: 'impossible',
    against: ['pump-down-condenser', 'pump-down-and-recover'],
    when: ({ valves }) => applies(valves['suction-service'] === 'leaks'),
  },
  {
    code: 'no-suction-valve',
    effect: 'not-advised',
    against: ['pump-down-condenser', 'pump-down-and-recover'],
    when: (conditions) => applies(conditions.valves['liquid-service'] !== 'none' && keptBackByCompressorAlone(conditions, 'condenser')),
  },
  {
    code: 'no-suction-valve',
    effect: 'not-advised',
    against: ['pump-down-receiver'],
    when: (conditions) => applies(conditions.valves.king !== 'none' && keptBackByCompressorAlone(conditions, 'receiver')),
  },
  {
    code: 'valve-unproved',
    effect: 'once-seen',
    see: 'valves-hold',
    against: ['pump-down-condenser', 'pump-down-and-recover'],
    when: ({ valves }) => applies(valves['liquid-service'] === 'unproved' || valves['suction-service'] === 'unproved'),
  },
  {
    code: 'king-valve-unproved',
    effect: 'once-seen',
    see: 'valves-hold',
    against: ['pump-down-receiver'],
    when: ({ valves }) => applies(valves.king === 'unproved'),
  },
  {
    code: 'part-stays-under-charge',
    effect: 'impossible',
    against: ['pump-down-condenser', 'pump-down-and-recover'],
    when: (conditions) => applies(opensUnderCharge(conditions, 'condenser')),
  },
  {
    code: 'part-stays-under-receiver-charge',
    effect: 'impossible',
    against: ['pump-down-receiver'],
    when: (conditions) => applies(opensUnderCharge(conditions, 'receiver')),
  },
  {
    code: 'leak-not-found',
    effect: 'once-seen',
    see: 'leak-found',
    against: pumpDowns,
    when: (conditions) => applies(opened(conditions, 'condenser') === 'unknown'),
  },
  {
    code: 'to-be-emptied',
    effect: 'impossible',
    against: pumpDowns,
    when: (conditions) => applies(opened(conditions, 'condenser') === 'everything'),
  },
  {
    code: 'not-emptied-through-ports',
    effect: 'impossible',
    restsOn: ['ports'],
    against: recoveries,
    when: (conditions) => applies(conditions.ports !== 'none' && !emptiedWhereOpened(conditions, conditions.metering === 'stuck-closed')),
  },
  {
    code: 'does-not-fit-condenser',
    effect: 'impossible',
    against: ['pump-down-condenser'],
    when: ({ content, condenser }) =>
      fitsPart(condenser?.certain === true && counted(content) > condenser.likely, counted(content), condenser?.likely, condenser),
  },
  {
    code: 'may-not-fit-condenser',
    effect: 'not-advised',
    against: ['pump-down-condenser'],
    when: ({ content, condenser }) => fitsPart(mayNotFit(content, condenser), most(content, condenser), condenser?.low, condenser),
  },
  {
    code: 'condenser-volume-unknown',
    effect: 'once-seen',
    see: 'part-volume',
    against: ['pump-down-condenser'],
    when: ({ content, condenser }) => fitsPart(isUnsure(content, condenser), most(content, condenser), condenser?.low, condenser),
  },
  {
    // what is beyond the charge it was shipped with is recovered first
    code: 'condenser-volume-unknown',
    effect: 'once-seen',
    see: 'part-volume',
    against: ['pump-down-and-recover'],
    when: ({ content, condenser }) =>
      fitsPart(condenser?.by !== 'shipped' && isUnsure(content, condenser), most(content, condenser), condenser?.low, condenser),
  },
  {
    code: 'does-not-fit-receiver',
    effect: 'impossible',
    against: ['pump-down-receiver'],
    when: ({ content, receiver }) =>
      fitsPart(receiver?.certain === true && counted(content) > receiver.likely, counted(content), receiver?.likely, receiver),
  },
  {
    code: 'may-not-fit-receiver',
    effect: 'not-advised',
    against: ['pump-down-receiver'],
    when: ({ content, receiver }) => fitsPart(mayNotFit(content, receiver), most(content, receiver), receiver?.low, receiver),
  },
  {
    code: 'receiver-volume-unknown',
    effect: 'once-seen',
    see: 'part-volume',
    against: ['pump-down-receiver'],
    when: ({ content, receiver }) => fitsPart(isUnsure(content, receiver), most(content, receiver), receiver?.low, receiver),
  },
  {
    code: 'fits-whole',
    effect: 'not-advised',
    against: ['pump-down-and-recover'],
    when: ({ content, condenser }) =>
      fitsPart(condenser !== undefined && most(content, condenser) <= condenser.low, most(content, condenser), condenser?.low, condenser),
  },
  {
    code: 'rest-above-level',
    effect: 'not-advised',
    against: ['pump-down-condenser', 'pump-down-receiver'],
    when: ({ level, atmosphere }) => applies(level.p < atmosphere - ATMOSPHERIC, { level: level.p }),
  },
  {
    code: 'air-or-other-in-it',
    effect: 'not-advised',
    against: [...pumpDowns, 'push-pull'],
    when: ({ asFound }) => (asFound.state === 'air-or-other' ? { airShare: asFound.airShare } : undefined),
  },
  {
    code: 'unidentified',
    effect: 'not-advised',
    against: everyOther,
    when: ({ asFound }) => (asFound.state === 'air-or-other' ? { airShare: asFound.airShare } : undefined),
  },
  {
    code: 'no-liquid',
    effect: 'impossible',
    against: ['liquid-first', 'push-pull'],
    when: ({ asFound }) => (asFound.state === 'vapour-only' ? { most: asFound.mostKg } : undefined),
  },
  {
    code: 'vapour-only-pump-down',
    effect: 'not-advised',
    against: pumpDowns,
    when: ({ asFound }) => (asFound.state === 'vapour-only' ? { most: asFound.mostKg } : undefined),
  },
  {
    // air comes in where the refrigerant got out
    code: 'flat-pump-down',
    effect: 'not-advised',
    against: pumpDowns,
    when: ({ asFound }) => applies(asFound.state === 'flat'),
  },
  { code: 'no-ports', effect: 'impossible', restsOn: ['ports'], against: recoveries, when: ({ ports }) => applies(ports === 'none') },
  {
    // what no port empties is pierced, whatever ports there are
    code: 'has-ports',
    effect: 'impossible',
    against: ['pierce'],
    when: (conditions) => applies(conditions.ports !== 'none' && emptiedWhereOpened(conditions, conditions.metering === 'stuck-closed')),
  },
  { code: 'one-port', effect: 'impossible', restsOn: ['ports'], against: ['push-pull'], when: ({ ports }) => applies(hasOnePort(ports)) },
  {
    code: 'too-little-for-push-pull',
    effect: 'not-advised',
    against: ['push-pull'],
    when: ({ content }) => fits(content.likely < LEAST_FOR_PUSH_PULL, content.likely, LEAST_FOR_PUSH_PULL),
  },
  {
    code: 'too-little-for-liquid-first',
    effect: 'not-advised',
    against: ['liquid-first'],
    when: ({ content }) => fits(content.likely < LEAST_FOR_LIQUID_FIRST, content.likely, LEAST_FOR_LIQUID_FIRST),
  },
  {
    code: 'sealed-unit',
    effect: 'not-advised',
    against: ['recover'],
    when: ({ kind, ports }) => applies(kindOf(kind).sealed && hasOnePort(ports)),
  },
] as const satisfies readonly Rule[];

/** The charge that a unit was shipped with is that of its plate: how far a ledger may be off does not count against it. */
const most = (content: Content, part: Holding | undefined): number => (part?.by === 'shipped' ? counted(content) : content.high);
/** What a report says is missing is not missing yet: only a measurement makes less of what is on record. */
const counted = ({ onRecord, likely, high }: Content): number => Math.min(onRecord ?? likely, high);
const isUnsure = (content: Content, part: Holding | undefined): boolean => part?.certain === false && most(content, part) > part.low;
const mayNotFit = (content: Content, part: Holding | undefined): boolean =>
  part?.certain === true && counted(content) <= part.likely && most(content, part) > part.low;
const hasOnePort = (ports: Ports) => ports !== 'both' && ports !== 'none';
const fits = (condition: boolean, content: number, holds: number | undefined) =>
  condition && holds !== undefined ? { content, holds } : undefined;
/** @param part what limits it, and at which temperature: the day's, or the hottest it will see */
const fitsPart = (condition: boolean, content: number, holds: number | undefined, part: Holding | undefined) =>
  condition && holds !== undefined && part !== undefined ? { content, holds, share: part.share, T: part.T } : undefined;

/** Everything that speaks against a method here and now. */
export function reasonsAgainst(method: Method, conditions: JobConditions): readonly Reason[] {
  return (rules as readonly Rule[]).flatMap(({ code, effect, see, against, restsOn = [], when }) => {
    const numbers = against.includes(method) ? when(conditions) : undefined;
    if (numbers === undefined) return [];
    const reason = { code: code as ReasonCode, numbers }; // the codes are those of the table
    if (effect === 'impossible' && restsOn.some((fact) => conditions.unseen.includes(fact)))
      return [{ ...reason, effect: 'once-seen', see: 'as-installed', asRecorded: true }];
    return [{ ...reason, effect, ...(see === undefined ? {} : { see }) }];
  });
}
