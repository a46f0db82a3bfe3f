const expo = require('eslint-config-expo/flat');

/** Core's nouns, lowest first: each uses only those before it. */
const NOUNS = [
  'contracts',
  'rights',
  'labels',
  'api',
  'units',
  'tools',
  'chain',
  'sprockets',
  'belt',
  'note',
  'drive',
  'knives',
  'forecast',
  'history',
  'intervals',
  'findings',
  'kinds',
  'csv',
  'fleet',
  'verdict',
  'earlier',
  'work',
  'symptoms',
  'walk',
  'stand',
  'summary',
  'sheets',
  'figures',
  'harvest',
  'plan',
  'insight',
  'crew',
  'board',
  'parts',
  'card',
  'choose',
  'benchFor',
  'photo',
  'fleetHours',
  'ownerWords',
  'report',
  'photoScene',
  'practice',
  'bench',
];
/** The server's rooms, lowest first; `http` stands above them all, `cli` and tests above that. */
const ROOMS = [
  'errors',
  'clock',
  'db',
  'paging',
  'files',
  'papers',
  'links',
  'people',
  'tools',
  'specs',
  'machines',
  'crew',
  'costs',
  'walks',
  'work',
  'ticks',
  'photos',
  'cards',
  'labels',
  'fleetHours',
  'tokens',
  'reports',
  'standings',
  'yard',
  'due',
  'stock',
  'parts',
  'plan',
  'board',
  'insight',
  'jobs',
  'demo',
  'gauge',
  'http',
];
/** The app's layers, lowest first. A place may use another place's parts. */
const LAYERS = ['ui', 'store'];

/** A zone a room: what it must not use is all that stands above it. */
const upward = (names, folder) =>
  names.slice(0, -1).map((name, i) => ({
    target: `${folder}/${name}`,
    from: names.slice(i + 1).map((above) => `${folder}/${above}`),
    message: `${folder}/${name} stands below it.`,
  }));

/** A kind's contract is part of the contracts; the rest of its room stands high above them. */
const exceptContracts = (zone) => {
  const kinds = './core/src/kinds';
  if (!zone.target.endsWith('/contracts')) return [zone];
  return [
    { ...zone, from: zone.from.filter((from) => from !== kinds) },
    { ...zone, from: [`${kinds}/*.ts`, `${kinds}/*/!(contract).ts`] },
  ];
};

const zones = [
  { target: './core/src', from: './server' },
  { target: './core/src', from: './app' },
  { target: './server', from: './app' },
  { target: './app', from: './server' },
  ...upward(NOUNS, './core/src').flatMap(exceptContracts),
  ...upward(ROOMS, './server/src'),
  ...LAYERS.map((layer) => ({
    target: `./app/src/${layer}`,
    from: './app/src',
    except: [`./${layer}`, './testing'],
    message: `app/src/${layer} stands below the places.`,
  })),
];

const reactRules = expo
  .flatMap(({ rules }) => Object.keys(rules ?? {}))
  .filter((rule) => /^react(-hooks)?\//.test(rule));

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
  // asked by oxlint, or seen by the compiler and by Node
  { rules: { 'import/no-duplicates': 'off', 'import/namespace': 'off' } },
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      complexity: ['error', 15],
      'max-params': ['error', 4],
      'max-depth': ['error', 4],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      // the compiler sees a module that is not there, a name it does not have, and one exported twice
      'import/no-unresolved': 'off',
      'import/export': 'off',
      // a contract and its inferred type share one name; fast-check is used by its default import
      '@typescript-eslint/no-redeclare': 'off',
      'import/no-named-as-default-member': 'off',
      'import/no-named-as-default': 'off',
      'react/no-unescaped-entities': 'off',
      'import/first': 'off',
      'import/no-restricted-paths': ['error', { zones }],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['@green-tally/server*', '@green-tally/app*'],
              message: 'app and server meet only in core.',
            },
            {
              regex: '^date-fns$',
              message: 'date-fns by subpath: the whole of it is 30 kB in the app.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['app/**/*.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "JSXAttribute[name.name='style'] ObjectExpression[properties.length>2]",
          message: 'A style of more than two properties stands in StyleSheet.create.',
        },
      ],
    },
  },
  {
    // React is in the app alone
    files: ['{core,demo,server,e2e}/**/*.ts', 'tools/**/*.mjs'],
    rules: Object.fromEntries(reactRules.map((rule) => [rule, 'off'])),
  },
  {
    // a table of cases is a list of arguments
    files: ['**/*.test.{ts,tsx}'],
    rules: { 'max-params': 'off' },
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
        {
          patterns: [
            { group: ['react*', 'express*', 'node:*', '@green-tally/*'] },
            {
              regex: '^date-fns$',
              message: 'date-fns by subpath: the whole of it is 30 kB in the app.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['server/**/*.ts', 'e2e/**/*.ts', 'tools/**/*.mjs'],
    rules: {
      'expo/no-dynamic-env-var': 'off',
      'expo/no-env-var-destructuring': 'off',
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
