import { View } from 'react-native';
import Svg, { G, Rect, Text as SvgText } from 'react-native-svg';
import { SUBJECT_KINDS, type SubjectKind } from '@/core/kit/subjects';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';
import { SilhouetteShape } from './SilhouetteShape';
import { SILHOUETTES } from '@/core/kit/silhouettes';

interface Props {
  kind: SubjectKind;
  subjectMm: number;
  onSensorMm: number;
  onScreenMm: number;
  frameWidthMm: number;
  frameHeightMm: number;
  width: number;
  /** What stands under the three drawings. */
  texts: [string, string, string];
  description: string;
}

const GAP = 16;
const LABEL = 24;
const SPECK_PX = 2;

/**
 * Subject, sensor with its picture, and screen with the same picture, all at one scale: as large beside each other as they
 * are. On a narrow drawing the screen stands below the other two.
 */
export function ThreeSizesDrawing({
  kind,
  subjectMm,
  onSensorMm,
  onScreenMm,
  frameWidthMm,
  frameHeightMm,
  width,
  texts,
  description,
}: Props) {
  const palette = usePalette();
  const shape = SILHOUETTES[kind];
  const { axis } = SUBJECT_KINDS[kind];
  const screenWidthMm = (frameWidthMm * onScreenMm) / onSensorMm;
  const perMm = width / screenWidthMm;
  const screenHeight = frameHeightMm * (screenWidthMm / frameWidthMm) * perMm;
  const sensorWidth = frameWidthMm * perMm;
  const sensorHeight = frameHeightMm * perMm;
  const sizeOf = (mm: number) => {
    const scale = Math.max((mm * perMm) / (axis === 'width' ? shape.width : 100), SPECK_PX / 100);
    return { scale, w: shape.width * scale, h: 100 * scale };
  };
  const real = sizeOf(subjectMm);
  const top = Math.max(real.h, sensorHeight, 28) + 2;
  const shapeAt = (mm: number, x: number, y: number) => {
    const { scale, w, h } = sizeOf(mm);
    return (
      <G transform={`translate(${x - w / 2} ${y - h / 2}) scale(${scale})`}>
        <SilhouetteShape kind={kind} />
      </G>
    );
  };
  const label = (text: string, x: number, y: number, anchor: 'start' | 'middle' | 'end' = 'start') => (
    <SvgText x={x} y={y} textAnchor={anchor} fontSize={fontSize.fine} fontFamily={family.figure} fill={palette.ink}>
      {text}
    </SvgText>
  );
  const screenTop = top + LABEL + GAP;
  const middle = width / 2;
  return (
    <View role="img" aria-label={description}>
      <Svg width={width} height={screenTop + screenHeight + LABEL} aria-hidden>
        {shapeAt(subjectMm, middle / 2, top / 2)}
        {label(texts[0], middle / 2, top + 17, 'middle')}
        <Rect
          x={middle * 1.5 - sensorWidth / 2}
          y={top / 2 - sensorHeight / 2}
          width={sensorWidth}
          height={sensorHeight}
          fill={palette.finderGround}
          stroke={palette.ink}
          strokeWidth={HAIRLINE}
        />
        {shapeAt(onSensorMm, middle * 1.5, top / 2)}
        {label(texts[1], middle * 1.5, top + 17, 'middle')}
        <Rect
          x={1}
          y={screenTop}
          width={width - 2}
          height={screenHeight}
          fill={palette.finderGround}
          stroke={palette.ink}
          strokeWidth={2}
        />
        {shapeAt(onScreenMm, middle, screenTop + screenHeight / 2)}
        {label(texts[2], 4, screenTop + screenHeight + 17)}
      </Svg>
    </View>
  );
}
