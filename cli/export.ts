import { parseArgs } from 'node:util';
import { analyse } from '../core/analysis/analyse';
import { solveDesign } from '../core/analysis/solved';
import { spiceOfDesign } from '../core/formats/spiceOfDesign';
import { NetworkError } from '../core/network/networkError';
import type { StateChoice } from '../core/network/namedStates';
import { loadDesign } from './designFile';
import { BadInput } from './input';

/** `vine-knot export`: a design file in another format on standard output. Status 1 when its network has no answer. */
export function exportDesign(argv: string[]): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { format: { type: 'string' }, state: { type: 'string' } },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('export takes one file');
  if (values.format !== 'spice') throw new BadInput('--format: only "spice" is written');
  const analysis = analyse(loadDesign(file));
  const solved = solveDesign(analysis, stateOption(values.state ?? 'all-on', analysis.index.scenarios));
  if (solved instanceof NetworkError) {
    process.stderr.write(`${solved.message}\n`);
    return 1;
  }
  process.stdout.write(spiceOfDesign(solved).text);
  return 0;
}

function stateOption(text: string, scenarios: readonly { id: string; name: string }[]): StateChoice {
  if (text === 'all-on') return { kind: 'allOn' };
  if (text === 'all-off') return { kind: 'allOff' };
  const scenario = scenarios.find(({ id, name }) => id === text || name === text);
  if (scenario) return { kind: 'scenario', scenarioId: scenario.id };
  throw new BadInput(`--state: "${text}" is not all-on, all-off or one of ${scenarios.map(({ name }) => `"${name}"`).join(', ')}`);
}
