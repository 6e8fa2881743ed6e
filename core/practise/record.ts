import * as z from 'zod/mini';
import { textOf, wholeIn } from '../units/schema';
import { BOARDS } from './boards';
import { TOPIC_IDS, type TopicId } from './drills/topics';

/** A learner goes by a name and nothing else. */
export const learnerName = z
  .string()
  .check(z.trim(), z.minLength(1), z.maxLength(60), z.regex(/^[^\u0000-\u001f\u007f]*$/, 'a name has no control characters'));

/** One question answered, or one hunt ended. */
export const resultSchema = z.strictObject({
  kind: z.enum(['hunt', 'drill', 'build']),
  /** A board, a topic, a box of parts. */
  subject: textOf(1, 60),
  /** Which question of a topic. */
  seed: z.nullable(wholeIn(0, 1e9)),
  /** Of 100. */
  points: wholeIn(0, 100),
  /** When, ms. */
  at: z.int().check(z.minimum(0)),
});
export type Result = z.infer<typeof resultSchema>;

const DAY_MS = 86_400_000;
/** Answers that count for how sure somebody is, and how many of them have to be right. */
const LOOKED_BACK = 10;
const SURE_RIGHT = 9;
/** Days until a topic comes again after so many right in a row. Common practice of spaced repetition. */
const INTERVALS_DAYS = [0, 1, 2, 4, 8, 16];
/** A question that was answered wrong comes again after this, ms, until it was right twice. */
const AGAIN_MS = 60_000;
const RIGHT_TWICE = 2;
/** A hunt that somebody can be trusted with alone. */
const WELL_HUNTED = 80;

/** How far somebody has come in a topic. */
export interface Learnt {
  topic: TopicId;
  asked: number;
  right: number;
  /** Of the last ten. */
  lately: number;
  level: 'new' | 'begun' | 'sure';
  /** When it is due again, ms; null: never begun. */
  dueAt: number | null;
}

export function learntOf(results: readonly Result[], topic: TopicId): Learnt {
  const mine = results.filter(({ kind, subject }) => kind === 'drill' && subject === topic).sort((a, b) => a.at - b.at);
  const last = mine.slice(-LOOKED_BACK);
  const lately = last.filter(isRight).length;
  const inARow = mine.length - 1 - mine.findLastIndex((one) => !isRight(one));
  const days = INTERVALS_DAYS[Math.min(INTERVALS_DAYS.length - 1, Math.floor(inARow / 2))]!;
  return {
    ...{ topic, asked: mine.length, right: mine.filter(isRight).length, lately },
    level: mine.length === 0 ? 'new' : last.length === LOOKED_BACK && lately >= SURE_RIGHT ? 'sure' : 'begun',
    dueAt: mine.length === 0 ? null : mine.at(-1)!.at + days * DAY_MS,
  };
}

const isRight = ({ points }: Result) => points === 100;

/**
 * What to ask next: a question that was answered wrong and has waited, else one of the topic one is weakest at among those that are due,
 * else of any.
 * @param only one topic, or null for all of them
 * @param before what was just asked: it does not come twice in a row
 */
export function nextQuestion(results: readonly Result[], now: number, only: TopicId | null, before: Asked | null, fresh: number): Asked {
  const again = waiting(results, now, only).find(({ topic, seed }) => topic !== before?.topic || seed !== before.seed);
  if (again) return again;
  if (only) return { topic: only, seed: fresh };
  const learnt = TOPIC_IDS.map((topic) => learntOf(results, topic));
  const due = learnt.filter(({ dueAt }) => dueAt === null || dueAt <= now);
  const others = (due.length > 0 ? due : learnt).filter(({ topic }) => topic !== before?.topic);
  const weakest = others.sort((a, b) => share(a) - share(b) || a.asked - b.asked)[0] ?? learnt[0]!;
  return { topic: weakest.topic, seed: fresh };
}

export interface Asked {
  topic: TopicId;
  seed: number;
}

const share = ({ lately, asked }: Learnt) => (asked === 0 ? 0 : lately / Math.min(asked, LOOKED_BACK));

/** Questions answered wrong that have not been right twice since, those that wait longest first. */
function waiting(results: readonly Result[], now: number, only: TopicId | null): Asked[] {
  const asked = new Map<string, { asked: Asked; at: number; rightSince: number }>();
  for (const { kind, subject, seed, points, at } of [...results].sort((a, b) => a.at - b.at)) {
    const topic = TOPIC_IDS.find((one) => one === subject);
    if (kind !== 'drill' || seed === null || !topic || (only && topic !== only)) continue;
    const key = `${topic} ${seed}`;
    const known = asked.get(key);
    if (points < 100) asked.set(key, { asked: { topic, seed }, at, rightSince: 0 });
    else if (known) asked.set(key, { ...known, at, rightSince: known.rightSince + 1 });
  }
  return Array.from(asked.values())
    .filter(({ at, rightSince }) => rightSince < RIGHT_TWICE && now - at >= (rightSince === 0 ? AGAIN_MS : DAY_MS))
    .sort((a, b) => a.at - b.at)
    .map((one) => one.asked);
}

/** Days on which something was done, the last of them together: today or yesterday. A day left out begins anew and takes nothing away. */
export function streakOf(results: readonly Result[], now: number): { days: number; inARow: number } {
  const days = new Set(results.map(({ at }) => Math.floor(at / DAY_MS)));
  const today = Math.floor(now / DAY_MS);
  let day = days.has(today) ? today : today - 1;
  let inARow = 0;
  for (; days.has(day); day--) inARow++;
  return { days: days.size, inARow };
}

/** The best a board was hunted with, or a box of parts wired; null: not yet. */
export function bestOf(results: readonly Result[], of: 'hunt' | 'build', id: string): number | null {
  const mine = results.filter(({ kind, subject }) => kind === of && subject === id);
  return mine.length === 0 ? null : Math.max(...mine.map(({ points }) => points));
}

/** What a workshop may let somebody do alone, and what it hangs on. Our own measure: a workshop decides. */
export const ALONE = [
  { says: 'Crimp, label and land wires by the plan', topics: ['pins', 'colours', 'sizes'], boards: 0, level: 1 },
  { says: 'Choose a fuse and a wire', topics: ['figures', 'sizes', 'mistake'], boards: 0, level: 1 },
  { says: 'Measure on a live circuit', topics: ['meter'], boards: 2, level: 1 },
  { says: 'Find a fault in a circuit', topics: ['meter', 'diagram'], boards: 4, level: 2 },
  { says: 'Tap a wire of the vehicle', topics: ['trigger', 'meter', 'colours'], boards: 2, level: 2 },
  { says: 'Find a fault in a whole vehicle', topics: ['meter', 'diagram', 'logic'], boards: 4, level: 3 },
] as const satisfies readonly { says: string; topics: readonly TopicId[]; boards: number; level: 1 | 2 | 3 }[];

/** Which of those somebody has come to, and what each still lacks. */
export function mayAlone(results: readonly Result[]): { says: string; may: boolean; lacks: { topics: TopicId[]; boards: number } }[] {
  return ALONE.map(({ says, topics, boards, level }) => {
    const lacking = topics.filter((topic) => learntOf(results, topic).level !== 'sure');
    const hunted = BOARDS.filter((board) => board.level >= level && (bestOf(results, 'hunt', board.id) ?? 0) >= WELL_HUNTED).length;
    const missing = Math.max(0, boards - hunted);
    return { says, may: lacking.length === 0 && missing === 0, lacks: { topics: lacking, boards: missing } };
  });
}
