/** @type {import('jest').Config} */
export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/core', '<rootDir>/contract', '<rootDir>/standin', '<rootDir>/server', '<rootDir>/web'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  modulePathIgnorePatterns: ['/dist/'],
  transform: {
    '^.+\\.(ts|tsx|mjs|js)$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(eld|p-retry|p-queue|p-timeout|is-network-error|double-metaphone|htmlparser2|entities|domhandler|domutils|domelementtype|dom-serializer)/)',
  ],
  // It offers itself to imports only, and tests are transformed to require.
  moduleNameMapper: {
    '^eld/small$': '<rootDir>/node_modules/eld/src/entries/static.small.js',
    '\\.css$': '<rootDir>/scripts/no-style.cjs',
  },
  setupFilesAfterEnv: ['<rootDir>/scripts/jest-words.cjs'],
  globalSetup: '<rootDir>/scripts/jest-setup.mjs',
  // Server tests wait for programs of their own: four at once keep two cores at work.
  maxWorkers: 4,
  // Generous: a hook starts real programs, and the machine may be busy with much else. No test fails by its clock.
  testTimeout: 900000,
};
