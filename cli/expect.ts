import { parseArgs } from 'node:util';
import { nameOf } from '../core/design/names';
import { unitOf } from '../core/diagnosis/readings';
import { expectedReadings, pointsOf } from '../core/diagnosis/expect';
import type { Moved } from '../core/diagnosis/foresee';
import { seeded } from '../core/energy/weather';
import { harnessOf, wireNumbersOf } from '../core/harness/schedule';
import { NetworkError } from '../core/network/networkError';
import { traceWiring } from '../core/network/traceWiring';
import { indexDesign } from '../core/rig/designIndex';
import { measurementWords } from '../core/wording/flawWords';
import { loadDesign } from './designFile';
import { BadInput, numberOption } from './input';
import { everythingNamed, readAct } from './named';

/**
 * `vine-knot expect`: what every point of a design should read after some acts, at the battery's voltage of that moment, and between which
 * figures. Status 1 when it has no answer.
 */
export function expectDesign(argv: string[]): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { set: { type: 'string', multiple: true }, battery: { type: 'string' }, seed: { type: 'string' }, json: { type: 'boolean' } },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('expect takes one file');
  const batteryV = values.battery === undefined ? null : numberOption('battery', values.battery, 1, 60, 12);
  const seed = numberOption('seed', values.seed, 0, 2 ** 31, 1);
  const design = loadDesign(file);
  const index = indexDesign(design);
  const named = everythingNamed(index);
  const moved = (values.set ?? []).flatMap((act): Moved[] => {
    const { what, positions } = readAct(act, named);
    return positions.map((position) => ({ mover: what.mover, position }));
  });
  const numbers = wireNumbersOf(harnessOf(index, traceWiring(index)));
  try {
    const points = expectedReadings(index, moved, batteryV, pointsOf(index), seeded(seed)).map(({ what, expected, low, high }) => ({
      measure: what.kind,
      where: measurementWords(design, what, numbers),
      ...(what.kind === 'volts'
        ? { at: { device: nameOf(design, what.at.deviceId), terminal: what.at.terminal }, to: what.to && { device: nameOf(design, what.to.deviceId), terminal: what.to.terminal } }
        : { wire: numbers.get(what.wireId) }),
      unit: unitOf(what),
      ...{ expected: round(expected), low: round(low), high: round(high) },
    })); // prettier-ignore
    if (values.json) process.stdout.write(`${JSON.stringify({ batteryV, set: values.set ?? [], points }, null, 1)}\n`);
    else
      for (const { where, unit, expected, low, high } of points)
        process.stdout.write(
          `${expected.toFixed(2).padStart(8)} ${unit}  ${low.toFixed(2).padStart(7)} to ${high.toFixed(2).padStart(7)}  ${where}\n`,
        );
    return 0;
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    process.stderr.write(`${error.message}\n`);
    return 1;
  }
}

const round = (value: number) => Number(value.toFixed(4)) + 0;
