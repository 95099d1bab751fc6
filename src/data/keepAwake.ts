import { create } from 'zustand';

/** Whether the screen is kept on: `refused` where the browser has no such thing, or saves the battery. */
export const useAwake = create<{ state: 'off' | 'on' | 'refused' }>()(() => ({ state: 'off' }));

/** Whether this browser can keep the screen on at all. */
export const canKeepAwake = (): boolean => typeof navigator !== 'undefined' && 'wakeLock' in navigator;

/**
 * Keeps the screen on until told otherwise. A browser lets go of it when the page is out of sight; it is taken again when the
 * page comes back.
 *
 * @returns what ends it
 */
export function keepAwake(): () => void {
  let lock: WakeLockSentinel | null = null;
  let ended = false;
  const take = async () => {
    if (ended || document.visibilityState !== 'visible') return;
    lock = canKeepAwake() ? await navigator.wakeLock.request('screen').catch(() => null) : null;
    if (ended) return void lock?.release();
    useAwake.setState({ state: lock ? 'on' : 'refused' });
  };
  const again = () => void take();
  document.addEventListener('visibilitychange', again);
  void take();
  return () => {
    ended = true;
    document.removeEventListener('visibilitychange', again);
    void lock?.release();
    useAwake.setState({ state: 'off' });
  };
}
