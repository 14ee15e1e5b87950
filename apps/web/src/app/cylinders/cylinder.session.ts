import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { celsius } from '@hygromet/core/units/temperature';
import { asked } from '../live/asked';
import { command } from '../live/command';
import { newKey } from '../live/new-key';
import { PropertyService } from '../live/property.service';
import { Registers } from '../live/registers.service';
import { PreferencesService } from '../preferences/preferences.service';
import { loadable, valueOf, waiting } from '../ui/loadable';

/** One cylinder as it stands: its limits, levels and history. */
@Injectable()
export class CylinderSession {
  private readonly registers = inject(Registers);
  private readonly properties = inject(PropertyService);
  private readonly preferences = inject(PreferencesService).current;
  private readonly id = inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '';

  readonly temperature = signal<number>(celsius(25));
  readonly cylinder = toSignal(loadable(this.registers.cylinder$(this.id)), { initialValue: waiting });
  readonly movements = toSignal(loadable(this.registers.movementsOf$(this.id)), { initialValue: waiting });
  readonly events = toSignal(loadable(this.registers.cylinderEvents$(this.id)), { initialValue: waiting });
  private readonly organisation = toSignal(loadable(this.registers.organisation$), { initialValue: waiting });
  private readonly refrigerants = toSignal(loadable(this.registers.refrigerants$), { initialValue: waiting });

  readonly hottestK = computed(() => valueOf(this.organisation())?.hottestK);
  private readonly known = computed(() => valueOf(this.cylinder()));
  readonly summary = computed(() => valueOf(this.refrigerants())?.find(({ id }) => id === this.known()?.refrigerant));
  readonly composition = computed(() => this.known()?.composition ?? this.summary()?.composition);
  private readonly contentKg = computed(() => Math.max(0, this.known()?.contentKg ?? 0));

  readonly limits = asked(
    this.properties,
    'limits',
    computed(() => {
      const [cylinder, composition, organisation] = [this.known(), this.composition(), valueOf(this.organisation())];
      if (cylinder === undefined || composition === undefined || organisation === undefined) return undefined;
      const policy = { required: organisation.requiredRules, liquidShareAt131F: organisation.liquidShareAt131F };
      return {
        composition,
        volumeM3: cylinder.volumeM3,
        tareKg: cylinder.tareKg,
        contentKg: this.contentKg(),
        hottestK: organisation.hottestK,
        policy,
      };
    }),
  );
  readonly levels = asked(
    this.properties,
    'levels',
    computed(() => {
      const [cylinder, composition, ruling, T] = [this.known(), this.composition(), valueOf(this.limits())?.ruling, this.temperature()];
      if (cylinder === undefined || composition === undefined || ruling === undefined) return undefined;
      const cases = [
        { massKg: this.contentKg(), T },
        { massKg: ruling.net, T },
        { massKg: ruling.net, T: celsius(55) },
      ];
      return { composition, volumeM3: cylinder.volumeM3, cases };
    }),
  );

  readonly reversing = command(
    ({ id, note }: { id: string; note: string }) =>
      this.registers.reverse$(id, { key: newKey(), recordedBy: this.preferences().person, note }),
    () => undefined,
  );
}
