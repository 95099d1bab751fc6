import { useEffect } from 'react';
import { keepAwake } from '@/data/keepAwake';
import { nightByItself } from '@/data/nightByItself';
import { usePreferences } from '@/data/preferences';
import { useSky } from '@/data/inHand';

/** Does what the person asked for in the field: the screen stays on, the look follows the light at the place. */
export function useFieldEffects(): void {
  const stayOn = usePreferences((state) => state.keepAwake);
  const byItself = usePreferences((state) => state.nightByItself);
  const site = useSky((state) => state.site);
  useEffect(() => (stayOn ? keepAwake() : undefined), [stayOn]);
  useEffect(() => (byItself && site ? nightByItself(site) : undefined), [byItself, site]);
}
