import type { Method } from '@hygromet/core/planning/method';
import type { Reason, ReasonCode } from '@hygromet/core/planning/reasons';
import type { ContentNow, ContentReason } from '@hygromet/core/planning/content-now';
import type { AsFound } from '@hygromet/core/planning/as-found';
import type { Cooling } from '@hygromet/core/planning/equipment';
import type { Contradiction } from '@hygromet/core/planning/contradictions';
import type { Units } from '../preferences/units.service';
import { partNames } from '../systems/system-labels';

export const methodNames: Record<Method, string> = {
  nothing: $localize`Nothing to recover`,
  'pump-down-condenser': $localize`Pump down into the condenser`,
  'pump-down-receiver': $localize`Pump down into the receiver`,
  'pump-down-and-recover': $localize`Pump down what fits, recover the rest`,
  'liquid-first': $localize`Liquid recovery by pressure difference, then vapor`,
  'push-pull': $localize`Push-pull, then recover the vapor`,
  recover: $localize`Recover everything`,
  pierce: $localize`Pierce and recover`,
};

/** How a cylinder is cooled while it fills. */
export const coolingWords: Record<Cooling, string> = {
  still: $localize`in still air`,
  fan: $localize`before a fan`,
  water: $localize`into running water`,
  ice: $localize`into ice water`,
};

type QuantityFormatter = Pick<Units, 'massText' | 'percent' | 'pressure' | 'pressureStep' | 'temperature'>;
type Numbers = Reason['numbers'];

const holds =
  (what: string) =>
  ({ content, holds: may, share, T }: Numbers, tell: QuantityFormatter) =>
    $localize`${tell.massText(content ?? 0)} are in it, the ${what} may hold ${tell.massText(may ?? 0)}\: ${tell.percent(share ?? 0)} liquid at ${tell.temperature(T ?? 0)}`;

const mayNotHold =
  (what: string) =>
  ({ content, holds: may, share, T }: Numbers, tell: QuantityFormatter) =>
    $localize`up to ${tell.massText(content ?? 0)} may be in it, and the ${what} may hold as little as ${tell.massText(may ?? 0)}\: ${tell.percent(share ?? 0)} liquid at ${tell.temperature(T ?? 0)}`;

const volumeUnknown =
  (what: string) =>
  ({ content, holds: may }: Numbers, tell: QuantityFormatter) =>
    $localize`up to ${tell.massText(content ?? 0)} may be in it, and the ${what}, of which no volume is recorded, is only sure to hold ${tell.massText(may ?? 0)}`;

