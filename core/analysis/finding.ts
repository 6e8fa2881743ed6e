import type { Judged } from '../bench/judge';

/** How bad: a fault can burn or not work and must be put right; a caution should be; a note is worth knowing. */
export type Severity = 'fault' | 'caution' | 'note';

const RANK: Record<Severity, number> = { fault: 0, caution: 1, note: 2 };

/** 0 for the worst. */
export function severityRank(severity: Severity): number {
  return RANK[severity];
}

/** Something a rule found: plain data. wording.ts puts it into words, remedies.ts into changes. */
export interface Finding {
  rule: Rule;
  severity: Severity;
  /** The records it is about, the one to look at first in front. */
  subjects: string[];
  /** The circuit it belongs to, if any. */
  circuitId: string | null;
  /** The figures behind it, SI units or trade sizes. */
  numbers: Record<string, number | string | null>;
  /** The wish it is about and what became of it, where it is about one. */
  judged?: Judged;
}

export type Rule =
  | 'wiring.short'
  | 'wiring.loop'
  | 'wiring.twoWaysHome'
  | 'wiring.goesPast'
  | 'wiring.sideBySide'
  | 'wiring.noReturn'
  | 'reach.twoFeeds'
  | 'reach.unmeantFeed'
  | 'reach.fusesTogether'
  | 'wire.overloaded'
  | 'wire.tooSmallForStandard'
  | 'wire.belowMinimum'
  | 'fuse.aboveConductor'
  | 'fuse.belowLoad'
  | 'fuse.continuousLoad'
  | 'fuse.feederBelow'
  | 'fuse.aboveDevice'
  | 'fuse.notStandard'
  | 'fuse.notFed'
  | 'slot.overRating'
  | 'slot.doubledUp'
  | 'fuse.tapReversed'
  | 'fuse.tapUnproved'
  | 'block.overRating'
  | 'main.missing'
  | 'main.belowDemand'
  | 'main.farFromBattery'
  | 'main.bare'
  | 'main.noIsolator'
  | 'return.thinnerThanFuse'
  | 'return.sharedThin'
  | 'lead.belowFuses'
  | 'ground.jointDrop'
  | 'drop.overTarget'
  | 'drop.realCable'
  | 'drop.asWired'
  | 'switch.overRating'
  | 'switch.wantsRelay'
  | 'fuse.cannotBreak'
  | 'fuse.backedUp'
  | 'fuse.voltage'
  | 'fuse.neverClears'
  | 'fuse.slowToClear'
  | 'fuse.opensAtStart'
  | 'fuse.aheadOpensFirst'
  | 'fuse.notSelective'
  | 'fuse.partlySelective'
  | 'wire.spoiltFirst'
  | 'contact.overRating'
  | 'contact.start'
  | 'contact.unworked'
  | 'relay.bareCoil'
  | 'ground.crowded'
  | 'joint.ring'
  | 'joint.twoSizes'
  | 'return.thinnerThanFeed'
  | 'drop.starved'
  | 'drop.feedShare'
  | 'drop.lightsLoose'
  | 'idle.notHeld'
  | 'supply.noBattery'
  | 'load.noDraw'
  | 'load.noCircuit'
  | 'reach.together'
  | 'reach.neverLit'
  | 'load.measuredDiffers'
  | 'circuit.empty'
  | 'strip.longRun'
  | 'energy.shortRuntime'
  | 'energy.runsOut'
  | 'energy.noUse'
  | 'network.noAnswer'
  | 'network.oscillates'
  | 'network.reversed'
  | 'reach.fuseOverdrawn'
  | 'network.sourcesJoined'
  | 'network.signalOverdrawn'
  | 'network.otherReturn'
  | 'network.besideFuse'
  | 'network.besideSwitch'
  | 'network.leak'
  | 'solar.bare'
  | 'solar.twoControllers'
  | 'solar.coldVoltage'
  | 'solar.lowVoltage'
  | 'solar.controllerClips'
  | 'solar.controllerOver'
  | 'alternator.missing'
  | 'alternator.noLink'
  | 'alternator.idle'
  | 'relay.chargeOver'
  | 'battery.chargedTooFast'
  | 'charger.inputDrop'
  | 'charger.inputCable'
  | 'charger.inputBare'
  | 'charger.inputFuse'
  | 'charger.inputFuseSmall'
  | 'feed.unknown'
  | 'feed.bareAtBattery'
  | 'feed.bareAtSource'
  | 'feed.fuseAbove'
  | 'feed.fuseBelow'
  | 'feed.cableSmall'
  | 'feed.drop'
  | 'battery.hot'
  | 'battery.unvented'
  | 'battery.loose'
  | 'battery.holdUnknown'
  | 'battery.coldCharge'
  | 'rig.noWay'
  | 'rig.pathBroken'
  | 'rig.bareHole'
  | 'rig.unsealed'
  | 'rig.hinge'
  | 'rig.exhaust'
  | 'rig.steering'
  | 'rig.holeTooSmall'
  | 'rig.conduitFull'
  | 'rig.tooShallow'
  | 'rig.behindUnknown'
  | 'rig.heavy'
  | 'rig.inTheWay'
  | 'rig.inSight'
  | 'rig.samePlace'
  | 'rig.outside'
  | 'rig.wet'
  | 'rig.measuredDiffers'
  | 'rig.wireDiffers'
  | 'rig.panelElsewhere'
  | 'work.temporary'
  | 'work.otherFuse'
  | 'build.poweredUnchecked'
  | 'build.untested'
  | 'build.readingOut'
  | 'switching.coilTurned'
  | 'switching.coilPulsed'
  | 'switching.coilAlwaysFed'
  | 'switching.twoDimmers'
  | 'switching.dimmerBridged'
  | 'switching.litWhileShut'
  | 'switching.hubUndecided'
  | 'switching.modeToSet'
  | 'harness.alike'
  | 'harness.returnColour'
  | 'harness.numberTwice'
  | 'harness.noTerminal'
  | 'harness.unfinished'
  | 'harness.holeAtEdge'
  | 'harness.holesMeet'
  | 'harness.cutTooDeep'
  | 'harness.coreThin'
  | 'harness.coreOther'
  | 'harness.coreAstray'
  | 'harness.leadsAlike'
  | 'harness.leadDisputed'
  | 'harness.leadColour'
  | 'harness.leadsDiffer'
  | 'harness.leadUnproved'
  | 'harness.legend'
  | 'wish.broken'
  | 'wish.undecided'
  | 'vehicle.overdrawn'
  | 'vehicle.joined'
  | 'vehicle.unknown'
  | 'vehicle.bareTap'
  | 'vehicle.goesDark'
  | 'vehicle.pulledToGround';

