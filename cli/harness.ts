import { parseArgs } from 'node:util';
import { lookCode } from '../core/catalog/wireColours';
import { recordsOf } from '../core/design/design';
import { boughtIn, partsList } from '../core/harness/partsList';
import { partNeeds } from '../core/harness/stock';
import type { HarnessEnd } from '../core/harness/harnessWire';
import { cutLots, harnessOf, wireNumbersOf } from '../core/harness/schedule';
import { nameOf } from '../core/design/names';
import { analyse } from '../core/analysis/analyse';
import { findHarness } from '../core/analysis/rules/harnessRules';
import { leadsOf } from '../core/harness/leads';
import { endWords, partWords } from '../core/wording/harnessWords';
import { loadDesign } from './designFile';
import { BadInput } from './input';

/**
 * `vine-knot harness`: every wire with number, colour, size, length and ends, what is cut from what, and the parts. Status 1 where a
 * finding of the harness is a fault.
 */
export function harness(argv: string[]): number {
  const { values, positionals } = parseArgs({ args: argv, options: { json: { type: 'boolean' } }, allowPositionals: true });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('harness takes one file');
  const design = loadDesign(file);
  const analysis = analyse(design);
  const { index, wiring } = analysis;
  const findings = findHarness(analysis);
  const made = harnessOf(index, wiring);
  const lots = cutLots(made, recordsOf(design, 'reel'));
  const { units } = index.settings;
  const place = ({ deviceId, terminal }: HarnessEnd) => ({ device: nameOf(design, deviceId), terminal });
  const end = ({ ending }: HarnessEnd) => ({ kind: ending.kind, stud: ending.stud, bladeMm: ending.bladeMm, says: endWords(ending) });
  const wires = made.wires.map(({ wire, number, look, from, to, lengthMm, routeIds }) => ({
    number,
    from: place(from),
    to: place(to),
    colour: look ? lookCode(look) : null,
    conductor: wire.conductor,
    lengthM: lengthMm / 1000,
    core: wire.core ? { cable: nameOf(design, wire.core.cableId), at: wire.core.at } : null,
    sleeve: wire.sleeve ?? null,
    ends: [end(from), end(to)],
    loom: routeIds.map((id) => nameOf(design, id)),
  }));
  const leads = Array.from(leadsOf(recordsOf(design, 'lead'), index, made).values())
    .flat()
    .map(({ lead, terminal, standing, meets }) => ({
      device: nameOf(design, lead.deviceId),
      colour: lookCode(lead),
      terminal: terminal ?? null,
      standing,
      meets: meets.map(({ number }) => number),
    }));
  const numberOf = wireNumbersOf(made);
  const cables = made.cables.map(({ cable, cores, lengthMm }) => ({
    name: cable.name,
    lengthM: lengthMm / 1000,
    cores: cores.map(({ core, line, misleads }) => ({
      colour: lookCode(core),
      conductor: core.conductor,
      wire: line ? numberOf.get(line.wire.id)! : null,
      remark: misleads !== null,
    })),
  }));
  const parts = partNeeds(partsList(index, made, lots, boughtIn(design)), recordsOf(design, 'stock')).map(
    ({ line, stock, byLength, getCount, cost }) => ({
      what: partWords(line, units).what,
      count: byLength ? line.count / 1000 : line.count,
      unit: byLength ? 'm' : 'pcs',
      price: stock?.price ?? null,
      get: byLength ? getCount / 1000 : getCount,
      cost,
    }),
  );
  const cuts = lots.flatMap(({ conductor, look, cuts: cut }) =>
    cut.map(({ reel, pieces, leftMm }) => ({
      reel: reel.reel?.name ?? `${conductor}${look ? ` ${lookCode(look)}` : ''}, ${reel.lengthMm / 1000} m to buy`,
      pieces: pieces.map(({ lengthMm }) => lengthMm / 1000),
      wasteM: leftMm / 1000,
    })),
  );
  if (values.json) process.stdout.write(`${JSON.stringify({ wires, cables, leads, parts, cuts, findings }, null, 2)}\n`);
  else
    for (const { number, colour, conductor, from, to, lengthM, ends } of wires)
      process.stdout.write(
        `${number.padEnd(6)} ${(colour ?? '-').padEnd(6)} ${conductor.padEnd(8)} ${lengthM.toFixed(2).padStart(6)} m  ${from.device}, ${from.terminal} (${ends[0]!.says}) to ${to.device}, ${to.terminal} (${ends[1]!.says})\n`,
      );
  return findings.some(({ severity }) => severity === 'fault') ? 1 : 0;
}
