import { SETTINGS_ID, type ConductorStandard, type ReturnKind, type UnitSystem, type Vehicle } from '../catalog/vocabulary';
import type { Settings } from './schema';

/** What a design's settings begin with. */
export interface FirstSettings {
  name: string;
  vehicle: Vehicle;
  units: UnitSystem;
  standard: ConductorStandard;
  defaultReturn: ReturnKind;
}

/** What a new design's system is named after, V. */
export const NEW_NOMINAL_V = 12;

/** Settings with the defaults and their reasons in docs/architecture.md. */
export function defaultSettings(answers: FirstSettings): Settings {
  return {
    id: SETTINGS_ID,
    type: 'settings',
    name: answers.name,
    vehicle: answers.vehicle,
    units: answers.units,
    nominalV: NEW_NOMINAL_V,
    conductorStandard: answers.standard,
    insulationC: answers.standard === 'road-vehicle' ? 70 : 105,
    cableForm: 'single',
    defaultReturn: answers.defaultReturn,
    dropTargetPercent: { critical: 3, general: 5 },
    dropFrom: 'battery',
    dropBasis: 'conservative',
    conductorTemperatureC: 20,
    wantedRuntimeH: 48,
    scenarioId: null,
  };
}
