/** The closed word lists and bounds of a design. Free of any library, so screens can use them without loading the schemas. */

export const SCHEMA_VERSION = 1;

export const SETTINGS_ID = 'settings';

export const VEHICLES = ['boxBody', 'panelVan', 'pickUp', 'offRoader', 'trailer', 'coachBuilt'] as const;
export type Vehicle = (typeof VEHICLES)[number];

export const UNIT_SYSTEMS = ['metric', 'us'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

export const CONDUCTOR_STANDARDS = ['us-small-craft', 'iso-small-craft', 'road-vehicle'] as const;
export type ConductorStandard = (typeof CONDUCTOR_STANDARDS)[number];

export const CHEMISTRIES = ['flooded', 'agm', 'gel', 'lithium'] as const;
export type Chemistry = (typeof CHEMISTRIES)[number];

export const PROTECTION_FAMILIES = ['blade', 'largeBlade', 'boltDown', 'mega', 'terminalMount', 'classT', 'breaker'] as const;
export type ProtectionFamily = (typeof PROTECTION_FAMILIES)[number];

export const DROP_CLASSES = ['critical', 'general'] as const;
export type DropClass = (typeof DROP_CLASSES)[number];

export const RETURN_KINDS = ['dedicated', 'chassis'] as const;
export type ReturnKind = (typeof RETURN_KINDS)[number];

export const INSULATION_RATINGS_C = [60, 70, 75, 80, 85, 90, 105, 125] as const;

/** Bounds on what one design, one change and one field may hold. Generous for a real vehicle, small for a server. */
export const LIMITS = {
  recordsPerDesign: 8000,
  recordsPerChange: 4000,
  importBytes: 8_000_000,
  nameLength: 80,
  noteLength: 2000,
  lengthMm: 100_000,
  quantity: 200,
  watts: 10_000,
  amps: 1_000,
  capacityAh: 5_000,
  slots: 24,
  circuitNumber: 999,
} as const;
