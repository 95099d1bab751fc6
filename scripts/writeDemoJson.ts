/** Writes demo.json, the example for the command line, from the demo data: the set-up and subject the demo opens with. */
import fs from 'node:fs';
import path from 'node:path';
import type { FarInputData } from '../src/contract/schemas/farInput';
import { demoBodies, demoOptics, demoOutputs, demoSubjects } from '../src/demo/kit';

const input: FarInputData = {
  body: demoBodies.ostrel.data,
  modeId: 'whole',
  chain: [demoOptics.tele600.data],
  subject: demoSubjects.curlew.data,
  distanceM: demoSubjects.curlew.data.distanceM,
  output: demoOutputs.web.data,
};
fs.writeFileSync(path.resolve(__dirname, '../demo.json'), `${JSON.stringify(input, null, 2)}\n`);
