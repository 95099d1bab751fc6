import type { Reading } from '@/contract/schemas/reading';
import type { Verdict } from '@/core/output/verdict';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { formatFigures, formatFixed, formatRatio } from '@/core/quantity/format';
import { showFNumber, showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { STAR_VERDICT_WORDS, secondsText, starMark } from '@/features/sky/starWords';

/** What a kept reading says at a glance. */
export interface EntryWords {
  /** Of what, and from where: "Curlew at 64 m", "Tiger beetle at 1.27 : 1", "Stars at declination 0°". */
  subject: string;
  where: string;
  figure: string;
  unit: string;
  verdict: Verdict;
  /** The judgement with its mark. */
  judgement: string;
  /** With which set-up. */
  line: string;
}

/** Writes a kept reading in words, by its desk. */
export function entryWords(data: Reading, units: UnitSystem): EntryWords {
  if (data.desk === 'stars') {
    const { result, input } = data;
    const verdict = starMark(result.verdict);
    return {
      subject: 'Stars',
      where: `at declination ${formatFixed(input.declinationDeg ?? 0)}°`,
      figure: secondsText(result.limitS).split('\u202f')[0] ?? '',
      unit: secondsText(result.limitS).split('\u202f')[1] ?? '',
      verdict,
      judgement: `${VERDICT_MARK[verdict]} ${STAR_VERDICT_WORDS[result.verdict]} at ${secondsText(result.exposureS)}`,
      line: `${data.setupName}${input.focalMm === undefined ? '' : ` · ${formatFigures(input.focalMm, 3)}\u202fmm`} · for ${input.output.name}`,
    };
  }
  const { result, input } = data;
  const where =
    data.desk === 'far'
      ? `at ${shownText(showLengthM(data.input.distanceM, units))}`
      : `at ${formatRatio(result.ratio ?? 0)}`;
  return {
    subject: input.subject.name,
    where,
    figure: formatFixed(result.pixelsOnSubject),
    unit: 'px',
    verdict: result.verdict,
    judgement: `${VERDICT_MARK[result.verdict]} ${VERDICT_WORDS[result.verdict](input.output.name)}`,
    line: `${data.setupName} ${where} · equivalent ${formatFixed(result.equivalentFocalMm)} mm ${showFNumber(result.equivalentFNumber)}`,
  };
}
