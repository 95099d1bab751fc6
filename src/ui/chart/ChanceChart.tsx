import { scaleLinear, scaleLog } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

interface Props {
  cases: readonly { x: number; good: boolean }[];
  /** Where four of five come out well, and its range; none where it is not known. */
  limit?: { value: number; low: number; high: number } | undefined;
  /** The chance at x, 0 to 1; none where it is not known. */
  chance?: ((x: number) => number) | undefined;
  axis: (x: number) => string;
  description: string;
}

const HEIGHT = 132;
const LEFT = 40;
const RIGHT = 16;
const TOP = 14;
const BOTTOM = 28;
const POINTS = 60;
/** Room beside the outermost cases, as a factor. */
const MARGIN = 1.35;

/** How the chance of a good picture runs: cases that came out well above, those that did not below, the curve between. */
export function ChanceChart({ cases, limit, chance, axis, description }: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const xs = [...cases.map(({ x }) => x), ...(limit ? [limit.value] : [])];
  const [from, to] = [Math.min(...xs) / MARGIN, Math.max(...xs) * MARGIN];
  const x = scaleLog([from, to], [LEFT, width - RIGHT]).clamp(true);
  const y = scaleLinear([0, 1], [HEIGHT - BOTTOM, TOP]);
  const text = { fontSize: fontSize.fine, fontFamily: family.figure, fill: palette.inkSoft };
  const path = chance
    ? Array.from({ length: POINTS + 1 }, (_, i) => {
        const at = from * (to / from) ** (i / POINTS);
        return `${i ? 'L' : 'M'}${x(at).toFixed(1)} ${y(chance(at)).toFixed(1)}`;
      }).join('')
    : '';
  return (
    <View
      role="img"
      aria-label={description}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      style={{ height: HEIGHT }}
    >
      {width ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          {limit ? (
            <Rect
              x={x(limit.low)}
              y={TOP}
              width={Math.max(1, x(limit.high) - x(limit.low))}
              height={HEIGHT - BOTTOM - TOP}
              fill={palette.hairline}
              opacity={0.5}
            />
          ) : null}
          {[0, 0.5, 1].map((share) => (
            <G key={share}>
              <Line
                x1={LEFT}
                x2={width - RIGHT}
                y1={y(share)}
                y2={y(share)}
                stroke={palette.hairline}
                strokeWidth={HAIRLINE}
              />
              <SvgText {...text} x={LEFT - 6} y={y(share) + 4} textAnchor="end">
                {`${share * 100}\u202f%`}
              </SvgText>
            </G>
          ))}
          {path ? <Path d={path} fill="none" stroke={palette.ink} strokeWidth={2.2} /> : null}
          {limit ? (
            <Line
              x1={x(limit.value)}
              x2={x(limit.value)}
              y1={TOP}
              y2={HEIGHT - BOTTOM}
              stroke={palette.needle}
              strokeWidth={2}
            />
          ) : null}
          {cases.map(({ x: at, good }, i) => (
            <Circle
              key={i}
              cx={x(at)}
              cy={y(good ? 1 : 0)}
              r={4.5}
              fill={good ? palette.press : palette.paper}
              stroke={good ? palette.press : palette.needle}
              strokeWidth={1.6}
            />
          ))}
          <SvgText {...text} x={x(from * MARGIN)} y={HEIGHT - 8} textAnchor="middle">
            {axis(from * MARGIN)}
          </SvgText>
          <SvgText {...text} x={x(to / MARGIN)} y={HEIGHT - 8} textAnchor="middle">
            {axis(to / MARGIN)}
          </SvgText>
        </Svg>
      ) : null}
    </View>
  );
}
