import Svg, { Circle, Ellipse, Line, Path, Polygon, Rect } from 'react-native-svg';
import type { Found, Place } from '@/core/measure/benchTalk';
import type { Frame } from '@/core/measure/edge/findEdges';
import { toScreen, type Viewport } from '@/core/picture/viewport';
import { usePalette } from '@/ui/theme/theme';

interface Props {
  found: Found | null;
  ends: [Place, Place] | null;
  view: Viewport;
  screen: { width: number; height: number };
  /** Draws the ends' line in dashes, beside another. */
  dashed?: boolean;
  /** Strokes of stars are drawn so many times as long. */
  times?: number;
  /** The part looked at. */
  frame?: Frame | null;
}

/** Found lines are drawn twice: ink under the needle's colour, so that they show on light and on dark. */
const UNDER = 3.5;
const UPPER = 1.5;

/** What was measured, drawn over the picture. */
export function Over({ found, ends, view, screen, dashed = false, times = 1, frame = null }: Props) {
  const palette = usePalette();
  const both = (make: (colour: string, width: number, key: string) => React.ReactNode) => [
    make(palette.raised, UNDER, 'under'),
    make(palette.needle, UPPER, 'upper'),
  ];
  const line = (from: Place, to: Place, name: string) => {
    const [[x1, y1], [x2, y2]] = [toScreen(view, from), toScreen(view, to)];
    return both((colour, width, key) => (
      <Line
        key={`${name}${key}`}
        x1={x1}
        y1={y1}
        x2={x2}
        y2={y2}
        stroke={colour}
        strokeWidth={width}
        strokeDasharray={dashed ? '6 5' : undefined}
      />
    ));
  };
  return (
    <Svg
      width={screen.width}
      height={screen.height}
      style={{ position: 'absolute', left: 0, top: 0 }}
      pointerEvents="none"
    >
      {found?.measure === 'ruler' ? found.value.lines.map(({ n, from, to }) => line(from, to, String(n))) : null}
      {found?.measure === 'disc' ? <DiscOver value={found.value} view={view} both={both} /> : null}
      {found?.measure === 'subject' ? <SubjectOver value={found.value} view={view} both={both} /> : null}
      {frame ? <FrameOver frame={frame} view={view} both={both} /> : null}
      {found?.measure === 'edge'
        ? found.value.edges.map(({ ends: [from, to] }, k) => line(from, to, `edge${k}`))
        : null}
      {found?.measure === 'stars' ? <Strokes value={found.value} view={view} screen={screen} times={times} /> : null}
      {ends && (found === null || found.measure === 'length' || found.measure === 'subject')
        ? line(ends[0], ends[1], 'ends')
        : null}
    </Svg>
  );
}

type Both = (make: (colour: string, width: number, key: string) => React.ReactNode) => React.ReactNode[];

function DiscOver({
  value,
  view,
  both,
}: {
  value: Extract<Found, { measure: 'disc' }>['value'];
  view: Viewport;
  both: Both;
}) {
  const [x, y] = toScreen(view, value.centre);
  const [rx, ry] = [(value.equatorialDiameterPx / 2) * view.scale, (value.polarDiameterPx / 2) * view.scale];
  return (
    <>
      {both((colour, width, key) => (
        <Ellipse
          key={key}
          cx={x}
          cy={y}
          rx={rx}
          ry={ry}
          rotation={value.equatorDeg ?? 0}
          origin={`${x}, ${y}`}
          stroke={colour}
          strokeWidth={width}
          fill="none"
        />
      ))}
      {both((colour, width, key) => (
        <Circle key={`middle${key}`} cx={x} cy={y} r={3} stroke={colour} strokeWidth={width} fill="none" />
      ))}
    </>
  );
}

function SubjectOver({
  value,
  view,
  both,
}: {
  value: Extract<Found, { measure: 'subject' }>['value'];
  view: Viewport;
  both: Both;
}) {
  const points = value.hull.map((each) => toScreen(view, each).join(',')).join(' ');
  const [left, top] = toScreen(view, [value.box[0], value.box[1]]);
  const [right, bottom] = toScreen(view, [value.box[2], value.box[3]]);
  return (
    <>
      {both((colour, width, key) => (
        <Polygon key={key} points={points} stroke={colour} strokeWidth={width} fill="none" strokeDasharray="5 4" />
      ))}
      {both((colour, width, key) => (
        <Rect
          key={`box${key}`}
          x={left}
          y={top}
          width={right - left}
          height={bottom - top}
          stroke={colour}
          strokeWidth={width / 1.5}
          fill="none"
        />
      ))}
    </>
  );
}

/** The part of the picture that is looked at. */
function FrameOver({ frame, view, both }: { frame: Frame; view: Viewport; both: Both }) {
  const [left, top] = toScreen(view, [frame[0], frame[1]]);
  const [right, bottom] = toScreen(view, [frame[2], frame[3]]);
  return (
    <>
      {both((colour, width, key) => (
        <Rect
          key={`frame${key}`}
          x={left}
          y={top}
          width={right - left}
          height={bottom - top}
          stroke={colour}
          strokeWidth={width}
          strokeDasharray="6 4"
          fill="none"
        />
      ))}
    </>
  );
}

interface StrokesProps {
  value: Extract<Found, { measure: 'stars' }>['value'];
  view: Viewport;
  screen: { width: number; height: number };
  times: number;
}

/** Every star as a small stroke, as far and whichever way it ran; dots where that cannot be told. One path for all of them. */
function Strokes({ value, view, screen, times }: StrokesProps) {
  const palette = usePalette();
  const strokes: string[] = [];
  const dots: string[] = [];
  for (const { x, y, lengthPx, directionDeg, upperLimit } of value.stars) {
    const [sx, sy] = toScreen(view, [x, y]);
    if (sx < -50 || sy < -50 || sx > screen.width + 50 || sy > screen.height + 50) continue;
    const half = (lengthPx * times * view.scale) / 2;
    const turn = (directionDeg * Math.PI) / 180;
    const [dx, dy] = [half * Math.cos(turn), half * Math.sin(turn)];
    if (upperLimit) dots.push(`M${(sx - 2).toFixed(1)} ${sy.toFixed(1)}h4`);
    else
      strokes.push(`M${(sx - dx).toFixed(1)} ${(sy - dy).toFixed(1)}L${(sx + dx).toFixed(1)} ${(sy + dy).toFixed(1)}`);
  }
  return (
    <>
      <Path d={strokes.join('')} stroke={palette.raised} strokeWidth={2.5} fill="none" />
      <Path d={strokes.join('')} stroke={palette.needle} strokeWidth={UPPER} fill="none" />
      <Path d={dots.join('')} stroke={palette.needle} strokeWidth={4} strokeLinecap="round" fill="none" />
    </>
  );
}
