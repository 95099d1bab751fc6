import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Text as SvgText } from 'react-native-svg';
import { formatFixed } from '@/core/quantity/format';
import type { KeepersOf } from '@/core/seek/statistics';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

const ROW = 40;
const [LEFT, RIGHT, BOTTOM] = [8, 44, 22];

/** Share of groups kept with each set-up, and the range nine of ten such shares hold the truth in. */
export function KeepersChart({ rows }: { rows: readonly KeepersOf[] }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const x = (share: number) => LEFT + share * (width - LEFT - RIGHT);
  const height = ROW * rows.length + BOTTOM;
  const text = { fontSize: fontSize.fine, fontFamily: family.figure, fill: palette.inkSoft };
  const words = rows.map(({ setup, share }) => `${setup} ${share.good} of ${share.cases}`).join(', ');
  return (
    <View
      role="img"
      aria-label={`Groups kept by set-up: ${words}.`}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      style={{ height }}
    >
      {width ? (
        <Svg width={width} height={height} aria-hidden>
          {rows.map(({ setup, share }, i) => {
            const y = ROW * (i + 1) - 12;
            return (
              <G key={`${setup} ${i}`}>
                <SvgText {...text} fill={palette.ink} x={LEFT} y={y - 12}>
                  {setup}
                </SvgText>
                <Line x1={x(0)} x2={x(1)} y1={y} y2={y} stroke={palette.hairline} strokeWidth={HAIRLINE} />
                <Line
                  x1={x(share.low)}
                  x2={x(share.high)}
                  y1={y}
                  y2={y}
                  stroke={palette.press}
                  strokeWidth={5}
                  opacity={0.35}
                />
                <Circle cx={x(share.good / share.cases)} cy={y} r={5} fill={palette.press} />
                <SvgText {...text} fill={palette.ink} x={width - 4} y={y + 4} textAnchor="end">
                  {`${formatFixed(share.good)} of ${formatFixed(share.cases)}`}
                </SvgText>
              </G>
            );
          })}
          {[0, 0.5, 1].map((share) => (
            <SvgText
              key={share}
              {...text}
              x={x(share)}
              y={height - 4}
              textAnchor={share === 0 ? 'start' : share === 1 ? 'end' : 'middle'}
            >
              {`${share * 100}\u202f%`}
            </SvgText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
