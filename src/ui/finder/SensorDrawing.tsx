import Svg, { Circle, ClipPath, Defs, G, Path, Rect, Text as SvgText } from 'react-native-svg';
import { View } from 'react-native';
import { textWidth } from '../gauge/labelled';
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
  const names = placed(sorted.map((frame) => ({ name: frame.name, ...box(frame) })));
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
              {/* A halo keeps the lines out of the names. */}
              {[true, false].map((halo) =>
                names[i] ? (
                  <SvgText
                    key={String(halo)}
                    x={names[i].x}
                    y={names[i].y}
                    textAnchor={names[i].anchor}
                    fill={frame.strong ? palette.ink : palette.inkSoft}
                    {...(halo ? { stroke: i === 0 ? palette.paper : palette.finderGround, strokeWidth: 5 } : {})}
                    fontSize={fontSize.fine}
                    fontFamily={family.figure}
                  >
                    {frame.name}
                  </SvgText>
                ) : null,
              )}
            </G>
          );
        })}
      </Svg>
    </View>
  );
}

interface Placed {
  x: number;
  y: number;
  anchor: 'start' | 'end';
}

/** Where each name stands: over a corner of its frame, or inside at its foot, wherever no other stands; else nowhere. */
function placed(frames: { name: string; x: number; y: number; width: number; height: number }[]): (Placed | null)[] {
  const taken: { left: number; right: number; y: number }[] = [];
  return frames.map(({ name, x, y, width, height }, i) => {
    const [left, right, top, foot] = [x + 3, x + width - 3, Math.max(13, y - 4), y + height - 5];
    const corners: Placed[] = [
      { x: left, y: top, anchor: 'start' },
      { x: right, y: top, anchor: 'end' },
      { x: left, y: foot, anchor: 'start' },
      { x: right, y: foot, anchor: 'end' },
    ];
    // At the left and the right by turns, so that nested frames are told apart.
    const order = i % 2 === 0 ? corners : [corners[1]!, corners[0]!, corners[3]!, corners[2]!];
    const long = textWidth(name, fontSize.fine);
    for (const corner of order) {
      const from = corner.anchor === 'start' ? corner.x : corner.x - long;
      const box = { left: from - 4, right: from + long + 4, y: corner.y };
      if (taken.some((each) => each.left < box.right && each.right > box.left && Math.abs(each.y - box.y) < 15))
        continue;
      taken.push(box);
      return corner;
    }
    return null;
  });
}
