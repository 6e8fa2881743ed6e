import { analyse } from '../../analysis/analyse';
import { awgAreaMm2, AWG_SIZES, type AwgSize } from '../../catalog/conductorSizes';
import { runs } from '../../../testing/runs';
import { sameRecord } from '../../design/change';
import { recordsOf, settingsOf, type Design } from '../../design/design';
import { BOARDS } from '../boards';
import type { Question } from './question';
import { questionOf, TOPIC_IDS, type TopicId } from './topics';

const MADE = runs(300);
const rightOf = (topic: TopicId, seed: number) => questionOf(topic, seed).options.find(({ isRight }) => isRight)!;

test.each(TOPIC_IDS)(
  '%s: question after question, none trivial, one right answer each, no answer twice, every wrong one with its mistake',
  (topic) => {
    const asked = new Set<string>();
    const places = new Set<number>();
    for (let seed = 1; seed <= MADE; seed++) {
      const { asks, options, explains, table } = questionOf(topic, seed);
      const texts = [asks, explains, ...options.flatMap(({ says, why }) => [says, why]), ...(table?.rows.flat() ?? [])];
      for (const text of texts) expect(text).not.toMatch(/undefined|NaN|Infinity|null/);
      expect(options.length).toBeGreaterThanOrEqual(3);
      expect(options.filter(({ isRight }) => isRight)).toHaveLength(1);
      expect(new Set(options.map(({ says }) => says)).size).toBe(options.length);
      for (const { isRight, why } of options) expect(why === '').toBe(isRight);
      asked.add(`${asks} ${JSON.stringify(table)}`);
      places.add(options.findIndex(({ isRight }) => isRight));
    }
    // The right one stands anywhere, and questions come with fresh numbers.
    expect(places.size).toBeGreaterThanOrEqual(3);
    expect(asked.size).toBeGreaterThan(10);
  },
  60_000,
);

test('diagram: what is wrong can be: coils and contacts are relays’', () => {
  const relays = new Set(BOARDS.flatMap(({ design }) => recordsOf(design, 'device').flatMap(({ kind, name }) => (kind === 'relay' ? [name] : [])))); // prettier-ignore
  let asked = 0;
  for (let seed = 1; seed <= MADE; seed++) {
    const [, where] = /one thing is wrong: (.+): (?:coil|contact)/.exec(questionOf('diagram', seed).asks) ?? [];
    if (where === undefined) continue;
    expect(relays).toContain(where);
    asked++;
  }
  expect(asked).toBeGreaterThan(MADE / 20);
});

test('the same seed asks the same', () => {
  for (const topic of TOPIC_IDS) expect(questionOf(topic, 17)).toEqual(questionOf(topic, 17));
});

/** ASTM B258's areas in mm2, as printed in every table of gauges. */
const TABLE_MM2: Partial<Record<AwgSize, number>> = { '20': 0.518, '18': 0.823, '16': 1.31, '14': 2.08, '12': 3.31, '10': 5.26, '8': 8.37, '6': 13.3, '4': 21.2, '2': 33.6, '1': 42.4, '1/0': 53.5, '2/0': 67.4, '3/0': 85.0, '4/0': 107 }; // prettier-ignore

test('sizes: answers against the printed table of gauges', () => {
  let checked = 0;
  for (let seed = 1; seed <= 400; seed++) {
    const { asks } = questionOf('sizes', seed);
    const says = rightOf('sizes', seed).says;
    const reel = /A reel says (\S+) AWG/.exec(asks);
    if (reel) {
      const printed = TABLE_MM2[reel[1] as AwgSize]!;
      expect(Math.abs(parseFloat(says) - printed)).toBeLessThanOrEqual(printed < 10 ? 0.06 : 0.51);
      checked++;
    }
    const plan = /The plan says ([\d.]+) mm²/.exec(asks);
    if (plan) {
      const right = says.replace(' AWG', '') as AwgSize;
      const thinner = AWG_SIZES[AWG_SIZES.indexOf(right) - 1]!;
      expect(TABLE_MM2[right]! * 1.005).toBeGreaterThanOrEqual(Number(plan[1]));
      expect(TABLE_MM2[thinner]!).toBeLessThan(Number(plan[1]));
      checked++;
    }
  }
  expect(checked).toBeGreaterThan(80);
  for (const awg of AWG_SIZES) expect(awgAreaMm2(awg) / TABLE_MM2[awg]!).toBeCloseTo(1, 1);
});

