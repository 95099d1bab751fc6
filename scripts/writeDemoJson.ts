/**
 * Writes the examples for the command line from the demo data: demo.json (a Far reading), demo-near.json (a Near one), demo-stars.json,
 * demo-planet.json and demo-kit.json (a chain). */
import fs from 'node:fs';
import path from 'node:path';
import type { FarInputData } from '../src/contract/schemas/farInput';
import type { NearInputData } from '../src/contract/schemas/nearInput';
import type { PlanetInputData } from '../src/contract/schemas/planetInput';
import type { StarsInputData } from '../src/contract/schemas/starsInput';
import type { SystemInputData } from '../src/contract/schemas/systemInput';
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
const write = (name: string, input: object) => fs.writeFileSync(path.resolve(__dirname, '..', name), `${JSON.stringify(input, null, 2)}\n`);
const near: NearInputData = { ...kit, subject: demoSubjects.tigerBeetle.data, output: demoOutputs.web.data, fNumber: 8 };
write('demo.json', far);
write('demo-near.json', near);
write('demo-kit.json', kit);
const stars: StarsInputData = { body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.wide20.data], output: demoOutputs.web.data, declinationDeg: 0 };
const planet: PlanetInputData = { body: demoBodies.planetCamera.data, modeId: 'whole', chain: [demoOptics.reflector.data], planet: 'Jupiter', discArcsec: 44 };
write('demo-stars.json', stars);
write('demo-planet.json', planet);
