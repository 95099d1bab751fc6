import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import type { PartKind } from '@/core/chain/parts';
import { usePalette } from '@/ui/theme/theme';

interface Props {
  kind: PartKind | 'body' | 'subject';
  width: number;
  height: number;
}

/** All drawn in a box of 48 × 56 around the optical axis at y = 28; light comes from the left. */
const BOX = { width: 48, height: 56 };

/** An element of glass, bulging both ways by `bulge`. */
const glass = (x: number, half: number, bulge: number): string =>
  `M${x} ${28 - half}Q${x + bulge} 28 ${x} ${28 + half}Q${x - bulge} 28 ${x} ${28 - half}Z`;
const concave = (x: number, half: number): string =>
  `M${x - 4} ${28 - half}H${x + 4}Q${x - 1} 28 ${x + 4} ${28 + half}H${x - 4}Q${x + 1} 28 ${x - 4} ${28 - half}Z`;

function shape(kind: Props['kind'], ink: string, fill: string, needle: string) {
  const outline = { stroke: ink, strokeWidth: 1.4, fill: 'none', strokeLinejoin: 'round' as const };
  const solid = { ...outline, fill };
  switch (kind) {
    case 'subject':
      return <Path d="M20 42V30M20 30C10 28 10 16 20 14C30 16 30 28 20 30M14 44H26" {...outline} />;
    case 'body':
      return (
        <G>
          <Path d="M6 14H16L20 8H32L36 14H42V44H6Z" {...solid} />
          <Line x1={30} x2={30} y1={18} y2={38} stroke={needle} strokeWidth={3} />
        </G>
      );
    case 'lens':
    case 'builtIn': {
      const half = kind === 'lens' ? 18 : 9;
      return (
        <G>
          <Path d={`M4 ${28 - half}H30L44 ${28 - half * 0.7}V${28 + half * 0.7}L30 ${28 + half}H4Z`} {...outline} />
          <Path d={glass(13, half - 3, 8)} {...solid} />
          <Path d={concave(26, half - 7)} {...solid} />
        </G>
      );
    }
    case 'telescope':
      return (
        <G>
          <Path d="M2 12H34V44H2ZM34 20H46V36H34Z" {...outline} />
          <Path d={glass(8, 14, 7)} {...solid} />
        </G>
      );
    case 'scope':
      return (
        <G>
          <Path d="M2 12H24L30 20H46V36H30L24 44H2Z" {...outline} />
          <Path d={glass(8, 14, 7)} {...solid} />
          <Path d={glass(40, 6, 5)} {...solid} />
        </G>
      );
    case 'objective':
      return (
        <G>
          <Path d="M6 24L14 16H42V40H14L6 32Z" {...outline} />
          <Path d={glass(13, 6, 6)} {...solid} />
          <Path d={glass(26, 9, 6)} {...solid} />
        </G>
      );
    case 'converter':
    case 'barlow':
      return (
        <G>
          <Rect x={10} y={13} width={28} height={30} {...outline} />
          <Path d={concave(24, 11)} {...solid} />
        </G>
      );
    case 'reducer':
      return (
        <G>
          <Rect x={10} y={13} width={28} height={30} {...outline} />
          <Path d={glass(24, 11, 9)} {...solid} />
        </G>
      );
    case 'tubes':
      return (
        <G>
          <Rect x={6} y={12} width={12} height={32} {...outline} />
          <Rect x={18} y={12} width={12} height={32} {...outline} />
          <Rect x={30} y={12} width={12} height={32} {...outline} />
        </G>
      );
    case 'closeUp':
      return (
        <G>
          <Rect x={19} y={8} width={10} height={40} {...outline} />
          <Path d={glass(24, 18, 9)} {...solid} />
        </G>
      );
    case 'tubeLens':
      return (
        <G>
          <Rect x={8} y={12} width={32} height={32} {...outline} />
          <Path d={glass(24, 14, 8)} {...solid} />
        </G>
      );
    case 'reversing':
      return (
        <G>
          <Rect x={18} y={10} width={12} height={36} {...outline} />
          <Path d="M32 20C40 24 40 32 32 36M36 36H31V31" {...outline} />
        </G>
      );
    case 'coupling':
      return (
        <G>
          <Rect x={17} y={10} width={14} height={36} {...outline} />
          <Path d="M12 28H4M8 24L4 28L8 32M36 28H44M40 24L44 28L40 32" {...outline} />
        </G>
      );
    case 'afocal':
      return (
        <G>
          <Path d="M8 16H20V40H8ZM20 22H30V34H20ZM30 14H40V42H30Z" {...outline} />
        </G>
      );
    case 'mountAdapter':
      return (
        <G>
          <Path d="M14 10H22L26 16H34V40H26L22 46H14Z" {...outline} />
          <Circle cx={24} cy={28} r={1.2} {...solid} />
        </G>
      );
  }
}

/** What a part looks like in the drawing of a chain: our own plain cross-sections. */
export function PartGlyph({ kind, width, height }: Props) {
  const palette = usePalette();
  return (
    <Svg width={width} height={height} viewBox={`0 0 ${BOX.width} ${BOX.height}`} preserveAspectRatio="xMidYMid meet">
      {kind === 'subject' ? null : (
        <Line x1={0} x2={BOX.width} y1={28} y2={28} stroke={palette.hairline} strokeWidth={1} strokeDasharray="3 2" />
      )}
      {shape(kind, palette.ink, palette.finderHidden, palette.needle)}
    </Svg>
  );
}
