import nextCoreWebVitals from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import tseslint from 'typescript-eslint';

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

const TYPED = ['{core,data}/**/*.ts'];

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

const config = [
  { ignores: ['.next/**', '.local/**', 'node_modules/**', 'next-env.d.ts', 'coverage/**', 'public/**'] },
  // Rules of React cost half the time, and only these rooms have any.
  ...nextCoreWebVitals.map((rules) =>
    rules.rules ? { ...rules, files: [`{${screens.join()}}/**/*.{ts,tsx}`] } : rules,
  ),
  ...nextTypescript,
  // What computes and what is kept is linted with its types.
  ...tseslint.configs.recommendedTypeCheckedOnly.map((rules) => ({ ...rules, files: TYPED })),
  {
    files: TYPED,
    languageOptions: {
      parser: tseslint.parser,
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  // Jest's matchers for a part of a value are of any type.
  {
    files: ['{core,data}/**/*.test.ts'],
    rules: { '@typescript-eslint/no-unsafe-assignment': 'off', '@typescript-eslint/no-unsafe-return': 'off' },
  },
  ...roomRules,
  {
    // The doors to the database: server actions and server-side reads.
    files: ['features/**/actions.ts', 'features/**/queries.ts', 'features/session/*.ts'],
    rules: roomRule('features', ['data']),
  },
  // What hands over is tested against its stand-in.
  {
    files: ['data/**/outbox.test.ts', 'data/jobs.test.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: closedTo('data', ['stands']) }] },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/testing/**'],
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
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-console': ['error', { allow: ['warn', 'error'] }],
      // More than four are an object with names.
      'max-params': ['error', 4],
      // Pictures come from routes of the application, which has made them the right size.
      '@next/next/no-img-element': 'off',
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
];

export default config;