/** Every reason in a technician's words, with the figures behind it. */
const reasonWords: Record<ReasonCode, (numbers: Numbers, tell: QuantityFormatter) => string> = {
  'it-is-flat': () => $localize`no pressure is left`,
  'it-holds-refrigerant': ({ content }, tell) => $localize`about ${tell.massText(content ?? 0)} are in it`,
  'compressor-stands': () => $localize`the compressor does not run`,
  'compressor-burnt-out': () => $localize`burnout – do not circulate acid`,
  'compressor-unproved': () => $localize`compressor operation not verified`,
  'compressor-said-dead': () => $localize`the compressor is reported dead, and nobody has verified it`,
  'pressure-unread': () => $localize`the standing pressure has not been read`,
  'one-side-read': () => $localize`zero was not read on both sides: one can hide behind a shut valve`,
  'cooling-unproved': () => $localize`forced cooling not verified`,
  'metering-unproved': () => $localize`metering device not verified`,
  'water-leaks-in': () =>
    $localize`water leaks into the refrigerant: isolate and drain the water side before the pressure falls below the water’s`,
  unidentified: ({ airShare }, tell) =>
    $localize`${tell.percent(airShare ?? 0)} of the vapor may be air, or it is another refrigerant: use an identifier first`,
  'water-unseen': () => $localize`water flow not verified: without it the tubes freeze and burst`,
  'king-valve-unproved': () => $localize`king valve not verified`,
  'condenser-volume-unknown': volumeUnknown('condenser'),
  'receiver-volume-unknown': volumeUnknown('receiver'),
  'not-held-in-cooling': () => $localize`it cannot be held in cooling`,
  'metering-stuck-closed': () => $localize`the metering device is shut: the liquid line cannot empty`,
  'water-stands': () => $localize`no water through the barrel: its tubes freeze and burst. Start the pump first`,
  'condenser-cooling-unseen': () =>
    $localize`nobody has seen whether air or water cools its condenser: without flow the tubes freeze and burst`,
  'no-service-valves': () => $localize`it has no service valves`,
  'no-liquid-service-valve': () => $localize`there is a king valve instead of a liquid service valve`,
  'no-receiver': () => $localize`it has no receiver with a king valve`,
  'liquid-valve-leaks': () => $localize`the liquid service valve leaks`,
  'king-valve-leaks': () => $localize`the king valve leaks`,
  'suction-valve-leaks': () => $localize`the suction service valve leaks`,
  'no-suction-valve': () => $localize`no suction valve that holds: only the compressor keeps the charge back`,
  'valve-unproved': () => $localize`service valves not verified`,
  'part-stays-under-charge': () => $localize`the part to open is on the side that keeps the charge`,
  'part-stays-under-receiver-charge': () => $localize`the part to open is on the side that keeps the charge`,
  'leak-not-found': () => $localize`the leak is not found: it may be where the charge goes`,
  'to-be-emptied': () => $localize`it is to be emptied, not opened at one part`,
  'not-emptied-through-ports': () => $localize`what is opened may lie on the far side of the stuck metering device from the only port`,
  'does-not-fit-condenser': holds('condenser'),
  'may-not-fit-condenser': mayNotHold('condenser'),
  'does-not-fit-receiver': holds('receiver'),
  'may-not-fit-receiver': mayNotHold('receiver'),
  'fits-whole': () => $localize`all of it fits the condenser: no machine need be carried`,
  'rest-above-level': ({ level }, tell) => $localize`the rest would stay above ${tell.pressure(level ?? 0)}, which the rules ask for`,
  'air-or-other-in-it': ({ airShare }, tell) =>
    $localize`${tell.percent(airShare ?? 0)} of the vapor may be air, or it is not what the plate says`,
  'no-liquid': ({ most }, tell) => $localize`only vapor is left, ${tell.massText(most ?? 0)} at most`,
  'vapour-only-pump-down': ({ most }, tell) =>
    $localize`only vapor is left, ${tell.massText(most ?? 0)} at most: it is recovered as quickly`,
  'flat-pump-down': () => $localize`a compressor that runs on an empty circuit draws air in`,
  'no-ports': () => $localize`it has no port to connect to`,
  'has-ports': () => $localize`it has ports`,
  'one-port': () => $localize`it takes two ports`,
  'too-little-for-push-pull': ({ holds: least }, tell) => $localize`worthwhile above about ${tell.massText(least ?? 0)}`,
  'too-little-for-liquid-first': ({ holds: least }, tell) => $localize`worthwhile above about ${tell.massText(least ?? 0)}`,
  'sealed-unit': () => $localize`single port – slow`,
};

/** What a record says and nobody has compared with the unit tells how it is on record, not how it is. */
export const reasonText = ({ code, numbers, asRecorded }: Reason, tell: QuantityFormatter): string =>
  asRecorded === true
    ? $localize`on record ${reasonWords[code](numbers, tell)}, which nobody has compared with the unit`
    : reasonWords[code](numbers, tell);

export const feasibilityNames = {
  possible: $localize`possible`,
  'once-seen': $localize`possible once verified`,
  'not-advised': $localize`not advised`,
  impossible: $localize`impossible`,
} as const;

