import type { Part } from '@/core/chain/parts';
import type { ChainStep } from '@/core/chain/steps';
import { formatFigures, formatRatio, formatStops } from '@/core/quantity/format';
import { showFNumber, showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';

const same = (a: number | undefined, b: number | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && Math.abs(a / b - 1) < 0.002);

/** Why a part leaves every number as it is. */
export function idleText(part: Part): string {
  switch (part.kind) {
    case 'tubes':
      return 'changes nothing: none of its rings is in use';
    case 'bellows':
      return 'changes nothing yet: it is not drawn out';
    case 'innerConverter':
      return 'changes nothing: it is switched out';
    case 'filter':
      return 'changes no number: it takes no light that is entered';
    case 'mountAdapter':
      return 'changes no number: it joins two mounts at their right distance';
    case 'afocal':
      return 'changes no number: it only holds the camera behind the eyepiece';
    case 'coupling':
      return 'changes no number: it only joins two lenses';
    case 'reversing':
      return 'changes no number that is known: what it needs is said below';
    default:
      return 'changes none of the numbers: its own are those of nothing in between';
  }
}

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
