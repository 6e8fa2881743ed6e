import { parseArgs } from 'node:util';
import * as z from 'zod/mini';
import { listUpTo, numberIn, textOf } from '@/core/units/schema';
import { analyse } from '../core/analysis/analyse';
import { circuitSaid } from '../core/analysis/circuitSaid';
import type { Design } from '../core/design/design';
import { nameOf } from '../core/design/names';
import type { TerminalRef } from '../core/design/schema';
import { kindOf } from '../core/devices';
import { BLOWS_WHEN, BlownCircuit } from '../core/diagnosis/blows';
import { drainOf } from '../core/diagnosis/drain';
import { Finder, type Observed, type Reading } from '../core/diagnosis/diagnose';
import type { Moved } from '../core/diagnosis/foresee';
import { harnessOf, wireNumbersOf } from '../core/harness/schedule';
import { NetworkError } from '../core/network/networkError';
import { traceWiring } from '../core/network/traceWiring';
import { indexDesign, type DesignIndex } from '../core/rig/designIndex';
import { blowWords, partingWords } from '../core/wording/blowWords';
import { drainWords, flatWords } from '../core/wording/drainWords';
import { flawWords, measurementWords, type WireNumbers } from '../core/wording/flawWords';
import { networkWords } from '../core/wording/networkWords';
import { terminalName } from '../core/wording/terminalNames';
import { loadDesign, readBounded } from './designFile';
import { BadInput } from './input';
import { everythingNamed, readAct, theOne } from './named';

const text = textOf(1, 120);
const point = z.strictObject({ device: text, terminal: text });
const lampTest = z.strictObject({ lifted: z.nullable(z.strictObject({ wire: text, end: z.enum(['near', 'far']) })), bright: z.boolean() });
/**
 * A fuse that blows: when it does, and what a lamp in its place did with everything joined, or with a wire lifted at its fuse's end or its
 * other.
 */
const blowing = z.strictObject({ name: text, blows: z.enum(BLOWS_WHEN), tests: z._default(listUpTo(lampTest, 100), []) });

/** Everything off: millivolts across fuses that stayed in, and what a clamp read round the battery's minus lead. */
const draining = z.strictObject({
  fuses: listUpTo(z.strictObject({ name: text, millivolts: numberIn(-2000, 2000) }), 400),
  batteryA: z._default(z.nullable(numberIn(0, 500)), null),
});

/** What was done, seen and read, all of it in one state. */
const observations = z.strictObject({
  batteryV: z.optional(z.nullable(numberIn(0, 60))),
  set: z._default(listUpTo(text, 60), []),
  fuse: z.optional(blowing),
  drain: z.optional(draining),
  seen: z._default(listUpTo(z.strictObject({ load: text, on: z.optional(z.boolean()), dim: z.optional(z.boolean()) }), 400), []),
  readings: z._default(
    listUpTo(
      z.union([
        z.strictObject({ at: point, to: z.optional(z.nullable(point)), volts: numberIn(-100, 100) }),
        z.strictObject({ wire: text, amps: numberIn(-10_000, 10_000) }),
      ]),
      400,
    ),
    [],
  ),
});

/**
 * `vine-knot diagnose`: what is likely wrong after what was seen and read, and what to measure next. Status 1 where nothing that is
 * modelled explains it.
 */