test('figures: answers worked out again from what is asked', () => {
  const seen = { amps: 0, fuse: 0, drop: 0, hours: 0, coil: 0 };
  for (let seed = 1; seed <= 400; seed++) {
    const { asks } = questionOf('figures', seed);
    const value = parseFloat(rightOf('figures', seed).says);
    const numbers = [...asks.matchAll(/\d+(?:\.\d+)?/g)].map(([text]) => Number(text));
    if (asks.includes('rated')) {
      expect(value).toBeCloseTo(numbers[0]! / numbers[1]!, numbers[0]! / numbers[1]! < 10 ? 0.9 : 0);
      seen.amps++;
    } else if (asks.includes('Which blade fuse')) {
      // ISO 8820-3's ratings; 125 % as NEC has it.
      const ratings = [3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40];
      expect(value).toBe(ratings.find((rating) => rating >= numbers[0]! * 1.25 - 1e-9));
      // What would hold the bare current is offered as the mistake it is, and never beside itself.
      const bare = ratings.find((rating) => rating >= numbers[0]!)!;
      const wrong = questionOf('figures', seed).options.filter(({ says }) => parseFloat(says) === bare);
      expect(wrong).toHaveLength(1);
      seen.fuse++;
    } else if (asks.includes('lost on the way')) {
      const [amps, out, , area] = numbers as [number, number, number, number];
      expect(value).toBeCloseTo((0.0164 * amps * 2 * out) / area, 2);
      seen.drop++;
    } else if (asks.includes('Ah')) {
      const [ah, percent, amps] = numbers as [number, number, number];
      expect(Math.abs(value - (ah * percent) / 100 / amps)).toBeLessThan(0.51);
      seen.hours++;
    } else if (asks.includes('coil')) {
      const [ohm, , hotC] = numbers as [number, number, number];
      // Copper: 0.393 % a kelvin, IEC 60228.
      expect(Math.abs(value - ohm * (1 + 0.00393 * (hotC - 20)))).toBeLessThan(0.51);
      seen.coil++;
    }
  }
  for (const count of Object.values(seen)) expect(count).toBeGreaterThan(10);
});

test('logic: two places by the printed truth table, straight travellers', () => {
  // Handbook S3: 00 lit, 01 dark, 10 dark, 11 lit.
  let checked = 0;
  for (let seed = 1; seed <= 300; seed++) {
    const { asks } = questionOf('logic', seed);
    const [, door, bunk] = /Door switch: (up|down); Bunk switch: (up|down)/.exec(asks) ?? [];
    if (!door) continue;
    const { says } = rightOf('logic', seed);
    expect(says.includes('Ceiling lamp')).toBe(door === bunk);
    expect(says.includes('Tell-tale')).toBe(door === 'up');
    checked++;
  }
  expect(checked).toBeGreaterThan(30);
});

test('pins: a relay by the numbers it is sold with, whatever its numbers are called', () => {
  // DIN 72552 as sold: 30 feed, 87 make, 87a break, 85 to minus, 86 to plus.
  const sold: [RegExp, string][] = [[/fused feed/, '30'], [/while the switch is on/, '87'], [/is lit while .* is off/, '87a'], [/way home of the coil/, '85'], [/cathode at 86/, '86']]; // prettier-ignore
  const seen = new Set<string>();
  for (let seed = 1; seed <= 1200; seed++) {
    const { asks, table } = questionOf('pins', seed);
    const { says } = rightOf('pins', seed);
    const rule = sold.find(([words]) => words.test(asks));
    if (rule && asks.startsWith('On a changeover relay')) {
      expect(says).toBe(rule[1]);
      seen.add(rule[1]);
    }
    if (table && asks.includes('its coil')) {
      const [pair] = table.rows.find(([, ohms]) => parseFloat(ohms!) > 40)!;
      expect(says).toBe(pair!.split(' to ').sort().join(' and '));
      seen.add('coil');
    }
    if (table && asks.includes('Which blade is 87')) {
      const named = new Set(table.rows.slice(0, -1).flatMap(([pair]) => pair!.split(' to ')));
      expect(named.has(says)).toBe(false);
      seen.add('make');
    }
  }
  expect([...seen].sort()).toEqual(['30', '85', '86', '87', '87a', 'coil', 'make']);
});

