import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { isUnknown } from '@hygromet/core/cylinder/judged-contents';
import { celsius } from '@hygromet/core/units/temperature';
import { asked } from '../live/asked';
import { command } from '../live/command';
import { Drafts } from '../live/draft.service';
import { ledger } from '../live/ledger';
import { newKey } from '../live/new-key';
import { PropertyService } from '../live/property.service';
import { Registers } from '../live/registers.service';
import { PreferencesService } from '../preferences/preferences.service';
import { loadable, valueOf, waiting } from '../ui/loadable';
import { emptyEntry } from '../ui/quantity-entry';
import type { HappeningDraft } from './happening-draft';
import { hottestAt, usualPlace } from './hottest-place';
import { airCounted, collarOf } from './judged-cylinder';

/** One cylinder as it stands: its limits, levels and history. */
@Injectable()
export class CylinderSession {
  private readonly registers = inject(Registers);
  private readonly properties = inject(PropertyService);
  private readonly preferences = inject(PreferencesService).current;
  private readonly id = inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '';

  /** What was typed of a happening, kept on the device until it is recorded. */
  readonly happening = inject(Drafts).open<Partial<HappeningDraft>>(`happening.${this.id}`, () => ({})).value;
  readonly temperature = signal<number>(celsius(25));
  readonly cylinder = toSignal(loadable(this.registers.cylinder$(this.id)), { initialValue: waiting });
  readonly ledger = ledger({ account: this.id });
  readonly events = toSignal(loadable(this.registers.cylinderEvents$(this.id)), { initialValue: waiting });
  private readonly organisation = toSignal(loadable(this.registers.organisation$), { initialValue: waiting });
  private readonly refrigerants = toSignal(loadable(this.registers.refrigerants$), { initialValue: waiting });

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

  readonly limits = asked(
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
  readonly levels = asked(
    this.properties,
    'levels',
    computed(() => {
      const [cylinder, composition, ruling, T] = [this.known(), this.composition(), valueOf(this.limits())?.ruling, this.temperature()];
      if (cylinder === undefined || composition === undefined || ruling === undefined || isUnknown(composition)) return undefined;
      const cases = [
        { massKg: this.contentKg(), T },
        { massKg: ruling.net, T },
        { massKg: ruling.net, T: celsius(55) },
      ];
      return { composition, volumeM3: cylinder.volumeM3, airShare: airCounted(cylinder), cases };
    }),
  );

  readonly reversing = command(
    ({ id, note }: { id: string; note: string }) =>
      this.registers.reverse$(id, { key: newKey(), recordedBy: this.preferences().person, note }),
    () => undefined,
  );
}
