import { seeded } from '../../testing/random';
import { BOARDS } from './boards';
import { TOPIC_IDS, type TopicId } from './drills/topics';
import { learntOf, mayAlone, nextQuestion, streakOf, type Result } from './record';
import { writeResultsCsv } from './resultsCsv';

const DAY = 86_400_000;
const NOON = 20_000 * DAY + DAY / 2;
const drill = (topic: TopicId, right: boolean, at: number, seed = 1): Result => ({ kind: 'drill', subject: topic, seed, points: right ? 100 : 0, at }); // prettier-ignore

test('one is sure of a topic with nine of the last ten right, and it comes again at growing intervals', () => {
  expect(learntOf([], 'pins')).toMatchObject({ level: 'new', dueAt: null });
  const tenRight = Array.from({ length: 10 }, (_, at) => drill('pins', at !== 0, NOON + at, at));
  expect(learntOf(tenRight, 'pins')).toMatchObject({ level: 'sure', asked: 10, right: 9, lately: 9 });
  expect(learntOf([...tenRight, drill('pins', false, NOON + 20), drill('pins', false, NOON + 21)], 'pins').level).toBe('begun');
  const dueAfter = (right: number) => (learntOf(Array.from({ length: right }, (_, at) => drill('pins', true, NOON, at)), 'pins').dueAt! - NOON) / DAY; // prettier-ignore
  expect([1, 2, 4, 6, 8, 10, 40].map(dueAfter)).toEqual([0, 1, 2, 4, 8, 16, 16]);
  // One wrong and it is due at once.
  expect(learntOf([...tenRight, drill('pins', false, NOON + 20)], 'pins').dueAt).toBe(NOON + 20);
});

test('what was wrong comes again once it has waited, until it was right twice; never twice in a row', () => {
  const wrong = [drill('sizes', false, NOON, 77)];
  const soon = nextQuestion(wrong, NOON + 1000, 'sizes', null, 5);
  expect(soon).toEqual({ topic: 'sizes', seed: 5 });
  const later = nextQuestion(wrong, NOON + 61_000, 'sizes', null, 5);
  expect(later).toEqual({ topic: 'sizes', seed: 77 });
  expect(nextQuestion(wrong, NOON + 61_000, 'sizes', later, 5)).toEqual({ topic: 'sizes', seed: 5 });
  const once = [...wrong, drill('sizes', true, NOON + 70_000, 77)];
  expect(nextQuestion(once, NOON + 200_000, 'sizes', null, 5).seed).toBe(5);
  expect(nextQuestion(once, NOON + 70_000 + DAY, 'sizes', null, 5).seed).toBe(77);
  const twice = [...once, drill('sizes', true, NOON + 2 * DAY, 77)];
  expect(nextQuestion(twice, NOON + 9 * DAY, 'sizes', null, 5).seed).toBe(5);
});

test('mixed, what is new or weakest among what is due comes first, and every topic comes', () => {
  const random = seeded(4);
  const results: Result[] = [];
  let before = null;
  const asked = new Map<TopicId, number>();
  for (let at = 0; at < 200; at++) {
    const now = NOON + at * 20_000;
    const next = nextQuestion(results, now, null, before, 1000 + at);
    expect(next.topic === before?.topic && next.seed === before?.seed).toBe(false);
    // This learner knows everything but colours.
    results.push(drill(next.topic, next.topic !== 'colours' || random() < 0.3, now, next.seed));
    asked.set(next.topic, (asked.get(next.topic) ?? 0) + 1);
    before = next;
  }
  expect([...asked.keys()].sort()).toEqual([...TOPIC_IDS].sort());
  for (const [topic, count] of asked) if (topic !== 'colours') expect(asked.get('colours')).toBeGreaterThan(count);
});

test('a streak counts days, and a day left out takes nothing away', () => {
  const on = (...days: number[]) => days.map((day) => drill('pins', true, NOON + day * DAY));
  expect(streakOf([], NOON)).toEqual({ days: 0, inARow: 0 });
  expect(streakOf(on(0, -1, -2, -5), NOON)).toEqual({ days: 4, inARow: 3 });
  expect(streakOf(on(-1, -2), NOON)).toEqual({ days: 2, inARow: 2 });
  expect(streakOf(on(-3), NOON)).toEqual({ days: 1, inARow: 0 });
});

test('nobody may do a thing alone who is not sure of its topics and has not hunted its boards', () => {
  expect(mayAlone([]).every(({ may }) => !may)).toBe(true);
  const sure = TOPIC_IDS.flatMap((topic) => Array.from({ length: 10 }, (_, at) => drill(topic, true, NOON + at, at)));
  const withoutHunts = mayAlone(sure);
  expect(withoutHunts.filter(({ may }) => may).map(({ lacks }) => lacks.boards)).toEqual([0, 0]);
  const hunted = BOARDS.map(({ id }): Result => ({ kind: 'hunt', subject: id, seed: null, points: 80, at: NOON }));
  expect(mayAlone([...sure, ...hunted]).every(({ may }) => may)).toBe(true);
  expect(mayAlone([...sure, ...hunted.map((one) => ({ ...one, points: 79 }))])).toEqual(withoutHunts);
});

test('the record as CSV, nothing in it a spreadsheet would run', () => {
  expect(writeResultsCsv([drill('pins', true, 0, 3), { kind: 'hunt', subject: '=cmd', seed: null, points: 40, at: DAY }])).toBe(
    'when,kind,subject,seed,points\r\n1970-01-01T00:00:00.000Z,drill,pins,3,100\r\n1970-01-02T00:00:00.000Z,hunt,"\'=cmd",,40\r\n',
  );
});
