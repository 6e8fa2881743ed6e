import { parseArgs } from 'node:util';
import { Bench } from '../core/bench/bench';
import { deviceOf, type Design } from '../core/design/design';
import { nameOf } from '../core/design/names';
import { NetworkError } from '../core/network/networkError';
import { indexDesign } from '../core/rig/designIndex';
import { functionWord } from '../core/switching/lampFunctions';
import { formatAmps, formatVolts } from '../core/units/quantity';
import { answerWord, deviceStates } from '../core/wording/benchWords';
import { loadDesign } from './designFile';
import { BadInput, numberOption } from './input';
import { everythingNamed, readAct } from './named';

const LONGEST_S = 86_400;

/**
 * `vine-knot bench`: moves controls of a design one after another and says what answers. Status 1 when it has no answer or never comes to
 * rest.
 */
export function benchDesign(argv: string[]): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { set: { type: 'string', multiple: true }, after: { type: 'string' }, json: { type: 'boolean' } },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('bench takes one file');
  const seconds = numberOption('after', values.after, 0, LONGEST_S, 0);
  const design = loadDesign(file);
  const index = indexDesign(design);
  const named = everythingNamed(index);
  const acts = (values.set ?? []).map((text) => readAct(text, named));
  try {
    const bench = new Bench(index);
    for (const { what, positions } of acts) for (const position of positions) what.set(bench, position);
    if (seconds > 0) bench.wait(seconds);
    process.stdout.write(values.json ? `${JSON.stringify(plain(design, bench), null, 1)}\n` : inWords(design, bench));
    return bench.answer.outcome === 'settled' ? 0 : 1;
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    process.stderr.write(`${error.message}\n`);
    return 1;
  }
}

function plain(design: Design, { answer }: Bench) {
  return {
    outcome: answer.outcome,
    loads: answer.loads.map(({ id, state, level, volts, amps, by, blinks }) => {
      const lampId = deviceOf(design, id, 'load')?.partOf?.loadId;
      return {
        name: nameOf(design, id),
        function: lampId === undefined ? null : functionWord(nameOf(design, id), nameOf(design, lampId)),
        on: state === 'on',
        ...{ level: round(level, 3), volts: round(volts, 3), amps: round(amps, 4) },
        by: by.map((deviceId) => nameOf(design, deviceId)),
        ...(blinks && { blinks }),
      };
    }),
    devices: deviceStates(design, answer).map(({ name, state }) => ({ name, state })),
  };
}

const round = (value: number, digits: number) => Number(value.toFixed(digits)) + 0;

function inWords(design: Design, { answer }: Bench): string {
  const loads = answer.loads.map(
    (load) =>
      `${nameOf(design, load.id).padEnd(34)} ${answerWord(load).padEnd(10)} ${formatVolts(load.volts).padStart(8)} ${formatAmps(load.amps).padStart(8)}`,
  );
  const devices = deviceStates(design, answer).map(({ name, state }) => `${name.padEnd(34)} ${state}`);
  const rest = answer.outcome === 'settled' ? [] : ['', 'It never comes to rest.'];
  return `${[...loads, ...(devices.length > 0 ? ['', ...devices] : []), ...rest].join('\n')}\n`;
}
