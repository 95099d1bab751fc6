import { useCallback, useMemo } from 'react';
import { modesOf } from '@/core/kit/parts';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { quantityText, showSubjectMm, shownText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { usedArea } from '@/core/sensor/cropMode';
import { Finder } from '@/ui/finder/Finder';
import type { NearDeskState } from './useNearDesk';

interface Props {
  now: NearDeskState;
  units: UnitSystem;
  maxHeight: number;
}

/** What the finder shows close up, true to scale, with a rule in millimetres at the subject. */
export function NearPicture({ now, units, maxHeight }: Props) {
  const { system, reading, situation } = now;
  const body = system?.body;
  const modes = useMemo(() => (body ? modesOf(body).map((each) => ({ id: each.id, name: each.name, ...usedArea(body.sensor, each) })) : []), [body]);
  const lengthText = useCallback((mm: number) => shownText(showSubjectMm(mm, units)), [units]);
  if (!system || !reading || !body) return null;
  const kind = SUBJECT_KINDS[situation.subject.kind];
  const ratio = reading.ratio.value;
  return (
    <Finder
      sensorWidthMm={body.sensor.widthMm}
      sensorHeightMm={body.sensor.heightMm}
      modes={modes}
      modeId={system.mode.id}
      kind={situation.subject.kind}
      axis={kind.axis}
      subjectOnSensorMm={ratio * situation.subject.sizeMm}
      realPerSensorMm={1 / ratio}
      lengthText={lengthText}
      maxHeight={maxHeight}
      description={`Viewfinder: ${situation.subject.name} takes ${quantityText(reading.shareOfFrame, units)} of the frame’s ${kind.axis}; the field is ${quantityText(reading.fieldWidthMm, units)} by ${quantityText(reading.fieldHeightMm, units)}.`}
    />
  );
}
