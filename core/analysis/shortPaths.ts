import type { ConductorSize } from '../catalog/conductorSizes';
import { fuseOhm } from '../catalog/fuses';
import type { Settings } from '../design/schema';
import { kindOf } from '../devices';
import { LEAST_WAY_OHM, WAY_OHM } from '../devices/vehicleFeed';
import type { WiringTree } from '../network/wiring';
import { cableOhmPerM, endsOhmOf } from '../catalog/cable';
import type { AnalysisContext } from './context';
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

/** Summed from the battery outwards; nodes that stand keep the sum of the analysis before. */
export function shortPaths({ index, wiring, standing }: AnalysisContext, before: ShortPaths | null): ShortPaths {
  const { devices, settings } = index;
  const endsOhm = endsOhmOf(settings);
  const contactOhm = (deviceId: string, terminal: string, fromId: string): number => {
    const device = devices.get(deviceId);
    if (device?.kind === 'protection') return terminal === 'out' ? fuseOhm(device.family, device.ratingA) : 0;
    if (!device || deviceId !== fromId || device.kind === 'busBar' || device.kind === 'fuseBlock') return 0;
    return kindOf(device).closedOhm?.(device) ?? CONTACT_OHM;
  };
  const sum = (
    { nodes }: WiringTree,
    perM: (conductor: ConductorSize) => number,
    counted: 'wires' | 'wiresAndEnds' | 'everything',
    stands?: Uint8Array,
    old?: Float64Array,
  ) => {
    const sums = new Float64Array(nodes.length);
    for (let at = 0; at < sums.length; at++) {
      const { parent, wire, jointOhm, deviceId, terminal, feedId } = nodes[at]!;
      if (parent < 0) {
        // What hangs on the vehicle's wiring has the vehicle's way before it.
        if (feedId) sums[at] = counted === 'everything' ? WAY_OHM : LEAST_WAY_OHM;
        continue;
      }
      if (old && stands?.[at] === 1) {
        sums[at] = old[at]!;
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
    cold: sum(wiring.supply, ohmPerMAt(settings, COLD_C), 'wires', standing?.supply, before?.cold),
    warm: sum(wiring.supply, warmOhm, 'everything', standing?.supply, before?.warm),
    warmBack: sum(wiring.return, warmOhm, 'everything', standing?.return, before?.warmBack),
    warmWires: sum(wiring.supply, warmOhm, 'wiresAndEnds', standing?.supply, before?.warmWires),
  };
}
