import { fromServer } from '../data/from-server';
import { computed, inject, Injectable, signal } from '@angular/core';

import { ActivatedRoute } from '@angular/router';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { HOT_REFERENCE, USUAL_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';
import { coreQuery } from '../core-worker/core-query';
import { mutation } from '../data/mutation';
import { Drafts } from '../data/draft.service';
import { ledger } from '../data/ledger';
import { newKey } from '../data/new-key';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { valueOf } from '../ui/loadable';
import { emptyEntry } from '../ui/quantity-entry';
import type { CylinderEventDraft } from './cylinder-event-draft';
import { hottestAt, usualPlace } from './hottest-place';
import { airCounted, collarOf } from './judged-cylinder';

/** One cylinder as it stands: its limits, levels and history. */
@Injectable()
export class CylinderSession {
  private readonly serverData = inject(ServerData);
  private readonly properties = inject(CoreWorker);
  private readonly preferences = inject(PreferencesService).current;
  private readonly id = inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '';

  /** What was typed of an event, kept on the device until it is recorded. */
  readonly eventDraft = inject(Drafts).open<Partial<CylinderEventDraft>>(`cylinder-event.${this.id}`, () => ({})).value;
  readonly temperature = signal<number>(USUAL_REFERENCE);
  readonly cylinder = fromServer(this.serverData.cylinder$(this.id));
  readonly ledger = ledger({ account: this.id });
  readonly events = fromServer(this.serverData.cylinderEvents$(this.id));
  private readonly organisation = fromServer(this.serverData.organisation$);
  /** Read with the rest: an empty cylinder is held against what the systems hold. */
  private readonly systems = fromServer(this.serverData.systems$);
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);

  /** Where it will be; the organisation's own place until the person chooses. */
  readonly chosenPlace = signal('');
  readonly ownHottest = signal(emptyEntry(this.preferences().temperature));
  readonly organisationK = computed(() => valueOf(this.organisation())?.hottestK);
  readonly place = computed(() => this.chosenPlace() || usualPlace(this.organisationK()));
  readonly hottestK = computed(() => hottestAt(this.place(), this.ownHottest(), this.organisationK()));
  private readonly known = computed(() => valueOf(this.cylinder()));
  readonly summary = computed(() => valueOf(this.refrigerants())?.find(({ id }) => id === this.known()?.refrigerant));
  readonly composition = computed(() => this.known()?.composition ?? this.summary()?.composition);
  private readonly contentKg = computed(() => Math.max(0, this.known()?.contentKg ?? 0));

  readonly limits = coreQuery(
    this.properties,
    'limits',
    computed(() => {
      const [cylinder, composition, organisation, hottestK] = [
        this.known(),
        this.composition(),
        valueOf(this.organisation()),
        this.hottestK(),
      ];
      if (cylinder === undefined || composition === undefined || organisation === undefined) return undefined;
      const policy = { required: organisation.requiredRules, liquidShareAt131F: organisation.liquidShareAt131F };
      return {
        ...collarOf(cylinder),
        composition,
        contentKg: this.contentKg(),
        hottestK: hottestK ?? organisation.hottestK, // while another temperature is typed
        policy,
        port: 'liquid' as const, // what is in it is what it is
      };
    }),
  );
  /** Nothing more is on its way that the page begins with. */
  readonly read = computed(
    () =>
      [this.cylinder(), this.organisation(), this.refrigerants(), this.systems(), this.ledger.entries()].every(
        ({ state }) => state !== 'waiting',
      ) &&
      (this.composition() === undefined || this.limits().state !== 'waiting'),
  );
  /** Of what nobody has identified nothing can be drawn. */
  readonly unidentified = computed(() => isUnknown(this.composition() ?? {}));
  /** Now, at the limit, and at 131 °F; where there is no limit, what is in it now and at 131 °F. */
  readonly levels = coreQuery(
    this.properties,
    'levels',
    computed(() => {
      const [cylinder, composition, limits, T] = [this.known(), this.composition(), this.limits(), this.temperature()];
      if (cylinder === undefined || composition === undefined || limits.state === 'waiting' || this.unidentified()) return undefined;
      const now = { massKg: this.contentKg(), T };
      const net = valueOf(limits)?.ruling.net;
      const cases = net === undefined ? [now, { ...now, T: HOT_REFERENCE }] : [now, { massKg: net, T }, { massKg: net, T: HOT_REFERENCE }];
      return { composition, volumeM3: cylinder.volumeM3, airShare: airCounted(cylinder), cases };
    }),
  );

  readonly reversing = mutation(
    ({ id, note }: { id: string; note: string }) =>
      this.serverData.reverse$(id, { key: newKey(), recordedBy: this.preferences().person, note }),
    () => undefined,
  );
}
