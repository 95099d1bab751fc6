import { scaleLinear, scaleLog } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Text as SvgText } from 'react-native-svg';
import { formatFixed } from '@/core/quantity/format';
import type { PixelsAt } from '@/core/seek/statistics';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';
import { StandingMark } from './StandingMark';

const HEIGHT = 200;
const [LEFT, RIGHT, TOP, BOTTOM] = [48, 12, 12, 26];
/** Room beside the outermost, as a factor of the pixels. */
const MARGIN = 1.4;
const DAY_MS = 86_400_000;
const FIGURES = [1, 2, 5];

const DAY = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', timeZone: 'UTC' });
/** A moment as days; it is told by a clock of its own, without a zone. */
const daysOf = (at: string): number => Date.parse(`${at}Z`) / DAY_MS;
const dayText = (days: number): string => DAY.format(new Date(days * DAY_MS));

/** Figures of a logarithmic scale between two values: ones, twos and fives. */
function logFigures(from: number, to: number): number[] {
  const decades = Array.from(
    { length: Math.ceil(Math.log10(to)) - Math.floor(Math.log10(from)) + 1 },
    (_, i) => 10 ** (Math.floor(Math.log10(from)) + i),
  );
  const all = decades.flatMap((decade) => FIGURES.map((figure) => figure * decade));
  return all.filter((value) => value >= from && value <= to);
}

/** Pixels on subjects over time. */
export function PixelsChart({ points }: { points: readonly PixelsAt[] }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const days = points.map(({ at }) => daysOf(at));
  const counts = points.map(({ pixels }) => pixels);
  const [first, last] = [Math.min(...days), Math.max(...days)];
  const [from, to] = [Math.min(...counts) / MARGIN, Math.max(...counts) * MARGIN];
  // A day's room beside the first and the last.
  const x = scaleLinear([first - 1, last + 1], [LEFT, width - RIGHT]);
  const y = scaleLog([from, to], [HEIGHT - BOTTOM, TOP]);
  const text = { fontSize: fontSize.fine, fontFamily: family.figure, fill: palette.inkSoft };
  return (
    <View
      role="img"
      aria-label={`Pixels on the subject over time: ${points.length} from ${formatFixed(Math.min(...counts))} to ${formatFixed(Math.max(...counts))} px, ${dayText(first)} to ${dayText(last)}.`}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      style={{ height: HEIGHT }}
    >
      {width ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          {logFigures(from, to).map((value) => (
            <G key={value}>
              <Line
                x1={LEFT}
                x2={width - RIGHT}
                y1={y(value)}
                y2={y(value)}
                stroke={palette.hairline}
                strokeWidth={HAIRLINE}
              />
              <SvgText {...text} x={LEFT - 6} y={y(value) + 4} textAnchor="end">
                {formatFixed(value)}
              </SvgText>
            </G>
          ))}
          {x
            .ticks(Math.max(2, Math.floor(width / 110)))
            .filter(Number.isInteger)
            .map((tick) => (
              <SvgText key={tick} {...text} x={x(tick)} y={HEIGHT - 8} textAnchor="middle">
                {dayText(tick)}
              </SvgText>
            ))}
          {points.map(({ at, pixels, standing }, i) => (
            <StandingMark key={i} x={x(daysOf(at))} y={y(pixels)} standing={standing} />
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
