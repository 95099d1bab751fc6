import type { Reading } from '@/contract/schemas/reading';
import type { UnitSystem } from '@/core/quantity/units';
import type { CardContent } from '@/ui/take/pictureCard';
import { comparisonLines } from './comparisonLines';
import { entryWords } from './entryWords';
import { readAsKept } from './readingNow';
import { whenText } from './whenText';

/** What a picture of a reading says: of what and from where, with which gear, the verdict and the numbers. */
export function readingCard(data: Reading, units: UnitSystem): CardContent {
  const { subject, where, judgement } = entryWords(data, units);
  const asKept = readAsKept(data);
  const parts = [data.input.body.name, ...data.input.chain.map((part) => part.name)].join(' + ');
  return {
    title: `${subject} ${where}`,
    lines: [data.setupName, parts, ...(data.note ? [data.note] : []), whenText(data.takenAt)],
    judgement,
    rows: comparisonLines(data, asKept.ok ? asKept.value : null, null, units).map(({ label, was }) => ({
      name: label,
      values: [was],
    })),
  };
}
