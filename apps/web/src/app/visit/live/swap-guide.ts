import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { machineHoldsKg, nextCylinder, withoutRoom, type NextCylinder } from '@hygromet/core/twin/alarm/next-cylinder';
import { Units } from '../../preferences/units.service';
import { FillSession } from '../../transfer/fill.session';
import { valueOf } from '../../ui/loadable';
import { fromNow } from './live-labels';
import { LiveTransfer } from './live-transfer';

/** That another cylinder will be needed, in time to fetch it, and how the two are swapped: each thing done stands in the record. */
@Component({
  selector: 'hy-swap-guide',
  template: `
    @if (next(); as n) {
      <section class="foreseen" aria-label="Next cylinder" i18n-aria-label>
        <div>
          <ng-container i18n
            ><b
              >Another cylinder {{ n.sure ? words.is : words.mayBe }} needed: about {{ more() }} will be left when {{ name() }} is at its
              stop{{ when() }}.</b
            >
            <br />Have it beside the scale: evacuated or of this refrigerant, its tare read, empty enough.
          </ng-container>
          <details [open]="swapping()">
            <summary i18n>Swap it</summary>
            <ol>
              @if (live.transfer()?.setUp?.machine) {
                <li [class.done]="live.purgedKg() !== undefined && live.machineState() !== 'purge'">
                  <ng-container i18n
                    >Shut the inlet of the machine and let it purge itself: about {{ machineHolds() }} stand in it.
                  </ng-container>
                  @if (live.purgedKg() === undefined) {
                    <button i18n type="button" class="button small" (click)="live.setMachine('purge')">It purges</button>
                  }
                </li>
                <li [class.done]="live.machineOff()">
                  <ng-container i18n>Stop the machine: it never pumps against a shut valve. </ng-container>
                  @if (!live.machineOff()) {
                    <button i18n type="button" class="button small" (click)="live.setMachine('off')">It is off</button>
                  }
                </li>
              }
              <li [class.done]="live.valveShut()">
                <ng-container i18n>Shut the valve of {{ name() }}. </ng-container>
                @if (!live.valveShut()) {
                  <button i18n type="button" class="button small" (click)="live.note({ what: 'valve', state: 'shut' })">It is shut</button>
                }
              </li>
              <li i18n>Stop here, read the scale with the hose off, log it and label it.</li>
              <li i18n>Hose to the next one, its end purged; weigh it, choose it, go on.</li>
            </ol>
          </details>
        </div>
      </section>
    }
  `,
  styles: `
    ol {
      display: grid;
      gap: 8px;
      margin: 8px 0 0;
      padding-left: 22px;
    }

    summary {
      min-height: 32px;
      padding-top: 8px;
      font-weight: 600;
      cursor: pointer;
    }

    .done {
      color: var(--fine);
      font-weight: 600;
    }

    .done::marker {
      content: '✓ ';
    }
  `,
  styleUrl: './live.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SwapGuide {
  protected readonly words = { is: $localize`is`, mayBe: $localize`may be` } as const;

  protected readonly live = inject(LiveTransfer);
  private readonly fill = inject(FillSession);
  private readonly units = inject(Units);
  protected readonly name = computed(() => valueOf(this.fill.cylinder())?.name ?? $localize`this cylinder`);
  protected readonly swapping = computed(() => this.live.machineOff() || this.live.valveShut() || this.live.machineState() === 'purge');
  private readonly foretold = computed(() => {
    const outlook = this.live.outlook();
    return { next: outlook === undefined ? undefined : nextCylinder(outlook), swapping: this.swapping() };
  });
  /** What is told to a page that was opened while nothing flows. */
  private readonly standing = computed(() => {
    const [outlook, transfer, gross] = [this.live.outlook(), this.live.transfer(), this.live.gross()];
    if (outlook === undefined || transfer === undefined || gross === undefined) return undefined;
    return withoutRoom(outlook, transfer.setUp.stopGrossKg - gross.kg, this.live.elapsed());
  });
  /** With the machine off nothing fills it any more: what was told before goes on while it is swapped. */
  protected readonly next = linkedSignal<{ next: NextCylinder | undefined; swapping: boolean }, NextCylinder | undefined>({
    source: this.foretold,
    computation: ({ next, swapping }, before) => next ?? (swapping ? (before?.value ?? this.standing()) : undefined),
  });
  protected readonly more = computed(() => this.onScale(this.next()?.moreKg.likely ?? 0));
  protected readonly machineHolds = computed(() => this.onScale(machineHoldsKg));
  protected readonly when = computed(() => {
    const next = this.next();
    const elapsed = this.live.elapsed();
    return next === undefined || this.live.valveShut() || next.at.likely <= elapsed
      ? ''
      : $localize`, in about ${fromNow(next.at, elapsed, this.units)}`;
  });
  private onScale = (kg: number): string => this.units.massText(kg, 'nearest', this.fill.scaleUnit());
}
