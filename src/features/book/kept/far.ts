import { readFar } from '@/core/far/readFar';
import { showLengthM, shownText } from '@/core/quantity/quantityText';
import { countedLines, countedWords } from './counted';
import type { KeptDesk } from './keptDesk';

export const far: KeptDesk<'far'> = {
  command: 'far',
  ofSubject: true,
  read: ({ subject, output, distanceM, judgeBy = 'resolved' }, system) =>
    readFar({ subject, output, distanceM, judgeBy, system }),
  distanceM: ({ input }) => input.distanceM,
  today: ({ subject, distanceM }) => ({ subject, distanceM }),
  words: (kept, units) => countedWords(kept, `at ${shownText(showLengthM(kept.input.distanceM, units))}`),
  // Where today's kit does not focus there, there is nothing to compare with.
  lines: (kept, asKept, asNow, units) => countedLines(kept, asKept, asNow?.reading.obstacle ? null : asNow, units),
};
