import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { browserPath } from './browser.mjs';
import { build, install, ROOT, run } from './setup.mjs';

/** `npm run bench`: the figures behind every claim of speed, printed as tables. Measures a production build in Debian's Chromium. */
install();
build();

const SIZES = (process.env.BENCH_SIZES ?? '15,60,240').split(',').map(Number);
const ROUNDS = 5;
const PRESSES = 60;
/** Presses not counted at first: the engine is still compiling. */
const WARM_UP = 30;
/** A fast hand: twenty presses a second, ms. */
const PRESS_EVERY = 50;
const PLAIN = ['--no-sandbox', '--disable-gpu', '--disable-background-networking'];
const port = 3190;
const base = `http://127.0.0.1:${port}`;
const env = { ...process.env, DATABASE_URL: `file:${path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-bench-')), 'designs.db')}` };

console.log('Analysis in Node, median');
console.table(
  JSON.parse(spawnSync('npx', ['tsx', 'bench/analysis.ts', ...SIZES.map(String), '480'], { cwd: ROOT, encoding: 'utf8' }).stdout),
);

console.log('\nThe network engine, and ngspice on the same decks');
const engineSizes = process.env.BENCH_SIZES ? SIZES : [15, 60, 240, 480, 960];
console.table(
  JSON.parse(spawnSync('npx', ['tsx', 'bench/network.ts', ...engineSizes.map(String)], { cwd: ROOT, encoding: 'utf8' }).stdout),
);

console.log('\nOn the bench: a control flicked, and a truth table');
console.table(JSON.parse(spawnSync('npx', ['tsx', 'bench/flick.ts', ...SIZES.map(String)], { cwd: ROOT, encoding: 'utf8' }).stdout));

console.log('\nFault hunts: from a lead put down to what the meter says, and the finder’s way');
console.table(JSON.parse(spawnSync('npx', ['tsx', 'bench/hunts.ts'], { cwd: ROOT, encoding: 'utf8' }).stdout));

console.log('\nFaults found: foreseen, ranked, hunted');
console.table(JSON.parse(spawnSync('npx', ['tsx', 'bench/diagnosis.ts', ...SIZES.map(String)], { cwd: ROOT, encoding: 'utf8' }).stdout));

console.log('\nThe harness: marked, counted, cut and drawn');
console.table(JSON.parse(spawnSync('npx', ['tsx', 'bench/harness.ts', ...SIZES.map(String)], { cwd: ROOT, encoding: 'utf8' }).stdout));

console.log('\nDays simulated: loads, days and weathers drawn');
const trips = ['30,1,1', '30,30,200', '30,365,1', '30,365,50', '30,365,200', '60,365,200'];
console.table(JSON.parse(spawnSync('npx', ['tsx', 'bench/energy.ts', ...trips], { cwd: ROOT, encoding: 'utf8' }).stdout));

console.log('\nSizes proposed for every circuit, by each measure');
console.table(JSON.parse(spawnSync('npx', ['tsx', 'bench/propose.ts', ...SIZES.map(String)], { cwd: ROOT, encoding: 'utf8' }).stdout));

console.log('\nThe vehicle: every wire finding its way, and what one stretch corrected costs, median');
console.table(JSON.parse(spawnSync('npx', ['tsx', 'bench/rig.ts', ...SIZES.map(String), '480'], { cwd: ROOT, encoding: 'utf8' }).stdout));

run('npx', ['tsx', 'demo/seed.ts'], env);
console.log('\nmany designs, many changes');
console.table(JSON.parse(spawnSync('npx', ['tsx', 'bench/lists.ts', '2000', '50000'], { cwd: ROOT, encoding: 'utf8' }).stdout));

run('npx', ['tsx', 'bench/seedMarl.ts', ...SIZES.map(String)], env);
const next = path.join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next');
const server = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(port)], { cwd: ROOT, stdio: 'ignore', env });

const executablePath = browserPath();
const { chromium } = await import('@playwright/test');

