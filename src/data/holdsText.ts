import { useEffect } from 'react';

let holding = 0;

/** Writes on the page how many parts hold what is not saved; `public/anew.js` reads it before a window begins anew. */
function count(by: 1 | -1): void {
  holding += by;
  // Under test there may be no page.
  const dataset =
    typeof document === 'undefined' ? undefined : (document.documentElement as HTMLElement | undefined)?.dataset;
  if (!dataset) return;
  if (holding > 0) dataset.holds = String(holding);
  else delete dataset.holds;
}

/** A field that is being typed in holds text too, before the page knows of it; `public/anew.js` asks the same. */
function isTyping(): boolean {
  const at = document.activeElement as HTMLInputElement | null;
  return at != null && /^(text|search|number|textarea)$/.test(at.type ?? '') && at.value !== '';
}

/** Whether any part of this window holds what is not saved. */
export const holdsText = (): boolean =>
  holding > 0 || (typeof document !== 'undefined' && (document.querySelector?.('[aria-modal]') != null || isTyping()));

/** Says that this part holds something that is not saved, as long as it does. */
export function useHoldsText(holds: boolean): void {
  useEffect(() => {
    if (!holds) return undefined;
    count(1);
    return () => count(-1);
  }, [holds]);
}
