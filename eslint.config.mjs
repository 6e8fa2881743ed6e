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

/** The floors of core, the ground first: each may use those below it and none above. */
const floors = [
  'catalog',
  'units',
  'devices',
  'design',
  'rig',
  'network',
  'energy',
  'sizing',
  'switching',
  'bench',
  'diagnosis',
  'logbook',
  'harness',
  'plan',
  'analysis',
  'wording',
  'diagram',
  'advice',
  'formats',
  'practise',
  'handbook',
];
const floorArrows = floors.map((floor, at) => ({
  target: `./core/${floor}`,
  from: floors.slice(at + 1).map((above) => `./core/${above}`),
}));

const framework = ['react', 'react-dom', 'next', 'antd', 'drizzle-orm', '@libsql/client', 'zustand'];

const wholeValidator = {
  name: 'zod',
  message: 'schemas are made with zod/mini: the whole of it is 40 kB more in every page, and slower to load',
};

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'db/migrations/**', 'data/**', 'test-results/**'] },
  ...next,
  ...typescript,
  {
    rules: {
      'import/no-restricted-paths': ['error', { zones: [...arrows, ...floorArrows].filter(({ from }) => from.length > 0) }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'no-restricted-imports': ['error', { paths: [wholeValidator] }],
      eqeqeq: 'error',
      'no-console': ['error', { allow: ['error'] }],
      // Code is laid out by the formatter, which leaves comments as they are.
      'max-len': ['error', { code: 1000, comments: 140, ignoreUrls: true }],
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
          paths: [wholeValidator],
          patterns: [
            { group: framework.flatMap((name) => [name, `${name}/*`]), message: 'core knows no framework, interface or database' },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process'],
    },
  },
  {
    // What runs in the browser knows the server by the shapes of its answers alone.
    files: ['features/**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['@/server/*', '**/server/*'], allowTypeImports: true, message: 'features may take types of the server only' },
          ],
        },
      ],
    },
  },
  {
    // One table, one grid to work in, one dialog, one menu.
    files: ['app/**/*.tsx', 'features/**/*.tsx', 'ui/**/*.tsx'],
    ignores: ['ui/Table.tsx', 'ui/grid/Grid.tsx', 'ui/DialogBox.tsx', 'ui/OpenedMenu.tsx', 'ui/kit/kitCss.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'JSXOpeningElement[name.name="table"]', message: 'tables are ui/Table, those one works in are ui/grid/Grid' },
        { selector: 'JSXOpeningElement[name.name="Modal"]', message: 'dialogs are ui/Dialog' },
        { selector: 'JSXOpeningElement[name.name="Dropdown"]', message: 'menus are ui/MenuButton' },
      ],
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
