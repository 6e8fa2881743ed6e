import type { ConductorSize } from '../catalog/conductorSizes';
import type { ProtectionFamily } from '../catalog/vocabulary';
import type { JointWay, StudSize, WireEnd } from '../catalog/vocabulary';
import type { Passage, TerminalRef } from '../design/schema';
import type { ControlValue } from '../devices/kind';
import type { TrialKind } from '../plan/trialResults';
import type { Receiver } from '../devices/receiver';
import type { HubAct } from '../devices/ruleHub';
import type { NetworkProblem } from '../network/networkError';

/** A control moved from its rest. */
export interface Moved {
  deviceId: string;
  control: string;
  value: ControlValue;
}

/** What of a feed from the vehicle is not said. */
export type FeedUnknown = 'fuse' | 'drawn' | 'leg';

type None = { none?: never };
/** Which of several passages, wishes or readings it is, where its records alone do not say. */
interface Placed<P> {
  place: P;
}

/** Where a joint is: in the wet, where it is shaken or warm with the engine, or anywhere. */
export type JointSpot = 'damp' | 'shaken' | 'anywhere';

/**
 * What each rule says in figures: SI units (millimetres where the name says so) or trade sizes. Its words and remedies can ask for these
 * and nothing else; to name a rule here is to add it, and all that must be said of it follows from the compiler.
 */
