// Which tests a folder of the core is tried by: its own, those that put its work together, and recorded readings that go through it.
const fs = require('node:fs');
const path = require('node:path');

const ROOT = path.dirname(require.resolve('../../package.json'));
const CORE = path.join(ROOT, 'src', 'core');

/** Tests that put a folder's work together, besides its own. */
const ALSO = {
  sensor: ['optics/assembly', 'kit/kit'],
  detail: ['far/assembly'],
  output: ['far/assembly', 'far/far', 'near/assembly'],
  chain: ['optics/assembly', 'optics/focusing', 'optics/whole', 'far/assembly', 'near/assembly', 'kit/kit'],
  optics: ['chain/chain', 'chain/kinds', 'chain/lensSharpness', 'far/assembly', 'near/assembly', 'kit/kit'],
  levers: ['far/comparing', 'near/near'],
  far: ['optics/assembly', 'chain/chain'],
  near: ['optics/assembly'],
  sky: [],
};

/** Recorded readings that go through a folder. */
const RECORDED = {
  sensor: ['kit'],
  detail: ['far'],
  output: ['far', 'near', 'sky'],
  chain: ['kit', 'far', 'near'],
  optics: ['kit', 'far', 'near'],
  levers: ['farPages', 'near'],
  far: ['far', 'farPages', 'routes', 'kit'],
  near: ['near', 'plans'],
  sky: ['sky', 'night'],
};

/** Loops over pictures, chains or minutes, many times as slow while every step of them could be changed: only where nothing quicker has noticed. */
const SLOW = ['detail/patch.test.ts', 'near/planRatio.test.ts', 'sky/moonless.test.ts'];

/** Takes half a minute: too long to be run for each of a thousand changes. */
const TOO_LONG = ['sky/sunBelow.test.ts'];

const slowness = (file) => SLOW.indexOf(path.relative(CORE, file));

function testsBelow(folder) {
  return fs
    .readdirSync(folder, { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => path.join(folder, name))
    .filter((file) => !TOO_LONG.includes(path.relative(CORE, file)))
    .sort((a, b) => slowness(a) - slowness(b));
}

/** Paths of the tests of `wanted`, the quick ones and its own first. A folder within a folder is tried by its own tests alone. */
function chosenTests(wanted) {
  const within = path.join(CORE, wanted);
  if (wanted.includes('/') && fs.existsSync(within)) return testsBelow(within);
  const [folder] = wanted.split('/');
  return [
    ...testsBelow(path.join(CORE, folder)),
    ...testsBelow(path.join(CORE, 'vectors')),
    ...(ALSO[folder] ?? []).map((name) => path.join(CORE, `${name}.test.ts`)),
    ...(RECORDED[folder] ?? []).map((name) => path.join(ROOT, 'src', 'cli', 'recorded', `${name}.test.ts`)),
  ];
}

module.exports = { chosenTests };
