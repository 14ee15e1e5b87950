import { computed, type Signal } from '@angular/core';
import { candidateOf } from '@hygromet/contract/candidate';
import type { ComingIn } from '@hygromet/contract/coming-in';
import type { Cylinder } from '@hygromet/contract/cylinder';
import type { FillPolicy } from '@hygromet/core/cylinder/fill-rule';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import type { Port } from '@hygromet/core/cylinder/port';
import type { Hose } from '@hygromet/core/cylinder/handling';
import type { Composition } from '@hygromet/core/fluids/composition';
import { HOT_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';
import { airCounted, collarOf, reliefOf } from '../cylinders/judged-cylinder';
import { coreQuery } from '../core-worker/core-query';
import type { LimitsArgs } from '../core-worker/cylinder-operations';
import type { CoreWorker } from '../core-worker/core-worker.service';
import { valueOf } from '../ui/loadable';
import type { Reading } from '../ui/quantity-entry';

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
  readonly port: Signal<Port | undefined>;
  /** Of the drawn cylinder, K. */
  readonly temperature: Signal<number>;
  readonly incoming: Signal<ComingIn | undefined>;
  readonly compositionOf: (refrigerant: string) => Composition | undefined;
  /** Pa, at the site. */
  readonly atmosphere: () => number;
}

/** Everything that the core says of one filling; each answer follows what it rests on. Call it where things may be injected. */
export function fillAnswers(properties: CoreWorker, filling: Filling) {
  const question = computed((): LimitsArgs | undefined => {
    const [cylinder, composition, contentKg, hottestK, policy] = [
      filling.cylinder(),
      filling.composition(),
      filling.contentKg(),
      filling.hottestK(),
      filling.policy(),
    ];
    if (cylinder === undefined || composition === undefined || contentKg === undefined || hottestK === undefined || policy === undefined)
      return undefined;
    const incoming = filling.incoming()?.composition;
    return { ...collarOf(cylinder), composition, contentKg, hottestK, policy, incoming, port: filling.port() };
  });
  const limits = coreQuery(properties, 'limits', question);
  const stop = coreQuery(
    properties,
    'stop',
    computed(() => {
      const [asking, scaleOff, oilShare] = [question(), filling.scaleOff(), filling.oilShare()];
      if (asking === undefined || scaleOff.state === 'bad' || oilShare === undefined) return undefined;
      return { limits: asking, scaleOff: scaleOff.state === 'good' ? scaleOff.si : undefined, hose: filling.hose(), oilShare };
    }),
  );
  /** What is in it, in what volume, and how much that would be when the valve is shut. Of what nobody knows nothing can be drawn. */
  const filled = computed(() => {
    const [cylinder, asking, shutAt] = [filling.cylinder(), question(), valueOf(stop())];
    if (cylinder === undefined || asking === undefined || shutAt === undefined) return undefined;
    const composition = asking.contentKg > 0 ? asking.composition : (asking.incoming ?? asking.composition);
    if (isUnknown(composition)) return undefined;
    return { composition, volumeM3: asking.volumeM3, contentKg: asking.contentKg, stopKg: shutAt.net, airShare: airCounted(cylinder) };
  });
  /** Levels now and at the stop, at the dragged temperature, and at the stop at 131 °F. */
  const levels = coreQuery(
    properties,
    'levels',
    computed(() => {
      const [own, T] = [filled(), filling.temperature()];
      if (own === undefined) return undefined;
      const cases = [
        { massKg: own.contentKg, T },
        { massKg: own.stopKg, T },
        { massKg: own.stopKg, T: HOT_REFERENCE },
      ];
      return { composition: own.composition, volumeM3: own.volumeM3, airShare: own.airShare, cases };
    }),
  );
  const heat = coreQuery(
    properties,
    'heat',
    computed(() => {
      const [own, cylinder] = [filled(), filling.cylinder()];
      if (own === undefined || cylinder === undefined) return undefined;
      const { composition, volumeM3, airShare } = own;
      const massKg = Math.max(own.stopKg, own.contentKg);
      return { composition, volumeM3, massKg, airShare, hottestK: filling.hottestK(), reliefPa: reliefOf(cylinder, filling.atmosphere()) };
    }),
  );
  const rating = coreQuery(
    properties,
    'rating',
    computed(() => {
      const [cylinder, asking, shutAt] = [filling.cylinder(), question(), valueOf(stop())];
      if (cylinder === undefined || asking === undefined || shutAt === undefined) return undefined;
      return { filling: asking, massKg: Math.max(asking.contentKg, shutAt.net), airShare: cylinder.airShare ?? undefined };
    }),
  );
  /** Of what comes in, else of what is in it, where its limits are estimates. */
  const margin = coreQuery(
    properties,
    'margin',
    computed(() => {
      const asking = question();
      const composition = asking?.incoming ?? asking?.composition;
      return composition === undefined || isUnknown(composition) || valueOf(limits())?.estimated !== true ? undefined : composition;
    }),
  );
  const suited = coreQuery(
    properties,
    'suit',
    computed(() => {
      const [cylinder, policy, hottestK, incoming] = [filling.cylinder(), filling.policy(), filling.hottestK(), filling.incoming()];
      if (cylinder === undefined || policy === undefined || hottestK === undefined || incoming === undefined) return undefined;
      const candidate = { id: cylinder.id, ...candidateOf(cylinder, filling.compositionOf) };
      return { cylinders: [candidate], incoming: { ...incoming, port: filling.port() }, policy, hottestK };
    }),
  );
  return { limits, stop, levels, heat, rating, margin, suited };
}
