import type { Device } from '../design/schema';
import { kindOf } from '../devices';

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
  return kindOf(device).terminalWord?.(terminal) ?? WORDS[terminal] ?? terminal;
}
