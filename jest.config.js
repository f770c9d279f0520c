export default {
  testEnvironment: '<rootDir>/scripts/test-environment.mjs',
  extensionsToTreatAsEsm: ['.ts'],
  transform: { '^.+\\.ts$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript' } } }] },
  testSequencer: '<rootDir>/scripts/test-order.mjs',
  globalSetup: '<rootDir>/scripts/bundle.mjs',
  moduleNameMapper: {
    '^pimbot$': '<rootDir>/dist/tests/shared/index.js',
    '^pimbot/tools$': '<rootDir>/dist/tests/shared/tools.js',
    '^pimbot/node$': '<rootDir>/dist/tests/shared/node.js',
    '^pimbot/cli$': '<rootDir>/dist/tests/shared/cli.js',
    '^pimbot/lsp$': '<rootDir>/dist/tests/shared/lsp.js',
    '^pimbot/jest$': '<rootDir>/dist/tests/shared/jest.js',
    '^playwright-core$': '<rootDir>/dist/tests/shared/playwright-core.js',
    '^fast-check$': '<rootDir>/dist/tests/shared/fast-check.js',
    '^@napi-rs/canvas$': '<rootDir>/dist/tests/shared/@napi-rs-canvas.js',
  },
  testMatch: ['<rootDir>/tests/**/*.test.ts'],
  // What takes minutes and holds nothing that a game loads is looked at by `npm run deep` alone.
  testPathIgnorePatterns: process.env.PIMBOT_DEEP === '1' ? [] : ['\\.deep\\.test\\.ts$'],
  // A guard against what never ends; no test is measured by the clock.
  testTimeout: 20 * 60_000,
  maxWorkers: 2,
};
