import { z } from 'zod';
import { amps, deviceBase } from './fields';
import { standbyLaw } from './laws';
import type { DeviceKind } from './kind';

const port = z.number().int().min(1).max(16);

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('ruleHub'),
  inputs: z.number().int().min(1).max(16),
  outputs: z.number().int().min(1).max(16),
  outputMaxA: z.number().min(0.1).max(100),
  standbyA: amps,
  /** An output is on while any of its rules holds: all of these inputs live, none of those. A blocking rule wins over all others. */
  rules: z.array(z.strictObject({ output: port, all: z.array(port).max(16), none: z.array(port).max(16), block: z.boolean() })).max(64),
});

type RuleHub = z.infer<typeof schema>;

/** Volts from which an input counts as live. Common practice: half the supply. */
const LIVE_V = 6;
const ports = (prefix: string, count: number) => Array.from({ length: count }, (_, at) => `${prefix}${at + 1}`);

/** A hub that switches its outputs by rules on its inputs. Each input loads its trigger with a few milliamperes at most. */
export const ruleHub: DeviceKind<RuleHub> & { schema: typeof schema } = {
  schema,
  label: 'rule hub',
  isContact: true,
  terminals: ({ inputs, outputs }) => ['plus', 'minus', ...ports('in', inputs), ...ports('out', outputs)],
  paths: ({ outputs }) => ports('out', outputs).map((to) => ({ from: 'plus', to })),
  // An input is but listened to.
  deciding: (device, terminal) => (terminal.startsWith('in') ? [terminal, 'minus'] : ruleHub.terminals(device)),
  stamp({ inputs, outputs, standbyA }, net) {
    for (const input of ports('in', inputs)) net.resistor(`sense ${input}`, input, 'minus', 10_000);
    for (const output of ports('out', outputs)) net.contact(output, 'plus', output, ({ memory }) => memory[output] === true, 0.01);
    net.law('standby', 'plus', 'minus', standbyLaw(standbyA));
  },
  step({ outputs, rules }, { across, memory }) {
    const isFed = across('plus', 'minus') > LIVE_V;
    const isLive = (input: number) => across(`in${input}`, 'minus') > LIVE_V;
    const holds = ({ all, none }: RuleHub['rules'][number]) => all.every(isLive) && !none.some(isLive);
    const next: Record<string, boolean> = {};
    ports('out', outputs).forEach((output, at) => {
      const mine = rules.filter((rule) => rule.output === at + 1 && holds(rule));
      next[output] = isFed && mine.length > 0 && !mine.some(({ block }) => block);
    });
    return Object.entries(next).every(([output, on]) => (memory[output] ?? false) === on) ? memory : next;
  },
};
