import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pip } from '../demo/pip';
import { writeDesignFile } from '../core/formats/designFile';
import { vineKnot } from '../testing/vineKnot';

const folder = mkdtempSync(path.join(tmpdir(), 'vine-knot-hunt-'));
const file = (name: string, text: string) => {
  const target = path.join(folder, name);
  writeFileSync(target, text);
  return target;
};
const pipFile = file('pip.json', writeDesignFile(pip()));

test('hunt gives a board, its complaint and par; acts are answered and scored; what it cannot play is refused', async () => {
  const given = await vineKnot('hunt', 'dim-lamp', '--json');
  const board = JSON.parse(given.stdout) as {
    complaints: string[];
    par: { acts: number };
    terminals: unknown[];
    wires: { wireId: string; number: string }[];
  };
  expect(given.status).toBe(0);
  expect(board.complaints[0]).toContain('reading lamp');
  expect(given.stdout).not.toMatch(/highJoint|"flaw"/);
  const home = board.wires.find(({ number }) => number === '01c')!.wireId;
  const acts = [
    { kind: 'meter', mode: 'volts', red: { deviceId: 'lamp', terminal: 'minus' }, black: { deviceId: 'battery', terminal: 'minus' } },
    { kind: 'isolate', off: true },
    { kind: 'mend', named: { kind: 'joint', subjectId: home } },
    { kind: 'isolate', off: false },
    { kind: 'prove' },
  ];
  const played = await vineKnot('hunt', 'dim-lamp', '--play', file('acts.json', JSON.stringify(acts)), '--json');
  const { entries, solved, score } = JSON.parse(played.stdout) as { entries: { told: { value: number }[] }[]; solved: boolean; score: { points: number; parActs: number } }; // prettier-ignore
  expect({ status: played.status, solved, points: score.points, par: score.parActs }).toEqual({ status: 0, solved: true, points: 100, par: board.par.acts }); // prettier-ignore
  // Most of the battery's volts are lost over 14 ohm where the lamp has 14.4 hot.
  expect(entries[0]!.told[0]!.value).toBeGreaterThan(5);
  const words = await vineKnot('hunt', 'dim-lamp', '--play', file('half.json', JSON.stringify(acts.slice(0, 2))));
  expect(words.status).toBe(1);
  expect(words.stdout).toMatch(/Volts: red on Reading lamp, −.*\n {2}[\d.]+ V[\s\S]*Not solved/);

  const drawn = await vineKnot('hunt', pipFile, '--seed', '4', '--json');
  expect(await vineKnot('hunt', pipFile, '--seed', '4', '--json')).toEqual(drawn);
  for (const args of [
    ['nothing'],
    ['dim-lamp', '--seed', '-1'],
    ['dim-lamp', '--play', file('bad.json', '[{"kind":"smash"}]')],
    [file('x.json', '{}')],
    [],
  ])
    expect((await vineKnot('hunt', ...args)).status).toBe(2);
}, 60_000);
