import { ratioSpan } from '../optics/ratioSpan';
import * as fc from 'fast-check';
import type { BodySpec } from '../kit/body';
import type { LensSpec, Part } from '../chain/parts';
import { foldSystem } from '../optics/foldSystem';
import { otherRoutes, wholePlan } from './otherRoutes';
import { NEAR_ENOUGH, planRatio, type RatioKit } from './planRatio';
import { leastSwaps } from './leastSwaps';
import { rankRatioRoutes, swapsBetween, type ChainLink } from './ratioRoutes';
import { ratioRange } from './nearState';
import { subsets } from './subsets';

const body: BodySpec = {
  name: 'R45',
  flangeMm: 19,
  sensor: { widthMm: 36, heightMm: 24, columns: 8256, rows: 5504 },
  antiAliasFilter: 'none',
  cropModes: [],
};
const lens = (i: number, closest: boolean): { id: string; spec: LensSpec } => ({
  id: `l${i}`,
  spec: {
    kind: 'lens',
    name: `L${i}`,
    focalWideMm: 35 + 23 * i,
    focalTeleMm: 35 + 23 * i,
    fNumberWide: 4,
    fNumberTele: 4,
    ...(closest ? { closestFocusM: 0.28 + 0.11 * i, closestRatio: [0.15, 1, 0.5, 0.22, 0.3, 0.17][i]! } : {}),
    detailClass: 'good',
    autofocus: true,
    lengthMm: 60 + 10 * i,
  },
});
const kit: RatioKit = {
  lenses: [0, 1, 2, 3, 4, 5].map((i) => lens(i, i !== 4)),
  tubes: [{ id: 't', spec: { kind: 'tubes', name: 'T', lengthsMm: [12, 20, 36], autofocus: true } }],
  closeUps: [1.7, 3, 5].map((dioptres) => ({ id: `c${dioptres}`, spec: { kind: 'closeUp', name: 'C', dioptres } })),
  converters: [1.4, 2].map((factor) => ({
    id: `x${factor}`,
    spec: { kind: 'converter', name: 'X', factor, autofocus: true },
  })),
  flangeMm: 19,
};
kit.lenses[2]!.spec.takesConverters = false;

const powerSet = <T>(items: T[]): T[][] =>
  items.reduce<T[][]>((sets, item) => [...sets, ...sets.map((set) => [...set, item])], [[]]);
const name = (links: ChainLink[]) =>
  links
    .map((link) => (link.usedMm ? `${link.id}[${[...link.usedMm].sort((a, b) => a - b).join(',')}]` : link.id))
    .join(' ');

/** Every chain of the kit, folded one by one by the same rules the desks read. */
function bruteForce(ratio: number): string[] {
  const found: string[] = [];
  for (const { id, spec } of kit.lenses) {
    for (const front of powerSet(kit.closeUps)) {
      for (const tube of powerSet([12, 20, 36])) {
        for (const converters of spec.takesConverters === false ? [[]] : powerSet(kit.converters)) {
          const tubes: { link: ChainLink; part: Part }[] = tube.length
            ? [{ link: { id: 't', usedMm: tube }, part: { ...kit.tubes[0]!.spec, usedMm: tube } }]
            : [];
          const factors = converters.map((each) => ({ link: { id: each.id } as ChainLink, part: each.spec as Part }));
          for (const back of tubes.length && factors.length
            ? [
                [...tubes, ...factors],
                [...factors, ...tubes],
              ]
            : [[...tubes, ...factors]]) {
            const folded = foldSystem({
              body,
              modeId: 'whole',
              chain: [...front.map((each) => each.spec), spec, ...back.map((each) => each.part)],
            });
            const state = folded.ok ? folded.value.optics.state : null;
            if (!state) continue;
            const ends = [state.far.ratio, (state.near ?? state.far).ratio];
            const highest = Math.max(...ends);
            if (!(highest > 0) || highest < ratio * (1 - NEAR_ENOUGH) || Math.min(...ends) > ratio * (1 + NEAR_ENOUGH))
              continue;
            found.push(name([...front.map((each) => ({ id: each.id })), { id }, ...back.map((each) => each.link)]));
          }
        }
      }
    }
  }
  return found.sort();
}

