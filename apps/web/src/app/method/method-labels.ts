import type { Method } from '@hygromet/core/planning/method';
import type { Reason, ReasonCode } from '@hygromet/core/planning/reasons';
import type { ContentNow, ContentReason } from '@hygromet/core/planning/content-now';
import type { AsFound } from '@hygromet/core/planning/as-found';
import type { Cooling } from '@hygromet/core/planning/equipment';
import type { Contradiction } from '@hygromet/core/planning/contradictions';
import type { Units } from '../preferences/units.service';
import { partNames } from '../systems/system-labels';

export const methodNames: Record<Method, string> = {
  nothing: 'Nothing to recover',
  'pump-down-condenser': 'Pump down into the condenser',
  'pump-down-receiver': 'Pump down into the receiver',
  'pump-down-and-recover': 'Pump down what fits, recover the rest',
  'liquid-first': 'Liquid recovery by pressure difference, then vapor',
  'push-pull': 'Push-pull, then recover the vapor',
  recover: 'Recover everything',
  pierce: 'Pierce and recover',
};

/** How a cylinder is cooled while it fills. */
export const coolingWords: Record<Cooling, string> = {
  still: 'in still air',
  fan: 'before a fan',
  water: 'into running water',
  ice: 'into ice water',
};

type QuantityFormatter = Pick<Units, 'massText' | 'percent' | 'pressure' | 'pressureStep' | 'temperature'>;
type Numbers = Reason['numbers'];

const holds =
  (what: string) =>
  ({ content, holds: may, share, T }: Numbers, tell: QuantityFormatter) =>
    `${tell.massText(content ?? 0)} are in it, the ${what} may hold ${tell.massText(may ?? 0)}: ${tell.percent(share ?? 0)} liquid at ${tell.temperature(T ?? 0)}`;

const mayNotHold =
  (what: string) =>
  ({ content, holds: may, share, T }: Numbers, tell: QuantityFormatter) =>
    `up to ${tell.massText(content ?? 0)} may be in it, and the ${what} may hold as little as ${tell.massText(may ?? 0)}: ${tell.percent(share ?? 0)} liquid at ${tell.temperature(T ?? 0)}`;

const volumeUnknown =
  (what: string) =>
  ({ content, holds: may }: Numbers, tell: QuantityFormatter) =>
    `up to ${tell.massText(content ?? 0)} may be in it, and the ${what}, of which no volume is recorded, is only sure to hold ${tell.massText(may ?? 0)}`;

/** Every reason in a technician's words, with the figures behind it. */
const reasonWords: Record<ReasonCode, (numbers: Numbers, tell: QuantityFormatter) => string> = {
  'it-is-flat': () => 'no pressure is left',
  'it-holds-refrigerant': ({ content }, tell) => `about ${tell.massText(content ?? 0)} are in it`,
  'compressor-stands': () => 'the compressor does not run',
  'compressor-burnt-out': () => 'burnout – do not circulate acid',
  'compressor-unproved': () => 'compressor operation not verified',
  'compressor-said-dead': () => 'the compressor is reported dead, and nobody has verified it',
  'pressure-unread': () => 'the standing pressure has not been read',
  'one-side-read': () => 'zero was not read on both sides: one can hide behind a shut valve',
  'cooling-unproved': () => 'forced cooling not verified',
  'metering-unproved': () => 'metering device not verified',
  'water-leaks-in': () => 'water leaks into the refrigerant: isolate and drain the water side before the pressure falls below the water’s',
  unidentified: ({ airShare }, tell) =>
    `${tell.percent(airShare ?? 0)} of the vapor may be air, or it is another refrigerant: use an identifier first`,
  'water-unseen': () => 'water flow not verified: without it the tubes freeze and burst',
  'king-valve-unproved': () => 'king valve not verified',
  'condenser-volume-unknown': volumeUnknown('condenser'),
  'receiver-volume-unknown': volumeUnknown('receiver'),
  'not-held-in-cooling': () => 'it cannot be held in cooling',
  'metering-stuck-closed': () => 'the metering device is shut: the liquid line cannot empty',
  'water-stands': () => 'no water through the barrel: its tubes freeze and burst. Start the pump first',
  'condenser-cooling-unseen': () => 'nobody has seen whether air or water cools its condenser: without flow the tubes freeze and burst',
  'no-service-valves': () => 'it has no service valves',
  'no-liquid-service-valve': () => 'there is a king valve instead of a liquid service valve',
  'no-receiver': () => 'it has no receiver with a king valve',
  'liquid-valve-leaks': () => 'the liquid service valve leaks',
  'king-valve-leaks': () => 'the king valve leaks',
  'suction-valve-leaks': () => 'the suction service valve leaks',
  'no-suction-valve': () => 'no suction valve that holds: only the compressor keeps the charge back',
  'valve-unproved': () => 'service valves not verified',
  'part-stays-under-charge': () => 'the part to open is on the side that keeps the charge',
  'part-stays-under-receiver-charge': () => 'the part to open is on the side that keeps the charge',
  'leak-not-found': () => 'the leak is not found: it may be where the charge goes',
  'to-be-emptied': () => 'it is to be emptied, not opened at one part',
  'not-emptied-through-ports': () => 'what is opened may lie on the far side of the stuck metering device from the only port',
  'does-not-fit-condenser': holds('condenser'),
  'may-not-fit-condenser': mayNotHold('condenser'),
  'does-not-fit-receiver': holds('receiver'),
  'may-not-fit-receiver': mayNotHold('receiver'),
  'fits-whole': () => 'all of it fits the condenser: no machine need be carried',
  'rest-above-level': ({ level }, tell) => `the rest would stay above ${tell.pressure(level ?? 0)}, which the rules ask for`,
  'air-or-other-in-it': ({ airShare }, tell) => `${tell.percent(airShare ?? 0)} of the vapor may be air, or it is not what the plate says`,
  'no-liquid': ({ most }, tell) => `only vapor is left, ${tell.massText(most ?? 0)} at most`,
  'vapour-only-pump-down': ({ most }, tell) => `only vapor is left, ${tell.massText(most ?? 0)} at most: it is recovered as quickly`,
  'flat-pump-down': () => 'a compressor that runs on an empty circuit draws air in',
  'no-ports': () => 'it has no port to connect to',
  'has-ports': () => 'it has ports',
  'one-port': () => 'it takes two ports',
  'too-little-for-push-pull': ({ holds: least }, tell) => `worthwhile above about ${tell.massText(least ?? 0)}`,
  'too-little-for-liquid-first': ({ holds: least }, tell) => `worthwhile above about ${tell.massText(least ?? 0)}`,
  'sealed-unit': () => 'single port – slow',
};