export type SourceRule = Extract<Rule, `${'solar' | 'alternator' | 'charger' | 'battery'}.${string}` | 'relay.chargeOver'>;
export type FeedRule = Extract<Rule, `feed.${string}`>;
/** The first word of a rule’s name: what it is about. */
export type RuleFamily = Rule extends `${infer First}.${string}` ? First : never;
/** Fuses in a chain, and contacts. */
export type CoordinationRule =
  | Extract<
      Rule,
      `contact.${string}` | `joint.${string}` | 'relay.bareCoil' | 'ground.crowded' | 'return.thinnerThanFeed' | 'wire.spoiltFirst'
    >
  | Extract<Rule, 'fuse.cannotBreak' | 'fuse.backedUp' | 'fuse.voltage' | 'fuse.neverClears' | 'fuse.slowToClear' | 'fuse.opensAtStart'>
  | Extract<Rule, 'fuse.aheadOpensFirst' | 'fuse.notSelective' | 'fuse.partlySelective'>;
/** What is taken from the vehicle's own wiring. */
export type WorkRule = Extract<Rule, `work.${string}`>;
/** How it is built and tested: what was done out of its order, and what was read. */
export type BuildRule = Extract<Rule, `build.${string}`>;
/** The wiring as drawn: shorts, rings, missing returns. */
export type WiringRule = Extract<Rule, `wiring.${string}`>;
/** What switches the wrong way. */
export type SwitchingRule = Extract<Rule, `switching.${string}`>;
/** Wires as they are coloured, numbered and ended. */
export type HarnessRule = Extract<Rule, `harness.${string}`>;
/** What loads shall do. */
export type WishRule = Extract<Rule, `wish.${string}`>;
export type VehicleRule = Extract<Rule, `vehicle.${string}`>;
/** What the controls can bring about, and what two ways reach. */
export type ReachRule = Extract<Rule, `reach.${string}`>;
export type RigRule = Extract<Rule, `rig.${string}`>;

/** What is wrong where: by circuit where there is one, since the same fault may name another of its wires after a change. */
export function whereKey({ rule, circuitId, subjects }: Finding): string {
  return `${rule} ${circuitId ?? subjects[0]}`;
}

/** Names a finding among all of a design's. Two passages of one stretch may each have theirs: those have a place. */
export function findingKey({ rule, subjects, numbers }: Finding): string {
  return [`${rule}:${subjects.join(',')}`, ...(numbers.place === undefined ? [] : [numbers.place])].join('@');
}