export function diagnoseDesign(argv: string[]): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { observed: { type: 'string' }, json: { type: 'boolean' } },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('diagnose takes one file');
  if (!values.observed) throw new BadInput('--observed: the file with what was seen and read');
  const design = loadDesign(file);
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  const numbers: WireNumbers = wireNumbersOf(harnessOf(index, wiring));
  const read = observations.safeParse(jsonIn(values.observed));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new BadInput(`--observed: ${issue!.path.join('.') || 'the file'}: ${issue!.message}`);
  }
  const { batteryV = null, set, fuse, drain, seen, readings } = read.data;
  if (drain) return diagnoseDrain({ design, index, numbers }, drain, values.json === true);
  const named = everythingNamed(index);
  const moved = set.flatMap((act): Moved[] => {
    const { what, positions } = readAct(act, named);
    return positions.map((position) => ({ mover: what.mover, position }));
  });
  if (fuse) return diagnoseFuse({ design, index, numbers }, fuse, moved, set, values.json === true);
  const observed: Observed = {
    batteryV,
    seen: seen.map(({ load, on, dim }) => ({ loadId: theOne(index.loads, load, 'seen').id, does: dim ? 'dim' : on ? 'on' : 'off' })),
    readings: readings.map((reading): Reading =>
      'wire' in reading
        ? { kind: 'amps', wireId: wireOf(reading.wire, numbers), value: reading.amps }
        : { kind: 'volts', at: terminalOf(index, reading.at), to: reading.to ? terminalOf(index, reading.to) : null, value: reading.volts },
    ),
  };
  const asked = observed.seen.length > 0 ? observed.seen.map(({ loadId }) => loadId) : index.loads.map(({ id }) => id);
  const { ranked, next, isOutside } = found(design, () => new Finder(index, wiring, asked, moved).diagnose(observed));
  const faults = ranked.filter(({ probability }) => probability > 0.001).map(({ flaw, probability }) => {
    const { fault, where, cure, proof } = flawWords(design, flaw, numbers);
    return { fault, where, probability: round(probability), kind: flaw.kind, cure, proof };
  }); // prettier-ignore
  const measures = next.map(({ what, bits, minutes, answers }) => ({
    measure: what.kind,
    where: measurementWords(design, what, numbers),
    ...(what.kind === 'volts'
      ? { at: pointOf(design, what.at), to: what.to && pointOf(design, what.to) }
      : { wire: numbers.get(what.wireId) }),
    state: set,
    bits: round(bits),
    effort: minutes,
    answers: answers.map(({ low, high, probability, flaw }) => ({
      ...{ low: round(low), high: round(high), probability: round(probability) },
      ...{ fault: flawWords(design, flaw, numbers).fault, where: flawWords(design, flaw, numbers).where },
    })),
  }));
  if (values.json) process.stdout.write(`${JSON.stringify({ faults, next: measures, outside: isOutside }, null, 1)}\n`);
  else process.stdout.write(inWords(faults, measures, isOutside));
  return isOutside ? 1 : 0;
}

interface Opened {
  design: Design;
  index: DesignIndex;
  numbers: WireNumbers;
}

/** Why a fuse blows, and where to take its circuit apart next. */
function diagnoseFuse(
  { design, index, numbers }: Opened,
  said: z.infer<typeof blowing>,
  moved: readonly Moved[],
  set: readonly string[],
  isJson: boolean,
): number {
  const fuse = theOne(
    Array.from(index.devices.values()).filter((device) => device.kind === 'protection'),
    said.name,
    'fuse',
  );
  const tests = said.tests.map(({ lifted, bright }) => ({ parting: lifted && { wireId: wireOf(lifted.wire, numbers), end: lifted.end }, bright })); // prettier-ignore
  const { ranked, next } = found(design, () =>
    new BlownCircuit(index, traceWiring(index), fuse, moved, circuitSaid(analyse(design), fuse)).diagnose({ when: said.blows, tests }),
  );
  const faults = ranked.filter(({ probability }) => probability > 0.001).map(({ cause, probability }) => {
    const { fault, where, cure, proof } = blowWords(design, cause, fuse.id, numbers);
    return { fault, where, probability: round(probability), kind: cause.kind, cure, proof };
  }); // prettier-ignore
  const looks = next.map(({ parting, at, bits, minutes, bright }) => ({
    ...{ measure: 'lamp', where: partingWords(design, { parting, at }, numbers) },
    lifted: parting && { wire: numbers.get(parting.wireId), end: parting.end },
    ...{ state: set, bits: round(bits), effort: minutes, bright: round(bright) },
  }));
  if (isJson) process.stdout.write(`${JSON.stringify({ faults, next: looks, outside: false }, null, 1)}\n`);
  else process.stdout.write(inWords(faults, looks, false));
  return 0;
}