try {
  await up();
  const browser = await chromium.launch({ executablePath, args: [...PLAIN, '--disable-frame-rate-limit', '--disable-gpu-vsync'] });

  console.log(`\nThis machine, for comparing one hour with another: ${yardstick()} ms for a fixed sum`);
  console.log('\nKey press to repainted strip and meter bar, ms (press: to the end of layout; paint: to the frame drawn)');
  const strips = [];
  for (const size of SIZES) strips.push(await keyPresses(browser, size, 'conductor'), await keyPresses(browser, size, 'fuse'));
  console.table(strips);

  console.log('\nKey press in a cell of the loads table to repainted table and meter bar, ms');
  const cells = [];
  for (const size of SIZES) cells.push(await cellPresses(browser, size));
  console.table(cells);

  console.log('\nA switch clicked on the bench to every lamp repainted, in the list and on the rig, ms');
  const flicks = [];
  for (const size of SIZES) flicks.push(await switchClicks(browser, size));
  console.table(flicks);

  console.log('\nA place dragged over the plan, the hand moving every frame of a 60 Hz screen');
  const drags = [];
  for (const size of SIZES) drags.push(await placeDrags(size));
  console.table(drags);

  console.log('\nFrom navigation to interactive, ms, and JavaScript of the first load, compressed');
  const routes = [];
  for (const route of [
    '/',
    '/new',
    '/d/heron/rig',
    '/d/heron/loads',
    '/d/heron/supply',
    '/d/heron/energy',
    '/d/heron/circuits',
    '/d/heron/switching',
    '/d/heron/harness',
    '/d/heron/test',
    '/d/heron/report',
    '/d/marl-60/circuits',
    '/d/marl-60/loads',
  ]) {
    routes.push({ route, 'interactive, ms': await interactive(browser, route), 'JavaScript, kB': await firstLoadKb(route) });
  }
  console.table(routes);
  await browser.close();
  console.log(`\nThis machine at the end: ${yardstick()} ms for the same sum`);
} finally {
  server.kill('SIGKILL');
}

/** Milliseconds for the same arithmetic every time, median of nine: a machine shared with others is not always as fast. */
function yardstick() {
  const times = Array.from({ length: 9 }, () => {
    const start = performance.now();
    let sum = 0;
    for (let at = 1; at < 2e7; at++) sum += Math.sqrt(at) / at;
    if (!(sum > 0)) throw new Error('the sum is wrong');
    return performance.now() - start;
  });
  return quantile(times, 0.5);
}

async function keyPresses(browser, size, what) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/d/marl-${size}/circuits`);
  const stepper = page.getByRole('spinbutton', { name: what === 'fuse' ? /^Fuse of 01/ : /^Conductor of 01/ });
  await stepper.focus();
  await page.waitForTimeout(600);
  await page.evaluate(watch, 'keydown');
  const times = await timedRounds(page, (press) => (Math.floor(press / 3) % 2 === 0 ? 'ArrowUp' : 'ArrowDown'));
  await page.close();
  return { circuits: size, step: what, ...summary(times) };
}

async function cellPresses(browser, size) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/d/marl-${size}/loads`);
  const cell = page.getByRole('gridcell', { name: /^\d+ W$/ }).first();
  await cell.dblclick();
  await page.waitForTimeout(600);
  await page.evaluate(watch, 'keydown');
  const times = await timedRounds(page, (press) => (press % 2 === 0 ? '7' : 'Backspace'));
  await page.close();
  return { circuits: size, ...summary(times) };
}

async function switchClicks(browser, size) {
  // Pages are kept for want of a connection once, some seconds after the first is opened: not while one measures.
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  await page.goto(`${base}/d/laid-${size}/switching`);
  const sides = page.getByRole('group', { name: 'Switch 1', exact: true }).getByRole('button');
  await sides.first().click();
  await page.waitForTimeout(600);
  await page.evaluate(watch, 'click');
  const hands = [await sides.nth(1).elementHandle(), await sides.nth(0).elementHandle()];
  const times = await timedRounds(page, (press) => hands[press % 2].evaluate((side) => side.click()));
  await page.close();
  const lit = times.flat().map((time) => time.lit);
  return { circuits: size, 'lit, median': quantile(lit, 0.5), 'lit, p95': quantile(lit, 0.95), ...summary(times) };
}

