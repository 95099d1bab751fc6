import { useEffect, useState } from 'react';

/** At the latest after so long, ms, where a page never comes to rest. */
const LATEST_MS = 4000;

/** True once the page has had a moment to spare: what nobody waits for begins then. */
export function usePageAtRest(): boolean {
  const [rested, setRested] = useState(false);
  useEffect(() => {
    const begin = () => setRested(true);
    // Not every engine tells when it is idle.
    if (typeof requestIdleCallback === 'undefined') {
      const timer = setTimeout(begin, LATEST_MS / 2);
      return () => clearTimeout(timer);
    }
    const asked = requestIdleCallback(begin, { timeout: LATEST_MS });
    return () => cancelIdleCallback(asked);
  }, []);
  return rested;
}
