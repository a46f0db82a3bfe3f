const preset = require('jest-expo/jest-preset');

const [first, ...rest] = preset.transformIgnorePatterns;
module.exports = {
  testTimeout: 60000,
  preset: 'jest-expo',
  roots: ['<rootDir>/src'],
  setupFiles: ['<rootDir>/src/testing/setup.ts'],
  setupFilesAfterEnv: ['<rootDir>/src/testing/patience.ts'],
  transformIgnorePatterns: [
    first.replace('(?!', '(?!(.*/)?(@rneui|uuid|tinyqueue|dexie|zod|simple-statistics|date-fns)/|'),
    ...rest,
  ],
};
