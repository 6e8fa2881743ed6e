import { parseArgs } from 'node:util';
import { analyse } from '../core/analysis/analyse';
import type { Design } from '../core/design/design';
import { monitorFeed } from '../core/energy/monitorFeed';
import { loadDesign } from './designFile';
import { BadInput, numberOption } from './input';
import { serveMonitor, wallMinutes } from './monitorServer';

const PORT = 7412;
const SPEED = 60;

/** `vine-knot monitor`: a simulated battery monitor of a design's scenario, on this machine until it is stopped. */
export function monitor(argv: string[], otherwise?: () => Design): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { scenario: { type: 'string' }, port: { type: 'string' }, speed: { type: 'string' }, seed: { type: 'string' } },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if ((!file && !otherwise) || more.length > 0) throw new BadInput('monitor takes one file');
  const { index, scenario: chosen } = analyse(file ? loadDesign(file) : otherwise!());
  const wanted = values.scenario ?? chosen?.id;
  const scenario = index.scenarios.find(({ id, name }) => id === wanted || name === wanted);
  if (!scenario) throw new BadInput(`--scenario: not one of ${index.scenarios.map(({ name }) => `"${name}"`).join(', ')}`);
  if (!index.battery) throw new BadInput('the design has no battery');
  const port = numberOption('port', values.port, 0, 65_535, PORT);
  const speed = numberOption('speed', values.speed, 1, 36_000, SPEED);
  const seed = numberOption('seed', values.seed, 0, 1_000_000, 1);
  const server = serveMonitor(monitorFeed(index, index.battery, scenario, wallMinutes(), seed), { port, speed });
  server.on('error', (error: NodeJS.ErrnoException) => {
    process.stderr.write(`vine-knot: port ${port} cannot be used (${error.code ?? 'unknown'})\n`);
    process.exit(2);
  });
  server.on('listening', () => {
    const address = server.address();
    const at = typeof address === 'object' && address ? address.port : port;
    process.stdout.write(`monitor of ${scenario.name} at 127.0.0.1:${at}, ${speed} minutes a minute\n`);
  });
  return 0;
}
