/** Writes one example input for each reading of the command line, from the demo data, into docs/examples: `--example` prints it. */
import fs from 'node:fs';
import path from 'node:path';
import type { DeskName } from '../src/cli/registry';
import type { FarInputData } from '../src/contract/schemas/farInput';
import type { NearInputData } from '../src/contract/schemas/nearInput';
import type { PlanetInputData } from '../src/contract/schemas/planetInput';
import type { StarsInputData } from '../src/contract/schemas/starsInput';
import type { SystemInputData } from '../src/contract/schemas/systemInput';
import { demoPictureGroups } from '../src/demo/log';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '../src/demo/kit';

const far: FarInputData = {
  body: demoBodies.ostrel.data,
  modeId: 'whole',
  chain: [demoOptics.tele600.data],
  subject: demoSubjects.curlew.data,
  distanceM: demoSubjects.curlew.data.distanceM,
  output: demoOutputs.web.data,
};
const kit: SystemInputData = {
  body: demoBodies.ostrel.data,
  modeId: 'whole',
  chain: [demoOptics.macro100.data, { ...demoAdapters.tubes.data, usedMm: [20] } as SystemInputData['chain'][number]],
};
const write = (name: string, input: object) =>
  fs.writeFileSync(path.resolve(__dirname, '..', name), `${JSON.stringify(input, null, 2)}\n`);
const near: NearInputData = {
  ...kit,
  subject: demoSubjects.tigerBeetle.data,
  output: demoOutputs.web.data,
  fNumber: 8,
};
const stars: StarsInputData = {
  body: demoBodies.ostrel.data,
  modeId: 'whole',
  chain: [demoOptics.wide20.data],
  output: demoOutputs.web.data,
  declinationDeg: 0,
};
const planet: PlanetInputData = {
  body: demoBodies.planetCamera.data,
  modeId: 'whole',
  chain: [demoOptics.reflector.data],
  planet: 'Jupiter',
  discArcsec: 44,
};

const system = ({ subject: _subject, distanceM: _distance, output: _output, ...rest }: FarInputData): SystemInputData =>
  rest;
const hide = { name: 'Marsh hide', setup: system(far) };
const lightBag = {
  name: 'Light bag',
  setup: { body: demoBodies.merrow.data, modeId: 'whole', chain: [demoOptics.tele300.data] },
};
const duneWalk = {
  name: 'Dune walk',
  setup: { body: demoBodies.quillon.data, modeId: 'whole', focalMm: 400, chain: [demoOptics.zoom150600.data] },
};
const situation = { subject: far.subject, distanceM: far.distanceM, output: far.output };
const adapters = Object.values(demoAdapters).map((row) => row.data);

