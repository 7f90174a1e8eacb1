/**
 * The rooms and which way their arrows point (docs/architecture.md). A room may import from itself
 * and from the rooms named here, and from no other.
 */
const rooms = {
  core: [],
  ui: [],
  workers: ['core'],
  stands: ['core'],
  bench: ['core'],
  data: ['core'],
  bin: ['core', 'data'],
  features: ['core', 'ui', 'workers'],
  app: ['features', 'ui', 'core'],
  e2e: ['core', 'data'],
};

const screens = ['app', 'features', 'ui', 'workers'];

const anyRoom = Object.keys(rooms);

/** Patterns that a file in a room must not import: every other room, by alias or by climbing out. */
function closedTo(room, alsoOpen = []) {
  const open = [room, ...rooms[room], ...alsoOpen];
  return anyRoom
    .filter((other) => !open.includes(other))
    .map((other) => ({
      regex: `^(@/|(\\.\\./)+)${other}(/|$)`,
      message: `${room}/ may not import from ${other}/ (docs/architecture.md, rooms and arrows).`,
    }));
}

const outsideWorld = {
  core: ['react', 'react-dom', 'next', 'next/*', 'knex', 'pg', 'node:*', 'fs', 'path'],
  ui: ['knex', 'pg', 'next/headers'],
  // ui/link asks for a page ahead only when a hand comes near.
  app: ['next/link'],
  features: ['next/link'],
};

const noOtherConnection = { regex: '^(knex|pg)$', message: 'Only data/ opens a connection to the database.' };

function roomRule(room, alsoOpen = []) {
  const outside = (outsideWorld[room] ?? []).map((group) => ({
    group: [group],
    message: `${room}/ stays free of ${group}.`,
  }));
  const patterns = [...closedTo(room, alsoOpen), ...outside];
  if (room !== 'data') patterns.push(noOtherConnection);
  return { 'no-restricted-imports': ['error', { patterns }] };
}

const roomRules = anyRoom.map((room) => ({
  files: [`${room}/**/*.{ts,tsx,mts,mjs}`],
  rules: roomRule(room),
}));

/** All rules of one plugin, each an error. */
const errors = (plugin, names) => Object.fromEntries(names.map((name) => [`${plugin}/${name}`, 'error']));

/** typescript-eslint, recommended: what is wrong without asking for types. */
const RECOMMENDED = {
  'no-var': 'error',
  'prefer-const': 'error',
  'prefer-rest-params': 'error',
  'prefer-spread': 'error',
  'no-array-constructor': 'error',
  'no-unused-expressions': 'error',
  ...errors('typescript', [
    'ban-ts-comment',
    'no-duplicate-enum-values',
    'no-empty-object-type',
    'no-explicit-any',
    'no-extra-non-null-assertion',
    'no-misused-new',
    'no-namespace',
    'no-non-null-asserted-optional-chain',
    'no-require-imports',
    'no-this-alias',
    'no-unnecessary-type-constraint',
    'no-unsafe-declaration-merging',
    'no-unsafe-function-type',
    'no-wrapper-object-types',
    'prefer-as-const',
    'prefer-namespace-keyword',
    'triple-slash-reference',
  ]),
};

/** typescript-eslint, recommended with types, and that a switch names every case. */
const TYPED = {
  ...errors('typescript', [
    'await-thenable',
    'no-array-delete',
    'no-base-to-string',
    'no-duplicate-type-constituents',
    'no-floating-promises',
    'no-for-in-array',
    'no-implied-eval',
    'no-misused-promises',
    'no-redundant-type-constituents',
    'no-unnecessary-type-assertion',
    'no-unsafe-argument',
    'no-unsafe-assignment',
    'no-unsafe-call',
    'no-unsafe-enum-comparison',
    'no-unsafe-member-access',
    'no-unsafe-return',
    'no-unsafe-unary-minus',
    'only-throw-error',
    'prefer-promise-reject-errors',
    'require-await',
    'restrict-plus-operands',
    'restrict-template-expressions',
    'unbound-method',
  ]),
  'typescript/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
};

