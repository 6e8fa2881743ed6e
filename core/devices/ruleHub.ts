import * as z from 'zod/mini';
import { listUpTo, numberIn, wholeIn } from '../units/schema';
import { amps, deviceBase, seconds } from './fields';
import { standbyLaw } from './laws';
import { NOTHING, type ControlValue, type DeviceKind, type Memory, type Sees } from './kind';
import { VEHICLE_SIGNALS, type VehicleSignal } from './signalSource';
import { quantity, standby } from './settings';

const port = wholeIn(1, 16);
const signals = listUpTo(z.enum(VEHICLE_SIGNALS), VEHICLE_SIGNALS.length);

/**
 * What an output does while a rule holds: is on, is on in one half of the beat or in the other, is on for a time from when it began to
 * hold, or from a time after it.
 */
export const HUB_ACTS = ['steady', 'blink', 'against', 'pulse', 'late'] as const;
export type HubAct = (typeof HUB_ACTS)[number];

const rule = z.strictObject({
  output: port,
  /** Inputs that are live, and that are not. */
  all: listUpTo(port, 16),
  none: listUpTo(port, 16),
  /** What the vehicle's data line says of, and does not. */
  heard: z.optional(signals),
  unheard: z.optional(signals),
  /** While it holds its output is off, whatever the others say. */
  block: z.boolean(),
  /** Absent: steady. */
  does: z.optional(z.enum(HUB_ACTS)),
  /** Of a pulse, or until one that is late. */
  seconds: z.optional(seconds.check(z.minimum(1))),
  /** It goes before the others of its output. */
  wins: z.optional(z.boolean()),
});

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('ruleHub'),
  inputs: wholeIn(1, 16),
  outputs: wholeIn(1, 16),
  outputMaxA: numberIn(0.1, 100),
  standbyA: amps,
  /**
   * An output does what a rule of its says while all of that rule's conditions are so: one that wins, else the first. A blocking rule goes
   * before all.
   */
  rules: listUpTo(rule, 64),
});

export type RuleHub = z.infer<typeof schema>;
export type HubRule = z.infer<typeof rule>;
/** On in the first half of the beat, or in the second. */
export type Blinking = Extract<HubAct, 'blink' | 'against'>;

/** Volts from which an input counts as live. Common practice: half the supply. */
const LIVE_V = 6;
/** How long it is on, or lets wait, where nobody says, s. */
export const USUAL_HUB_S = 5;
const ports = (prefix: string, count: number) => Array.from({ length: count }, (_, at) => `${prefix}${at + 1}`);

/** What its rules listen to on the vehicle's data line. */
export function heardBy({ rules }: Pick<RuleHub, 'rules'>): VehicleSignal[] {
  return [...new Set(rules.flatMap(({ heard = [], unheard = [] }) => [...heard, ...unheard]))];
}

/** How long a rule's act takes, s; null for one that takes no time. */
export function actS({ does, seconds: set }: HubRule): number | null {
  return does === 'pulse' || does === 'late' ? (set ?? USUAL_HUB_S) : null;
}

/** Whether an output blinks as a hub remembers it, and in which half. */
export function blinkingOf(memory: Memory | undefined, output: string): Blinking | null {
  if (!memory) return null;
  return memory[`${output} blink`] === true ? 'blink' : memory[`${output} against`] === true ? 'against' : null;
}

/**
 * A hub that switches its outputs by rules on its inputs and on what it hears on the vehicle's data line, to which it listens alone. Each
 * input loads its trigger with a few milliamperes at most. What blinks counts as on: its current flows half of the time, and what guards it
 * must carry it.
 */
