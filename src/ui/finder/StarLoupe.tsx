import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { Txt } from '../Txt';
import { space } from '../theme/measures';
import { usePalette } from '../theme/theme';

interface Props {
  title: string;
  /** The stroke, px of the sensor from its middle, x right, y down. */
  stroke: [number, number][];
  /** Whether it passes for a point, in words. */
  words: string;
}

const SIDE = 92;
/** Pixels shown across, so many that the stroke has room. */
const sizeFor = (run: number): number => [24, 48, 96, 192, 384, 768].find((each) => run < each * 0.8) ?? 1536;
/** A star in focus covers about this many pixels. */
const STAR_PIXELS = 2.2;

/** The pixels' edges, where they can be told apart; one path, drawn again only when the loupe changes its power. */
const PixelGrid = memo(function PixelGrid({ across, colour }: { across: number; colour: string }) {
  const perPx = SIDE / across;
  if (perPx < 2.5) return null;
  const edges = Array.from({ length: across - 1 }, (_, i) => ((i + 1) * perPx).toFixed(2));
  return (
    <Path
      d={edges.map((at) => `M${at} 1V${SIDE - 1}M1 ${at}H${SIDE - 1}`).join('')}
      stroke={colour}
      strokeOpacity={0.13}
    />
  );
});

/** A loupe at the pixels: one star as it would be drawn there, with the pixel grid behind it where it can be seen. */
export function StarLoupe({ title, stroke, words }: Props) {
  const palette = usePalette();
  const first: [number, number] = stroke[0] ?? [0, 0];
  const last: [number, number] = stroke.at(-1) ?? [0, 0];
  const across = sizeFor(Math.hypot(last[0] - first[0], last[1] - first[1]));
  const perPx = SIDE / across;
  const middle = [(first[0] + last[0]) / 2, (first[1] + last[1]) / 2] as const;
  const at = ([x, y]: [number, number]) =>
    `${(SIDE / 2 + (x - middle[0]) * perPx).toFixed(2)} ${(SIDE / 2 + (y - middle[1]) * perPx).toFixed(2)}`;
  return (
    <View
      style={{ flex: 1, flexDirection: 'row', gap: space.medium, alignItems: 'center' }}
      role="img"
      aria-label={`${title}: ${words}, ${across} pixels across.`}
    >
      <Svg width={SIDE} height={SIDE} aria-hidden>
        <Rect x={0.5} y={0.5} width={SIDE - 1} height={SIDE - 1} fill={palette.skyGround} stroke={palette.ink} />
        <PixelGrid across={across} colour={palette.star} />
        <Path
          d={stroke.map((point, i) => `${i ? 'L' : 'M'}${at(point)}`).join('')}
          stroke={palette.star}
          strokeWidth={Math.max(1.5, STAR_PIXELS * perPx)}
          strokeLinecap="round"
          fill="none"
        />
      </Svg>
      <View style={{ flex: 1 }}>
        <Txt kind="small">{title}</Txt>
        <Txt kind="fine" tone="soft">
          {words}
        </Txt>
        <Txt kind="fine" tone="soft">
          {`at 100\u202f%, ${across}\u202fpx across`}
        </Txt>
      </View>
    </View>
  );
}
