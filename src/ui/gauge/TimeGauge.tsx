import { scaleLog } from 'd3-scale';
import { memo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { labelled } from './labelled';
import { usePalette } from '../theme/theme';

interface Props {
  /** The exposure set, s. */
  seconds: number;
  /** Up to here the whole frame shows points, and up to here the centre does. */
  worstS: number;
  centreS: number;
  /** What the schools say. */
  marks: { name: string; seconds: number; chosen: boolean }[];
  description: string;
}

const HEIGHT = 100;
/** Baseline of the figures: above the needle's head. */
const FIGURES = 13;
const BASE = 38;
const BAND = 12;
const EDGE = 10;
const TICKS = [0.5, 1, 2, 5, 10, 20, 30, 60, 120, 300, 600, 1800, 3600];
/** These are written before their neighbours. */
const TENS = new Set([1, 10, 60, 600, 3600]);
const tickText = (seconds: number): string => (seconds >= 60 ? `${seconds / 60} min` : `${seconds} s`);

/** Exposures on an engraved scale: where stars are points everywhere, where the corners run, where all do; schools as ticks. */
export const TimeGauge = memo(function TimeGauge({ seconds, worstS, centreS, marks, description }: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const values = [seconds, worstS, centreS, ...marks.map((mark) => mark.seconds)];
  // Steps of a factor of two, so that the scale stands still during most of a drag.
  const low = 2 ** Math.floor(Math.log2(Math.min(...values) / 1.4));
  const high = 2 ** Math.ceil(Math.log2(Math.max(...values) * 1.4));
  const needle = placeOn(low, high, width)(seconds);
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ height: HEIGHT }}
      role="img"
      aria-label={description}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Engraving low={low} high={high} width={width} worstS={worstS} centreS={centreS} marks={marks} />
          <Line x1={needle} x2={needle} y1={BASE - 6} y2={BASE + BAND + 18} stroke={palette.needle} strokeWidth={2.5} />
          <Path d={`M${needle} ${BASE - 2}l-6 -10h12Z`} fill={palette.needle} />
        </Svg>
      ) : null}
    </View>
  );
});

const placeOn = (low: number, high: number, width: number) =>
  scaleLog([low, high], [EDGE, Math.max(2 * EDGE, width - EDGE)]).clamp(true);

interface EngravingProps extends Pick<Props, 'worstS' | 'centreS' | 'marks'> {
  low: number;
  high: number;
  width: number;
}

/** What is cut into the scale and stands still during a drag: ticks, figures, zones, schools. */
const Engraving = memo(function Engraving({ low, high, width, worstS, centreS, marks }: EngravingProps) {
  const palette = usePalette();
  const x = placeOn(low, high, width);
  const strokesFrom = Math.max(worstS, centreS);
  const text = {
    fontSize: fontSize.fine,
    fontFamily: family.figure,
    fill: palette.inkSoft,
    textAnchor: 'middle' as const,
  };
  const zones = [
    { from: low, to: worstS, name: 'points' },
    { from: worstS, to: strokesFrom, name: 'corners run' },
    { from: strokesFrom, to: high, name: 'strokes' },
  ].map(({ from, to, name }) => ({ name, at: x(from), width: Math.max(0, x(to) - x(from)) }));
  const drawnAs = [
    { fill: palette.press },
    { fill: 'none', stroke: palette.press, strokeWidth: 2 },
    { fill: 'none', stroke: palette.inkSoft, strokeDasharray: '3 3' },
  ];
  const ticks = TICKS.filter((tick) => tick >= low && tick <= high);
  const figures = labelled(
    ticks.map((tick) => ({ item: tick, at: x(tick), text: tickText(tick), rank: TENS.has(tick) ? 0 : 1 })),
    fontSize.fine,
    8,
    [0, width],
  );
  return (
    <>
      {ticks.map((tick) => (
        <Line
          key={tick}
          x1={x(tick)}
          x2={x(tick)}
          y1={BASE - 7}
          y2={BASE}
          stroke={palette.inkSoft}
          strokeWidth={HAIRLINE}
        />
      ))}
      {figures.map(({ item, at, text: figure }) => (
        <SvgText key={item} {...text} x={at} y={FIGURES}>
          {figure}
        </SvgText>
      ))}
      {zones.map((zone, i) => (
        <Rect key={zone.name} x={zone.at} y={BASE} width={zone.width} height={BAND} {...drawnAs[i]} />
      ))}
      {zones.map((zone) =>
        zone.width > zone.name.length * 6.4 ? (
          <SvgText key={zone.name} {...text} x={zone.at + zone.width / 2} y={BASE + BAND + 34}>
            {zone.name}
          </SvgText>
        ) : null,
      )}
      {marks.map((mark) => (
        <Line
          key={mark.name}
          x1={x(mark.seconds)}
          x2={x(mark.seconds)}
          y1={BASE + BAND}
          y2={BASE + BAND + (mark.chosen ? 16 : 9)}
          stroke={mark.chosen ? palette.needle : palette.ink}
          strokeWidth={mark.chosen ? 2 : HAIRLINE}
        />
      ))}
    </>
  );
});
