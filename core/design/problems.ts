/** What can be wrong with a change or a file, as plain facts; `wording/problemWords` puts them in words. */
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
  | 'routeTwice'
  | 'noOtherWay'
  | 'pastVehicle'
  | 'upsideDown'
  | 'sameSpot'
  | 'noSuchControl'
  | 'unreadable'
  | 'storedElsewhere';

export interface Problem {
  code: ProblemCode;
  /** The record the problem is in. */
  id: string;
  /** The field inside the record, dotted, where one is to blame. */
  field?: string;
  /** The other record, or what is called or measured so: a slot, a name, millimetres. */
  other?: string;
}

/** A change or a file that cannot be taken. Nothing has been altered when this is thrown. */
export class DesignError extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map(({ code, id, field }) => [code, id, field].filter(Boolean).join(' ')).join('; '));
    this.name = 'DesignError';
  }
}
