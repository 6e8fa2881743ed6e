import { deviceOf, type Design } from '../design/design';
import type { DrainCause } from '../diagnosis/drain';
import { handleName, positionWord } from './benchWords';
import { formatAmps } from '../units/quantity';
import { flawWords, type WireNumbers } from './flawWords';

/** What a part does that draws while everything should be off. */
export function drainWords(design: Design, cause: DrainCause, numbers: WireNumbers): string {
  if (cause.kind === 'flaw') {
    const { fault, where } = flawWords(design, cause.flaw, numbers);
    return `${where}: ${fault}`;
  }
  const device = design.records.get(cause.deviceId);
  if (device?.type !== 'device') return cause.deviceId;
  return `${handleName(device, cause.control)} left at “${positionWord(device, cause.control, cause.position)}”`;
}

/** What a drain goes to: the part that draws or holds. */
export function drainSubject(design: Design, cause: DrainCause): string | null {
  const id = cause.kind === 'left' ? cause.deviceId : 'deviceId' in cause.flaw ? cause.flaw.deviceId : null;
  return id !== null && design.records.has(id) ? id : null;
}

/** Days until flat as they matter: a night, some days, weeks. Common practice: over an ampere is flat overnight, a tenth in weeks. */
export function flatWords(days: number): string {
  if (days < 2) return `flat in ${Math.max(1, Math.round(days * 24))} hours`;
  if (days < 21) return `flat in ${Math.round(days)} days`;
  return days < 400 ? `flat in ${Math.round(days / 7)} weeks` : 'of no account';
}

/** A current that may be small. */
export const smallAmps = (amps: number) => (amps < 0.9995 ? `${Math.round(amps * 1000)} mA` : formatAmps(amps));

/** A fuse's own name, its rating beside it. */
export function fuseWords(design: Design, fuseId: string): { name: string; ratingA: number | null } {
  const fuse = deviceOf(design, fuseId, 'protection');
  return { name: fuse?.name ?? fuseId, ratingA: fuse ? (fuse.fittedA ?? fuse.ratingA) : null };
}