it('finds every total of a set with the fewest pieces', () => {
  expect(subsets([12, 20, 36], 0, (a, b) => a + b).map((each) => each.total)).toEqual([0, 12, 20, 32, 36, 48, 56, 68]);
  // 12 + 8 and 20 are the same to a lens: one piece wins.
  expect(subsets([12, 8, 20], 0, (a, b) => a + b).find((each) => each.total === 20)!.indexes).toEqual([2]);
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 60 }), { maxLength: 6 }), (values) => {
      const totals = new Set(powerSet(values).map((set) => set.reduce((sum, each) => sum + each, 0)));
      expect(subsets(values, 0, (a, b) => a + b).map((each) => each.total)).toEqual([...totals].sort((a, b) => a - b));
    }),
  );
});

it.each([0.5, 2.3, 6])('is exhaustive: the same chains as trying every one of them (%s : 1)', (ratio) => {
  const plan = planRatio(kit, ratio, []);
  expect(plan.routes.map((route) => name(route.links)).sort()).toEqual(bruteForce(ratio));
  expect(plan.reaching).toBe(plan.routes.length);
  expect(plan.tried).toBeGreaterThan(plan.reaching);
});

it('tells range, focus and room as the fold does', () => {
  const plan = planRatio(kit, 1.2, []);
  for (const route of plan.routes.slice(0, 80)) {
    const chain = route.links.map((link): Part => {
      const part = [...kit.lenses, ...kit.closeUps, ...kit.converters, ...kit.tubes].find(
        (each) => each.id === link.id,
      )!.spec;
      return part.kind === 'tubes' && link.usedMm ? { ...part, usedMm: link.usedMm } : part;
    });
    const folded = foldSystem({ body, modeId: 'whole', chain });
    if (!folded.ok) throw new Error(folded.problem.message);
    const range = ratioRange(folded.value)!;
    expect(route.highest).toBeCloseTo(range.highest, 9);
    expect(route.stops).toBeLessThanOrEqual(0);
    expect(route.ratio).toBeGreaterThanOrEqual(1.2 * (1 - NEAR_ENOUGH));
    expect(route.ratio).toBeLessThanOrEqual(1.2 * (1 + NEAR_ENOUGH));
  }
});

it('keeps the best of every order where there are very many, as if all had been ranked', () => {
  const many: RatioKit = {
    ...kit,
    tubes: [...kit.tubes, { id: 'u', spec: { kind: 'tubes', name: 'U', lengthsMm: [7.5, 15.3], autofocus: true } }],
    lenses: [...kit.lenses, ...kit.lenses.map((each) => ({ ...each, id: `${each.id}b` }))],
  };
  const plan = planRatio(many, 1.5, [{ id: 'l1' }]);
  expect(plan.reaching).toBeGreaterThan(plan.routes.length);
  const best = rankRatioRoutes(plan.routes, 'swaps')[0]!;
  expect([name(best.links), best.swaps]).toEqual([expect.stringMatching(/l1/), 1]);
});

it('counts pieces handled, a lens exchanged as one', () => {
  const isLens = (id: string) => id.startsWith('l');
  expect(
    swapsBetween(
      [{ id: 'l1' }, { id: 't', usedMm: [20] }],
      [{ id: 'c5' }, { id: 'l1' }, { id: 't', usedMm: [20, 36] }],
      isLens,
    ),
  ).toBe(2);
  expect(swapsBetween([{ id: 'l1' }], [{ id: 'l2' }], isLens)).toBe(1);
  expect(swapsBetween([], [{ id: 'l2' }], isLens)).toBe(1);
  // The plan counts the same way.
  const present: ChainLink[] = [{ id: 'l1' }, { id: 't', usedMm: [20] }];
  for (const route of planRatio(kit, 1.3, present).routes)
    expect(route.swaps).toBe(swapsBetween(present, route.links, isLens));
});

