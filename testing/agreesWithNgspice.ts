import { writeSpice } from '../core/formats/spiceWrite';
import type { LiveDesign } from '../core/network/settle';
import { ngspice } from './ngspice';

/** Within a millivolt or 0.01 %, and 0.1 % of current, of what ngspice makes of the same deck. */
export function agreesWithNgspice(live: LiveDesign): void {
  const netlist = live.netlistNow();
  const volts = (node: number) => {
    const [deviceId, terminal] = netlist.nodes[node]!.split('/') as [string, string];
    return live.voltage({ deviceId, terminal })!;
  };
  const deck = writeSpice(netlist, 'a design', [], volts);
  const answer = ngspice(deck.text);
  netlist.nodes.forEach((name, at) => {
    const [deviceId, terminal] = name.split('/') as [string, string];
    const theirs = answer.nodes[deck.nodes[at]!]!;
    expect(Math.abs(live.voltage({ deviceId, terminal })! - theirs)).toBeLessThan(Math.max(1e-3, 1e-4 * Math.abs(theirs)));
  });
  for (const [wireId, at] of live.compiled.wireElement) {
    const theirs = answer.branches[deck.elements[at]!]!;
    expect(Math.abs(live.wireAmps(wireId) - theirs)).toBeLessThan(1e-6 + 1e-3 * Math.abs(theirs));
  }
}
