import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { build, install, ROOT, run } from './setup.mjs';

/** `npm test`: installs what it needs, then form, types, lint, dead code, unit and browser tests; the last line counts them. */
const out = mkdtempSync(path.join(tmpdir(), 'vine-knot-test-'));
let passed = 0;
let failed = 0;

function step(name, command, args) {
  console.log(`\n== ${name}`);
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit' });
  if (status === 0) passed += 1;
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

/** Debian's package of a program, when the program is not there. */
function installMissing(...programs) {
  const missing = programs.filter((program) => spawnSync(program, ['--version']).status !== 0);
  if (missing.length === 0) return;
  run('apt-get', ['update', '-qq']);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], { DEBIAN_FRONTEND: 'noninteractive' });
}

const unitReport = path.join(out, 'unit.json');
const browserReport = path.join(out, 'browser.json');

install();
installMissing('chromium', 'ngspice');
build();
step('Form', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
step('Types', 'npx', ['tsc', '--noEmit']);
step('Lint', 'npx', ['eslint', '--max-warnings', '0', '.']);
step('Dead code', 'npx', ['knip']);
suite('Unit tests', 'npx', ['jest', '--json', '--outputFile', unitReport], () => {
  const report = JSON.parse(readFileSync(unitReport, 'utf8'));
  return { passed: report.numPassedTests, failed: report.numFailedTests + report.numRuntimeErrorTestSuites };
});
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

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
