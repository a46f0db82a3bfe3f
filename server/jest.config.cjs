module.exports = {
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  globalSetup: '<rootDir>/src/testing/cluster.setup.mjs',
  globalTeardown: '<rootDir>/src/testing/cluster.teardown.mjs',
  testTimeout: 240000,
  transform: {
    '^.+\\.[jt]sx?$': '<rootDir>/../tools/jestTransform.cjs',
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(uuid|tinyqueue|simple-statistics|date-fns|fast-check|pure-rand|zod|ical-generator|@asteasolutions)/)',
  ],
};
