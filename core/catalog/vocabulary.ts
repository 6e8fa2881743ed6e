/** The closed word lists and bounds of a design. Free of any library, so screens can use them without loading the schemas. */

export const SCHEMA_VERSION = 15;

/** The longest that is let run at once on the bench, s. */
export const LONGEST_WAIT_S = 86_400;
/** Acts of the bench kept, and played from a link. */
export const MOST_ACTS = 60;

export const SETTINGS_ID = 'settings';

export const VEHICLES = ['boxBody', 'panelVan', 'pickUp', 'offRoader', 'trailer', 'coachBuilt', 'openFrame', 'motorcycle'] as const;
export type Vehicle = (typeof VEHICLES)[number];

/**
 * The vehicle's own controls, one panel: their positions drive all of its wires consistently. The first position is the one it is left in.
 */
export const VEHICLE_CONTROLS = {
  key: ['off', 'accessory', 'on', 'start'],
  lamps: ['off', 'side', 'low', 'high', 'flash'],
  indicator: ['off', 'left', 'right', 'hazard'],
  reverse: ['out', 'in'],
  brake: ['released', 'pressed'],
  door: ['shut', 'open'],
  hood: ['shut', 'open'],
  daylight: ['day', 'dark'],
} as const;

export type VehicleControl = keyof typeof VEHICLE_CONTROLS;

/** By what wires are coloured: the pole they are of, or what they do, as boats, road vehicles or heavy trucks have it. */
export const COLOUR_SCHOOLS = ['pole', 'smallCraft', 'road', 'truck'] as const;
export type ColourSchool = (typeof COLOUR_SCHOOLS)[number];

/** What a wire is ended with. */
export const WIRE_ENDS = ['ring', 'receptacle', 'blade', 'ferrule', 'butt', 'pin', 'tap', 'bare'] as const;
export type WireEnd = (typeof WIRE_ENDS)[number];

/**
 * How wires are joined where they meet: pressed into one barrel, soldered, clamped under levers, tapped through the insulation, or twisted
 * and taped.
 */
export const JOINT_WAYS = ['crimp', 'solder', 'lever', 'tap', 'twist'] as const;
export type JointWay = (typeof JOINT_WAYS)[number];

/** What is done to a wire on the way into the vehicle, in the order it is done. */
export const WIRE_STEPS = ['cut', 'stripped', 'crimped', 'labelled', 'pulled'] as const;
export type WireStep = (typeof WIRE_STEPS)[number];

/** What is written into the logbook. */
export const EVENT_KINDS = ['note', 'inspection', 'repair', 'replaced', 'change'] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

/** What is looked at again and again in a vehicle's life. */
export const INSPECTIONS = ['bolts', 'joints', 'battery', 'chafe', 'fuses', 'extinguisher', 'alarms'] as const;
export type Inspection = (typeof INSPECTIONS)[number];

/** What carries several controls in numbered positions: a panel in a wall, the vehicle's dash, a housing of relays, a radio fob. */
export const PANEL_USES = ['panel', 'dash', 'hub', 'fob'] as const;
export type PanelUse = (typeof PANEL_USES)[number];

/** States of the vehicle one brings about to meter a wire, in the order one goes through them. */
export const METER_STATES = [
  'off',
  'accessory',
  'on',
  'start',
  'side',
  'low',
  'high',
  'left',
  'right',
  'hazard',
  'brake',
  'reverse',
  'door',
  'hood',
] as const;
export type MeterState = (typeof METER_STATES)[number];

/** How a meter's figure stands: still, on and off as an indicator does, or restless, as pulses and data do. */
export const METER_MOVES = ['steady', 'flashes', 'pulses'] as const;
export type MeterMove = (typeof METER_MOVES)[number];

