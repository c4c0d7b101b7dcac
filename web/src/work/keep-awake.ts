import { DestroyRef, inject } from '@angular/core';

/** Keeps the screen awake from the first call on, while the page is looked at. Must be made where Angular injects. */
export function keepAwake(): () => void {
  let lock: WakeLockSentinel | null = null;
  let wanted = false;
  const ask = async (): Promise<void> => {
    if (!wanted || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
    try {
      lock = await navigator.wakeLock.request('screen');
    } catch {
      // Low battery, or not allowed: the screen sleeps as it always does.
      lock = null;
    }
  };
  const again = (): void => void ask();
  document.addEventListener('visibilitychange', again);
  inject(DestroyRef).onDestroy(() => {
    document.removeEventListener('visibilitychange', again);
    void lock?.release();
  });
  return () => {
    if (wanted) return;
    wanted = true;
    void ask();
  };
}
