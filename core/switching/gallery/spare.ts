import { devicesOfKind, recordsOf, type Design } from '../../design/design';
import type { TerminalRef } from '../../design/schema';
import { kindOf } from '../../devices';
import type { RuleHub } from '../../devices/ruleHub';
import { landedTerminals, terminalKey } from '../../network/wiring';

/** Channels of radio receivers and outputs of hubs that nothing is wired to, in their order. */
export function spareChannels(design: Design): (TerminalRef & { of: 'receiver' | 'ruleHub' })[] {
  const landed = landedTerminals(recordsOf(design, 'wire'));
  return recordsOf(design, 'device').flatMap((device) => {
    if (device.kind !== 'receiver' && device.kind !== 'ruleHub') return [];
    const [prefix, count] = device.kind === 'receiver' ? ['ch', device.channels] : ['out', device.outputs];
    const free = Array.from({ length: count }, (_, at) => `${prefix}${at + 1}`).filter(
      (terminal) => !landed.has(terminalKey(device.id, terminal)),
    );
    return free.map((terminal) => ({ deviceId: device.id, terminal, of: device.kind }));
  });
}

/**
 * What is there already and takes a load on: a free channel of a receiver, whose buttons are there, a free output of a rule hub, the dimmed
 * lead of a dimmer.
 */
export const THERE = ['channel', 'output', 'dimmer'] as const;
export type There = (typeof THERE)[number];

/** Terminals of what is there already that a load may be put on. */
export function thereToTake(design: Design, what: There): TerminalRef[] {
  if (what === 'dimmer')
    return devicesOfKind(design, 'dimmer').map(({ id, side }) => ({ deviceId: id, terminal: side === 'positive' ? 'out' : 'dimmed' }));
  const kind = what === 'channel' ? 'receiver' : 'ruleHub';
  return spareChannels(design).flatMap(({ of, deviceId, terminal }) => (of === kind ? [{ deviceId, terminal }] : []));
}

/** Whether a rule of a hub says already what an output does. */
export function hasRule({ rules }: Pick<RuleHub, 'rules'>, output: string): boolean {
  return rules.some((rule) => `out${rule.output}` === output);
}

/** Switches with a pole that nothing is wired to: one of fewer poles would do, or the pole may take something else. */
export function sparePoles(design: Design): string[] {
  const landed = landedTerminals(recordsOf(design, 'wire'));
  return recordsOf(design, 'device').flatMap((device) => {
    if (device.kind !== 'switch') return [];
    const poles = ['1', '2'].map((pole) =>
      kindOf(device)
        .terminals(device)
        .filter((terminal) => /^(in|out|common|up|down)\d$/.test(terminal) && terminal.endsWith(pole)),
    );
    const isFree = (pole: readonly string[]) => pole.length > 0 && !pole.some((terminal) => landed.has(terminalKey(device.id, terminal)));
    return poles.some(isFree) && !poles.every(isFree) ? [device.id] : [];
  });
}
