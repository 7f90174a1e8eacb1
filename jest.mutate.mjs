import config from './jest.config.mjs';

const unit = { ...config.projects[0] };
delete unit.displayName;

/** Tests of the room that is mutated (bin/mutate.ts). */
export default {
  ...unit,
  testEnvironment: '@stryker-mutator/jest-runner/jest-env/node',
  testMatch: [`<rootDir>/core/${process.env.LATTICE_MUTATED}/**/*.test.ts`],
  modulePathIgnorePatterns: ['<rootDir>/.next'],
};
