import { useMemo } from 'react';
import { zoomedName } from '@/core/kit/zoomedName';
import { setupLetters } from '@/core/levers/setupLetters';
import { isCarried } from '@/core/levers/carrying';
import type { Contender } from '@/core/far/sideBySide';
import { useChosen } from '@/data/useChosen';
import { useFarOptions } from '@/data/farOptions';
import { situationOf, systemInputOf, type Kit, type Situation } from '@/data/situation';
import { useKit } from '@/data/useKit';

export interface Contest {
  kit: Kit;
  loading: boolean;
  /** What is in hand; null when there is nothing to read yet. */
  situation: Situation | null;
  contenders: Contender[];
  /** All set-ups one can choose from, with whether each is in. */
  offered: { id: string; name: string; on: boolean; first: boolean }[];
  toggle: (id: string) => void;
  /** The letter a set-up has here and everywhere. */
  letterOf: (id: string) => string;
}

const MOST = 4;

/** The set-ups laid beside each other: the one in hand as it is in hand, then those ticked, or the next of the kit. */
export function useContenders(): Contest {
  const { kit, loading } = useKit();
  const chosen = useChosen();
  const { compareIds, set } = useFarOptions();
  return useMemo(() => {
    const found = situationOf(kit, chosen);
    const situation = typeof found === 'string' ? null : found;
    const carried = (row: Kit['setups'][number]) => {
      const setup = systemInputOf(row.data, kit);
      return setup !== null && isCarried(chosen.carried ?? { kind: 'all' }, setup);
    };
    const others = kit.setups.filter(
      (row) => row.id !== situation?.setupRow.id && !row.data.retired && (compareIds.includes(row.id) || carried(row)),
    );
    const ticked = compareIds.filter((id) => others.some((row) => row.id === id));
    const shown = (ticked.length ? ticked : others.slice(0, 2).map((row) => row.id)).slice(0, MOST - 1);
    const contenders: Contender[] = situation
      ? [
          {
            id: situation.setupRow.id,
            name: zoomedName(situation.setupRow.data.name, situation.setup),
            setup: situation.setup,
          },
        ]
      : [];
    for (const id of shown) {
      const row = others.find((each) => each.id === id);
      const setup = row && systemInputOf(row.data, kit);
      if (row && setup) contenders.push({ id, name: zoomedName(row.data.name, setup), setup });
    }
    return {
      kit,
      loading,
      situation,
      letterOf: setupLetters(kit.setups),
      contenders,
      offered: [
        ...(situation
          ? [{ id: situation.setupRow.id, name: situation.setupRow.data.name, on: true, first: true }]
          : []),
        ...others.map((row) => ({ id: row.id, name: row.data.name, on: shown.includes(row.id), first: false })),
      ],
      toggle: (id: string) =>
        set({
          compareIds: shown.includes(id) ? shown.filter((each) => each !== id) : [...shown, id].slice(-(MOST - 1)),
        }),
    };
  }, [kit, loading, chosen, compareIds, set]);
}
