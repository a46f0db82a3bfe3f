module.exports = {
  runtime: '<rootDir>/../tools/jest/runtime.cjs',
  testEnvironment: '<rootDir>/../tools/jest/environment.cjs',
  roots: ['<rootDir>/src'],
  globalSetup: '<rootDir>/src/testing/cluster.setup.mjs',
  globalTeardown: '<rootDir>/src/testing/cluster.teardown.mjs',
  testTimeout: 240000,
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      {
        jsc: { target: 'es2022', parser: { syntax: 'typescript' } },
        module: { type: 'commonjs' },
      },
    ],
  },
};
