import { DestroyRef, DOCUMENT, effect, inject, signal, type Signal } from '@angular/core';

/** Keeps the screen on while something runs, where the device can, and says whether it does. Call it where things may be injected. */
export function screenOn(running: Signal<boolean>): Signal<boolean> {
  const document = inject(DOCUMENT);
  const wakeLock = document.defaultView?.navigator.wakeLock;
  const held = signal(false);
  let lock: WakeLockSentinel | undefined;
  const take = async () => {
    if (wakeLock === undefined || lock !== undefined || !running() || document.visibilityState !== 'visible') return;
    try {
      lock = await wakeLock.request('screen');
      held.set(true);
      lock.addEventListener('release', () => {
        lock = undefined;
        held.set(false);
      });
    } catch {
      held.set(false); // the device refuses, such as with an empty battery: the page says that the screen may go dark
    }
  };
  const give = () => void lock?.release();
  // a device takes the lock away when the page is out of sight
  const again = () => void take();
  document.addEventListener('visibilitychange', again);
  effect(() => {
    if (running()) void take();
    else give();
  });
  inject(DestroyRef).onDestroy(() => {
    document.removeEventListener('visibilitychange', again);
    give();
  });
  return held.asReadonly();
}
