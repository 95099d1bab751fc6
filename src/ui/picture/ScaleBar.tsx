import Svg, { Line, Rect, Text as SvgText } from 'react-native-svg';
import { formatFigures } from '@/core/quantity/format';
import { niceStep } from '../finder/niceStep';
import type { Viewport } from '@/core/picture/viewport';
import { family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

/** A bar of a round length in real units. */
export function ScaleBar({ pxPerMm, view, room }: { pxPerMm: number; view: Viewport; room: number }) {
  const palette = usePalette();
  const screenPerMm = pxPerMm * view.scale;
  const mm = niceStep((0.28 * room) / screenPerMm);
  const length = mm * screenPerMm;
  const text =
    mm >= 1000
      ? `${formatFigures(mm / 1000, 2)} m`
      : mm < 0.1
        ? `${formatFigures(mm * 1000, 2)} µm`
        : `${formatFigures(mm, 2)} mm`;
  const width = Math.max(length, 72) + 20;
  return (
    <Svg
      width={width}
      height={38}
      style={{ position: 'absolute', left: 8, bottom: 8 }}
      aria-label={`Scale bar: ${text}`}
      role="img"
    >
      <Rect x={0} y={0} width={width} height={38} fill={palette.raised} opacity={0.86} />
      <Line x1={10} x2={10 + length} y1={28} y2={28} stroke={palette.ink} strokeWidth={3} />
      <SvgText x={10} y={19} fill={palette.ink} fontSize={fontSize.small} fontFamily={family.figure}>
        {text}
      </SvgText>
    </Svg>
  );
}
