import { View } from 'react-native';
import Svg, { Circle, G, Polygon, Rect, Text as SvgText } from 'react-native-svg';
import { CHARTS, PAPERS, type ChartName, type PaperName } from '@/core/charts/chart';
import { family } from '@/ui/theme/measures';
import { usePalette } from '@/ui/theme/theme';

/** A sheet as it will be printed, small. */
export function ChartDrawing({ name, paper }: { name: ChartName; paper: PaperName }) {
  const palette = usePalette();
  const { widthMm, heightMm, name: paperName } = PAPERS[paper];
  return (
    <View
      style={{
        borderWidth: 1,
        borderColor: palette.ink,
        width: '100%',
        maxWidth: 420,
        aspectRatio: widthMm / heightMm,
      }}
    >
      <Svg
        width="100%"
        height="100%"
        viewBox={`0 0 ${widthMm} ${heightMm}`}
        role="img"
        aria-label={`${CHARTS[name].name} on ${paperName}`}
      >
        <Rect width={widthMm} height={heightMm} fill={palette.raised} />
        <G>
          {CHARTS[name].draw(PAPERS[paper]).map((stroke, i) =>
            stroke.kind === 'rect' ? (
              <Rect key={i} x={stroke.x} y={stroke.y} width={stroke.width} height={stroke.height} fill={palette.ink} />
            ) : stroke.kind === 'disc' ? (
              <Circle key={i} cx={stroke.x} cy={stroke.y} r={stroke.radius} fill={palette.ink} />
            ) : stroke.kind === 'shape' ? (
              <Polygon key={i} points={stroke.corners.map((corner) => corner.join(',')).join(' ')} fill={palette.ink} />
            ) : (
              <SvgText
                key={i}
                x={stroke.x}
                y={stroke.y}
                fill={palette.ink}
                fontSize={stroke.sizeMm}
                fontFamily={family.body}
                textAnchor={stroke.middle ? 'middle' : 'start'}
              >
                {stroke.words}
              </SvgText>
            ),
          )}
        </G>
      </Svg>
    </View>
  );
}
