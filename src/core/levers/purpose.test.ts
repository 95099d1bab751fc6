import { demoBodies, demoOptics, demoOutputs, demoSubjects, demoAdapters } from '@/demo/kit';
import { nearLevers } from '../near/nearLevers';
import { suitsClose } from '../near/suitsClose';
import { DEEP_OBJECTS } from '../sky/catalogue';
import { deepLevers } from '../sky/deepLevers';
import { suitsObject } from '../sky/suitsObject';

const body = demoBodies.ostrel.data;
const setups = [
  { id: 'tele', name: 'Tele', setup: { body, modeId: 'whole', chain: [demoOptics.tele600.data] } },
  { id: 'wide', name: 'Wide', setup: { body, modeId: 'whole', chain: [demoOptics.wide20.data] } },
  {
    id: 'macro',
    name: 'Macro with tubes',
    setup: { body, modeId: 'whole', chain: [demoOptics.macro100.data, demoAdapters.tubes.data] },
  },
];
const kit = { parts: [], setups };

it('a beetle at life size is not offered a telephoto, another macro chain is', () => {
  const levers = nearLevers({
    setup: { body, modeId: 'whole', chain: [demoOptics.macro100.data] },
    subject: demoSubjects.tigerBeetle.data,
    output: Object.values(demoOutputs)[0]!.data,
    judgeBy: 'resolved',
    cocSchool: 'diagonal',
    convention: 'usual',
    ratio: undefined,
    fNumber: undefined,
    kit,
  });
  const offered = levers.filter(suitsClose).flatMap(({ kind, name }) => (kind === 'setup' ? [name] : []));
  expect(offered).toEqual(['Macro with tubes']);
  // What is left out really draws less than two fifths of the ratio in hand.
  const left = levers.filter((lever) => !suitsClose(lever));
  expect(left.map(({ name }) => name).sort()).toEqual(['Tele', 'Wide']);
  for (const { ratioAfter, ratioChange } of left) expect(ratioAfter / (ratioAfter / ratioChange)).toBeLessThan(0.4);
  // Parts and turnings are always offered.
  expect(levers.filter(({ kind }) => kind !== 'setup').every(suitsClose)).toBe(true);
});

it('a small nebula is not offered a wide lens in which it is a speck', () => {
  const small = DEEP_OBJECTS.reduce((least, each) => (each.lengthArcmin < least.lengthArcmin ? each : least));
  const levers = deepLevers({
    setup: { body, modeId: 'whole', chain: [demoOptics.tele600.data] },
    convention: 'usual',
    kit,
    object: small,
    rollDeg: 0,
    overlap: 0.15,
    seeingArcsec: 3,
    tolerancePx: 2,
    mountArcsecPerMin: 5,
  });
  const wide = levers.find(({ name }) => name === 'Wide');
  expect(wide && suitsObject(wide)).toBe(false);
  expect(suitsObject({ kind: 'setup', panels: 9, fillPercent: 3 })).toBe(true);
  expect(suitsObject({ kind: 'setup', panels: 10, fillPercent: 50 })).toBe(false);
  expect(suitsObject({ kind: 'mode', panels: 10, fillPercent: 1 })).toBe(true);
});
