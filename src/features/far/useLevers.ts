import { createContext, createElement, useContext, useMemo, type ReactNode } from 'react';
import { farLevers, type Lever, type LeverKind } from '@/core/far/levers';
import { setupLetters } from '@/core/levers/setupLetters';
import { situationOf, type Chosen, type Kit, type Situation } from '@/data/situation';
import type { UnitSystem } from '@/core/quantity/units';
import { usePreferences } from '@/data/preferences';
import { leversApart } from '@/data/leversApart';
import { useKit } from '@/data/useKit';
import { useCalmed } from '@/data/useCalmed';
import { useChosen } from '@/data/useChosen';
import { deskState } from './useFarDesk';

/** Another set-up on the same scale. */
export interface Rival {
  letter: string;
  name: string;
  counted: number;
}

/** Letters the scale has room for. */
export const MOST_RIVALS = 6;

const ORDER: LeverKind[] = ['distance', 'focal', 'chain', 'mode', 'setup'];

/** Levers of the present situation; those being tried are reckoned against the situation without them. */
const leversOf = (kit: Kit, chosen: Chosen, units: UnitSystem): Lever[] =>
  leversApart(kit, chosen, ORDER, (situation) => farLevers({ ...situation, units }));

/** Levers with the other set-ups they bring onto the scale. */
export interface Levers {
  levers: Lever[];
  rivals: Rival[];
  /** What they were reckoned for. */
  situation: Situation | null;
  /** True until they were reckoned for the first time. */
  pending: boolean;
}

const PENDING: Levers = { levers: [], rivals: [], situation: null, pending: true };

function reckon(kit: Kit, chosen: Chosen, units: UnitSystem): Levers {
  const levers = leversOf(kit, chosen, units);
  const { setup: _, ...trials } = chosen.trials;
  const situation = situationOf(kit, { ...chosen, trials });
  const counted = typeof situation === 'string' ? 0 : (deskState(situation).reading?.countedPixels.value ?? 0);
  const letterOf = setupLetters(kit.setups);
  const rivals = levers
    .filter((lever) => lever.kind === 'setup' && lever.comparable && lever.verdictAfter !== 'doesNotFit')
    .slice(0, MOST_RIVALS)
    .map((lever) => ({
      letter: letterOf(lever.patch.setupId ?? ''),
      name: lever.name,
      counted: counted * (chosen.judgeBy === 'resolved' ? lever.resolvedRatio : lever.pixelsRatio),
    }));
  const now = situationOf(kit, chosen);
  return { levers, rivals, situation: typeof now === 'string' ? null : now, pending: false };
}

/** Often enough to be seen moving, seldom enough to leave the frames of a drag to the reading. */
const EVERY_MS = 140;

/** Only a pull at the rule may wait: whatever is tapped is answered at once. */
function isTap(from: Chosen, to: Chosen): boolean {
  const { distanceM: _d, focalMm: _f, ...before } = from;
  const { distanceM: _e, focalMm: _g, ...after } = to;
  return (Object.keys(before) as (keyof typeof before)[]).some((key) => before[key] !== after[key]);
}

const LeversContext = createContext<Levers>(PENDING);

/**
 * Reckons the levers once for everything below: the list and the letters on the scale. They follow a drag a few times a
 * second, and come after the first reading; the reading itself waits for nothing.
 */
export function LeversHost({ children }: { children: ReactNode }) {
  const { kit } = useKit();
  const chosen = useCalmed<Chosen>(useChosen(), EVERY_MS, isTap);
  const units = usePreferences((state) => state.units);
  const levers = useMemo(() => (chosen ? reckon(kit, chosen, units) : PENDING), [kit, chosen, units]);
  return createElement(LeversContext.Provider, { value: levers }, children);
}

/** The levers of what is in hand. Only the component that calls this is drawn again when they come. */
export const useLevers = (): Levers => useContext(LeversContext);
