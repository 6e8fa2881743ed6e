import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { BROWSERS } from './browser.mjs';
import { install, isBuildOld, ROOT, run } from './setup.mjs';

/**
 * `npm test`: installs what it needs, then form, types, lint, dead code, unit and browser tests; the last line counts them. `npm test --
 * --quick` looks at what changed since the last commit, or in it when nothing has: its form, lint and the unit tests that lead to it,
 * random ones with a fraction of their runs, and all types.
 */
const QUICK = process.argv.includes('--quick');
const QUICK_SHARE = '0.1';

/** The compiler that is a program of its own, four times as quick; linter and framework need the one before it, written in JavaScript. */
const TSC = 'node_modules/typescript-7/bin/tsc';

const out = mkdtempSync(path.join(tmpdir(), 'vine-knot-test-'));
let passed = 0;
let failed = 0;

/** Runs a command to its end and shows what it said in one piece, so that several can run at once. */
function finish(name, command, args, env = {}) {
  return new Promise((resolve) => {
    const began = Date.now();
    const child = spawn(command, args, { cwd: ROOT, env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    child.stdout.on('data', (text) => said.push(text));
    child.stderr.on('data', (text) => said.push(text));
    child.on('close', (status) => {
      console.log(`\n== ${name}, ${Math.round((Date.now() - began) / 1000)} s`);
      process.stdout.write(Buffer.concat(said));
      resolve(status);
    });
  });
}

async function step(name, command, args) {
  if ((await finish(name, command, args)) === 0) passed += 1;
  else failed += 1;
}

/** Runs a test runner that writes its counts to a file. A runner that dies before that counts as one failure. */
function suite(name, command, args, counts, env = {}) {
  console.log(`\n== ${name}`);
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  try {
    const result = counts();
    passed += result.passed;
    failed += result.failed;
    if (status !== 0 && result.failed === 0) failed += 1;
  } catch {
    failed += 1;
  }
}

const INSTALL = ['install', '-y', '-qq', '--no-install-recommends'];
const UNASKED = { DEBIAN_FRONTEND: 'noninteractive' };

/** Debian's ngspice and Chromium, when they are not there: the first package of a browser that can be had, or one that is there already. */
function installMissing() {
  const wantsSpice = spawnSync('ngspice', ['--version']).status !== 0;
  const wantsBrowser = !process.env.CHROMIUM && !existsSync(BROWSERS[0].path);
  if (!wantsSpice && !wantsBrowser) return;
  spawnSync('apt-get', ['update', '-qq'], { stdio: 'inherit' });
  if (wantsSpice) run('apt-get', [...INSTALL, 'ngspice'], UNASKED);
  const got = ({ name, path: at }) =>
    existsSync(at) || spawnSync('apt-get', [...INSTALL, name], { stdio: 'inherit', env: { ...process.env, ...UNASKED } }).status === 0;
  if (wantsBrowser && !BROWSERS.some(got)) console.error('No Chromium is here, and none could be installed; CHROMIUM may name one.');
}

const unitReport = path.join(out, 'unit.json');
const browserReport = path.join(out, 'browser.json');

function unitTests(args, env = {}) {
  suite(
    'Unit tests',
    'npx',
    ['jest', '--maxWorkers', '2', '--json', '--outputFile', unitReport, ...args],
    () => {
      const report = JSON.parse(readFileSync(unitReport, 'utf8'));
      return { passed: report.numPassedTests, failed: report.numFailedTests + report.numRuntimeErrorTestSuites };
    },
    env,
  );
}

function browserTests() {
  suite(
    'Browser tests',
    'npx',
    ['playwright', 'test'],
    () => {
      const { stats } = JSON.parse(readFileSync(browserReport, 'utf8'));
      if (stats.flaky > 0) console.log(`${stats.flaky} passed at the second try`);
      return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
    },
    { BROWSER_REPORT: browserReport },
  );
}

/** Files that differ from the last commit; where none do, those it changed. */
function changedFiles() {
  const lines = (...args) => spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' }).stdout.split('\n').filter(Boolean);
  const now = [...lines('diff', '--name-only', 'HEAD'), ...lines('ls-files', '--others', '--exclude-standard')];
  return (now.length > 0 ? now : lines('diff', '--name-only', 'HEAD~1', 'HEAD')).filter((file) => existsSync(path.join(ROOT, file)));
}

async function whole() {
  installMissing();
  // What only reads the sources runs while the application is built.
  const reading = step('Form', 'npx', ['prettier', '--check', '--log-level', 'warn', '.'])
    .then(() => step('Lint', 'npx', ['eslint', '--max-warnings', '0', '.']))
    .then(() => step('Dead code', 'npx', ['knip']));
  if (isBuildOld() && (await finish('Build', 'npx', ['next', 'build'])) !== 0) process.exit(1);
  await reading;
  // After the build, which writes types of its own.
  await step('Types', process.execPath, [TSC, '--noEmit']);
  unitTests(['-c', 'jest.together.mjs']);
  browserTests();
}

async function quick() {
  const files = changedFiles();
  const code = files.filter((file) => /\.(ts|tsx|mjs)$/.test(file));
  console.log(files.length === 0 ? 'Nothing has changed.' : `Changed: ${files.join(', ')}`);
  if (files.length === 0) return;
  await Promise.all([
    step('Types', process.execPath, [TSC, '--noEmit']),
    step('Form', 'npx', ['prettier', '--check', '--log-level', 'warn', '--ignore-unknown', ...files]).then(
      () => code.length > 0 && step('Lint', 'npx', ['eslint', '--max-warnings', '0', '--no-warn-ignored', ...code]),
    ),
  ]);
  if (code.length > 0) unitTests(['--passWithNoTests', '--findRelatedTests', ...code], { TEST_SHARE: QUICK_SHARE });
}

install();
await (QUICK ? quick() : whole());
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
