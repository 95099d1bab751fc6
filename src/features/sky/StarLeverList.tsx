import { memo, useMemo } from 'react';
import type { Quantity } from '@/core/quantity/quantity';
import type { StarsInput } from '@/core/sky/readStars';
import { starLevers, type StarCandidate } from '@/core/sky/starLevers';
import { formatFigures } from '@/core/quantity/format';
import type { Patch } from '@/core/levers/candidates';
import { situationOf, type Situation } from '@/data/situation';
import { useSky } from '@/data/inHand';
import { type SkyOptions } from '@/data/skyOptions';
import { useChosen } from '@/data/useChosen';
import { isFactor } from '@/core/chain/parts';
import { foldSystem } from '@/core/optics/foldSystem';
import type { StarWays } from './skyWays';
import { LeverList, type ShownLever } from '../desk/LeverList';
import { starLeverText, starMark } from './starWords';
import type { SkyDesk } from './useSkyDesk';

const ICONS = {
  focal: 'open-in-full',
  setup: 'photo-camera',
  chain: 'remove-circle-outline',
  aim: 'explore',
  centre: 'filter-center-focus',
} as const;
/** Away from the equator of the sky by this much, stars run half as fast. */
const AWAY_DEG = 60;

/** What a lever changes: what is in hand, or what is asked of the sky. */
type StarPatch = Patch | { sky: Partial<SkyOptions>; ways: Partial<StarsInput> };

/** Asking less: the centre only, or pointing away from the equator of the sky. */
function waysOf(
  { pointBy, rule, declinationDeg }: Pick<SkyOptions, 'pointBy' | 'rule' | 'declinationDeg'>,
  rollDeg: number,
): StarCandidate<StarPatch>[] {
  const away = declinationDeg < 0 ? -AWAY_DEG : AWAY_DEG;
  return [
    ...(rule === 'worst'
      ? [
          {
            id: 'centre',
            kind: 'centre' as const,
            name: 'Ask the centre only',
            ways: { rule: 'centre' as const },
            patch: { sky: { rule: 'centre' as const }, ways: { rule } },
          },
        ]
      : []),
    ...(pointBy === 'declination' && Math.abs(declinationDeg) < AWAY_DEG - 15
      ? [
          {
            id: 'aim',
            kind: 'aim' as const,
            name: `Point ${AWAY_DEG}° from the sky’s equator`,
            ways: { pointing: { declinationDeg: away, rollDeg } },
            patch: { sky: { declinationDeg: away }, ways: { pointing: { declinationDeg, rollDeg } } },
          },
        ]
      : []),
  ];
}

/** What of the kit would change the longest exposure: the wide end of a zoom, no converter, other set-ups. */
function candidatesOf(situation: Situation): StarCandidate<StarPatch>[] {
  const { setup, kit } = situation;
  const system = foldSystem(setup, situation.convention);
  const lens = system.ok ? system.value.lens : null;
  const marked = system.ok ? system.value.markedFocalMm : 0;
  const bare = setup.chain.filter(({ part }) => !isFactor(part));
  const without =
    bare.length < setup.chain.length ? { ...setup, chain: bare, measured: kit.measuredWith?.(bare) } : null;
  return [
    ...(lens && lens.focalWideMm < marked * 0.97
      ? [
          {
            id: 'wide',
            kind: 'focal' as const,
            name: `Zoom out to ${formatFigures(lens.focalWideMm, 3)}\u202fmm`,
            setup: { ...setup, focalMm: lens.focalWideMm },
            patch: { focalMm: lens.focalWideMm },
          },
        ]
      : []),
    ...(without
      ? [
          {
            id: 'bare',
            kind: 'chain' as const,
            name: 'Take the converter off',
            setup: without,
            patch: { chain: bare },
          },
        ]
      : []),
    ...kit.setups.map((other) => ({
      id: other.id,
      kind: 'setup' as const,
      name: other.name,
      setup: other.setup,
      patch: { setupId: other.id },
    })),
  ];
}

interface Props {
  desk: Extract<SkyDesk, { status: 'ready' }>;
  ways: StarWays;
  onWhy: (gain: Quantity) => void;
}

/** Levers under the stars; those being tried are reckoned against the situation without them. */
export const StarLeverList = memo(function StarLeverList({ desk, ways, onWhy }: Props) {
  const tried = useSky((state) => state.tried);
  const pointBy = useSky((state) => state.pointBy);
  const rule = useSky((state) => state.rule);
  const declinationDeg = useSky((state) => state.declinationDeg);
  const chosen = useChosen();
  const { kit } = desk;
  const levers = useMemo(() => {
    const base = situationOf(kit, chosen, 'all');
    if (typeof base === 'string') return [];
    const system = foldSystem(base.setup, base.convention);
    const before = { ...ways, ...tried?.ways };
    return system.ok
      ? starLevers(
          { system: system.value, output: base.output, ...before },
          [
            ...candidatesOf(base),
            ...waysOf(
              tried
                ? {
                    ...tried.from,
                    rule: tried.from.rule ?? rule,
                    pointBy,
                    declinationDeg: tried.from.declinationDeg ?? declinationDeg,
                  }
                : { pointBy, rule, declinationDeg },
              before.pointing.rollDeg,
            ),
          ],
          base.convention,
        )
      : [];
  }, [kit, chosen, ways, tried, pointBy, rule, declinationDeg]);
  const shown = levers.map((lever): ShownLever => {
    const { id, kind, patch } = lever;
    return {
      id,
      kind,
      gain: lever.gain,
      icon: ICONS[kind],
      text: starLeverText(lever),
      verdict: starMark(lever.verdict),
      ...('sky' in patch
        ? {
            own: {
              on: tried?.id === id,
              press: () => useSky.now().toggle(id, patch.sky, patch.ways),
              pressing: JSON.stringify(patch),
            },
          }
        : { patch }),
      ...(kind === 'focal' || kind === 'setup' || kind === 'chain' ? { trial: kind } : {}),
      testID: `star-lever-${kind}`,
    };
  });
  return (
    <LeverList
      levers={shown}
      none="Nothing in the kit allows longer here; a smaller output or a larger tolerance does."
      output={desk.situation.output.name}
      tryingElse={tried !== null}
      onAdoptElse={() => useSky.now().adopt()}
      onWhy={onWhy}
    />
  );
});
