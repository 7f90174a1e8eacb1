const swc = {
  '^.+\\.(t|j)sx?$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
        target: 'es2022',
      },
      // Modules are read when first used: reading all that a test could use takes up to 2 s a file.
      module: { type: 'commonjs', lazy: true },
    },
  ],
};

const shared = {
  transform: swc,
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1', '^server-only$': '<rootDir>/data/testing/empty.ts' },
  testEnvironment: 'node',
  setupFiles: ['<rootDir>/core/testing/seed.ts'],
  setupFilesAfterEnv: ['<rootDir>/core/testing/patience.ts'],
  modulePathIgnorePatterns: ['<rootDir>/.next', '<rootDir>/.local'],
};

/** unit: pure code. data: against the real server. e2e: the built application in a real browser. */
const config = {
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: ['<rootDir>/{core,features,ui,workers,bin,stands}/**/*.test.ts'],
    },
    { ...shared, displayName: 'data', testMatch: ['<rootDir>/data/**/*.test.ts'] },
    { ...shared, displayName: 'e2e', testMatch: ['<rootDir>/e2e/**/*.test.ts'] },
  ],
};

export default config;
