import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import type { DeskName } from '../registry';

/** A situation whose reading is kept: at which desk, and the input. */
export interface Case {
  name: string;
  desk: DeskName;
  input: object;
}

const { ostrel, quillon, merrow, pocket, planetCamera } = demoBodies;
const O = demoOptics;
const A = demoAdapters;

type Row<T> = { data: T };
const chain = (...rows: Row<Optic | Adapter>[]) => rows.map((each) => each.data);
const used = (row: Row<Adapter>, usedMm: number[]): Row<Adapter> => ({ data: { ...row.data, usedMm } as Adapter });
const without = <T extends object>(row: Row<T>, ...keys: string[]): Row<T> => ({
  data: Object.fromEntries(Object.entries(row.data).filter(([key]) => !keys.includes(key))) as T,
});
const withThe = <T extends object>(row: Row<T>, change: Partial<T>): Row<T> => ({ data: { ...row.data, ...change } });
const setup = (body: Row<Body>, parts: (Optic | Adapter)[], more: object = {}) => ({
  body: body.data,
  modeId: 'whole',
  chain: parts,
  ...more,
});
export const named = (name: string, held: object) => ({ name, setup: held });

const scopeAt30 = { data: { ...O.scope.data, magnificationSet: 30 } as Optic };
/** A body that knows almost nothing of itself. */
const plainBody: Row<Body> = {
  data: {
    name: 'Plain full frame 45 MP',
    sensor: { widthMm: 36, heightMm: 24, columns: 8256, rows: 5504 },
    antiAliasFilter: 'standard',
    cropModes: [
      { id: 'tall', name: 'Tall 4:5', aspect: 0.8 },
      { id: 'c2', name: 'Crop 2', factor: 2 },
    ],
  },
};
const bareLens: Row<Optic> = {
  data: {
    kind: 'lens',
    name: 'Plain 300 f/4',
    focalWideMm: 300,
    focalTeleMm: 300,
    fNumberWide: 4,
    fNumberTele: 4,
    detailClass: 'good',
    autofocus: true,
  },
};

/** Chains of every kind the kit can make, on sensors of several shapes. */
export const SYSTEMS = {
  'one lens': setup(ostrel, chain(O.tele600), { supportWeightG: 2400 }),
  'crop mode': setup(ostrel, chain(O.tele600), { modeId: 'c15' }),
  'square mode': setup(ostrel, chain(O.tele600), { modeId: 'square' }),
  '×1.4': setup(ostrel, chain(O.tele600, A.converter14)),
  '×2 on ×1.4': setup(ostrel, chain(O.tele600, A.converter14, A.converter20)),
  'zoom at 400': setup(quillon, chain(O.zoom150600), { focalMm: 400 }),
  'zoom wide': setup(quillon, chain(O.zoom70300), { focalMm: 70 }),
  'zoom long, action crop': setup(quillon, chain(O.zoom70300), { focalMm: 300, modeId: 'c125' }),
  'four thirds, 16:9': setup(merrow, chain(O.tele300), { modeId: 'wide' }),
  'mirror on adapter': setup(ostrel, chain(O.mirror500, A.slrAdapter)),
  'mirror without adapter': setup(ostrel, chain(O.mirror500)),
  'scope, phone': setup(pocket, chain(scopeAt30, A.afocal, O.pocketLens)),
  refractor: setup(ostrel, chain(O.refractor, A.drawtube)),
  'refractor, reducer': setup(ostrel, chain(O.refractor, A.reducer)),
  'reflector, Barlow': setup(planetCamera, chain(O.reflector, A.barlow)),
  'macro, tubes': setup(ostrel, chain(O.macro100, used(A.tubes, [20]))),
  'macro, all tubes, close-up': setup(ostrel, chain(A.closeUp, O.macro100, used(A.tubes, [12, 20, 36]))),
  'tele, close-up': setup(ostrel, chain(A.closeUp, O.tele600)),
  'tele, tube, ×1.4': setup(ostrel, chain(O.tele600, used(A.tubes, [36]), A.converter14)),
  'reversed wide': setup(ostrel, chain(A.reversing, O.wide20)),
  'coupled wide': setup(ostrel, chain(O.wide20, A.coupling, O.macro100)),
  'objective on macro': setup(ostrel, chain(O.objective4, withThe(A.coupling, {}), O.macro100)),
  'plain lens on plain body': setup(plainBody, chain(bareLens), { cropConvention: 'diagonal' }),
  'plain lens, ×2': setup(
    plainBody,
    chain(bareLens, without(A.converter20, 'lens50LpPerMm', 'weightG', 'price', 'mount', 'maker')),
    { modeId: 'tall', cropConvention: 'height' },
  ),
  'small circle': setup(ostrel, chain(withThe(without(O.zoom70300, 'mount', 'flangeMm'), {})), {
    focalMm: 100,
    cropConvention: 'sameAspect',
  }),
  'weak autofocus': setup(
    ostrel,
    chain(withThe(O.tele600, { fNumberWide: 8, fNumberTele: 8 } as never), A.converter14),
  ),
};
export type SystemName = keyof typeof SYSTEMS;
const CLOSE: SystemName[] = [
  'macro, tubes',
  'macro, all tubes, close-up',
  'tele, close-up',
  'reversed wide',
  'coupled wide',
  'objective on macro',
  'tele, tube, ×1.4',
  'zoom wide',
  'four thirds, 16:9',
  'mirror on adapter',
  'scope, phone',
];

