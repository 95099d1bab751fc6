import { scaleLinear } from 'd3-scale';
import { memo, useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { HaloText } from '../HaloText';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

interface Props {
  /** Times of the samples, ms, and altitudes at them, degrees. */
  times: number[];
  curves: { name: string; altitudes: number[]; look: 'strong' | 'plain' | 'moon' }[];
  fromMs: number;
  toMs: number;
  dark: { fromMs: number; toMs: number } | null;
  best: { fromMs: number; toMs: number } | null;
  /** Writes the clock at a time. */
  clock: (ms: number) => string;
  leastDeg: number;
  height: number;
  description: string;
}

const LEFT = 30;
const TOP = 12;
const BOTTOM = 26;
const HOUR_MS = 3_600_000;

/** Altitudes through a night: the dark hours, the Moon dashed, the object strong, its best window underlined. */
export const NightChart = memo(function NightChart({
  times,
  curves,
  fromMs,
  toMs,
  dark,
  best,
  clock,
  leastDeg,
  height,
  description,
}: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const x = scaleLinear([fromMs, toMs], [LEFT, Math.max(LEFT + 1, width - 8)]).clamp(true);
  const y = scaleLinear([0, 90], [height - BOTTOM, TOP]);
  const text = { fontSize: fontSize.fine, fontFamily: family.figure, fill: palette.inkSoft };
  const every = (toMs - fromMs) / HOUR_MS > 11 ? 3 : 2;
  const hours: number[] = [];
  for (let ms = Math.ceil(fromMs / HOUR_MS) * HOUR_MS; ms <= toMs; ms += HOUR_MS)
    if (Number(clock(ms).slice(0, 2)) % every === 0) hours.push(ms);
  // A curve is drawn only above the horizon, in pieces.
  const path = (altitudes: number[]) => {
    let d = '';
    let open = false;
    times.forEach((ms, i) => {
      const altitude = altitudes[i]!;
      if (altitude < 0 || ms < fromMs || ms > toMs) {
        open = false;
        return;
      }
      d += `${open ? 'L' : 'M'}${x(ms).toFixed(1)} ${y(altitude).toFixed(1)}`;
      open = true;
    });
    return d;
  };
  const highest = (altitudes: number[]): number =>
    altitudes.reduce(
      (top, altitude, i) => (times[i]! >= fromMs && times[i]! <= toMs && altitude > altitudes[top]! ? i : top),
      Math.max(
        0,
        times.findIndex((ms) => ms >= fromMs),
      ),
    );
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ height }}
      role="img"
      aria-label={description}
    >
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          {dark ? (
            <Rect
              x={x(dark.fromMs)}
              y={TOP}
              width={x(dark.toMs) - x(dark.fromMs)}
              height={height - BOTTOM - TOP}
              fill={palette.finderHidden}
            />
          ) : null}
          {[30, 60, 90].map((tick) => (
            <G key={tick}>
              <Line
                x1={LEFT}
                x2={width - 8}
                y1={y(tick)}
                y2={y(tick)}
                stroke={palette.hairline}
                strokeWidth={HAIRLINE}
                {...(tick === leastDeg ? { strokeDasharray: '4 3', stroke: palette.inkSoft } : {})}
              />
              <SvgText {...text} x={LEFT - 4} y={y(tick) + 4} textAnchor="end">
                {tick}°
              </SvgText>
            </G>
          ))}
          <Line x1={LEFT} x2={width - 8} y1={y(0)} y2={y(0)} stroke={palette.ink} strokeWidth={1.5} />
          {hours.map((ms) => (
            <G key={ms}>
              <Line x1={x(ms)} x2={x(ms)} y1={y(0)} y2={y(0) + 5} stroke={palette.ink} strokeWidth={HAIRLINE} />
              <SvgText {...text} x={x(ms)} y={height - 8} textAnchor="middle">
                {clock(ms)}
              </SvgText>
            </G>
          ))}
          {curves.map((curve) => (
            <Path
              key={curve.name}
              d={path(curve.altitudes)}
              fill="none"
              stroke={curve.look === 'strong' ? palette.needle : palette.ink}
              strokeWidth={curve.look === 'strong' ? 2.6 : 1.2}
              {...(curve.look === 'moon' ? { strokeDasharray: '6 4' } : {})}
            />
          ))}
          {best ? (
            <Line
              x1={x(best.fromMs)}
              x2={x(best.toMs)}
              y1={y(0) - 4}
              y2={y(0) - 4}
              stroke={palette.needle}
              strokeWidth={5}
            />
          ) : null}
          {curves.map((curve) => {
            const top = highest(curve.altitudes);
            const altitude = curve.altitudes[top]!;
            if (altitude < 6) return null;
            const at = x(times[top]!);
            return (
              <HaloText
                key={curve.name}
                x={Math.min(Math.max(at, LEFT + 24), width - 40)}
                y={Math.max(TOP + 12, y(altitude) - 6)}
                textAnchor="middle"
                colour={palette.ink}
                ground={palette.paper}
                text={curve.name}
              />
            );
          })}
        </Svg>
      ) : null}
    </View>
  );
});
