module.exports = {
  testTimeout: 60000,
  runtime: '<rootDir>/../tools/jest/runtime.cjs',
  testEnvironment: '<rootDir>/../tools/jest/environment.cjs',
  roots: ['<rootDir>/src'],
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
