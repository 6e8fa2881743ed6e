import { conductorTables } from '../conductorTables';
import type { RuleFigures } from '../figures';
import { finding, type Finding, type Severity, type FeedRule } from '../finding';
import type { Analysis } from '../types';
import type { Device, Wire } from '../../design/schema';
import type { FeedCable } from '../../devices/feedCable';
import type { SolarPanel } from '../../devices/solarPanel';
import { spareA } from '../../energy/chargeSources';
import { pathTo } from '../../network/ways';
import { terminalKey, type WiringTree } from '../../network/wiring';
import { CONTINUOUS_FACTOR } from '../../sizing/fuse';
import { BARE_LEAD_MM } from './protectionRules';
import { isOver } from '../../units/compare';

/** Volts a charging cable may lose on 12 V, out and back. Source: road-vehicle practice, from memory. */
const CHARGE_DROP_V = 0.3;

/** Something that charges, and what its cable must bear. */
interface Feed {
  device: Device;
  /** The most it gives for hours, A. */
  amps: number;
  /** Whether a battery stands behind it: into a short it then gives thousands of amperes, else no more than `amps`. */
  stiff: boolean;
  cable: FeedCable | null;
  /** The terminal its current leaves by. */
  terminal: string;
}

/**
 * Cables that two sources feed: the house battery at one end, what charges it at the other. A fault in such a cable is fed from both, so it
 * is protected at both, unless what charges gives no more than the cable carries. Source: ABYC E-11 on self-limiting sources, from memory.
 */
export function findFeeds(analysis: Analysis): Finding[] {
  const found: Finding[] = [];
  if (!analysis.index.battery) return found;
  for (const feed of feedsOf(analysis)) {
    const { device, amps } = feed;
    const add: Add = (rule, severity, numbers, others = []) => found.push(finding(rule, severity, [device.id, ...others], numbers));
    const at = analysis.wiring.supply.at.get(terminalKey(device.id, feed.terminal));
    if (feed.cable) judgeCable(analysis, feed, feed.cable, add);
    else if (at !== undefined && at < analysis.wiring.fedCount) judgeWires(analysis, feed, at, add);
    else add('feed.unknown', 'note', { amps });
  }
  return found;
}

type Add = <R extends FeedRule>(rule: R, severity: Severity, numbers: RuleFigures[R], others?: string[]) => void;

function feedsOf({ index: { devices } }: Analysis): Feed[] {
  // With no alternator known, as much as the relay carries.
  const alternators = Array.from(devices.values()).filter((device) => device.kind === 'alternator');
  const spare = alternators.length === 0 ? Infinity : alternators.reduce((sum, one) => sum + spareA(one, one.hotPercent), 0);
  const feeds: Feed[] = [];
  for (const device of devices.values()) {
    if (device.kind === 'solarController' || device.kind === 'charger' || device.kind === 'dcDcCharger')
      feeds.push({ device, amps: device.maxA, stiff: false, cable: device.cable ?? null, terminal: 'plus' });
    else if (device.kind === 'solarPanel' && device.regulated)
      feeds.push({ device, amps: brightA(device), stiff: false, cable: device.cable ?? null, terminal: 'plus' });
    else if (device.kind === 'splitRelay')
      feeds.push({ device, amps: Math.min(device.ratingA, spare), stiff: true, cable: device.cable ?? null, terminal: 'house' });
  }
  return feeds;
}

/** Sun brighter than the standard one, share. Source: NEC 690.8's first 125 %, from memory. */
const BRIGHT = 1.25;

/** The most panels with a controller of their own may give: their short-circuit current under a bright sun, A. */
function brightA({ shortA, count, wired }: SolarPanel): number {
  return shortA * (wired === 'series' ? 1 : count) * BRIGHT;
}

