import { computed, type Signal } from '@angular/core';
import { candidateOf } from '@hygromet/contract/candidate';
import type { ComingIn } from '@hygromet/contract/coming-in';
import type { Cylinder } from '@hygromet/contract/cylinder';
import type { FillPolicy } from '@hygromet/core/cylinder/fill-rule';
import type { Hose } from '@hygromet/core/cylinder/stop-weight';
import type { Composition } from '@hygromet/core/fluids/composition';
import { celsius } from '@hygromet/core/units/temperature';
import { asked } from '../live/asked';
import type { PropertyService } from '../live/property.service';
import { valueOf } from '../ui/loadable';
import type { Reading } from '../ui/quantity-entry';
import { coolStop } from './cool-stop';

/** What a filling is judged by, as far as it is known. */
interface Filling {
  readonly cylinder: Signal<Cylinder | undefined>;
  readonly composition: Signal<Composition | undefined>;
  readonly contentKg: Signal<number | undefined>;
  readonly hottestK: Signal<number | undefined>;
  readonly policy: Signal<FillPolicy | undefined>;
  readonly scaleOff: Signal<Reading>;
  readonly oilShare: Signal<number | undefined>;
  readonly hose: Signal<Hose>;
  /** Of the drawn cylinder, K. */
  readonly temperature: Signal<number>;
  readonly incoming: Signal<ComingIn | undefined>;
  readonly compositionOf: (refrigerant: string) => Composition | undefined;
}

/** Everything that the core says of one filling; each answer follows what it rests on. Call it where things may be injected. */
export function fillAnswers(properties: PropertyService, filling: Filling) {
  const question = computed(() => {
    const [cylinder, composition, contentKg, hottestK, policy] = [
      filling.cylinder(),
      filling.composition(),
      filling.contentKg(),
      filling.hottestK(),
      filling.policy(),
    ];
    if (cylinder === undefined || composition === undefined || contentKg === undefined || hottestK === undefined || policy === undefined)
      return undefined;
    return { composition, volumeM3: cylinder.volumeM3, tareKg: cylinder.tareKg, contentKg, hottestK, policy };
  });
  const limits = asked(properties, 'limits', question);
  const stop = asked(
    properties,
    'stop',
    computed(() => {
      const [asking, scaleOff, oilShare] = [question(), filling.scaleOff(), filling.oilShare()];
      if (asking === undefined || scaleOff.state === 'bad' || oilShare === undefined) return undefined;
      return { limits: asking, scaleOff: scaleOff.state === 'good' ? scaleOff.si : 0, hose: filling.hose(), oilShare };
    }),
  );
  /** What is in it, in what volume, and how much that would be at the stop. */
  const filled = computed(() => {
    const [asking, ruling] = [question(), valueOf(limits())?.ruling];
    return asking === undefined || ruling === undefined ? undefined : { ...asking, stopKg: ruling.net };
  });
  /** Levels now and at the stop, at the dragged temperature, and at the stop at 131 °F. */
  const levels = asked(
    properties,
    'levels',
    computed(() => {
      const [own, T] = [filled(), filling.temperature()];
      if (own === undefined) return undefined;
      const cases = [
        { massKg: own.contentKg, T },
        { massKg: own.stopKg, T },
        { massKg: own.stopKg, T: celsius(55) },
      ];
      return { composition: own.composition, volumeM3: own.volumeM3, cases };
    }),
  );
  const heat = asked(
    properties,
    'heat',
    computed(() => {
      const own = filled();
      return own && { composition: own.composition, volumeM3: own.volumeM3, massKg: Math.max(own.stopKg, own.contentKg) };
    }),
  );
  const rating = asked(
    properties,
    'rating',
    computed(() => {
      const [cylinder, composition] = [filling.cylinder(), filling.composition()];
      return cylinder && composition && { composition, servicePressurePa: cylinder.servicePressurePa };
    }),
  );
  const suited = asked(
    properties,
    'suit',
    computed(() => {
      const [cylinder, policy, hottestK, incoming] = [filling.cylinder(), filling.policy(), filling.hottestK(), filling.incoming()];
      if (cylinder === undefined || policy === undefined || hottestK === undefined || incoming === undefined) return undefined;
      return { cylinders: [{ id: cylinder.id, ...candidateOf(cylinder, filling.compositionOf) }], incoming, policy, hottestK };
    }),
  );
  const coolStopAt = computed(() => {
    const [own, computedLimits, shutAt] = [question(), valueOf(limits()), valueOf(stop())];
    if (own === undefined || computedLimits === undefined || shutAt === undefined) return undefined;
    return coolStop(computedLimits, shutAt, { ...own, liquidShare: own.policy.liquidShareAt131F });
  });
  return { limits, stop, levels, heat, rating, suited, coolStopAt };
}
