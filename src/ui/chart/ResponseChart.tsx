import { scaleLinear } from 'd3-scale';
import { formatFigures } from '@/core/quantity/format';
import { View } from 'react-native';
import Svg, { G, Line, Path, Text as SvgText } from 'react-native-svg';
import { HaloText } from '../HaloText';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

interface Curve {
  /** Frequency, and contrast kept there, 0 to 1 and a little above. */
  points: readonly (readonly [number, number])[];
  name: string;
}

interface Props {
  measured: Curve & { errors: readonly number[] };
  predicted: Curve | null;
  /** Other measurements, thin, each with a letter. */
  others?: readonly (Curve & { mark: string })[];
  /** Contrast below which detail counts as lost. */
  threshold: number;
  /** Two pixels a cycle: finer waves pixels cannot carry. */
  nyquist: number;
  /** Of the frequencies. */
  unit: string;
  width: number;
  height: number;
  description: string;
}

const LEFT = 36;
const RIGHT = 14;
const TOP = 12;
const BOTTOM = 34;

/** Where a curve first falls to a contrast: its letter stands there. */
const markAt = (points: Curve['points'], contrast: number): readonly [number, number] =>
  points.find(([, value]) => value <= contrast) ?? points.at(-1) ?? [0, 0];

/** Another measurement beside the one asked for. */
function OtherCurve({ path, at: [x, y], mark }: { path: string; at: readonly [number, number]; mark: string }) {
  const palette = usePalette();
  return (
    <G>
      <Path d={path} fill="none" stroke={palette.press} strokeWidth={1.2} />
      <HaloText x={x + 4} y={y - 3} colour={palette.press} ground={palette.paper} text={mark} />
    </G>
  );
}

/** Contrast kept against fineness: measured with its error as a band, predicted in dashes. */
export function ResponseChart(props: Props) {
  const { measured, predicted, others = [], threshold, nyquist, unit, width, height, description } = props;
  const palette = usePalette();
  const last = measured.points.at(-1)?.[0] ?? 1;
  const x = scaleLinear([0, last], [LEFT, width - RIGHT]);
  const highest = Math.max(1, ...measured.points.map(([, value]) => value));
  const y = scaleLinear([0, Math.min(1.6, highest * 1.04)], [height - BOTTOM, TOP]);
  const line = (points: Curve['points'], shift: (i: number) => number = () => 0) =>
    points
      .map(([f, value], i) => `${i ? 'L' : 'M'}${x(f).toFixed(1)} ${y(Math.max(0, value + shift(i))).toFixed(1)}`)
      .join('');
  const band =
    line(measured.points, (i) => measured.errors[i]!) +
    [...measured.points]
      .map(([f, value], i) => `L${x(f).toFixed(1)} ${y(Math.max(0, value - measured.errors[i]!)).toFixed(1)}`)
      .reverse()
      .join('') +
    'Z';
  const text = { fontSize: fontSize.fine, fontFamily: family.figure, fill: palette.inkSoft };
  const level = (value: number, dash: string, colour: string) => (
    <Line
      x1={LEFT}
      x2={width - RIGHT}
      y1={y(value)}
      y2={y(value)}
      stroke={colour}
      strokeWidth={HAIRLINE}
      strokeDasharray={dash}
    />
  );
  return (
    <View role="img" aria-label={description}>
      <Svg width={width} height={height} aria-hidden>
        {[0, 0.5, 1].map((tick) => (
          <G key={tick}>
            {level(tick, '', palette.hairline)}
            <SvgText {...text} x={LEFT - 5} y={y(tick) + 4} textAnchor="end">
              {`${tick * 100}`}
            </SvgText>
          </G>
        ))}
        {x.ticks(5).map((tick) => (
          <SvgText key={tick} {...text} x={x(tick)} y={height - BOTTOM + 14} textAnchor="middle">
            {formatFigures(tick, 6)}
          </SvgText>
        ))}
        <SvgText {...text} x={width - RIGHT} y={height - 4} textAnchor="end">
          {`${unit}; contrast in %`}
        </SvgText>
        {level(threshold, '2 3', palette.caution)}
        {nyquist < last ? (
          <Line
            x1={x(nyquist)}
            x2={x(nyquist)}
            y1={TOP}
            y2={height - BOTTOM}
            stroke={palette.inkSoft}
            strokeWidth={1}
            strokeDasharray="3 3"
          />
        ) : null}
        <Path d={band} fill={palette.needle} fillOpacity={0.18} />
        {predicted ? (
          <Path d={line(predicted.points)} fill="none" stroke={palette.ink} strokeWidth={1.5} strokeDasharray="7 4" />
        ) : null}
        {others
          .map((each) => ({ ...each, points: each.points.filter(([f]) => f <= last) }))
          .map(({ points, mark }, i) => (
            <OtherCurve
              key={mark}
              path={line(points)}
              at={markAt(points, 0.8 - 0.12 * i).map((value, k) => (k ? y : x)(value)) as [number, number]}
              mark={mark}
            />
          ))}
        <Path d={line(measured.points)} fill="none" stroke={palette.needle} strokeWidth={2.4} />
        {nyquist < last ? (
          <HaloText x={x(nyquist) + 4} y={TOP + 10} colour={palette.inkSoft} ground={palette.paper} text="pixels end" />
        ) : null}
        <HaloText
          x={width - RIGHT}
          y={y(threshold) - 4}
          textAnchor="end"
          colour={palette.caution}
          ground={palette.paper}
          text={`lost below ${Math.round(threshold * 100)} %`}
        />
      </Svg>
    </View>
  );
}
