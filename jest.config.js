// Packages that ship untranspiled ESM or JSX and must go through Babel.
const esm = [
  '(jest-)?react-native',
  '@react-native',
  '@react-native-community',
  'expo',
  '@expo',
  '@expo-google-fonts',
  'standard-navigation',
  '@rneui',
  'fast-png',
  'iobuffer',
  'ml-levenberg-marquardt',
  'is-any-array',
];

/** Packages of the core that ship ES modules only. */
const esmOfCore = ['fast-png', 'iobuffer', 'fflate', 'ml-levenberg-marquardt', 'is-any-array'];

const base = {
  '^@/(.*)$': '<rootDir>/src/$1',
  // d3 ships .mjs only; Jest takes its UMD builds.
  '^(d3-[a-z-]+|internmap)$': '<rootDir>/node_modules/$1/dist/$1.min.js',
};

const GLOBALS = require('./tests/globals');

/** Our own sources; tests go through Babel, for the sake of their mocks. */
const ours = { '/src/(?!.*\\.test\\.)[^.]*\\.tsx?$': '<rootDir>/tests/transform/plain.js' };

/** Plain scripts already, of a size that takes Babel seconds each. */
const AS_IT_IS = ['/src/contract/generated/', '/node_modules/react-native/Libraries/Renderer/implementations/'];

const ui = {
  sandboxInjectedGlobals: GLOBALS,
  transformIgnorePatterns: [
    ...AS_IT_IS,
    `/node_modules/(?!(${esm.join('|')}))`,
    '/node_modules/react-native-reanimated/plugin/',
    '/node_modules/@react-native/babel-preset/',
  ],
  setupFiles: ['<rootDir>/tests/setup-ui.js'],
  setupFilesAfterEnv: ['<rootDir>/tests/setup-after.js', '<rootDir>/tests/setup-screens.js'],
  moduleNameMapper: {
    ...base,
    '^@react-native-vector-icons/material-icons$': '@expo/vector-icons/MaterialIcons',
    '^@react-native-vector-icons/.*$': '<rootDir>/src/ui/bundle/missingIconSet.js',
  },
};

/** Copies that the mutation trial works on. */
const modulePathIgnorePatterns = ['<rootDir>/.cache/'];

module.exports = {
  // What reads pictures runs bundled, in a worker of its own.
  globalSetup: '<rootDir>/tests/readers.mjs',
  testSequencer: '<rootDir>/tests/longestFirst.js',
  projects: [
    {
      displayName: 'node',
      modulePathIgnorePatterns,
      testEnvironment: 'node',
      testMatch: [
        '<rootDir>/src/{core,contract,server,demo,cli,workers,reader}/**/*.test.ts',
        '<rootDir>/tests/**/*.test.ts',
      ],
      setupFilesAfterEnv: ['<rootDir>/tests/setup-after.js'],
      // Not babel.config.js: the server and the core are plain Node.
      transform: {
        ...ours,
        '\\.[jt]sx?$': [
          'babel-jest',
          {
            configFile: false,
            presets: [['@babel/preset-typescript', { allowDeclareFields: true }]],
            plugins: ['@babel/plugin-transform-modules-commonjs'],
          },
        ],
      },
      transformIgnorePatterns: [...AS_IT_IS, `/node_modules/(?!(${esmOfCore.join('|')})/)`],
      moduleNameMapper: base,
      sandboxInjectedGlobals: GLOBALS,
    },
    {
      ...ui,
      displayName: 'ui',
      modulePathIgnorePatterns,
      preset: 'jest-expo',
      transform: ours,
      testMatch: ['<rootDir>/src/{ui,features,data}/**/*.test.{ts,tsx}'],
    },
  ],
};
