export default {
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  transform: { '^.+\\.ts$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript' } } }] },
  globalSetup: '<rootDir>/scripts/bundle.mjs',
  moduleNameMapper: {
    '^pimbot$': '<rootDir>/dist/tests/index.js',
    '^pimbot/tools$': '<rootDir>/dist/tests/tools.js',
    '^pimbot/node$': '<rootDir>/dist/tests/node.js',
    '^pimbot/cli$': '<rootDir>/dist/tests/cli.js',
    '^pimbot/lsp$': '<rootDir>/dist/tests/lsp.js',
    '^pimbot/jest$': '<rootDir>/dist/tests/jest.js',
  },
  testMatch: ['<rootDir>/tests/**/*.test.ts'],
  // A guard against what never ends; no test is measured by the clock.
  testTimeout: 45 * 60_000,
  maxWorkers: 2,
};
