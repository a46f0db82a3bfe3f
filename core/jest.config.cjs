module.exports = {
  testTimeout: 60000,
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  transform: {
    '^.+\\.[jt]sx?$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(uuid|tinyqueue|simple-statistics|date-fns|fast-check|pure-rand|zod)/)',
  ],
};