test('pins: terminal numbers both ways round, a switch’s own lamp by where its plus comes from', () => {
  // DIN 72552-2: the numbers every workshop knows.
  const known: Record<string, RegExp> = { '15': /ignition/, '30': /battery/, '31': /chassis/, '50': /starter/, '54': /stop/, '56a': /main beam/, '56b': /dipped/, '58': /tail/ }; // prettier-ignore
  const seen = new Set<string>();
  for (let seed = 1; seed <= 1200; seed++) {
    const { asks } = questionOf('pins', seed);
    const { says } = rightOf('pins', seed);
    const number = /bears the number (\S+)\./.exec(asks)?.[1];
    if (number && known[number]) {
      expect(says).toMatch(known[number]);
      seen.add(number);
    }
    if (asks.startsWith('Which number') && known[says]) expect(asks).toMatch(known[says]);
    if (asks.includes('plus from its out terminal')) {
      expect(says).toContain('only while the switch is on');
      seen.add('pilot');
    }
    if (asks.includes('shall be lit always')) expect(says).toBe('its in terminal');
  }
  expect(seen.size).toBe(9);
});

test('colours: the way home by each school', () => {
  // ABYC E-11 and ISO 10133 yellow; DIN 72551 brown; SAE J560 white; black by pole: common practice.
  const home = { 'red and black by pole': 'black', 'small craft': 'yellow', 'road vehicles': 'brown', 'heavy trucks': 'white' };
  const seen = new Set<string>();
  for (let seed = 1; seed <= 300; seed++) {
    const { asks } = questionOf('colours', seed);
    const school = Object.keys(home).find((one) => asks.startsWith(`By the colours of ${one}:`));
    if (!school || !asks.includes('the way home')) continue;
    expect(rightOf('colours', seed).says).toBe(home[school as keyof typeof home]);
    seen.add(school);
  }
  expect(seen.size).toBe(4);
});

test('trigger: the right wire is live in those states alone in which it is wanted', () => {
  // Common practice: low beam wires go dead with high beam; reverse needs the key; constant is always live.
  const live: [RegExp, readonly boolean[]][] = [[/high beam/, [false, false, false, true, false]], [/in reverse/, [false, false, false, false, true]], [/with the key/, [false, true, true, true, true]], [/running lamps/, [false, false, true, true, false]], [/never lose plus/, [true, true, true, true, true]]]; // prettier-ignore
  for (let seed = 1; seed <= 200; seed++) {
    const { asks, table } = questionOf('trigger', seed);
    const wanted = live.find(([words]) => words.test(asks.slice(asks.indexOf('Which'))))![1];
    const row = table!.rows.find(([letter]) => letter === rightOf('trigger', seed).says)!;
    expect(row.slice(1).map((volts) => Number(volts) > 1)).toEqual(wanted);
  }
});

