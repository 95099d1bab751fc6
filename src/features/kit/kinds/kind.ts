import type { ReactElement } from 'react';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Optic } from '@/contract/schemas/optic';
import type { Part } from '@/core/chain/parts';
import type { UnitSystem } from '@/core/quantity/units';
import type { PathIn, Section } from '../formFields';
import type { Fact } from '../facts';

/** How a glyph is drawn: lines, and glass that is filled. */
export interface Pen {
  outline: { stroke: string; strokeWidth: number; fill: string; strokeLinejoin: 'round' };
  solid: { stroke: string; strokeWidth: number; fill: string; strokeLinejoin: 'round' };
}

/** A part as it is entered: with its maker and a note. */
export type Entered<P extends Part> = P & { maker?: string | undefined; note?: string | undefined };

/** The row a part is kept as. */
type RowOf<P extends Part> = Extract<Optic | Adapter, { kind: P['kind'] }>;

/** Everything the screens must know of a kind of part. */
export interface KitKind<P extends Part> {
  form: Section<PathIn<RowOf<P>>>[];
  /** What the form of something new starts from. */
  start: RowOf<P>;
  /** What matters most about it, in a line. */
  brief(part: P): string;
  /** What is entered of it besides what every part has, in words. */
  facts(part: P, units: UnitSystem): Fact[];
  /** The number that matters, short enough for its tile in the builder. */
  tile(part: P): string;
  /** Our own plain cross-section, in a box of 48 × 56 around the axis at y = 28; light comes from the left. */
  glyph(pen: Pen): ReactElement;
  /** Diameter of what gathers the light at its largest, mm. */
  pupilMm?(part: P): number;
}
