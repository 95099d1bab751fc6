import { scaleLog } from 'd3-scale';
import { formatFigures } from '@/core/quantity/format';
import { View } from 'react-native';
import Svg, { G, Line, Path, Text as SvgText } from 'react-native-svg';
import { HaloText } from '../HaloText';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

interface Props {
  points: { fNumber: number; counted: number; depthMm: number }[];
  needed: number;
  neededName: string;
  setFNumber: number;
  bestFNumber: number;
  width: number;
  height: number;
  description: string;
}

const LEFT = 46;
const RIGHT = 40;
const TOP = 14;
const BOTTOM = 30;

/** Pixels that count (strong line, left) and depth (dashed, right) against the f-number; both scales logarithmic. */
export function ApertureChart({
  points,
  needed,
  neededName,
  setFNumber,
  bestFNumber,
  width,
  height,
  description,
}: Props) {
  const palette = usePalette();
  const first = points[0]!.fNumber;
  const last = points.at(-1)!.fNumber;
  const x = scaleLog([first, last], [LEFT, width - RIGHT]);
  const counts = [...points.map((point) => point.counted), needed];
  const depths = points.map((point) => point.depthMm);
  const y = scaleLog([Math.min(...counts) / 1.2, Math.max(...counts) * 1.2], [height - BOTTOM, TOP]);
  const depth = scaleLog([Math.min(...depths) / 1.2, Math.max(...depths) * 1.2], [height - BOTTOM, TOP]);
  const path = (values: number[]) =>
    values.map((value, i) => `${i ? 'L' : 'M'}${x(points[i]!.fNumber).toFixed(1)} ${value.toFixed(1)}`).join('');
  const some = (ticks: number[]) => ticks.filter((tick) => [1, 2, 5].includes(Number(tick.toExponential()[0])));
  const fTicks = [1.4, 2.8, 5.6, 8, 11, 16, 22, 32, 45].filter((tick) => tick >= first * 0.99 && tick <= last * 1.01);
  const text = { fontSize: fontSize.fine, fontFamily: family.figure, fill: palette.inkSoft };
  return (
    <View role="img" aria-label={description}>
      <Svg width={width} height={height} aria-hidden>
        {some(y.ticks(5)).map((tick) => (
          <G key={tick}>
            <Line
              x1={LEFT}
              x2={width - RIGHT}
              y1={y(tick)}
              y2={y(tick)}
              stroke={palette.hairline}
              strokeWidth={HAIRLINE}
            />
            <SvgText {...text} x={LEFT - 6} y={y(tick) + 4} textAnchor="end">
              {formatFigures(tick, 6)}
            </SvgText>
          </G>
        ))}
        {some(depth.ticks(4)).map((tick) => (
          <SvgText key={tick} {...text} x={width - RIGHT + 6} y={depth(tick) + 4}>
            {formatFigures(tick, 6)}
          </SvgText>
        ))}
        <Line
          x1={LEFT}
          x2={width - RIGHT}
          y1={height - BOTTOM}
          y2={height - BOTTOM}
          stroke={palette.ink}
          strokeWidth={HAIRLINE}
        />
        {fTicks.map((tick) => (
          <SvgText key={tick} {...text} x={x(tick)} y={height - 10} textAnchor="middle">
            {tick}
          </SvgText>
        ))}
        <Line
          x1={LEFT}
          x2={width - RIGHT}
          y1={y(needed)}
          y2={y(needed)}
          stroke={palette.caution}
          strokeWidth={1.2}
          strokeDasharray="2 2"
        />
        <Path d={path(points.map((point) => y(point.counted)))} fill="none" stroke={palette.ink} strokeWidth={2.4} />
        <Path
          d={path(depths.map((each) => depth(each)))}
          fill="none"
          stroke={palette.ink}
          strokeWidth={1.5}
          strokeDasharray="8 4"
        />
        <Line
          x1={x(bestFNumber)}
          x2={x(bestFNumber)}
          y1={TOP}
          y2={height - BOTTOM}
          stroke={palette.press}
          strokeWidth={1.5}
          strokeDasharray="3 3"
        />
        <Line
          x1={x(Math.min(last, Math.max(first, setFNumber)))}
          x2={x(Math.min(last, Math.max(first, setFNumber)))}
          y1={TOP}
          y2={height - BOTTOM}
          stroke={palette.needle}
          strokeWidth={2}
        />
        <HaloText
          x={width - RIGHT - 4}
          y={y(needed) - 4}
          textAnchor="end"
          colour={palette.caution}
          ground={palette.paper}
          text={neededName}
        />
        <HaloText
          x={LEFT + 6}
          y={y(points[0]!.counted) - 8}
          colour={palette.ink}
          ground={palette.paper}
          text="pixels that count"
        />
        <HaloText
          x={LEFT + 6}
          y={depth(depths[0]!) - 8}
          colour={palette.ink}
          ground={palette.paper}
          text="depth, mm (right)"
        />
      </Svg>
    </View>
  );
}
