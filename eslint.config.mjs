import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';

/** Who may not be imported from where: arrows point app -> features -> ui, server -> core; only server reaches db. */
const arrows = [
  { target: './core', from: ['./app', './features', './ui', './server', './db', './cli', './demo', './workers', './testing'] },
  { target: './workers', from: ['./app', './features', './ui', './server', './db', './cli', './demo', './testing'] },
  { target: './ui', from: ['./app', './features', './server', './db', './cli', './demo', './testing'] },
  { target: './features', from: ['./app', './db', './cli', './demo', './testing'] },
  { target: './db', from: ['./app', './features', './ui', './server', './cli', './demo'] },
  { target: './server', from: ['./app', './features', './ui', './cli', './demo'] },
  { target: './cli', from: ['./app', './features', './ui', './server', './db', './demo'] },
  { target: './app', from: ['./db', './cli'] },
];

const framework = ['react', 'react-dom', 'next', 'antd', 'drizzle-orm', '@libsql/client', 'zustand'];

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'db/migrations/**', 'data/**', 'test-results/**'] },
  ...next,
  ...typescript,
  {
    rules: {
      'import/no-restricted-paths': ['error', { zones: arrows.map(({ target, from }) => ({ target, from, except: [] })) }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      eqeqeq: 'error',
      'no-console': ['error', { allow: ['error'] }],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
    },
    settings: { 'import/resolver': { typescript: true, node: true } },
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: framework.flatMap((name) => [name, `${name}/*`]), message: 'core knows no framework, interface or database' },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process'],
    },
  },
  {
    // Tests may take the demo designs as their material.
    files: ['**/*.test.ts'],
    rules: { 'import/no-restricted-paths': 'off' },
  },
  {
    files: ['cli/**', 'db/tool.ts', 'demo/seed.ts', 'scripts/**', 'e2e/**', 'bench/**'],
    rules: { 'no-console': 'off' },
  },
];

export default config;
