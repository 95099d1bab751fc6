import fc from 'fast-check';
import { demoAdapters, demoBodies, demoOptics } from '@/demo/kit';
import { groupPictures, middleOf } from './groupPictures';
import { knownOfGroup, likelyWant, type PlannedWant } from './groupRow';
import type { TakenPicture } from './picture';
import { recogniseGear, type GearKit } from './recogniseGear';

const kit: GearKit = {
  bodies: Object.values(demoBodies).map(({ id, data }) => ({ id, body: data })),
  parts: [...Object.values(demoOptics), ...Object.values(demoAdapters)].map(({ id, data }) => ({ id, part: data })),
};
const { ostrel, quillon } = demoBodies;
const { tele600, zoom70300 } = demoOptics;

const OSTREL = { maker: 'Ostrel', model: 'R45', lensModel: 'Ostrel 600 f/5.6', focalLengthMm: 600 };
const QUILLON = { maker: 'Quillon', model: 'Quillon C26', lensModel: '70–300 f/4–5.6', focalLengthMm: 200 };
const at = (minute: number, tags: TakenPicture['tags'] = OSTREL, i = minute): TakenPicture => ({
  fileName: `DSC_${String(1000 + i)}.JPG`,
  at: i,
  tags: { ...tags, takenAt: new Date(Date.UTC(2026, 10, 14, 7, 0) + minute * 60_000).toISOString().slice(0, 19) },
});

describe('pictures in groups', () => {
  it('are every picture once, in the order taken, with no pause inside a group', () => {
    const picture = fc
      .tuple(fc.integer({ min: 0, max: 300 }), fc.constantFrom(OSTREL, QUILLON))
      .map(([minute, tags]): TakenPicture => at(minute, tags));
    fc.assert(
      fc.property(fc.array(picture, { maxLength: 60 }), fc.integer({ min: 1, max: 30 }), (pictures, pauseMin) => {
        const groups = groupPictures(pictures, pauseMin);
        const all = groups.flatMap((group) => group.pictures);
        expect(new Set(all)).toEqual(new Set(pictures));
        expect(all).toHaveLength(pictures.length);
        for (const group of groups) {
          const times = group.pictures.map(({ tags }) => Date.parse(`${tags.takenAt}Z`));
          expect(new Set(group.pictures.map(({ tags }) => tags.model)).size).toBe(1);
          times.slice(1).forEach((time, i) => expect(time - times[i]!).toBeLessThanOrEqual(pauseMin * 60_000));
          expect(times.every((time, i) => i === 0 || time >= times[i - 1]!)).toBe(true);
          expect(group.takenFrom <= group.takenTo).toBe(true);
        }
        // The next group of a body begins after a pause.
        for (const model of ['R45', 'Quillon C26']) {
          const own = groups.filter(({ pictures: [first] }) => first!.tags.model === model);
          own.slice(1).forEach((group, i) => {
            const pause = Date.parse(`${group.takenFrom}Z`) - Date.parse(`${own[i]!.takenTo}Z`);
            expect(pause).toBeGreaterThan(pauseMin * 60_000);
          });
        }
      }),
    );
  });

  it('are not broken by a second body in use meanwhile', () => {
    const groups = groupPictures([at(0), at(1, QUILLON), at(2), at(3, QUILLON)]);
    expect(groups.map(({ pictures }) => pictures.length)).toEqual([2, 2]);
  });

  it('begin anew with another lens, a converter on a prime, or something much nearer', () => {
    const prime = { ...OSTREL, lensRange: { focalWideMm: 600, focalTeleMm: 600 } };
    expect(groupPictures([at(0, prime), at(1, { ...prime, focalLengthMm: 840 })])).toHaveLength(2);
    expect(groupPictures([at(0), at(1, { ...OSTREL, lensModel: 'Ostrel 100 f/2.8 macro' })])).toHaveLength(2);
    const near = (subjectDistanceM: number) => ({ ...OSTREL, subjectDistanceM });
    expect(groupPictures([at(0, near(60)), at(1, near(15))])).toHaveLength(2);
    expect(groupPictures([at(0, near(60)), at(1, near(45))])).toHaveLength(1);
    // A zoom that is turned goes on.
    expect(groupPictures([at(0, QUILLON), at(1, { ...QUILLON, focalLengthMm: 300 })])).toHaveLength(1);
  });

  it('without a time are one group, by their names', () => {
    const bare = (i: number) => ({ fileName: `P${i}.jpg`, at: i, tags: OSTREL });
    const [group, ...others] = groupPictures([bare(10), bare(9)]);
    expect(others).toEqual([]);
    expect(group!.pictures.map(({ fileName }) => fileName)).toEqual(['P9.jpg', 'P10.jpg']);
  });

  it('take the value in the middle, one that was set', () => {
    expect(middleOf([1 / 500, undefined, 1 / 2000, 1 / 1000])).toBe(1 / 1000);
    expect(middleOf([100, 200])).toBe(100);
    expect(middleOf([undefined, 0])).toBeUndefined();
  });
});

