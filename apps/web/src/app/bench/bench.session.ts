import { fromServer } from '../data/from-server';
import { computed, inject, Injectable } from '@angular/core';

import { pressureIn, type PressureUnit } from '@hygromet/core/units/pressure';
import { temperatureIn, type TemperatureUnit } from '@hygromet/core/units/temperature';
import { coreQuery } from '../core-worker/core-query';
import type { Leading } from '../core-worker/bench-operations';
import { Drafts } from '../data/draft.service';
import { CoreWorker } from '../core-worker/core-worker.service';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { valueOf } from '../ui/loadable';
import { readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { newBenchDraft, newPart, type BenchDraft, type MixturePart } from './bench-draft';
import { mixtureName } from './mixture-name';

const PRESSURE_DECIMALS: Readonly<Record<string, number>> = { barg: 2, bar: 2, kPag: 0 };

/** The page's questions to the core: what is it, at what temperature or pressure, and what does a measured pair say. */
@Injectable()
export class BenchSession {
  private readonly properties = inject(CoreWorker);
  private readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly stored = inject(Drafts).open<BenchDraft>('bench', () => newBenchDraft(this.preferences()));
  private readonly refrigerants = fromServer(inject(ServerData).refrigerants$);

  readonly draft = this.stored.value.asReadonly();
  readonly unreachable = computed(() => this.refrigerants().state === 'failed');
  private readonly nominal = (id: string | null) => valueOf(this.refrigerants())?.find((refrigerant) => refrigerant.id === id);

  private readonly contents = computed(() => {
    const parts = this.draft().parts.map(({ refrigerant, mass }) => ({
      known: this.nominal(refrigerant),
      mass: readQuantity('mass', mass),
    }));
    return parts.flatMap(({ known, mass }) =>
      known === undefined || mass.state !== 'good' || mass.si === 0
        ? []
        : [{ id: known.id, composition: known.composition, massKg: mass.si }],
    );
  });
  readonly mixture = coreQuery(
    this.properties,
    'mix',
    computed(() => (this.draft().mode === 'mixture' && this.contents().length > 1 ? { contents: this.contents() } : undefined)),
  );
  readonly composition = computed(() =>
    this.draft().mode === 'one' ? this.nominal(this.draft().refrigerant)?.composition : valueOf(this.mixture())?.composition,
  );
  /** What it is called here: a designation, or "62 % R-410A, 38 % R-22". */
  readonly name = computed(() => {
    if (this.draft().mode === 'one') return this.draft().refrigerant ?? '';
    return valueOf(this.mixture())?.designation ?? mixtureName(this.contents(), this.units.percent);
  });

  private readonly leading = computed<Leading | undefined>(() => {
    const { lead, temperature, pressure } = this.draft();
    const reading =
      lead === 'temperature' ? readQuantity('temperature', temperature) : readQuantity('pressure', pressure, this.units.atmosphere());
    if (reading.state !== 'good') return undefined;
    return lead === 'temperature' ? { T: reading.si } : { p: reading.si };
  });
  readonly points = coreQuery(this.properties, 'twoPoints', this.questionOf(this.composition), this.mixture);
  readonly lines = coreQuery(
    this.properties,
    'lines',
    computed(() => this.withComposition(this.composition(), {})),
    this.mixture,
  );

  /** Temperature and pressure as they stand in their fields: the leading one as typed, the other as computed. */
  readonly temperature = computed<QuantityEntry>(() => {
    const { lead, temperature } = this.draft();
    const T = valueOf(this.points())?.bubble.T;
    return lead === 'temperature'
      ? temperature
      : { ...temperature, text: T === undefined ? '' : this.temperatureText(T, temperature.unit) };
  });
  readonly pressure = computed<QuantityEntry>(() => {
    const { lead, pressure } = this.draft();
    const p = valueOf(this.points())?.bubble.p;
    return lead === 'pressure' ? pressure : { ...pressure, text: p === undefined ? '' : this.pressureText(p, pressure.unit) };
  });

  private readonly labelComposition = computed(() => this.nominal(this.draft().label)?.composition);
  readonly labelLines = coreQuery(
    this.properties,
    'lines',
    computed(() => this.withComposition(this.labelComposition(), {})),
  );
  readonly labelPoints = coreQuery(this.properties, 'twoPoints', this.questionOf(this.labelComposition));

  readonly measured = computed(() => {
    const { measuredPressure, measuredTemperature } = this.draft();
    const [p, T] = [readQuantity('pressure', measuredPressure, this.units.atmosphere()), readQuantity('temperature', measuredTemperature)];
    return p.state === 'good' && T.state === 'good' ? { p: p.si, T: T.si } : undefined;
  });
  readonly atRest = coreQuery(this.properties, 'atRest', this.pairFor('rest'), this.mixture);
  readonly superheat = coreQuery(this.properties, 'superheat', this.pairFor('suction'), this.mixture);
  readonly subcooling = coreQuery(this.properties, 'subcooling', this.pairFor('liquid'), this.mixture);
  readonly candidates = coreQuery(
    this.properties,
    'candidates',
    computed(() => (this.draft().measuredAt === 'rest' ? this.measured() : undefined)),
  );

  change(part: Partial<BenchDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }

  changePart(index: number, part: Partial<MixturePart>): void {
    this.change({ parts: this.draft().parts.map((mixturePart, k) => (k === index ? { ...mixturePart, ...part } : mixturePart)) });
  }

  addPart(): void {
    this.change({ parts: [...this.draft().parts, newPart(this.draft().parts.at(-1)?.mass.unit ?? 'lb')] });
  }

  removePart(index: number): void {
    this.change({ parts: this.draft().parts.filter((_, k) => k !== index) });
  }

  /** What the chart points at, K. */
  leadTemperature(T: number): void {
    const { temperature } = this.draft();
    this.change({ lead: 'temperature', temperature: { ...temperature, text: this.temperatureText(T, temperature.unit) } });
  }

  /** What was typed leads; another unit for the same temperature only rewrites it. */
  typeTemperature(entry: QuantityEntry): void {
    const [shown, si] = [this.temperature(), readQuantity('temperature', this.temperature())];
    const rewritten =
      entry.unit !== shown.unit && si.state === 'good' ? { ...entry, text: this.temperatureText(si.si, entry.unit) } : entry;
    this.change({ temperature: rewritten, ...(entry.unit === shown.unit ? { lead: 'temperature' } : {}) });
  }

  typePressure(entry: QuantityEntry): void {
    const [shown, si] = [this.pressure(), readQuantity('pressure', this.pressure(), this.units.atmosphere())];
    const rewritten = entry.unit !== shown.unit && si.state === 'good' ? { ...entry, text: this.pressureText(si.si, entry.unit) } : entry;
    this.change({ pressure: rewritten, ...(entry.unit === shown.unit ? { lead: 'pressure' } : {}) });
  }

  private questionOf(composition: () => Readonly<Record<string, number>> | undefined) {
    return computed(() => {
      const given = this.leading();
      return given === undefined ? undefined : this.withComposition(composition(), { given });
    });
  }

  private pairFor(place: BenchDraft['measuredAt']) {
    return computed(() => {
      const pair = this.measured();
      return pair === undefined || this.draft().measuredAt !== place ? undefined : this.withComposition(this.composition(), pair);
    });
  }

  private withComposition<A extends object>(composition: Readonly<Record<string, number>> | undefined, args: A) {
    return composition === undefined ? undefined : { composition, ...args };
  }

  // the fields offer only these units
  private temperatureText = (T: number, unit: string) => this.units.decimal(temperatureIn(T, unit as TemperatureUnit), 1);
  private pressureText = (p: number, unit: string) =>
    this.units.decimal(pressureIn(p, unit as PressureUnit, this.units.atmosphere()), PRESSURE_DECIMALS[unit] ?? 1);
}