it('goes through several ratios with the fewest swaps', () => {
  const isLens = (id: string) => id.startsWith('l');
  const present: ChainLink[] = [{ id: 'l1' }];
  const plans = [2, 0.5, 1].map((wanted) => ({ wanted, routes: planRatio(kit, wanted, present).routes }));
  const round = leastSwaps(plans, present, isLens)!;
  expect(round.map((stop) => stop.wanted).sort()).toEqual([0.5, 1, 2]);
  // The macro lens alone serves up to life size, so nothing is touched for the first two.
  const total = round.reduce((sum, stop) => sum + stop.swaps, 0);
  expect(total).toBeLessThanOrEqual(2);
  expect(leastSwaps([{ wanted: 90, routes: [] }], present, isLens)).toBeNull();
});

it('takes what was measured with a chain in the place of its estimate, and with its error', () => {
  const chain = [kit.lenses[1]!.spec, { ...kit.tubes[0]!.spec, usedMm: [20] }];
  const links: ChainLink[] = [{ id: 'l1' }, { id: 't', usedMm: [20] }];
  const none = { body, reversing: [], coupling: [], objectives: [], tubeLenses: [], bellows: [] };
  const reckoned = wholePlan({ kit, means: none, measured: [], present: [] }, 1.3, () => undefined);
  const measured = wholePlan(
    {
      kit,
      means: none,
      measured: [{ links, chain, measured: [{ at: 'closest', ratio: 1.42, plusMinus: 0.01 }] }],
      present: [],
    },
    1.42,
  );
  const own = measured.routes.filter((route) => name(route.links) === name(links));
  expect(own).toHaveLength(1);
  expect(own[0]).toMatchObject({ measured: true, highest: 1.42, ratio: 1.42 });
  expect(own[0]!.errorShare).toBeCloseTo(0.01 / 1.42, 9);
  expect(measured.reaching).toBe(measured.routes.length);
  expect(reckoned.routes.some((route) => route.measured)).toBe(false);
});

it('never promises more room behind close-up lenses than their power leaves, and less as the ratio grows', () => {
  for (const ratio of [0.6, 1.2, 2.4, 3]) {
    for (const route of planRatio(kit, ratio, []).routes) {
      const dioptres = route.links
        .filter((link) => link.id.startsWith('c'))
        .reduce((sum, link) => sum + Number(link.id.slice(1)), 0);
      if (route.workingMm !== undefined && dioptres > 0)
        expect(route.workingMm).toBeLessThanOrEqual(1000 / dioptres + 1e-9);
    }
  }
});

const rail = { kind: 'bellows' as const, name: 'Rail', shortestMm: 42, longestMm: 150 };

it('draws a bellows out until the ratio is reached, within what its rail has', () => {
  const none = { body, reversing: [], coupling: [], objectives: [], tubeLenses: [] };
  const at = (ratio: number) =>
    otherRoutes(kit, { ...none, bellows: [{ id: 'be', spec: rail }] }, ratio, []).map((route) => {
      const link = route.links.find(({ id }) => id === 'be')!;
      const { spec } = kit.lenses.find(({ id }) => id === route.links[0]!.id)!;
      return { route, spec, extensionMm: link.extensionMm! };
    });
  for (const ratio of [0.6, 1.3, 2.5, 4]) {
    const found = at(ratio);
    if (ratio < 4) expect(found.length).toBeGreaterThan(0);
    for (const { route, spec, extensionMm } of found) {
      expect(extensionMm).toBeGreaterThanOrEqual(rail.shortestMm);
      expect(extensionMm).toBeLessThanOrEqual(rail.longestMm);
      // The lens at infinity draws e/f; its own focus does the rest.
      expect(route.lowest).toBeCloseTo(extensionMm / spec.focalTeleMm, 6);
      expect(route.lowest).toBeLessThanOrEqual(ratio * (1 + NEAR_ENOUGH));
      expect(route.highest).toBeGreaterThanOrEqual(ratio * (1 - NEAR_ENOUGH));
    }
  }
  expect(at(0.02)).toEqual([]);
  expect(at(60)).toEqual([]);
});

