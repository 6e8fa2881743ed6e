import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { GET as listed } from '../app/api/practise/learners/route';
import { DELETE, GET, POST } from '../app/api/practise/route';

process.env.DATABASE_URL = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-practice-')), 'designs.db');

const at = (learner: string) => `http://127.0.0.1/api/practise?learner=${encodeURIComponent(learner)}`;
const keep = (body: unknown) =>
  POST(new Request('http://127.0.0.1/api/practise', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })); // prettier-ignore
const result = { kind: 'drill', subject: 'pins', seed: 7, points: 100 };

test('what a learner did is kept in order under the name alone, listed, and forgotten whole', async () => {
  expect((await keep({ learner: 'Robin Ütte', result })).status).toBe(201);
  expect((await keep({ learner: 'Robin Ütte', result: { kind: 'hunt', subject: 'drain', seed: null, points: 55 } })).status).toBe(201);
  expect((await keep({ learner: 'Kim', result: { ...result, points: 0 } })).status).toBe(201);
  const mine = (await (await GET(new Request(at('Robin Ütte')))).json()) as { subject: string; points: number; at: number }[];
  expect(mine.map(({ subject, points }) => [subject, points])).toEqual([
    ['pins', 100],
    ['drain', 55],
  ]);
  expect(mine.every((one) => Math.abs(one.at - Date.now()) < 60_000)).toBe(true);
  expect(await (await listed(new Request('http://127.0.0.1/api/practise/learners'))).json()).toEqual([
    { learner: 'Kim', results: 1 },
    { learner: 'Robin Ütte', results: 2 },
  ]);
  expect((await DELETE(new Request(at('Robin Ütte'), { method: 'DELETE' }))).status).toBe(200);
  expect(await (await GET(new Request(at('Robin Ütte')))).json()).toEqual([]);
  expect(await (await GET(new Request(at('Kim')))).json()).toHaveLength(1);
});

test.each<[string, unknown]>([
  ['no name', { learner: ' ', result }],
  ['control characters in it', { learner: 'a\u0000b', result }],
  ['a very long name', { learner: 'x'.repeat(61), result }],
  ['more points than there are', { learner: 'a', result: { ...result, points: 101 } }],
  ['another kind', { learner: 'a', result: { ...result, kind: 'exam' } }],
  ['a time of its own', { learner: 'a', result: { ...result, at: 1 } }],
  ['something nobody asked for', { learner: 'a', result, admin: true }],
])('refused with %s', async (_, body) => {
  const answer = await keep(body);
  expect(answer.status).toBeGreaterThanOrEqual(400);
  expect(answer.status).toBeLessThan(500);
});
