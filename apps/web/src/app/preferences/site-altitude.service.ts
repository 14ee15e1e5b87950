import { computed, effect, inject, Injectable } from '@angular/core';
import { DraftStore } from '../data/draft-store';
import { fromServer } from '../data/from-server';
import { ServerData } from '../data/server-data.service';
import { valueOf } from '../ui/loadable';

const KEPT_AS = 'hygromet.altitude';

/**
 * m above the sea, of the firm. A gauge reads against the air around it: without the altitude no reading of a gauge is a pressure, and at
 * 1600 m one that is taken as at the sea is 2.5 psi off. What this device knew last holds until the server tells.
 */
@Injectable({ providedIn: 'root' })
export class SiteAltitude {
  private readonly store = inject(DraftStore);
  private readonly last = altitudeIn(this.store.read(KEPT_AS));
  readonly read = fromServer(inject(ServerData).organisation$);
  /** Nothing on a device that has never heard it: no page is opened then. */
  readonly meters = computed(() => valueOf(this.read())?.altitudeM ?? this.last);

  constructor() {
    effect(() => {
      const told = valueOf(this.read());
      if (told !== undefined) this.store.write(KEPT_AS, JSON.stringify({ altitudeM: told.altitudeM }));
    });
  }
}

function altitudeIn(stored: unknown): number | undefined {
  const altitudeM = typeof stored === 'object' && stored !== null && 'altitudeM' in stored ? stored.altitudeM : undefined;
  return typeof altitudeM === 'number' && Number.isFinite(altitudeM) ? altitudeM : undefined;
}
