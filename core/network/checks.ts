import { NetworkError } from './networkError';
import type { NetElement, Netlist } from './netlist';

/** @throws NetworkError `impossibleValue` naming every element with a value no real part has. */
export function checkValues(elements: readonly NetElement[]): void {
  const positive = (value: number) => value > 0 && Number.isFinite(value);
  const wrong = elements.filter((element) => {
    switch (element.kind) {
      case 'resistor':
        return !positive(element.ohm);
      case 'voltage':
        return !Number.isFinite(element.volts);
      case 'current':
        return !Number.isFinite(element.amps);
      case 'law':
        return false;
      case 'duty':
        return !positive(element.ohm) || !(element.duty >= 0 && element.duty <= 1);
      case 'switch':
        return !positive(element.closedOhm) || !positive(element.openOhm) || !Number.isFinite(element.thresholdV);
    }
  });
  if (wrong.length > 0) throw new NetworkError({ code: 'impossibleValue', elements: wrong.map(({ name }) => name) });
}

/**
 * Every group of nodes must reach the reference through something that can carry current.
 * @throws NetworkError `floating` naming the nodes that do not.
 */
export function checkConnected({ nodes, elements, reference }: Netlist, group: Int32Array, groupCount: number): void {
  const near: number[][] = Array.from({ length: groupCount }, () => []);
  for (const { kind, a, b } of elements) {
    if (kind === 'current') continue;
    near[group[a]!]!.push(group[b]!);
    near[group[b]!]!.push(group[a]!);
  }
  const seen = new Uint8Array(groupCount);
  const queue = [group[reference]!];
  seen[queue[0]!] = 1;
  for (const at of queue) {
    for (const next of near[at]!) {
      if (seen[next]) continue;
      seen[next] = 1;
      queue.push(next);
    }
  }
  const floating = nodes.filter((_, node) => seen[group[node]!] === 0);
  if (floating.length > 0) throw new NetworkError({ code: 'floating', nodes: floating });
}
