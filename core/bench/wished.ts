import type { Condition, Mover, WishSays } from '../design/schema';

/** What the wishes of a load ask of it at a moment: lit, dark, nothing, or both with neither winning. */
export type Wished = boolean | null | 'undecided';

/** What must stand in some way for a wish to ask anything. */
export function conditionsOf(says: WishSays): readonly Condition[] {
  if (says.kind === 'on' || says.kind === 'off') return says.when;
  return says.kind === 'staysOn' ? [says.after] : [];
}

/** Everything a wish names that is moved. */
export function moversIn(says: WishSays): Mover[] {
  if (says.kind === 'whatever') return [says.mover];
  if (says.kind === 'keyOut') return [{ kind: 'vehicle', control: 'key' }];
  return conditionsOf(says).map(({ mover }) => mover);
}

/** The devices among what is moved. */
export function devicesAmong(movers: readonly Mover[]): string[] {
  return movers.flatMap((mover) => (mover.kind === 'device' ? [mover.deviceId] : []));
}

type OnOrOff = Extract<WishSays, { kind: 'on' | 'off' }>;

/** What wishes come to where `stands` says which of their conditions are so: one that wins goes before the others. */
export function wishedOf(wishes: readonly WishSays[], stands: (condition: Condition) => boolean): Wished {
  const asking = wishes.filter((says): says is OnOrOff => (says.kind === 'on' || says.kind === 'off') && says.when.every(stands));
  const winning = asking.some(({ wins }) => wins) ? asking.filter(({ wins }) => wins) : asking;
  const [first] = winning;
  if (!first) return null;
  return winning.every(({ kind }) => kind === first.kind) ? first.kind === 'on' : 'undecided';
}
