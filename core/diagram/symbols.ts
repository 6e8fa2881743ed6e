import type { Device } from '../design/schema';
import { kindOf } from '../devices';
import type { SymbolId } from '../devices/kind';

/**
 * Symbols after IEC 60617, drawn by ourselves in a field of 36 by 36 with its middle at 0, 0, contacts at rest and working upwards; the
 * current goes from left to right. Each a path to be stroked. Source: the standard's shapes, from memory.
 */
export const SYMBOLS = {
  battery: 'M-18 0H-4M-4 -13V13M4 -6V6M4 0H18',
  fuse: 'M-18 0H18M-11 -5H11V5H-11Z',
  breaker: 'M-18 0H-10L8 -11M8 0H18M-4 -8L-7 -14M2 -16L-8 -10M-8 -16L2 -10',
  make: 'M-18 0H-10L9 -10M10 0H18M0 -5V-14M-4 -14H4',
  button: 'M-18 0H-10L9 -10M10 0H18M0 -5V-14M-5 -14H5M-5 -14V-11M5 -14V-11',
  changeover: 'M-18 0H-8L10 -8M10 -11H18M10 11H18M10 11V8M0 -4V-15M-4 -15H4',
  roller: 'M-18 0H-10L9 -10M10 0H18M0 -5L0 -11M-3 -14A3 3 0 1 0 3 -14A3 3 0 1 0 -3 -14',
  relay: 'M-8 -17H8V-5H-8ZM-18 -11H-8M8 -11H18M-18 10H-9L9 2M10 10H18',
  lamp: 'M-18 0H-11M11 0H18M11 0A11 11 0 1 1 -11 0A11 11 0 1 1 11 0M-7.8 -7.8L7.8 7.8M-7.8 7.8L7.8 -7.8',
  motor: 'M-18 0H-12M12 0H18M12 0A12 12 0 1 1 -12 0A12 12 0 1 1 12 0M-5 5V-5L0 1L5 -5V5',
  heater: 'M-18 0H-12M12 0H18M-12 -6H12V6H-12ZM-6 -6V6M0 -6V6M6 -6V6',
  consumer: 'M-18 0H-12M12 0H18M-12 -10H12V10H-12Z',
  converter: 'M-18 0H-13M13 0H18M-13 -12H13V12H-13ZM-13 12L13 -12M-9 -6H-3M-9 -4H-3M4 7C5 3 7 3 8 7',
  dimmer: 'M-18 0H-12M12 0H18M-12 -7H12V7H-12ZM-9 14L9 -14M9 -14L3 -12M9 -14L8 -8',
  diode: 'M-18 0H18M-7 -8V8L7 0ZM7 -8V8',
  bar: 'M0 -17V17M-3 -17H3M-3 17H3',
  joint: 'M-18 0H18M3 0A3 3 0 1 1 -3 0A3 3 0 1 1 3 0',
  plug: 'M-18 0H-4M-4 -5L2 0L-4 5M5 -6A6 6 0 0 0 5 6M0 0H18',
  ground: 'M0 -16V0M-11 0H11M-9 0L-13 8M0 0L-4 8M9 0L5 8',
  isolator: 'M-18 0H-10L9 -10M10 -4V4M10 0H18M-1 -5V-14M-5 -14H3',
  shunt: 'M-18 0H18M-10 -5H10V5H-10ZM-6 5V13M6 5V13',
  radio: 'M-13 -6H13V14H-13ZM0 -6V-17M-6 -17L0 -10L6 -17',
  sensor: 'M-13 -11H13V13H-13ZM-6 8A8 8 0 0 1 6 8M-3 4A4 4 0 0 1 3 4M0 -3V-3.1',
  hub: 'M-13 -13H13V13H-13ZM-6 -6H-1V6H6M-1 -1H6',
  source: 'M-18 0H-12M12 0H18M12 0A12 12 0 1 1 -12 0A12 12 0 1 1 12 0M-6 0H0M-3 -3V3M3 0H8',
  vehicle: 'M-14 6H14V0L8 -2L5 -8H-8L-14 -1ZM-6 6A3 3 0 1 0 -6 6.1M8 6A3 3 0 1 0 8 6.1',
} as const satisfies Record<SymbolId, string>;

/** The symbol a device is drawn with. */
export function symbolOf(device: Device): SymbolId {
  const { symbol } = kindOf(device);
  return typeof symbol === 'function' ? symbol(device) : symbol;
}
