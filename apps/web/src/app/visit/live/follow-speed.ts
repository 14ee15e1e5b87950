import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Instrument } from '@hygromet/contract/instrument';
import { of, switchMap } from 'rxjs';
import { HeardInstruments } from './heard-instruments';
import { LiveTransfer } from './live-transfer';

/** Simulated instruments may be set to another speed on the way: the transfer is told, with the moment at which it was so. */
@Injectable()
export class FollowSpeed {
  private readonly live = inject(LiveTransfer);
  private readonly anybody = inject(HeardInstruments).heard$;
  private readonly heard = toSignal<readonly Instrument[], readonly Instrument[]>(
    toObservable(computed(() => Object.keys(this.live.instruments()).length > 0)).pipe(
      switchMap((paired) => (paired ? this.anybody : of([]))),
    ),
    { initialValue: [] },
  );
  private told: string | undefined;

  constructor() {
    effect(() => {
      const [heard, transfer] = [this.heard(), this.live.transfer()];
      if (transfer === undefined) return;
      const paired = Object.values<string | undefined>(this.live.instruments());
      const facts = heard.find((instrument) => paired.includes(instrument.id) && instrument.facts['simulated'] === true)?.facts;
      const [speed, since] = [facts?.['speed'], facts?.['speedSince']];
      if (typeof speed !== 'number' || typeof since !== 'number' || speed === this.live.speed()) return;
      const at = new Date(Math.max(1000 * since, Date.parse(transfer.begunAt))).toISOString();
      const key = `${transfer.id} ${speed} ${at}`;
      if (this.told === key) return;
      this.told = key;
      untracked(() => this.live.note({ what: 'speed', to: speed }, at));
    });
  }
}
