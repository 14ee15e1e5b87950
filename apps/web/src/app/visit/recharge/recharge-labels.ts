import type { ChargingSchool, ChargingStep, SchoolReason, SchoolStanding } from '@hygromet/core/charge/charging';

export const schoolText: Record<ChargingSchool, string> = {
  'by-weight': $localize`by weight, verified by running`,
  'by-subcooling': $localize`by subcooling`,
  'by-sight-glass': $localize`by the sight glass`,
};
export const schoolStandingText: Record<SchoolStanding['feasibility'], string> = {
  possible: $localize`possible`,
  'once-seen': $localize`possible once it is seen`,
  'not-here': $localize`not here`,
};
export const schoolReasonText: Record<SchoolReason, string> = {
  'charge-unknown': $localize`nobody knows what is still in it: recover and weigh it first`,
  'needs-valve': $localize`with a fixed orifice the superheat tells, not the subcooling`,
  'metering-not-seen': $localize`which metering device it has, see Check`,
  'receiver-hides': $localize`a receiver holds the subcooling still whatever is in it`,
  'needs-receiver': $localize`without a receiver a clear glass says little`,
  'too-cold': $localize`too cold outdoors: it would be wrong on a warm day`,
  'outdoors-not-read': $localize`the outdoor temperature is not read`,
  'glide-bubbles': $localize`a blend with glide shows bubbles at the right charge`,
};

/** What is minded, step by step. */
export const chargingStepText: Record<ChargingStep, string> = {
  flammable: $localize`Flammable: ventilate, keep ignition sources away, leave the detector on; tools and cylinder rated for it; local codes come first.`,
  'gauge-off': $localize`Shut the micron gauge off: liquid ruins it.`,
  'break-vacuum': $localize`Break the vacuum with refrigerant, never with air: liquid into the liquid side.`,
  'liquid-only': $localize`As liquid only: cylinder upside down, or by its liquid port. Drawn as vapor its composition shifts.`,
  'throttle-suction': $localize`Throttle liquid into the suction in pulses, and watch the superheat: no liquid to the compressor.`,
  'heat-pump': $localize`Heat pump: weigh it in, and check it in cooling; in heating its subcooling is only a band.`,
  'receiver-room': $localize`See that the whole charge has room in the receiver at pump-down, at most 80 % at the hottest.`,
  'low-switch': $localize`See the low-pressure switch stop the compressor, and note its setting.`,
  'mark-level': $localize`Mark the level on the receiver for the next person.`,
  'hose-back': $localize`At the end run the hose back into the suction side; then weigh once more.`,
};
