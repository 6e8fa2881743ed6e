import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { heron } from '../demo/heron';
import { pip } from '../demo/pip';
import { writeDesignFile } from '../core/formats/designFile';
import type { CheckOutput } from '../core/formats/checkOutput';
import { ngspice } from '../testing/ngspice';
import { vineKnot } from '../testing/vineKnot';

const folder = mkdtempSync(path.join(tmpdir(), 'vine-knot-cli-'));
const file = (name: string, text: string) => {
  const target = path.join(folder, name);
  writeFileSync(target, text);
  return target;
};
const tsx = path.join('node_modules', '.bin', 'tsx');
/** The command as a process of its own, as a person starts it. */
const started = (...args: string[]) => spawnSync(tsx, ['cli/main.ts', ...args], { encoding: 'utf8' });

const heronFile = file('heron.json', writeDesignFile(heron()));
const pipFile = file('pip.json', writeDesignFile(pip()));

test('harness gives every wire with its ends, every piece from one reel, and ends with 1 where a live wire looks like a return', async () => {
  const output = async (of: string) => {
    const { stdout, status } = await vineKnot('harness', of, '--json');
    return { status, ...(JSON.parse(stdout) as { wires: { number: string; lengthM: number; ends: object[] }[]; cuts: { pieces: number[] }[]; parts: { unit: string; count: number }[]; findings: { rule: string }[] }) }; // prettier-ignore
  };
  const { status, wires, cuts, parts, findings } = await output(pipFile);
  expect([status, findings]).toEqual([0, []]);
  expect(wires.find(({ number }) => number === '06a')).toMatchObject({
    from: { device: 'Water pump fuse', terminal: 'out' },
    to: { device: 'Water pump switch', terminal: 'in' },
    colour: null,
    conductor: 'awg:12',
    ends: [
      { kind: 'ring', stud: 'M4' },
      { kind: 'receptacle', bladeMm: 6.3 },
    ],
  });
  // Pucks, reading lights and sockets in rows: 3 of 0.6 m, one of 0.9 and one of 1.2, out and home.
  const rowsM = 2 * (3 * 0.6 + 0.9 + 1.2);
  const sum = (list: number[]) => list.reduce((all, one) => all + one, 0);
  expect(sum(cuts.flatMap(({ pieces }) => pieces))).toBeCloseTo(sum(wires.map(({ lengthM }) => lengthM)) + rowsM, 6);
  // Sleeve and cable by the metre, the rest by the piece.
  expect(new Set(parts.map(({ unit }) => unit))).toEqual(new Set(['m', 'pcs']));
  for (const { unit, count } of parts) expect(unit === 'm' ? count < 60 : Number.isInteger(count)).toBe(true);
  const black = Array.from(pip().records.values(), (record) => (record.type === 'wire' && record.id === 'wire_lead' ? { ...record, colour: 'BK' as const } : record)); // prettier-ignore
  const wrong = await output(file('black.json', writeDesignFile({ records: new Map(black.map((record) => [record.id, record])) })));
  expect([wrong.status, wrong.findings.map(({ rule }) => rule)]).toEqual([1, ['harness.returnColour', 'harness.unfinished']]);
});

test('check --json prints JSON and nothing else, and ends with 1 for a fault', () => {
  const { stdout, stderr, status } = started('check', heronFile, '--json');
  const output = JSON.parse(stdout) as CheckOutput;
  expect([status, stderr.replace(/^npm .*\n/gm, '')]).toEqual([1, '']);
  expect(Object.keys(output)).toEqual(['circuits', 'zones', 'wires', 'protections', 'mainFeeds', 'totals', 'findings']);
  expect(output.circuits[1]).toMatchObject({
    name: 'Fridge',
    zone: 'Galley',
    ampacity: {
      tableA: 25,
      insulationC: 105,
      heatFactor: expect.closeTo(Math.sqrt(55 / 75), 4) as number,
      heatFor: 'ambient',
      bundleFactor: 1,
    },
    protection: { family: 'blade', ratingA: 10, behind: 'Main fuse', breaksA: 1000 },
    conductor: { mm2: 1.5, awg: null },
    fuseA: 10,
    findings: [{ rule: 'drop.overTarget', severity: 'caution' }],
  });
  expect(output.totals).toMatchObject({ usableAh: 160 });
});

test('check in words ends with 0 when there is no fault', async () => {
  const { stdout, status } = await vineKnot('check', pipFile);
  expect(status).toBe(0);
  expect(stdout).toContain('Water pump');
  expect(stdout).toContain('12 AWG');
});

