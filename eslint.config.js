const expo = require('eslint-config-expo/flat');

/** The house: app → core ← server; in core a noun uses only what stands below it. */
const order = [
  'contracts',
  'units',
  'chain',
  'belt',
  'note',
  'drive',
  'knives',
  'forecast',
  'verdict',
  'intervals',
  'work',
  'symptoms',
  'walk',
  'sheets',
  'plan',
];
const upward = order.flatMap((noun, i) =>
  order
    .slice(i + 1)
    .map((above) => ({
      target: `./core/src/${noun}`,
      from: `./core/src/${above}`,
      except: [],
      message: `core/${noun} stands below core/${above}.`,
    })),
);

module.exports = [
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.data/**',
      'app/.expo/**',
      'test-results/**',
      'app/public/**',
      'docs/api/**',
    ],
  },
  ...expo,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      // a contract and its inferred type share one name; fast-check is used by its default import
      '@typescript-eslint/no-redeclare': 'off',
      'import/no-named-as-default-member': 'off',
      'react/no-unescaped-entities': 'off',
      'import/first': 'off',
      'import/no-restricted-paths': [
        'error',
        {
          zones: [
            { target: './core/src', from: './server' },
            { target: './core/src', from: './app' },
            { target: './server', from: './app' },
            { target: './app', from: './server' },
            ...upward.map(({ except: _none, ...zone }) => zone),
          ],
        },
      ],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['@green-tally/server*', '@green-tally/app*'],
              message: 'app and server meet only in core/contracts.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['core/src/testing/**', '**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        { name: 'Date', message: 'core has no clock: pass the day in.' },
        'fetch',
        'process',
        'setTimeout',
      ],
      'no-restricted-imports': [
        'error',
        { patterns: ['react*', 'express*', 'node:*', '@green-tally/*'] },
      ],
    },
  },
  {
    files: ['server/**/*.ts', 'e2e/**/*.ts', 'tools/**/*.mjs'],
    rules: {
      'expo/no-dynamic-env-var': 'off',
      'expo/no-env-var-destructuring': 'off',
      'import/namespace': ['error', { allowComputed: true }],
    },
  },
  {
    files: ['**/*.cjs', '**/*.config.js', '**/metro.config.js', 'tools/**/*.mjs'],
    languageOptions: {
      globals: {
        require: 'readonly',
        module: 'writable',
        process: 'readonly',
        __dirname: 'readonly',
        globalThis: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        fetch: 'readonly',
        console: 'readonly',
        performance: 'readonly',
      },
    },
  },
];
