import { parseArgs } from 'node:util';
import { MOST_ROWS, truthOf, type Truth } from '../core/bench/truth';
import { recordsOf, type Design } from '../core/design/design';
import { nameOf } from '../core/design/names';
import type { Load } from '../core/design/schema';
import { NetworkError } from '../core/network/networkError';
import { traceWiring } from '../core/network/traceWiring';
import { indexDesign, type DesignIndex } from '../core/rig/designIndex';
import { functionWord } from '../core/switching/lampFunctions';
import { inputWords, truthRows } from '../core/wording/benchWords';
import { loadDesign } from './designFile';
import { BadInput } from './input';

/** `vine-knot truth`: what a load does in every way that what influences it may stand. Status 1 when its wiring has no answer. */
export function truth(argv: string[]): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { load: { type: 'string' }, function: { type: 'string' }, json: { type: 'boolean' } },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('truth takes one file');
  if (values.load === undefined) throw new BadInput('--load is needed');
  const design = loadDesign(file);
  const index = indexDesign(design);
  const load = loadCalled(design, index, values.load, values.function);
  try {
    const found = truthOf(index, traceWiring(index), load.id, recordsOf(design, 'wish'));
    if ('tooMany' in found)
      throw new BadInput(`${load.name} hangs on ${found.tooMany} ways its controls may stand; ${MOST_ROWS} are the most`);
    process.stdout.write(values.json ? `${JSON.stringify(plain(design, found), null, 1)}\n` : inWords(design, found));
    return 0;
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    process.stderr.write(`${error.message}\n`);
    return 1;
  }
}

/** The load of that name, and of that function where it has several. @throws BadInput with the loads it may be */
function loadCalled(design: Design, { loads }: DesignIndex, called: string, part: string | undefined): Load {
  const wanted = called.trim().toLowerCase();
  const functionOf = (load: Load) => functionWord(load.name, nameOf(design, load.partOf?.loadId ?? load.id)).toLowerCase();
  const lampOf = (load: Load) => nameOf(design, load.partOf?.loadId ?? load.id).toLowerCase();
  const fits = (load: Load) =>
    part === undefined
      ? load.name.toLowerCase() === wanted
      : (lampOf(load) === wanted || lampOf(load).startsWith(`${wanted},`)) &&
        (functionOf(load) === part.toLowerCase() || load.name.toLowerCase().endsWith(part.toLowerCase()));
  const exact = loads.filter(fits);
  const found = exact.length > 0 || part !== undefined ? exact : loads.filter(({ name }) => name.toLowerCase().includes(wanted));
  const [load, ...others] = found;
  const names = (list: readonly Load[]) => list.map(({ name }) => `"${name}"`).join(', ');
  if (!load) throw new BadInput(`--load: nothing is called "${called}"${part === undefined ? '' : `, ${part}`}; there are ${names(loads)}`);
  if (others.length > 0) throw new BadInput(`--load: "${called}" may be ${names(found)}; say which`);
  return load;
}

function plain(design: Design, { inputs, rows }: Truth) {
  const words = inputs.map((input) => ({ ...inputWords(design, input), input }));
  return {
    inputs: words.map(({ name }) => name),
    rows: rows.map(({ positions, on, level, wished }) => ({
      set: Object.fromEntries(words.map(({ name, positions: said, input }, at) => [name, said[input.positions.indexOf(positions[at]!)]])),
      ...{ on, level, wished },
    })),
  };
}

function inWords(design: Design, found: Truth): string {
  const [heads, ...lines] = truthRows(design, found);
  const widths = heads!.map((head, column) => Math.max(head.length, ...lines.map((line) => line[column]!.length)));
  const row = (cells: readonly string[]) => cells.map((cell, column) => cell.padEnd(widths[column]!)).join('  ').trimEnd(); // prettier-ignore
  const idle = found.doesNotMatter.map((input) => inputWords(design, input).name);
  return `${[heads!, ...lines].map(row).join('\n')}\n${idle.length > 0 ? `\nDoes not matter: ${idle.join(', ')}\n` : ''}`;
}
