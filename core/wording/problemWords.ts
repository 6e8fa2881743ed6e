import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import type { Problem, ProblemCode } from '../design/problems';

const WORDS: Record<ProblemCode, (other: string) => string> = {
  duplicateId: () => 'this id is used twice; every record needs an id of its own',
  missingRecord: () => 'the record is no longer in the design',
  staleRecord: () => 'the record has been changed elsewhere in the meantime',
  typeChanged: () => 'a change may not turn a record into another type or kind',
  danglingReference: (other) => `refers to ${other}, which is not in the design or is of the wrong type`,
  unknownTerminal: (other) => `the device has no free terminal called ${other}`,
  noSuchSlot: (other) => `the fuse block has no slot ${other}`,
  slotTaken: (other) => `slot ${other} already holds a fuse`,
  settingsMissing: () => 'the design has no settings record',
  secondBattery: () => 'a design has one house battery; batteries in parallel are its count',
  protectionShared: (other) => `protection ${other} already belongs to another circuit`,
  dutyRepeated: (other) => `load ${other} already has a duty in this scenario`,
  wireToItself: () => 'both ends are on the same terminal',
  routeToItself: () => 'both ends are the same place',
  functionOfFunction: (other) => `${other} is no lamp of its own, so it has no functions`,
  noSuchPosition: (other) => `the panel has no position ${other}`,
  positionTaken: (other) => `something sits in position ${other} already`,
  onTwoPanels: (other) => `${other} sits in another position already`,
  otherApart: () => 'an option is worked on by itself; keep it or put it back first',
  noSuchCore: (other) => `the cable has no core ${other}`,
  coreTaken: (other) => `core ${other} is another wire already`,
  saidTwice: (other) => `${other} has a record already`,
  tooManyRecords: (other) => `the design would hold ${other} records, more than is allowed`,
  routeTwice: (other) => `“${other}” joins these two places already`,
  noOtherWay: () => 'there is no other way through the vehicle',
  pastVehicle: (other) => `it would reach ${other} mm past the vehicle`,
  upsideDown: () => 'it would reach higher at its bottom than at its top: set the lower height first',
  sameSpot: (other) => `“${other}” is at that very spot; move one of them a little`,
  noSuchControl: (other) => `the device has nothing called ${other} to work`,
  unreadable: (other) => `it cannot be read: ${other}`,
  storedElsewhere: () => 'it is stored under another id',
};

/** Reasons told at once. */
const MOST_REASONS = 5;

/** Why a change is not taken, for somebody who sees where: each reason once, records called by their names in the design. */
export function refusalWords(problems: readonly Problem[], design: Design): string {
  const reasons = problems.map(({ code, other = '' }) => WORDS[code](design.records.has(other) ? nameOf(design, other) : other));
  return [...new Set(reasons)].slice(0, MOST_REASONS).join('; ');
}

/** One problem with the record and the field it is in, for a file or a list. */
export function placedProblemWords({ code, id, field, other = '' }: Problem): string {
  return `${field ? `record ${id}, ${field}` : `record ${id}`}: ${WORDS[code](other)}`;
}