test('another school changes the answer', async () => {
  const road = JSON.parse((await vineKnot('check', heronFile, '--json', '--standard', 'road-vehicle')).stdout) as CheckOutput;
  const iso = JSON.parse((await vineKnot('check', heronFile, '--json')).stdout) as CheckOutput;
  expect(road.circuits[1]!.dropV).toBeLessThan(iso.circuits[1]!.dropV);
});

test('wire answers one run (ABYC E-11 table row: 10 A, 20 ft out and back, 3 %: 10 AWG)', () => {
  const answer = JSON.parse(
    execFileSync(
      tsx,
      [
        'cli/main.ts',
        'wire',
        '--amps',
        '10',
        '--length-ft',
        '20',
        '--round-trip',
        '--volts',
        '12',
        '--drop-percent',
        '3',
        '--standard',
        'us-small-craft',
        '--insulation',
        '105',
        '--awg',
        '--json',
      ],
      {
        encoding: 'utf8',
      },
    ),
  );
  expect(answer).toMatchObject({ conductor: { mm2: null, awg: '10' }, ampacityA: 60, fuseA: 15, governedBy: 'drop' });
});

test.each([
  ['no command', [], /say what to do/],
  ['a file that is not there', ['check', 'nowhere.json'], /nowhere\.json: cannot be read/],
  ['a broken file', ['check', file('broken.json', '{')], /not readable JSON/],
  ['an unknown standard', ['check', pipFile, '--standard', 'mine'], /not one of/],
  ['an unknown option', ['wire', '--ampere', '3'], /ampere/],
  ['no way of reading the length', ['wire', '--amps', '3', '--length-m', '4'], /round-trip/],
  ['a number that is none', ['wire', '--amps', 'x', '--length-m', '4', '--one-way'], /not a number/],
])('%s ends with 2 and the reason on stderr', async (_, args, reason) => {
  const { status, stderr, stdout } = await vineKnot(...args);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(reason);
});

test('solve prints volts of every node and amperes through every element of a deck, from its first node to its second', async () => {
  const deck = file('divider.cir', 'divider\nV1 in 0 12\nR1 in Out 1k\nR2 Out 0 3k\n.end\n');
  const { stdout, status } = await vineKnot('solve', deck, '--json');
  const { nodes, branches } = JSON.parse(stdout) as { nodes: Record<string, number>; branches: Record<string, number> };
  expect(status).toBe(0);
  expect(nodes).toEqual({ '0': 0, in: 12, Out: expect.closeTo(9, 9) });
  expect(branches).toEqual({ V1: expect.closeTo(-0.003, 9), R1: expect.closeTo(0.003, 9), R2: expect.closeTo(0.003, 9) });
});

test('solve refuses a deck without an answer with 1 and one it cannot read with 2, each with the reason', async () => {
  const adrift = await vineKnot('solve', file('adrift.cir', 'adrift\nV1 in 0 12\nR1 in 0 1k\nR2 x y 3k\n'));
  expect([adrift.status, adrift.stderr.includes('no path to the reference: x, y')]).toEqual([1, true]);
  const odd = await vineKnot('solve', file('odd.cir', 'odd\nQ1 c b e npn\n'));
  expect([odd.status, odd.stderr.includes('odd.cir:2: only R, V, I, D and S')]).toEqual([2, true]);
});

test('export writes a deck ngspice runs unchanged, in the state asked for; an unknown state or format is refused', async () => {
  const { stdout, status } = await vineKnot('export', heronFile, '--format', 'spice', '--state', 'Winter count weekend');
  expect([status, stdout.split('\n')[0]]).toEqual([0, '* Heron, as wired']);
  const volts = Object.values(ngspice(stdout).nodes);
  expect(Math.max(...volts)).toBeCloseTo(13.5, 6);
  expect(Math.min(...volts)).toBeGreaterThanOrEqual(-1e-6);
  for (const args of [
    ['--format', 'spice', '--state', 'noon'],
    ['--format', 'dxf'],
  ]) {
    expect((await vineKnot('export', heronFile, ...args)).status).toBe(2);
  }
});

