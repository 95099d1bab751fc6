import { useMemo } from 'react';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { heldLimits } from '@/core/far/heldLimits';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { evidenceOf } from '@/core/learned/evidence';
import type { Judged } from '@/core/learned/learn';
import { useHeldReadings } from '../useReadings';
import { useRows } from '../useRows';
import type { LearnOrder } from './learnWork';

/** Of a judged group only what is learned from: small pictures stay where they are. */
const judgedOf = (group: PictureGroup, subjectKind: string | undefined): Judged => ({
  subjectName: group.subjectName,
  subjectKind,
  kind: group.kind,
  verdict: group.verdict,
  bodyName: group.bodyName,
  lensName: group.lensName,
  converterName: group.converterName,
  focalMm: group.focalMm,
  seconds: group.seconds,
  iso: group.iso,
  ratio: group.ratio,
  distanceM: group.distanceM,
  supported: group.supported,
  pixelsOnSubject: group.pixelsOnSubject,
  distanceFrom: group.distanceFrom,
  takenFrom: group.takenFrom,
  outingId: group.outingId,
});

/** Everything in the Book that one learns from; null while it is not there whole. */
export function useLearnOrder(): { order: LearnOrder | null; failed: boolean; retry: () => void } {
  const groups = useRows('pictureGroups');
  const measurements = useRows('measurements');
  const tests = useRows('starTests');
  const bodies = useRows('bodies');
  const optics = useRows('optics');
  const setups = useRows('setups');
  const subjects = useRows('subjects');
  const readings = useHeldReadings();
  const all = [groups, measurements, tests, bodies, optics, setups, subjects];
  const loading = all.some((each) => each.loading);
  const order = useMemo((): LearnOrder | null => {
    if (loading) return null;
    const bodyNames = new Map(bodies.rows.map(({ id, data }) => [id, data.name]));
    const lensNames = new Map(optics.rows.map(({ id, data }) => [id, data.name]));
    const kindOf = new Map(subjects.rows.map(({ id, data }) => [id, SUBJECT_KINDS[data.kind].name]));
    const bodyOf = new Map(setups.rows.map(({ id, data }) => [id, bodyNames.get(data.bodyId)]));
    return {
      groups: groups.rows
        .filter(({ data }) => data.verdict)
        .map(({ data }) => judgedOf(data, data.subjectId && kindOf.get(data.subjectId))),
      evidence: evidenceOf({
        // The simulated camera knows nothing of this person's hand.
        limits: heldLimits(measurements.rows.map(({ data }) => data).filter(({ simulated }) => !simulated)).map(
          ({ kept, ...limit }) => ({
            ...limit,
            bodyName: kept.setupId && bodyOf.get(kept.setupId),
          }),
        ),
        bodies: bodies.rows.map(({ data }) => data),
        starTests: tests.rows.flatMap(({ data }) => {
          const lensName = lensNames.get(data.opticId);
          return lensName ? [{ lensName, frames: data.frames }] : [];
        }),
        readings: readings.map((data) => ({
          ratio: data.desk === 'near' ? data.result.ratio : undefined,
          held: data.held,
        })),
      }),
    };
  }, [
    loading,
    groups.rows,
    measurements.rows,
    tests.rows,
    bodies.rows,
    optics.rows,
    setups.rows,
    subjects.rows,
    readings,
  ]);
  return {
    order,
    failed: all.some((each) => each.failed),
    retry: () => all.forEach((each) => each.retry()),
  };
}
