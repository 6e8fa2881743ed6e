/** Unit tests: Node only, beside the code they test. */
const config = {
  testEnvironment: 'node',
  // Within a test’s own context a global is looked up slowly; these are asked for in every sum.
  sandboxInjectedGlobals: [
    'Math',
    'Map',
    'Set',
    'WeakMap',
    'Object',
    'Array',
    'Number',
    'String',
    'Boolean',
    'Symbol',
    'JSON',
    'Error',
    'Float64Array',
    'Int32Array',
    'Uint8Array',
    'Infinity',
  ],
  // A machine with other work on it takes several times as long as a quiet one.
  testTimeout: 40_000,
  testMatch: ['<rootDir>/{core,server,db,cli,ui,features,demo}/**/*.test.ts'],
  globalSetup: '<rootDir>/testing/setUp.ts',
  globalTeardown: '<rootDir>/testing/tearDown.ts',
  // Tests take Heron as set-up wired it once.
  moduleNameMapper: { '^(?:\\.\\.?/)+demo/heron$': '<rootDir>/testing/storedHeron.ts', '^@/(.*)$': '<rootDir>/$1' },
  transform: {
    '^.+\\.m?[jt]sx?$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true }, transform: { react: { runtime: 'automatic' } } } },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!(nanoid|jose|tinyqueue|d3-[a-z]+|internmap)/)'],
};

export default config;