export const UNIT_SYSTEMS = ['metric', 'us'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

export const CONDUCTOR_STANDARDS = ['us-small-craft', 'iso-small-craft', 'road-vehicle', 'us-recreational'] as const;
export type ConductorStandard = (typeof CONDUCTOR_STANDARDS)[number];

/** Whether a standard's sizes are American gauges. */
export function goesByGauge(standard: ConductorStandard): boolean {
  return standard.startsWith('us-');
}

export const CHEMISTRIES = ['flooded', 'agm', 'gel', 'lithium'] as const;
export type Chemistry = (typeof CHEMISTRIES)[number];

export const PROTECTION_FAMILIES = ['blade', 'largeBlade', 'boltDown', 'mega', 'terminalMount', 'classT', 'glass', 'breaker'] as const;
export type ProtectionFamily = (typeof PROTECTION_FAMILIES)[number];

/** Metric studs cables are bolted to. */
export const STUD_SIZES = ['M4', 'M5', 'M6', 'M8', 'M10', 'M12'] as const;
export type StudSize = (typeof STUD_SIZES)[number];

/** Which clip of the slot a fuse tap's common leg is in. */
export const TAP_LEGS = ['supply', 'load'] as const;
export type TapLeg = (typeof TAP_LEGS)[number];

/**
 * How far a device or wire has come: in place as planned, in place but no part of the plan, or taken out again. One without a word of it is
 * planned and not yet there.
 */
export const WORK_STATES = ['fitted', 'temporary', 'removed'] as const;
export type WorkState = (typeof WORK_STATES)[number];

/** How much drop a circuit stands: what matters and lights, most things, and what does not mind. */
export const DROP_CLASSES = ['critical', 'general', 'tolerant'] as const;
export type DropClass = (typeof DROP_CLASSES)[number];

export const RETURN_KINDS = ['dedicated', 'chassis'] as const;
export type ReturnKind = (typeof RETURN_KINDS)[number];

export const RIG_ID = 'rig';

/** What a zone does to wiring. */
export const ZONE_TRAITS = ['splashed', 'wet', 'living', 'sleeping', 'sun', 'vibration', 'moving'] as const;
export type ZoneTrait = (typeof ZONE_TRAITS)[number];

/** How a stretch is laid. */
export const ROUTE_KINDS = ['loom', 'conduit', 'trunking', 'pillar', 'underfloor', 'rack'] as const;
export type RouteKind = (typeof ROUTE_KINDS)[number];

/** How a cable is got through a stretch. */
export const ROUTE_FEEDS = ['open', 'drawWire', 'helper'] as const;

/** What a stretch passes on its way. */
export const PASSINGS = ['bulkhead', 'roof', 'doubleSkin', 'hinge', 'exhaust', 'steering', 'water'] as const;
export type Passing = (typeof PASSINGS)[number];

/** What is fitted where a stretch passes something. */
export const PASS_PARTS = ['none', 'grommet', 'gland', 'boot', 'heatShield', 'guard'] as const;
export type PassPart = (typeof PASS_PARTS)[number];

/** What a door, hood or arm turns about. */
export const SWEEP_AXES = ['upright', 'crosswise', 'lengthwise'] as const;
export type SweepAxis = (typeof SWEEP_AXES)[number];

export const BUNDLE_PRACTICES = ['derate', 'ignore'] as const;

/** Kinds of weather a year may bring, each with its sky and air by month in catalog/climates. */
export const CLIMATES = ['maritime', 'continental', 'mediterranean', 'desert', 'northern'] as const;
export type Climate = (typeof CLIMATES)[number];

export const INSULATION_RATINGS_C = [60, 70, 75, 80, 85, 90, 105, 125] as const;

/** Bounds on what one design, one change and one field may hold. Generous for a real vehicle, small for a server. */
export const LIMITS = {
  recordsPerDesign: 8000,
  recordsPerChange: 4000,
  /** Designs sent in one part of the list. */
  designsListed: 500,
  importBytes: 8_000_000,
  /** Edges of a photo, and its bytes once it was made smaller; all photos of a design. */
  photoPx: 4000,
  photoBytes: 1_500_000,
  photosBytes: 200_000_000,
  nameLength: 80,
  noteLength: 2000,
  lengthMm: 100_000,
  /** The shortest a stretch between two places can be. */
  stretchMm: 1,
  quantity: 200,
  /** Cores of one cable. */
  cores: 25,
  watts: 10_000,
  amps: 1_000,
  capacityAh: 5_000,
  slots: 24,
  circuitNumber: 999,
  vehicleMm: 30_000,
  outlinePoints: 200,
  bends: 20,
  passings: 12,
  pictureBytes: 4_000_000,
  spans: 48,
  days: 366,
  logSteps: 10_080,
  people: 20,
  /** Things that must all be so before a wish asks anything of a load. */
  conditions: 8,
  /** Columns and rows of a panel. */
  panelAcross: 12,
  panelMm: 2000,
  reelMm: 1_000_000,
  /** One task of the work plan, and the sittings it may be split into. */
  taskMinutes: 6000,
  sittings: 4,
} as const;