it('tells the ratios of all settings of a bellows', () => {
  const { spec } = kit.lenses[1]!;
  const folded = foldSystem({ body, modeId: 'whole', chain: [spec, { ...rail, extensionMm: 42 }] });
  if (!folded.ok) throw new Error(folded.problem.message);
  const out = foldSystem({ body, modeId: 'whole', chain: [spec, { ...rail, extensionMm: 150 }] });
  if (!out.ok) throw new Error(out.problem.message);
  const span = ratioSpan(folded.value)!;
  expect(span.lowest.value).toBeCloseTo(42 / spec.focalTeleMm, 9);
  expect(span.highest.value).toBe(out.value.ratioAtClosest!.value);
  expect(span.highest.value).toBeGreaterThan(folded.value.ratioAtClosest!.value);
  const prime = foldSystem({ body, modeId: 'whole', chain: [spec] });
  expect(prime.ok && ratioSpan(prime.value)).toBeNull();
});

it('knows the other ways: turned round, coupled, objectives', () => {
  const means = {
    body,
    reversing: [{ id: 'r', spec: { kind: 'reversing' as const, name: 'R', lengthMm: 4 } }],
    coupling: [{ id: 'k', spec: { kind: 'coupling' as const, name: 'K' } }],
    objectives: [
      {
        id: 'o',
        spec: {
          kind: 'objective' as const,
          name: 'O',
          magnification: 4,
          numericalAperture: 0.1,
          correction: 'infinity' as const,
          workingDistanceMm: 30,
        },
      },
    ],
    bellows: [{ id: 'be', spec: rail }],
    tubeLenses: [{ id: 'tl', spec: { kind: 'tubeLens' as const, name: 'TL', focalMm: 200 } }],
  };
  const routes = otherRoutes(kit, means, 4, []);
  const names = routes.map((route) => name(route.links));
  expect(names).toContain('o tl');
  // 150 mm behind 35 mm draw 4.3 at infinity and less as the lens shortens; 127 mm without closest focus stay at 3.6.
  expect(names).toContain('l0 k l5');
  expect(names).not.toContain('l0 k l4');
  for (const route of routes) expect(route.lowest).toBeLessThanOrEqual(4 * (1 + NEAR_ENOUGH));
  expect(
    otherRoutes(kit, { ...means, reversing: [], coupling: [], objectives: [], tubeLenses: [], bellows: [] }, 4, []),
  ).toEqual([]);
});

it('ranks what leaves no room in front of the lens last, whatever one cares for', () => {
  const plan = planRatio(
    {
      ...kit,
      lenses: [
        ...kit.lenses,
        {
          id: 'wide',
          spec: {
            ...lens(0, true).spec,
            name: 'Wide',
            focalWideMm: 20,
            focalTeleMm: 20,
            closestFocusM: 0.19,
            closestRatio: 0.18,
            lengthMm: 90,
          },
        },
      ],
    },
    2,
    [],
  );
  for (const order of ['swaps', 'workingDistance', 'light', 'error'] as const) {
    const room = rankRatioRoutes(plan.routes, order).map(
      (route) => !(route.workingMm !== undefined && route.workingMm <= 0),
    );
    expect(room).toContain(false);
    expect(room.lastIndexOf(true)).toBeLessThan(room.indexOf(false));
  }
});
