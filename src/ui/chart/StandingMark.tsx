import { Circle, Rect } from 'react-native-svg';
import type { Standing } from '@/core/seek/statistics';
import { usePalette } from '../theme/theme';

/** A mark told by its form as well: kept full, not kept hollow, a reading of a desk a small square. */
export function StandingMark({ x, y, standing }: { x: number; y: number; standing: Standing }) {
  const palette = usePalette();
  if (standing === 'reading') return <Rect x={x - 3} y={y - 3} width={6} height={6} fill={palette.inkSoft} />;
  return standing === 'kept' ? (
    <Circle cx={x} cy={y} r={4} fill={palette.press} stroke={palette.press} />
  ) : (
    <Circle cx={x} cy={y} r={4} fill={palette.paper} stroke={palette.needle} strokeWidth={1.6} />
  );
}
