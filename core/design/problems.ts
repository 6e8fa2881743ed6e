/** What can be wrong with a change or a file, as plain facts. Wording is here and nowhere else. */
export type ProblemCode =
  | 'duplicateId'
  | 'missingRecord'
  | 'staleRecord'
  | 'typeChanged'
  | 'danglingReference'
  | 'unknownTerminal'
  | 'noSuchSlot'
  | 'slotTaken'
  | 'settingsMissing'
  | 'secondBattery'
  | 'protectionShared'
  | 'dutyRepeated'
  | 'wireToItself'
  | 'routeToItself'
  | 'functionOfFunction'
  | 'noSuchPosition'
  | 'positionTaken'
  | 'onTwoPanels'
  | 'noSuchCore'
  | 'coreTaken'
  | 'saidTwice'
  | 'otherApart'
  | 'tooManyRecords'
  | 'badField';

export interface Problem {
  code: ProblemCode;
  /** The record the problem is in. */
  id: string;
  /** The field inside the record, dotted, where one is to blame. */
  field?: string;
  /** The other record or value involved. */
  other?: string;
}

/** A change or a file that cannot be taken. Nothing has been altered when this is thrown. */
export class DesignError extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.slice(0, 5).map(describeProblem).join('; '));
    this.name = 'DesignError';
  }
}

/** One problem in words: what is wrong and where. */
export function describeProblem({ code, id, field, other }: Problem): string {
  const at = field ? `record ${id}, ${field}` : `record ${id}`;
  switch (code) {
    case 'duplicateId':
      return `${at}: this id is used twice; every record needs an id of its own`;
    case 'missingRecord':
      return `${at}: the record is no longer in the design`;
    case 'staleRecord':
      return `${at}: the record has been changed elsewhere in the meantime`;
    case 'typeChanged':
      return `${at}: a change may not turn a record into another type or kind`;
    case 'danglingReference':
      return `${at}: refers to ${other}, which is not in the design or is of the wrong type`;
    case 'unknownTerminal':
      return `${at}: the device has no free terminal called ${other}`;
    case 'noSuchSlot':
      return `${at}: the fuse block has no slot ${other}`;
    case 'slotTaken':
      return `${at}: slot ${other} already holds a fuse`;
    case 'settingsMissing':
      return 'the design has no settings record';
    case 'secondBattery':
      return `${at}: a design has one house battery; batteries in parallel are its count`;
    case 'protectionShared':
      return `${at}: protection ${other} already belongs to another circuit`;
    case 'dutyRepeated':
      return `${at}: load ${other} already has a duty in this scenario`;
    case 'wireToItself':
      return `${at}: both ends are on the same terminal`;
    case 'routeToItself':
      return `${at}: both ends are the same place`;
    case 'functionOfFunction':
      return `${at}: ${other} is no lamp of its own, so it has no functions`;
    case 'noSuchPosition':
      return `${at}: the panel has no position ${other}`;
    case 'positionTaken':
      return `${at}: something sits in position ${other} already`;
    case 'onTwoPanels':
      return `${at}: ${other} sits in another position already`;
    case 'otherApart':
      return `${at}: an option is worked on by itself; keep it or put it back first`;
    case 'noSuchCore':
      return `${at}: the cable has no core ${other}`;
    case 'coreTaken':
      return `${at}: core ${other} is another wire already`;
    case 'saidTwice':
      return `${at}: ${other} has a record already`;
    case 'tooManyRecords':
      return `the design would hold ${other} records, more than is allowed`;
    case 'badField':
      return `${at}: ${other}`;
  }
}
