import { useCallback, useMemo } from 'react';
import { modesOf } from '@/core/kit/parts';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import type { UnitSystem } from '@/core/quantity/units';
import { usedArea } from '@/core/sensor/cropMode';
import { Finder } from './Finder';
import { quantityText, showLengthM, shownText } from '@/core/quantity/quantityText';
import type { FarReading } from '@/core/far/readFar';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { SubjectSpec } from '@/core/kit/subjects';

interface Props {
  system: EffectiveSystem;
  reading: FarReading;
  subject: SubjectSpec;
  units: UnitSystem;
  maxHeight?: number;
}

/** The viewfinder's picture of the present reading. */
export function ReadingPicture({ system, reading, subject, units, maxHeight }: Props) {
  const { body, mode } = system;
  const modes = useMemo(
    () => modesOf(body).map((each) => ({ id: each.id, name: each.name, ...usedArea(body.sensor, each) })),
    [body],
  );
  const lengthText = useCallback((mm: number) => shownText(showLengthM(mm / 1000, units)), [units]);
  const kind = SUBJECT_KINDS[subject.kind];
  const ratio = reading.ratio.value;
  return (
    <Finder
      sensorWidthMm={body.sensor.widthMm}
      sensorHeightMm={body.sensor.heightMm}
      modes={modes}
      modeId={mode.id}
      kind={subject.kind}
      axis={kind.axis}
      subjectOnSensorMm={ratio * subject.sizeMm}
      realPerSensorMm={1 / ratio}
      lengthText={lengthText}
      description={`Viewfinder: ${subject.name} takes ${quantityText(reading.shareOfFrame, units)} of the frame’s ${kind.axis}; the frame shows ${quantityText(reading.fieldWidthM, units)} by ${quantityText(reading.fieldHeightM, units)} at the subject.`}
      {...(maxHeight === undefined ? {} : { maxHeight })}
    />
  );
}
