/** The name of one kind of answer, and what such an answer is. */
export interface Slot<Answer> {
  readonly name: string;
  /** Never there: it only tells the compiler. */
  readonly answer?: Answer;
}

export function slot<Answer>(name: string): Slot<Answer> {
  return { name };
}

/** An answer and all it was made from. */
export interface Kept<Answer> {
  readonly from: readonly unknown[];
  readonly answer: Answer;
}

/** The id of an answer of which there is one. */
const ONLY = '';

/**
 * What one working-out hands to the next: answers, each with all it was made from, by slot and id. An answer is taken over while every one
 * of those inputs is the same object or value as before, and made anew otherwise; nothing else is carried on. So whoever asks for an answer
 * names its inputs, and one that is left out is a fault that a comparison with a working-out from nothing shows.
 */
export class Carried {
  private readonly slots = new Map<Slot<unknown>, Store>();

  constructor(private before: Carried | null = null) {}

  /** The one answer of a slot. `make` is told what there was before, where it can go on from that. */
  keep<T>(slot: Slot<T>, from: readonly unknown[], make: (was: Kept<T> | null) => T): T {
    return this.keepEach(slot, ONLY, from, make);
  }

  /** The answer of an id; the object there was, whatever it was made from, where `isSame` says that the new one says no more. */
  keepEach<T>(
    slot: Slot<T>,
    id: string,
    from: readonly unknown[],
    make: (was: Kept<T> | null) => T,
    isSame?: (was: T, now: T) => boolean,
  ): T {
    const { was: before, now } = this.store(slot);
    const was = (before?.get(id) as Kept<T> | undefined) ?? null;
    if (was && isSameList(was.from, from)) {
      now.set(id, was);
      return was.answer;
    }
    const made = make(was);
    const answer = was && isSame?.(was.answer, made) ? was.answer : made;
    now.set(id, { from, answer });
    return answer;
  }

  /** What is worked out each time anyhow: the object there was for as long as it says the same. */
  steady<T>(slot: Slot<T>, answer: T, isSame: (was: T, now: T) => boolean): T {
    return this.keepEach(slot, ONLY, [answer], () => answer, isSame);
  }

  /** Takes an answer over, if all it was made from is as it was. */
  take<T>(slot: Slot<T>, id: string, from: readonly unknown[]): Kept<T> | null {
    const { was: before, now } = this.store(slot);
    const was = before?.get(id) as Kept<T> | undefined;
    if (!was || !isSameList(was.from, from)) return null;
    now.set(id, was);
    return was;
  }

  /** An answer about this very working-out, made when it is first asked for and never handed on. */
  ofThis<T>(slot: Slot<T>, make: () => T): T {
    const { now } = this.store(slot);
    const known = now.get(ONLY) as Kept<T> | undefined;
    if (known) return known.answer;
    const answer = make();
    now.set(ONLY, { from: [this], answer });
    return answer;
  }

  put<T>(slot: Slot<T>, id: string, from: readonly unknown[], answer: T): void {
    this.store(slot).now.set(id, { from, answer });
  }

  /** Whether the answer of an id is the one there was before. */
  isTaken(slot: Slot<unknown>, id: string): boolean {
    const { was, now } = this.store(slot);
    const one = was?.get(id);
    return one !== undefined && now.get(id)?.answer === one.answer;
  }

  /** Ends the working-out: what was before it is let go. */
  close(): void {
    this.before = null;
    for (const store of this.slots.values()) store.was = undefined;
  }

  private store(slot: Slot<unknown>): Store {
    let store = this.slots.get(slot);
    if (!store) this.slots.set(slot, (store = { was: this.before?.slots.get(slot)?.now, now: new Map() }));
    return store;
  }
}

/** The answers of a slot, by id, before and now. */
interface Store {
  was: ReadonlyMap<string, Kept<unknown>> | undefined;
  now: Map<string, Kept<unknown>>;
}

/** Whether two lists hold the same objects and values in the same order. */
export function isSameList(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let at = 0; at < a.length; at++) if (!Object.is(a[at], b[at])) return false;
  return true;
}
