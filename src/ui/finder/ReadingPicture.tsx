import { useCallback, useMemo } from 'react';
import type { FarReading } from '@/core/far/readFar';
import { modesOf } from '@/core/kit/body';
import { SUBJECT_KINDS, type SubjectSpec } from '@/core/kit/subjects';
import type { NearReading } from '@/core/near/readNear';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { lengthPairText, quantityText, showLengthM, showSubjectMm, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { usedArea } from '@/core/sensor/cropMode';
import { Finder } from './Finder';

type Props = {
  system: EffectiveSystem;
  subject: SubjectSpec;
  units: UnitSystem;
  maxHeight?: number;
} & ({ desk: 'far'; reading: FarReading } | { desk: 'near'; reading: NearReading });

/** The viewfinder's picture of the present reading, true to scale. */
export function ReadingPicture({ system, subject, units, maxHeight, ...read }: Props) {
  const { body, mode } = system;
  const near = read.desk === 'near';
  const modes = useMemo(
    () => modesOf(body).map((each) => ({ id: each.id, name: each.name, ...usedArea(body.sensor, each) })),
    [body],
  );
  const lengthText = useCallback(
    (mm: number) => shownText(near ? showSubjectMm(mm, units) : showLengthM(mm / 1000, units)),
    [near, units],
  );
  const kind = SUBJECT_KINDS[subject.kind];
  const ratio = read.reading.ratio.value;
  const other = kind.axis === 'width' ? 'height' : 'width';
  const lies = read.reading.rotated ? `${other}, with the camera rotated` : kind.axis;
  const [width, height] =
    read.desk === 'near'
      ? [read.reading.fieldWidthMm, read.reading.fieldHeightMm]
      : [read.reading.fieldWidthM, read.reading.fieldHeightM];
  return (
    <Finder
      sensorWidthMm={body.sensor.widthMm}
      sensorHeightMm={body.sensor.heightMm}
      modes={modes}
      modeId={mode.id}
      kind={subject.kind}
      axis={kind.axis}
      rotated={read.reading.rotated ?? false}
      subjectOnSensorMm={ratio * subject.sizeMm}
      realPerSensorMm={1 / ratio}
      lengthText={lengthText}
      description={`Viewfinder: ${subject.name} takes ${quantityText(read.reading.shareOfFrame, units)} of the frame’s ${lies}; the frame shows ${lengthPairText(width, height, units, 'by')} at the subject.`}
      {...(maxHeight === undefined ? {} : { maxHeight })}
    />
  );
}