function diagnoseDrain({ design, index, numbers }: Opened, said: z.infer<typeof draining>, isJson: boolean): number {
  const fuses = Array.from(index.devices.values()).filter((device) => device.kind === 'protection');
  const readings = said.fuses.map(({ name, millivolts }) => ({ fuseId: theOne(fuses, name, 'drain').id, millivolts }));
  const drain = found(design, () => drainOf(index, readings, said.batteryA));
  const rows = drain.fuses.map(({ fuseId, expectedA, expectedMv, read, verdict, causes }) => ({
    ...{ fuse: nameOf(design, fuseId), expectedA: round(expectedA), expectedMv: round(expectedMv), verdict },
    ...(read && { millivolts: read.millivolts, amps: round(read.amps), lowA: round(read.lowA), highA: round(read.highA) }),
    causes: causes.map(({ cause, amps }) => ({ cause: drainWords(design, cause, numbers), amps: round(amps) })),
  }));
  const { expectedA, batteryA, elsewhereA, days } = drain;
  const whole = { expectedA: round(expectedA), batteryA, elsewhereA: elsewhereA === null ? null : round(elsewhereA), days: days === null ? null : round(days) }; // prettier-ignore
  if (isJson) process.stdout.write(`${JSON.stringify({ ...whole, fuses: rows }, null, 1)}\n`);
  else {
    const lines = rows.filter(({ verdict }) => verdict !== 'unread').flatMap(({ fuse, amps, verdict, causes }) => [
      `${fuse}: ${amps} A, ${verdict === 'asItShould' ? 'as it should' : verdict}`,
      ...causes.map((one) => `  ${one.cause}: ${one.amps} A`),
    ]); // prettier-ignore
    process.stdout.write(`${[`Should flow: ${whole.expectedA} A${days === null ? '' : `; ${flatWords(days)}`}`, ...lines].join('\n')}\n`);
  }
  return rows.some(({ verdict, causes }) => verdict === 'more' && causes.length === 0) ? 1 : 0;
}

/** @throws BadInput where the design has no answer to compare with */
function found<T>(design: Design, diagnose: () => T): T {
  try {
    return diagnose();
  } catch (error) {
    if (error instanceof NetworkError) throw new BadInput(`the design as wired has no answer: ${networkWords(error.problem, design)}`);
    throw error;
  }
}

const round = (value: number) => Number(value.toFixed(4)) + 0;

function jsonIn(file: string): unknown {
  const said = readBounded(file);
  try {
    return JSON.parse(said);
  } catch {
    throw new BadInput(`--observed: ${file} is no JSON`);
  }
}

function wireOf(number: string, numbers: WireNumbers): string {
  for (const [id, known] of numbers) if (known.toLowerCase() === number.trim().toLowerCase()) return id;
  throw new BadInput(`readings: no wire is numbered "${number}"`);
}

function terminalOf(index: DesignIndex, { device, terminal }: { device: string; terminal: string }): TerminalRef {
  const found = theOne(Array.from(index.devices.values()), device, 'readings');
  const said = terminal.trim().toLowerCase();
  // A lamp's function has but one terminal of its own; its other is the lamp's.
  const owner = found.kind === 'load' && found.partOf?.shares === said ? index.devices.get(found.partOf.loadId)! : found;
  const terminals = kindOf(owner).terminals(owner);
  const is = terminals.find((one) => one.toLowerCase() === said || terminalName(owner, one).toLowerCase() === said);
  if (!is) throw new BadInput(`readings: ${owner.name} has no terminal "${terminal}"; it has ${terminals.join(', ')}`);
  return { deviceId: owner.id, terminal: is };
}

function pointOf(design: Design, { deviceId, terminal }: TerminalRef) {
  return { device: nameOf(design, deviceId), terminal };
}

function inWords(
  faults: readonly { fault: string; where: string; probability: number; proof: string }[],
  next: readonly { where: string; bits: number; effort: number }[],
  isOutside: boolean,
): string {
  const likely = faults.slice(0, 8).map(({ fault, where, probability }) => `${String(Math.round(probability * 100)).padStart(4)} %  ${fault}: ${where}`); // prettier-ignore
  const measures = next.slice(0, 5).map(({ where, bits, effort }) => `${bits.toFixed(2).padStart(5)} bits, ${effort} min  ${where}`);
  const outside = isOutside ? ['Nothing that is modelled explains all of this: look for what the plan does not have.', ''] : [];
  return `${[...outside, ...likely, '', 'Measure next:', ...measures].join('\n')}\n`;
}
