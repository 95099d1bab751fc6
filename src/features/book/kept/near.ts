import { readNear } from '@/core/near/readNear';
import { formatRatio } from '@/core/quantity/format';
import { showSubjectMm, shownText } from '@/core/quantity/quantityText';
import { countedLines, countedWords } from './counted';
import type { KeptDesk } from './keptDesk';

export const near: KeptDesk<'near'> = {
  command: 'near',
  ofSubject: true,
  read: (input, system) => readNear({ ...input, system }),
  distanceM: () => null,
  today: ({ subject }) => ({ subject }),
  words: (kept) => countedWords(kept, `at ${formatRatio(kept.result.ratio ?? 0)}`),
  lines: (kept, asKept, asNow, units) => {
    const { ratio, depthMm } = kept.result;
    const [was, now] = [asKept?.reading, asNow?.reading];
    return [
      ...(ratio === undefined
        ? []
        : [{ label: 'Reproduction ratio', was: formatRatio(ratio), wasWhy: was?.ratio, now: now?.ratio }]),
      ...countedLines(kept, asKept, asNow, units),
      ...(depthMm === undefined
        ? []
        : [
            {
              label: 'Depth of one frame',
              was: shownText(showSubjectMm(depthMm, units)),
              wasWhy: was?.depthMm,
              now: now?.depthMm,
            },
          ]),
    ];
  },
};
