import { DestroyRef, DOCUMENT, inject, Injectable, signal } from '@angular/core';

export type Urgency = 'once' | 'now' | 'over';

/** Tones of an alarm: Hz one after the other, each s long, and the pause until they come again. */
const TONES: Record<Urgency, { readonly hz: readonly number[]; readonly length: number; readonly everyMs: number | undefined }> = {
  once: { hz: [660], length: 0.25, everyMs: undefined },
  now: { hz: [880, 660], length: 0.18, everyMs: 700 },
  over: { hz: [1180, 880, 1180], length: 0.16, everyMs: 520 },
};
const VIBRATES: Record<Urgency, readonly number[]> = { once: [120], now: [250, 120, 250], over: [400, 80, 400] };

/** An alarm that is heard and felt: tones are made on the device, none is fetched. */
@Injectable()
export class AlarmSound {
  private readonly view = inject(DOCUMENT).defaultView;
  private context: AudioContext | undefined;
  private timer: ReturnType<typeof setInterval> | undefined;
  private sounding: Urgency | undefined;
  private readonly canSound = signal(false);
  /** A browser lets nothing sound before the page was touched. */
  readonly ready = this.canSound.asReadonly();

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.stop();
      void this.context?.close();
    });
  }

  /** Call it when a person touches something. */
  async wake(): Promise<void> {
    if (this.view === null || !('AudioContext' in this.view)) return;
    this.context ??= new AudioContext();
    await this.context.resume().catch(() => undefined);
    this.canSound.set(this.context.state === 'running');
  }

  /** Sounds until it is stopped; `once` only once. */
  sound(urgency: Urgency): void {
    if (this.sounding === urgency && urgency !== 'once') return;
    this.stop();
    this.sounding = urgency;
    const again = () => this.play(urgency);
    again();
    const { everyMs } = TONES[urgency];
    if (everyMs !== undefined) this.timer = setInterval(again, everyMs);
  }

  stop(): void {
    if (this.sounding === undefined) return;
    clearInterval(this.timer);
    this.timer = undefined;
    this.sounding = undefined;
    if (this.view !== null && 'vibrate' in this.view.navigator) this.view.navigator.vibrate(0);
  }

  private play(urgency: Urgency): void {
    if (this.view !== null && 'vibrate' in this.view.navigator) this.view.navigator.vibrate([...VIBRATES[urgency]]);
    const context = this.context;
    if (context?.state !== 'running') return;
    const { hz, length } = TONES[urgency];
    for (const [k, frequency] of hz.entries()) {
      const [tone, loudness] = [context.createOscillator(), context.createGain()];
      const from = context.currentTime + k * length;
      tone.type = 'square';
      tone.frequency.value = frequency;
      // without these edges it clicks
      loudness.gain.setValueAtTime(0, from);
      loudness.gain.linearRampToValueAtTime(0.5, from + 0.01);
      loudness.gain.linearRampToValueAtTime(0, from + length);
      tone.connect(loudness).connect(context.destination);
      tone.start(from);
      tone.stop(from + length);
    }
  }
}
