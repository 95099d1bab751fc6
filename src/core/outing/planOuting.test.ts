import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { chainName, piecesOf, type Kit } from '../bag/pieces';
import { isEnough, readKit } from '../bag/readKit';
import type { SkyWant } from '../bag/serveSky';
import type { SubjectWant, Want } from '../bag/serve';
import { planOuting } from './planOuting';

const part = ({ id, data }: { id: string; data: Kit['parts'][number]['part'] }) => ({ id, part: data });
const body = ({ id, data }: { id: string; data: Kit['bodies'][number]['body'] }) => ({ id, body: data });
const kit: Kit = {
  bodies: [body(demoBodies.ostrel), body(demoBodies.quillon)],
  parts: [
    part(demoOptics.tele600),
    part(demoOptics.zoom70300),
    part(demoOptics.macro100),
    part(demoOptics.wide20),
    part(demoAdapters.converter14),
    part(demoAdapters.tubes),
  ],
};
const web = demoOutputs.web.data;
const curlew: SubjectWant = { id: 'curlew', subject: demoSubjects.curlew.data, output: web, distanceM: 60 };
const beetle: SubjectWant = { id: 'beetle', subject: demoSubjects.tigerBeetle.data, output: demoOutputs.print.data };
const sky: SkyWant = { id: 'sky', name: 'Winter triangle', output: web, declinationDeg: 2, fieldDeg: 60 };
const wants: Want[] = [curlew, beetle, sky];
const ids = (...rows: { id: string }[]) => new Set(rows.map(({ id }) => id));
const { ostrel } = demoBodies;
const { tele600, macro100, wide20 } = demoOptics;
const { converter14 } = demoAdapters;

describe('the plan of an outing', () => {
  it('takes what is in the bag, and nothing else', () => {
    const carried = ids(ostrel, tele600, macro100, wide20, converter14);
    const { pictures } = planOuting({ kit, carried, wants });
    expect(pictures.map(({ enough }) => enough)).toEqual([true, true, true]);
    for (const { served, others, adds } of pictures) {
      for (const each of [served!, ...others]) expect(each.setup.ids.every((id) => carried.has(id))).toBe(true);
      expect(adds).toEqual([]);
    }
  });

  it('names the lightest that would have to come along, as trying every set of pieces does', () => {
    const carried = ids(ostrel, tele600);
    const { pictures } = planOuting({ kit, carried, wants });
    const { read } = readKit(kit, wants);
    const weights = new Map(piecesOf(kit).map(({ id, weightG }) => [id, weightG ?? 0]));
    const weigh = (pieces: readonly string[]) => pieces.reduce((sum, id) => sum + weights.get(id)!, 0);
    pictures.forEach(({ adds, enough }, i) => {
      const least = Math.min(
        ...read[i]!.filter(isEnough).map(({ setup }) => weigh(setup.ids.filter((id) => !carried.has(id)))),
      );
      expect(weigh(adds!)).toBe(least);
      expect(enough).toBe(least === 0);
    });
  });

  it('says what gives most where nothing of the kit is enough', () => {
    const far: SubjectWant = { ...curlew, distanceM: 900 };
    const [picture] = planOuting({ kit, carried: ids(ostrel, tele600), wants: [far] }).pictures;
    expect(picture).toMatchObject({ enough: false, adds: null });
    expect(picture!.most!.counted).toBeLessThan(picture!.most!.needed);
    const { best } = readKit(kit, [far]);
    expect(picture!.most!.counted).toBe(best[0]!.counted);
  });

  it('finds what of the bag can stay at home without losing a picture', () => {
    const carried = ids(ostrel, demoBodies.quillon, tele600, macro100, wide20, converter14, demoAdapters.tubes);
    const { stayHome } = planOuting({ kit, carried, wants });
    const left = new Set([...carried].filter((id) => !stayHome.includes(id)));
    expect(stayHome.length).toBeGreaterThan(0);
    expect(planOuting({ kit, carried: left, wants }).pictures.every(({ enough }) => enough)).toBe(true);
    for (const id of left) {
      const less = new Set([...left].filter((each) => each !== id));
      expect(planOuting({ kit, carried: less, wants }).pictures.every(({ enough }) => enough)).toBe(false);
    }
  });

  it('goes by what was measured with a chain', () => {
    const chain = [{ id: macro100.id, part: macro100.data }];
    const measured = [
      { chain: chainName(chain), ratios: [{ at: 'closest', ratio: 0.4, plusMinus: 0.001, how: 'measured' } as const] },
    ];
    const counted = (each: Kit) =>
      readKit(each, [beetle]).read[0]!.find(({ setup }) => chainName(setup.chain) === chainName(chain))!.counted;
    expect(counted({ ...kit, measured }) / counted(kit)).toBeLessThan(0.6);
  });

  it('tells how far it is', () => {
    const told: number[] = [];
    planOuting({ kit, carried: ids(ostrel), wants: [curlew] }, (share) => told.push(share));
    expect(told.at(-1)).toBe(1);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
  });
});

describe('a picture of the sky', () => {
  it('is enough where the sky has its light before stars run, by the desk’s own numbers', () => {
    const { read } = readKit(kit, [sky]);
    const own = read[0]!.find(({ setup }) => setup.ids.join() === [ostrel.id, wide20.id].join())!;
    expect(own).toMatchObject({ unit: 's', focalMm: 20 });
    expect(isEnough(own)).toBe(true);
    // A long lens shows too little of the sky to be considered.
    expect(read[0]!.some(({ setup }) => setup.ids.includes(tele600.id))).toBe(false);
  });

  it('sets a zoom to the longest focal length that still shows as much', () => {
    const wide: SkyWant = { ...sky, fieldDeg: 10 };
    const zoom = readKit(kit, [wide]).read[0]!.find(({ setup }) =>
      setup.ids.every((id) => [demoBodies.quillon.id, demoOptics.zoom70300.id].includes(id)),
    )!;
    expect((2 * Math.atan(23.4 / (2 * zoom.focalMm)) * 180) / Math.PI).toBeCloseTo(10, 6);
  });
});