const far = (system: SystemName, name: string, more: object = {}, desk: DeskName = 'far'): Case => ({
  name: `${desk}: ${system}, ${name}`,
  desk,
  input: {
    ...SYSTEMS[system],
    subject: demoSubjects.curlew.data,
    distanceM: 60,
    output: demoOutputs.web.data,
    ...more,
  },
});
const subject = (row: Row<object>) => ({ subject: row.data });
const print = { output: demoOutputs.print.data };
const rings = { output: demoOutputs.rings.data };

/** Choices nobody leaves at what is usual, together. */
const otherWays = {
  judgeBy: 'sampled',
  cocSchool: 'output',
  units: 'imperial',
  background: { kind: 'distance', distanceM: 200 },
};

const farCases: Case[] = (Object.keys(SYSTEMS) as SystemName[]).flatMap((system) => [
  far(system, '60 m'),
  far(system, '9.5 m, other ways', { distanceM: 9.5, ...subject(demoSubjects.stonechat), ...print, ...otherWays }),
]);
const moreFar: Case[] = [
  far('one lens', 'ring to be read', {
    ...rings,
    distanceM: 35,
    threshold: 0.2,
    background: { kind: 'ground', cameraHeightM: 0.4, subjectHeightM: 0.2 },
  }),
  far('one lens', 'pixel school', {
    cocSchool: 'pixel',
    background: { kind: 'ground', cameraHeightM: 1.7, subjectHeightM: 0.3 },
  }),
  far('one lens', 'nearer than it focuses', { distanceM: 2 }),
  far('one lens', 'larger than the frame', { distanceM: 8, ...subject(demoSubjects.roe) }),
  far('one lens', 'moving', { subject: { ...demoSubjects.harrier.data, speedMPerS: 12 }, distanceM: 110 }),
  far('plain lens, ×2', 'at 3 m', { distanceM: 3 }),
  far('plain lens, ×2', 'too near for a picture', { distanceM: 1.1 }),
  far('tele, close-up', 'at 4 m', { distanceM: 4 }),
  far('scope, phone', 'at 6 m', { distanceM: 6, ...subject(demoSubjects.stoat) }),
];
const ladders: Case[] = (
  [
    'one lens',
    'crop mode',
    '×1.4',
    'zoom at 400',
    'four thirds, 16:9',
    'plain lens, ×2',
    'small circle',
    'scope, phone',
  ] as SystemName[]
).flatMap((system) => [
  far(system, 'of its modes', {}, 'ladder'),
  far(
    system,
    'a large one, moving',
    { subject: { ...demoSubjects.roe.data, speedMPerS: 6 }, distanceM: 24, ...print, judgeBy: 'sampled' },
    'ladder',
  ),
]);
const kit = {
  adapters: chain(A.converter14, A.converter20, A.barlow15, A.tubes),
  setups: [
    named('Dunes', SYSTEMS['zoom at 400']),
    named('Light bag', SYSTEMS['four thirds, 16:9']),
    named('Scope', SYSTEMS['scope, phone']),
    named('Mirror', SYSTEMS['mirror without adapter']),
  ],
};
const leverCases: Case[] = (
  [
    'one lens',
    'crop mode',
    '×1.4',
    '×2 on ×1.4',
    'zoom at 400',
    'four thirds, 16:9',
    'mirror on adapter',
    'scope, phone',
    'plain lens, ×2',
    'weak autofocus',
  ] as SystemName[]
).flatMap((system) => [
  far(system, 'with the kit', { kit }, 'levers'),
  far(
    system,
    'with the kit, a ring from 20 m',
    { kit, ...rings, distanceM: 20, judgeBy: 'sampled', units: 'imperial' },
    'levers',
  ),
]);
const contenders = (...names: SystemName[]) => names.map((each) => named(each, SYSTEMS[each]));
const situation = { ...subject(demoSubjects.redshank), distanceM: 32, output: demoOutputs.web.data };
const compared: Case[] = (['sameSpot', 'sameFraming', 'samePicture'] as const).flatMap((stance): Case[] => [
  {
    name: `beside: ${stance}, four`,
    desk: 'beside',
    input: {
      ...situation,
      stance,
      contenders: contenders('one lens', 'zoom at 400', 'four thirds, 16:9', 'scope, phone'),
    },
  },
  {
    name: `beside: ${stance}, two, other ways`,
    desk: 'beside',
    input: {
      ...situation,
      stance,
      ...print,
      judgeBy: 'sampled',
      threshold: 0.3,
      units: 'imperial',
      distanceM: 12,
      contenders: contenders('×1.4', 'crop mode'),
    },
  },
  {
    name: `beside: ${stance}, one cannot focus`,
    desk: 'beside',
    input: {
      ...situation,
      stance,
      distanceM: 3,
      contenders: contenders('one lens', 'zoom long, action crop', 'macro, tubes'),
    },
  },
  {
    name: `fairTest: ${stance}`,
    desk: 'fairTest',
    input: {
      ...situation,
      contenders:
        stance === 'sameSpot'
          ? contenders('one lens', 'zoom at 400')
          : stance === 'sameFraming'
            ? contenders('four thirds, 16:9', '×1.4')
            : contenders('plain lens on plain body', 'refractor'),
    },
  },
]);
const shelf = {
  bodies: [ostrel, quillon, merrow, pocket].map((each) => each.data),
  optics: Object.values(O).map((each) => each.data),
  adapters: Object.values(A).map((each) => each.data),
};
const routeCases: Case[] = (['weight', 'price', 'light', 'detail'] as const).flatMap((wish): Case[] => [
  { name: `routes: pixels, by ${wish}`, desk: 'routes', input: { ...shelf, ...situation, wish } },
  {
    name: `routes: equivalent lens, by ${wish}`,
    desk: 'routes',
    input: {
      ...shelf,
      ...situation,
      wish,
      target: { kind: 'equivalent', focalMm: 800, fNumber: 8 },
      judgeBy: 'sampled',
      cropConvention: 'width',
    },
  },
]);
routeCases.push({
  name: 'routes: wished for and retired',
  desk: 'routes',
  input: {
    ...situation,
    bodies: [{ ...ostrel.data, wish: true }, quillon.data],
    optics: [{ ...O.tele600.data, wish: true }, { ...O.zoom150600.data, retired: true }, O.refractor.data],
    adapters: chain(A.converter14, withThe(A.drawtube, { wish: true } as never)),
    target: { kind: 'pixels', pixels: 900 },
    threshold: 0.15,
  },
});
const { distanceM: _anywhere, ...anywhere } = situation;
const planners: Case[] = [
  {
    name: 'planner: eight',
    desk: 'planner',
    input: {
      ...anywhere,
      setups: contenders(
        'one lens',
        '×1.4',
        'zoom at 400',
        'four thirds, 16:9',
        'scope, phone',
        'mirror on adapter',
        'plain lens, ×2',
        'tele, close-up',
      ),
      fromM: 2,
      toM: 300,
      points: 14,
    },
  },
  {
    name: 'planner: sampled, a ring',
    desk: 'planner',
    input: {
      ...anywhere,
      ...rings,
      judgeBy: 'sampled',
      threshold: 0.2,
      setups: contenders('one lens', 'macro, tubes', 'reflector, Barlow'),
      fromM: 0.2,
      toM: 50,
      points: 9,
    },
  },
];
const videos: Case[] = (['one lens', 'crop mode', 'zoom at 400', '×1.4'] as SystemName[]).map((system) => ({
  name: `video: ${system}`,
  desk: 'video',
  input: { ...SYSTEMS[system] },
}));
const kits: Case[] = (Object.keys(SYSTEMS) as SystemName[]).map((system) => ({
  name: `kit: ${system}`,
  desk: 'kit',
  input: SYSTEMS[system],
}));

