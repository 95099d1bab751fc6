// The core's own tests, as the mutation trial runs them: thousands of times, as one file (bundle.mjs).
module.exports = {
  rootDir: '../..',
  // Looked through before each run.
  roots: ['<rootDir>/build/mutate'],
  testEnvironment: require.resolve('./environment.js'),
  testMatch: ['<rootDir>/build/mutate/all.js'],
  transform: {},
  sandboxInjectedGlobals: require('../globals'),
};
