import { computed, type Signal } from '@angular/core';
import type { System } from '@hygromet/contract/system';
import { usualLiquidLine } from '@hygromet/core/charge/charge-target';
import type { Composition } from '@hygromet/core/fluids/composition';
import type { Loadable } from '../ui/loadable';
import { coreQuery } from './core-query';
import type { CoreWorker } from './core-worker.service';

/** kg that the recorded lines of a system take beyond what its plate covers; nothing is asked where none are recorded. */
export const lineQuery = (
  core: CoreWorker,
  system: Signal<System | undefined>,
  composition: () => Composition | undefined,
): Signal<Loadable<number>> =>
  coreQuery(
    core,
    'lineSet',
    computed(() => {
      const [inIt, lineSet] = [composition(), system()?.facts.lineSet];
      return inIt === undefined || lineSet === undefined ? undefined : { lineSet, composition: inIt, T: usualLiquidLine };
    }),
  );