export const ruleHub: DeviceKind<RuleHub> & { schema: typeof schema } = {
  schema,
  label: 'rule hub',
  symbol: 'hub',
  lands: 'ferrule',
  fitMinutes: 20,
  carriesA: ({ outputMaxA }, terminal) => (terminal.startsWith('out') ? outputMaxA : null),
  isElectronic: true,
  own: ({ standbyA }) => ({ ampsAt: () => standbyA, plus: 'plus', minus: 'minus', allDay: true }),
  turn: () => 'poled',
  terminalWord: (terminal) => {
    const [, side, number] = /^(in|out)(\d+)$/.exec(terminal) ?? [];
    return side && `${side === 'in' ? 'input' : 'output'} ${number}`;
  },
  stateWord: (memory) => {
    const on = Object.entries(memory).flatMap(([key, value]) => (value === true && /^out\d+$/.test(key) ? [key.slice(3)] : []));
    return on.length === 0
      ? 'all off'
      : `on: ${on.map((output) => `${output}${blinkingOf(memory, `out${output}`) ? ' (blinks)' : ''}`).join(', ')}`;
  },
  settings: () => [
    quantity('inputs', 'inputs', '', 0, 1, 16),
    quantity('outputs', 'outputs', '', 0, 1, 16),
    quantity('outputMaxA', 'an output carries', 'A', 1, 0.1, 100),
    standby,
  ],
  isContact: true,
  terminals: ({ inputs, outputs }) => ['plus', 'minus', ...ports('in', inputs), ...ports('out', outputs)],
  paths: ({ outputs }) => ports('out', outputs).map((to) => ({ from: 'plus', to })),
  controls: (device) => Object.fromEntries(heardBy(device).map((signal) => [signal, [false, true]])),
  workedInUse: () => true,
  // An input is but listened to.
  deciding: (device, terminal) => (terminal.startsWith('in') ? [terminal, 'minus'] : ruleHub.terminals(device)),
  times: ({ rules }) => rules.flatMap((one) => actS(one) ?? []),
  stamp({ inputs, outputs, standbyA }, net) {
    for (const input of ports('in', inputs)) net.resistor(`sense ${input}`, input, 'minus', 10_000);
    for (const output of ports('out', outputs)) net.contact(output, 'plus', output, ({ memory }) => memory[output] === true, 0.01);
    net.law('standby', 'plus', 'minus', standbyLaw(standbyA));
  },
  step({ outputs, rules }, sees) {
    const { across, memory, control } = sees;
    const isFed = across('plus', 'minus') > LIVE_V;
    const isLive = (input: number) => across(`in${input}`, 'minus') > LIVE_V;
    const isHeard = (signal: VehicleSignal) => control(signal) === true;
    const holds = ({ all, none, heard = [], unheard = [] }: HubRule) =>
      all.every(isLive) && !none.some(isLive) && heard.every(isHeard) && !unheard.some(isHeard);
    const next: Record<string, ControlValue> = {};
    ports('out', outputs).forEach((output, at) => {
      const mine = isFed ? rules.filter((one) => one.output === at + 1 && holds(one)) : [];
      const acting = mine.some(({ block }) => block) ? undefined : (mine.find(({ wins }) => wins) ?? mine[0]);
      Object.assign(next, acting ? acted(acting, output, rules.indexOf(acting), sees) : { [output]: false });
    });
    return sameAs(memory, next) ? memory : next;
  },
};

/** What a rule that acts makes of its output, and remembers of when it began. */
function acted(one: HubRule, output: string, at: number, { memory, timeS, timeRuns }: Sees): Memory {
  const { does = 'steady' } = one;
  const takesS = actS(one);
  if (takesS === null) return does === 'steady' ? { [output]: true } : { [output]: true, [`${output} ${does}`]: true };
  // As it has long stood what comes late has come, and what is but a pulse counts as lit.
  if (!timeRuns) return { [output]: true };
  const [by, end] = [`${output} by ${at}`, `${output} untilS`];
  const untilS = memory[by] === true ? Number(memory[end]) : timeS + takesS;
  return { [output]: does === 'late' ? timeS >= untilS : timeS < untilS, [by]: true, [end]: untilS };
}

function sameAs(memory: Memory, next: Memory): boolean {
  return Object.keys({ ...NOTHING, ...memory, ...next }).every((key) => (memory[key] ?? false) === (next[key] ?? false));
}
