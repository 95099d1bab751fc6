/** The shapes Jauge can draw. Each is measured along one axis of its silhouette. */
export type SubjectKind =
  'wader' | 'perchingBird' | 'raptor' | 'smallMammal' | 'deer' | 'butterfly' | 'beetle' | 'flower';

/** What a kind of subject is measured by, and the proportions of its silhouette. */
export interface SubjectKindInfo {
  name: string;
  /** What its size means, in the words of the field. */
  measure: string;
  axis: 'width' | 'height';
  /** Width ÷ height of the silhouette. */
  aspect: number;
  /** How fast one may cross the view, m/s, where nothing is entered. */
  speedMPerS: number;
}

export const SUBJECT_KINDS: Record<SubjectKind, SubjectKindInfo> = {
  wader: { name: 'Wader', measure: 'bill to tail', axis: 'width', aspect: 1.12, speedMPerS: 1.2 },
  perchingBird: { name: 'Perching bird', measure: 'bill to tail', axis: 'width', aspect: 1.3, speedMPerS: 2 },
  raptor: { name: 'Raptor in flight', measure: 'wing span', axis: 'width', aspect: 2.3, speedMPerS: 9 },
  smallMammal: { name: 'Small mammal', measure: 'nose to tail root', axis: 'width', aspect: 1.55, speedMPerS: 3 },
  deer: { name: 'Deer-sized mammal', measure: 'height at the head', axis: 'height', aspect: 0.95, speedMPerS: 3 },
  butterfly: { name: 'Butterfly', measure: 'wing span', axis: 'width', aspect: 1.4, speedMPerS: 2 },
  beetle: { name: 'Beetle', measure: 'body length', axis: 'height', aspect: 0.62, speedMPerS: 0.1 },
  flower: { name: 'Flower', measure: 'width across', axis: 'width', aspect: 1, speedMPerS: 0.2 },
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
  /** Across the view, m/s. */
  speedMPerS?: number | undefined;
  /** The distance local rules or the site ask for, m. */
  keepDistanceM?: number | undefined;
}
