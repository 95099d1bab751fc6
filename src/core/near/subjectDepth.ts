import type { SubjectKind } from '../kit/subjects';

/** How deep a subject is, as a share of the size it is measured by, seen from its usual side. */
const DEPTH_SHARE: Record<SubjectKind, number> = {
  wader: 0.35,
  perchingBird: 0.4,
  raptor: 0.25,
  smallMammal: 0.4,
  deer: 0.5,
  butterfly: 0.25,
  beetle: 0.4,
  flower: 0.4,
};

/** Depth one would cover for the whole subject, mm. */
export const subjectDepthMm = (kind: SubjectKind, sizeMm: number): number => DEPTH_SHARE[kind] * sizeMm;
