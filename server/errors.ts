import type { Change } from '@/core/design/change';
import type { Problem } from '@/core/design/problems';
import type { DesignRecord } from '@/core/design/schema';

export class NotFound extends Error {
  constructor(what: string, id: string) {
    super(`there is no ${what} ${id}`);
    this.name = 'NotFound';
  }
}

/** A request that cannot be served as it stands; the message is for the person who made it. */
export class BadRequest extends Error {
  constructor(
    message: string,
    readonly reasons: readonly string[] = [],
    readonly status = 400,
  ) {
    super(message);
    this.name = 'BadRequest';
  }
}

/** A change made against records that have changed since. Carries how they stand now, so that a person can choose. */
export class Conflict extends Error {
  constructor(
    readonly problems: readonly Problem[],
    readonly current: readonly (DesignRecord | null)[],
    readonly missed: readonly { revision: number; change: Change }[],
    readonly revision: number,
  ) {
    super('the same thing was changed elsewhere in the meantime');
    this.name = 'Conflict';
  }
}

/** Undo or redo with nothing left to take back or bring again. */
export class NothingToDo extends Error {}

/** A page that has seen a later revision than the store holds, as after a backup was restored. */
export class Behind extends Error {}

/** Work that has to wait for other work; asked again in a moment it is done. */
export class Busy extends Error {}
