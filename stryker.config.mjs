/** Faults put into the core one at a time, to see whether its tests notice; scripts/mutants.mjs says where. */
export default {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'vitest.config.ts', related: true },
  coverageAnalysis: 'perTest',
  // What is worked out once when a file is read is data; words are read by people.
  ignoreStatic: true,
  mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
  // Only what the tests of core need is copied for each run.
  ignorePatterns: [
    '*',
    '!src',
    '!src/**',
    '!test',
    '!test/fixtures',
    '!test/fixtures/**',
    '!docs',
    '!docs/formats',
    '!docs/formats/**',
    '!*.json',
    '!vitest.config.ts',
  ],
  reporters: [],
  concurrency: 2,
  timeoutMS: 20_000,
  timeoutFactor: 2,
  tempDirName: '.coherion/mutants',
  allowEmpty: true,
}
