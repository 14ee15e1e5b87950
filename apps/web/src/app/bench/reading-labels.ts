import type { VesselAtRest } from '@hygromet/core/readings/vessel-at-rest';

/** What a measured pair says, in a technician's words. */
export interface ReadingWords {
  readonly heading: string;
  readonly sentence: string;
  /** Somebody or something may be hurt if it is passed over. */
  readonly caution: boolean;
}

/** How quantities are told; `Units` is one. */
export interface QuantityFormatter {
  readonly pressure: (p: number) => string;
  readonly pressureStep: (difference: number) => string;
  readonly temperature: (T: number, decimals?: number) => string;
  readonly temperatureStep: (difference: number) => string;
  readonly percent: (share: number) => string;
}

export function restWords(name: string, p: number, rest: VesselAtRest, tell: QuantityFormatter): ReadingWords {
  const text = tell.pressure(rest.pBubble);
  switch (rest.verdict) {
    case 'saturated':
      return {
        heading: $localize`${name} at saturation, ${text}`,
        sentence: $localize`Gauge and thermometer agree within ${tell.pressureStep(rest.tolerance)}. As long as any liquid is left, the pressure does not tell how full it is: weigh it.`,
        caution: false,
      };
    case 'high':
      return {
        heading: $localize`${tell.pressureStep(p - rest.pBubble)} above ${name}, which reads ${text}`,
        sentence:
          $localize`Air would be ${tell.percent(rest.airShare)} of the vapor` +
          (rest.aboveAhri700 ? $localize`, above the 1.5 % that AHRI 700 allows` : '') +
          $localize`. It may as well be another refrigerant, or a liquid warmer than the wall. Let it settle, measure again, and use an identifier before it goes anywhere.`,
        caution: true,
      };
    case 'little-liquid':
      return {
        heading: $localize`Between its dew and its bubble point`,
        sentence: $localize`${name} reads ${text} while most of it is liquid and ${tell.pressure(rest.pDew)} when the last drop is gone. Little liquid is left, and what is left is no longer the blend on the label.`,
        caution: false,
      };
    case 'low':
      return {
        heading: $localize`${tell.pressureStep(rest.pDew - p)} below ${name}, which reads ${tell.pressure(rest.pDew)} at its dew point`,
        sentence: $localize`No liquid is left, or it is not what the label says. Weigh it; if there is weight in it, use an identifier.`,
        caution: true,
      };
    default:
      return rest.verdict satisfies never;
  }
}

export function superheatWords(superheat: number, T: number, p: number, tell: QuantityFormatter): ReadingWords {
  const dew = $localize`dew point ${tell.temperature(T - superheat, 1)} under ${tell.pressure(p)}`;
  if (superheat >= 0)
    return {
      heading: $localize`Superheat ${tell.temperatureStep(superheat)}`,
      sentence: $localize`The vapor is that much above its ${dew}.`,
      caution: false,
    };
  return {
    heading: $localize`${tell.temperatureStep(-superheat)} below the dew point`,
    sentence: $localize`Colder than its ${dew}\: liquid comes back to the compressor, or one of the two readings is wrong. Check both before anything is added.`,
    caution: true,
  };
}

export function subcoolingWords(subcooling: number, T: number, p: number, tell: QuantityFormatter): ReadingWords {
  const bubble = $localize`bubble point ${tell.temperature(T + subcooling, 1)} under ${tell.pressure(p)}`;
  if (subcooling >= 0)
    return {
      heading: $localize`Subcooling ${tell.temperatureStep(subcooling)}`,
      sentence: $localize`The liquid is that much below its ${bubble}.`,
      caution: false,
    };
  return {
    heading: $localize`${tell.temperatureStep(-subcooling)} above the bubble point`,
    sentence: $localize`Warmer than its ${bubble}\: there is flash gas in the liquid line, or one of the two readings is wrong.`,
    caution: true,
  };
}
