import { formatFigures, formatFixed } from '@/core/quantity/format';
import { showQuantity, shownText } from '@/core/quantity/quantityText';
import { ok } from '@/core/quantity/result';
import { VERDICT_MARK } from '@/core/output/verdictWords';
import { starsFromPlain } from '@/core/sky/plainStars';
import { readStars } from '@/core/sky/readStars';
import { STAR_VERDICT_WORDS, secondsText, starMark } from '@/features/sky/starWords';
import type { KeptDesk } from './keptDesk';

export const stars: KeptDesk<'stars'> = {
  command: 'stars',
  ofSubject: false,
  read: (input, system) => ok(readStars(starsFromPlain(system, input))),
  distanceM: () => null,
  today: () => ({}),
  words: ({ result, input, setupName }) => {
    const verdict = starMark(result.verdict);
    const [figure = '', unit = ''] = secondsText(result.limitS).split('\u202f');
    return {
      subject: 'Stars',
      where: `at declination ${formatFixed(input.declinationDeg ?? 0)}°`,
      figure,
      unit,
      verdict,
      judgement: `${VERDICT_MARK[verdict]} ${STAR_VERDICT_WORDS[result.verdict]} at ${secondsText(result.exposureS)}`,
      line: `${setupName}${input.focalMm === undefined ? '' : ` · ${formatFigures(input.focalMm, 3)}\u202fmm`} · for ${input.output.name}`,
    };
  },
  lines: ({ result }, asKept, asNow, units) => {
    const [kept, now] = [asKept?.reading, asNow?.reading];
    // Written as the figures beside them are.
    const was = (unit: 's' | 'px', value: number) => shownText(showQuantity({ unit, value }, units));
    return [
      { label: 'Longest', was: was('s', result.limitS), wasWhy: kept?.limitS, now: now?.limitS },
      { label: 'For the centre', was: was('s', result.centreS), wasWhy: kept?.centreS, now: now?.centreS },
      { label: 'For the whole frame', was: was('s', result.worstS), wasWhy: kept?.worstS, now: now?.worstS },
      {
        label: 'Run, centre',
        was: was('px', result.centreRunPx),
        wasWhy: kept?.centreDriftPx,
        now: now?.centreDriftPx,
      },
      {
        label: 'Run, worst point',
        was: was('px', result.worstRunPx),
        wasWhy: kept?.worstDriftPx,
        now: now?.worstDriftPx,
      },
    ];
  },
};
