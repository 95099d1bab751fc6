import { scaleLog } from 'd3-scale';
import { formatFigures } from '@/core/quantity/format';
import { useEffect, useMemo, useRef } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Path, Text as SvgText } from 'react-native-svg';
import { elementOf, webStyle } from '../web';
import { HaloText } from '../HaloText';
import { labelled } from '../gauge/labelled';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

export interface ChartCurve {
  letter: string;
  /** Value at each distance; 0 where there is none. */
  values: Float64Array;
}

interface Props {
  distancesM: Float64Array;
  curves: ChartCurve[];
  /** Named thresholds across the chart. */
  levels: { name: string; value: number }[];
  /** Where the needle stands. */
  atM: number;
  distanceText: (metres: number) => string;
  width: number;
  height: number;
  description: string;
  /** Told the distance under the finger that is pulled over the chart. */
  onPick: (metres: number) => void;
}

const LEFT = 46;
const RIGHT = 22;
const TOP = 10;
const BOTTOM = 30;
/** Line patterns tell the curves apart without colour. */
const DASHES = ['', '8 4', '2 3', '10 3 2 3'];
/** Every how many points a curve is drawn: a phone has fewer pixels than the curve has points. */
const STRIDE = 4;

/** Values against distance, both in the logarithm; thresholds named, the present distance marked by the needle. */
export function PlannerChart({
  distancesM,
  curves,
  levels,
  atM,
  distanceText,
  width,
  height,
  description,
  onPick,
}: Props) {
  const palette = usePalette();
  const host = useRef<View>(null);
  const plot = useMemo(() => {
    const first = distancesM[0] ?? 1;
    const last = distancesM.at(-1) ?? 10;
    const positive = curves.flatMap((curve) => [...curve.values].filter((value) => value > 0));
    const low = Math.min(...positive, ...levels.map((level) => level.value)) / 1.3;
    const high = Math.max(...positive, ...levels.map((level) => level.value)) * 1.3;
    const x = scaleLog([first, last], [LEFT, width - RIGHT]);
    const y = scaleLog([Math.max(1, low), Math.max(10, high)], [height - BOTTOM, TOP]);
    const paths = curves.map((curve) => {
      let pen = false;
      let path = '';
      let end: { x: number; y: number } | null = null;
      for (let i = 0; i < curve.values.length; i += STRIDE) {
        const value = curve.values[i]!;
        if (!(value > 0)) {
          pen = false;
          continue;
        }
        const point = { x: x(distancesM[i]!), y: y(value) };
        path += `${pen ? 'L' : 'M'}${point.x.toFixed(1)} ${point.y.toFixed(1)}`;
        pen = true;
        end = point;
      }
      return { path, end };
    });
    // Letters at the ends keep a line's height between them.
    const ends = paths.map((each, i) => ({ i, y: each.end?.y ?? 0 })).sort((a, b) => a.y - b.y);
    for (let i = 1; i < ends.length; i++) ends[i]!.y = Math.max(ends[i]!.y, ends[i - 1]!.y + 14);
    // … and stay above the axis.
    for (let i = ends.length - 1, lowest = height - BOTTOM - 6; i >= 0; i--, lowest -= 14)
      ends[i]!.y = Math.min(ends[i]!.y, lowest);
    for (const { i, y: at } of ends) if (paths[i]!.end) paths[i]!.end = { x: paths[i]!.end!.x, y: at };
    return {
      x,
      y,
      paths,
      xTicks: x
        .ticks(6)
        .filter((tick, i, all) => all.length < 9 || [1, 2, 5].includes(Number(tick.toExponential()[0]))),
      yTicks: y.ticks(5).filter((tick) => [1, 2, 5].includes(Number(tick.toExponential()[0]))),
    };
  }, [distancesM, curves, levels, width, height]);
  // Listeners outlive a render, and a pull outlives many: they read the newest values from here.
  const latest = useRef({ onPick, scale: plot.x, width });
  useEffect(() => {
    latest.current = { onPick, scale: plot.x, width };
  });
  useEffect(() => {
    const element = elementOf(host);
    if (!element || typeof element.addEventListener !== 'function') return;
    let pulling = false;
    const pick = (event: PointerEvent) => {
      const now = latest.current;
      const at = Math.min(now.width - RIGHT, Math.max(LEFT, event.clientX - element.getBoundingClientRect().left));
      now.onPick(now.scale.invert(at));
    };
    const onDown = (event: PointerEvent) => {
      if (event.button !== 0) return;
      pulling = true;
      element.setPointerCapture(event.pointerId);
      pick(event);
    };
    const onMove = (event: PointerEvent) => {
      if (pulling) pick(event);
    };
    const onUp = () => {
      pulling = false;
    };
    element.addEventListener('pointerdown', onDown);
    element.addEventListener('pointermove', onMove);
    element.addEventListener('pointerup', onUp);
    element.addEventListener('pointercancel', onUp);
    return () => {
      element.removeEventListener('pointerdown', onDown);
      element.removeEventListener('pointermove', onMove);
      element.removeEventListener('pointerup', onUp);
      element.removeEventListener('pointercancel', onUp);
    };
  }, []);
  const needle = plot.x(Math.min(distancesM.at(-1) ?? atM, Math.max(distancesM[0] ?? atM, atM)));
  return (
    <View
      ref={host}
      role="img"
      aria-label={description}
      style={{ ...webStyle({ cursor: 'ew-resize', touchAction: 'pan-y' }), userSelect: 'none' }}
    >
      <Svg width={width} height={height}>
        {plot.yTicks.map((tick) => (
          <G key={tick}>
            <Line
              x1={LEFT}
              x2={width - RIGHT}
              y1={plot.y(tick)}
              y2={plot.y(tick)}
              stroke={palette.hairline}
              strokeWidth={HAIRLINE}
            />
            <SvgText
              x={LEFT - 6}
              y={plot.y(tick) + 4}
              textAnchor="end"
              fill={palette.inkSoft}
              fontSize={fontSize.fine}
              fontFamily={family.figure}
            >
              {formatFigures(tick, 6)}
            </SvgText>
          </G>
        ))}
        {plot.xTicks.map((tick) => (
          <G key={tick}>
            <Line
              x1={plot.x(tick)}
              x2={plot.x(tick)}
              y1={height - BOTTOM}
              y2={height - BOTTOM + 6}
              stroke={palette.ink}
              strokeWidth={HAIRLINE}
            />
          </G>
        ))}
        {labelled(
          plot.xTicks.map((tick) => ({
            item: tick,
            at: plot.x(tick),
            text: distanceText(tick),
            rank: Number.isInteger(Math.log10(tick)) ? 0 : 1,
          })),
          fontSize.fine,
          8,
          [0, width],
        ).map(({ item, at, text }) => (
          <SvgText
            key={item}
            x={at}
            y={height - 8}
            textAnchor="middle"
            fill={palette.inkSoft}
            fontSize={fontSize.fine}
            fontFamily={family.figure}
          >
            {text}
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
        {levels.map((level) => (
          <G key={level.name}>
            <Line
              x1={LEFT}
              x2={width - RIGHT}
              y1={plot.y(level.value)}
              y2={plot.y(level.value)}
              stroke={palette.caution}
              strokeWidth={1.2}
              strokeDasharray="2 2"
            />
            <HaloText
              x={width - RIGHT}
              y={plot.y(level.value) - 4}
              textAnchor="end"
              colour={palette.caution}
              ground={palette.paper}
              text={level.name}
            />
          </G>
        ))}
        {plot.paths.map(({ path, end }, i) => (
          <G key={curves[i]!.letter}>
            <Path
              d={path}
              fill="none"
              stroke={palette.ink}
              strokeWidth={i === 0 ? 2.4 : 1.5}
              strokeDasharray={DASHES[i] ?? ''}
            />
            {end ? (
              <SvgText
                x={Math.min(width - 10, end.x + 5)}
                y={end.y + 4}
                fill={palette.ink}
                fontSize={fontSize.small}
                fontFamily={family.figureStrong}
              >
                {curves[i]!.letter}
              </SvgText>
            ) : null}
          </G>
        ))}
        <Line x1={needle} x2={needle} y1={TOP} y2={height - BOTTOM} stroke={palette.needle} strokeWidth={2} />
      </Svg>
    </View>
  );
}
