/**
 * Mutants: small bugs put into the method and the analysis, one after another, to see whether a test notices
 * (`npm run mutants`, not part of the tests). `MUTANTS` narrows what is changed: `MUTANTS='core/gap/*.ts' npm run mutants`.
 *
 * @type {import('@stryker-mutator/api/core').PartialStrykerOptions}
 */
const chosen = process.env.MUTANTS?.split(',');

export default {
  mutate: chosen ?? [
    'core/**/*.ts',
    'server/analysis/{facts,kept}/*.ts',
    '!**/*.test.ts',
    // Lists of words and constants, and what other threads run.
    '!core/text/joiningWords.ts',
    '!core/text/packages.d.ts',
  ],
  testRunner: 'jest',
  jest: { configFile: 'jest.mutants.config.mjs', enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  concurrency: 2,
  ignoreStatic: true,
  // What is said in words is no arithmetic: a test of each sentence would only repeat it.
  mutator: { excludedMutations: ['StringLiteral', 'ObjectLiteral', 'Regex'] },
  ignorePatterns: ['.data', 'docs', 'e2e', 'web', '**/dist', 'test-results'],
  reporters: ['clear-text', 'json'],
  jsonReporter: { fileName: '.cache/mutants.json' },
  clearTextReporter: { allowColor: false, reportTests: false, reportScoreTable: true },
  tempDirName: '.cache/mutants',
  timeoutMS: 20_000,
  thresholds: { high: 90, low: 85, break: null },
};