async function placeDrags(size) {
  const browser = await chromium.launch({ executablePath, args: PLAIN });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/d/laid-${size}/rig`);
  const mark = page.getByRole('group', { name: 'Plan of the vehicle' }).getByRole('button', { name: /^Place Place 2\.2,/ });
  await mark.press('Enter');
  const box = await mark.locator('circle').first().boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.waitForTimeout(500);
  const rounds = [];
  for (let round = 0; round < ROUNDS; round++) rounds.push(await mark.evaluate(dragEveryFrame, { x, y, frames: 180 }));
  await page.mouse.up();
  await browser.close();
  const gaps = rounds.flatMap((one) => one.gaps);
  if (rounds.some(({ figures }) => figures < 20)) throw new Error('the figures did not follow the hand');
  return {
    circuits: size,
    'frames a second': Number(((1000 * gaps.length) / gaps.reduce((sum, gap) => sum + gap, 0)).toFixed(1)),
    'frame, median': quantile(gaps, 0.5),
    'frame, p95': quantile(gaps, 0.95),
    'frames over 25 ms': `${gaps.filter((gap) => gap > 25).length} of ${gaps.length}`,
  };
}

/** Runs in the page: moves the hand once a frame, noting how far frames are apart and how many figures the card showed. */
function dragEveryFrame(mark, { x, y, frames }) {
  return new Promise((done) => {
    const gaps = [];
    const shown = new Set();
    let last = performance.now();
    const step = (now) => {
      gaps.push(now - last);
      last = now;
      const at = gaps.length;
      shown.add(document.querySelector('input[aria-label^="Distance from the front"]').value);
      const to = { clientX: x + 40 * Math.sin(at / 9), clientY: y + 24 * Math.cos(at / 7) };
      mark.dispatchEvent(new PointerEvent('pointermove', { bubbles: true, pointerId: 1, ...to }));
      if (at < frames) requestAnimationFrame(step);
      else done({ gaps: gaps.slice(1), figures: shown.size });
    };
    requestAnimationFrame(step);
  });
}

/** Runs in the page: notes for each key press or click when everything it caused has been laid out, and when a frame has been drawn. */
function watch(event) {
  window.keyTimes = [];
  // Comes after everything that is done at once, and before what is put off.
  const atOnce = new MessageChannel();
  let drawnAtOnce = () => undefined;
  atOnce.port1.onmessage = () => drawnAtOnce();
  const channel = new MessageChannel();
  let drawn = () => undefined;
  channel.port1.onmessage = () => drawn();
  window.addEventListener(
    event,
    () => {
      const start = performance.now();
      let press = 0;
      let lit = 0;
      drawnAtOnce = () => {
        void document.body.offsetHeight;
        lit = performance.now() - start;
      };
      atOnce.port2.postMessage(null);
      queueMicrotask(() =>
        setTimeout(() => {
          void document.body.offsetHeight;
          press = performance.now() - start;
        }),
      );
      requestAnimationFrame(() => {
        drawn = () => window.keyTimes.push({ lit, press: press || performance.now() - start, paint: performance.now() - start });
        channel.port2.postMessage(null);
      });
    },
    { capture: true },
  );
}

/** Presses a key, or does an act, in rounds and returns the times of each round. */
async function timedRounds(page, keyAt) {
  const press = async (count) => {
    for (let at = 0; at < count; at++) {
      const key = await keyAt(at);
      if (key) await page.keyboard.press(key);
      await page.waitForTimeout(PRESS_EVERY);
    }
  };
  await press(WARM_UP);
  const rounds = [];
  for (let round = 0; round < ROUNDS; round++) {
    await page.evaluate(() => (window.keyTimes = []));
    await press(PRESSES);
    rounds.push(await page.evaluate(() => window.keyTimes));
  }
  return rounds;
}

/** Over all rounds, and the 95th percentile of the calmest: what the program takes when the machine is left alone. */
function summary(rounds) {
  const at = (times, key, share) =>
    quantile(
      times.map((time) => time[key]),
      share,
    );
  const all = rounds.flat();
  return {
    presses: all.length,
    'press median': at(all, 'press', 0.5),
    'paint median': at(all, 'paint', 0.5),
    'paint p95': at(all, 'paint', 0.95),
    'paint p95, calmest round': Math.min(...rounds.map((times) => at(times, 'paint', 0.95))),
  };
}

function quantile(times, share) {
  const sorted = [...times].sort((a, b) => a - b);
  return Number(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))].toFixed(1));
}

/** Median over five fresh visits of the time until the page's controls answer. */
async function interactive(browser, route) {
  const times = [];
  for (let visit = 0; visit < 5; visit++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto(base + route, { waitUntil: 'commit' });
    const ready = await page.waitForFunction(() => {
      const control = document.querySelector('main button, header button, main a');
      const alive = control && Object.keys(control).some((key) => key.startsWith('__reactProps'));
      return alive ? performance.now() : false;
    });
    times.push(await ready.jsonValue());
    await context.close();
  }
  return Math.round(times.sort((a, b) => a - b)[2]);
}

/** Kilobytes, compressed, of every script the page itself names, but those only old browsers load. */
async function firstLoadKb(route) {
  const html = await (await fetch(base + route)).text();
  const tags = Array.from(html.matchAll(/<script[^>]+src="([^"]+\.js[^"]*)"[^>]*>/g)).filter(([tag]) => !/nomodule/i.test(tag));
  const scripts = new Set(tags.map((match) => match[1]));
  let bytes = 0;
  for (const script of scripts) bytes += gzipSync(Buffer.from(await (await fetch(base + script)).arrayBuffer())).length;
  return Math.round(bytes / 1024);
}

async function up() {
  for (let tries = 0; tries < 100; tries++) {
    if (
      await fetch(`${base}/api/designs`).then(
        (response) => response.ok,
        () => false,
      )
    )
      return;
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  throw new Error('the server did not start');
}
