const room = process.env.LATTICE_MUTATED;

/** Mutation tests of one room of core (npm run mutate -- ROOM), outside CI. */
export default {
  testRunner: 'jest',
  jest: { projectType: 'custom', configFile: 'jest.mutate.mjs', enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  // What is computed when a module is loaded would run all tests again; words are not pinned by tests.
  ignoreStatic: true,
  mutator: { excludedMutations: ['StringLiteral'] },
  incremental: true,
  concurrency: 2,
  timeoutMS: 20000,
  reporters: ['clear-text', 'html', 'progress-append-only'],
  htmlReporter: { fileName: `.local/mutate/${room}.html` },
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  tempDirName: '.local/stryker',
  ignorePatterns: ['.next', '.local', 'docs/screenshots', 'coverage', 'public'],
  disableTypeChecks: false,
  // Stryker would rewrite tsconfig.json with the old compiler's functions; Jest does not read it.
  tsconfigFile: 'none.json',
  allowEmpty: true,
};
