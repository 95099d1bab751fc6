import { usePreferences } from './preferences';
import type { SkySite } from './skyOptions';

/** Twilight is not a matter of seconds, ms. */
const LOOK_EVERY_MS = 60_000;

/**
 * Takes the night look when it gets dark at a place and the day look when it gets light. What the person chooses in between
 * stays until the next change. Whether it is dark is only reckoned when it is asked for: the ephemeris is fetched then.
 *
 * @returns what ends it
 */
export function nightByItself(site: SkySite): () => void {
  let wasDark: boolean | null = null;
  let ended = false;
  const look = async () => {
    const { placeIsDark } = await import('@/core/sky/placeIsDark');
    const dark = placeIsDark(site, Date.now());
    if (ended || dark === wasDark) return;
    wasDark = dark;
    const { look: now, prefer } = usePreferences.getState();
    if (dark === (now === 'day')) prefer({ look: dark ? 'night' : 'day' });
  };
  // Without the part that reckons it, fetched with no signal, the look stays as it is.
  const run = () => void look().catch(() => undefined);
  run();
  const timer = setInterval(run, LOOK_EVERY_MS);
  return () => {
    ended = true;
    clearInterval(timer);
  };
}
