import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { readFar } from '../far/readFar';
import { readNear } from '../near/readNear';
import type { Result } from '../quantity/result';
import { assembled } from './assemble';
import { packBag, stayHome, stepsOf } from './packBag';
import { piecesOf, type Kit } from './pieces';
import { fold, serve, type SubjectWant } from './serve';

function ok<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.problem.message);
  return result.value;
}

const part = ({ id, data }: { id: string; data: Kit['parts'][number]['part'] }) => ({ id, part: data });
const body = ({ id, data }: { id: string; data: Kit['bodies'][number]['body'] }) => ({ id, body: data });

const kit: Kit = {
  bodies: [body(demoBodies.ostrel), body(demoBodies.quillon)],
  parts: [
    part(demoOptics.tele600),
    part(demoOptics.zoom150600),
    part(demoOptics.macro100),
    part(demoAdapters.converter14),
    part(demoAdapters.tubes),
  ],
};
const web = demoOutputs.web.data;
const wants: SubjectWant[] = [
  { id: 'curlew', subject: demoSubjects.curlew.data, output: web, distanceM: 60 },
  { id: 'curlew, farther', subject: demoSubjects.curlew.data, output: web, distanceM: 85 },
  { id: 'beetle', subject: demoSubjects.tigerBeetle.data, output: demoOutputs.print.data },
];

/** The part of the kit that is carried. */
const carrying = (ids: ReadonlySet<string>): Kit => ({
  bodies: kit.bodies.filter(({ id }) => ids.has(id)),
  parts: kit.parts.filter(({ id }) => ids.has(id)),
});

/** Which wants a bag reaches, by reading every set-up that can be put together from it alone. */
const reachedBy = (bag: Kit): string[] => {
  const setups = [...assembled(bag)];
  return wants
    .filter((want) =>
      setups.some((setup) => {
        const system = fold(setup, {});
        const served = system && serve(setup, system, want);
        return served !== null && served.counted >= served.needed;
      }),
    )
    .map(({ id }) => id);
};

describe('a bag', () => {
  const packed = packBag(kit, wants);

  it('is as light as the lightest of all bags that reach as much', () => {
    const pieces = piecesOf(kit);
    const lightest = new Map<number, number>();
    for (let bits = 0; bits < 2 ** pieces.length; bits += 1) {
      const own = pieces.filter((_, at) => bits & (1 << at));
      const reached = reachedBy(carrying(new Set(own.map(({ id }) => id)))).length;
      const weight = own.reduce((sum, { weightG }) => sum + weightG!, 0);
      for (let k = 1; k <= reached; k += 1) lightest.set(k, Math.min(lightest.get(k) ?? Infinity, weight));
    }
    expect(lightest.size).toBe(3);
    for (const [reach, weight] of lightest)
      expect(packed.ladder.find((bag) => bag.reached.length >= reach)?.weightG?.value).toBe(weight);
  });

  it('reaches what it says with what is in it, and tells each want once', () => {
    for (const bag of packed.ladder) {
      const ids = new Set(bag.pieces.map(({ id }) => id));
      expect(bag.reached.map(({ want }) => want.id)).toEqual(reachedBy(carrying(ids)));
      expect([...bag.reached.map(({ want }) => want.id), ...bag.missed.map(({ id }) => id)].sort()).toEqual(
        wants.map(({ id }) => id).sort(),
      );
      for (const { by } of bag.reached) expect(by.setup.ids.every((id) => ids.has(id))).toBe(true);
    }
  });

  it('takes the horizon away from a lens only for what it does not focus on alone', () => {
    const tubes = new Set([demoOptics.tele600.id, demoAdapters.tubes.id, demoBodies.ostrel.id]);
    const bag = carrying(tubes);
    const served = (distanceM: number) =>
      [...assembled(bag)].filter((setup) => {
        const system = fold(setup, {})!;
        return (
          setup.chain.length > 1 &&
          serve(setup, system, { ...wants[0]!, subject: demoSubjects.stonechat.data, distanceM })
        );
      });
    expect(served(10)).toEqual([]);
    expect(served(3.5).length).toBeGreaterThan(0);
  });

  it('counts as the desks count', () => {
    for (const { want: reached, by } of packed.ladder.at(-1)!.reached) {
      const want = wants.find(({ id }) => id === reached.id)!;
      const system = fold(by.setup, {}, by.focalMm)!;
      const reading =
        want.distanceM === undefined
          ? ok(readNear({ system, subject: want.subject, output: want.output, ratio: by.ratio }))
          : ok(readFar({ system, subject: want.subject, output: want.output, distanceM: want.distanceM }));
      expect(reading.countedPixels.value).toBeCloseTo(by.counted, 6);
      expect(reading.neededPixels.value).toBeCloseTo(by.needed, 6);
      expect(reading.verdict).not.toBe('notEnough');
      expect(reading.overflow).toBeUndefined();
    }
  });

  it('says step by step what more weight buys', () => {
    const steps = stepsOf(packed.ladder);
    expect(steps.reduce((sum, { moreG }) => sum + moreG, 0)).toBe(packed.ladder.at(-1)!.weightG!.value);
    steps.forEach((step, i) => {
      expect(step.moreG).toBeGreaterThan(0);
      expect(step.gains.length).toBeGreaterThan(step.loses.length);
      const before = packed.ladder[i - 1]?.pieces ?? [];
      const now = before.filter(({ id }) => !step.leaves.some((each) => each.id === id)).concat(step.adds);
      expect(now.map(({ id }) => id).sort()).toEqual(packed.ladder[i]!.pieces.map(({ id }) => id).sort());
    });
  });

  it('leaves at home what it does without, and nothing it needs', () => {
    const all = new Set(piecesOf(kit).map(({ id }) => id));
    const home = new Set(stayHome(kit, all, wants).map(({ id }) => id));
    expect(home.size).toBeGreaterThan(0);
    const rest = new Set([...all].filter((id) => !home.has(id)));
    expect(reachedBy(carrying(rest))).toEqual(reachedBy(kit));
    for (const id of rest) {
      const less = new Set([...rest].filter((each) => each !== id));
      expect(reachedBy(carrying(less)).length).toBeLessThan(reachedBy(kit).length);
    }
  });

  it('says that it weighs at least so much where something was never weighed', () => {
    const unweighed: Kit = {
      ...kit,
      bodies: kit.bodies.map(({ id, body: each }) => ({ id, body: { ...each, weightG: undefined } })),
    };
    expect(packBag(unweighed, wants).ladder.at(-1)?.weightG?.note).toBe('atLeast');
    expect(packed.ladder.at(-1)?.weightG?.note).toBeUndefined();
  });

  it('names what no set-up reaches, with the most there is', () => {
    const far: SubjectWant = { ...wants[0]!, id: 'too far', distanceM: 900 };
    const { outOfReach, ladder } = packBag(kit, [far]);
    expect(ladder).toEqual([]);
    expect(outOfReach.map(({ want }) => want.id)).toEqual(['too far']);
    const { counted, needed } = outOfReach[0]!.best!;
    expect(counted).toBeGreaterThan(0);
    expect(counted).toBeLessThan(needed);
  });
});

