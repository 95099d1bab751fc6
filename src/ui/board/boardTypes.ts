/** One thing that can be had, and what is known of it. */
export interface BoardRow<T> {
  key: string;
  name: string;
  of: T;
  /** It cannot be used: it is never marked as what nothing beats, and beats nothing. */
  neverBest?: boolean;
}

/** One number by which things are compared. */
export interface BoardColumn<T> {
  id: string;
  name: string;
  /** Undefined where it is not known. */
  value: (of: T) => number | undefined;
  text: (of: T) => string;
  /** Whether one wants much or little of it. */
  better: 'more' | 'less';
  /** Written on an axis; where absent, a plain number. */
  axisText?: (value: number) => string;
}

/** The value by which a column sorts: the better the higher; what is not known comes last. */
export const rankOf = <T>({ value, better }: BoardColumn<T>, of: T): number => {
  const known = value(of);
  return known === undefined || !Number.isFinite(known) ? -Infinity : better === 'more' ? known : -known;
};