/** A cable as it is described with what charges. */
function judgeCable({ index }: Analysis, { device, amps, stiff }: Feed, cable: FeedCable, add: Add): void {
  const { settings, zones, battery } = index;
  const tables = conductorTables(settings);
  // A relay's cable comes from the engine bay; others lie between their own place and the battery.
  const passed = zones.filter(({ id, engineSpace }) => id === device.zoneId || id === battery!.zoneId || (stiff && engineSpace));
  const ambientC = passed.reduce((hottest, zone) => Math.max(hottest, zone.ambientC), 30);
  const { amps: ampacityA } = tables.ampacity(cable.conductor, ambientC, passed.some(({ engineSpace }) => engineSpace), 1); // prettier-ignore
  const { conductor, batteryFuseA, sourceFuseA } = cable;
  const numbers = { amps, conductor, ampacityA, stiff };
  if (amps > ampacityA) add('feed.cableSmall', 'fault', numbers);
  if (batteryFuseA === null) add('feed.bareAtBattery', 'fault', numbers);
  if (sourceFuseA === null && (stiff || amps > ampacityA)) add('feed.bareAtSource', 'fault', numbers);
  const fuses = [batteryFuseA, sourceFuseA].filter((ratingA) => ratingA !== null);
  const [large, small] = [Math.max(...fuses), Math.min(...fuses)];
  if (large > ampacityA) add('feed.fuseAbove', 'fault', { ...numbers, ratingA: large });
  if (small < amps * CONTINUOUS_FACTOR) add('feed.fuseBelow', 'caution', { amps, ratingA: small, leastA: amps * CONTINUOUS_FACTOR });
  const dropV = (2 * amps * tables.ohmPerM(conductor) * cable.lengthMm) / 1000;
  judgeDrop(amps, dropV, settings.nominalV, add);
}

function judgeDrop(amps: number, dropV: number, nominalV: number, add: Add): void {
  const mostV = CHARGE_DROP_V * (nominalV / 12);
  if (isOver(dropV, mostV, 2)) add('feed.drop', 'caution', { amps, dropV, mostV });
}

/** A cable as it is wired: from the source back towards the battery, up to the first fuse; its drop all the way there and back. */
function judgeWires({ index, wiring, wires }: Analysis, feed: Feed, start: number, add: Add): void {
  const { amps, stiff, device } = feed;
  const { nodes } = wiring.supply;
  const bare: Wire[] = [];
  let at = start;
  while (at >= 0 && index.devices.get(nodes[at]!.deviceId)?.kind !== 'protection') {
    const { wire, parent } = nodes[at]!;
    if (wire) bare.push(wire);
    at = parent;
  }
  const carries = (wire: Wire) => wires.get(wire.id)?.ampacity.amps ?? 0;
  const weakest = bare.reduce<Wire | null>((least, wire) => (least && carries(least) <= carries(wire) ? least : wire), null);
  if (!weakest) return;
  const numbers = { amps, conductor: weakest.conductor, ampacityA: carries(weakest), stiff };
  const leadMm = bare.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  if (amps > numbers.ampacityA) add('feed.cableSmall', 'fault', numbers, [weakest.id]);
  if (at < 0) add('feed.bareAtBattery', 'fault', numbers, [weakest.id]);
  else if (leadMm > BARE_LEAD_MM[index.settings.conductorStandard] && (stiff || amps > numbers.ampacityA))
    add('feed.bareAtSource', 'fault', numbers, [weakest.id]);
  for (let on = at; on >= 0; on = nodes[on]!.parent) {
    const fuse = index.devices.get(nodes[on]!.deviceId);
    if (fuse?.kind !== 'protection' || nodes[on]!.terminal !== 'out') continue;
    if (fuse.ratingA < amps * CONTINUOUS_FACTOR)
      add('feed.fuseBelow', 'caution', { amps, ratingA: fuse.ratingA, leastA: amps * CONTINUOUS_FACTOR }, [fuse.id]);
  }
  const { ohmPerM } = conductorTables(index.settings);
  const ohmTo = (tree: WiringTree, from: number) =>
    pathTo(tree, from).reduce((sum, step) => {
      const wire = tree.nodes[step]!.wire;
      return sum + (wire ? (ohmPerM(wire.conductor) * wire.lengthMm) / 1000 : tree.nodes[step]!.jointOhm);
    }, 0);
  const out = ohmTo(wiring.supply, start);
  const minus = wiring.return.at.get(terminalKey(device.id, 'minus'));
  // With no way back known, as much as out.
  judgeDrop(amps, amps * (out + (minus === undefined ? out : ohmTo(wiring.return, minus))), index.settings.nominalV, add);
}
