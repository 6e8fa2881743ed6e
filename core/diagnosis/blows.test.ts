import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { rig } from '../../testing/rig';
import { analyse } from '../analysis/analyse';
import { Bench } from '../bench/bench';
import type { Design } from '../design/design';
import { deviceOf } from '../design/design';
import type { Protection, TerminalRef } from '../design/schema';
import { asLaid } from '../rig/layout';
import { traceWiring } from '../network/traceWiring';
import { terminalKey, type Wiring } from '../network/wiring';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { BlownCircuit, withLamp, type BlowCause, type LampTest, type Parting } from './blows';
import { movesFor } from './moves';
import type { Moved } from './foresee';

const SOUND = { drawnShare: 0.5, startOpens: false };

function opened(design: Design) {
  const index = indexDesign(design);
  return { design, index, wiring: traceWiring(index) };
}

/**
 * The vehicle with a lamp where the fuse was, a wire lifted, and the live side on the return somewhere: what the lamp does is read off the
 * network.
 */
function lampWith(
  index: DesignIndex,
  wiring: Wiring,
  fuse: Protection,
  cause: BlowCause,
  parting: Parting | null,
  moved: readonly Moved[],
) {
  const lamped = withLamp(index, fuse);
  const lifted = lamped.wires.find(({ id }) => id === parting?.wireId);
  const minus = { deviceId: index.battery!.id, terminal: 'minus' };
  const touching = touchedBy(lamped, wiring, cause, parting);
  const bolt = touching ? [asLaid({ id: 'bolt', type: 'wire', role: 'supply', from: touching, to: minus, lengthMm: 20, lengthMeasured: true, conductor: 'mm2:2.5' })] : []; // prettier-ignore
  const bench = new Bench({ ...lamped, wires: [...lamped.wires.filter((wire) => wire !== lifted), ...bolt] });
  for (const { mover, position } of moved) bench.do({ kind: 'move', mover, position });
  const volts = Math.abs(bench.volts({ deviceId: fuse.id, terminal: 'out' }, { deviceId: 'lamp_joint', terminal: 'joint' })!);
  return bench.answer.outcome === 'oscillating' || volts > 0.85 * index.settings.nominalV;
}

/** Where a cause touches the return: a chafed wire as long as it is joined at its fuse's end, a part at its own terminal. */
function touchedBy(lamped: DesignIndex, wiring: Wiring, cause: BlowCause, parting: Parting | null): TerminalRef | null {
  if (cause.kind === 'part') {
    const own = lamped.wires.flatMap(({ from, to }) => [from, to]).filter(({ deviceId }) => deviceId === cause.deviceId);
    const nodes = own.map(({ deviceId, terminal }) => wiring.supply.at.get(terminalKey(deviceId, terminal)) ?? Infinity);
    return own[nodes.indexOf(Math.min(...nodes))] ?? null;
  }
  if (cause.kind !== 'wire') return null;
  if (parting?.wireId === cause.wireId && parting.end === 'near') return null;
  const { from, to } = lamped.wires.find(({ id }) => id === cause.wireId)!;
  const depth = ({ deviceId, terminal }: TerminalRef) => (deviceId === 'lamp_joint' ? -1 : (wiring.supply.at.get(terminalKey(deviceId, terminal)) ?? Infinity)); // prettier-ignore
  return depth(from) <= depth(to) ? from : to;
}

// Every place of every circuit where the live side may touch the return, one after another: the lamp is looked at as the program asks, and
// what it does comes from the network as wired.
test.each([
  ['Pip', pip, 1, 14],
  ['Heron', heron, 2, 40],
] as const)(
  '%s: wherever the live side touches the return, the lamp leads there',
  (_, make, every, least) => {
    const { design, index, wiring } = opened(make());
    let [count, named, asked, bound, at, neverLive] = [0, 0, 0, 0, 0, 0];
    for (const { protectionId, loadIds } of analyse(design).circuits) {
      const fuse = deviceOf(design, protectionId, 'protection')!;
      const states = [[], ...loadIds.map((id) => movesFor(index, wiring, [id]) ?? [])];
      const inState = states.map((moved) => new BlownCircuit(index, wiring, fuse, moved, SOUND));
      const shorts = inState[0]!.diagnose({ when: null, tests: [] }).ranked.filter(({ cause }) => cause.kind === 'wire' || cause.kind === 'part'); // prettier-ignore
      for (const { cause } of shorts) {
        if (at++ % every > 0) continue;
        const shown = (parting: Parting | null, moved: readonly Moved[]) => lampWith(index, wiring, fuse, cause, parting, moved);
        const which = states.findIndex((moved) => shown(null, moved));
        if (which < 0) {
          neverLive++;
          continue;
        }
        const tests: LampTest[] = [];
        for (;;) {
          const { ranked, next } = inState[which]!.diagnose({ when: which === 0 ? 'atOnce' : 'switchedOn', tests });
          if (ranked[0]!.probability > 0.85 || next.length === 0 || tests.length === 14) {
            if (JSON.stringify(ranked[0]!.cause) === JSON.stringify(cause)) named++;
            break;
          }
          const { parting } = next[0]!;
          tests.push({ parting, bright: shown(parting, states[which]!) });
        }
        count++;
        asked += tests.length;
        bound += Math.log2(shorts.length + 2);
      }
    }
    expect(count).toBeGreaterThan(least);
    // What no one load’s switch makes live is not met here.
    expect(neverLive / (count + neverLive)).toBeLessThan(0.2);
    expect(named / count).toBeGreaterThanOrEqual(0.95);
    // Halving them one by one.
    expect(asked / bound).toBeLessThan(1);
  },
  120_000,
);

