import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Rect } from 'react-native-svg';
import { SILHOUETTES } from '@/core/kit/silhouettes';
import { SUBJECT_KINDS, type SubjectKind } from '@/core/kit/subjects';
import { chance } from '@/core/simulate/chance';
import type { Plate } from '@/core/train/exercise';
import { Txt } from '@/ui/Txt';
import { SilhouetteShape } from '@/ui/finder/SilhouetteShape';
import { usePalette } from '@/ui/theme/theme';

type Drawn = Exclude<Plate, { kind: 'photo' }>;

/** A drawing is no wider than this, px: it is looked at as a whole. */
const WIDEST = 560;
/** Full frame, mm. */
const [FULL_WIDTH, FULL_HEIGHT] = [36, 24];
const LIGHTS = 9;

const aspectOf = (plate: Drawn): number =>
  plate.kind === 'lights'
    ? plate.aspect
    : plate.kind === 'sensors'
      ? FULL_WIDTH / FULL_HEIGHT
      : plate.widthMm / plate.heightMm;

/** A drawing of an exercise, to scale. */
export function PlateDrawing({ plate }: { plate: Drawn }) {
  const palette = usePalette();
  const [room, setRoom] = useState(0);
  const width = Math.min(room, WIDEST);
  const height = width / aspectOf(plate);
  return (
    <View style={{ width: '100%', gap: 2 }} onLayout={({ nativeEvent }) => setRoom(nativeEvent.layout.width)}>
      {width ? (
        <View role="img" aria-label={`Drawing to scale: ${plate.label}`}>
          <Svg width={width} height={height} aria-hidden>
            <Rect
              x={1}
              y={1}
              width={width - 2}
              height={height - 2}
              fill={palette.finderGround}
              stroke={palette.ink}
              strokeWidth={2}
            />
            {plate.kind === 'sensors' ? <Inner plate={plate} width={width} height={height} /> : null}
            {plate.kind === 'lights' ? <Lights plate={plate} width={width} height={height} /> : null}
            {plate.kind === 'frame' ? (
              <Subject
                kind={plate.subject}
                width={width}
                height={height}
                along={(plate.onSensorMm * width) / plate.widthMm}
              />
            ) : null}
          </Svg>
        </View>
      ) : null}
      <Txt kind="small" tone="soft">
        {plate.label}
      </Txt>
    </View>
  );
}

/** The subject in the middle, so long along what it is measured by, px. */
function Subject({ kind, width, height, along }: { kind: SubjectKind; width: number; height: number; along: number }) {
  const units = SUBJECT_KINDS[kind].axis === 'width' ? SILHOUETTES[kind].width : 100;
  const scale = along / units;
  return (
    <G
      transform={`translate(${width / 2 - (scale * SILHOUETTES[kind].width) / 2} ${height / 2 - scale * 50}) scale(${scale})`}
    >
      <SilhouetteShape kind={kind} />
    </G>
  );
}

function Inner({
  plate,
  width,
  height,
}: {
  plate: Extract<Drawn, { kind: 'sensors' }>;
  width: number;
  height: number;
}) {
  const palette = usePalette();
  const [w, h] = [(plate.widthMm / FULL_WIDTH) * width, (plate.heightMm / FULL_HEIGHT) * height];
  return (
    <Rect
      x={(width - w) / 2}
      y={(height - h) / 2}
      width={w}
      height={h}
      fill={palette.raised}
      stroke={palette.needle}
      strokeWidth={2}
    />
  );
}

/** Lights out of focus behind the subject. */
function Lights({
  plate,
  width,
  height,
}: {
  plate: Extract<Drawn, { kind: 'lights' }>;
  width: number;
  height: number;
}) {
  const palette = usePalette();
  const { subject, shareOfFrame, discShare, seed } = plate;
  const { between } = chance(seed);
  const along = shareOfFrame * (SUBJECT_KINDS[subject].axis === 'width' ? width : height);
  return (
    <>
      {Array.from({ length: LIGHTS }, (_, i) => (
        <Circle
          key={i}
          cx={width * (0.06 + 0.88 * ((i + between(0.2, 0.8)) / LIGHTS))}
          cy={height * between(0.1, 0.9)}
          r={(discShare * width) / 2}
          fill={palette.press}
          fillOpacity={0.25}
          stroke={palette.press}
        />
      ))}
      <Subject kind={subject} width={width} height={height} along={along} />
    </>
  );
}
