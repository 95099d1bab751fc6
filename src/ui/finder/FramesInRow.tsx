import { View } from 'react-native';
import Svg, { G, Rect, Text as SvgText } from 'react-native-svg';
import { SUBJECT_KINDS, type SubjectKind } from '@/core/kit/subjects';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';
import { SilhouetteShape } from './SilhouetteShape';
import { SILHOUETTES } from '@/core/kit/silhouettes';

interface Props {
  kind: SubjectKind;
  /** Size of the subject's picture on every sensor, mm. */
  onSensorMm: number;
  frames: { key: string; widthMm: number; heightMm: number; texts: [string, string] }[];
  width: number;
  description: string;
}

const GAP = 12;
const LINES = 36;

/** Several sensors at one scale with the same picture of the subject on each: the frame differs, the picture does not. */
export function FramesInRow({ kind, onSensorMm, frames, width, description }: Props) {
  const palette = usePalette();
  const columns = Math.min(frames.length, width < 500 ? 2 : 4);
  const rows = Math.ceil(frames.length / columns);
  const cell = (width - GAP * (columns - 1)) / columns;
  const perMm = (cell - 2) / Math.max(...frames.map((frame) => frame.widthMm));
  const tall = Math.max(...frames.map((frame) => frame.heightMm)) * perMm;
  const shape = SILHOUETTES[kind];
  const scale = (onSensorMm * perMm) / (SUBJECT_KINDS[kind].axis === 'width' ? shape.width : 100);
  const text = { fontFamily: family.figure, fontSize: fontSize.fine, textAnchor: 'middle' as const };
  return (
    <View role="img" aria-label={description}>
      <Svg width={width} height={rows * (tall + LINES + GAP)} aria-hidden>
        {frames.map((frame, i) => {
          const x = (i % columns) * (cell + GAP) + cell / 2;
          const y = Math.floor(i / columns) * (tall + LINES + GAP) + tall / 2 + 1;
          const w = frame.widthMm * perMm;
          const h = frame.heightMm * perMm;
          return (
            <G key={frame.key}>
              <Rect
                x={x - w / 2}
                y={y - h / 2}
                width={w}
                height={h}
                fill={palette.finderGround}
                stroke={palette.ink}
                strokeWidth={HAIRLINE}
              />
              <G transform={`translate(${x - (shape.width * scale) / 2} ${y - 50 * scale}) scale(${scale})`}>
                <SilhouetteShape kind={kind} />
              </G>
              <SvgText {...text} x={x} y={y + tall / 2 + 15} fill={palette.ink}>
                {frame.texts[0]}
              </SvgText>
              <SvgText {...text} x={x} y={y + tall / 2 + 31} fill={palette.inkSoft}>
                {frame.texts[1]}
              </SvgText>
            </G>
          );
        })}
      </Svg>
    </View>
  );
}
