module.exports = {
  testTimeout: 60000,
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  transform: {
    '^.+\\.[jt]sx?$': '<rootDir>/../tools/jestTransform.cjs',
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(uuid|tinyqueue|simple-statistics|date-fns|fast-check|pure-rand|zod)/)',
  ],
};
