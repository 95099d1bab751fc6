import type { FarReadingKept, NearReadingKept, Reading, StarsReadingKept } from '@/contract/schemas/reading';
import type { FarReading } from '@/core/far/readFar';
import type { NearReading } from '@/core/near/readNear';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { Verdict } from '@/core/output/verdict';
import type { Quantity } from '@/core/quantity/quantity';
import type { Result } from '@/core/quantity/result';
import type { UnitSystem } from '@/core/quantity/units';
import type { StarsReading } from '@/core/sky/readStars';
import type { Situation } from '@/data/situation';

/** What is kept of each desk, and what it reads. */
export interface DeskTypes {
  far: { kept: FarReadingKept; reading: FarReading };
  near: { kept: NearReadingKept; reading: NearReading };
  stars: { kept: StarsReadingKept; reading: StarsReading };
}
export type KeptDeskName = Reading['desk'] & keyof DeskTypes;

/** A kept reading worked out again, by the desk it was kept on. */
export type Reread = {
  [D in KeptDeskName]: { desk: D; system: EffectiveSystem; reading: DeskTypes[D]['reading'] };
}[KeptDeskName];
export type RereadOf<D extends KeptDeskName> = Extract<Reread, { desk: D }>;

/** What a kept reading says at a glance. */
export interface EntryWords {
  /** Of what, and from where: "Curlew at 64 m", "Tiger beetle at 1.27 : 1", "Stars at declination 0°". */
  subject: string;
  where: string;
  figure: string;
  unit: string;
  verdict: Verdict;
  /** The judgement with its mark. */
  judgement: string;
  /** With which set-up. */
  line: string;
}

/** One number of a kept reading: as it was, why, and as it would be now. */
export interface ComparisonLine {
  label: string;
  was: string;
  wasWhy: Quantity | undefined;
  now: Quantity | undefined;
  beside?: string | undefined;
}

/** How the Book treats the readings of a desk. A desk whose readings are kept is one such file and a line in the registry. */
export interface KeptDesk<D extends KeptDeskName> {
  /** The word that reads the same input on the command line. */
  command: string;
  /** Whether it is of a subject of the kit, without which there is nothing to read today. */
  ofSubject: boolean;
  /** Reads again what was kept. */
  read(input: DeskTypes[D]['kept']['input'], system: EffectiveSystem): Result<DeskTypes[D]['reading']>;
  /** Where it was read from, for today's kit. */
  distanceM(kept: DeskTypes[D]['kept']): number | null;
  /** What of today's situation takes the place of what was kept, besides set-up and output. */
  today(situation: Situation): Partial<DeskTypes[D]['kept']['input']>;
  words(kept: DeskTypes[D]['kept'], units: UnitSystem): EntryWords;
  /** Its numbers beside today's. */
  lines(
    kept: DeskTypes[D]['kept'],
    asKept: RereadOf<D> | null,
    asNow: RereadOf<D> | null,
    units: UnitSystem,
  ): ComparisonLine[];
}
