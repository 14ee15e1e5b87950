import { burnsByList } from '@hygromet/core/fluids/safety-group';
import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';

import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { Shipment } from '@hygromet/contract/shipment';
import { contentName } from '../cylinders/cylinder-labels';
import { mutation, errorIn } from '../data/mutation';
import { Drafts } from '../data/draft.service';
import { newKey } from '../data/new-key';
import { sameSending } from '../data/same-sending';
import { ServerData } from '../data/server-data.service';
import { draftForm } from '../forms/draft-form';
import { filled } from '../forms/validators';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { dayOf } from '../ui/day';
import { Caution } from '../ui/caution';
import { Icon } from '../ui/icon';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { TextField } from '../ui/text-field';
import { readyToGo, shipmentOf } from './shipment';
import { ShipmentList } from './shipment-list';
import { newShipment, type ShipmentDraft } from './shipment-draft';

const GONE = 'reclaimer';

interface KeysOfCylinders {
  readonly of: string;
  readonly keys: Readonly<Record<string, string>>;
}

/** The sheet that goes with cylinders to the reclaimer: each with gross, tare and net, and the sums by refrigerant. */
@Component({
  selector: 'hy-shipment-page',
  imports: [Caution, Icon, PageHead, ReactiveFormsModule, RouterLink, ShipmentList, TextField],
  templateUrl: './shipment.page.html',
  styleUrls: ['../ui/toolbar.css', './shipment.page.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShipmentPage {
  protected readonly words = {
    cylinder: $localize`cylinder`,
    cylinders: $localize`cylinders`,
    cylinderIs: $localize`cylinder is`,
    cylindersAre: $localize`cylinders are`,
    leaveOut: (name: string): string => $localize`Leave ${name} out`,
  } as const;

  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly units = inject(Units);
  protected readonly draft = draftForm<ShipmentDraft>('shipment', newShipment, { fields: { to: [filled()] } });
  private readonly day = computed(() => this.draft.value().day);
  protected readonly cylinders = fromServer(this.serverData.cylinders$);
  private readonly refrigerants = fromServer(this.serverData.refrigerants$);
  private readonly organisation = fromServer(this.serverData.organisation$);

  private readonly chosen = computed(() => {
    const ids = new Set(this.draft.value().cylinders);
    return (valueOf(this.cylinders()) ?? []).filter(({ id }) => ids.has(id));
  });
  protected readonly ready = computed(() => (valueOf(this.cylinders()) ?? []).filter(readyToGo));
  protected readonly shipment = computed(() => {
    const refrigerants = valueOf(this.refrigerants()) ?? [];
    const burns = burnsByList(refrigerants);
    return shipmentOf(this.chosen(), burns);
  });
  protected readonly line = computed(() => {
    const count = this.chosen().length;
    if (count === 0) return $localize`no cylinder chosen yet`;
    const { netKg, grossKg } = this.shipment();
    return $localize`${count} ${count === 1 ? $localize`cylinder` : $localize`cylinders`} · ${this.units.massText(netKg)} net · ${this.units.massText(grossKg)} gross`;
  });
  protected readonly stillHere = computed(() => this.chosen().filter(({ place }) => place !== GONE));
  private readonly sameShipment = sameSending('shipment-sending');
  /** Of what is told of each cylinder, with the shipment that they belong to. */
  private readonly keys = inject(Drafts).open<KeysOfCylinders>('shipment-keys', () => ({ of: '', keys: {} })).value;
  /** The shipment that has just left. */
  protected readonly gone = signal<Shipment | undefined>(undefined);
  protected readonly sending = mutation(this.serverData.sendShipment$, (shipment) => {
    this.gone.set(shipment);
    this.sameShipment.done();
  });
  protected readonly refused = computed(() => errorIn(this.sending.state()));

  protected readonly names = computed(() =>
    this.ready()
      .map((entry) => `${entry.name} (${contentName(entry)})`)
      .join(', '),
  );

  constructor() {
    // one that was put together earlier leaves today, unless somebody chooses another day
    const { day } = this.draft.form.controls;
    const today = dayOf(new Date());
    if (day.value < today) day.setValue(today);
    // what has left is another shipment than the one that is put together now
    this.draft.form.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => this.gone.set(undefined));
  }

  protected propose(): void {
    this.draft.form.controls.cylinders.setValue(this.ready().map(({ id }) => id));
  }

  protected leaveOut(id: string): void {
    const { cylinders } = this.draft.form.controls;
    cylinders.setValue(cylinders.value.filter((cylinder) => cylinder !== id));
  }

  protected leave(): void {
    if (this.draft.form.invalid) return;
    const { to, carrier } = this.draft.value();
    const ids = this.stillHere().map(({ id }) => id);
    const content = { to: to.trim(), carrier: carrier.trim(), day: this.day(), recordedBy: this.preferences().person };
    const sending = this.sameShipment.of({ ...content, ids });
    if (this.keys().of !== sending.key) this.keys.set({ of: sending.key, keys: Object.fromEntries(ids.map((id) => [id, newKey()])) });
    this.sending.send({ ...content, ...sending, cylinders: ids.map((id) => ({ id, key: this.keys().keys[id]! })) });
  }

  protected async pdf(): Promise<void> {
    const [{ shipmentPdf }, { save }] = await Promise.all([import('./shipment-pdf'), import('../ui/save-file')]);
    const [{ to, carrier }, day] = [this.draft.value(), this.day()];
    const head = { from: valueOf(this.organisation())?.name ?? '', to, carrier, day, person: this.preferences().person };
    const bytes = await shipmentPdf(this.shipment(), head, (kg) => this.units.massText(kg));
    save(`shipment-${day}.pdf`, new Blob([bytes as BlobPart], { type: 'application/pdf' }));
  }

  protected async csv(): Promise<void> {
    const { saveCsv } = await import('../ui/save-file');
    const rows = this.shipment().groups.flatMap(({ content, un, lines }) =>
      lines.map(({ cylinder, kind, grossKg, tareKg, netKg, remark }) => ({
        cylinder: cylinder.name,
        content,
        un,
        kind,
        gross_kg: Number(grossKg.toFixed(3)),
        tare_kg: Number(tareKg.toFixed(3)),
        net_kg: Number(netKg.toFixed(3)),
        remark,
      })),
    );
    saveCsv(`shipment-${this.day()}.csv`, rows);
  }
}