const near = (system: SystemName, name: string, more: object = {}, desk: DeskName = 'near'): Case => ({
  name: `${desk}: ${system}, ${name}`,
  desk,
  input: { ...SYSTEMS[system], subject: demoSubjects.tigerBeetle.data, output: demoOutputs.web.data, ...more },
});
const wide = {
  ...print,
  cocSchool: 'output',
  judgeBy: 'sampled',
  units: 'imperial',
  handHoldRatio: 0.6,
  fNumber: 11,
  screenWidthMm: 300,
};
const nearCases: Case[] = CLOSE.flatMap((system) => [
  near(system, 'as it stands'),
  near(system, 'other ways', { ...wide, subject: demoSubjects.grayling.data }),
]);
const moreNear: Case[] = [
  near('macro, tubes', 'at 1.1', { ratio: 1.1, fNumber: 4 }),
  near('macro, tubes', 'at a ratio it cannot reach', { ratio: 5 }),
  near('zoom wide', 'at 0.2', { ratio: 0.2 }),
  near('one lens', 'at 0.1, pixel school', { ratio: 0.1, cocSchool: 'pixel', subject: demoSubjects.stonechat.data }),
  ...(['macro, tubes', 'reversed wide', 'objective on macro', 'four thirds, 16:9'] as SystemName[]).flatMap(
    (system) => [near(system, 'curve', { threshold: 0.2 }, 'aperture'), near(system, 'stack', {}, 'stack')],
  ),
  near(
    'macro, tubes',
    'stack of 3 mm, coarse rail',
    { coverMm: 3, overlap: 0.4, railStepUm: 250, secondsPerFrame: 1.5, ratio: 1.15, fNumber: 5.6 },
    'stack',
  ),
  ...(['sameRatio', 'sameField', 'sameDepth'] as const).flatMap((stance) => [
    near(
      'macro, tubes',
      stance,
      { stance, ratio: 1, bodies: [quillon, merrow, pocket].map((each) => each.data) },
      'sensors',
    ),
    near(
      'macro, tubes',
      `${stance}, other ways`,
      { ...wide, stance, modeId: 'c15', bodies: [plainBody, planetCamera].map((each) => each.data) },
      'sensors',
    ),
  ]),
  ...(['macro, tubes', 'macro, all tubes, close-up', 'one lens', 'reversed wide', 'zoom wide'] as SystemName[]).flatMap(
    (system) => [
      near(
        system,
        'with the kit',
        { kit: { adapters: chain(A.tubes, A.closeUp, A.converter14, A.converter20, A.reversing), setups: kit.setups } },
        'nearLevers',
      ),
      near(system, 'alone', { ...wide }, 'nearLevers'),
    ],
  ),
];
const plans: Case[] = (['swaps', 'workingDistance', 'light', 'error'] as const).flatMap((order): Case[] =>
  [0.35, 1.4, 6].map((ratio) => ({
    name: `ratioPlan: ${ratio} by ${order}`,
    desk: 'ratioPlan',
    input: { body: ostrel.data, ratio, optics: shelf.optics, adapters: shelf.adapters, order, most: 12 },
  })),
);

