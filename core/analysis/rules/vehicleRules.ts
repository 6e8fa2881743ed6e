import type { Device, Protection, TerminalRef } from '../../design/schema';
import { isBehindOwnFuse, type VehicleFeed } from '../../devices/vehicleFeed';
import { terminalKey } from '../../network/wiring';
import type { FeedUnknown, RuleFigures } from '../figures';
import { finding, type Finding, type Severity, type VehicleRule } from '../finding';
import type { Analysis } from '../types';
import { BARE_LEAD_MM } from './protectionRules';

/** Slack on comparisons of computed amperes. */
const HAIR = 1e-6;

/**
 * Feeds taken from the vehicle's own wiring: what they add to what the vehicle draws there, what guards them, and what goes dark with them.
 */
export function findVehicle(analysis: Analysis): Finding[] {
  return Array.from(analysis.index.devices.values()).flatMap((device) => (device.kind === 'vehicleFeed' ? judge(analysis, device) : []));
}

function judge(analysis: Analysis, feed: VehicleFeed): Finding[] {
  const { index, wiring, supply } = analysis;
  const led = ledTo(analysis, feed);
  if (led.length === 0) return [];
  const about = <R extends VehicleRule>(rule: R, severity: Severity, numbers: RuleFigures[R]) =>
    finding(rule, severity, [feed.id], numbers);
  if (feed.polarity === 'ground') return feedsSomething(led) ? [about('vehicle.pulledToGround', 'fault', {})] : [];
  const at = wiring.supply.at.get(terminalKey(feed.id, 'out'))!;
  const node = wiring.supply.nodes[at]!;
  // Grown from another plus, the tree came to this one.
  if (node.feedId !== feed.id) return [finding('vehicle.joined', 'fault', [feed.id, wiring.supply.nodes[node.parent]!.deviceId], {})];
  const amps = supply.demand[at]!.peakA;
  const found: Finding[] = [];
  const missing: FeedUnknown[] = [
    ...(feed.ownFuseA === undefined ? (['fuse'] as const) : []),
    ...(feed.drawnA === undefined ? (['drawn'] as const) : []),
    ...(feed.from === 'slot' && feed.leg === undefined ? (['leg'] as const) : []),
  ];
  if (missing.length > 0) found.push(about('vehicle.unknown', 'caution', { missing }));
  const own = firstFuse(led, BARE_LEAD_MM[index.settings.conductorStandard]);
  const isBehind = isBehindOwnFuse(feed);
  if (isBehind && feed.ownFuseA !== undefined && amps + (feed.drawnA ?? 0) > feed.ownFuseA + HAIR)
    found.push(about('vehicle.overdrawn', 'fault', { by: 'fuse', amps, drawnA: feed.drawnA ?? 0, mostA: feed.ownFuseA }));
  if (feed.mayDrawA !== undefined && amps > feed.mayDrawA + HAIR)
    found.push(about('vehicle.overdrawn', 'fault', { by: 'maker', amps, drawnA: null, mostA: feed.mayDrawA }));
  if (!isBehind && !own) found.push(about('vehicle.bareTap', 'fault', {}));
  if (isBehind && feed.ownFuseA !== undefined && (!own || own.ratingA * 2 > feed.ownFuseA))
    found.push(
      about('vehicle.goesDark', own ? 'note' : 'caution', { ownA: feed.ownFuseA, rating: own?.ratingA ?? null, serves: feed.serves }),
    );
  return found;
}

/** What each wire of a feed leads to, and how far away. */
function ledTo({ index }: Analysis, feed: VehicleFeed): { device: Device | undefined; terminal: string; lengthMm: number }[] {
  const isOut = ({ deviceId, terminal }: TerminalRef) => deviceId === feed.id && terminal === 'out';
  return index.wires.flatMap(({ from, to, lengthMm }) => {
    const far = isOut(from) ? to : isOut(to) ? from : null;
    return far ? [{ device: index.devices.get(far.deviceId), terminal: far.terminal, lengthMm }] : [];
  });
}

/** Whether anything but a relay's coil or a hub's input hangs on a wire that is pulled to ground. */
function feedsSomething(led: ReturnType<typeof ledTo>): boolean {
  return led.some(
    ({ device, terminal }) =>
      device?.kind === 'protection' || device?.kind === 'fuseBlock' || (device?.kind === 'load' && terminal === 'plus'),
  );
}

/** The fuse of its own right at a feed: at the end of its first wire, no longer than a lead may be bare. */
function firstFuse(led: ReturnType<typeof ledTo>, mostMm: number): Protection | null {
  for (const { device, lengthMm } of led) if (device?.kind === 'protection' && lengthMm <= mostMm) return device;
  return null;
}
