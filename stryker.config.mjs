// Mutation trial of the core: `npm run mutate -- <folder of src/core>`. Not part of `npm test`.
export default {
  testRunner: 'jest',
  jest: { configFile: 'tests/mutate/jest.config.js', enableFindRelatedTests: false },
  buildCommand: 'node tests/mutate/bundle.mjs',
  coverageAnalysis: 'perTest',
  concurrency: 2,
  incremental: true,
  reporters: ['clear-text', 'progress-append-only', 'json'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  jsonReporter: { fileName: '.cache/mutation/report.json' },
  tempDirName: '.cache/stryker',
  timeoutMS: 5_000,
  // The first run counts which test comes by which line, which takes long where pictures are drawn.
  dryRunTimeoutMinutes: 20,
  ignorePatterns: ['dist', 'build', '.demo', 'docs/screenshots', 'test-results', '.expo'],
  // Words are not what these tests guard; what they say is guarded where it is shown.
  mutator: { excludedMutations: ['StringLiteral', 'ObjectLiteral'] },
  disableTypeChecks: false,
  warnings: { slow: false },
};
