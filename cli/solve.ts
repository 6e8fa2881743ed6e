import { parseArgs } from 'node:util';
import { deckWords } from '../core/formats/deckWords';
import { DeckError, INSIDE, readSpice } from '../core/formats/spiceRead';
import { Network } from '../core/network/network';
import { NetworkError } from '../core/network/networkError';
import type { Netlist } from '../core/network/netlist';
import { networkWords } from '../core/wording/networkWords';
import { readBounded } from './designFile';
import { BadInput } from './input';

/** `vine-knot solve`: the operating point of a SPICE deck of R, V, I, D and S elements. Status 1 when it has none. */
export function solve(argv: string[]): number {
  const { values, positionals } = parseArgs({ args: argv, options: { json: { type: 'boolean' } }, allowPositionals: true });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('solve takes one deck');
  const netlist = load(file);
  try {
    const network = new Network(netlist);
    network.solve();
    const nodes = Object.fromEntries(netlist.nodes.flatMap((name, at) => (name.endsWith(INSIDE) ? [] : [[name, network.voltage(at)]])));
    const branches = Object.fromEntries(
      netlist.elements.flatMap(({ name }, at) => (name.endsWith(INSIDE) ? [] : [[name, network.current(at)]])),
    );
    process.stdout.write(values.json ? `${JSON.stringify({ nodes, branches }, null, 1)}\n` : inWords(nodes, branches));
    return 0;
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    process.stderr.write(`${networkWords(error.problem)}\n`);
    return 1;
  }
}

function load(file: string): Netlist {
  const text = readBounded(file);
  try {
    return readSpice(text);
  } catch (error) {
    if (error instanceof DeckError)
      throw new BadInput(error.problems.map(({ line, fault }) => `${file}:${line}: ${deckWords(fault)}`).join('\n'));
    throw error;
  }
}

function inWords(nodes: Record<string, number>, branches: Record<string, number>): string {
  const lines = (values: Record<string, number>, unit: string) =>
    Object.entries(values).map(([name, value]) => `  ${name.padEnd(12)} ${value.toPrecision(9).padStart(16)} ${unit}`);
  return `${['Nodes', ...lines(nodes, 'V'), 'Branches', ...lines(branches, 'A')].join('\n')}\n`;
}
