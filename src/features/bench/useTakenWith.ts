import { useMemo } from 'react';
import type { StoredOf } from '@/contract/resources';
import { pictureScale, type ModeOfBody, type PictureScale } from '@/core/measure/pictureScale';
import { pitchGiven } from '@/core/measure/means/shares';
import { whosePicture, type Proposed, type SetupSeen } from '@/core/measure/whosePicture';
import { formatFigures } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import type { Problem } from '@/core/quantity/result';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import { usedArea } from '@/core/sensor/cropMode';
import { setTakenWith, type BenchPicture } from '@/data/bench/pictures';
import { systemInputOf, type Kit, type LinkedInput } from '@/data/situation';
import { useChosen } from '@/data/useChosen';
import { useKit } from '@/data/useKit';

/** What a picture was taken with, as far as it is known. */
export interface TakenWith {
  kit: Kit;
  /** True until the kit is there: that it has no set-up is not known before. */
  kitLoading: boolean;
  setupRow: StoredOf<'setups'> | null;
  setup: LinkedInput | null;
  system: EffectiveSystem | null;
  /** Whether the picture says so itself, or the person, or it is only what is in hand. */
  by: 'picture' | 'person' | 'hand';
  /** Set-ups the picture agrees with as well. */
  alsoFits: readonly string[];
  choose: (id: string) => void;
  scale: PictureScale | null;
  /** Why the pitch cannot be used. */
  problem: Problem | null;
  pitchUm: Quantity | null;
}

const WHOLE: ModeOfBody = { id: 'whole', name: 'Whole sensor' };

function seen(row: StoredOf<'setups'>, kit: Kit): SetupSeen | null {
  const body = kit.bodies.find((each) => each.id === row.data.bodyId)?.data;
  const setup = systemInputOf(row.data, kit);
  if (!body || !setup) return null;
  const folded = foldSystem(setup);
  const lens = folded.ok ? folded.value.lens : null;
  return {
    id: row.id,
    bodyName: body.name,
    lensNames: setup.chain.map(({ part }) => part.name),
    focalMm: lens ? [lens.focalWideMm, lens.focalTeleMm] : null,
    sizes: [WHOLE, ...body.cropModes].map((mode): [number, number] => {
      const { columns, rows } = usedArea(body.sensor, mode);
      return [Math.max(columns, rows), Math.min(columns, rows)];
    }),
  };
}

/** The same, without the key that changes it. */
export type TakenAlone = Omit<TakenWith, 'choose' | 'kitLoading'>;

type TakenBy = Pick<BenchPicture, 'tags' | 'opened' | 'setupId'>;

/** The set-up EXIF and the pixels of a picture propose. */
const proposedFor = (
  { tags, opened }: Pick<TakenBy, 'tags' | 'opened'>,
  kit: Kit,
  inHandId: string | null,
): Proposed | null =>
  opened
    ? whosePicture(
        tags,
        opened,
        kit.setups.flatMap((row) => seen(row, kit) ?? []),
        inHandId,
      )
    : null;

/** What a picture was taken with: as it proposes itself, or the person chose, or what is in hand. */
function takenWith(
  { tags, opened, setupId: byPerson }: TakenBy,
  kit: Kit,
  proposed: Proposed | null,
  inHandId: string | null,
): TakenAlone {
  const setupId = byPerson ?? proposed?.id ?? inHandId;
  const setupRow = kit.setups.find((row) => row.id === setupId) ?? kit.setups[0] ?? null;
  const setup = setupRow && systemInputOf(setupRow.data, kit);
  const by = byPerson ? ('person' as const) : proposed ? ('picture' as const) : ('hand' as const);
  const alsoFits = by === 'picture' ? (proposed?.others ?? []) : [];
  const base = { kit, setupRow, setup, by, alsoFits };
  const scale =
    setup && opened ? pictureScale(setup.body.sensor, [WHOLE, ...setup.body.cropModes], setup.modeId, opened) : null;
  if (!setup || !scale?.ok)
    return { ...base, system: null, scale: null, problem: scale && !scale.ok ? scale.problem : null, pitchUm: null };
  const folded = foldSystem({ ...setup, modeId: scale.value.modeId, focalMm: focalOf(setup, tags?.focalLengthMm) });
  const { pitchUm, resized } = scale.value;
  const how =
    resized === 1
      ? `of ${setup.body.name}`
      : `of ${setup.body.name}, put right for a picture made ${formatFigures(resized, 3)} times its size`;
  return {
    ...base,
    system: folded.ok ? folded.value : null,
    scale: scale.value,
    problem: folded.ok ? null : folded.problem,
    pitchUm: pitchGiven(pitchUm, how),
  };
}

/** The set-up a picture was taken with: what EXIF and its pixels propose, or what the person chose, or what is in hand. */
export function useTakenWith({ id, tags, opened, setupId }: BenchPicture): TakenWith {
  const { kit, loading } = useKit();
  const inHandId = useChosen().setupId;
  const proposed = useMemo(() => proposedFor({ tags, opened }, kit, inHandId), [tags, opened, kit, inHandId]);
  return useMemo(
    () => ({
      ...takenWith({ tags, opened, setupId }, kit, proposed, inHandId),
      kitLoading: loading,
      choose: (next: string) => setTakenWith(id, next),
    }),
    [tags, opened, setupId, kit, loading, proposed, inHandId, id],
  );
}

/** The same of several pictures. */
export function useAllTakenWith(pictures: readonly BenchPicture[]): TakenAlone[] {
  const { kit } = useKit();
  const inHandId = useChosen().setupId;
  return useMemo(
    () => pictures.map((picture) => takenWith(picture, kit, proposedFor(picture, kit, inHandId), inHandId)),
    [pictures, kit, inHandId],
  );
}

/** The focal length EXIF tells, where the set-up is a zoom that has it. */
function focalOf(setup: LinkedInput, toldMm: number | undefined): number | undefined {
  const lens = setup.chain.map(({ part }) => part).find((part) => part.kind === 'lens');
  const within =
    toldMm !== undefined && lens?.kind === 'lens' && toldMm >= lens.focalWideMm && toldMm <= lens.focalTeleMm;
  return within ? toldMm : setup.focalMm;
}
