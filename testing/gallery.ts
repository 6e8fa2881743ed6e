import { analyse } from '../core/analysis/analyse';
import { findInNetwork } from '../core/analysis/rules/networkRules';
import { truthOf } from '../core/bench/truth';
import { applyChange } from '../core/design/change';
import { deviceOf, type Design } from '../core/design/design';
import { traceWiring } from '../core/network/traceWiring';
import { indexDesign } from '../core/rig/designIndex';
import type { TerminalRef } from '../core/design/schema';
import type { There } from '../core/switching/gallery/spare';
import { wayCalled, WAYS, type WayChoice, type WayId } from '../core/switching/gallery/ways';
import { wayTo, type WayTaken } from '../core/switching/gallery/wayTo';
import { rig } from './rig';

/** Ways of the gallery taken in a test, and what comes of them. */

/** A lamp behind a fuse of its own, another behind another; and a receiver, a dimmer and a rule hub that have something free. */
export function small(): Design {
  const build = rig();
  build.supply();
  build.slot('first', 1, 10);
  build.slot('second', 2, 10);
  build.lampBehind('first', 1, 36);
  build.lampBehind('second', 2, 24);
  // A receiver of two channels, one of them free.
  build.slot('hubFuse', 3, 10);
  build.add({ id: 'hub', kind: 'receiver', channels: 2, mode: 'latching', channelMaxA: 8, standbyA: 0.006 });
  build.load(6, 'resistive', 0, { id: 'fan' });
  build.wire('hubFuse.out', 'hub.plus');
  build.wire('hub.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.wire('hub.ch1', 'fan.plus');
  build.wire('fan.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.circuit('hubFuse', 3, 'hubFuse');
  // A dimmer with a lamp.
  build.slot('moodFuse', 4, 10);
  build.add({ id: 'knob', kind: 'dimmer', side: 'positive', ratingA: 8, standbyA: 0.002, keeps: 'level' });
  build.load(12, 'resistive', 0, { id: 'mood' });
  build.wire('moodFuse.out', 'knob.in');
  build.wire('knob.out', 'mood.plus');
  build.wire('knob.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.wire('mood.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.circuit('moodFuse', 4, 'moodFuse');
  // A rule hub of two inputs and three outputs: one input free, one output with a rule and no load, one with neither.
  build.slot('rulesFuse', 5, 10);
  build.add({
    ...{ id: 'rules', kind: 'ruleHub', inputs: 2, outputs: 3, outputMaxA: 8, standbyA: 0.005 },
    rules: [1, 2].map((output) => ({ output, all: [1], none: [], block: false })),
  });
  build.add({ id: 'signals', kind: 'signalSource', signals: ['brake'], maxA: 0.5 });
  build.load(12, 'resistive', 0, { id: 'porch' });
  build.wire('rulesFuse.out', 'rules.plus');
  build.wire('rules.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.wire('signals.brake', 'rules.in1', 1000, 'mm2:1');
  build.wire('signals.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.wire('rules.out1', 'porch.plus');
  build.wire('porch.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.circuit('rulesFuse', 5, 'rulesFuse');
  return build.design();
}

export const CHANNEL = { deviceId: 'hub', terminal: 'ch2' };
/** What is there for each way that asks for it. */
const ONTO: Record<There, TerminalRef> = {
  channel: CHANNEL,
  output: { deviceId: 'rules', terminal: 'out3' },
  dimmer: { deviceId: 'knob', terminal: 'out' },
};
export const LAMP = 'first_lamp';
export const OTHER = 'second_lamp';
/** What is chosen for a way in it, the usual of each. */
export const choice = (id: string): WayChoice => {
  const { signals, asks } = wayCalled(id as WayId);
  const onto = asks && asks in ONTO ? ONTO[asks as There] : null;
  return { signal: signals?.[0] ?? 'ignition', otherId: OTHER, ...(onto && { onto }) };
};

/** A load switched one way, and the design then. */
export function takenWay(design: Design, id: string, loadId: string, by: WayChoice): WayTaken & { design: Design } {
  const way = wayTo(
    design,
    loadId,
    WAYS.find((one) => one.id === id)!,
    by,
  );
  if (!way) throw new Error(`${id} cannot be`);
  return { ...way, design: applyChange(design, way.change) };
}

/** When a load is lit: for every way its inputs may stand, by the ends of their names. */
export function truthTable(design: Design, loadId: string): Record<string, boolean | null> {
  const index = indexDesign(design);
  const found = truthOf(index, traceWiring(index), loadId);
  if ('tooMany' in found) throw new Error('too many');
  const name = (at: number) => {
    const input = found.inputs[at]!;
    return input.kind === 'vehicle' ? input.control : index.devices.get(input.deviceId)!.name.replace(/^.*_lamp (or other )?/, '');
  };
  return Object.fromEntries(
    found.rows.map(({ positions, on }) => [
      positions
        .map((position, at) => `${name(at)} ${String(position)}`)
        .sort()
        .join(', '),
      on,
    ]),
  );
}

/** What is wrong with a design, notes left out: the rule and the loads or kinds of parts it is about. */
export function problems(design: Design): string[] {
  const analysis = analyse(design);
  return [...analysis.findings, ...findInNetwork(analysis)]
    .filter(({ severity }) => severity !== 'note')
    .map(({ rule, subjects }) => `${rule} ${subjects.map((id) => deviceOf(design, id, 'load')?.name ?? design.records.get(id)?.id.slice(0, 4)).join(' ')}`); // prettier-ignore
}