test('mistakes: the program’s own rules find what is said to be wrong, and no fault where nothing is', () => {
  const findings = (design: Design) => analyse(design).findings.map(({ rule, subjects }) => `${rule} ${subjects.join(' ')}`);
  const planned = new Map(BOARDS.map(({ design }) => [settingsOf(design).name, new Set(findings(design))]));
  const found = new Map<string, number>();
  for (let seed = 1; seed <= 450; seed++) {
    const { asks, board } = questionOf('mistake', seed);
    if (!asks.startsWith('One thing may be wrong') || !board) continue;
    const { says } = rightOf('mistake', seed);
    const kind = ['nothing', 'ahead of', 'larger than', 'too thin', 'no way home'].find((words) => says.includes(words))!;
    found.set(kind, (found.get(kind) ?? 0) + 1);
    const more = findings(board).filter((one) => !planned.get(settingsOf(board).name)!.has(one));
    // One thing, and no other, is wrong.
    const sound = BOARDS.find(({ design }) => settingsOf(design).name === settingsOf(board).name)!.design;
    const touched = Array.from(sound.records.values()).filter((record) => !sameRecord(board.records.get(record.id), record));
    expect({ seed, touched: touched.length }).toEqual({ seed, touched: kind === 'nothing' ? 0 : 1 });
    if (kind === 'nothing') expect({ seed, more }).toEqual({ seed, more: [] });
    else expect({ seed, says, isFound: more.length > 0 }).toEqual({ seed, says, isFound: true });
  }
  expect([...found.keys()].sort()).toEqual(['ahead of', 'larger than', 'no way home', 'nothing', 'too thin']);
});

/** Questions about what is wrong, whose words match. */
const wrongs = Array.from({ length: 300 }, (_, seed) => questionOf('mistake', seed));
const asked = (words: RegExp) => wrongs.filter(({ asks }) => words.test(asks));
const rightIn = ({ options }: Question) => options.find(({ isRight }) => isRight)!.says;

test('plugs: the half that stays live is to be covered; on a way home it is the lamp’s, through the lamp. Common practice', () => {
  const met = new Set<string>();
  for (const question of asked(/pulled apart/)) {
    const isOn = question.asks.includes('switch is on');
    const wires = [...question.board!.records.values()].flatMap((one) => (one.type === 'wire' ? [one] : []));
    const isSwitchFirst = wires.some(({ from, to }) => from.deviceId === 'switch' && to.deviceId === 'feedPlug');
    // The half towards the fuse is live where current could come: in the plus ahead of an open switch too, on the way home only through the
    // lamp.
    const isLive = (plug: string) => isOn || (plug === 'Plug in its plus' && !isSwitchFirst);
    const bad = question.table!.rows.filter(([plug, nearer]) => nearer === 'bare' && isLive(plug!)).map(([plug]) => plug);
    const right = bad.length === 0 ? 'neither' : bad.length === 2 ? 'both' : bad[0];
    expect(rightIn(question)).toBe(right);
    met.add(`${isOn} ${isSwitchFirst} ${right}`);
  }
  expect(met.size).toBeGreaterThan(6);
});

test('batteries: in a row, one without a way round, or both leads at one of them, by the posts alone. Common practice: leads at opposite ends', () => {
  const met = new Set<string>();
  for (const question of asked(/^Two batteries/)) {
    const { rows } = question.table!;
    const links = rows.filter(([cable]) => cable === 'link').map(([, from, to]) => [from!, to!].sort().join(' to '));
    const postOf = (lead: string) => rows.find(([cable]) => cable === lead)![1]!;
    const battery = (post: string) => post.slice(0, 9).at(-1)!;
    const other = (name: string) => (name === 'A' ? 'B' : 'A');
    const right = rightIn(question);
    met.add(right.replace(/ [AB] /, ' x ').replace(/\d+ V/, 'n V'));
    if (links.some((link) => link.includes('+') && link.includes('−')))
      expect(right).toMatch(/^they are in a row: 2[456] V on a 12 V system$/);
    else if (links.length === 1) {
      const isPlus = links[0]!.includes('+');
      // The post that nothing joins is at the battery whose lead of that pole is not there.
      expect(right).toContain(`battery ${other(battery(postOf(isPlus ? 'minus lead' : 'plus lead')))} gives nothing`);
    } else if (battery(postOf('plus lead')) === battery(postOf('minus lead')))
      expect(right).toContain(`battery ${battery(postOf('plus lead'))} works harder`);
    else expect(right).toBe('nothing');
  }
  expect(met.size).toBe(4);
});
