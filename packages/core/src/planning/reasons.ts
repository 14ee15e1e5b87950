import type { Holding } from '../circuit/holding';
import { staysUnderCharge } from '../circuit/part';
import { kindOf } from '../circuit/system-kind';
import { methods, pumpDowns, recoveries, type Method } from './method';
import type { Situation } from './situation';

/** What speaks against a method. `instead` is what would take the reason away. */
export interface Reason {
  readonly code: ReasonCode;
  readonly effect: 'impossible' | 'not-advised';
  /** Figures behind it, SI: kg, Pa, K, shares. */
  readonly numbers: Readonly<Record<string, number>>;
}

export type ReasonCode = (typeof rules)[number]['code'];

type Numbers = Readonly<Record<string, number>>;
interface Rule {
  readonly code: string;
  readonly effect: Reason['effect'];
  readonly against: readonly Method[];
  /** The figures when the reason applies. */
  readonly when: (situation: Situation) => Numbers | undefined;
}

const applies = (condition: boolean, numbers: Numbers = {}): Numbers | undefined => (condition ? numbers : undefined);
const ATMOSPHERIC = 1e-3;
const everyOther = methods.filter((method) => method !== 'nothing');

/** Common practice: below about 12 lb of liquid, push-pull takes longer to set up than it saves; below 5 lb so does liquid by pressure alone. */
const LEAST_FOR_PUSH_PULL = 5.5;
const LEAST_FOR_LIQUID_FIRST = 2.3;