test('simulate says whether a scenario lasts, the same for the same seed, and refuses what it cannot do', async () => {
  const { stdout, status } = await vineKnot('simulate', pipFile, '--draws', '20', '--json');
  const told = JSON.parse(stdout) as { chanceOfRunningOut: number; mean: { loadsWh: number; sunWh: number }; days: number };
  expect([status, told.days, told.chanceOfRunningOut]).toEqual([0, 2, 0]);
  expect(told.mean.loadsWh).toBeGreaterThan(400);
  expect(told.mean.sunWh).toBeGreaterThan(100);
  expect((await vineKnot('simulate', pipFile, '--draws', '20', '--json')).stdout).toBe(stdout);
  const heavy = await vineKnot('simulate', heronFile, '--draws', '10');
  expect(heavy.status).toBe(1);
  expect(heavy.stdout).toContain('cut: Reading light');
  expect((await vineKnot('simulate', pipFile, '--draws', 'many')).status).toBe(2);
  expect((await vineKnot('simulate', pipFile, '--scenario', 'nowhere')).stderr).toContain('"Two nights at camp"');
});

describe('bench', () => {
  interface BenchOutput {
    outcome: string;
    loads: { name: string; function: string | null; on: boolean; level: number; volts: number; amps: number; by: string[] }[];
    devices: { name: string; state: string }[];
  }
  const bench = async (...args: string[]) => {
    const { stdout, stderr, status } = await vineKnot('bench', heronFile, ...args);
    return { stderr, status, output: status === 0 ? (JSON.parse(stdout) as BenchOutput) : null };
  };

  test('moves controls in their order, presses and lets go, lets time run, and says what each load does and by what way', async () => {
    const { output } = await bench(
      '--set',
      'Scene lights, left switch=up',
      '--set',
      'scene lights, left switch=down',
      '--set',
      'motion=moving>still',
      '--after',
      '10',
      '--json',
    );
    expect(Object.keys(output!)).toEqual(['outcome', 'loads', 'devices']);
    const load = (name: string) => output!.loads.find((one) => one.name === name)!;
    expect([output!.outcome, load('Left scene lamp, white').on]).toEqual(['settled', false]);
    expect(load('Left scene lamp, amber')).toMatchObject({ function: 'amber', on: true, level: expect.any(Number) as number });
    expect(load('Left scene lamp, amber').by).toEqual(expect.arrayContaining(['House battery', 'Left white relay', 'Left amber relay']));
    expect(load('Step light').on).toBe(true);
    expect(output!.devices).toContainEqual({ name: 'Step motion sensor', state: 'on' });
  });

  test('a name that may be several, one that is none and a position that is not there are refused with what there is', async () => {
    expect(await bench('--set', 'switch=on')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('"Galley lights switch", "Water pump switch"') as string,
    });
    expect(await bench('--set', 'horn=on')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('nothing is called "horn"') as string,
    });
    expect(await bench('--set', 'Galley lights switch=up')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('it has "off", "on"') as string,
    });
  });
});

test('truth gives every way that what influences a load may stand, and refuses a name that may be several', async () => {
  const { stdout, status } = await vineKnot('truth', heronFile, '--load', 'Left scene lamp', '--function', 'amber', '--json');
  const table = JSON.parse(stdout) as { inputs: string[]; rows: { set: Record<string, string>; on: boolean; level: number; wished: boolean | null }[] }; // prettier-ignore
  const [byFob, colour, ...buttons] = ['Scene left, panel or fob', 'Scene lights, left switch', 'Left scene radio, channel 1', 'Left scene radio, channel 2'] as const; // prettier-ignore
  expect([status, table.inputs]).toEqual([0, [byFob, colour, ...buttons]]);
  expect(table.rows).toHaveLength(2 * 3 * 2 * 2);
  const byPanel = table.rows.filter(({ set }) => set[byFob] === 'down' && buttons.every((button) => set[button] === 'let go'));
  expect(byPanel.map(({ set, on, level, wished }) => [set[colour], on, level, wished]).sort()).toEqual([
    ['down', true, 1, true],
    ['off', false, 0, null],
    ['up', false, 0, null],
  ]);
  // What the bench does not do as wished is among the first rows.
  const reversing = JSON.parse((await vineKnot('truth', heronFile, '--load', 'Reversing lamp', '--json')).stdout) as { rows: object[] };
  expect(reversing.rows).toContainEqual({ set: { 'Reversing lamps switch': 'up', Key: 'on', Reverse: 'in', Brake: 'released' }, on: false, level: 0, wished: true }); // prettier-ignore
  const several = await vineKnot('truth', heronFile, '--load', 'scene lamp');
  expect([several.status, several.stderr]).toEqual([2, expect.stringContaining('"Left scene lamp, white", "Left scene lamp, amber"')]);
});

