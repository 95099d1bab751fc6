import { useMemo, useState } from 'react';
import type { NightFrame } from '@/core/sky/night';
import { nightAt } from '@/core/sky/night';
import { noonMs, tonight } from '@/data/localTime';
import { useSky } from '@/data/inHand';
import { type SkySite } from '@/data/skyOptions';

export interface SkyNight {
  site: SkySite;
  day: string;
  /** Local midnight: what stands for the night where one moment is asked. */
  midnightMs: number;
  night: NightFrame;
}

/** The night chosen at the place chosen; null without a place. */
export function useNight(): SkyNight | null {
  const site = useSky((state) => state.site);
  const chosenDay = useSky((state) => state.day);
  const [openedMs] = useState(() => Date.now());
  return useMemo(() => {
    if (!site) return null;
    const day = chosenDay ?? tonight(site.zone, openedMs);
    const noon = noonMs(day, site.zone);
    return { site, day, midnightMs: noon + 12 * 3_600_000, night: nightAt(site, noon) };
  }, [site, chosenDay, openedMs]);
}
