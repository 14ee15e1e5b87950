import { fromServer } from '../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';

import { ActivatedRoute, RouterLink } from '@angular/router';
import type { Analysis } from '@hygromet/contract/shipment';
import { mutation, errorIn } from '../data/mutation';
import { Drafts } from '../data/draft.service';
import { sameSending } from '../data/same-sending';
import { ServerData } from '../data/server-data.service';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { readFile } from '../sheets/read-file';
import { amountText } from '../ui/amount';
import { ChoiceField } from '../ui/choice-field';
import { dayWords, momentText } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { PageHead } from '../ui/page-head';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { differsBy, emptyLine, emptyReceipt, needsReason, readReceipt, type LineDraft, type ReceiptDraft } from './receipt-draft';
import { linesOfFile, receiptColumns } from './receipt-file';

/** A shipment that has left: what the reclaimer weighed, found and credited, typed or from his file, and what the cylinders come back as. */
@Component({
  selector: 'hy-receipt-page',
  imports: [ChoiceField, PageHead, QuantityField, RouterLink, TextField],
  templateUrl: './receipt.page.html',
  styleUrl: './receipt.page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReceiptPage {
  protected readonly words = {
    noCertificate: $localize`No certificate`,
    certificate: $localize`Certificate `,
    mixture: $localize`mixture`,
  } as const;

  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly units = inject(Units);
  private readonly id = inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '';
  private readonly loaded = fromServer(this.serverData.shipment$(this.id));
  protected readonly shipment = computed(() => valueOf(this.loaded()));
  protected readonly waitingText = computed(() => {
    const state = this.loaded();
    return state.state === 'failed' ? state.sentence : $localize`looking it up`;
  });
  private readonly stored = inject(Drafts).open<ReceiptDraft>(`receipt.${this.id}`, emptyReceipt);
  protected readonly draft = this.stored.value.asReadonly();
  private readonly sending = sameSending(`receipt-sending.${this.id}`);
  private readonly submitted = signal(false);
  protected readonly fileProblem = signal<string | undefined>(undefined);
  protected readonly columns = receiptColumns.join(', ');
  protected readonly moment = momentText;
  protected readonly analysis = [
    { field: 'purity', label: $localize`Purity, %` },
    { field: 'air', label: $localize`Non-condensables, %` },
    { field: 'moisture', label: $localize`Moisture, ppm` },
    { field: 'acid', label: $localize`Acidity, ppm` },
  ] as const;
  protected readonly differences = [
    { value: 'booked', label: $localize`not accounted for` },
    { value: 'explained', label: $localize`explained` },
  ];
  protected readonly backs = {
    empty: $localize`back, empty`,
    exchanged: $localize`exchanged`,
    'not-yet': $localize`not back yet`,
  } as const;
  protected readonly cameBack = Object.entries(this.backs).map(([value, label]) => ({ value, label }));

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

  private readonly reading = computed(() => {
    const current = this.shipment();
    return current === undefined ? undefined : readReceipt(this.draft(), current, this.preferences().mass);
  });
  private readonly logging = mutation(
    (receipt: Parameters<ServerData['receiveShipment$']>[1]) => this.serverData.receiveShipment$(this.id, receipt),
    () => {
      this.stored.clear();
      this.sending.done();
    },
  );
  protected readonly busy = computed(() => this.logging.state().state === 'busy');
  protected readonly refused = computed(() => errorIn(this.logging.state()));

  protected draftOf = (cylinder: string): LineDraft => this.draft().lines[cylinder] ?? emptyLine(this.preferences().mass);
  private sentOf = (cylinder: string): number => this.shipment()?.lines.find((line) => line.cylinder === cylinder)?.massKg ?? 0;
  protected open = (cylinder: string): boolean => needsReason(differsBy(this.draftOf(cylinder), this.sentOf(cylinder)));
  protected differs(cylinder: string): string {
    const kg = differsBy(this.draftOf(cylinder), this.sentOf(cylinder));
    if (kg === undefined) return '';
    if (!needsReason(kg)) return $localize`as it was sent`;
    return $localize`${this.units.massText(Math.abs(kg))} ${kg > 0 ? $localize`more` : $localize`less`} than was sent`;
  }

  /** Beside a field only once it was tried to send. */
  protected problem(cylinder: string, field: string): string | undefined {
    const reading = this.reading();
    if (!this.submitted() || reading === undefined || reading.state === 'good') return undefined;
    return reading.problems[cylinder === '' ? field : `${cylinder}/${field}`];
  }

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

  protected change(part: Partial<ReceiptDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }

  protected edit(cylinder: string, part: Partial<LineDraft>): void {
    this.change({ lines: { ...this.draft().lines, [cylinder]: { ...this.draftOf(cylinder), ...part } } });
  }

  protected analysed(cylinder: string, field: (typeof this.analysis)[number]['field'], text: string): void {
    this.edit(cylinder, { [field]: text });
  }

  protected async choose(file: File | undefined): Promise<void> {
    const current = this.shipment();
    if (file === undefined || current === undefined) return;
    const read = linesOfFile(readFile(file.name, await file.text()), current);
    this.fileProblem.set(read.state === 'bad' ? `${file.name}: ${read.sentence}` : undefined);
    if (read.state === 'good') this.change({ lines: { ...this.draft().lines, ...read.lines } });
  }

  protected send(): void {
    this.submitted.set(true);
    const reading = this.reading();
    if (reading?.state !== 'good') return;
    const receipt = { ...reading.receipt, recordedBy: this.preferences().person };
    this.logging.send({ ...receipt, ...this.sending.of(receipt) });
  }
}
