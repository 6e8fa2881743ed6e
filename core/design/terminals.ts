import type { Device } from './schema';

/** The terminals a wire may land on, by device kind. A fuse in a block's slot is fed by the block, so only its outlet is free. */
export function terminalsOf(device: Device): readonly string[] {
  switch (device.kind) {
    case 'battery':
    case 'load':
      return PLUS_MINUS;
    case 'protection':
      return device.mount ? OUT : IN_OUT;
    case 'switch':
      return IN_OUT;
    case 'fuseBlock':
      return IN;
    case 'busBar':
      return BAR;
    case 'groundPoint':
      return STUD;
  }
}

const PLUS_MINUS = ['plus', 'minus'];
const IN_OUT = ['in', 'out'];
const IN = ['in'];
const OUT = ['out'];
const BAR = ['bar'];
const STUD = ['stud'];
