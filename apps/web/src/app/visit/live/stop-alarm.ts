import { ChangeDetectionStrategy, Component, computed, effect, ElementRef, inject, untracked, viewChild } from '@angular/core';
import type { AlarmStage } from '@hygromet/core/twin/alarm/stop-alarm';
import { ANSWERED_WITHIN_S, stillComes } from '@hygromet/core/twin/alarm/stop-alarm';
import { Units } from '../../preferences/units.service';
import { AlarmSound } from './alarm-sound';
import { LiveTransfer } from './live-transfer';

const ANSWERED_MS = 1000 * ANSWERED_WITHIN_S;

/**
 * The whole screen, sound and vibration, when the valve has to be shut, on whichever stage somebody looks. It cannot be switched off: it is
 * answered, and comes again while the weight goes on rising.
 */
@Component({
  selector: 'hy-stop-alarm',
  template: `
    @if (active(); as stage) {
      <div class="alarm" role="alertdialog" aria-modal="true" aria-labelledby="alarm-title" [class.over]="stage === 'over'">
        <p class="title" id="alarm-title">
          @if (stage === 'over') {
            <ng-container i18n>Beyond the stop. Close the valve</ng-container>
          } @else {
            <ng-container i18n>Close the valve now</ng-container>
          }
        </p>
        <p class="gross">{{ units.massText(live.alarm()!.grossKg) }}</p>
        <p i18n>stop at {{ units.massText(live.alarm()!.stopKg, 'down') }} gross</p>
        @if (!sound.ready()) {
          <p i18n class="quiet">No sound on this device until the page is touched.</p>
        }
        <button i18n #answer type="button" (click)="shut()">Valve is shut</button>
      </div>
    }
  `,
  styleUrl: './alarm.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StopAlarm {
  protected readonly live = inject(LiveTransfer);
  protected readonly units = inject(Units);
  protected readonly sound = inject(AlarmSound);
  private readonly answer = viewChild<ElementRef<HTMLButtonElement>>('answer');

  private readonly answered = computed(() => {
    const last = this.live.transfer()?.notes.findLast(({ note }) => note.what === 'acknowledged');
    return last?.note.what === 'acknowledged' ? { at: Date.parse(last.at), grossKg: last.note.grossKg } : undefined;
  });
  /** What calls now, and was not answered. */
  protected readonly active = computed((): Exclude<AlarmStage, 'quiet' | 'soon'> | undefined => {
    const [alarm, answered] = [this.live.alarm(), this.answered()];
    if (alarm === undefined || (alarm.stage !== 'now' && alarm.stage !== 'over')) return undefined;
    if (answered === undefined) return alarm.stage;
    if (this.live.now() < answered.at + ANSWERED_MS) return undefined;
    const shut = this.live.series()?.gross.findLast(({ at }) => at <= answered.at + ANSWERED_MS)?.value ?? 0;
    return stillComes(alarm.grossKg, answered.grossKg, shut) ? alarm.stage : undefined;
  });
  private readonly soon = computed(() => this.live.alarm()?.stage === 'soon');

  constructor() {
    effect(() => {
      const stage = this.active();
      if (stage === undefined) {
        this.sound.stop();
        return;
      }
      this.sound.sound(stage);
      untracked(() => this.keep(stage));
    });
    effect(() => {
      if (this.soon()) untracked(() => this.sound.sound('once'));
    });
    effect(() => this.answer()?.nativeElement.focus());
  }

  protected shut(): void {
    const gross = this.live.gross();
    void this.sound.wake();
    this.live.note({ what: 'acknowledged', grossKg: gross?.kg ?? 0 });
    this.live.note({ what: 'valve', state: 'shut' });
  }

  /** It stays in the record, once for each time it called. */
  private keep(stage: AlarmStage): void {
    const [transfer, gross] = [this.live.transfer(), this.live.gross()];
    const last = transfer?.notes.findLast(({ note }) => note.what === 'alarm' || note.what === 'acknowledged')?.note;
    if (last?.what === 'alarm' && last.stage === stage) return;
    this.live.note({ what: 'alarm', stage, grossKg: gross?.kg ?? 0 });
  }
}