describe('the gear of the kit', () => {
  const gear = (tags: TakenPicture['tags']) => {
    const { body, optic, converter, modeId } = recogniseGear(tags, kit);
    return [body?.id, optic?.id, converter?.id, modeId];
  };
  it('is told by names, pixels and focal length', () => {
    expect(gear({ ...OSTREL, fileColumns: 8256, fileRows: 5504 })).toEqual([ostrel.id, tele600.id, undefined, 'whole']);
    expect(gear({ ...OSTREL, fileColumns: 3000, fileRows: 2000 })[3]).toBeNull();
    // Held upright it is the same mode.
    expect(gear({ ...OSTREL, fileColumns: 3669, fileRows: 5504 })[3]).toBe('c15');
    expect(gear({ ...OSTREL, fileColumns: 5504, fileRows: 3669 })[3]).toBe('c15');
    expect(gear(QUILLON)).toEqual([quillon.id, zoom70300.id, undefined, null]);
  });
  it('has a converter where the lens is longer than it can be', () => {
    expect(gear({ ...OSTREL, focalLengthMm: 840 })[2]).toBe(demoAdapters.converter14.id);
    expect(gear({ ...OSTREL, focalLengthMm: 1200 })[2]).toBe(demoAdapters.converter20.id);
    expect(gear({ ...OSTREL, focalLengthMm: 900 })[2]).toBeUndefined();
  });
  it('leaves open what it cannot tell', () => {
    expect(gear({})).toEqual([undefined, undefined, undefined, null]);
    expect(gear({ maker: 'Nobody', model: 'X1', lensModel: 'Unheard of' })).toEqual([
      undefined,
      undefined,
      undefined,
      null,
    ]);
    // A lens without a name: the only one for this mount with that focal length.
    expect(gear({ maker: 'Ostrel', model: 'Ostrel R45', focalLengthMm: 100 })[1]).toBe(demoOptics.macro100.id);
    expect(gear({ maker: 'Quillon', model: 'C26', focalLengthMm: 250 })[1]).toBeUndefined();
  });
});

describe('a group and the plan', () => {
  const wants: PlannedWant[] = [
    { id: 'curlew', name: 'Curlew', kind: 'far', distanceM: 60, setupIds: [ostrel.id, tele600.id] },
    { id: 'stonechat', name: 'Stonechat', kind: 'far', distanceM: 14, setupIds: [ostrel.id, tele600.id] },
    { id: 'deer', name: 'Roe deer', kind: 'far', distanceM: 90, setupIds: [quillon.id, zoom70300.id] },
  ];
  const gearOf = (tags: TakenPicture['tags']) => recogniseGear(tags, kit);
  it('belong together by set-up, and of several by distance', () => {
    expect(likelyWant(gearOf(QUILLON), undefined, wants)?.id).toBe('deer');
    expect(likelyWant(gearOf(OSTREL), 12, wants)?.id).toBe('stonechat');
    expect(likelyWant(gearOf(OSTREL), 80, wants)?.id).toBe('curlew');
    expect(likelyWant(gearOf(OSTREL), undefined, wants)).toBeNull();
    expect(likelyWant(gearOf({}), 60, wants)).toBeNull();
  });
  it('tell what was set in the middle, and the distance', () => {
    const group = groupPictures([
      at(0, { ...OSTREL, exposureS: 1 / 2000, iso: 800, fNumber: 5.6, subjectDistanceM: 58 }),
      at(1, { ...OSTREL, exposureS: 1 / 1000, iso: 1600, fNumber: 5.6 }),
      at(2, { ...OSTREL, exposureS: 1 / 500, iso: 3200, fNumber: 8 }),
    ])[0]!;
    expect(knownOfGroup(group, kit)).toMatchObject({
      bodyName: 'Ostrel R45',
      lensName: 'Ostrel 600 f/5.6',
      focalMm: 600,
      fNumber: 5.6,
      seconds: 1 / 1000,
      iso: 1600,
      distanceM: 58,
    });
  });
});