/** What a record says and nobody has compared with the unit tells how it is on record, not how it is. */
export const reasonText = ({ code, numbers, asRecorded }: Reason, tell: QuantityFormatter): string =>
  asRecorded === true
    ? `on record ${reasonWords[code](numbers, tell)}, which nobody has compared with the unit`
    : reasonWords[code](numbers, tell);

export const feasibilityNames = {
  possible: 'possible',
  'once-seen': 'possible once verified',
  'not-advised': 'not advised',
  impossible: 'impossible',
} as const;

/** Why so much is reckoned with, one thing after the other. */
export function contentReasonText({ code, kg }: ContentReason, tell: Pick<Units, 'massText'>): string {
  switch (code) {
    case 'on-record':
      return `${tell.massText(kg)} on record`;
    case 'line-set':
      return `${tell.massText(kg)} in the line set`;
    case 'overdrawn':
      return `${tell.massText(kg)} more taken out than was in it: who charged it?`;
    case 'running':
      return `about ${tell.massText(kg)} in it, by how it ran`;
    case 'reported-short':
      return `about ${tell.massText(kg)} short, as reported`;
    case 'vapour-only':
      return `vapor alone: ${tell.massText(kg, 'up')} at most`;
    case 'flat':
      return `no pressure left: ${tell.massText(kg, 'up')} at most`;
    case 'one-side-read':
      return 'read both sides: a shut valve may hide liquid on the other';
    default:
      return code satisfies never;
  }
}

/** What the standing pressure says, and what to do about it. */
export function arrivalText(
  asFound: AsFound,
  { onRecord, reasons }: Pick<ContentNow, 'onRecord' | 'reasons'>,
  tell: QuantityFormatter,
): string {
  switch (asFound.state) {
    case 'unread':
      return 'Read the standing pressure before anything is touched: it tells whether there is liquid, only vapor, air, or nothing.';
    case 'flat':
      return asFound.how === 'vacuum'
        ? 'Under vacuum: already evacuated, or a valve is shut in front of the gauge. Prove it on both sides before anything is cut.'
        : 'Flat: 0 psig, perhaps open to the air. Prove zero on both sides before anything is cut: one side can hide behind a shut valve.';
    case 'liquid':
      return `Standing pressure matches saturation (${tell.pressure(asFound.pBubble)}): liquid is present.`;
    case 'vapour-only':
      if (reasons.some(({ code }) => code === 'one-side-read'))
        return 'Below saturation where it was read: only vapor on that side. Read both sides before you count on it: a shut valve may hide the liquid.';
      return (
        `Below saturation: only vapor is left, ${tell.massText(asFound.mostKg, 'up')} at most` +
        (onRecord > asFound.mostKg ? `; ${tell.massText(onRecord - asFound.mostKg)} of the contents on record are gone` : '') +
        '. Each hose you connect takes a noticeable share.'
      );
    case 'air-or-other':
      return `Above saturation pressure: ${tell.percent(asFound.airShare)} of the vapor may be air, or it is another refrigerant. Use an identifier; recover into a cylinder labeled accordingly.`;
    default:
      return asFound satisfies never;
  }
}

/** A question about facts that hardly go together. */
export function contradictionText({ code, numbers, part, what }: Contradiction, tell: QuantityFormatter): string {
  switch (code) {
    case 'more-than-it-holds':
      return `The ledger shows ${tell.massText(numbers['content'] ?? 0)} in it, and a circuit of that size holds ${tell.massText(numbers['holds'] ?? 0)} at most. Check its entries.`;
    case 'part-not-in-kind':
      return `A ${part === undefined ? 'part' : partNames[part].toLowerCase()} is recorded, but this system type usually has none. Check the system type.`;
    case 'charge-unusual':
      return `${tell.massText(numbers['charge'] ?? 0)} is unusual for this kind of system (${tell.massText(numbers['least'] ?? 0)} to ${tell.massText(numbers['most'] ?? 0)}). Read the plate again.`;
    case 'line-without-set':
      return 'A sealed appliance has no line set. Is the kind right?';
    case 'valve-without-part':
      return 'A king valve is recorded, and no receiver. Which is right?';
    case 'switches-crossed':
      return 'The low-pressure switch is recorded to open above the high-pressure switch. Check which setting is which.';
    case 'limit-below-standing':
      return `It stands at ${tell.pressureStep(numbers['standing'] ?? 0)}, and the ${what ?? 'weakest part'} is recorded to bear ${tell.pressureStep(numbers['limit'] ?? 0)}. Read it again before anything is tested.`;
    default:
      return code satisfies never;
  }
}
