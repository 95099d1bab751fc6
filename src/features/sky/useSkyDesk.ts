import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { fail, ok, type Problem } from '@/core/quantity/result';
import type { Kit, Situation } from '@/data/situation';
import { useDesk, type DeskWaiting, type Read } from '../desk/useDesk';

export type SkyDesk = DeskWaiting | { status: 'problem'; problem: Problem; situation: Situation } | ReadySky;

/** A set-up that reaches the stars, as it is in hand; `base` is it without the levers being tried. */
export interface ReadySky {
  status: 'ready';
  situation: Situation;
  system: EffectiveSystem;
  base: { situation: Situation; system: EffectiveSystem };
  kit: Kit;
}

/** Under the sky a set-up is read as it is; only one that does not reach the stars is none. */
const read: Read<EffectiveSystem> = (_, system) =>
  system.optics.state.far.ratio > 0
    ? fail(
        'sky.focus',
        'With what is in this chain it does not focus on the stars. Take the tubes or close-up lens off, or choose another set-up.',
      )
    : ok(system);

/** The set-up in hand as every Sky desk reads it. Under the sky the subject is chosen there, not on the slate. */
export function useSkyDesk(): SkyDesk {
  const desk = useDesk(read);
  if (desk.status !== 'ready') return desk;
  const { situation, reading, problem } = desk.now;
  if (!reading) return { status: 'problem', problem: problem!, situation };
  const { before, kit } = desk;
  const now = { situation, system: reading };
  return {
    status: 'ready',
    ...now,
    base: before?.reading ? { situation: before.situation, system: before.reading } : now,
    kit,
  };
}
