import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import ts from 'typescript';
import { install, ROOT } from './setup.mjs';

/**
 * `npm run mutants -- [FILE…]`: plants one small error at a time in a copy of the last commit and sees whether a test that leads to the file fails. Of each file a sample,
 * MUTANTS of them (10), by MUTANT_SEED. Ends with a table and each error that nobody noticed, and with status 1 when fewer than eight in ten were.
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
const EACH = Number(process.env.MUTANTS ?? 10);
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

/** Every small error a file could have: where, how long, what in its place. */
function mutantsOf(text) {
  const source = ts.createSourceFile('x.tsx', text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found = [];
  const add = (node, put) => found.push({ start: node.getStart(), end: node.getEnd(), put });
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return;
    if (ts.isBinaryExpression(node) && SWAPS.has(node.operatorToken.kind)) {
      const isText = [node.left, node.right].some((side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side));
      if (!isText) add(node.operatorToken, SWAPS.get(node.operatorToken.kind));
    }
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken) add(node, node.operand.getText());
    if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, 'false');
    if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, 'true');
    if (ts.isNumericLiteral(node)) add(node, String(Number(node.text) + 1));
    if (ts.isConditionalExpression(node)) add(node.condition, `!(${node.condition.getText()})`);
    if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText()})`);
    if (ts.isExpressionStatement(node) && ts.isCallExpression(node.expression)) add(node, ';');
    ts.forEachChild(node, visit);
  };
  visit(source);
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

/** The tests that bear a file's name or import it themselves; of a file that is reached through others alone the nearest of those that reach it. */
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
    (test) =>
      test === file.replace(/\.tsx?$/, '.test.ts') ||
      new RegExp(`from '[^']*/${name}'`).test(readFileSync(path.join(folder, test), 'utf8')),
  );
  return (own.length > 0 ? own : related).slice(0, MOST_TESTS);
}

install();
const folder = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-mutants-')), 'copy');
const git = (...args) => spawnSync('git', args, { cwd: ROOT, stdio: 'ignore' });
git('worktree', 'add', '--detach', folder, 'HEAD');
symlinkSync(path.join(ROOT, 'node_modules'), path.join(folder, 'node_modules'));
const jest = (tests) =>
  spawnSync('npx', ['jest', '--bail', '--silent', '--maxWorkers', '2', ...tests], {
    ...{ cwd: folder, stdio: 'ignore', timeout: 240_000 },
    env: { ...process.env, TEST_SHARE: '0.3' },
  }).status;

const rows = [];
const survivors = [];
const asked = process.argv.slice(2);
try {
  for (const file of asked.length > 0 ? asked : FILES) {
    const at = path.join(folder, file);
    const text = readFileSync(at, 'utf8');
    const tests = testsOf(folder, file);
    if (tests.length === 0 || jest(tests) !== 0) {
      rows.push({ file, tests: tests.length, planted: 0, noticed: 0 });
      survivors.push(`${file}: ${tests.length === 0 ? 'no test imports it' : 'its tests fail as they are'}`);
      continue;
    }
    const chosen = sample(mutantsOf(text), EACH, randomOf(SEED));
    let noticed = 0;
    for (const { start, end, put } of chosen) {
      writeFileSync(at, text.slice(0, start) + put + text.slice(end));
      if (jest(tests) !== 0) noticed += 1;
      else {
        const line = text.slice(0, start).split('\n').length;
        const plain = (code) => code.replace(/\s+/g, ' ').slice(0, 70);
        survivors.push(`${file}:${line}: ${plain(text.slice(start, end))} -> ${plain(put)}`);
        console.log(`  ${survivors.at(-1)}`);
      }
    }
    writeFileSync(at, text);
    rows.push({ file, tests: tests.length, planted: chosen.length, noticed });
    console.log(`${file}: ${noticed} of ${chosen.length} noticed`);
  }
} finally {
  git('worktree', 'remove', '--force', folder);
  rmSync(path.dirname(folder), { recursive: true, force: true });
}
console.table(rows);
if (survivors.length > 0) console.log(`\nNobody noticed:\n${survivors.join('\n')}`);
const planted = rows.reduce((sum, row) => sum + row.planted, 0);
const noticed = rows.reduce((sum, row) => sum + row.noticed, 0);
console.log(`\n${noticed} of ${planted} noticed, seed ${SEED}`);
process.exit(planted > 0 && noticed / planted >= LEAST_NOTICED ? 0 : 1);
