import { analyse } from '../core/analysis/analyse';
import { findInNetwork } from '../core/analysis/rules/networkRules';
import { truthOf } from '../core/bench/truth';
import { applyChange } from '../core/design/change';
import { deviceOf, type Design } from '../core/design/design';
import { traceWiring } from '../core/network/wiring';
import { indexDesign } from '../core/rig/designIndex';
import { WAYS, type WayChoice } from '../core/switching/gallery/ways';
import { wayTo, type WayTaken } from '../core/switching/gallery/wayTo';

/** Ways of the gallery taken in a test, and what comes of them. */

/** A load switched one way, and the design then. */
export function takenWay(design: Design, id: string, loadId: string, by: WayChoice): WayTaken & { design: Design } {
  const way = wayTo(
    design,
    loadId,
    WAYS.find((one) => one.id === id)!,
    by,
  );
  if (!way) throw new Error(`${id} cannot be`);
  return { ...way, design: applyChange(design, way.change) };
}

/** When a load is lit: for every way its inputs may stand, by the ends of their names. */
export function truthTable(design: Design, loadId: string): Record<string, boolean | null> {
  const index = indexDesign(design);
  const found = truthOf(index, traceWiring(index), loadId);
  if ('tooMany' in found) throw new Error('too many');
  const name = (at: number) => {
    const input = found.inputs[at]!;
    return input.kind === 'vehicle' ? input.control : index.devices.get(input.deviceId)!.name.replace(/^.*_lamp (or other )?/, '');
  };
  return Object.fromEntries(
    found.rows.map(({ positions, on }) => [
      positions
        .map((position, at) => `${name(at)} ${String(position)}`)
        .sort()
        .join(', '),
      on,
    ]),
  );
}

/** What is wrong with a design, notes left out: the rule and the loads or kinds of parts it is about. */
export function problems(design: Design): string[] {
  const analysis = analyse(design);
  return [...analysis.findings, ...findInNetwork(analysis)]
    .filter(({ severity }) => severity !== 'note')
    .map(({ rule, subjects }) => `${rule} ${subjects.map((id) => deviceOf(design, id, 'load')?.name ?? design.records.get(id)?.id.slice(0, 4)).join(' ')}`); // prettier-ignore
}
