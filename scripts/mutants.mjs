import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import ts from 'typescript';
import { install, ROOT } from './setup.mjs';

/**
 * `npm run mutants -- [FILE…]`: plants one small error at a time in a copy of the last commit and sees whether a test that leads to the
 * file fails. Of each file a sample, MUTANTS of them (10), by MUTANT_SEED. `--all` takes MUTANTS (200) out of every error core, store,
 * server and the logic of the views could have. Ends with a table and each error that nobody noticed, and with status 1 when fewer than
 * eight in ten were.
 */

/** Where a wrong answer can burn something, or lose something, and what is new. */
const FILES = [
  'core/network/letThrough.ts',
  'core/sizing/conductorChoice.ts',
  'core/sizing/coordination.ts',
  'core/switching/partsByHand.ts',
  'core/switching/drawWire.ts',
  'core/devices/ownDraw.ts',
  'core/units/compare.ts',
  'core/design/change.ts',
  'db/bringUp.ts',
  'server/access.ts',
  'server/links.ts',
  'server/commit.ts',
  'features/design/leftEdits.ts',
];
const ALL = process.argv.includes('--all');
const COUNT = Number(process.env.MUTANTS ?? (ALL ? 200 : 10));
const SEED = Number(process.env.MUTANT_SEED ?? 1);
const LEAST_NOTICED = 0.8;

const SWAPS = new Map([
  [ts.SyntaxKind.LessThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '<'],
  [ts.SyntaxKind.GreaterThanToken, '>='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '>'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
  [ts.SyntaxKind.SlashToken, '*'],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
]);

/** What a test of a declaration would say too: its name, and the words of some length in it, such as names of rules. */
function tokensOf(statement) {
  const tokens = new Set();
  if (statement.name) tokens.add(statement.name.text);
  const visit = (node) => {
    if (ts.isStringLiteral(node) && node.text.length > 6 && !node.text.startsWith('.')) tokens.add(node.text);
    ts.forEachChild(node, visit);
  };
  visit(statement);
  return [...tokens];
}

/** Every small error a file could have: where, how long, what in its place, and what a test of it would say. */
function mutantsOf(text) {
  const source = ts.createSourceFile('x.tsx', text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found = [];
  let tokens = [];
  const add = (node, put) => found.push({ start: node.getStart(), end: node.getEnd(), put, tokens });
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return;
    if (ts.isBinaryExpression(node) && SWAPS.has(node.operatorToken.kind)) {
      const isText = [node.left, node.right].some((side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side));
      if (!isText) add(node.operatorToken, SWAPS.get(node.operatorToken.kind));
    }
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken) add(node, node.operand.getText());
    if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, 'false');
    if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, 'true');
    // A large number a little off is within what the trade rounds by: half as much again is an error.
    if (ts.isNumericLiteral(node)) add(node, String(Number(node.text) < 10 ? Number(node.text) + 1 : Math.round(Number(node.text) * 1.5)));
    if (ts.isConditionalExpression(node)) add(node.condition, `!(${node.condition.getText()})`);
    if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText()})`);
    if (ts.isExpressionStatement(node) && ts.isCallExpression(node.expression)) add(node, ';');
    ts.forEachChild(node, visit);
  };
  for (const statement of source.statements) {
    tokens = tokensOf(statement);
    visit(statement);
  }
  return found;
}

function randomOf(seed) {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 4_294_967_296;
  };
}

function sample(list, count, random) {
  const left = [...list];
  return Array.from({ length: Math.min(count, left.length) }, () => left.splice(Math.floor(random() * left.length), 1)[0]).sort(
    (a, b) => a.start - b.start,
  );
}

/** Tests run for one error: of a file that half the program imports those nearest to it. */
const MOST_TESTS = 6;

/**
 * The tests that bear a file's name or import it themselves; of a file that is reached through others alone the nearest of those that reach
 * it. The rest are those that lead there otherwise.
 */
function testsOf(folder, file) {
  const name = path.basename(file).replace(/\.tsx?$/, '');
  const steps = (test) => path.relative(path.dirname(file), test).split(path.sep).length;
  const { stdout } = spawnSync('npx', ['jest', '--listTests', '--findRelatedTests', file], { cwd: folder, encoding: 'utf8' });
  const related = stdout
    .split('\n')
    .filter((line) => /\.test\.tsx?$/.test(line))
    .map((line) => path.relative(folder, line))
    .sort((a, b) => steps(a) - steps(b));
  const own = related.filter(
    (test) => test === file.replace(/\.tsx?$/, '.test.ts') || new RegExp(`from '[^']*/${name}'`).test(textOf(folder, test)),
  );
  const near = (own.length > 0 ? own : related).slice(0, MOST_TESTS);
  return { near, rest: related.filter((test) => !near.includes(test)) };
}

const textOf = (folder, test) => readFileSync(path.join(folder, test), 'utf8');

/**
 * The other tests, asked where nobody noticed an error and all files are sampled, for it is the whole run that is measured then: first what
 * speaks of the same, then every one that leads there.
 */
