import { scaleLog } from 'd3-scale';
import { memo, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { formatFixed } from '@/core/quantity/format';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { NOT_TAKEN } from '../take/drawing';
import { labelled } from './labelled';
import { usePalette } from '../theme/theme';

/** Another set-up's reading on the same scale. */
export interface GaugeMark {
  letter: string;
  value: number;
}

export interface GaugeProps {
  /** Pixels that count, and all pixels on the subject. */
  counted: number;
  sampled: number;
  /** From here on it is enough, and from here on more than the output uses. */
  needed: number;
  more: number;
  /** Names of the three zones, after what the picture is for. */
  zones: { short: string; enough: string; more: string };
  marks: GaugeMark[];
  /** The reading before a lever was tried. */
  before?: number | undefined;
  description: string;
}

/**
 * From above: letters of the other set-ups, needle and its bracket, the band with its notches, figures, names of the zones. Each
 * has a row of its own, so that nothing strikes through a figure.
 */
const HEIGHT = 104;
const LETTERS = 12;
const BRACKET = 26;
const BASE = 38;
const BAND = 12;
const FIGURES = BASE + BAND + 20;
const ZONES = FIGURES + 19;
const EDGE = 8;

/** Extent of the scale: both ends of what is shown, and always a stretch of every zone, so that it does not jump. */
function extent({ counted, sampled, needed, more, marks, before }: GaugeProps): [number, number] {
  const values = [counted, sampled, before ?? counted, ...marks.map((mark) => mark.value)].filter((value) => value > 0);
  const low = Math.min(needed / 4, ...values.map((value) => value / 1.3));
  const high = Math.max(more * 2, ...values.map((value) => value * 1.3));
  // Steps of a factor of two, so that the scale stands still during most of a drag.
  return [2 ** Math.floor(Math.log2(low)), 2 ** Math.ceil(Math.log2(high))];
}

/**
 * The reading on an engraved logarithmic scale. Its three zones are named after what the picture is for; the needle is
 * the count that is judged, the thin line behind it all pixels.
 */
export function Gauge(props: GaugeProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const { counted, sampled, needed, more, zones, marks, before } = props;
  const [low, high] = extent(props);
  const x = useMemo(() => {
    const scale = scaleLog()
      .domain([low, high])
      .range([EDGE, Math.max(2 * EDGE, width - EDGE)])
      .clamp(true);
    return (value: number) => scale(Math.max(1e-6, value));
  }, [low, high, width]);
  const needleX = x(counted);
  const sampledX = x(sampled);
  const letters = apart(marks, x);
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={props.description}
      style={sheet.host}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Engraving
            x={x}
            low={low}
            high={high}
            neededX={x(needed)}
            moreX={x(more)}
            width={width}
            short={zones.short}
            enough={zones.enough}
            more={zones.more}
          />
          <G testID={NOT_TAKEN}>
            {marks.map((mark) => (
              <Mark
                key={mark.letter}
                letter={mark.letter}
                at={Math.round(x(mark.value))}
                letterAt={Math.round(letters.get(mark.letter) ?? 0)}
              />
            ))}
          </G>
          {before === undefined ? null : (
            <Line
              x1={x(before)}
              x2={x(before)}
              y1={BRACKET}
              y2={BASE + BAND}
              stroke={palette.needle}
              strokeWidth={2}
              strokeDasharray="2 3"
            />
          )}
          <Path
            d={`M${needleX} ${BASE + BAND}V${BRACKET - 2}l-5 -9h10l-5 9M${needleX} ${BRACKET}H${sampledX}m0 -4v8`}
            stroke={palette.needle}
            strokeWidth={2}
            fill={palette.needle}
            strokeLinejoin="round"
          />
        </Svg>
      ) : null}
    </View>
  );
}

interface EngravingProps {
  x: (value: number) => number;
  low: number;
  high: number;
  neededX: number;
  moreX: number;
  width: number;
  short: string;
  enough: string;
  more: string;
}

