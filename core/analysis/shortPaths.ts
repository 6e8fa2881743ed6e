import type { ConductorSize } from '../catalog/conductorSizes';
import { fuseOhm } from '../catalog/fuses';
import type { Settings } from '../design/schema';
import { kindOf } from '../devices';
import { LEAST_WAY_OHM, WAY_OHM } from '../devices/vehicleFeed';
import type { WiringTree } from '../network/wiring';
import { cableOhmPerM, endsOhmOf } from '../catalog/cable';
import type { DesignIndex } from '../rig/designIndex';
import { slot } from '../units/carried';
import type { AnalysisContext } from './context';
import type { Marks } from './marks';
import type { ShortPaths } from './types';

/** Conductors in a short at the end of a working day, C: the usual reckoning temperature of PVC. */
const WARM_C = 70;
const COLD_C = 20;
/** A closed contact on the way, ohm. Common practice: 5 to 20 milliohm. */
const CONTACT_OHM = 0.01;

/** A metre of conductor, warm, ohm. */
export function warmOhmPerM(settings: Settings): (conductor: ConductorSize) => number {
  return ohmPerMAt(settings, WARM_C);
}

function ohmPerMAt({ conductorStandard }: Settings, celsius: number): (conductor: ConductorSize) => number {
  const known = new Map<ConductorSize, number>();
  return (conductor) => {
    let ohm = known.get(conductor);
    if (ohm === undefined) known.set(conductor, (ohm = cableOhmPerM(conductor, conductorStandard, celsius)));
    return ohm;
  };
}

const SHORT = slot<ShortPaths>('short paths');

/** Summed from the battery outwards; a node with the mark it had keeps its sum. */
export function shortPaths({ carried, index, wiring, marks }: AnalysisContext): ShortPaths {
  return carried.keep(SHORT, [marks.supply, marks.return], (was) => {
    const [oldSupply, oldReturn] = (was?.from ?? []) as Marks[];
    return sumPaths(
      index,
      { tree: wiring.supply, marks: marks.supply, old: oldSupply },
      { tree: wiring.return, marks: marks.return, old: oldReturn },
      was?.answer,
    );
  });
}

/** A tree, its marks, and those it had. */
interface Path {
  tree: WiringTree;
  marks: Marks;
  old: Marks | undefined;
}

function sumPaths({ devices, settings }: DesignIndex, supply: Path, back: Path, before: ShortPaths | undefined): ShortPaths {
  const endsOhm = endsOhmOf(settings);
  const contactOhm = (deviceId: string, terminal: string, fromId: string): number => {
    const device = devices.get(deviceId);
    if (device?.kind === 'protection') return terminal === 'out' ? fuseOhm(device.family, device.ratingA) : 0;
    if (!device || deviceId !== fromId || device.kind === 'busBar' || device.kind === 'fuseBlock') return 0;
    return kindOf(device).closedOhm?.(device) ?? CONTACT_OHM;
  };
  const sum = (
    { tree: { nodes }, marks, old }: Path,
    perM: (conductor: ConductorSize) => number,
    counted: 'wires' | 'wiresAndEnds' | 'everything',
    known: Float64Array | undefined,
  ) => {
    const sums = new Float64Array(nodes.length);
    for (let at = 0; at < sums.length; at++) {
      const { parent, wire, jointOhm, deviceId, terminal, feedId } = nodes[at]!;
      if (parent < 0) {
        // What hangs on the vehicle's wiring has the vehicle's way before it.
        if (feedId) sums[at] = counted === 'everything' ? WAY_OHM : LEAST_WAY_OHM;
        continue;
      }
      if (known && old?.[at] === marks[at]) {
        sums[at] = known[at]!;
        continue;
      }
      let step = wire ? (perM(wire.conductor) * wire.lengthMm) / 1000 + (counted !== 'wires' && wire.lengthMm > 0 ? endsOhm : 0) : jointOhm;
      if (counted === 'everything' && !wire) step += contactOhm(deviceId, terminal, nodes[parent]!.deviceId);
      sums[at] = sums[parent]! + step;
    }
    return sums;
  };
  const warmOhm = warmOhmPerM(settings);
  return {
    cold: sum(supply, ohmPerMAt(settings, COLD_C), 'wires', before?.cold),
    warm: sum(supply, warmOhm, 'everything', before?.warm),
    warmBack: sum(back, warmOhm, 'everything', before?.warmBack),
    warmWires: sum(supply, warmOhm, 'wiresAndEnds', before?.warmWires),
  };
}
