import type { SendResult } from './api';

/**
 * Whether what is on the screen is stored, and if not, why: on its way; nobody answers; the store is held by another; the server failed;
 * its copy is older; it asks for the password.
 */
export type SaveState = 'saved' | 'saving' | 'unreachable' | 'busy' | 'failed' | 'behind' | 'locked';

/** Wait before what did not get through is sent again. */
export const RETRY_MS = 1500;
/** Failures of the server on one edit before it is set aside for those behind it. */
export const MOST_FAILURES = 3;
export const ON_ITS_WAY: ReadonlySet<SaveState> = new Set(['saved', 'saving']);
/** Wait before an edit is sent, a frame: what it changes is on the screen first, and the server is done before a fast hand's next press. */
export const SEND_AFTER_MS = 16;

/** What passes, by itself or once the password is given: the edit is sent again until it has. */
export function passes(result: SendResult): result is { kind: 'unreachable' | 'busy' | 'locked' } {
  return result.kind === 'unreachable' || result.kind === 'busy' || result.kind === 'locked';
}

export const done = (step: 'undo' | 'redo') => (step === 'undo' ? 'undone' : 'redone');

/** Why a step back or forward was not made. */
export const NOT_DONE: Record<'unreachable' | 'busy' | 'failed' | 'behind' | 'locked', (done: string) => string> = {
  unreachable: (done) => `The server cannot be reached; nothing was ${done}.`,
  busy: (done) => `The store is busy; nothing was ${done}. Try again in a moment.`,
  failed: (done) => `The server failed on it; nothing was ${done}.`,
  locked: (done) => `The server asks for the password; nothing was ${done}.`,
  behind: (done) => `The server’s copy is older than this page; nothing was ${done}. Reload to go on from it.`,
};
