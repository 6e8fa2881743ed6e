import { EventEmitter } from 'node:events';
import { openDatabase } from '@/db/client';
import type { Database } from '@/db/database';
import type { Analysis } from '@/core/analysis/types';
import type { Design } from '@/core/design/design';
import type { SetAside } from '@/core/design/readable';
import type { Trail } from './history';

export interface Remembered {
  revision: number;
  design: Design;
  /** Stored records that could not be read and are not in it. */
  aside?: readonly SetAside[];
  /** What it was last analysed to as planned, to go on from. */
  analysis?: Analysis;
  /** What can be undone and redone at that revision. */
  trail?: Trail;
}

/** What the server keeps for its whole life: the database, the designs read last, and who is listening. */
interface Store {
  /** Opened at its first use; one that failed to open is tried again at the next. */
  readonly database: Promise<Database>;
  /** Designs at a revision, so that an edit need not read every record again. */
  cache: Map<string, Remembered>;
  /** Emits a design's id when it has a new revision. */
  committed: EventEmitter;
  /** The end of the queue of writers in this process. */
  writing: Promise<unknown>;
  /** Designs of the list that are gone through for what takes too long at each edit. */
  judging: {
    waiting: { id: string; headRevision: number }[];
    /** No further one is begun after this, ms since 1970. */
    until: number;
    /** Done with them, or for now; null where nothing is under way. */
    done: Promise<void> | null;
    /** Those that could not be, and at which revision. */
    unreadable: Map<string, number>;
  };
}

const CACHED_DESIGNS = 16;

/** Kept on the global object: every bundled route of the server shares the one store. */
const holder = globalThis as { vineKnotStore?: Store };

export function store(): Store {
  if (!holder.vineKnotStore) {
    const committed = new EventEmitter();
    committed.setMaxListeners(0);
    let opened: Promise<Database> | null = null;
    holder.vineKnotStore = {
      get database() {
        if (opened === null) {
          opened = openDatabase();
          opened.catch(() => (opened = null));
        }
        return opened;
      },
      ...{ cache: new Map(), committed, writing: Promise.resolve() },
      judging: { waiting: [], until: 0, done: null, unreadable: new Map() },
    };
  }
  return holder.vineKnotStore;
}

/** Runs writers one after another, so that they do not meet each other's lock. */
export function oneWriterAtATime<T>(write: () => Promise<T>): Promise<T> {
  const { writing } = store();
  const result = writing.then(write, write);
  store().writing = result.catch(() => undefined);
  return result;
}

export function remember(designId: string, remembered: Remembered): void {
  const { cache } = store();
  cache.delete(designId);
  cache.set(designId, remembered);
  if (cache.size > CACHED_DESIGNS) cache.delete(cache.keys().next().value!);
}

export function forget(designId: string): void {
  store().cache.delete(designId);
}
