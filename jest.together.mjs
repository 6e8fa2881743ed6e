import config from './jest.config.mjs';

/**
 * All unit tests, a tenth of the files at a time in one context; those of a store each in its own, since there is one store to a process.
 */
const TOGETHER = ['core', 'features', 'ui', 'demo'];
const APART = ['server', 'db', 'cli'];
const PARTS = 10;

const parts = Array.from({ length: PARTS }, (_, number) => ({
  ...config,
  displayName: `${number + 1} of ${PARTS}`,
  globals: { part: { number, of: PARTS, folders: TOGETHER } },
  testMatch: ['<rootDir>/testing/together.ts'],
}));

const all = {
  testTimeout: config.testTimeout,
  projects: [...parts, { ...config, testMatch: [`<rootDir>/{${APART.join(',')}}/**/*.test.ts`] }],
};

export default all;