test('wishes says which are kept, which are broken and by what acts; those acts, given to the bench, break them', async () => {
  const { stdout, status } = await vineKnot('wishes', heronFile, '--json');
  const { wishes } = JSON.parse(stdout) as {
    wishes: { load: string; function: string | null; says: string; verdict: string; given: boolean; withinS: number; series: object[] }[];
  };
  expect(status).toBe(1);
  const broken = wishes.filter(({ verdict }) => verdict === 'broken');
  expect(broken.map(({ load, given }) => [load, given])).toEqual([
    ['Right scene lamp, white', false],
    ['Reversing lamp', false],
  ]);
  expect(broken[1]!.series).toEqual([{ set: 'Reversing lamps switch=up' }, { set: 'Key=on' }, { set: 'Reverse=in' }]);
  expect(wishes.find(({ load }) => load === 'Step light')).toMatchObject({ verdict: 'kept', withinS: 61, series: [] });
  const sets = broken[0]!.series.flatMap((step) => ('set' in step ? ['--set', String(step.set)] : []));
  const benched = JSON.parse((await vineKnot('bench', heronFile, ...sets, '--json')).stdout) as { loads: { name: string; on: boolean }[] };
  const isOn = (name: string) => benched.loads.find((load) => load.name === name)!.on;
  expect([isOn('Right scene lamp, white'), isOn('Right scene lamp, amber')]).toEqual([false, true]);
  const kept = await vineKnot('wishes', pipFile);
  expect([kept.status, kept.stdout]).toEqual([0, 'Nothing is wished and nothing is given.\n']);
});

test('expect says what points read at the battery’s voltage, between which figures; an unknown switch is refused by name', async () => {
  const read = async (battery: string) => {
    const { stdout, status } = await vineKnot('expect', pipFile, '--set', 'Water pump switch=on', '--battery', battery, '--json');
    expect(status).toBe(0);
    return (JSON.parse(stdout) as { points: { where: string; wire?: string; expected: number; low: number; high: number; unit: string }[] }).points; // prettier-ignore
  };
  for (const battery of ['12.6', '13.8']) {
    const points = await read(battery);
    expect(points[0]!.expected).toBeCloseTo(Number(battery), 2);
    for (const { expected, low, high } of points) expect([low <= expected, high >= expected]).toEqual([true, true]);
    expect(points.find(({ wire }) => wire === '06b')).toMatchObject({ unit: 'A' });
    expect(Math.abs(points.find(({ wire }) => wire === '06b')!.expected)).toBeGreaterThan(1);
  }
  const bad = await vineKnot('expect', pipFile, '--set', 'Water pump switch=sideways');
  expect([bad.status, bad.stderr]).toEqual([2, expect.stringContaining('has no "sideways"')]);
});

test('diagnose ranks faults by everything seen and read, with what to measure next; what it cannot read is refused', async () => {
  const ask = (name: string, observed: object) =>
    vineKnot('diagnose', pipFile, '--observed', file(name, JSON.stringify(observed)), '--json');
  const seen = [{ load: 'Water pump', on: false }];
  const first = await ask('first.json', { batteryV: 12.6, set: ['Water pump switch=on'], seen });
  const { next } = JSON.parse(first.stdout) as { next: { bits: number; effort: number; where: string; answers: object[] }[] };
  expect(next[0]!.bits).toBeGreaterThan(0.8);
  expect(next[0]!.answers.length).toBeGreaterThan(1);
  const readings = [
    { at: { device: 'Water pump', terminal: 'plus' }, to: null, volts: 12.5 },
    { at: { device: 'Water pump', terminal: 'minus' }, volts: 12.4 },
    { at: { device: 'Return bar', terminal: 'bar' }, to: null, volts: 0.01 },
  ];
  const found = await ask('found.json', { batteryV: 12.6, set: ['Water pump switch=on'], seen, readings });
  const { faults, outside } = JSON.parse(found.stdout) as {
    faults: { fault: string; where: string; probability: number }[];
    outside: boolean;
  };
  expect([found.status, outside]).toEqual([0, false]);
  expect(faults[0]!.where).toContain('06c');
  expect(faults[0]!.probability).toBeGreaterThan(0.8);
  for (const [name, observed, why] of [
    ['load.json', { seen: [{ load: 'Teapot', on: true }] }, /nothing is called "Teapot"/],
    ['terminal.json', { readings: [{ at: { device: 'Water pump', terminal: '87' }, volts: 1 }] }, /has no terminal "87"/],
    ['wire.json', { readings: [{ wire: '99z', amps: 1 }] }, /no wire is numbered "99z"/],
    ['shape.json', { readings: 'none' }, /--observed: readings/],
  ] as const) {
    const refused = await ask(name, observed);
    expect([refused.status, refused.stderr]).toEqual([2, expect.stringMatching(why)]);
  }
});

