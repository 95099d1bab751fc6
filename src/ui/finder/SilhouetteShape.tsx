import { memo } from 'react';
import { Path } from 'react-native-svg';
import type { SubjectKind } from '@/core/kit/subjects';
import { usePalette } from '../theme/theme';
import { SILHOUETTES } from '@/core/kit/silhouettes';

/** The subject's shape at its true size; redrawn only by its transform while one drags. */
export const SilhouetteShape = memo(function SilhouetteShape({ kind }: { kind: SubjectKind }) {
  const palette = usePalette();
  const shape = SILHOUETTES[kind];
  return (
    <>
      {shape.lines.map((line) => (
        <Path
          key={line.d}
          d={line.d}
          stroke={palette.ink}
          strokeWidth={line.width}
          fill="none"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
      {shape.fills.map((d) => (
        <Path key={d} d={d} fill={palette.ink} />
      ))}
      {shape.gaps.map((d) => (
        <Path key={d} d={d} fill={palette.finderGround} />
      ))}
    </>
  );
});
