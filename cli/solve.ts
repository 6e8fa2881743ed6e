import { readFileSync, statSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { LIMITS } from '../core/design/vocabulary';
import { DeckError, INSIDE, readSpice } from '../core/formats/spiceRead';
import { Network } from '../core/network/network';
import { NetworkError } from '../core/network/networkError';
import type { Netlist } from '../core/network/netlist';
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
    process.stderr.write(`${error.message}\n`);
    return 1;
  }
}

function load(file: string): Netlist {
  try {
    if (statSync(file).size > LIMITS.importBytes) throw new BadInput(`${file}: larger than ${LIMITS.importBytes / 1_000_000} MB`);
    return readSpice(readFileSync(file, 'utf8'));
  } catch (error) {
    if (error instanceof DeckError) throw new BadInput(error.problems.map(({ line, reason }) => `${file}:${line}: ${reason}`).join('\n'));
    if ((error as NodeJS.ErrnoException).code) throw new BadInput(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code})`);
    throw error;
  }
}

function inWords(nodes: Record<string, number>, branches: Record<string, number>): string {
  const lines = (values: Record<string, number>, unit: string) =>
    Object.entries(values).map(([name, value]) => `  ${name.padEnd(12)} ${value.toPrecision(9).padStart(16)} ${unit}`);
  return `${['Nodes', ...lines(nodes, 'V'), 'Branches', ...lines(branches, 'A')].join('\n')}\n`;
}
