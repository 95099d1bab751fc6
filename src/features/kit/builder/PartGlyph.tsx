import Svg, { G, Line, Path } from 'react-native-svg';
import type { PartKind } from '@/core/chain/parts';
import { usePalette } from '@/ui/theme/theme';
import { KIT_KINDS } from '../kinds';
import type { Pen } from '../kinds/kind';

interface Props {
  kind: PartKind | 'body' | 'subject';
  width: number;
  height: number;
}

/** All drawn in a box of 48 × 56 around the optical axis at y = 28; light comes from the left. */
const BOX = { width: 48, height: 56 };

function shape(kind: Props['kind'], { outline, solid }: Pen, needle: string) {
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
    default:
      return KIT_KINDS[kind].glyph({ outline, solid });
  }
}

/** What a part looks like in the drawing of a chain: our own plain cross-sections. */
export function PartGlyph({ kind, width, height }: Props) {
  const palette = usePalette();
  const outline = { stroke: palette.ink, strokeWidth: 1.4, fill: 'none', strokeLinejoin: 'round' as const };
  const solid = { ...outline, fill: palette.finderHidden };
  return (
    <Svg width={width} height={height} viewBox={`0 0 ${BOX.width} ${BOX.height}`} preserveAspectRatio="xMidYMid meet">
      {kind === 'subject' ? null : (
        <Line x1={0} x2={BOX.width} y1={28} y2={28} stroke={palette.hairline} strokeWidth={1} strokeDasharray="3 2" />
      )}
      {shape(kind, { outline, solid }, palette.needle)}
    </Svg>
  );
}
