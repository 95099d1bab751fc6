import Svg, { G, Rect, Text as SvgText } from 'react-native-svg';
import { View } from 'react-native';
import type { SubjectKind } from '@/core/kit/subjects';
import { family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';
import { SilhouetteShape } from './SilhouetteShape';
import { SILHOUETTES } from '@/core/kit/silhouettes';

/** What one set-up shows at the subject. */
export interface OverlayFrame {
  letter: string;
  widthM: number;
  heightM: number;
  /** Faint while another one is looked at. */
  opacity: number;
}

interface Props {
  frames: OverlayFrame[];
  kind: SubjectKind;
  axis: 'width' | 'height';
  subjectM: number;
  width: number;
  maxHeight: number;
  description: string;
}

const MARGIN = 8;
const LABEL = 18;
const DASHES = ['', '8 4', '2 3', '10 3 2 3'];

/** The frames of several set-ups laid over each other around the subject, all at one scale. */
export function OverlayDrawing({ frames, kind, axis, subjectM, width, maxHeight, description }: Props) {
  const palette = usePalette();
  const widest = Math.max(...frames.map((frame) => frame.widthM));
  const highest = Math.max(...frames.map((frame) => frame.heightM));
  const scale = Math.min((width - 2 * MARGIN) / widest, (maxHeight - 2 * MARGIN - 2 * LABEL) / highest);
  const height = highest * scale + 2 * MARGIN + 2 * LABEL;
  const cx = width / 2;
  const cy = LABEL + MARGIN + (highest * scale) / 2;
  const shape = SILHOUETTES[kind];
  const size = subjectM * scale;
  const unit = size / (axis === 'width' ? shape.width : 100);
  const sorted = frames.map((frame, i) => ({ ...frame, dash: DASHES[i] ?? '', i })).sort((a, b) => b.widthM - a.widthM);
  return (
    <View role="img" aria-label={description}>
      <Svg width={width} height={height}>
        {sorted[0] ? (
          <Rect
            x={cx - (sorted[0].widthM * scale) / 2}
            y={cy - (sorted[0].heightM * scale) / 2}
            width={sorted[0].widthM * scale}
            height={sorted[0].heightM * scale}
            fill={palette.finderGround}
          />
        ) : null}
        <G transform={`translate(${cx - (shape.width * unit) / 2} ${cy - 50 * unit}) scale(${unit})`}>
          <SilhouetteShape kind={kind} />
        </G>
        {sorted.map((frame) => {
          const x = cx - (frame.widthM * scale) / 2;
          const y = cy - (frame.heightM * scale) / 2;
          // Every letter has a corner of its own, so that frames of nearly one size stay readable.
          const end = frame.i % 2 === 1;
          const below = frame.i >= 2;
          return (
            <G key={frame.letter} opacity={frame.opacity}>
              <Rect
                x={x}
                y={y}
                width={frame.widthM * scale}
                height={frame.heightM * scale}
                fill="none"
                stroke={palette.ink}
                strokeWidth={frame.i === 0 ? 2.4 : 1.5}
                strokeDasharray={frame.dash}
              />
              <SvgText
                x={end ? x + frame.widthM * scale - 3 : x + 3}
                y={below ? y + frame.heightM * scale + 15 : Math.max(13, y - 4)}
                textAnchor={end ? 'end' : 'start'}
                fill={palette.ink}
                fontSize={fontSize.small}
                fontFamily={family.figureStrong}
              >
                {frame.letter}
              </SvgText>
            </G>
          );
        })}
      </Svg>
    </View>
  );
}
