import { ChangeDetectionStrategy, Component, computed, inject, Injector, input, runInInjectionContext, type OnInit } from '@angular/core';
import { FormBuilder, ReactiveFormsModule } from '@angular/forms';
import { ActivatedRoute } from '@angular/router';
import type { Shipment } from '@hygromet/contract/shipment';
import { Drafts } from '../data/draft.service';
import { mutation } from '../data/mutation';
import { sameSending } from '../data/same-sending';
import { ServerData } from '../data/server-data.service';
import { keptIn } from '../forms/draft-form';
import { serverProblems } from '../forms/server-problems';
import { PreferencesService } from '../preferences/preferences.service';
import { Units } from '../preferences/units.service';
import { ChoiceField } from '../ui/choice-field';
import { QuantityField } from '../ui/quantity-field';
import { TextField } from '../ui/text-field';
import { differsBy, emptyReceipt, needsReason, receiptOf, type LineDraft, type ReceiptDraft } from './receipt-draft';
import { receiptColumns } from './receipt-file';
import { pointersOf, receiptForm, type ReceiptForm } from './receipt-form';
import { backNames } from './receipt-labels';

/** What the reclaimer weighed, found and credits, as it is typed: a group of fields for each cylinder of the shipment. */
@Component({
  selector: 'hy-receipt-fields',
  imports: [ChoiceField, QuantityField, ReactiveFormsModule, TextField],
  templateUrl: './receipt-fields.html',
  styleUrl: './receipt-fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReceiptFields implements OnInit {
  protected readonly words = { mixture: $localize`mixture` } as const;

  readonly shipment = input.required<Shipment>();
  private readonly serverData = inject(ServerData);
  private readonly builder = inject(FormBuilder);
  private readonly injector = inject(Injector);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly units = inject(Units);
  private readonly id = inject(ActivatedRoute).snapshot.paramMap.get('id') ?? '';
  private readonly stored = inject(Drafts).open<ReceiptDraft>(`receipt.${this.id}`, emptyReceipt);
  private readonly sending = sameSending(`receipt-sending.${this.id}`);

  /** Made before the first drawing: its groups are those of the shipment. */
  protected form!: ReceiptForm;
  protected refused: () => string | undefined = () => undefined;
  private readonly logging = mutation(
    (receipt: Parameters<ServerData['receiveShipment$']>[1]) => this.serverData.receiveShipment$(this.id, receipt),
    () => {
      this.stored.clear();
      this.sending.done();
    },
  );
  protected readonly busy = computed(() => this.logging.state().state === 'busy');

  protected readonly columns = receiptColumns.join(', ');
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
  protected readonly cameBack = Object.entries(backNames).map(([value, label]) => ({ value, label }));
  /** Each cylinder beside what is typed of it. */
  protected readonly rows = computed(() => {
    const { lines } = this.stored.value();
    return this.shipment().lines.map((line) => {
      const typed = lines[line.cylinder];
      return {
        ...line,
        asked: needsReason(differsBy(typed, line.massKg)),
        explained: typed?.difference === 'explained',
        differs: this.differs(typed, line.massKg),
      };
    });
  });

  ngOnInit(): void {
    this.form = receiptForm(this.builder, this.stored.value(), this.shipment(), this.preferences().mass);
    keptIn(this.stored.value, this.form, this.injector);
    this.refused = runInInjectionContext(this.injector, () => serverProblems(this.logging.state, pointersOf(this.form, this.shipment())));
  }

  /** What a file says lies over what was typed. */
  fill(lines: Readonly<Record<string, LineDraft>>): void {
    this.form.controls.lines.patchValue(lines);
  }

  protected send(): void {
    if (this.form.invalid) return;
    const receipt = { ...receiptOf(this.form.getRawValue(), this.shipment()), recordedBy: this.preferences().person };
    this.logging.send({ ...receipt, ...this.sending.of(receipt) });
  }

  private differs(line: LineDraft | undefined, sentKg: number): string {
    const kg = differsBy(line, sentKg);
    if (kg === undefined) return '';
    if (!needsReason(kg)) return $localize`as it was sent`;
    const amount = this.units.massText(Math.abs(kg));
    return kg > 0 ? $localize`${amount} more than was sent` : $localize`${amount} less than was sent`;
  }
}
