import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { kindOf } from '../chain/kinds';
import { misfits } from '../chain/mountPath';
import { partsOf, type Link } from '../chain/link';
import { ratioRange } from '../near/nearState';
import { readNear } from '../near/readNear';
import { assembled, visitSetups } from './assemble';
import { meaningPacked } from './meant';
import { lightestBags } from './lightest';
import { piecesOf, type Assembled, type Kit } from './pieces';
import { isEnough, readKit, spareOf } from './readKit';
import { fold, isHopeless, serve, type Served, type Want } from './serve';

const part = ({ id, data }: { id: string; data: Link['part'] }): Link => ({ id, part: data });
const body = ({ id, data }: { id: string; data: Kit['bodies'][number]['body'] }) => ({ id, body: data });
const { ostrel, pocket } = demoBodies;
const { macro100, mirror500, tele600, wide20, scope } = demoOptics;
const { converter14, converter20, tubes, closeUp, slrAdapter, bellows, reversing, coupling, afocal } = demoAdapters;
const output = demoOutputs.web.data;
const beetle: Want = { id: 'beetle', subject: demoSubjects.tigerBeetle.data, output };
const curlew: Want = { id: 'curlew', subject: demoSubjects.curlew.data, output, distanceM: 60 };
const stonechat: Want = { id: 'stonechat', subject: demoSubjects.stonechat.data, output, distanceM: 3 };
const impossible: Want = { id: 'curlew, far', subject: demoSubjects.curlew.data, output, distanceM: 2000 };
const sky: Want = { id: 'sky', name: 'Summer', output, declinationDeg: 40, fieldDeg: 50 };

const named = ({ chain }: { chain: readonly Link[] }) =>
  chain.map(({ id, used }) => id + (used ? JSON.stringify(used) : ''));
const together = (kit: Kit) => assembled(kit).map((built) => named(built).join(' '));

/** Pixels that count as large as a set-up draws at a focal length. */
function readOf(setup: Assembled, want: Want, focalMm: number): number {
  if (!('subject' in want)) throw new Error('a subject is read close up');
  const system = fold(setup, {}, focalMm)!;
  const read = readNear({ system, subject: want.subject, output: want.output, ratio: ratioRange(system)!.highest });
  if (!read.ok) throw new Error(read.problem.message);
  return read.value.countedPixels.value;
}

/** Every order of every choice of some things. */
function orders<T>(things: readonly T[]): T[][] {
  return [
    [],
    ...things.flatMap((first, at) => orders(things.filter((_, other) => other !== at)).map((rest) => [first, ...rest])),
  ].filter(
    (each, at, all) =>
      all.findIndex((other) => other.length === each.length && other.every((x, i) => x === each[i])) === at,
  );
}

const subsets = (things: readonly number[]): number[][] =>
  things.reduce<number[][]>((all, each) => [...all, ...all.map((some) => [...some, each])], [[]]);