/** One example for each reading of the command line. */
const examples: Record<DeskName, object> = {
  far: { ...far, background: { kind: 'ground', cameraHeightM: 1.2, subjectHeightM: 0.25 }, cocSchool: 'output' },
  levers: {
    ...far,
    kit: { adapters: [demoAdapters.converter14.data, demoAdapters.converter20.data], setups: [lightBag, duneWalk] },
  },
  ladder: far,
  planner: { setups: [hide, lightBag], subject: far.subject, output: far.output, fromM: 5, toM: 200, points: 24 },
  takes: {
    ...far,
    wish: { kind: 'output' },
    bodies: [demoBodies.quillon.data, demoBodies.merrow.data],
    optics: Object.values(demoOptics).map((row) => row.data),
    adapters,
  },
  beside: { contenders: [hide, lightBag, duneWalk], stance: 'samePicture', ...situation },
  routes: {
    bodies: [demoBodies.ostrel.data, demoBodies.merrow.data],
    optics: Object.values(demoOptics).map((row) => row.data),
    adapters,
    ...situation,
    wish: 'weight',
  },
  fairTest: { contenders: [hide, lightBag], ...situation },
  video: system(far),
  near,
  nearLevers: {
    ...near,
    kit: { adapters: [demoAdapters.converter14.data, demoAdapters.closeUp.data], setups: [lightBag] },
  },
  ratioPlan: {
    body: demoBodies.ostrel.data,
    ratio: 2.2,
    optics: Object.values(demoOptics).map((row) => row.data),
    adapters,
    order: 'swaps',
    most: 12,
  },
  stack: { ...near, coverMm: 4, overlap: 0.25, railStepUm: 5, secondsPerFrame: 3 },
  aperture: near,
  sensors: { ...near, bodies: [demoBodies.quillon.data, demoBodies.merrow.data], stance: 'sameField' },
  stars: { ...stars, kit: { setups: [hide] } },
  strokes: { ...stars, exposureS: 30, arcDeg: 15, gapS: 1, batteryMin: 90 },
  planet,
  deep: {
    body: demoBodies.ostrel.data,
    modeId: 'whole',
    chain: [demoOptics.refractor.data],
    object: 'M 31',
    overlap: 0.2,
    seeingArcsec: 3,
    kit: { setups: [hide] },
  },
  night: { latitudeDeg: 54.3, longitudeDeg: 8.6, date: '2026-11-25', utcOffsetHours: 1, objects: ['M 31', 'M 42'] },
  noise: { ...system(far), output: far.output, iso: 1600, setups: [lightBag, duneWalk] },
  learned: { groups: demoPictureGroups().map(({ data }) => data) },
  outing: {
    name: 'Marsh at first light',
    day: '2026-12-05',
    place: { name: 'Sea wall', latitudeDeg: 53.4, longitudeDeg: 0.2, heightM: 5, utcOffsetHours: 0 },
    bodies: [demoBodies.ostrel.data, demoBodies.quillon.data],
    optics: [demoOptics.tele600, demoOptics.zoom70300, demoOptics.macro100, demoOptics.wide20].map(({ data }) => data),
    adapters: [demoAdapters.converter14, demoAdapters.converter20].map(({ data }) => data),
    wants: [
      {
        name: 'Curlew',
        subject: demoSubjects.curlew.data,
        output: demoOutputs.print.data,
        distanceM: 60,
        pictures: 400,
      },
      {
        name: 'Marsh harrier',
        subject: demoSubjects.harrier.data,
        output: demoOutputs.web.data,
        distanceM: 110,
        pictures: 500,
      },
      { name: 'Tiger beetle', subject: demoSubjects.tigerBeetle.data, output: demoOutputs.print.data, pictures: 40 },
      { name: 'Winter triangle', output: demoOutputs.web.data, declinationDeg: 2, fieldDeg: 60, pictures: 60 },
    ],
    bag: ['Ostrel R45', 'Quillon C26', 'Ostrel 600 f/5.6', 'Quillon 70–300 f/4–5.6', 'Ostrel 20 f/1.8', 'Ostrel ×1.4'],
    supportWeightG: 2400,
    batteries: 3,
    cardGb: 128,
    tide: 'High water 09:40, by the harbour’s table',
  },
  bag: {
    bodies: [demoBodies.ostrel.data, demoBodies.quillon.data, demoBodies.merrow.data],
    optics: [demoOptics.tele600, demoOptics.zoom150600, demoOptics.tele300, demoOptics.macro100].map((row) => row.data),
    adapters: [demoAdapters.converter14.data, demoAdapters.tubes.data, demoAdapters.closeUp.data],
    wants: [
      { name: 'Curlew from the hide', ...situation },
      { name: 'Stonechat on the dune', ...situation, subject: demoSubjects.stonechat.data, distanceM: 18 },
      { name: 'Tiger beetle', subject: near.subject, output: near.output },
    ],
    carried: [demoBodies.ostrel.data.name, demoOptics.tele600.data.name, demoOptics.macro100.data.name],
  },
  kit,
};
for (const [name, input] of Object.entries(examples)) write(`docs/examples/${name}.json`, input);
