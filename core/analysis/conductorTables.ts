import type { ConductorSize } from '../catalog/conductorSizes';
import type { Settings } from '../design/schema';
import { ampacity, type Ampacity } from '../sizing/ampacity';
import { designOhmPerM } from '../sizing/voltageDrop';

/** Resistances and ampacities under one design's settings, each worked out once. */
export interface ConductorTables {
  ohmPerM(size: ConductorSize): number;
  ampacity(size: ConductorSize, ambientC: number, engineSpace: boolean, loaded: number): Ampacity;
}

/** Past every ambient, C, so that one number names a place. */
const HOTTER_THAN_ANY = 1024;

export function conductorTables(settings: Settings): ConductorTables {
  const { conductorStandard: standard, insulationC, dropBasis: basis, conductorTemperatureC: conductorC } = settings;
  const resistances = new Map<ConductorSize, number>();
  const places = new Map<number, Map<ConductorSize, Ampacity>>();
  return {
    ohmPerM(size) {
      let ohm = resistances.get(size);
      if (ohm === undefined) resistances.set(size, (ohm = designOhmPerM(size, { standard, basis, conductorC })));
      return ohm;
    },
    ampacity(size, ambientC, engineSpace, loaded) {
      const place = (2 * loaded + Number(engineSpace)) * HOTTER_THAN_ANY + ambientC;
      let here = places.get(place);
      if (!here) places.set(place, (here = new Map()));
      let carried = here.get(size);
      if (!carried) here.set(size, (carried = ampacity(size, { standard, insulationC, ambientC, engineSpace, loaded })));
      return carried;
    },
  };
}
