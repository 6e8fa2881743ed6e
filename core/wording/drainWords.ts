import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import type { DrainCause } from '../diagnosis/drain';
import { handleName, positionWord, VEHICLE_WORDS } from './benchWords';
import { formatAmps } from '../units/quantity';
import { flawWords, type WireNumbers } from './flawWords';

/** What a part does that draws while everything should be off. */
export function drainWords(design: Design, cause: DrainCause, numbers: WireNumbers): string {
  if (cause.kind === 'flaw') {
    const { fault, where } = flawWords(design, cause.flaw, numbers);
    return `${where}: ${fault}`;
  }
  if (cause.kind === 'runs') return `${nameOf(design, cause.loadId)} running, by all that switches it together`;
  const { mover, position } = cause;
  if (mover.kind === 'vehicle') return `${VEHICLE_WORDS[mover.control]} left at “${String(position)}”`;
  const device = design.records.get(mover.deviceId);
  if (device?.type !== 'device') return mover.deviceId;
  return `${handleName(device, mover.control)} left at “${positionWord(device, position)}”`;
}

/** What a drain goes to: the part that draws or holds. */
export function drainSubject(design: Design, cause: DrainCause): string | null {
  if (cause.kind === 'runs') return cause.loadId;
  const by = cause.kind === 'left' ? cause.mover : cause.flaw;
  return 'deviceId' in by && design.records.has(by.deviceId) ? by.deviceId : null;
}

/** Days until flat as they matter: a night, some days, weeks. Common practice: over an ampere is flat overnight, a tenth in weeks. */
export function flatWords(days: number): string {
  if (days < 2) return `flat in ${Math.max(1, Math.round(days * 24))} hours`;
  if (days < 21) return `flat in ${Math.round(days)} days`;
  return days < 400 ? `flat in ${Math.round(days / 7)} weeks` : 'of no account';
}

/** A current that may be small. */
export const smallAmps = (amps: number) => (amps < 0.9995 ? `${Math.round(amps * 1000)} mA` : formatAmps(amps));
