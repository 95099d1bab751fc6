import { memo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { SubjectKind } from '@/core/kit/subjects';
import { HAIRLINE, family, fontSize } from '../theme/measures';
import { usePalette } from '../theme/theme';
import { niceStep } from './niceStep';
import { SilhouetteShape } from './SilhouetteShape';
import { SILHOUETTES } from '@/core/kit/silhouettes';

/** A rectangle of the sensor, centred, in mm. */
export interface FinderMode {
  id: string;
  name: string;
  widthMm: number;
  heightMm: number;
}

export interface FinderProps {
  /** The whole sensor, mm. */
  sensorWidthMm: number;
  sensorHeightMm: number;
  /** The modes of the body; the chosen one is drawn strong, the rest of the sensor dimmed. */
  modes: FinderMode[];
  modeId: string;
  kind: SubjectKind;
  axis: 'width' | 'height';
  /** The camera is rotated by a quarter turn: the subject lies along the other side. */
  rotated?: boolean;
  /** Size of the subject's picture on the sensor along its axis, mm. */
  subjectOnSensorMm: number;
  /** Real mm at the subject for one mm on the sensor. */
  realPerSensorMm: number;
  /** Text equivalent for those who do not see the drawing. */
  description: string;
  /** Writes a length at the subject, given in mm, with its unit. */
  lengthText: (mm: number) => string;
  /** Tallest the drawing may be, px. */
  maxHeight?: number;
}

/** Height the drawing keeps free from the start, px, whatever the shape of the sensor. */
const LEAST = 120;
const EDGE = 1;
const TICK = 7;
/** Below this a silhouette is a speck, so a ring shows where it stands. */
const SPECK_PX = 12;

/** What the viewfinder shows, true to scale: the sensor with its modes, the subject at its true size, a rule at the subject. */
export function Finder(props: FinderProps) {
  const {
    sensorWidthMm,
    sensorHeightMm,
    modes,
    modeId,
    kind,
    axis,
    rotated = false,
    subjectOnSensorMm,
    realPerSensorMm,
    maxHeight = Infinity,
  } = props;
  const palette = usePalette();
  const [room, setRoom] = useState(0);
  const width = Math.min(room, maxHeight * (sensorWidthMm / sensorHeightMm));
  const height = (width * sensorHeightMm) / sensorWidthMm;
  const perMm = (width - 2 * EDGE) / sensorWidthMm;
  const chosen = modes.find((mode) => mode.id === modeId) ?? modes[0];
  return (
    <View
      onLayout={(event) => setRoom(event.nativeEvent.layout.width)}
      style={[
        styles.host,
        {
          aspectRatio: sensorWidthMm / sensorHeightMm,
          maxHeight: Number.isFinite(maxHeight) ? Math.max(LEAST, maxHeight) : undefined,
        },
      ]}
      role="img"
      aria-label={props.description}
    >
      {width > 0 && chosen ? (
        <Svg width={width} height={height} aria-hidden>
          <Rect x={EDGE} y={EDGE} width={width - 2 * EDGE} height={height - 2 * EDGE} fill={palette.finderGround} />
          <Subject {...{ kind, axis, rotated, perMm, width, height, subjectOnSensorMm }} />
          <Hidden mode={chosen} {...{ perMm, width, height }} />
          <Frames {...{ modes, perMm, width, height }} chosenId={chosen.id} />
          <Rule {...{ realPerSensorMm, perMm, width, height }} mode={chosen} lengthText={props.lengthText} />
        </Svg>
      ) : null}
    </View>
  );
}

interface Canvas {
  perMm: number;
  width: number;
  height: number;
}

function Subject({
  kind,
  axis,
  rotated,
  perMm,
  width,
  height,
  subjectOnSensorMm,
}: Canvas & Pick<FinderProps, 'kind' | 'axis' | 'rotated' | 'subjectOnSensorMm'>) {
  const palette = usePalette();
  const shape = SILHOUETTES[kind];
  const scale = (subjectOnSensorMm * perMm) / (axis === 'width' ? shape.width : 100);
  const w = shape.width * scale;
  const h = 100 * scale;
  return (
    <>
      <G
        transform={`${rotated ? `rotate(90 ${width / 2} ${height / 2}) ` : ''}translate(${(width - w) / 2} ${(height - h) / 2}) scale(${scale})`}
      >
        <SilhouetteShape kind={kind} />
      </G>
      {Math.max(w, h) < SPECK_PX ? (
        <Path
          d={`M${width / 2 - SPECK_PX} ${height / 2} a${SPECK_PX} ${SPECK_PX} 0 1 0 ${2 * SPECK_PX} 0 a${SPECK_PX} ${SPECK_PX} 0 1 0 ${-2 * SPECK_PX} 0 Z`}
          stroke={palette.needle}
          strokeWidth={1.5}
          fill="none"
        />
      ) : null}
    </>
  );
}

/** What the chosen mode leaves out of the picture. */
const Hidden = memo(function Hidden({ mode, perMm, width, height }: Canvas & { mode: FinderMode }) {
  const palette = usePalette();
  const w = mode.widthMm * perMm;
  const h = mode.heightMm * perMm;
  const x = (width - w) / 2;
  const y = (height - h) / 2;
  if (w > width - 4 && h > height - 4) return null;
  return (
    <Path
      fillRule="evenodd"
      d={`M0 0 H${width} V${height} H0 Z M${x} ${y} V${y + h} H${x + w} V${y} Z`}
      fill={palette.finderHidden}
    />
  );
});

/** All frames, then all names, so that no line runs through a name. They stand still while one drags. */
const Frames = memo(function Frames({
  modes,
  chosenId,
  ...canvas
}: Canvas & { modes: FinderMode[]; chosenId: string }) {
  return (
    <>
      {modes.map((mode, i) => (
        <ModeFrame key={mode.id} mode={mode} chosen={mode.id === chosenId} index={i} {...canvas} />
      ))}
      {namedModes(modes.map((mode, index) => ({ ...canvas, mode, chosen: mode.id === chosenId, index }))).map(
        (named) => (
          <ModeName key={named.mode.id} {...named} />
        ),
      )}
    </>
  );
});

interface OneMode extends Canvas {
  mode: FinderMode;
  chosen: boolean;
  index: number;
}

/** Where a mode's rectangle lies; one as wide or as high as the sensor is drawn just inside the edge. */
function placeOf({ mode, perMm, width, height }: OneMode) {
  const w = Math.min(mode.widthMm * perMm, width - 2 * EDGE);
  const h = Math.min(mode.heightMm * perMm, height - 2 * EDGE);
  return { x: (width - w) / 2, y: (height - h) / 2, w, h };
}

function ModeFrame(props: OneMode) {
  const palette = usePalette();
  const { x, y, w, h } = placeOf(props);
  const { chosen } = props;
  return (
    <Rect
      x={x}
      y={y}
      width={w}
      height={h}
      fill="none"
      stroke={chosen ? palette.ink : palette.inkSoft}
      strokeWidth={chosen ? 2 : HAIRLINE}
      strokeDasharray={chosen ? undefined : '5 4'}
    />
  );
}

/** Room of a letter in a name, px, and of a line. */
const LETTER = 6.5;
const LINE = fontSize.fine + 3;

/** Where a mode's name is written: inside the top edge of its frame. */
function nameAt(props: OneMode) {
  const { x, y, w } = placeOf(props);
  const right = props.index % 2 === 1;
  const long = props.mode.name.length * LETTER;
  return { x: right ? x + w - 6 : x + 6, left: right ? x + w - 6 - long : x + 6, long, y: y + LINE, right };
}

/** The modes that have room for their names: in a small drawing one would be written over another. The chosen one comes first. */
export function namedModes(modes: OneMode[]): OneMode[] {
  const taken: ReturnType<typeof nameAt>[] = [];
  return [...modes]
    .sort((a, b) => Number(b.chosen) - Number(a.chosen))
    .filter((mode) => {
      const here = nameAt(mode);
      const meets = taken.some(
        (other) =>
          Math.abs(other.y - here.y) < LINE - 2 &&
          other.left < here.left + here.long &&
          here.left < other.left + other.long,
      );
      if (!meets) taken.push(here);
      return !meets;
    });
}

/** The name of a mode inside the top edge of its frame, alternately left and right so that nested ones do not meet. */
function ModeName(props: OneMode) {
  const palette = usePalette();
  const { x, y, right } = nameAt(props);
  const { mode, chosen } = props;
  // First the ground around the letters, then the letters.
  return [palette.finderGround, chosen ? palette.ink : palette.inkSoft].map((colour, layer) => (
    <SvgText
      key={layer}
      x={x}
      y={y}
      textAnchor={right ? 'end' : 'start'}
      fontSize={fontSize.fine}
      fontFamily={chosen ? family.figureStrong : family.figure}
      fill={colour}
      stroke={layer === 0 ? colour : 'none'}
      strokeWidth={layer === 0 ? HALO : 0}
    >
      {mode.name}
    </SvgText>
  ));
}

/** Width of the clear ground around letters. */
const HALO = 5;

/** A rule along the lower edge of the chosen frame, in real lengths at the subject, with one division named. */
function Rule({
  realPerSensorMm,
  perMm,
  width,
  height,
  mode,
  lengthText,
}: Canvas & { realPerSensorMm: number; mode: FinderMode; lengthText: (mm: number) => string }) {
  const palette = usePalette();
  const w = mode.widthMm * perMm;
  const left = (width - w) / 2 + EDGE;
  const bottom = (height + mode.heightMm * perMm) / 2 - EDGE;
  const realPerPx = realPerSensorMm / perMm;
  const step = niceStep(realPerPx * 64);
  const stepPx = step / realPerPx;
  const count = Math.floor((w - 2 * EDGE) / stepPx);
  return (
    <G>
      <Path
        d={Array.from({ length: count }, (_, i) => `M${left + (i + 1) * stepPx} ${bottom}v${-TICK}`).join('')}
        stroke={palette.inkSoft}
        strokeWidth={HAIRLINE}
      />
      {count > 0 ? (
        <>
          <Line
            x1={left}
            x2={left + stepPx}
            y1={bottom - TICK - 3}
            y2={bottom - TICK - 3}
            stroke={palette.ink}
            strokeWidth={2}
          />
          {[palette.finderGround, palette.ink].map((colour, layer) => (
            <SvgText
              key={layer}
              x={left + 5}
              y={bottom - TICK - 9}
              fontSize={fontSize.fine}
              fontFamily={family.figure}
              fill={colour}
              stroke={layer === 0 ? colour : 'none'}
              strokeWidth={layer === 0 ? HALO : 0}
            >
              {lengthText(step)}
            </SvgText>
          ))}
        </>
      ) : null}
    </G>
  );
}

const styles = StyleSheet.create({ host: { width: '100%', alignItems: 'center', minHeight: LEAST } });