export interface RuleFigures {
  'wiring.short': { terminal: string };
  'wiring.loop': None;
  'wiring.twoWaysHome': None;
  'wiring.goesPast': None;
  'wiring.sideBySide': None;
  'wiring.noReturn': None;
  'reach.twoFeeds': None;
  'reach.unmeantFeed': None;
  'reach.fusesTogether': { ampacityA: number; conductor: ConductorSize; passesA: number };
  'wire.overloaded': OnWire;
  'wire.tooSmallForStandard': OnWire;
  'wire.belowMinimum': OnWire;
  'fuse.aboveConductor': OnWire;
  'fuse.belowLoad': { ratingA: number; peakA: number };
  'fuse.continuousLoad': { ratingA: number; continuousA: number; leastA: number };
  'fuse.feederBelow': { ratingA: number; peakA: number; continuousA: number; leastA: number };
  'fuse.aboveDevice': { ratingA: number; mostA: number };
  'fuse.notStandard': { ratingA: number; family: ProtectionFamily };
  /** Whether its block has no feed, or its tap is turned round in a slot without a fuse. */
  'fuse.notFed': { mounted: boolean; tap: boolean };
  'slot.overRating': { ratingA: number; mostA: number; slot: number };
  'slot.doubledUp': { ratingA: number; mostA: number; slot: number; amps: number };
  'fuse.tapReversed': { ratingA: number; amps: number };
  'fuse.tapUnproved': None;
  'block.overRating': { peakA: number; mostA: number };
  'main.missing': None;
  'main.belowDemand': { ratingA: number; peakA: number };
  'main.farFromBattery': { leadMm: number; mostMm: number };
  'main.bare': { amps: number };
  'main.noIsolator': None;
  'return.thinnerThanFuse': OnWire;
  'return.sharedThin': Shared;
  'lead.belowFuses': Shared;
  'ground.jointDrop': { jointV: number; mostV: number };
  'drop.overTarget': Drop & { sharedDropV: number };
  'drop.realCable': { cableDropV: number; formulaDropV: number; cablePercent: number; targetPercent: number };
  'drop.asWired': Drop & { solvedPercent: number };
  'switch.overRating': Carried;
  'switch.wantsRelay': { amps: number; mostA: number };
  'fuse.cannotBreak': Breaking;
  'fuse.backedUp': Breaking & { longestS: number; saves: boolean };
  'fuse.voltage': { maxV: number; systemV: number };
  'fuse.neverClears': Clearing;
  'fuse.slowToClear': Clearing;
  'fuse.opensAtStart': { ratingA: number; amps: number; seconds: number };
  'fuse.aheadOpensFirst': Chain;
  'fuse.notSelective': Chain;
  'fuse.partlySelective': Chain;
  'wire.spoiltFirst': { share: number };
  'contact.overRating': Carried;
  'contact.start': Carried;
  /** Terminals without a wire that it needs; whether it then lets current through at rest alone. */
  'contact.unworked': { terminals: readonly string[]; rests: boolean };
  'relay.bareCoil': None;
  'ground.crowded': { count: number; most: number; amps: number };
  'joint.ring': { conductor: ConductorSize; stud: StudSize; least: StudSize };
  'joint.unfit': { made: JointWay; where: JointSpot; amps: number };
  'joint.flexing': None;
  'joint.beforeFuse': None;
  'joint.row': None;
  'joint.twoSizes': { conductor: ConductorSize; thick: ConductorSize; thinTerminal: string; thickTerminal: string };
  'return.thinnerThanFeed': { conductor: ConductorSize; feed: ConductorSize };
  'drop.starved': { leastV: number | null; volts: number | null; dropV: number; when: 'idle' | 'low' };
  'drop.feedShare': { dropV: number; dropPercent: number; sharePercent: number };
  'drop.lightsLoose': { targetPercent: number; lightsPercent: number };
  'idle.notHeld': { wantedA: number; passedA: number; volts: number; leastV: number; scenario: string | null };
  'supply.noBattery': None;
  'load.noDraw': None;
  'load.noCircuit': { amps: number };
  /** What lights both; null where there are too many positions to try. */
  'reach.together': { group: string; positions: readonly Moved[] | null; batteryV: number | null };
  'reach.neverLit': None;
  'load.measuredDiffers': { watts: number; ratedWatts: number };
  'circuit.empty': None;
  'strip.longRun': { lengthMm: number; mostMm: number };
  'energy.shortRuntime': { runtimeH: number; wantedH: number; dailyAh: number };
  'energy.runsOut': { chancePercent: number; acceptedPercent: number; draws: number; days: number; firstCutH: number | null };
  'energy.noUse': { unsaid: number | null; of: number };
  'network.noAnswer': { problem: NetworkProblem['code'] };
  'network.oscillates': None;
  'network.reversed': Stray;
  'reach.fuseOverdrawn': { amps: number; ratingA: number; peakA: number };
  'network.sourcesJoined': Stray;
  'network.signalOverdrawn': { amps: number; maxA: number; terminal: string };
  'network.otherReturn': Stray;
  'network.besideFuse': Stray;
  'network.besideSwitch': Stray;
  'network.leak': { volts: number; path: readonly TerminalRef[] };
  'solar.bare': { volts: number };
  'solar.twoControllers': None;
  'solar.coldVoltage': { volts: number; mostV: number; celsius: number };
  'solar.lowVoltage': { volts: number; leastV: number };
  'solar.controllerClips': { amps: number; mostA: number; watts: number };
  'solar.controllerOver': { amps: number; mostA: number };
  'alternator.missing': None;
  'alternator.noLink': None;
  'alternator.idle': { amps: number; spareA: number };
  'relay.chargeOver': { amps: number; mostA: number };
  'battery.chargedTooFast': { amps: number; mostA: number };
  'charger.inputDrop': { amps: number; conductor: ConductorSize; dropV: number; mostV: number };
  'charger.inputCable': { amps: number; conductor: ConductorSize; ampacityA: number };
  'charger.inputBare': { amps: number };
  'charger.inputFuse': { ratingA: number; conductor: ConductorSize; ampacityA: number };
  'charger.inputFuseSmall': { ratingA: number; amps: number; leastA: number };
  'feed.unknown': { amps: number };
  'feed.bareAtBattery': FeedWire;
  'feed.bareAtSource': FeedWire & { amps: number; stiff: boolean };
  'feed.fuseAbove': FeedWire & { ratingA: number };
  'feed.fuseBelow': { amps: number; ratingA: number; leastA: number };
  'feed.cableSmall': FeedWire & { amps: number };
  'feed.drop': { amps: number; dropV: number; mostV: number };
  'battery.hot': { celsius: number; mostC: number };
  'battery.unvented': None;
  'battery.loose': None;
  'battery.holdUnknown': None;
  'battery.coldCharge': { celsius: number };
  'rig.noWay': None;
  'rig.pathBroken': None;
  'rig.bareHole': Passing;
  'rig.unsealed': Passing;
  'rig.hinge': Passing;
  'rig.hingeTight': { leastMm: number; lengthMm: number };
  'rig.exhaust': Passing & { clearMm: number | null };
  'rig.steering': Passing;
  'rig.holeTooSmall': Passing & { holeMm: number; bundleMm: number };
  'rig.conduitFull': { fillPercent: number; mostPercent: number; count: number; leastMm: number };
  'rig.tooShallow': { depthMm: number | null; freeMm: number | null; bendMm: number };
  'rig.behindUnknown': { depthMm: number };
  'rig.heavy': { weightKg: number };
  'rig.inTheWay': None;
  'rig.inSight': None;
  'rig.samePlace': None;
  'rig.outside': None;
  'rig.wet': None;
  'rig.measuredDiffers': { measuredMm: number; plannedMm: number };
  'rig.wireDiffers': { measuredMm: number; wayMm: number };
  'rig.panelElsewhere': None;
  'work.temporary': { reason: string | null; due: string | null };
  'work.jointForNow': { made: JointWay; reason: string | null; due: string | null };
  'work.otherFuse': { fittedA: number; plannedA: number | null };
  'build.poweredUnchecked': None;
  'build.untested': None;
  'build.trialFailed': { kind: TrialKind } & Placed<string>;
  'build.readingOut': { read: string; low: string; high: string } & Placed<string>;
  'switching.coilTurned': None;
  'switching.coilPulsed': None;
  'switching.coilAlwaysFed': None;
  'switching.twoDimmers': None;
  'switching.dimmerBridged': None;
  'switching.litWhileShut': None;
  /** Rules by their place from one. */
  'switching.hubUndecided': { output: number; one: number; other: number; first: HubAct; second: HubAct };
  'switching.modeToSet': { comesAs: Receiver['mode']; holds: number };
  'harness.alike': { look: string };
  'harness.returnColour': { look: string; isReturn: boolean };
  'harness.numberTwice': { number: string };
  'harness.noTerminal': None;
  'harness.unfinished': { count: number; of: number };
  'harness.endMisfit': { end: WireEnd; takes: WireEnd; terminal: string };
  'harness.bareEnd': { terminal: string; isFuse: boolean };
  'harness.holeAtEdge': { position: number; leastMm: number };
  'harness.holesMeet': { one: number; other: number };
  'harness.glare': { by: 'sun' | 'sleep'; count: number };
  'harness.inSight': { heightMm: number; mostMm: number };
  'harness.cutTooDeep': { position: number; needMm: number; freeMm: number };
  'harness.coreThin': Core;
  'harness.coreOther': Core;
  'harness.coreAstray': { at: number };
  'harness.leadsAlike': { look: string };
  'harness.leadDisputed': None;
  'harness.leadColour': { look: string; isReturn: boolean };
  'harness.leadsDiffer': { look: string };
  'harness.bothLive': None;
  'harness.leadOpen': { look: string; isKnown: boolean };
  'harness.leadUnproved': { count: number; of: number };
  'harness.legend': None;
  'wish.broken': Placed<string>;
  'wish.undecided': Placed<string>;
  /** Whether its fuse or its maker says how much. */
  'vehicle.overdrawn':
    { by: 'fuse'; amps: number; drawnA: number; mostA: number } | { by: 'maker'; amps: number; drawnA: null; mostA: number };
  'vehicle.joined': None;
  'vehicle.unknown': { missing: readonly FeedUnknown[] };
  'vehicle.bareTap': None;
  'vehicle.goesDark': { ownA: number; rating: number | null; serves: string };
  'vehicle.pulledToGround': None;
}