/** Why so much is reckoned with, one thing after the other. */
export function contentReasonText({ code, kg }: ContentReason, tell: Pick<Units, 'massText'>): string {
  switch (code) {
    case 'on-record':
      return $localize`${tell.massText(kg)} on record`;
    case 'line-set':
      return $localize`${tell.massText(kg)} in the line set`;
    case 'overdrawn':
      return $localize`${tell.massText(kg)} more taken out than was in it: who charged it?`;
    case 'running':
      return $localize`about ${tell.massText(kg)} in it, by how it ran`;
    case 'reported-short':
      return $localize`about ${tell.massText(kg)} short, as reported`;
    case 'vapour-only':
      return $localize`vapor alone: ${tell.massText(kg, 'up')} at most`;
    case 'flat':
      return $localize`no pressure left: ${tell.massText(kg, 'up')} at most`;
    case 'one-side-read':
      return $localize`read both sides: a shut valve may hide liquid on the other`;
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
      return $localize`Read the standing pressure before anything is touched: it tells whether there is liquid, only vapor, air, or nothing.`;
    case 'flat':
      return asFound.how === 'vacuum'
        ? $localize`Under vacuum: already evacuated, or a valve is shut in front of the gauge. Prove it on both sides before anything is cut.`
        : $localize`Flat: 0 psig, perhaps open to the air. Prove zero on both sides before anything is cut: one side can hide behind a shut valve.`;
    case 'liquid':
      return $localize`Standing pressure matches saturation (${tell.pressure(asFound.pBubble)}): liquid is present.`;
    case 'vapour-only':
      if (reasons.some(({ code }) => code === 'one-side-read'))
        return $localize`Below saturation where it was read: only vapor on that side. Read both sides before you count on it: a shut valve may hide the liquid.`;
      return (
        $localize`Below saturation: only vapor is left, ${tell.massText(asFound.mostKg, 'up')} at most` +
        (onRecord > asFound.mostKg ? $localize`; ${tell.massText(onRecord - asFound.mostKg)} of the contents on record are gone` : '') +
        $localize`. Each hose you connect takes a noticeable share.`
      );
    case 'air-or-other':
      return $localize`Above saturation pressure: ${tell.percent(asFound.airShare)} of the vapor may be air, or it is another refrigerant. Use an identifier; recover into a cylinder labeled accordingly.`;
    default:
      return asFound satisfies never;
  }
}

/** A question about facts that hardly go together. */
export function contradictionText({ code, numbers, part, what }: Contradiction, tell: QuantityFormatter): string {
  switch (code) {
    case 'more-than-it-holds':
      return $localize`The ledger shows ${tell.massText(numbers['content'] ?? 0)} in it, and a circuit of that size holds ${tell.massText(numbers['holds'] ?? 0)} at most. Check its entries.`;
    case 'part-not-in-kind':
      return $localize`A ${part === undefined ? $localize`part` : partNames[part].toLowerCase()} is recorded, but this system type usually has none. Check the system type.`;
    case 'charge-unusual':
      return $localize`${tell.massText(numbers['charge'] ?? 0)} is unusual for this kind of system (${tell.massText(numbers['least'] ?? 0)} to ${tell.massText(numbers['most'] ?? 0)}). Read the plate again.`;
    case 'line-without-set':
      return $localize`A sealed appliance has no line set. Is the kind right?`;
    case 'valve-without-part':
      return $localize`A king valve is recorded, and no receiver. Which is right?`;
    case 'switches-crossed':
      return $localize`The low-pressure switch is recorded to open above the high-pressure switch. Check which setting is which.`;
    case 'limit-below-standing':
      return $localize`It stands at ${tell.pressureStep(numbers['standing'] ?? 0)}, and the ${what ?? $localize`weakest part`} is recorded to bear ${tell.pressureStep(numbers['limit'] ?? 0)}. Read it again before anything is tested.`;
    default:
      return code satisfies never;
  }
}
