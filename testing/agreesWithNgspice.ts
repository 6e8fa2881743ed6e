import { writeSpice } from '../core/formats/spiceWrite';
import type { Netlist } from '../core/network/netlist';
import type { LiveDesign } from '../core/network/settle';
import { ngspice } from './ngspice';

/** Behind insulation alone, ohm: of a link of a tenth of a milliohm there, sixteen digits hold its volts to some hundredths alone. */
const INSULATED_OHM = 1e8;
const INSULATED_V = 0.05;

/** Within a millivolt or 0.01 %, and 0.1 % of current, of what ngspice makes of the same deck. */
export function agreesWithNgspice(live: LiveDesign): void {
  const netlist = live.netlistNow();
  const volts = (node: number) => {
    const [deviceId, terminal] = netlist.nodes[node]!.split('/') as [string, string];
    return live.voltage({ deviceId, terminal })!;
  };
  const deck = writeSpice(netlist, 'a design', [], volts);
  const answer = ngspice(deck.text);
  const held = heldNodes(netlist);
  expect(held.size).toBeGreaterThan(netlist.nodes.length / 2);
  netlist.nodes.forEach((name, at) => {
    const [deviceId, terminal] = name.split('/') as [string, string];
    const theirs = answer.nodes[deck.nodes[at]!]!;
    expect(Math.abs(live.voltage({ deviceId, terminal })! - theirs)).toBeLessThan(
      held.has(at) ? Math.max(1e-3, 1e-4 * Math.abs(theirs)) : INSULATED_V,
    );
  });
  for (const [wireId, at] of live.compiled.wireElement) {
    const theirs = answer.branches[deck.elements[at]!]!;
    expect(Math.abs(live.wireAmps(wireId) - theirs)).toBeLessThan(1e-6 + 1e-3 * Math.abs(theirs));
  }
}

/** Nodes that something other than insulation joins to the first one, the battery's minus. */
function heldNodes({ nodes, elements }: Netlist): Set<number> {
  const joined = new Map<number, number[]>(nodes.map((_name, at) => [at, []]));
  for (const element of elements) {
    if (element.kind === 'resistor' && element.ohm >= INSULATED_OHM) continue;
    joined.get(element.a)!.push(element.b);
    joined.get(element.b)!.push(element.a);
  }
  const held = new Set([0]);
  for (const node of held) for (const other of joined.get(node)!) held.add(other);
  return held;
}