describe('what a kit can be put together to', () => {
  it('is all that a person could screw together, in any order: nothing gives more with the same pieces', () => {
    const bodyPiece = body(ostrel);
    const backs = [part(slrAdapter), part(converter14), part(converter20)];
    const kit: Kit = {
      bodies: [bodyPiece],
      parts: [part(mirror500), part(tele600), ...backs, part(tubes), part(closeUp)],
    };
    const most = (all: (Served | null)[]) => {
      const bySet = new Map<string, number>();
      for (const served of all) {
        if (!served) continue;
        const key = [...served.setup.ids].sort().join();
        bySet.set(key, Math.max(bySet.get(key) ?? 0, spareOf(served)));
      }
      return bySet;
    };
    const tubeSets = subsets([12, 20, 36]).filter((set) => set.length > 0);
    const byHand = [mirror500, tele600].flatMap((optic) =>
      [[], [part(closeUp)]].flatMap((front) =>
        [[], ...tubeSets.map((tubesMm) => [{ ...part(tubes), used: { tubesMm } }])].flatMap((tube) =>
          orders([...backs, ...tube])
            .filter((back) => tube.length === 0 || back.includes(tube[0]!))
            .map((back): Link[] => [...front, part(optic), ...back])
            .filter((chain) => misfits(ostrel.data, partsOf(chain)).length === 0)
            // A converter that would touch the lens does not go in behind it.
            .filter((chain) => chain.every((link) => kindOf(link.part).goesWith?.(link.part, optic.data) ?? true)),
        ),
      ),
    );
    let compared = 0;
    for (const want of [beetle, stonechat]) {
      const read = (chain: Link[]): Served | null => {
        const setup = { body: bodyPiece, chain, ids: [bodyPiece.id, ...chain.map(({ id }) => id)] };
        const system = fold(setup, {});
        return system && serve(setup, system, want);
      };
      const own = most(assembled(kit).map(({ chain }) => read(chain)));
      const tried = most(byHand.map(read));
      compared += tried.size;
      for (const [key, spare] of tried) expect(own.get(key) ?? 0).toBeGreaterThanOrEqual(spare * (1 - 1e-9));
    }
    expect(compared).toBeGreaterThan(10);
  });

  it('has a lens on another mount behind its adapter only, and what goes on behind that', () => {
    const found = together({ bodies: [body(ostrel)], parts: [mirror500, slrAdapter, tubes].map(part) });
    const own = `${mirror500.id} ${slrAdapter.id}`;
    expect(found.every((each) => each.startsWith(own))).toBe(true);
    expect(found).toContain(own);
    expect(found).toContain(`${own} ${tubes.id}{"tubesMm":[12,20,36]}`);
    expect(found).toHaveLength(8);
    expect(together({ bodies: [body(ostrel)], parts: [mirror500, tubes].map(part) })).toEqual([]);
  });

  it('has lenses turned round, coupled and on bellows, each decided before what is put behind', () => {
    const parts = [macro100, wide20, reversing, coupling, bellows, closeUp].map(part);
    const found = together({ bodies: [body(ostrel)], parts });
    expect(found).toContain(`${wide20.id} ${reversing.id}`);
    expect(found).toContain(`${wide20.id} ${coupling.id} ${macro100.id}`);
    expect(found).toContain(`${macro100.id} ${coupling.id} ${wide20.id}`);
    expect(found.some((each) => each.startsWith(`${wide20.id} ${reversing.id} ${bellows.id}{"extensionMm":`))).toBe(
      true,
    );
    // Nothing goes onto a thread that is taken, or on the wrong side.
    for (const each of found.filter((name) => name.includes(closeUp.id)))
      expect(each.includes(reversing.id) || each.includes(coupling.id)).toBe(false);
    const drawn = found.filter((each) => each.startsWith(`${macro100.id} ${bellows.id}`));
    expect(new Set(drawn).size).toBe(1);
  });

  it('draws a bellows in until the subject fits, and no farther', () => {
    const kit: Kit = { bodies: [body(ostrel)], parts: [part(wide20), part(reversing), part(bellows)] };
    const built = assembled(kit).find(({ chain }) => chain.length === 3)!;
    const system = fold(built, {})!;
    const large: Want = { id: 'mite', subject: { ...demoSubjects.tigerBeetle.data, sizeMm: 4 }, output };
    const served = serve(built, system, large)!;
    const extensionMm = served.setup.chain.find(({ id }) => id === bellows.id)!.used!.extensionMm!;
    expect(extensionMm).toBeLessThan(150);
    expect(extensionMm).toBeGreaterThan(42);
    // It fills the frame as far as a subject may, by its size and the ratio alone.
    const { heightMm, widthMm } = system.used;
    const fills = [heightMm, widthMm].map((sideMm) => (4 * served.ratio!) / sideMm);
    expect(Math.min(...fills.map((each) => Math.abs(each - 0.98)))).toBeLessThan(0.01);
    const tiny: Want = { ...large, subject: { ...large.subject, sizeMm: 0.5 } };
    const drawnOut = serve(built, system, tiny)!;
    expect(drawnOut.setup.chain.find(({ id }) => id === bellows.id)!.used!.extensionMm).toBe(150);
    const huge: Want = { ...large, subject: { ...large.subject, sizeMm: 200 } };
    expect(serve(built, system, huge)).toBeNull();
  });

  it('sets a zoom shorter close up where it draws larger so', () => {
    const quillon = body(demoBodies.quillon);
    const zoom = part(demoOptics.zoom70300);
    const ownTubes: Link = { id: 'q-tubes', part: { ...demoAdapters.tubes.data, mount: 'Quillon Q' } as Link['part'] };
    const chain = [zoom, { ...ownTubes, used: { tubesMm: [12, 20, 36] } }];
    const setup = { body: quillon, chain, ids: [quillon.id, zoom.id, ownTubes.id] };
    const small: Want = {
      ...beetle,
      output: demoOutputs.print.data,
      subject: { ...demoSubjects.tigerBeetle.data, sizeMm: 4 },
    };
    const served = serve(setup, fold(setup, {})!, small)!;
    const at = (focalMm: number) => readOf(setup, small, focalMm);
    expect(served.focalMm).toBe(70);
    expect(served.counted).toBeGreaterThan(at(300));
    expect(served.counted).toBeCloseTo(at(70), 6);
  });

  it('keeps a camera behind an eyepiece with what holds it, at both ends of the eyepiece', () => {
    const held = { bodies: [body(pocket)], parts: [scope, demoOptics.pocketLens, afocal].map(part) };
    const scopes = assembled(held).filter(({ ids }) => ids.includes(scope.id));
    expect(scopes).toHaveLength(2);
    expect(scopes.every(({ ids }) => ids.includes(afocal.id))).toBe(true);
    // By hand, where there is nothing to hold it.
    const byHand = assembled({ ...held, parts: held.parts.filter(({ id }) => id !== afocal.id) });
    expect(byHand.filter(({ ids }) => ids.includes(scope.id))).toHaveLength(2);
  });

  it('leaves out what is seldom meant where the kit says so, and takes it where it is packed', () => {
    const parts = [wide20, macro100, reversing, coupling, scope, afocal, demoOptics.objective4, tubes].map(part);
    const kit: Kit = { bodies: [body(ostrel)], parts };
    const everyday = together({ ...kit, seldom: [] });
    expect(everyday).toContain(`${macro100.id} ${tubes.id}{"tubesMm":[12]}`);
    for (const { id } of [reversing, coupling, scope]) {
      expect(everyday.some((each) => each.includes(id))).toBe(false);
      expect(together(meaningPacked(kit, new Set([id]))).some((each) => each.includes(id))).toBe(true);
    }
    // An objective draws by itself, too; before a lens it is there only where it was packed for it.
    const before = (each: string) => each.startsWith(demoOptics.objective4.id) && each.includes(macro100.id);
    expect(everyday.some(before)).toBe(false);
    expect(together(kit).some(before)).toBe(true);
    // With a phone along, the scope is for the phone.
    const phoneToo = { ...kit, parts: [...parts, part(demoOptics.pocketLens)] };
    const packed = meaningPacked(phoneToo, new Set([scope.id, demoOptics.pocketLens.id]));
    expect(together(packed).some((each) => each.includes(scope.id))).toBe(false);
  });

  it('says which share has been visited, to the end', () => {
    const told: number[] = [];
    const kit = { bodies: [body(ostrel)], parts: [tele600, tubes, converter14, converter20, closeUp].map(part) };
    visitSetups(
      kit,
      () => true,
      (share) => told.push(share),
    );
    expect(told.length).toBeGreaterThan(2);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
    expect(told.at(-1)).toBe(1);
  });
});

