// `npm run test:mutants`: small faults put into the sums of core, to see which the tests would miss.
// Bounded on purpose: the rules a keeper relies on most, not every line. Name other files after `--mutate`.
export default {
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner'],
  jest: { projectType: 'custom', configFile: 'jest.mutants.cjs', enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  mutate: [
    'packages/core/src/stock/kinship/{diversity,throwback}.ts',
    'packages/core/src/spawning/learnHatch.ts',
    'packages/core/src/room/biosecurity/computeExposure.ts',
    'packages/core/src/growout/{crowding,tankFreeOn}.ts',
  ],
  // Words and marks are read by people; what is counted here are figures and decisions.
  mutator: { excludedMutations: ['StringLiteral', 'ObjectLiteral', 'Regex'] },
  ignorePatterns: ['dist', '.data', 'test-results', 'docs', 'e2e'],
  concurrency: 2,
  timeoutMS: 4000,
  reporters: ['progress-append-only', 'clear-text', 'json'],
  clearTextReporter: { reportTests: false, logTests: false, allowColor: false },
  jsonReporter: { fileName: 'test-results/mutants.json' },
  tempDirName: 'test-results/stryker',
  disableTypeChecks: false,
};
