// The core's own tests, as the mutation trial runs them: thousands of times.
const [node] = require('../../jest.config.js').projects;

module.exports = {
  ...node,
  rootDir: '../..',
  // Looked through before each run.
  roots: ['<rootDir>/src', '<rootDir>/tests'],
  testEnvironment: '<rootDir>/tests/mutate/environment.js',
  testMatch: ['<rootDir>/tests/mutate/all.js'],
};
