import { useEffect, useState } from 'react';

/** At the latest after so long, ms, where a page never comes to rest. */
const LATEST_MS = 4000;

/** Asked again after so long, ms, where it has not begun. */
const AGAIN_MS = 250;

/** Whether the words that stand there before the scripts have come are still to be seen. */
const stillBefore = (): boolean => globalThis.document?.getElementById('first-view') != null;

/** True once the page has had a moment to spare: what nobody waits for begins then. */
export function usePageAtRest(): boolean {
  const [rested, setRested] = useState(false);
  useEffect(() => {
    let stop = () => {};
    const ask = () => {
      // Not every engine tells when it is idle.
      if (typeof requestIdleCallback === 'undefined') {
        const timer = setTimeout(begin, LATEST_MS / 2);
        stop = () => clearTimeout(timer);
      } else {
        const asked = requestIdleCallback(begin, { timeout: LATEST_MS });
        stop = () => cancelIdleCallback(asked);
      }
    };
    // A page that waits for its scripts is idle, too: it has not begun yet.
    const begin = () => {
      if (!stillBefore()) return setRested(true);
      const timer = setTimeout(ask, AGAIN_MS);
      stop = () => clearTimeout(timer);
    };
    ask();
    return () => stop();
  }, []);
  return rested;
}