function furtherOf(folder, rest, { tokens }) {
  if (!ALL) return [];
  const said = new Map(rest.map((test) => [test, tokens.filter((token) => textOf(folder, test).includes(token)).length]));
  const ordered = rest.toSorted((a, b) => said.get(b) - said.get(a));
  return [ordered.slice(0, MOST_TESTS), ordered.slice(MOST_TESTS)];
}

install();
const folder = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-mutants-')), 'copy');
const git = (...args) => spawnSync('git', args, { cwd: ROOT, stdio: 'ignore' });
git('worktree', 'add', '--detach', folder, 'HEAD');
symlinkSync(path.join(ROOT, 'node_modules'), path.join(folder, 'node_modules'));
/** An error can have a test run for ever: a few are stopped after minutes, all of them after half an hour. */
const jest = (tests) =>
  spawnSync('npx', ['jest', '--bail', '--silent', '--maxWorkers', '2', ...tests], {
    ...{ cwd: folder, stdio: 'ignore', timeout: tests.length > MOST_TESTS ? 1_800_000 : 240_000 },
    env: { ...process.env, TEST_SHARE: '0.3' },
  }).status;

/** Errors to plant, by file: of each file asked for a sample, or one sample out of all that any file could have. */
function chosenOf(folder) {
  const of = (file) => mutantsOf(readFileSync(path.join(folder, file), 'utf8')).map((mutant) => ({ ...mutant, file }));
  if (ALL) {
    const chosen = new Map();
    for (const mutant of sample(sources(folder).flatMap(of), COUNT, randomOf(SEED)))
      chosen.set(mutant.file, [...(chosen.get(mutant.file) ?? []), mutant]);
    return chosen;
  }
  const asked = process.argv.slice(2);
  return new Map((asked.length > 0 ? asked : FILES).map((file) => [file, sample(of(file), COUNT, randomOf(SEED))]));
}

/** Files with logic that a test without a page can reach: hooks of the views are the browser tests'. */
function sources(folder) {
  const { stdout } = spawnSync('git', ['ls-files', 'core', 'db', 'server', 'features', 'cli'], { cwd: folder, encoding: 'utf8' });
  return stdout.split('\n').filter((file) => /\.ts$/.test(file) && !/\.(test|d)\.ts$|\/use[A-Z]\w*\.ts$/.test(file));
}

/** A row of the table: a file, or the part of the house it stands in where all are sampled. */
const rowOf = (file) =>
  ALL
    ? file
        .split('/')
        .slice(0, file.startsWith('core/') ? 2 : 1)
        .join('/')
    : file;

const rows = new Map();
const survivors = [];
let files = 0;
try {
  for (const [file, chosen] of chosenOf(folder)) {
    const at = path.join(folder, file);
    const text = readFileSync(at, 'utf8');
    const { near, rest } = testsOf(folder, file);
    const name = rowOf(file);
    const row = rows.get(name) ?? { tests: 0, planted: 0, noticed: 0 };
    rows.set(name, row);
    row.tests += near.length;
    files += 1;
    // Of one sample out of all most files have a single error: there a tenth of them is tried unharmed.
    const isTried = !ALL || files % 10 === 1;
    if (near.length > 0 && isTried && jest(near) !== 0) {
      survivors.push(`${file}: its tests fail as they are`);
      continue;
    }
    for (const mutant of chosen) {
      const { start, end, put } = mutant;
      const further = furtherOf(folder, rest, mutant);
      row.planted += 1;
      writeFileSync(at, text.slice(0, start) + put + text.slice(end));
      if ([near, ...further].some((tests) => tests.length > 0 && jest(tests) !== 0)) row.noticed += 1;
      else {
        const line = text.slice(0, start).split('\n').length;
        const plain = (code) => code.replace(/\s+/g, ' ').slice(0, 70);
        const why = near.length === 0 ? ' (no test leads to it)' : '';
        survivors.push(`${file}:${line}: ${plain(text.slice(start, end))} -> ${plain(put)}${why}`);
        console.log(`  ${survivors.at(-1)}`);
      }
    }
    writeFileSync(at, text);
    console.log(`${file}: ${chosen.length} planted; ${row.noticed} of ${row.planted} noticed in ${name}`);
  }
} finally {
  git('worktree', 'remove', '--force', folder);
  rmSync(path.dirname(folder), { recursive: true, force: true });
}
console.table(Object.fromEntries([...rows].sort(([a], [b]) => a.localeCompare(b))));
if (survivors.length > 0) console.log(`\nNobody noticed:\n${survivors.join('\n')}`);
const sum = (field) => [...rows.values()].reduce((total, row) => total + row[field], 0);
console.log(`\n${sum('noticed')} of ${sum('planted')} noticed, seed ${SEED}`);
process.exit(sum('planted') > 0 && sum('noticed') / sum('planted') >= LEAST_NOTICED ? 0 : 1);