describe('reading no more than is needed', () => {
  const parts = [macro100, tele600, mirror500, slrAdapter, wide20, converter14, converter20, tubes, closeUp].map(part);
  const kit: Kit = { bodies: [body(ostrel)], parts };
  const wants = [beetle, curlew, stonechat, impossible, sky];

  it('finds the same bags as reading everything, and the same most of what is out of reach', () => {
    const all = assembled(kit);
    const few = readKit(kit, wants);
    expect(few.tried).toBeLessThan(all.length);
    const everything = wants.map((want) =>
      all.flatMap((setup) => {
        const system = fold(setup, {});
        return (system && serve(setup, system, want)) ?? [];
      }),
    );
    const pieces = piecesOf(kit);
    const bags = (read: Served[][]) =>
      lightestBags(
        read.map((each) =>
          each
            .filter(isEnough)
            .map(({ setup }) =>
              setup.ids.reduce((bits, id) => bits | (1n << BigInt(pieces.findIndex((p) => p.id === id))), 0n),
            ),
        ),
        pieces.map(({ weightG }) => weightG ?? 0),
      );
    expect(bags(few.read)).toEqual(bags(everything));
    const out = wants.indexOf(impossible);
    expect(few.best[out] ? spareOf(few.best[out]) : 0).toBe(Math.max(0, ...everything[out]!.map(spareOf)));
    // What is out of reach for a chain is so for every longer one of the same pieces and more.
    for (const want of wants) {
      const hopeless = all.filter((setup) => isHopeless(fold(setup, {})!, want));
      const serving = new Set(everything[wants.indexOf(want)]!.map(({ setup }) => setup));
      for (const { ids, chain } of hopeless)
        for (const { ids: more, chain: longer } of [...serving])
          expect(ids.every((id) => more.includes(id)) && chain.every((link) => longer.includes(link))).toBe(false);
    }
  });

  it('reads all that is in the bag, though fewer pieces would be enough', () => {
    const carried = new Set([ostrel.id, tele600.id, converter14.id]);
    const near: Want = { ...curlew, id: 'near', distanceM: 30 };
    const chains = (how: { carried?: Set<string> }) =>
      readKit(kit, [near], {}, how)
        .read[0]!.filter(({ setup }) => setup.ids.includes(tele600.id))
        .map(({ setup }) => named(setup).length);
    expect(chains({})).toEqual([1]);
    expect(chains({ carried })).toEqual([1, 2]);
  });
});
