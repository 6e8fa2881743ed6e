import type { Device } from '../design/schema';
import { SIGNAL_WORDS } from '../devices/partSettings';

/** Terminals whose own name says nothing to a person. Relay pins keep their numbers, DIN 72552's. */
const WORDS: Record<string, string> = {
  plus: '+',
  minus: '−',
  panelPlus: 'panel +',
  panelMinus: 'panel −',
  lampPlus: 'pilot +',
  lampMinus: 'pilot −',
  '85': '85, coil',
  '86': '86, coil',
  normallyOpen: 'normally open',
  normallyClosed: 'normally closed',
  in1: 'pole 1 in',
  out1: 'pole 1 out',
  in2: 'pole 2 in',
  out2: 'pole 2 out',
  common1: 'pole 1 common',
  up1: 'pole 1 up',
  down1: 'pole 1 down',
  common2: 'pole 2 common',
  up2: 'pole 2 up',
  down2: 'pole 2 down',
};

/** What a terminal of a device is called. */
export function terminalName(device: Device, terminal: string): string {
  if (device.kind === 'signalSource') return SIGNAL_WORDS[terminal as keyof typeof SIGNAL_WORDS] ?? WORDS[terminal] ?? terminal;
  const [, prefix, number] = /^([a-z]+)(\d+)$/.exec(terminal) ?? [];
  if (device.kind === 'receiver' && prefix === 'ch') return `channel ${number}`;
  if (device.kind === 'ruleHub' && prefix) return prefix === 'in' ? `input ${number}` : `output ${number}`;
  if (device.kind === 'plug' && prefix) return `pin ${number}, ${prefix === 'a' ? 'plug' : 'socket'}`;
  return WORDS[terminal] ?? terminal;
}
