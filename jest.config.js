export default {
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  transform: { '^.+\\.ts$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript' } } }] },
  moduleNameMapper: { '^pimbot$': '<rootDir>/src/index.ts', '^pimbot/node$': '<rootDir>/src/node/index.ts' },
  testMatch: ['<rootDir>/tests/**/*.test.ts'],
  testTimeout: 60000,
  maxWorkers: 2,
};
