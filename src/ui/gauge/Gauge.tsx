import { scaleLog } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { formatFixed } from '@/core/quantity/format';
import { HAIRLINE, family, fontSize } from '../theme/measures';
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

const HEIGHT = 92;
const BASE = 46;
const BAND = 12;

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
  const scale = scaleLog().domain(extent(props)).range([8, Math.max(16, width - 8)]).clamp(true);
  const [start, end] = [8, Math.max(16, width - 8)];
  const x = (value: number) => scale(Math.max(1e-6, value));
  const neededX = x(needed);
  const moreX = x(more);
  const needleX = x(counted);
  const ticks = scale.ticks(6).filter((tick) => Number.isInteger(Math.log10(tick)) || [2, 5].includes(Number(String(tick)[0])));
  const named = spaced(ticks, x, 44).filter((tick) => x(tick) < needleX - 22 || x(tick) > x(sampled) + 22);
  const letters = apart(marks, x);
  return (
    <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)} role="img" aria-label={props.description} style={{ height: HEIGHT }}>
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          {/* Zones: empty with a dashed edge, ruled, filled. Told apart by texture and name, not by colour. */}
          <Rect x={start} y={BASE} width={Math.max(0, neededX - start)} height={BAND} fill="none" stroke={palette.inkSoft} strokeWidth={HAIRLINE} strokeDasharray="3 3" />
          <Rect x={neededX} y={BASE} width={Math.max(0, moreX - neededX)} height={BAND} fill={palette.press} />
          <Rect x={moreX} y={BASE} width={Math.max(0, end - moreX)} height={BAND} fill="none" stroke={palette.press} strokeWidth={HAIRLINE} />
          {Array.from({ length: Math.max(0, Math.floor((end - moreX) / 5)) }, (_, i) => (
            <Line key={i} x1={moreX + 5 * (i + 1)} x2={moreX + 5 * (i + 1)} y1={BASE} y2={BASE + BAND} stroke={palette.press} strokeWidth={HAIRLINE} />
          ))}
          {ticks.map((tick) => (
            <Line key={tick} x1={x(tick)} x2={x(tick)} y1={BASE} y2={BASE - 6} stroke={palette.ink} strokeWidth={HAIRLINE} />
          ))}
          {named.map((tick) => (
            <SvgText key={tick} x={x(tick)} y={BASE - 9} fontSize={fontSize.fine} fontFamily={family.figure} fill={palette.inkSoft} textAnchor="middle">
              {formatFixed(tick)}
            </SvgText>
          ))}
          <ZoneName from={start} to={neededX} texts={[zones.short, 'too few']} />
          <ZoneName from={neededX} to={moreX} texts={[zones.enough, 'enough']} />
          <ZoneName from={moreX} to={end} texts={[zones.more, 'more']} />
          {marks.map((mark) => (
            <G key={mark.letter}>
              <Path d={`M${x(mark.value)} ${BASE} l-4 -7 h8 Z`} fill={palette.inkSoft} />
              <SvgText x={letters.get(mark.letter)} y={BASE - 24} fontSize={fontSize.fine} fontFamily={family.figureStrong} fill={palette.inkSoft} textAnchor="middle">
                {mark.letter}
              </SvgText>
            </G>
          ))}
          {before === undefined ? null : (
            <Line x1={x(before)} x2={x(before)} y1={BASE - 14} y2={BASE + BAND + 6} stroke={palette.needle} strokeWidth={2} strokeDasharray="2 3" />
          )}
          <Line x1={needleX} x2={x(sampled)} y1={BASE - 16} y2={BASE - 16} stroke={palette.needle} strokeWidth={HAIRLINE} />
          <Line x1={x(sampled)} x2={x(sampled)} y1={BASE - 20} y2={BASE - 12} stroke={palette.needle} strokeWidth={HAIRLINE} />
          <Path d={`M${needleX} ${BASE + BAND + 8} L${needleX} ${BASE - 20} l-5 -9 h10 l-5 9`} stroke={palette.needle} strokeWidth={2.5} fill={palette.needle} strokeLinejoin="round" />
        </Svg>
      ) : null}
    </View>
  );
}

/** Ticks with enough room between them to carry a figure. */
function spaced(ticks: number[], x: (value: number) => number, room: number): number[] {
  let last = -Infinity;
  return ticks.filter((tick) => {
    const fits = x(tick) - last >= room;
    if (fits) last = x(tick);
    return fits;
  });
}

/** Width a character takes on average in the condensed face, as a share of its size. */
const CHARACTER = 0.48;

function ZoneName({ from, to, texts }: { from: number; to: number; texts: string[] }) {
  const palette = usePalette();
  const fits = texts.find((text) => text.length * fontSize.fine * CHARACTER <= to - from - 4);
  if (!fits) return null;
  return (
    <SvgText x={(from + to) / 2} y={BASE + BAND + 22} fontSize={fontSize.fine} fontFamily={family.figure} fill={palette.inkSoft} textAnchor="middle">
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
