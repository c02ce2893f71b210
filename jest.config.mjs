/** @type {import('jest').Config} */
export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/core', '<rootDir>/contract', '<rootDir>/standin', '<rootDir>/server', '<rootDir>/web'],
  testMatch: ['**/*.test.ts'],
  modulePathIgnorePatterns: ['/dist/'],
  transform: {
    '^.+\\.(ts|tsx|mjs|js)$': [
      '@swc/jest',
      {
        jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(p-retry|p-queue|p-timeout|is-network-error|double-metaphone|htmlparser2|entities|domhandler|domutils|domelementtype|dom-serializer)/)',
  ],
  globalSetup: '<rootDir>/scripts/jest-setup.mjs',
  testTimeout: 30000,
};
