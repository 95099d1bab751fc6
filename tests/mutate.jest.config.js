// The core's own tests, as the mutation trial runs them: thousands of times, so only those that stand beside the folder tried,
// without those that take half a minute.
const fs = require('node:fs');
const path = require('node:path');
const [node] = require('../jest.config.js').projects;

/** Tests that put a folder's work together, besides its own. */
const ALSO = {
  sensor: ['optics/assembly', 'kit/kit'],
  detail: ['far/assembly'],
  output: ['far/assembly', 'far/far', 'near/assembly'],
  chain: ['optics/assembly', 'optics/focusing', 'optics/whole', 'far/assembly', 'near/assembly', 'kit/kit'],
  optics: ['chain/chain', 'chain/kinds', 'far/assembly', 'near/assembly', 'kit/kit'],
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
const wanted = process.env.JAUGE_MUTATE ?? '';
const [folder] = wanted.split('/');
/** A folder within a folder is tried by its own tests alone. */
const ofOwn = fs.existsSync(path.join('src', 'core', wanted)) && wanted.includes('/');

module.exports = {
  ...node,
  rootDir: '..',
  testMatch: ofOwn
    ? [`<rootDir>/src/core/${wanted}/**/*.test.ts`]
    : [
        `<rootDir>/src/core/${folder || '**'}/**/*.test.ts`,
        '<rootDir>/src/core/vectors/*.test.ts',
        ...(ALSO[folder] ?? []).map((name) => `<rootDir>/src/core/${name}.test.ts`),
        ...(RECORDED[folder] ?? []).map((name) => `<rootDir>/src/cli/recorded/${name}.test.ts`),
      ],
  testPathIgnorePatterns: ['/node_modules/', 'sunBelow\\.test'],
};
