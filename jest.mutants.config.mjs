import base from './jest.config.mjs';

const { globalSetup: _, ...quick } = base;

/** Only tests that run in the process itself: mutants are many. @type {import('jest').Config} */
export default {
  ...quick,
  roots: ['<rootDir>/core', '<rootDir>/server/analysis'],
  testPathIgnorePatterns: ['/node_modules/', 'warmAndFresh'],
  modulePathIgnorePatterns: ['/dist/'],
};
