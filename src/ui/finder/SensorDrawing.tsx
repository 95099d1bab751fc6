import Svg, { Circle, ClipPath, Defs, G, Path, Rect, Text as SvgText } from 'react-native-svg';
import { View } from 'react-native';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';

/** A rectangle on the sensor, centred, in mm. */
export interface SensorFrame {
  name: string;
  widthMm: number;
  heightMm: number;
  /** The one in use is drawn stronger. */
  strong?: boolean;
  /** Line pattern, so that frames are told apart without colour. */
  dash?: string;
}

interface Props {
  frames: SensorFrame[];
  /** Diameter of the image circle, mm; what lies outside stays dark. */
  circleMm?: number | undefined;
  /** Width of the drawing, px. */
  width: number;
  maxHeight: number;
  description: string;
}

const LABEL_ROOM = 20;
const MARGIN = 6;
/** A circle wider than this many frames is cut, so that the frame stays large enough to read. */
const MOST_CIRCLE = 2.6;

/** Frames on a sensor, true to scale over each other, with the circle the optics throw on them. */
export function SensorDrawing({ frames, circleMm, width, maxHeight, description }: Props) {
  const palette = usePalette();
  const widest = Math.max(
    1,
    ...frames.map((frame) => frame.widthMm),
    Math.min(circleMm ?? 0, MOST_CIRCLE * Math.max(...frames.map((frame) => frame.widthMm))),
  );
  const highest = Math.max(
    1,
    ...frames.map((frame) => frame.heightMm),
    Math.min(circleMm ?? 0, MOST_CIRCLE * Math.max(...frames.map((frame) => frame.heightMm))),
  );
  const scale = Math.min((width - 2 * MARGIN) / widest, (maxHeight - 2 * MARGIN - LABEL_ROOM) / highest);
  const height = highest * scale + 2 * MARGIN + LABEL_ROOM;
  const cx = width / 2;
  const cy = LABEL_ROOM + MARGIN + (highest * scale) / 2;
  const sorted = [...frames].sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm);
  const outer = sorted[0];
  const r = circleMm === undefined ? 0 : (circleMm * scale) / 2;
  const box = (frame: SensorFrame) => ({
    x: cx - (frame.widthMm * scale) / 2,
    y: cy - (frame.heightMm * scale) / 2,
    width: frame.widthMm * scale,
    height: frame.heightMm * scale,
  });
  return (
    <View role="img" aria-label={description}>
      <Svg width={width} height={height}>
        {outer ? (
          <>
            <Rect {...box(outer)} fill={palette.finderGround} stroke="none" />
            {circleMm === undefined ? null : (
              <>
                <Defs>
                  <ClipPath id="sensor-frame">
                    <Rect {...box(outer)} />
                  </ClipPath>
                </Defs>
                <G clipPath="url(#sensor-frame)">
                  {/* The frame with the circle taken out of it. */}
                  <Path
                    d={`M0 0H${width}V${height}H0Z M${cx - r} ${cy}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`}
                    fillRule="evenodd"
                    fill={palette.finderHidden}
                  />
                </G>
                <Circle
                  cx={cx}
                  cy={cy}
                  r={r}
                  fill="none"
                  stroke={palette.needle}
                  strokeWidth={1.5}
                  strokeDasharray="5 3"
                />
              </>
            )}
          </>
        ) : null}
        {sorted.map((frame, i) => {
          const at = box(frame);
          return (
            <G key={`${frame.name}${i}`}>
              <Rect
                {...at}
                fill="none"
                stroke={frame.strong ? palette.ink : palette.inkSoft}
                strokeWidth={frame.strong ? 2 : HAIRLINE}
                strokeDasharray={frame.dash ?? (i === 0 || frame.strong ? '' : '4 3')}
              />
              {/* Names stand at the left and the right corner by turns; a halo keeps the lines out of them. */}
              {[true, false].map((halo) => (
                <SvgText
                  key={String(halo)}
                  x={i % 2 === 0 ? at.x + 3 : at.x + at.width - 3}
                  y={Math.max(13, at.y - 4)}
                  textAnchor={i % 2 === 0 ? 'start' : 'end'}
                  fill={frame.strong ? palette.ink : palette.inkSoft}
                  {...(halo ? { stroke: i === 0 ? palette.paper : palette.finderGround, strokeWidth: 5 } : {})}
                  fontSize={fontSize.fine}
                  fontFamily={family.figure}
                >
                  {frame.name}
                </SvgText>
              ))}
            </G>
          );
        })}
      </Svg>
    </View>
  );
}