// Common practice: it goes as the pump is switched on; the lamp stays bright with the wire off at the pump and is dark with it off at the
// switch, so that wire it is.
test('diagnose leads from a fuse that blows to where the live side touches, by what a lamp in its place does', async () => {
  const ask = (name: string, tests: object[], fuse = 'Water pump fuse') =>
    vineKnot('diagnose', pipFile, '--observed', file(name, JSON.stringify({ set: ['Water pump switch=on'], fuse: { name: fuse, blows: 'switchedOn', tests } })), '--json'); // prettier-ignore
  const first = await ask('blows.json', []);
  const { next } = JSON.parse(first.stdout) as { next: { measure: string; lifted: object | null; bits: number; bright: number }[] };
  expect([first.status, next[0]!.measure]).toEqual([0, 'lamp']);
  expect(next[0]!.bits).toBeGreaterThan(0.3);
  const found = await ask('lamp.json', [
    { lifted: null, bright: true },
    { lifted: { wire: '06b', end: 'far' }, bright: true },
    { lifted: { wire: '06b', end: 'near' }, bright: false },
  ]);
  const { faults } = JSON.parse(found.stdout) as { faults: { where: string; kind: string; probability: number; proof: string }[] };
  expect(faults[0]).toMatchObject({ kind: 'wire', where: expect.stringContaining('06b') as string });
  expect(faults[0]!.probability).toBeGreaterThan(0.9);
  const refused = await ask('nofuse.json', [], 'Teapot fuse');
  expect([refused.status, refused.stderr]).toEqual([2, expect.stringMatching(/nothing is called "Teapot fuse"/)]);
});

// 7.5 A blade, 10.9 milliohm: 46 mV are 4.2 A, which the pump draws and nothing else on that fuse does.
test('diagnose takes millivolts across fuses for what draws while everything is off', async () => {
  const ask = (name: string, drain: object) => vineKnot('diagnose', pipFile, '--observed', file(name, JSON.stringify({ drain })), '--json');
  const { stdout, status } = await ask('drain.json', { fuses: [{ name: 'Water pump fuse', millivolts: 46 }], batteryA: 4.4 });
  const said = JSON.parse(stdout) as {
    elsewhereA: number | null;
    days: number;
    fuses: { fuse: string; verdict: string; causes: { cause: string }[] }[];
  };
  const pump = said.fuses.find(({ fuse }) => fuse === 'Water pump fuse')!;
  expect([status, pump.verdict, said.elsewhereA]).toEqual([0, 'more', null]);
  expect(pump.causes[0]!.cause).toBe('Water pump switch left at “on”');
  expect(said.days).toBeLessThan(1);
  const odd = await ask('odd.json', { fuses: [{ name: 'Water pump fuse', millivolts: 3 }] });
  expect(odd.status).toBe(1);
  expect((await ask('bad.json', { fuses: [{ name: 'Teapot', millivolts: 3 }] })).status).toBe(2);
});

test('plan gives tasks in an order that keeps what must come before, its holds, and when each begins', async () => {
  const { stdout, status } = await vineKnot('plan', pipFile, '--people', '2', '--json');
  const plan = JSON.parse(stdout) as {
    minutes: number;
    leastMinutes: number;
    tasks: { id: string; start: number; end: number; after: string[] }[];
    order: string[];
    holds: { after: string; before: string; minutes: number }[];
  };
  expect([status, plan.order]).toEqual([0, plan.tasks.map(({ id }) => id)]);
  const at = new Map(plan.tasks.map((task) => [task.id, task]));
  for (const { start, after } of plan.tasks) for (const id of after) expect(at.get(id)!.end).toBeLessThanOrEqual(start + 0.2);
  expect(plan.holds.length).toBeGreaterThan(0);
  for (const { after, before, minutes } of plan.holds)
    expect(at.get(before)!.start - at.get(after)!.end).toBeGreaterThanOrEqual(minutes - 0.2);
  expect(plan.minutes).toBeGreaterThanOrEqual(plan.leastMinutes);
  expect((await vineKnot('plan', pipFile, '--people', '3')).status).toBe(2);
});
