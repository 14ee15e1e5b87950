import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';

import { ActivatedRoute, RouterLink } from '@angular/router';
import type { Analysis } from '@hygromet/contract/shipment';
import { ServerData } from '../data/server-data.service';
import { Units } from '../preferences/units.service';
import { readFile } from '../sheets/read-file';
import { amountText } from '../ui/amount';
import { dayWords, momentText } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { ReceiptFields } from './receipt-fields';
import { linesOfFile } from './receipt-file';
import { backNames } from './receipt-labels';

/** A shipment that has left: what the reclaimer weighed, found and credited, typed or from his file, and what the cylinders come back as. */
@Component({
  selector: 'hy-receipt-page',
  imports: [PageHead, ReceiptFields, RouterLink],
  templateUrl: './receipt.page.html',
  styleUrl: './receipt.page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReceiptPage {
  protected readonly words = {
    noCertificate: $localize`No certificate`,
    certificate: $localize`Certificate `,
  } as const;

  private readonly serverData = inject(ServerData);
  protected readonly units = inject(Units);
  private readonly id = inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '';
  private readonly loaded = fromServer(this.serverData.shipment$(this.id));
  protected readonly shipment = computed(() => valueOf(this.loaded()));
  protected readonly waitingText = computed(() => {
    const state = this.loaded();
    return state.state === 'failed' ? state.sentence : $localize`looking it up`;
  });
  private readonly fields = viewChild(ReceiptFields);
  protected readonly fileProblem = signal<string | undefined>(undefined);
  protected readonly moment = momentText;
  protected readonly backs = backNames;

  protected readonly line = computed(() => {
    const current = this.shipment();
    if (current === undefined) return '';
    const count = `${current.lines.length} ${current.lines.length === 1 ? $localize`cylinder` : $localize`cylinders`}`;
    return `${dayWords(current.day)} · ${count} · ${this.units.massText(this.sentKg())}${current.receipt === null ? $localize` · no receipt yet` : ''}`;
  });
  protected readonly sentKg = computed(() => (this.shipment()?.lines ?? []).reduce((sum, { massKg }) => sum + massKg, 0));
  protected readonly receivedKg = computed(() =>
    (this.shipment()?.receipt?.lines ?? []).reduce((sum, { receivedKg }) => sum + receivedKg, 0),
  );
  protected readonly balance = computed(() => {
    const { lines = [], charges = 0 } = this.shipment()?.receipt ?? {};
    return lines.reduce((sum, { credit }) => sum + credit, 0) - charges;
  });

  protected amount = (value: number, currency: string): string => (value === 0 ? '–' : amountText(value, currency, this.units));

  protected found({ purityShare, airShare, moisturePpm, acidPpm }: Analysis): string {
    const parts = [
      ...(purityShare === undefined ? [] : [`${this.units.decimal(100 * purityShare, 2)} % pure`]),
      ...(airShare === undefined ? [] : [`${this.units.decimal(100 * airShare, 1)} % non-condensables`]),
      ...(moisturePpm === undefined ? [] : [$localize`moisture ${this.units.decimal(moisturePpm, 0)} ppm`]),
      ...(acidPpm === undefined ? [] : [$localize`acidity ${this.units.decimal(acidPpm, 1)} ppm`]),
    ];
    return parts.length === 0 ? $localize`no analysis` : parts.join(', ');
  }

  protected async choose(file: File | undefined): Promise<void> {
    const current = this.shipment();
    if (file === undefined || current === undefined) return;
    const read = linesOfFile(readFile(file.name, await file.text()), current);
    this.fileProblem.set(read.state === 'bad' ? `${file.name}: ${read.sentence}` : undefined);
    if (read.state === 'good') this.fields()?.fill(read.lines);
  }
}
