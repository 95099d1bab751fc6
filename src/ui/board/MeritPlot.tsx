import { scaleLinear } from 'd3-scale';
import { useRef, useState } from 'react';
import { Pressable, View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { formatFigures } from '@/core/quantity/format';
import { labelled } from '../gauge/labelled';
import { TakeDrawing } from '../take/TakeDrawing';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

export interface PlotPoint {
  key: string;
  name: string;
  x: number;
  y: number;
  /** Nothing else offers as much for as little. */
  best: boolean;
}

interface Props {
  points: PlotPoint[];
  xName: string;
  yName: string;
  xText?: ((value: number) => string) | undefined;
  yText?: ((value: number) => string) | undefined;
  openKey: string | null;
  onOpen: (key: string) => void;
  height: number;
}

const LEFT = 52;
const RIGHT = 14;
const TOP = 26;
const BOTTOM = 42;
/** How far from a point a finger may land, px. */
const REACH = 30;

/** What many things offer against what they ask for: a point each, the best of each filled; a tap opens the nearest. */
export function MeritPlot({ points, xName, yName, xText, yText, openKey, onOpen, height }: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const host = useRef<View>(null);
  const xs = points.map((point) => point.x);
  const ys = points.map((point) => point.y);
  const x = scaleLinear(spread(xs), [LEFT, Math.max(LEFT + 1, width - RIGHT)]).nice(5);
  const y = scaleLinear(spread(ys), [height - BOTTOM, TOP]).nice(5);
  const text = { fontSize: fontSize.fine, fontFamily: family.figure, fill: palette.inkSoft };
  const open = (event: GestureResponderEvent) => {
    const { locationX, locationY } = event.nativeEvent;
    const [nearest] = points
      .map((point) => ({ point, far: Math.hypot(x(point.x) - locationX, y(point.y) - locationY) }))
      .sort((a, b) => a.far - b.far);
    if (nearest && nearest.far <= REACH) onOpen(nearest.point.key);
  };
  const opened = points.find((point) => point.key === openKey);
  return (
    <TakeDrawing title={`${yName} against ${xName}`}>
      <Pressable
        ref={host}
        onPress={open}
        tabIndex={-1}
        onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
        style={{ height }}
        role="img"
        aria-label={`${yName} against ${xName}: ${points.length} points. ${points
          .filter((point) => point.best)
          .map((point) => point.name)
          .join(', ')} cannot be beaten in both.`}
      >
        {width > 0 ? (
          <Svg width={width} height={height} aria-hidden pointerEvents="none">
            {y.ticks(5).map((tick) => (
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
                  {(yText ?? formatFigures)(tick)}
                </SvgText>
              </G>
            ))}
            <Line
              x1={LEFT}
              x2={width - RIGHT}
              y1={height - BOTTOM}
              y2={height - BOTTOM}
              stroke={palette.ink}
              strokeWidth={1.5}
            />
            {labelled(
              x.ticks(5).map((tick) => ({ item: tick, at: x(tick), text: (xText ?? formatFigures)(tick), rank: 0 })),
              fontSize.fine,
              10,
              [0, width],
            ).map(({ item, at, text: shown }) => (
              <SvgText key={item} {...text} x={at} y={height - BOTTOM + 16} textAnchor="middle">
                {shown}
              </SvgText>
            ))}
            <SvgText {...text} x={width - RIGHT} y={height - 6} textAnchor="end">
              {`${xName} →`}
            </SvgText>
            <SvgText {...text} x={6} y={14}>
              {`↑ ${yName}`}
            </SvgText>
            {points.map((point) => (
              <Mark key={point.key} at={[x(point.x), y(point.y)]} best={point.best} />
            ))}
            {opened ? (
              <Circle cx={x(opened.x)} cy={y(opened.y)} r={11} fill="none" stroke={palette.needle} strokeWidth={2.5} />
            ) : null}
          </Svg>
        ) : null}
      </Pressable>
    </TakeDrawing>
  );
}

/** A filled diamond for what nothing beats, an open circle for the rest: told apart without colour. */
function Mark({ at: [cx, cy], best }: { at: readonly [number, number]; best: boolean }) {
  const palette = usePalette();
  return best ? (
    <Path d={`M${cx} ${cy - 7}l7 7l-7 7l-7 -7Z`} fill={palette.press} />
  ) : (
    <Circle cx={cx} cy={cy} r={4.5} fill={palette.paper} stroke={palette.inkSoft} strokeWidth={1.5} />
  );
}

/** From the least to the most, with room around a single value. */
function spread(values: number[]): [number, number] {
  const [low, high] = [Math.min(...values), Math.max(...values)];
  if (!Number.isFinite(low) || !Number.isFinite(high)) return [0, 1];
  return high > low ? [low, high] : [low - Math.max(1, Math.abs(low) * 0.1), high + Math.max(1, Math.abs(high) * 0.1)];
}
