import type { Verdict } from '@/core/output/verdict';
import type { RuleReading, StarsReading, StarVerdict } from '@/core/sky/readStars';
import type { StarLever } from '@/core/sky/starLevers';
import { formatFigures, formatStops } from '@/core/quantity/format';
import type { LeverText } from '@/ui/levers/LeverRow';

/** A time under the stars: 12.4 s, 3.5 min, an hour. */
export function secondsText(seconds: number): string {
  if (seconds >= 3600) return '1\u202fh';
  return seconds >= 100
    ? `${formatFigures(seconds / 60, 2)}\u202fmin`
    : `${formatFigures(seconds, seconds < 10 ? 2 : 3)}\u202fs`;
}

/** A run in pixels. */
export const runText = (px: number): string =>
  Number.isFinite(px) ? `${formatFigures(px, px < 10 ? 2 : 3)}\u202fpx` : 'out of the frame';

export const STAR_VERDICT_WORDS: Record<StarVerdict, string> = {
  points: 'Points everywhere',
  cornersRun: 'Points in the centre, the corners run',
  strokes: 'Strokes',
};

/** How the desks mark a verdict, by the marks all of them share. */
export const starMark = (verdict: StarVerdict): Verdict => (verdict === 'points' ? 'enough' : 'notEnough');

/** The judgement with its figures. */
export const starSentence = (reading: StarsReading): string =>
  `${runText(reading.centreDriftPx.value)} in the centre, ${runText(reading.worstDriftPx.value)} at the worst point; ${formatFigures(reading.centreTolerancePx.value, 2)}\u202fpx pass${reading.cornerTolerancePx.value === reading.centreTolerancePx.value ? '' : `, in the corners ${formatFigures(reading.cornerTolerancePx.value, 2)}`}`;

/** What a school really gives. */
export const ruleWords = (rule: RuleReading): string =>
  `${secondsText(rule.seconds)}: ${runText(rule.centrePx)} in the centre, ${runText(rule.worstPx)} in the corner`;

/** A lever under the stars in words. */
export function starLeverText<P>(lever: StarLever<P>): LeverText {
  const title = lever.kind === 'setup' ? `Take “${lever.name}”` : lever.name;
  const field =
    Math.abs(lever.fieldRatio - 1) < 0.02
      ? ''
      : lever.fieldRatio > 1
        ? `the frame takes in ${formatFigures(lever.fieldRatio, 2)}\u202f× as much`
        : `the frame takes in ${formatFigures(lever.fieldRatio * 100, 2)}\u202f% as much`;
  return {
    title,
    gain: `up to ${secondsText(lever.limitS)}, ${formatFigures(lever.timeRatio, 2)}\u202f× as long`,
    price: [`${formatStops(lever.lightStops)} of light at its limit`, field].filter((word) => word !== '').join(' · '),
    caution: lever.kind === 'centre' ? 'Corner stars become strokes.' : '',
  };
}
