import { useMemo } from 'react';
import type { StarTest } from '@/contract/schemas/starTest';
import { DEEP_OBJECTS } from '@/core/sky/catalogue';
import type { Pointing } from '@/core/sky/camera';
import { pointingOf } from '@/core/sky/pointing';
import { casesText } from '@/core/learned/learnedWords';
import { ownStarsS } from '@/core/learned/ownSchools';
import type { Learned } from '@/core/learned/learn';
import type { OwnTime, StarsInput } from '@/core/sky/readStars';
import { learnTolerance, type LearnedTolerance } from '@/core/sky/testSeries';
import type { Situation } from '@/data/situation';
import { useSky } from '@/data/inHand';
import { type SkyOptions } from '@/data/skyOptions';
import { useOwn } from '@/data/own/learned';
import { useRows } from '@/data/useRows';

/** Where the camera points, from what was chosen; without a place the latitude is that of no one, the equator. */
export function pointingFrom(sky: SkyOptions): Pointing {
  if (sky.pointBy === 'horizon') return pointingOf(sky.azimuthDeg, sky.altitudeDeg, sky.site?.latitudeDeg ?? 0);
  const object = sky.pointBy === 'object' ? DEEP_OBJECTS.find((each) => each.id === sky.targetId) : undefined;
  return { declinationDeg: object?.declinationDeg ?? sky.declinationDeg, rollDeg: object ? 0 : sky.rollDeg };
}

/** The lens of a chain, by its row; what one learns is kept with it. */
export const lensIdOf = ({ links }: Pick<Situation, 'links'>): string | null =>
  links.findLast((link) => link.type === 'optic')?.id ?? null;

/** A lens set to another focal length is another lens under the stars. */
const SAME_FOCAL = 0.05;

/** What is known of a lens: all verdicts on its pictures together, and the newest note on its corners. */
export interface LensRecord {
  learned: LearnedTolerance | null;
  cornerStretchPx: number;
  tests: number;
  /** Longest exposure learned with it, where it was. */
  ownTime?: OwnTime | undefined;
}

/** Puts together what was noted of a lens at a focal length. */
export function lensRecordOf(tests: readonly StarTest[], opticId: string | null, focalMm: number): LensRecord {
  const own = tests
    .filter((test) => test.opticId === opticId && Math.abs(test.focalMm / focalMm - 1) < SAME_FOCAL)
    .sort((a, b) => b.takenAt.localeCompare(a.takenAt));
  return {
    learned: learnTolerance(own.flatMap((test) => test.frames)),
    cornerStretchPx: own.find((test) => test.cornerStretchPx !== undefined)?.cornerStretchPx ?? 0,
    tests: own.filter((test) => test.frames.length > 0).length,
  };
}

/** The longest exposure one's own pictures tell of a lens; nothing where they do not. */
export function ownTimeOf(own: Learned, lensName: string | undefined): OwnTime | undefined {
  const limit = own.stars.find(({ of }) => of === lensName);
  const found = lensName === undefined ? null : ownStarsS(own, lensName);
  return limit && found
    ? { seconds: found.value, plusMinusS: found.plusMinus ?? 0, rests: casesText(limit) }
    : undefined;
}

/** The records of the lens in hand. */
export function useLensRecord(situation: Situation | null, focalMm: number): LensRecord {
  const { rows } = useRows('starTests');
  const own = useOwn();
  const opticId = situation ? lensIdOf(situation) : null;
  const lensName = situation?.setup.chain[situation.links.findLastIndex(({ type }) => type === 'optic')]?.part.name;
  return useMemo(
    () => ({
      ...lensRecordOf(
        rows.map((row) => row.data),
        opticId,
        focalMm,
      ),
      ownTime: ownTimeOf(own, lensName),
    }),
    [rows, opticId, focalMm, own, lensName],
  );
}

/** What the core reads besides the system and the output, whatever exposure is set. */
export type StarWays = Omit<StarsInput, 'system' | 'output' | 'exposureS'>;

/** Pointing, tolerance, school and the lens's record, as the core reads them. */
export function starWays(sky: SkyOptions, record: LensRecord): StarWays {
  const count = {
    pixels: sky.tolerancePx,
    output: sky.toleranceOutputPx,
    eye: sky.toleranceArcmin,
    own: sky.tolerancePx,
  }[sky.toleranceKind];
  return {
    projection: sky.projection,
    pointing: pointingFrom(sky),
    tolerance: { kind: sky.toleranceKind, count, ownPx: record.learned ?? undefined },
    rule: sky.rule,
    ceilingS: sky.ceilingS,
    fNumber: sky.fNumber ?? undefined,
    cornerStretchPx: record.cornerStretchPx,
    ownTime: record.ownTime,
  };
}

/** The same of what is chosen now; a new value only when a part of it changes, so that a pull at the exposure does not. */
export function useStarWays(record: LensRecord): StarWays {
  const key = useSky((sky) => JSON.stringify(starWays(sky, record)));
  return useMemo(() => JSON.parse(key) as StarWays, [key]);
}
