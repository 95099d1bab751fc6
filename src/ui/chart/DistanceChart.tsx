import { scaleLog } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Text as SvgText } from 'react-native-svg';
import { showLengthM, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import type { DistancesOf } from '@/core/seek/statistics';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';
import { StandingMark } from './StandingMark';

const ROW = 34;
const [LEFT, RIGHT, TOP, BOTTOM] = [8, 8, 4, 24];
const MARGIN = 1.15;
const LABEL_PX = 76;

/** From how far each subject was seen: a line a subject. */
export function DistanceChart({ rows, units }: { rows: readonly DistancesOf[]; units: UnitSystem }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const all = rows.flatMap(({ distances }) => distances.map(({ distanceM }) => distanceM));
  const x = scaleLog([Math.min(...all) / MARGIN, Math.max(...all) * MARGIN], [LEFT, width - RIGHT]);
  const height = TOP + ROW * rows.length + BOTTOM;
  const length = (metres: number) => shownText(showLengthM(metres, units, 2));
  const text = { fontSize: fontSize.fine, fontFamily: family.figure, fill: palette.inkSoft };
  const words = rows
    .map(
      ({ subject, distances }) =>
        `${subject} ${length(distances[0]!.distanceM)} to ${length(distances.at(-1)!.distanceM)}`,
    )
    .join(', ');
  return (
    <View
      role="img"
      aria-label={`Distances: ${words}.`}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      style={{ height }}
    >
      {width ? (
        <Svg width={width} height={height} aria-hidden>
          {rows.map(({ subject, distances }, i) => {
            const y = TOP + ROW * (i + 1) - 10;
            return (
              <G key={subject}>
                <SvgText {...text} fill={palette.ink} x={LEFT} y={y - 12}>
                  {subject}
                </SvgText>
                <Line x1={LEFT} x2={width - RIGHT} y1={y} y2={y} stroke={palette.hairline} strokeWidth={HAIRLINE} />
                {distances.map(({ distanceM, standing }, k) => (
                  <StandingMark key={k} x={x(distanceM)} y={y} standing={standing} />
                ))}
              </G>
            );
          })}
          {distanceFigures(x.domain() as [number, number], Math.max(2, Math.floor(width / LABEL_PX))).map((metres) => (
            <SvgText key={metres} {...text} x={x(metres)} y={height - 6} textAnchor="middle">
              {length(metres)}
            </SvgText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

/** Round distances within a range, at most so many. */
function distanceFigures([from, to]: [number, number], most: number): number[] {
  const all: number[] = [];
  for (let decade = 10 ** Math.floor(Math.log10(from)); decade <= to; decade *= 10)
    for (const figure of [1, 2, 5]) if (figure * decade >= from && figure * decade <= to) all.push(figure * decade);
  const step = Math.ceil(all.length / most);
  return all.filter((_, i) => i % step === 0);
}