/** React, its hooks and compiler, Next.js, and what screen readers are told. */
const SCREENS = {
  ...errors('react', [
    'display-name',
    'jsx-key',
    'jsx-no-comment-textnodes',
    'jsx-no-duplicate-props',
    'jsx-no-undef',
    'no-children-prop',
    'no-danger-with-children',
    'no-direct-mutation-state',
    'no-find-dom-node',
    'no-is-mounted',
    'no-render-return-value',
    'no-string-refs',
    'no-unescaped-entities',
    'require-render-return',
    'rules-of-hooks',
    'exhaustive-deps',
    'static-components',
    'use-memo',
    'preserve-manual-memoization',
    'immutability',
    'globals',
    'refs',
    'set-state-in-effect',
    'error-boundaries',
    'purity',
    'set-state-in-render',
    'incompatible-library',
    'unsupported-syntax',
  ]),
  ...errors('nextjs', [
    'google-font-display',
    'google-font-preconnect',
    'inline-script-id',
    'next-script-for-ga',
    'no-assign-module-variable',
    'no-async-client-component',
    'no-before-interactive-script-outside-document',
    'no-css-tags',
    'no-document-import-in-page',
    'no-duplicate-head',
    'no-head-element',
    'no-head-import-in-document',
    'no-html-link-for-pages',
    'no-page-custom-font',
    'no-script-component-in-head',
    'no-styled-jsx-in-document',
    'no-sync-scripts',
    'no-title-in-document-head',
    'no-typos',
    'no-unwanted-polyfillio',
  ]),
  ...errors('jsx-a11y', [
    'alt-text',
    'aria-props',
    'aria-proptypes',
    'aria-unsupported-elements',
    'role-has-required-aria-props',
    'role-supports-aria-props',
  ]),
  'import/no-anonymous-default-export': 'error',
};

const config = {
  ignorePatterns: ['.next/**', '.local/**', 'next-env.d.ts', 'coverage/**', 'public/**'],
  plugins: ['typescript', 'react', 'nextjs', 'jsx-a11y', 'import'],
  categories: { correctness: 'off' },
  rules: {
    ...RECOMMENDED,
    'no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
    'no-console': ['error', { allow: ['warn', 'error'] }],
    // More than four are an object with names.
    'max-params': ['error', 4],
    // A file that depends on itself by way of others, in types either, can only be read, tested and moved with them.
    'import/no-cycle': ['error', { ignoreTypes: false }],
  },
  overrides: [
    { files: [`{${screens.join()}}/**/*.{ts,tsx}`], rules: SCREENS },
    // What computes and what is kept is linted with its types.
    { files: ['{core,data}/**/*.ts'], rules: TYPED },
    // Jest's matchers for a part of a value are of any type.
    {
      files: ['{core,data}/**/*.test.ts'],
      rules: { 'typescript/no-unsafe-assignment': 'off', 'typescript/no-unsafe-return': 'off' },
    },
    ...roomRules,
    {
      // The doors to the database: server actions and server-side reads.
      files: ['features/**/actions.ts', 'features/**/queries.ts', 'features/session/*.ts'],
      rules: roomRule('features', ['data']),
    },
    {
      // What hands over is tested against its stand-in.
      files: ['data/**/outbox.test.ts', 'data/jobs.test.ts'],
      rules: { 'no-restricted-imports': ['error', { patterns: closedTo('data', ['stands']) }] },
    },
    {
      files: ['core/**/*.ts'],
      excludeFiles: ['**/*.test.ts', 'core/testing/**'],
      rules: {
        'no-restricted-properties': [
          'error',
          { object: 'Math', property: 'random', message: 'core/ is deterministic: use a seeded generator.' },
          { object: 'Date', property: 'now', message: 'core/ has no clock: pass the time in.' },
        ],
        'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'localStorage'],
      },
    },
    {
      // Hot loops make no objects; forms and migrations are called as React and Knex call them.
      files: [
        'core/{bust,clock,head,pattern,wear}/**',
        'features/head/**',
        'features/wear/wear-worker.ts',
        'features/**/actions.ts',
        'data/migrations/**',
        '**/*.test.ts',
      ],
      rules: { 'max-params': 'off' },
    },
    {
      files: [
        'bin/**',
        'data/setup.ts',
        'data/new-salon.ts',
        'data/reset-link.ts',
        'data/archive/command.ts',
        'data/bench/**',
        'bench/**',
        'stands/**',
        'e2e/**',
      ],
      rules: { 'no-console': 'off' },
    },
  ],
};

export default config;