interface OnWire {
  amps: number;
  ampacityA: number;
  conductor: ConductorSize;
  ratingA: number | null;
}

interface Shared {
  ampacityA: number;
  conductor: ConductorSize;
  passesA: number;
  loads: number;
}

interface Drop {
  dropV: number;
  dropPercent: number;
  targetPercent: number;
}

interface Carried {
  amps: number;
  ratingA: number;
}

/** What a short right at a fuse carries, and what it breaks, A. */
interface Breaking {
  atA: number;
  breaksA: number;
  family: ProtectionFamily;
}

/** What a short at the far end carries, A, how many times the rating that is, and how long it may take. */
interface Clearing {
  ratingA: number;
  endA: number;
  multiple: number;
  longestS: number;
}

interface Chain {
  ratingA: number;
  upstreamA: number;
  ratio: number;
  selectiveToA: number;
  atA: number;
}

/** A current that should not be, and the way it comes by from its source. */
interface Stray {
  amps: number;
  path: readonly TerminalRef[];
}

interface FeedWire {
  conductor: ConductorSize;
  ampacityA: number;
}

interface Passing extends Placed<number> {
  what: Passage['what'];
}

/** A core by its place in the cable, its size, and what the wire it is was sized. */
interface Core {
  at: number;
  core: ConductorSize;
  planned: ConductorSize;
}
