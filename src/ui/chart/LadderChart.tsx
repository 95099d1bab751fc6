import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { formatFigures } from '@/core/quantity/format';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

interface Props {
  /** Bags from the lightest on. */
  bags: readonly { weightG: number; reached: number }[];
  /** How many pictures are wanted. */
  of: number;
}

const HEIGHT = 170;
const LEFT = 30;
const RIGHT = 18;
const TOP = 14;
const BOTTOM = 34;

/** Pictures reached against the weight carried: a stair, each step a bag. */
export function LadderChart({ bags, of }: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const most = Math.max(...bags.map(({ weightG }) => weightG));
  const x = scaleLinear([0, most * 1.12], [LEFT, width - RIGHT]).nice();
  const y = scaleLinear([0, of], [HEIGHT - BOTTOM, TOP]);
  const stair = bags.map(({ weightG, reached }) => `H${x(weightG).toFixed(1)}V${y(reached).toFixed(1)}`).join('');
  const text = { fontSize: fontSize.fine, fontFamily: family.figure, fill: palette.inkSoft };
  const words = bags
    .map(({ weightG, reached }) => `${formatFigures(weightG / 1000)} kg for ${reached} of ${of}`)
    .join(', ');
  return (
    <View
      role="img"
      aria-label={`Pictures reached against weight: ${words}.`}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      style={{ height: HEIGHT }}
    >
      {width ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          {Array.from({ length: of + 1 }, (_, count) => (
            <G key={count}>
              <Line
                x1={LEFT}
                x2={width - RIGHT}
                y1={y(count)}
                y2={y(count)}
                stroke={count ? palette.hairline : palette.ink}
                strokeWidth={HAIRLINE}
              />
              <SvgText {...text} x={LEFT - 8} y={y(count) + 4} textAnchor="end">
                {count}
              </SvgText>
            </G>
          ))}
          {x.ticks(Math.max(2, Math.floor(width / 110))).map((tick) => (
            <SvgText key={tick} {...text} x={x(tick)} y={HEIGHT - 18} textAnchor="middle">
              {formatFigures(tick / 1000)}
            </SvgText>
          ))}
          <SvgText {...text} x={width - RIGHT} y={HEIGHT - 3} textAnchor="end">
            kg carried
          </SvgText>
          <Path
            d={`M${x(0)} ${y(0)}${stair}H${width - RIGHT}`}
            fill="none"
            stroke={palette.ink}
            strokeWidth={2.2}
            strokeLinejoin="round"
          />
          {bags.map(({ weightG, reached }) => (
            <Circle key={reached} cx={x(weightG)} cy={y(reached)} r={4.5} fill={palette.press} />
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