/** A lamp of 24 W behind a fuse and a switch. */
function lampCircuit(watts = 24) {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.add({ id: 'switch', kind: 'switch', ratingA: 16 });
  build.load(watts, 'resistive', 0, { id: 'lamp' });
  const out = build.wire('fuse.out', 'switch.in');
  const on = build.wire('switch.out', 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  const { design, index, wiring } = opened(build.design());
  const fuse = deviceOf(design, 'fuse', 'protection')!;
  return { index, wiring, fuse, out, on };
}

// Common practice, as in every workshop's table.
describe('the workshop’s way', () => {
  const { index, wiring, fuse, out, on } = lampCircuit();
  const moved: Moved[] = [{ mover: { kind: 'device', deviceId: 'switch', control: 'position' }, position: 'on' }];
  const circuit = (said = SOUND) => new BlownCircuit(index, wiring, fuse, moved, said);
  const first = (...args: Parameters<BlownCircuit['diagnose']>) => circuit().diagnose(...args).ranked[0]!.cause;

  test('it goes at once with the switch off: the wire up to the switch; only as it is switched on: what lies behind it', () => {
    expect(first({ when: 'atOnce', tests: [] })).toEqual({ kind: 'wire', wireId: out });
    const behind = circuit()
      .diagnose({ when: 'switchedOn', tests: [{ parting: null, bright: true }] })
      .ranked.slice(0, 2);
    expect(behind.map(({ cause }) => cause)).toEqual(expect.arrayContaining([{ kind: 'wire', wireId: on }, { kind: 'part', deviceId: 'lamp' }])); // prettier-ignore
  });

  test('the lamp stays bright with the load unplugged: the wire to it; it goes out: the load', () => {
    const unplugged = (bright: boolean) => ({ when: 'switchedOn' as const, tests: [{ parting: null, bright: true }, { parting: { wireId: on, end: 'far' as const }, bright }] }); // prettier-ignore
    expect(first(unplugged(true))).toEqual({ kind: 'wire', wireId: on });
    expect(first(unplugged(false))).toEqual({ kind: 'part', deviceId: 'lamp' });
  });

  test('it goes after minutes, and more is drawn than it is rated for: nothing touches, it is asked for too much', () => {
    const [most] = circuit({ drawnShare: 1.2, startOpens: false }).diagnose({ when: 'later', tests: [{ parting: null, bright: false }] }).ranked; // prettier-ignore
    expect(most!.cause).toEqual({ kind: 'tooMuch' });
    expect(most!.probability).toBeGreaterThan(0.9);
    const [start] = circuit({ drawnShare: 0.5, startOpens: true }).diagnose({ when: 'switchedOn', tests: [{ parting: null, bright: false }] }).ranked; // prettier-ignore
    expect(start!.cause).toEqual({ kind: 'start' });
  });

  test('the first thing asked is the lamp in the fuse’s place, and probabilities add up to one', () => {
    const { ranked, next } = circuit({ drawnShare: 1, startOpens: false }).diagnose({ when: null, tests: [] });
    expect(next[0]).toMatchObject({ parting: null, at: null });
    expect(ranked.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
  });

  // Ohm's law: 24 W at 12 V are 6 ohm, a lamp of 21 W 6.86; of 12.6 V the lamp has 6.86/(6.86 + 6).
  test('without a short the lamp has what the load leaves it', () => {
    const batteryV = new Bench(index).volts({ deviceId: 'battery', terminal: 'plus' }, { deviceId: 'battery', terminal: 'minus' })!;
    const share = 12 ** 2 / 21 / (12 ** 2 / 21 + 6);
    expect(circuit().soundV / batteryV).toBeCloseTo(share, 2);
    expect(new BlownCircuit(index, wiring, fuse, [], SOUND).soundV).toBeLessThan(0.01);
  });
});
