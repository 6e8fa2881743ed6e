import { Bench } from '../bench/bench';
import { judgeWishes } from '../bench/judge';
import type { Input } from '../bench/inputs';
import { truthOf, type Truth } from '../bench/truth';
import { analyse } from '../analysis/analyse';
import { findInNetwork } from '../analysis/rules/networkRules';
import type { Finding } from '../analysis/finding';
import type { Analysis } from '../analysis/types';
import { applyChange, type Change } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import type { Device, Wire, Wish, WishSays } from '../design/schema';
import { kindOf } from '../devices';
import { ownCurrents } from '../devices/ownDraw';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { traceWiring } from '../network/wiring';
import type { Way, WayChoice } from '../switching/gallery/ways';
import { wayTo } from '../switching/gallery/wayTo';

/** A way to switch a load, tried before it is taken: all of it read off the design as it would be. */
export interface WayTried {
  change: Change;
  after: Design;
  /** Parts of the way before that go. */
  dropped: Device[];
  added: Device[];
  wires: Wire[];
  /** Wires from one place or zone to another: cores to be pulled. */
  cores: number;
  /** What more is drawn with everything at rest and the load off, Ah a day; and by coils while they are fed, A. */
  standbyAhPerDay: number;
  coilA: number;
  truth: Truth | { tooMany: number };
  /** What it hangs on. */
  dependsOn: Input[];
  /** Whether it can still be lit where an added part fails; null: not known. */
  fails: { deviceId: string; stillLit: boolean | null }[];
  /** What it does by itself; null: that hangs on how things stand. */
  keyOut: 'works' | 'dark' | null;
  powerBack: 'off' | 'asBefore' | 'on' | null;
  /** Findings it brings, and how many it ends. */
  brought: Finding[];
  ended: number;
  /** Free channels of receivers and hubs there are already. */
  spare: { deviceId: string; free: number }[];
}

const HOURS = 24;

/** Tries a way on a copy of the design. Null where the load cannot be wired so. @throws NetworkError where its wiring has no answer */
export function tryWay(analysis: Analysis, loadId: string, way: Way, choice: WayChoice): WayTried | null {
  const { design } = analysis;
  const taken = wayTo(design, loadId, way, choice);
  if (!taken) return null;
  const { change, dropped } = taken;
  const after = applyChange(design, change);
  const index = indexDesign(after);
  const wiring = traceWiring(index);
  const added = change.added.flatMap((record) => (record.type === 'device' ? [record] : []));
  const wires = change.added.flatMap((record) => (record.type === 'wire' ? [record] : []));
  const truth = truthOf(index, wiring, loadId);
  const judge = (...says: WishSays[]) =>
    judgeWishes(index, wiring, says.map((one, at): Wish => ({ id: `try${at}`, type: 'wish', loadId, says: one }))); // prettier-ignore
  const failing = [...added.filter((device) => kindOf(device).isContact || device.kind === 'dimmer'), ...fuseOf(analysis, loadId)];
  const withoutEach = judge(...failing.map(({ id }): WishSays => ({ kind: 'stillWorks', withoutId: id })));
  const [works, dark] = judge({ kind: 'keyOut', answer: 'works' }, { kind: 'keyOut', answer: 'dark' });
  const answers = ['asBefore', 'off', 'on'] as const;
  const backs = judge(...answers.map((answer): WishSays => ({ kind: 'powerBack', answer })));
  // What only the solved network shows counts too, on both sides.
  const [now, next] = [analysis, analyse(after)].map((one) => [...one.findings, ...findInNetwork(one)]);
  const keyed = (finding: Finding) => `${finding.rule} ${finding.circuitId ?? finding.subjects[0]}`;
  const before = new Set(now!.map(keyed));
  const later = new Set(next!.map(keyed));
  return {
    ...{ change, after, dropped, added, wires, truth },
    cores: wires.filter((wire) => placeOf(index, wire.from.deviceId) !== placeOf(index, wire.to.deviceId)).length,
    standbyAhPerDay: Math.max(0, restA(index, loadId) - restA(analysis.index, loadId)) * HOURS,
    coilA: Array.from(
      ownCurrents(
        added.filter(({ kind }) => kind === 'relay'),
        index.settings.nominalV,
      ).values(),
    ).reduce((sum, { amps }) => sum + amps, 0),
    dependsOn: 'inputs' in truth ? truth.inputs : [],
    fails: failing.map(({ id }, at) => ({
      deviceId: id,
      stillLit: withoutEach[at]!.verdict === 'undecided' ? null : withoutEach[at]!.verdict === 'kept',
    })),
    keyOut: dark?.verdict === 'kept' ? 'dark' : works?.verdict === 'kept' ? 'works' : null,
    powerBack: answers.find((_, at) => backs[at]?.verdict === 'kept') ?? null,
    brought: next!.filter((finding) => finding.severity !== 'note' && !before.has(keyed(finding))),
    ended: now!.filter((finding) => finding.severity !== 'note' && !later.has(keyed(finding))).length,
    spare: spareChannels(design),
  };
}

function fuseOf({ index, loads }: Analysis, loadId: string): Device[] {
  const circuit = index.circuits.find(({ id }) => id === loads.get(loadId)?.circuitId);
  const fuse = circuit && index.devices.get(circuit.protectionId);
  return fuse ? [fuse] : [];
}

/** Where a device is, as far as anybody said. */
function placeOf({ devices }: Pick<DesignIndex, 'devices'>, deviceId: string): string | null {
  const device = devices.get(deviceId);
  if (device?.kind === 'protection' && device.mount) return placeOf({ devices }, device.mount.blockId);
  return device?.placeId ?? device?.zoneId ?? null;
}

/** What a design takes with everything at rest and the load itself off, A. */
function restA(index: DesignIndex, loadId: string): number {
  return new Bench(index).set(loadId, 'on', false).answer.batteryA;
}

/** Receivers and hubs with channels that nothing is wired to. */
function spareChannels(design: Design): WayTried['spare'] {
  const wired = new Set(recordsOf(design, 'wire').flatMap(({ from, to }) => [from, to].map((one) => `${one.deviceId}/${one.terminal}`)));
  return recordsOf(design, 'device').flatMap((device) => {
    const [prefix, count] =
      device.kind === 'receiver' ? ['ch', device.channels] : device.kind === 'ruleHub' ? ['out', device.outputs] : ['', 0];
    const free = Array.from({ length: count }, (_, at) => at + 1).filter(
      (channel) => !wired.has(`${device.id}/${prefix}${channel}`),
    ).length;
    return free > 0 ? [{ deviceId: device.id, free }] : [];
  });
}
