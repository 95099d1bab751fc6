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
  /** How far it runs, and whether it passes for a point, in words. */
  words: string;
  /** Pixels of the output for one of the sensor, at most 1, and what the output is called. */
  outputShare: number;
  outputName: string;
}

const SIDE = 72;
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

/** One square of the loupe: the star as it is drawn there, its middle in the middle. */
function Square({
  stroke,
  share,
  across,
  grid,
}: {
  stroke: Props['stroke'];
  share: number;
  across: number;
  grid: boolean;
}) {
  const palette = usePalette();
  const first: [number, number] = stroke[0] ?? [0, 0];
  const last: [number, number] = stroke.at(-1) ?? [0, 0];
  const perPx = SIDE / across;
  const middle = [(first[0] + last[0]) / 2, (first[1] + last[1]) / 2] as const;
  const at = ([x, y]: [number, number]) =>
    `${(SIDE / 2 + (x - middle[0]) * share * perPx).toFixed(2)} ${(SIDE / 2 + (y - middle[1]) * share * perPx).toFixed(2)}`;
  return (
    <Svg width={SIDE} height={SIDE} aria-hidden>
      <Rect x={0.5} y={0.5} width={SIDE - 1} height={SIDE - 1} fill={palette.skyGround} stroke={palette.ink} />
      {grid ? <PixelGrid across={across} colour={palette.star} /> : null}
      <Path
        d={stroke.map((point, i) => `${i ? 'L' : 'M'}${at(point)}`).join('')}
        stroke={palette.star}
        strokeWidth={Math.max(1.5, Math.max(1, STAR_PIXELS * share) * perPx)}
        strokeLinecap="round"
        fill="none"
      />
    </Svg>
  );
}

/**
 * A loupe on one star: at the pixels of the sensor, and as many pixels of the output, so that what passes there is seen beside
 * what is a stroke at 100 %.
 */
export function StarLoupe({ title, stroke, words, outputShare, outputName }: Props) {
  const first: [number, number] = stroke[0] ?? [0, 0];
  const last: [number, number] = stroke.at(-1) ?? [0, 0];
  const across = sizeFor(Math.hypot(last[0] - first[0], last[1] - first[1]));
  return (
    <View style={{ flex: 1, gap: space.small }} role="img" aria-label={`${title}: ${words}, ${across} pixels across.`}>
      <Txt kind="small">{title}</Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.small }}>
        <View>
          <Square stroke={stroke} share={1} across={across} grid />
          <Txt kind="fine" tone="soft">
            {'100\u202f%'}
          </Txt>
        </View>
        {outputShare < 1 ? (
          <View>
            <Square stroke={stroke} share={outputShare} across={across} grid={false} />
            <Txt kind="fine" tone="soft" numberOfLines={1} style={{ maxWidth: SIDE }}>
              {outputName}
            </Txt>
          </View>
        ) : null}
      </View>
      <Txt kind="fine" tone="soft">
        {words}
      </Txt>
    </View>
  );
}