/** What is cut into the scale and stands still during a drag: zones, ticks, figures. */
const Engraving = memo(function Engraving({
  x,
  low,
  high,
  neededX,
  moreX,
  width,
  short,
  enough,
  more,
}: EngravingProps) {
  const palette = usePalette();
  const end = Math.max(2 * EDGE, width - EDGE);
  const ticks = scaleLog()
    .domain([low, high])
    .ticks(6)
    .filter((tick) => Number.isInteger(Math.log10(tick)) || [2, 5].includes(Number(String(tick)[0])));
  const rulings = Array.from(
    { length: Math.max(0, Math.floor((end - moreX) / 5)) },
    (_, i) => `M${moreX + 5 * (i + 1)} ${BASE}v${BAND}`,
  ).join('');
  return (
    <>
      {/* Zones: empty with a dashed edge, filled, ruled. Told apart by texture and name, not by colour. */}
      <Rect
        x={EDGE}
        y={BASE}
        width={Math.max(0, neededX - EDGE)}
        height={BAND}
        fill="none"
        stroke={palette.inkSoft}
        strokeWidth={HAIRLINE}
        strokeDasharray="3 3"
      />
      <Rect x={neededX} y={BASE} width={Math.max(0, moreX - neededX)} height={BAND} fill={palette.press} />
      <Path
        d={`M${moreX} ${BASE}H${end}v${BAND}H${moreX}Z${rulings}`}
        fill="none"
        stroke={palette.press}
        strokeWidth={HAIRLINE}
      />
      <Path
        d={ticks.map((tick) => `M${x(tick)} ${BASE + BAND}v6`).join('')}
        stroke={palette.ink}
        strokeWidth={HAIRLINE}
      />
      {labelled(
        ticks.map((tick) => ({ item: tick, at: x(tick), text: formatFixed(tick), rank: rankOf(tick) })),
        fontSize.fine,
        8,
        [0, width],
      ).map(({ item, at, text }) => (
        <SvgText
          key={item}
          x={at}
          y={FIGURES}
          fontSize={fontSize.fine}
          fontFamily={family.figure}
          fill={palette.inkSoft}
          textAnchor="middle"
        >
          {text}
        </SvgText>
      ))}
      <ZoneName from={EDGE} to={neededX} texts={[short, 'too few']} />
      <ZoneName from={neededX} to={moreX} texts={[enough, 'enough']} />
      <ZoneName from={moreX} to={end} texts={[more, 'more']} />
    </>
  );
});

/** Another set-up: a notch on the scale and its letter. */
const Mark = memo(function Mark({ letter, at, letterAt }: { letter: string; at: number; letterAt: number }) {
  const palette = usePalette();
  return (
    <>
      <Path d={`M${at} ${BASE}l-4 -7h8Z`} fill={palette.inkSoft} />
      <SvgText
        x={letterAt}
        y={LETTERS}
        fontSize={fontSize.fine}
        fontFamily={family.figureStrong}
        fill={palette.inkSoft}
        textAnchor="middle"
      >
        {letter}
      </SvgText>
    </>
  );
});

/** Powers of ten are written before the twos and fives. */
const rankOf = (tick: number): number => (Number.isInteger(Math.log10(tick)) ? 0 : 1);

/** Width a character takes on average in the condensed face, as a share of its size. */
const CHARACTER = 0.48;

function ZoneName({ from, to, texts }: { from: number; to: number; texts: string[] }) {
  const palette = usePalette();
  const fits = texts.find((text) => text.length * fontSize.fine * CHARACTER <= to - from - 4);
  if (!fits) return null;
  return (
    <SvgText
      x={(from + to) / 2}
      y={ZONES}
      fontSize={fontSize.fine}
      fontFamily={family.figure}
      fill={palette.inkSoft}
      textAnchor="middle"
    >
      {fits}
    </SvgText>
  );
}

/** Room a letter takes. */
const LETTER = 12;

/** Where the letters of the marks stand: over their marks, pushed apart to the right where they would meet. */
function apart(marks: GaugeMark[], x: (value: number) => number): Map<string, number> {
  const places = new Map<string, number>();
  let last = -Infinity;
  for (const mark of [...marks].sort((a, b) => a.value - b.value)) {
    last = Math.max(x(mark.value), last + LETTER);
    places.set(mark.letter, last);
  }
  return places;
}

const sheet = StyleSheet.create({ host: { height: HEIGHT } });
