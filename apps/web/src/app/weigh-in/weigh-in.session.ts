import { fromServer } from '../data/from-server';
import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';

import type { Cylinder } from '@hygromet/contract/cylinder';
import type { NewCylinderEvent } from '@hygromet/contract/cylinder-event';
import { readingDoubt } from '@hygromet/core/cylinder/reading-doubt';
import { sameWeight } from '@hygromet/core/cylinder/same-weight';
import { mutation } from '../data/mutation';
import { newKey } from '../data/new-key';
import { ServerData } from '../data/server-data.service';
import { draftForm } from '../forms/draft-form';
import { quantity } from '../forms/validators';
import { PreferencesService } from '../preferences/preferences.service';
import { valueOf } from '../ui/loadable';
import { readQuantity } from '../ui/quantity-entry';
import { newWeighIn, OTHER_REASON, type WeighInDraft } from './weigh-in-draft';

type Difference = Extract<NewCylinderEvent, { what: 'weighed-in' }>['difference'];

/** Along the rack with a scale: which cylinders are weighed, which comes next, and how scale and ledger compare. */
@Injectable()
export class WeighInSession {
  private readonly serverData = inject(ServerData);
  private readonly preferences = inject(PreferencesService).current;
  private readonly typed = draftForm<WeighInDraft>('round', () => newWeighIn(this.preferences(), new Date()), {
    fields: { scaleOff: [quantity('mass', { optional: true })] },
  });
  readonly form = this.typed.form;
  readonly draft = this.typed.value;
  readonly submitted = signal(false);

  readonly read = fromServer(this.serverData.cylinders$);
  /** Cylinders of this round, as they stand on the rack. */
  readonly cylinders = computed(() => {
    const { place } = this.draft();
    return (valueOf(this.read()) ?? []).filter(
      (entry) => entry.retiredAt === null && (place === 'all' ? entry.place !== 'reclaimer' : entry.place === place),
    );
  });
  readonly isDone = ({ weighedInAt }: Cylinder): boolean => weighedInAt !== null && weighedInAt >= this.draft().startedAt;
  readonly doneCount = computed(() => this.cylinders().filter(this.isDone).length);
  readonly current = computed(() => {
    const { current } = this.draft();
    return this.cylinders().find(({ id }) => id === current) ?? this.cylinders().find((cylinder) => !this.isDone(cylinder));
  });

  private readonly gross = computed(() => readQuantity('mass', this.draft().entry));
  readonly grossKg = computed(() => {
    const gross = this.gross();
    return gross.state === 'good' ? gross.si : undefined;
  });
  readonly scaleOff = computed(() => readQuantity('mass', this.draft().scaleOff));
  readonly ledgerKg = computed(() => {
    const cylinder = this.current();
    return cylinder === undefined ? undefined : cylinder.tareKg + cylinder.contentKg;
  });
  /** Why the reading is asked back, until the person says that it is right. */
  readonly doubt = computed(() => {
    const [cylinder, grossKg, ledgerKg] = [this.current(), this.grossKg(), this.ledgerKg()];
    if (cylinder === undefined || grossKg === undefined || ledgerKg === undefined || !this.draft().compared || this.draft().certain)
      return undefined;
    return readingDoubt(grossKg, { tareKg: cylinder.tareKg, grossKg: ledgerKg });
  });
  /** kg, the scale less the ledger; nothing before the person has read the scale. */
  readonly differsKg = computed(() => {
    const [grossKg, ledgerKg] = [this.grossKg(), this.ledgerKg()];
    return grossKg === undefined || ledgerKg === undefined || !this.draft().compared ? undefined : grossKg - ledgerKg;
  });
  readonly agrees = computed(() => {
    const [differs, off] = [this.differsKg(), this.scaleOff()];
    return differs !== undefined && sameWeight(differs, off.state === 'good' ? off.si : 0);
  });
  readonly reason = computed(() => {
    const { reason, otherReason } = this.draft();
    return reason === OTHER_REASON ? otherReason.trim() : reason;
  });

  readonly sending = mutation(
    ({
      id,
      event,
    }: {
      readonly id: string;
      readonly event: Extract<NewCylinderEvent, { what: 'weighed-in' }>;
      readonly differsKg: number;
    }) => this.serverData.addCylinderEvent$(id, event),
    (_, { id, event, differsKg }) => {
      this.change({ results: { ...this.draft().results, [id]: { is: event.difference.is, differsKg } } });
      this.next('');
    },
  );

  constructor() {
    // another place begins with its own first cylinder
    this.form.controls.place.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => this.change({ current: '' }));
  }

  change(part: Partial<WeighInDraft>): void {
    this.form.patchValue(part);
  }

  /** Stands a cylinder on the scale, or the next that is not done; the digits of the one before go with it. */
  next(current: string): void {
    const { entry } = this.draft();
    this.submitted.set(false);
    this.sending.reset();
    this.change({
      current,
      key: newKey(),
      entry: { ...entry, text: '', ounces: '' },
      compared: false,
      certain: false,
      reason: '',
      otherReason: '',
    });
  }

  /** The person has read the scale: now the ledger's figure is told; what agrees is kept at once. */
  compare(): void {
    this.submitted.set(true);
    if (this.grossKg() === undefined || this.scaleOff().state === 'bad') return;
    this.submitted.set(false);
    this.change({ compared: true });
    if (this.agrees()) this.keep({ is: 'none' });
  }

  keep(difference: Difference): void {
    const [cylinder, gross, off, differsKg] = [this.current(), this.gross(), this.scaleOff(), this.differsKg()];
    if (cylinder === undefined || gross.state !== 'good' || differsKg === undefined) return;
    this.sending.send({
      id: cylinder.id,
      differsKg,
      event: {
        key: this.draft().key,
        what: 'weighed-in',
        happenedAt: new Date().toISOString(),
        recordedBy: this.preferences().person,
        grossKg: gross.si,
        typed: gross.typed,
        scaleOffKg: off.state === 'good' ? off.si : 0,
        difference,
      },
    });
  }

  explain(): void {
    this.submitted.set(true);
    if (this.reason() !== '') this.keep({ is: 'explained', reason: this.reason() });
  }

  /** A new round: what was weighed before counts no more. */
  begin(): void {
    const { place, entry, scaleOff } = this.draft();
    this.change({ ...newWeighIn(this.preferences(), new Date()), place, entry: { ...entry, text: '', ounces: '' }, scaleOff });
  }
}
