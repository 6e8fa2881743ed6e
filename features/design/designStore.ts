import { nanoid } from 'nanoid';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { analyse } from '@/core/analysis/analyse';
import type { Analysis } from '@/core/analysis/types';
import { applyChange, applyUnchecked, isEmpty, sameRecord, touchedIds, type Change } from '@/core/design/change';
import { asStored, editedIn, seenAs, type DesignView } from '@/core/design/asBuilt';
import { makeDesign, type Design } from '@/core/design/design';
import { DesignError } from '@/core/design/problems';
import { refusalWords } from '@/core/wording/problemWords';
import type { SetAside } from '@/core/design/readable';
import type { DesignRecord } from '@/core/design/schema';
import { acrossLamps } from '@/core/switching/lampFunctions';
import type { Finding } from '@/core/analysis/finding';
import type { LoggedChange } from '@/server/commit';
import type { OpenDesign } from '@/server/stored';
import type { History } from '@/server/history';
import { sendChange, sendStep, type Pending, type SendResult } from './api';
import { outbox } from './outbox';
import { firstJudgement, together, UNJUDGED, type Judgement } from './judgement';
import { leftEdits } from './leftEdits';
import { ontoCurrent, rebased } from './rebase';
import { done, MOST_FAILURES, NOT_DONE, ON_ITS_WAY, passes, RETRY_MS, SEND_AFTER_MS, type SaveState } from './sending';
import { shareUnchanged } from './share';

/** An edit the server refused because the same records were changed elsewhere: mine, and how they stand now. */
export interface EditConflict {
  mine: Pending;
  current: (DesignRecord | null)[];
}

/** The state the network is solved in: every load on or off, each circuit by itself, or what a scenario uses. */
export type PickedState = 'allOn' | 'allOff' | 'onlyThis' | `scenario:${string}`;

/** How a change is made: from the design as it stands without the edit in progress. */
export type MakeChange = (design: Design) => Change;

export interface DesignState extends Judgement {
  id: string;
  /** The design as shown: what the server has, then edits on their way, then the one being typed, of that what the view shows. */
  design: Design;
  /** The same with all that is planned, fitted, temporary or taken out. */
  whole: Design;
  view: DesignView;
  analysis: Analysis;
  history: History;
  saveState: SaveState;
  conflict: EditConflict | null;
  /** What went wrong last, for the person to read. */
  problem: string | null;
  /** The design has been deleted elsewhere. */
  gone: boolean;
  /** Stored records the server could not read and left out. */
  unreadable: readonly SetAside[];
  /** Edits that could not be sent are set aside in this browser. */
  aside: boolean;
  picked: PickedState;
}

export interface DesignStore extends StoreApi<DesignState> {
  /** Shows a change without taking it: an edit in progress. A change that does not fit is refused with the reason. */
  preview(make: MakeChange): string | null;
  /** Takes a change: shown at once, sent, kept. Returns why not, or null. */
  commit(label: string, make: MakeChange): string | null;
  /** Drops the edit in progress. */
  cancel(): void;
  step(kind: 'undo' | 'redo'): Promise<void>;
  /** Applies a change made elsewhere, with what undo and redo would do after it. */
  receive(news: LoggedChange & { history: History }): void;
  /** Sends what an earlier page of this tab left unsent. What is no edit of this design is set aside. */
  resume(): Promise<void>;
  /** Drops what was set aside. */
  dropAside(): void;
  resolveConflict(keep: 'mine' | 'theirs'): void;
  /** Looks at the design as planned, or as it is now. */
  look(view: DesignView): void;
  /** Takes what was found in the solved network, in place of what was found before. */
  foundInNetwork(found: readonly Finding[]): void;
  /** Tells the person that something failed which is no edit. */
  report(problem: string): void;
  dismissProblem(): void;
  markGone(): void;
  /** For a page about to close: commits the edit in progress and keeps what is unsent for the next page of this tab. */
  settle(): void;
  revision(): number;
}

