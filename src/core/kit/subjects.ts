/** The shapes Jauge can draw. Each is measured along one axis of its silhouette. */
export type SubjectKind =
  | 'wader' | 'perchingBird' | 'raptor' | 'smallMammal' | 'deer' | 'butterfly' | 'beetle' | 'flower';

/** What a kind of subject is measured by, and the proportions of its silhouette. */
export interface SubjectKindInfo {
  name: string;
  /** What its size means, in the words of the field. */
  measure: string;
  axis: 'width' | 'height';
  /** Width ÷ height of the silhouette. */
  aspect: number;
}

export const SUBJECT_KINDS: Record<SubjectKind, SubjectKindInfo> = {
  wader: { name: 'Wader', measure: 'bill to tail', axis: 'width', aspect: 1.12 },
  perchingBird: { name: 'Perching bird', measure: 'bill to tail', axis: 'width', aspect: 1.3 },
  raptor: { name: 'Raptor in flight', measure: 'wing span', axis: 'width', aspect: 2.3 },
  smallMammal: { name: 'Small mammal', measure: 'nose to tail root', axis: 'width', aspect: 1.55 },
  deer: { name: 'Deer-sized mammal', measure: 'height at the head', axis: 'height', aspect: 0.95 },
  butterfly: { name: 'Butterfly', measure: 'wing span', axis: 'width', aspect: 1.4 },
  beetle: { name: 'Beetle', measure: 'body length', axis: 'height', aspect: 0.62 },
  flower: { name: 'Flower', measure: 'width across', axis: 'width', aspect: 1 },
};

/** A subject: a thing of a known size at a distance. */
export interface SubjectSpec {
  name: string;
  kind: SubjectKind;
  /** Size along the axis its kind is measured by, mm, and how much individuals differ from it. */
  sizeMm: number;
  sizePlusMinusMm?: number | undefined;
  /** Usual sensor-to-subject distance, m. */
  distanceM: number;
  /** The distance local rules or the site ask for, m. */
  keepDistanceM?: number | undefined;
}
