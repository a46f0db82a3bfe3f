module.exports = {
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  globalSetup: '<rootDir>/src/testing/cluster.setup.mjs',
  globalTeardown: '<rootDir>/src/testing/cluster.teardown.mjs',
  testTimeout: 240000,
  transform: {
    '^.+\\.[jt]sx?$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(uuid|tinyqueue|simple-statistics|date-fns|fast-check|pure-rand|zod|ical-generator|@asteasolutions)/)',
  ],
};