/** Every reason there is, in one place: against what, how strongly, and when. Common practice where no source is named. */
const rules = [
  { code: 'it-is-flat', effect: 'not-advised', against: everyOther, when: ({ arrival }) => applies(arrival.state === 'flat') },
  {
    code: 'it-holds-refrigerant',
    effect: 'impossible',
    against: ['nothing'],
    when: ({ arrival, content }) => applies(arrival.state !== 'flat', { content: content.likely }),
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
    effect: 'not-advised',
    against: pumpDowns,
    when: ({ compressor }) => applies(compressor.state === 'unknown'),
  },
  {
    code: 'not-held-in-cooling',
    effect: 'impossible',
    against: pumpDowns,
    when: ({ heldInCooling }) => applies(!heldInCooling),
  },
  {
    code: 'metering-stuck-closed',
    effect: 'impossible',
    against: ['pump-down-condenser', 'pump-down-receiver', 'pump-down-and-recover'],
    when: ({ metering }) => applies(metering === 'stuck-closed'),
  },
  {
    code: 'water-stands',
    effect: 'impossible',
    against: [...pumpDowns, ...recoveries],
    when: ({ water }) => applies(water === 'stands'),
  },
  {
    code: 'no-service-valves',
    effect: 'impossible',
    against: pumpDowns,
    when: ({ valves }) => applies(valves['liquid-service'] === 'none' && valves.king === 'none'),
  },
  {
    code: 'no-liquid-service-valve',
    effect: 'impossible',
    against: ['pump-down-condenser', 'pump-down-and-recover'],
    when: ({ valves }) => applies(valves['liquid-service'] === 'none' && valves.king !== 'none'),
  },
  {
    code: 'no-receiver',
    effect: 'impossible',
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
    when: ({ valves }) => applies(valves['liquid-service'] !== 'none' && valves['suction-service'] === 'none'),
  },
  {
    code: 'valve-unproved',
    effect: 'not-advised',
    against: pumpDowns,
    when: ({ valves }) => applies(Object.values(valves).includes('unproved')),
  },
  {
    code: 'part-stays-under-charge',
    effect: 'impossible',
    against: ['pump-down-condenser', 'pump-down-and-recover'],
    when: ({ failed }) => applies(isPart(failed) && staysUnderCharge(failed, 'condenser')),
  },
  {
    code: 'part-stays-under-receiver-charge',
    effect: 'impossible',
    against: ['pump-down-receiver'],
    when: ({ failed }) => applies(isPart(failed) && staysUnderCharge(failed, 'receiver')),
  },
  { code: 'leak-not-found', effect: 'not-advised', against: pumpDowns, when: ({ failed }) => applies(failed === 'unknown') },
  { code: 'to-be-emptied', effect: 'impossible', against: pumpDowns, when: ({ failed }) => applies(failed === 'none') },
  {
    code: 'does-not-fit-condenser',
    effect: 'impossible',
    against: ['pump-down-condenser'],
    when: ({ content, condenser }) =>
      fitsPart(content.likely > (condenser?.likely ?? Number.POSITIVE_INFINITY), content.likely, condenser?.likely, condenser),
  },
  {
    code: 'may-not-fit-condenser',
    effect: 'not-advised',
    against: ['pump-down-condenser'],
    when: ({ content, condenser }) =>
      fitsPart(
        condenser !== undefined && content.likely <= condenser.likely && content.high > condenser.low,
        content.high,
        condenser?.low,
        condenser,
      ),
  },
  {
    code: 'does-not-fit-receiver',
    effect: 'impossible',
    against: ['pump-down-receiver'],
    when: ({ content, receiver }) =>
      fitsPart(content.likely > (receiver?.likely ?? Number.POSITIVE_INFINITY), content.likely, receiver?.likely, receiver),
  },
  {
    code: 'may-not-fit-receiver',
    effect: 'not-advised',
    against: ['pump-down-receiver'],
    when: ({ content, receiver }) =>
      fitsPart(
        receiver !== undefined && content.likely <= receiver.likely && content.high > receiver.low,
        content.high,
        receiver?.low,
        receiver,
      ),
  },
  {
    code: 'fits-whole',
    effect: 'not-advised',
    against: ['pump-down-and-recover'],
    when: ({ content, condenser }) =>
      fitsPart(condenser !== undefined && content.high <= condenser.low, content.high, condenser?.low, condenser),
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
    when: ({ arrival }) => (arrival.state === 'air-or-other' ? { airShare: arrival.airShare } : undefined),
  },
  {
    code: 'no-liquid',
    effect: 'impossible',
    against: ['liquid-first', 'push-pull'],
    when: ({ arrival }) => (arrival.state === 'vapour-only' ? { most: arrival.mostKg } : undefined),
  },
  {
    code: 'vapour-only-pump-down',
    effect: 'not-advised',
    against: pumpDowns,
    when: ({ arrival }) => (arrival.state === 'vapour-only' ? { most: arrival.mostKg } : undefined),
  },
  { code: 'no-ports', effect: 'impossible', against: recoveries, when: ({ ports }) => applies(ports === 'none') },
  { code: 'has-ports', effect: 'impossible', against: ['pierce'], when: ({ ports }) => applies(ports !== 'none') },
  { code: 'one-port', effect: 'impossible', against: ['push-pull'], when: ({ ports }) => applies(ports === 'one') },
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
    when: ({ kind, ports }) => applies(kindOf(kind).sealed && ports === 'one'),
  },
] as const satisfies readonly Rule[];

const isPart = (failed: Situation['failed']) => failed !== 'unknown' && failed !== 'none';
const fits = (condition: boolean, content: number, holds: number | undefined) =>
  condition && holds !== undefined ? { content, holds } : undefined;
/** @param part what limits it, and at which temperature: the day's, or the hottest it will see */
const fitsPart = (condition: boolean, content: number, holds: number | undefined, part: Holding | undefined) =>
  condition && holds !== undefined && part !== undefined ? { content, holds, share: part.share, T: part.T } : undefined;

/** Everything that speaks against a method here and now. */
export function reasonsAgainst(method: Method, situation: Situation): readonly Reason[] {
  return (rules as readonly Rule[]).flatMap(({ code, effect, against, when }) => {
    const numbers = against.includes(method) ? when(situation) : undefined;
    return numbers === undefined ? [] : [{ code: code as ReasonCode, effect, numbers }]; // the codes are those of the table
  });
}
