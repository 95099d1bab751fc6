import type { FarReading } from '@/core/far/readFar';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { showLengthM, showQuantity, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import type { Situation } from '@/data/situation';

/** Where `public/first.js` looks for the last reading of this device. */
const KEY = 'jauge.firstView';
/** A drag changes the reading sixty times a second; only where it comes to rest is worth a write. */
const REST_MS = 500;

/** Takes the reading in words off the page, once the desk itself is there. */
export function removeFirstView(): void {
  if (typeof document !== 'undefined') document.getElementById('first-view')?.remove();
}

/** Remembers the reading in words for the next start, after a moment of rest. Returns what undoes the waiting. */
export function rememberFirstView(situation: Situation, reading: FarReading, units: UnitSystem): () => void {
  const timer = setTimeout(() => {
    if (reading.obstacle || reading.overflow) return;
    const view = {
      setup: situation.setupRow.data.name,
      subject: `${situation.subject.name} at ${shownText(showLengthM(situation.distanceM, units))}`,
      pixels: showQuantity(reading.pixelsOnSubject, units).number,
      resolved: showQuantity(reading.resolvedPixels, units).number,
      verdict: `${VERDICT_MARK[reading.verdict]} ${VERDICT_WORDS[reading.verdict](situation.output.name)}`,
    };
    try {
      localStorage.setItem(KEY, JSON.stringify(view));
    } catch {
      // No room: the next start shows nothing in advance, which costs a moment.
      localStorage.removeItem(KEY);
    }
  }, REST_MS);
  return () => clearTimeout(timer);
}
