import type { ChainStep } from '@/core/chain/steps';
import { formatFigures, formatRatio, formatStops } from '@/core/quantity/format';
import { showFNumber, showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';

const same = (a: number | undefined, b: number | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && Math.abs(a / b - 1) < 0.002);

/** What a part changed, a few words for each number; for the part everything starts from, what it brings. */
export function stepText({ before, after, stops }: ChainStep, units: UnitSystem): string[] {
  const mm = (value: number) => `${formatFigures(value, 3)}\u202fmm`;
  const length = (metres: number) => shownText(showLengthM(metres, units, 2));
  const words: string[] = [];
  const tell = (name: string, from: number | undefined, to: number | undefined, text: (value: number) => string) => {
    if (to === undefined || (before && same(from, to))) return;
    // A change too small to be read is none.
    if (before && from !== undefined && text(from) === text(to)) return;
    words.push(`${name} ${before && from !== undefined ? `${text(from)} → ` : ''}${text(to)}`.trim());
  };
  tell('', before?.focalMm, after.focalMm, mm);
  tell('', before?.fNumber, after.fNumber, showFNumber);
  if (before && Math.abs(stops) >= 1 / 6) words.push(formatStops(stops));
  tell('ratio', before?.ratio, after.ratio, (value) => formatRatio(value));
  tell('circle', before?.imageCircleMm, after.imageCircleMm, mm);
  tell('closest', before?.closestFocusM, after.closestFocusM, length);
  return words;
}
