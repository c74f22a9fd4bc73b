const shared = {
  rootDir: __dirname,
  testEnvironment: 'node',
  transform: {
    '\\.[cm]?[jt]sx?$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } }, module: { type: 'commonjs' } },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!(uuid|aedes|aedes-packet|aedes-persistence|valibot|@valibot|umzug)/)'],
  modulePathIgnorePatterns: ['<rootDir>/dist', '<rootDir>/.data', '<rootDir>/test-results'],
};
module.exports = {
  // A busy machine is no fault of a test.
  testTimeout: 60_000,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: ['<rootDir>/packages/*/src/**/*.test.ts'],
      testPathIgnorePatterns: ['\\.api\\.test\\.ts$', '/node_modules/'],
    },
    { ...shared, displayName: 'commands', testMatch: ['<rootDir>/scripts/**/*.test.ts'] },
    { ...shared, displayName: 'api', testMatch: ['<rootDir>/packages/server/src/**/*.api.test.ts'] },
  ],
};