export function createDesignStore(open: OpenDesign & { history: History }): DesignStore {
  let confirmed = makeDesign(open.records);
  let revision = open.revision;
  let pending: Pending[] = [];
  /** Confirmed records with the edits on their way, until either moves in a way the other does not. */
  let standing: Design | null = null;
  let draft: { label: string; change: Change } | null = null;
  let sending = false;
  /** Times in a row the server failed on the edit being sent. */
  let failures = 0;
  let fromNetwork: readonly Finding[] = [];

  const api = createStore<DesignState>(() => ({
    id: open.id,
    whole: confirmed,
    view: 'planned',
    ...firstJudgement(confirmed),
    history: open.history,
    saveState: 'saved',
    conflict: null,
    problem: null,
    gone: false,
    unreadable: open.aside ?? [],
    aside: false,
    picked: 'allOn',
  }));

  /** The design without the edit in progress. Edits that no longer fit are reported and dropped. */
  function base(): Design {
    if (standing) return standing;
    let design = confirmed;
    pending = pending.filter((edit) => {
      try {
        design = applyUnchecked(design, edit.change);
        return true;
      } catch (error) {
        if (!(error instanceof DesignError)) throw error;
        const again = rebased(design, edit.change);
        if (again === null) {
          const current = touchedIds(edit.change).map((id) => design.records.get(id) ?? null);
          api.setState({ conflict: { mine: edit, current } });
        } else if (!isEmpty(again)) {
          // Another change, and so with an id of its own.
          Object.assign(edit, { changeId: nanoid(), change: again });
          design = applyUnchecked(design, again);
          return true;
        }
        return false;
      }
    });
    standing = design;
    return design;
  }

  function drop(changeId: string): void {
    pending = pending.filter((edit) => edit.changeId !== changeId);
  }

  function show(whole: Design, extra: Partial<DesignState> = {}): void {
    const { analysis: before, view } = api.getState();
    const design = seenAs(whole, extra.view ?? view);
    const analysis = shareUnchanged(before, analyse(design, before));
    const findings = analysis.findings === before.findings ? api.getState().findings : together(analysis, fromNetwork);
    api.setState({ whole, design, analysis, findings, ...extra });
  }

  function showBase(extra: Partial<DesignState> = {}): void {
    let design = base();
    if (draft) {
      try {
        design = applyUnchecked(design, draft.change);
      } catch {
        draft = null;
      }
    }
    show(design, extra);
  }

  function attempt(make: MakeChange): { change: Change; design: Design } | string {
    const from = base();
    try {
      const { view } = api.getState();
      const seen = editedIn(from, view);
      const change = asStored(from, acrossLamps(seen, make(seen)), view);
      return { change, design: applyChange(from, change) };
    } catch (error) {
      if (error instanceof DesignError) return refusalWords(error.problems, from);
      throw error;
    }
  }

  function takeIn(logged: Pick<LoggedChange, 'revision' | 'change'>, mine = false): void {
    if (logged.revision !== revision + 1) return;
    confirmed = applyUnchecked(confirmed, logged.change);
    revision = logged.revision;
    if (!mine) standing = null;
  }

  function takeAnswer(result: SendResult, mine = false): void {
    if (result.kind === 'conflict') {
      result.missed.forEach((logged) => takeIn(logged));
      return;
    }
    if (result.kind !== 'taken') return;
    const { committed } = result;
    committed.missed.forEach((logged) => takeIn(logged));
    takeIn(committed, mine);
  }

  async function flush(): Promise<void> {
    if (sending) return;
    sending = true;
    try {
      while (pending.length > 0) {
        const edit = pending[0]!;
        // As it is now: news on the way may make it another change, with an id of its own.
        const sent = { ...edit };
        const result = await sendChange(open.id, revision, sent);
        if (result.kind === 'behind' || result.kind === 'gone') {
          outbox.write(open.id, pending);
          api.setState(result.kind === 'gone' ? { gone: true } : { saveState: 'behind' });
          return;
        }
        const failed = result.kind === 'failed' && ++failures >= MOST_FAILURES;
        if (passes(result) || (result.kind === 'failed' && !failed)) {
          api.setState({ saveState: result.kind });
          outbox.write(open.id, pending);
          await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
          continue;
        }
        failures = 0;
        if (result.kind === 'failed') {
          drop(edit.changeId);
          standing = null;
          outbox.setAside(open.id, [edit]);
          showBase({
            aside: true,
            problem: `The server failed on “${edit.label}” ${MOST_FAILURES} times. That edit is set aside; the others go on.`,
          });
          continue;
        }
        const known = pending.some(({ changeId }) => changeId === edit.changeId);
        drop(edit.changeId);
        takeAnswer(result, known);
        if (result.kind !== 'taken') standing = null;
        if (result.kind === 'taken') {
          const news: Partial<DesignState> = { history: result.committed.history, saveState: pending.length > 0 ? 'saving' : 'saved' };
          if (result.committed.missed.length > 0) showBase(news);
          else api.setState(news);
        } else if (result.kind === 'conflict') {
          const again = rebased(base(), sent.change);
          // One that still would not fit as it is must be chosen about, not sent for ever.
          if (again === null || sameRecord(again, sent.change) || !fits(base(), again))
            showBase({ conflict: { mine: sent, current: result.current } });
          else {
            // Both changed other things, or the same to the same end: nobody need choose.
            if (!isEmpty(again)) pending = [{ changeId: nanoid(), label: edit.label, change: again }, ...pending];
            standing = null;
            showBase();
          }
        } else showBase({ problem: `“${edit.label}” was not taken: ${result.message}` });
      }
      api.setState({ saveState: 'saved' });
      outbox.write(open.id, []);
    } finally {
      sending = false;
    }
  }

  const store: DesignStore = {
    ...api,
    revision: () => revision,
    preview(make) {
      const tried = attempt(make);
      if (typeof tried === 'string') return tried;
      draft = { label: 'Edit', change: tried.change };
      show(tried.design);
      return null;
    },
    commit(label, make) {
      const tried = attempt(make);
      draft = null;
      if (typeof tried === 'string') {
        showBase();
        return tried;
      }
      if (isEmpty(tried.change)) {
        showBase();
        return null;
      }
      pending = [...pending, { changeId: nanoid(), label, change: tried.change }];
      standing = tried.design;
      const waiting = !ON_ITS_WAY.has(api.getState().saveState);
      if (waiting) outbox.write(open.id, pending);
      else outbox.note(open.id, pending);
      show(tried.design, waiting ? {} : { saveState: 'saving' });
      setTimeout(() => void flush(), SEND_AFTER_MS);
      return null;
    },
    cancel() {
      if (!draft) return;
      draft = null;
      showBase();
    },
    async step(kind) {
      draft = null;
      // What was just edited goes first: that is what undo takes back. Was it not taken, there is nothing of it to take back.
      api.setState({ problem: null });
      if (pending.length > 0) void flush();
      while (sending && ON_ITS_WAY.has(api.getState().saveState)) await new Promise((resolve) => setTimeout(resolve, 20));
      if (api.getState().conflict || api.getState().problem) return;
      if (pending.length > 0) {
        api.setState({ problem: NOT_DONE.unreachable(done(kind)) });
        return;
      }
      const result = await sendStep(open.id, kind, revision, nanoid());
      if (result.kind === 'taken') {
        takeAnswer(result);
        showBase({ history: result.committed.history });
      } else if (result.kind === 'conflict') {
        takeAnswer(result);
        showBase({ problem: `The ${kind} no longer fits: the same thing was changed elsewhere.` });
      } else if (result.kind === 'gone') api.setState({ gone: true });
      else if (result.kind !== 'refused') api.setState({ problem: NOT_DONE[result.kind](done(kind)) });
    },
    receive({ history, ...logged }) {
      if (logged.revision <= revision) return;
      // My own edit comes both as an answer and as news; whichever is first is taken.
      const mine = pending.some(({ changeId }) => changeId === logged.changeId);
      drop(logged.changeId);
      takeIn(logged, mine);
      if (mine) api.setState({ history });
      else showBase({ history });
    },
    resolveConflict(keep) {
      const { conflict } = api.getState();
      api.setState({ conflict: null });
      if (keep === 'theirs' || !conflict) return;
      const { label, change } = conflict.mine;
      const problem = store.commit(label, (design) => ontoCurrent(design, change));
      if (problem) api.setState({ problem: `Your edit no longer fits: ${problem}` });
    },
    look(view) {
      fromNetwork = [];
      showBase({ view, ...UNJUDGED });
    },
    foundInNetwork(found) {
      const { analysis, isWhollyJudged } = api.getState();
      const judgedCircuits = new Set(analysis.circuits);
      if (isWhollyJudged && sameRecord(fromNetwork, found)) return api.setState({ judgedCircuits });
      fromNetwork = found;
      api.setState({ findings: together(analysis, found), isWhollyJudged: true, judgedCircuits });
    },
    dropAside() {
      outbox.dropAside(open.id);
      api.setState({ aside: false });
    },
    report: (problem) => api.setState({ problem }),
    dismissProblem: () => api.setState({ problem: null }),
    async resume() {
      const left = await leftEdits(open.id, () => api.setState({ saveState: 'saving' })).catch(() => null);
      if (left === null) {
        api.setState({ saveState: 'unreachable' });
        // What checks them could not be fetched; they stay kept.
        setTimeout(() => void store.resume(), RETRY_MS);
        return;
      }
      pending = [...left, ...pending];
      if (left.length > 0) void outbox.settleLeft(open.id, pending);
      api.setState({ aside: outbox.asideOf(open.id) !== null });
      standing = null;
      if (pending.length === 0) {
        if (api.getState().saveState === 'saving') api.setState({ saveState: 'saved' });
        return;
      }
      showBase();
      void flush();
    },
    markGone: () => api.setState({ gone: true }),
    settle() {
      if (draft) {
        const { change } = draft;
        store.commit('Edit', () => change);
      }
      outbox.write(open.id, pending);
    },
  };
  return store;
}

function fits(design: Design, change: Change): boolean {
  try {
    applyChange(design, change);
    return true;
  } catch {
    return false;
  }
}
