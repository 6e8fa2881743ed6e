import { spawnSync } from 'node:child_process';
import { indexDesign } from '../core/rig/designIndex';
import { writeSpice } from '../core/formats/spiceWrite';
import { compile } from '../core/network/compile';
import { AT_REST } from '../core/network/controlState';
import { Network } from '../core/network/network';
import { LiveDesign } from '../core/network/settle';
import { marl } from '../demo/marl';

/**
 * The network engine by size: compiling, solving, a switch flipped and settled, and a sweep of 500 battery voltages, warm,
 * beside ngspice's own analysis time for the same sweep of the same deck.
 */
const POINTS = 500;
const FLIPS = 60;

const rows = process.argv.slice(2).map((text) => {
  const index = indexDesign(marl(Number(text)));
  const switches = Array.from(index.devices.values()).filter(({ kind }) => kind === 'switch');
  const controls = Object.fromEntries(switches.map(({ id }) => [id, { position: 'on' }]));
  const on = { ...AT_REST, controls };
  const compiling = best(5, () => compile(index, on));
  const compiled = compile(index, on);
  const building = best(5, () => new Network(compiled.netlist));
  const network = new Network(compiled.netlist);
  const first = timed(() => network.solve());

  const live = new LiveDesign(index, on);
  const { state: atRest } = live.settle(on);
  const flip = (at: number) =>
    live.settle({ ...atRest, controls: { ...controls, [switches[at % switches.length]!.id]: { position: 'off' } } });
  for (let at = 0; at < FLIPS; at++) flip(at);
  const flips = Array.from({ length: FLIPS }, (_, at) => timed(() => flip(at)));

  const rest = compiled.partElement.get(`${index.battery!.id}.rest`)!;
  const sweep = () => {
    for (let at = 0; at < POINTS; at++) {
      network.setSource(rest, 11.5 + (2 * at) / POINTS);
      network.solve();
    }
  };
  sweep();
  const heapBefore = process.memoryUsage().heapUsed;
  const point = best(3, sweep) / POINTS;
  const heap = process.memoryUsage().heapUsed - heapBefore;
  const theirs = ngspicePoint(live, rest);
  return {
    circuits: Number(text),
    nodes: compiled.netlist.nodes.length,
    'compile, ms': round(compiling + building),
    'first solve, ms': round(first),
    'flip and settle, ms': round(median(flips)),
    'sweep, ms a point': round(point),
    'ngspice, ms a point': theirs === null ? null : round(theirs),
    ratio: theirs === null ? null : round(theirs / point),
    'heap of 1500 points, kB': Math.max(0, Math.round(heap / 1024)),
  };
});
console.log(JSON.stringify(rows));

/** ngspice's own analysis time for the sweep, ms a point; null where it is not installed. */
function ngspicePoint(live: LiveDesign, rest: number): number | null {
  const deck = writeSpice(live.netlistNow(), 'sweep');
  const step = 2 / POINTS;
  const control = `.control\nsave n2\ndc ${deck.elements[rest]} 11.5 ${13.5 - step} ${step}\nrusage all\n.endc\n`;
  const { stdout, error } = spawnSync('ngspice', ['-b'], { input: deck.text.replace(/^\.op\s*$/m, control), encoding: 'utf8' });
  const seconds = /Total analysis time \(seconds\) = (\S+)/.exec(error ? '' : stdout)?.[1];
  return seconds === undefined ? null : (Number(seconds) * 1000) / POINTS;
}

function timed(run: () => unknown): number {
  const start = performance.now();
  run();
  return performance.now() - start;
}

function best(rounds: number, run: () => unknown): number {
  return Math.min(...Array.from({ length: rounds }, () => timed(run)));
}

function median(values: number[]): number {
  return values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
}

function round(value: number): number {
  return Number(value.toPrecision(3));
}
