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
  /** A usual size, mm, and the distance from which it is usually photographed, m. */
  usualMm: number;
  usualDistanceM: number;
}

export const SUBJECT_KINDS: Record<SubjectKind, SubjectKindInfo> = {
  wader: {
    name: 'Wader',
    measure: 'bill to tail',
    axis: 'width',
    aspect: 1.12,
    speedMPerS: 1.2,
    usualMm: 450,
    usualDistanceM: 50,
  },
  perchingBird: {
    name: 'Perching bird',
    measure: 'bill to tail',
    axis: 'width',
    aspect: 1.3,
    speedMPerS: 2,
    usualMm: 140,
    usualDistanceM: 12,
  },
  raptor: {
    name: 'Raptor in flight',
    measure: 'wing span',
    axis: 'width',
    aspect: 2.3,
    speedMPerS: 9,
    usualMm: 1200,
    usualDistanceM: 80,
  },
  smallMammal: {
    name: 'Small mammal',
    measure: 'nose to tail root',
    axis: 'width',
    aspect: 1.55,
    speedMPerS: 3,
    usualMm: 250,
    usualDistanceM: 20,
  },
  deer: {
    name: 'Deer-sized mammal',
    measure: 'height at the head',
    axis: 'height',
    aspect: 0.95,
    speedMPerS: 3,
    usualMm: 1200,
    usualDistanceM: 80,
  },
  butterfly: {
    name: 'Butterfly',
    measure: 'wing span',
    axis: 'width',
    aspect: 1.4,
    speedMPerS: 2,
    usualMm: 55,
    usualDistanceM: 1,
  },
  beetle: {
    name: 'Beetle',
    measure: 'body length',
    axis: 'height',
    aspect: 0.62,
    speedMPerS: 0.1,
    usualMm: 20,
    usualDistanceM: 0.4,
  },
  flower: {
    name: 'Flower',
    measure: 'width across',
    axis: 'width',
    aspect: 1,
    speedMPerS: 0.2,
    usualMm: 40,
    usualDistanceM: 0.6,
  },
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
  /** Its size and distance are usual ones of its kind, which nobody entered. */
  assumed?: boolean | undefined;
  /** Across the view, m/s. */
  speedMPerS?: number | undefined;
  /** The distance local rules or the site ask for, m. */
  keepDistanceM?: number | undefined;
}

/** A subject of a kind as it usually is; marked as assumed. */
export const usualSubject = (kind: SubjectKind): SubjectSpec => {
  const { name, usualMm: sizeMm, usualDistanceM: distanceM } = SUBJECT_KINDS[kind];
  return { name, kind, sizeMm, distanceM, assumed: true };
};