const sky = (system: object, name: string, more: object = {}, desk: DeskName = 'stars'): Case => ({
  name: `${desk}: ${name}`,
  desk,
  input: { ...system, output: demoOutputs.web.data, ...more },
});
const darkSky = setup(ostrel, chain(O.wide20));
const rules = [
  'worst',
  'centre',
  'c600',
  'c500',
  'c400',
  'c300',
  'small300',
  'pitchShort',
  'pitchFull1',
  'pitchFull2',
  'pitchFull3',
  'ceiling',
];
const skyCases: Case[] = [
  ...rules.map((rule, i) =>
    sky(darkSky, `rule ${rule}`, { rule, declinationDeg: -70 + 12 * i, rollDeg: 15 * i, ceilingS: 11 }),
  ),
  ...(['rectilinear', 'equisolid', 'equidistant', 'stereographic'] as const).flatMap((projection) =>
    [20, 75].map((declinationDeg) =>
      sky(
        setup(merrow, chain(withThe(O.wide20, { focalWideMm: 8, focalTeleMm: 8 } as never))),
        `${projection} at ${declinationDeg}`,
        { projection, declinationDeg, rollDeg: 33, exposureS: 40 },
      ),
    ),
  ),
  ...(['pixels', 'output', 'eye', 'own'] as const).flatMap((toleranceKind) =>
    [demoOutputs.web, demoOutputs.print].map((output) =>
      sky(darkSky, `${toleranceKind} on ${output.data.name}`, {
        toleranceKind,
        tolerance: 2.3,
        output: output.data,
        declinationDeg: 25,
        cornerStretchPx: 1.2,
        exposureS: 9,
        fNumber: 2.8,
        own: { centrePx: 3, cornerPx: 6, smallCentrePx: 8, smallCornerPx: 11, pictures: 9 },
      }),
    ),
  ),
  sky(darkSky, 'own, few', {
    toleranceKind: 'own',
    own: { centrePx: 2, cornerPx: 3.5, pictures: 2 },
    rollDeg: 90,
    declinationDeg: 62,
  }),
  sky(darkSky, 'levers', {
    declinationDeg: 10,
    exposureS: 13,
    kit: {
      setups: [
        named('Long', SYSTEMS['one lens']),
        named('Zoom', SYSTEMS['zoom wide']),
        named('Refractor', SYSTEMS.refractor),
        named('Scope', SYSTEMS['scope, phone']),
      ],
    },
  }),
  sky(SYSTEMS.refractor, 'a telescope', { declinationDeg: 41, exposureS: 2 }),
  sky(SYSTEMS['macro, tubes'], 'no infinity'),
  sky(darkSky, 'an hour', { arcDeg: 15, gapS: 2, batteryMin: 90, declinationDeg: 88 }, 'strokes'),
  sky(SYSTEMS['zoom wide'], 'a short arc', { arcDeg: 0.7, declinationDeg: -30, exposureS: 3 }, 'strokes'),
  ...(['Mercury', 'Venus', 'Mars', 'Jupiter', 'Saturn', 'Uranus', 'Neptune'] as const).flatMap((planet, i): Case[] => [
    { name: `planet: ${planet}, usual`, desk: 'planet', input: { ...SYSTEMS['reflector, Barlow'], planet } },
    {
      name: `planet: ${planet}, other camera`,
      desk: 'planet',
      input: {
        ...SYSTEMS[i % 2 ? 'one lens' : 'refractor'],
        planet,
        discArcsec: 5 + 4 * i,
        blurPx: 0.8,
        margin: 1.2 + 0.1 * i,
        exposureS: 0.002 * (i + 1),
        linkMbPerS: 120,
        cardGb: 16,
        bits: 16,
      },
    },
  ]),
];
const deeps: Case[] = ['M 31', 'M 42', 'M 13', 'M 57'].flatMap((object, i): Case[] => [
  { name: `deep: ${object}, refractor`, desk: 'deep', input: { ...SYSTEMS['refractor, reducer'], object } },
  {
    name: `deep: ${object}, turned`,
    desk: 'deep',
    input: {
      ...SYSTEMS[i % 2 ? 'four thirds, 16:9' : '×2 on ×1.4'],
      object,
      rollDeg: 25 + 40 * i,
      overlap: 0.1 + 0.1 * i,
      seeingArcsec: 2 + i,
      tolerancePx: 1 + i / 2,
      mountArcsecPerMin: 3 + i,
    },
  },
]);
deeps.push({
  name: 'deep: an object of its own',
  desk: 'deep',
  input: {
    ...SYSTEMS['reflector, Barlow'],
    object: {
      id: 'X 1',
      name: 'A long one',
      kind: 'nebula',
      raHours: 5.6,
      declinationDeg: -41,
      lengthArcmin: 95,
      widthArcmin: 12,
      positionAngleDeg: 70,
    },
    rollDeg: 10,
  },
});
const nights: Case[] = [
  { latitudeDeg: 53.2, longitudeDeg: 0.4, date: '2026-11-07', utcOffsetHours: 0, objects: ['M 31', 'M 42', 'M 13'] },
  { latitudeDeg: 60, longitudeDeg: 18, date: '2026-06-21', objects: ['M 57'] },
  { latitudeDeg: -33.5, longitudeDeg: 151, heightM: 400, date: '2027-03-15', utcOffsetHours: 11, objects: ['M 42'] },
  { latitudeDeg: 78, longitudeDeg: 16, date: '2026-12-21' },
  { latitudeDeg: 70, longitudeDeg: 25, date: '2026-05-01' },
].map((input) => ({ name: `night: ${input.latitudeDeg}°, ${input.date}`, desk: 'night', input }));

/** Cases by the file that keeps them. */
export const CASES = {
  far: [...farCases, ...moreFar],
  farPages: [...ladders, ...leverCases, ...compared, ...planners],
  routes: routeCases,
  kit: [...kits, ...videos],
  near: [...nearCases, ...moreNear],
  plans,
  sky: [...skyCases, ...deeps],
  night: nights,
} satisfies Record<string, Case[]>;
