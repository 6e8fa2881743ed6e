import { deviceOf, recordsOf, type Design } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import type { TerminalRef, Wire } from '../design/schema';
import { traceWiring } from '../network/traceWiring';

/**
 * The last outlet of the main protection and of what stands in a row behind it, isolator or cut-off: everything is fed from there. Null
 * with no main protection.
 */
export function endOfMain(design: Design): TerminalRef | null {
  const index = indexDesign(design);
  const { supply, fedCount } = traceWiring(index);
  const main = supply.nodes
    .slice(0, fedCount)
    .find(({ deviceId, terminal, protectionId, feedId }) => feedId === null && deviceId === protectionId && terminal === 'out');
  const fuse = main && deviceOf(design, main.deviceId, 'protection');
  if (!main || !fuse || fuse.mount) return null;
  let end: TerminalRef = { deviceId: main.deviceId, terminal: 'out' };
  for (;;) {
    const [next, ...more] = wiresOn(design, end);
    const far = next && (next.from.deviceId === end.deviceId && next.from.terminal === end.terminal ? next.to : next.from);
    const kind = far && index.devices.get(far.deviceId)?.kind;
    if (more.length > 0 || !far || (kind !== 'isolator' && kind !== 'cutOut') || far.terminal !== 'in') return end;
    end = { deviceId: far.deviceId, terminal: 'out' };
  }
}

/** The wires that land on a terminal. */
export function wiresOn(design: Design, { deviceId, terminal }: TerminalRef): Wire[] {
  return recordsOf(design, 'wire').filter(({ from, to }) =>
    [from, to].some((end) => end.deviceId === deviceId && end.terminal === terminal),
  );
}