describe('a set-up', () => {
  const [zoomed] = [...assembled({ bodies: [kit.bodies[1]!], parts: [part(demoOptics.zoom150600)] })];

  it('is zoomed out for a subject that would not fit, and no farther than it must', () => {
    const system = fold(zoomed!, {})!;
    const want: SubjectWant = { id: 'deer', subject: demoSubjects.roe.data, output: web, distanceM: 12 };
    const longest = ok(readFar({ system, subject: want.subject, output: web, distanceM: 12 }));
    expect(longest.overflow).toBeDefined();
    const served = serve(zoomed!, system, want)!;
    expect(served.focalMm).toBeLessThan(600);
    const shown = ok(readFar({ ...want, system: fold(zoomed!, {}, served.focalMm)!, distanceM: 12 }));
    expect(shown.overflow).toBeUndefined();
    expect(shown.shareOfFrame.value).toBeCloseTo(98, 0);
  });

  it('puts four pieces to a lens, and no filter', () => {
    const { tele600, macro100 } = demoOptics;
    const { converter14, converter20, tubes, closeUp, solarFoil } = demoAdapters;
    const more = [tele600, macro100, converter14, converter20, tubes, closeUp, solarFoil];
    const all = [...assembled({ bodies: [body(demoBodies.ostrel)], parts: more.map(part) })];
    const longest = all.find(({ chain }) => chain.length === 5)!;
    expect(new Set(longest.ids).size).toBe(6);
    expect(all.some(({ ids }) => ids.includes(solarFoil.id))).toBe(false);
  });

  it('gives nothing where it does not focus, or where the subject fits at no focal length', () => {
    const system = fold(zoomed!, {})!;
    const tame = { ...demoSubjects.roe.data, keepDistanceM: undefined };
    expect(serve(zoomed!, system, { ...wants[0]!, subject: tame, distanceM: 0.3 })).toBeNull();
    expect(serve(zoomed!, system, { id: 'deer', subject: tame, output: web, distanceM: 3 })).toBeNull();
  });
});

it('set-ups are put together once each, on bodies they fit', () => {
  const all = [...assembled(kit)];
  const names = all.map(
    ({ body: { id }, chain }) => id + JSON.stringify(chain.map(({ id: link, used }) => [link, used])),
  );
  expect(new Set(names).size).toBe(names.length);
  for (const bodyPiece of kit.bodies) expect(all.some((each) => each.body.id === bodyPiece.id)).toBe(true);
  expect(all.some(({ chain }) => chain.length === 3)).toBe(true);
});
