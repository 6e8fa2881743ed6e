import { heron } from '../../demo/heron';
import { kitless } from '../../testing/kitless';
import { pip } from '../../demo/pip';
import { randomDesign } from '../../testing/randomDesign';
import { rig } from '../../testing/rig';
import { remediesFor } from '../advice/remedies';
import { analyse } from '../analysis/analyse';
import { jointsOf } from '../analysis/joints';
import { findHarness } from '../analysis/rules/harnessRules';
import { COLOUR_SCHOOLS, SETTINGS_ID, type ColourSchool } from '../catalog/vocabulary';
import { lookCode, lookWords, readLook, WIRE_COLOUR_CODES } from '../catalog/wireColours';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { seenAs } from '../design/asBuilt';
import type { DesignRecord, Reel, Wire } from '../design/schema';
import { indexDesign } from '../rig/designIndex';
import { PARTS } from '../devices/parts';
import { sketch } from '../diagram/drawing';
import { traceWiring } from '../network/traceWiring';
import { WAYS } from '../switching/gallery/ways';
import { wayTo } from '../switching/gallery/wayTo';
import { putIntoRun } from '../switching/partsByHand';
import { wordFinding } from '../wording/wording';
import { endWords, partWords } from '../wording/harnessWords';
import { lookOf } from './cables';
import { confusedWith } from './colourWires';
import { SCHOOLS } from './schools';
import { colourAll, fixNumbers, setWireField } from './editWires';
import { boughtIn, partsList } from './partsList';
import { cutLength } from './cutLength';
import { pieceOf } from './rowLinks';
import { cutLots, harnessOf, harnessOfDesign, wireNumbersOf } from './schedule';

const PIP = pip();
const HERON = kitless(heron());

const done = (design: Design, change: Parameters<typeof applyChange>[1]) => applyChange(design, change);
const inSchool = (design: Design, colourSchool: ColourSchool) => done(design, updateRecords(design, [{ id: SETTINGS_ID, set: { colourSchool } }])); // prettier-ignore
const lineOf = (design: Design, number: string) => harnessOfDesign(design).wires.find((line) => line.number === number)!;

describe('numbers', () => {
  test('are the circuit’s with a letter along the run, out and home; M for shared leads, G for shared returns', () => {
    const lines = harnessOfDesign(PIP).wires;
    const pump = lines.filter(({ number }) => number.startsWith('06')).map(({ number, from, to }) => [number, from.terminal, to.terminal]);
    expect(pump).toEqual([
      ['06a', 'out', 'in'],
      ['06b', 'out', 'plus'],
      ['06c', 'minus', 'bar'],
    ]);
    expect(lines.map(({ number }) => number).filter((number) => /^[MG]/.test(number))).toEqual(['G1', 'M1', 'M2', 'M3']);
    expect(new Set(lines.map(({ number }) => number)).size).toBe(lines.length);
  });

  test('once fixed stand through an edit; what is new gets what is free', () => {
    const fixed = done(PIP, fixNumbers(PIP));
    const before = wireNumbersOf(harnessOfDesign(fixed));
    const put = putIntoRun(
      fixed,
      lineOf(fixed, '06a').wire.id,
      PARTS.find(({ id }) => id === 'splice')!,
      300,
    )!;
    const after = harnessOfDesign(done(fixed, put.change)).wires;
    for (const { wire, number, isNumbered } of after) {
      if (before.has(wire.id)) expect([wire.id, number]).toEqual([wire.id, before.get(wire.id)]);
      else expect([number, isNumbered]).toEqual(['06d', false]);
    }
    expect(after).toHaveLength(before.size + 1);
  });

  test('are fixed as they are shown: what is there for now is out of sight, and moves none of them', () => {
    const now = { ...lineOf(PIP, '06a').wire, id: 'wire_now', work: { state: 'temporary' as const } };
    const whole = { records: new Map<string, DesignRecord>([['wire_now', now], ...PIP.records]) } as Design;
    const shown = seenAs(whole, 'planned');
    const fixed = done(whole, fixNumbers(whole, shown));
    for (const { wire, number } of harnessOfDesign(shown).wires) expect((fixed.records.get(wire.id) as Wire).number).toBe(number);
    expect((fixed.records.get('wire_now') as Wire).number).toBeUndefined();
    expect(colourAll(whole, true, shown).updated.some(({ from }) => from.id === 'wire_now')).toBe(false);
  });

  test('of every random design are all different', () => {
    for (let seed = 1; seed <= 30; seed++) {
      const numbers = harnessOfDesign(randomDesign(seed).design).wires.map(({ number }) => number);
      expect([seed, new Set(numbers).size]).toEqual([seed, numbers.length]);
    }
  });
});

test('the vehicle’s own wire is a signal, whatever it leads to, and is drawn from the vehicle', () => {
  const lamp = recordsOf(HERON, 'device').find(({ name }) => name === 'Reversing lamp')!;
  const way = wayTo(
    HERON,
    lamp.id,
    WAYS.find(({ id }) => id === 'follow')!,
    { signal: 'reverse', otherId: null },
  )!;
  const design = done(HERON, way.change);
  const [line] = harnessOfDesign(design).wires.filter(({ from, to }) => [from.terminal, to.terminal].includes('reverse'));
  expect(line!.role.duty).toBe('signal');
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  const sheet = sketch(design, index, wiring, harnessOf(index, wiring), { circuitId: line!.role.circuitId! });
  expect(sheet.wires.find(({ wireId }) => wireId === line!.wire.id)!.from).toMatch(/reverse\/right$/);
});

describe('colours', () => {
  test('are read as they are written and said', () => {
    for (const colour of WIRE_COLOUR_CODES)
      for (const stripe of [undefined, ...WIRE_COLOUR_CODES.filter((code) => code !== colour)]) {
        const look = stripe ? { colour, stripe } : { colour };
        for (const text of [lookCode(look), lookCode(look).toLowerCase(), lookWords(look), lookWords(look).replace(' with ', '/')])
          expect([text, readLook(text)]).toEqual([text, look]);
      }
    // Two words for one colour, and a stripe of its own colour, which is none.
    expect([readLook('gray'), readLook('purple/gray'), readLook('red red')]).toEqual([{ colour: 'GY' }, { colour: 'VT', stripe: 'GY' }, { colour: 'RD' }]); // prettier-ignore
    for (const junk of ['', 'mauve', 'red with mauve', 'red white blue', 'RDXX', '=RD'])
      expect([junk, readLook(junk)]).toEqual([junk, null]);
  });

  // DIN 72551: 31 brown, 30 red; ABYC E-11 and ISO 10133: return yellow or black; SAE J560: ground white. From memory.
  test.each<[ColourSchool, string]>([
    ['pole', 'BK'],
    ['smallCraft', 'YE'],
    ['road', 'BN'],
    ['truck', 'WH'],
  ])('in the school %s every return is %s and the battery’s lead red', (school, home) => {
    const design = inSchool(HERON, school);
    const coloured = harnessOfDesign(done(design, colourAll(design, false))).wires;
    const returns = coloured.filter(({ role }) => role.duty === 'return');
    expect(new Set(returns.map(({ look }) => look!.colour))).toEqual(new Set([home]));
    expect(coloured.find(({ number }) => number === 'M1')!.look).toEqual({ colour: 'RD' });
    for (const { role, look } of coloured) if (role.duty === 'live') expect(SCHOOLS[school].returns).not.toContain(look!.colour);
  });

  // ABYC E-11 and ISO 10133, from memory: cabin lights blue, pumps brown, other outlets orange, the feed to a switch red.
  test('in small craft what a switch lets through is coloured by what it feeds', () => {
    const design = inSchool(HERON, 'smallCraft');
    const coloured = done(design, colourAll(design, false));
    const base = (number: string) => lineOf(coloured, number).look!.colour;
    expect([base('01b'), base('03b'), base('03a'), base('16b')]).toEqual(['BU', 'BN', 'RD', 'BU']);
    // Of looks that fit, the plain one goes first.
    expect(lineOf(coloured, '03b').look).toEqual({ colour: 'BN' });
  });

  test('no two wires side by side look alike, in any school, on the demos and 40 random designs', () => {
    let pairs = 0;
    const designs = [HERON, PIP, ...Array.from({ length: 40 }, (_, at) => randomDesign(at + 1).design)];
    for (const [at, design] of designs.entries()) {
      const school = COLOUR_SCHOOLS[at % COLOUR_SCHOOLS.length]!;
      const coloured = done(inSchool(design, school), colourAll(inSchool(design, school), false));
      const looks = new Map(recordsOf(coloured, 'wire').map((wire) => [wire.id, lookOf(wire, indexDesign(coloured).cables)]));
      const lines = new Map(harnessOfDesign(coloured).wires.map((line) => [line.wire.id, line]));
      for (const [id, beside] of confusedWith(indexDesign(coloured)))
        for (const other of beside) {
          if (lines.get(id)!.role.duty === 'return' && lines.get(other)!.role.duty === 'return') continue;
          pairs++;
          expect([at, id, other, lookCode(looks.get(id)!)]).not.toEqual([at, id, other, lookCode(looks.get(other)!)]);
        }
    }
    expect(pairs).toBeGreaterThan(1000);
  });

  test('where labels tell a block’s wires apart, all its lives are of one reel a size', () => {
    const design = done(PIP, updateRecords(PIP, [{ id: SETTINGS_ID, set: { blocksByLabel: true } }]));
    const coloured = done(design, colourAll(design, false));
    const reels = (of: Design) => cutLots(harnessOfDesign(of), []).length;
    expect(reels(coloured)).toBeLessThan(reels(done(PIP, colourAll(PIP, false))));
    for (const number of ['02a', '03a', '04a']) expect(lineOf(coloured, number).look).toEqual({ colour: 'RD' });
    // At a switch they are still told apart.
    expect(lineOf(coloured, '06a').look).not.toEqual(lineOf(coloured, '06b').look);
  });

  test('one that is given stands, and a reel at hand is taken before another', () => {
    const wire = lineOf(PIP, '06a').wire;
    const given = done(PIP, updateRecords(PIP, [{ id: wire.id, set: { colour: 'PK' } }]));
    const reel: Reel = { id: 'reel_a', type: 'reel', name: 'Left over', conductor: 'awg:16', colour: 'RD', stripe: 'VT', lengthMm: 20_000 };
    const stocked = done(given, { added: [reel], updated: [], removed: [] });
    const coloured = done(stocked, colourAll(stocked, false));
    expect(lineOf(coloured, '06a').look).toEqual({ colour: 'PK' });
    const fromReel = recordsOf(coloured, 'wire').filter(
      ({ conductor, colour, stripe }) => conductor === 'awg:16' && colour === 'RD' && stripe === 'VT',
    );
    expect(fromReel.length).toBeGreaterThan(0);
    // All anew takes the given one too, and colouring twice changes nothing.
    expect(lineOf(done(coloured, colourAll(coloured, true)), '06a').look!.colour).toBe('RD');
    expect(colourAll(coloured, false).updated).toEqual([]);
    expect(colourAll(coloured, true)).toEqual(colourAll(coloured, true));
  });
});

// By hand, from where each end lands. Common practice; ISO 7588 for the relay's blades.
test('ends are what their terminals take', () => {
  const build = rig();
  build.supply();
  build.slot('f', 1, 10);
  build.add({ ...PARTS.find(({ id }) => id === 'relay')!.make(12), id: 'relay' } as Parameters<typeof build.add>[0]);
  build.load(24, 'resistive', 0, { id: 'lamp' });
  const [thick, thin] = [build.wire('f.out', 'relay.30', 1000, 'mm2:10'), build.wire('relay.87', 'lamp.plus', 500, 'mm2:1.5')];
  build.wire('lamp.minus', 'bar.bar', 500, 'mm2:3', 'return');
  const words = (id: string) => {
    const { from, to } = harnessOfDesign(build.design()).wires.find(({ wire }) => wire.id === id)!;
    return [endWords(from.ending), endWords(to.ending)];
  };
  expect(words(thick)).toEqual(['ring M4?, lug', 'receptacle 9.5, lug']);
  expect(words(thin)).toEqual(['receptacle 6.3, red', 'joint, red']);
  const home = harnessOfDesign(build.design()).wires.find(({ wire }) => wire.conductor === 'mm2:3')!;
  expect([home.to.ending.fits, endWords(home.to.ending)]).toEqual(['none', 'ring M4?, no size fits']);
});

describe('what is cut and bought', () => {
  test('every wire is cut once, to the centimetre above its length, and a tenth is bought to spare', () => {
    expect([cutLength(1000), cutLength(1000.4), cutLength(1991)]).toEqual([1000, 1010, 2000]);
    const design = done(HERON, colourAll(HERON, false));
    const harness = harnessOfDesign(design);
    const lots = cutLots(harness, []);
    const all = lots.flatMap(({ cuts }) => cuts.flatMap(({ pieces }) => pieces.map(({ id }) => id)));
    expect(new Set(all).size).toBe(all.length);
    const cut = all.filter((id) => !pieceOf(id).isLink);
    expect(cut.sort()).toEqual(recordsOf(design, 'wire').map(({ id }) => id).sort()); // prettier-ignore
    for (const { neededMm, buyMm, cuts } of lots) {
      expect(buyMm.reduce((sum, mm) => sum + mm, 0)).toBeGreaterThanOrEqual(neededMm * 1.1);
      for (const { leftMm } of cuts) expect(leftMm).toBeGreaterThanOrEqual(0);
    }
  });

  test('reels at hand are used up first; what they do not hold is bought', () => {
    const design = done(PIP, colourAll(PIP, false));
    const { look, wire } = lineOf(design, 'M3');
    const reel: Reel = { id: 'reel_a', type: 'reel', name: 'Left over', conductor: wire.conductor, ...look!, lengthMm: 2000 };
    const lot = cutLots(harnessOfDesign(design), [reel]).find(
      ({ conductor, look: of }) => conductor === wire.conductor && of!.colour === 'RD',
    )!;
    const [fromReel, bought] = lot.cuts;
    expect([fromReel!.reel.reel?.name, fromReel!.leftMm < 100]).toEqual(['Left over', true]);
    expect([bought!.reel.reel, lot.buyMm]).toEqual([null, [5000]]);
  });

  test('cable from piece to piece of a row is cut and bought like any', () => {
    // Four pucks 600 mm apart, out and home: six pieces of 0.6 m beside their two wires. By hand.
    const { links } = harnessOfDesign(PIP);
    const pucks = links.filter(({ load }) => load.name === 'Cabin puck');
    expect(pucks.map(({ pole, number, lengthMm, count }) => [pole, number, lengthMm, count])).toEqual([
      ['plus', '01b', 600, 3],
      ['minus', '01c', 600, 3],
    ]);
    const thin = cutLots(harnessOfDesign(PIP), []).filter(({ conductor }) => conductor === 'awg:16');
    const pieces = thin.flatMap(({ cuts }) => cuts.flatMap((cut) => cut.pieces.filter(({ id }) => pieceOf(id).isLink)));
    // With the reading lights' one 900 mm apart, out and home.
    expect(pieces.map(({ lengthMm }) => lengthMm).sort()).toEqual([600, 600, 600, 600, 600, 600, 900, 900]);
    // As many as Circuits counts three-way joints: one fewer than the pieces, on each pole.
    const analysis = analyse(HERON);
    const rows = analysis.circuits.reduce((sum, circuit) => sum + jointsOf(analysis, circuit).rowJoints, 0);
    expect(harnessOf(analysis.index, analysis.wiring).links.reduce((sum, { count }) => sum + count, 0)).toBe(rows);
  });

  // Counted by hand: three switches with two wires each, six fuses' outlets on the block, six loads with two ends each; four pucks, two
  // reading lights and two sockets in rows.
  test('Pip’s parts are counted', () => {
    const design = PIP;
    const harness = harnessOfDesign(design);
    const index = indexDesign(design);
    const lines = partsList(index, harness, cutLots(harness, []), boughtIn(design));
    const count = (match: RegExp) =>
      lines.filter((line) => match.test(partWords(line, 'us').what)).reduce((sum, line) => sum + line.count, 0);
    expect(count(/^receptacle/)).toBe(6);
    expect(count(/^ring M4\?/)).toBe(6);
    expect(count(/^crimp joint/)).toBe(12 + 2 * (3 + 1 + 1));
    expect(count(/^shrink sleeve/)).toBe(12 + 2 * (3 + 1 + 1));
    expect(count(/^switch, on and off/)).toBe(3);
    expect(count(/^Blade fuse/)).toBe(6);
    expect(count(/^wire label/)).toBe(2 * recordsOf(design, 'wire').length);
    // Two blade fuses of each rating to carry.
    expect(lines.flatMap((line) => (line.group === 'fuses' && line.what === 'blade' ? [line.spare] : []))).toEqual([2, 2, 2, 2]);
  });
});

describe('findings', () => {
  const numbered = done(PIP, fixNumbers(PIP));
  const MARKED = done(numbered, colourAll(numbered, false));
  const rulesOf = (design: Design) => findHarness(analyse(design)).map(({ rule }) => rule);

  test('nothing is asked before somebody begins, and nothing is found once all is marked', () => {
    expect(rulesOf(PIP)).toEqual([]);
    expect(rulesOf(HERON)).toEqual([]);
    expect(rulesOf(MARKED)).toEqual([]);
  });

  test.each<[string, (design: Design) => Design]>([
    [
      'harness.alike',
      (design) =>
        done(
          design,
          updateRecords(design, [{ id: lineOf(design, '02a').wire.id, set: { stripe: undefined, ...lineOf(design, '03a').look! } }]),
        ),
    ],
    ['harness.returnColour', (design) => done(design, updateRecords(design, [{ id: lineOf(design, '01b').wire.id, set: { colour: 'BK', stripe: undefined } }]))], // prettier-ignore
    ['harness.returnColour', (design) => done(design, updateRecords(design, [{ id: lineOf(design, '01c').wire.id, set: { colour: 'RD', stripe: undefined } }]))], // prettier-ignore
    [
      'harness.numberTwice',
      (design) => done(design, updateRecords(design, [{ id: lineOf(design, '01b').wire.id, set: { number: '06a' } }])),
    ],
    ['harness.unfinished', (design) => done(design, updateRecords(design, [{ id: lineOf(design, '01b').wire.id, set: { colour: undefined, stripe: undefined } }]))], // prettier-ignore
  ])('%s is found and its remedy mends it', (rule, spoil) => {
    const spoilt = spoil(MARKED);
    const analysis = analyse(spoilt);
    const found = findHarness(analysis).filter((finding) => finding.rule === rule);
    expect(found).toHaveLength(1);
    const [remedy] = remediesFor(analysis, found[0]!);
    expect(rulesOf(done(spoilt, remedy!.change)).filter((one) => one !== 'harness.unfinished')).toEqual([]);
  });

  test('holes at the edge or over each other are found, and put right; so is what reaches too far back', () => {
    const [panel] = recordsOf(HERON, 'panel');
    const [first, second] = recordsOf(HERON, 'panelPart');
    const of = (id: string, fields: object) => done(HERON, updateRecords(HERON, [{ id, set: fields }]));
    for (const [spoilt, rule] of [
      [of(panel!.id, { widthMm: 60 }), 'harness.holeAtEdge'],
      [of(second!.id, { xMm: 30, yMm: 37 }), 'harness.holesMeet'],
      [of(first!.id, { xMm: 10, yMm: 37 }), 'harness.holeAtEdge'],
    ] as const) {
      const analysis = analyse(spoilt);
      const found = findHarness(analysis).filter((finding) => finding.rule === rule);
      expect([rule, found.length > 0]).toEqual([rule, true]);
      const [remedy] = remediesFor(analysis, found[0]!);
      expect(rulesOf(done(spoilt, remedy!.change))).toEqual([]);
    }
    // A gauge of unknown depth wants 75 mm, and 70 are free behind the panel.
    const gauge = of(first!.id, { cutOut: 'gauge52' });
    const device = recordsOf(gauge, 'device').find(({ id }) => id === first!.deviceId)!;
    const unknown = done(gauge, updateRecords(gauge, [{ id: device.id, set: { depthMm: null } }]));
    expect(rulesOf(unknown)).toEqual(['harness.cutTooDeep']);
  });

  test('3 mm² falls between the terminals', () => {
    const wire = lineOf(PIP, '01a').wire;
    const design = done(MARKED, updateRecords(MARKED, [{ id: wire.id, set: { conductor: 'mm2:3' } }]));
    expect(rulesOf(design)).toEqual(['harness.noTerminal']);
  });

  // Common practice: a ring on a stud, a receptacle on a blade, a crimped end in a fuse's holder.
  test.each([
    ['battery', 'plus', 'receptacle', 'harness.endMisfit', 'caution'],
    ['busBar', 'bar', 'butt', 'harness.endMisfit', 'caution'],
    ['busBar', 'bar', 'ring', null, null],
    ['switch', 'in', 'blade', 'harness.endMisfit', 'caution'],
    ['switch', 'in', 'ring', null, null],
    ['protection', 'out', 'bare', 'harness.bareEnd', 'fault'],
    ['busBar', 'bar', 'bare', 'harness.bareEnd', 'caution'],
    ['load', 'minus', 'bare', 'harness.bareEnd', 'caution'],
    ['load', 'minus', 'pin', null, null],
  ] as const)('at a %s’s %s a %s is %s', (kind, terminal, end, rule, severity) => {
    const index = indexDesign(PIP);
    const lands = ({ deviceId, terminal: at }: Wire['from']) => index.devices.get(deviceId)!.kind === kind && at === terminal;
    const wire = index.wires.find(({ from, to }) => lands(from) || lands(to))!;
    const design = done(PIP, updateRecords(PIP, [{ id: wire.id, set: lands(wire.from) ? { fromEnd: end } : { toEnd: end } }]));
    const found = findHarness(analyse(design));
    expect(found.map((one) => [one.rule, one.severity])).toEqual(rule === null ? [] : [[rule, severity]]);
    for (const one of found) {
      const { title, message } = wordFinding(one, design, 'metric');
      expect(title + message).not.toMatch(/undefined|\[object/);
      const [remedy] = remediesFor(analyse(design), one);
      expect(findHarness(analyse(applyChange(design, remedy!.change)))).toEqual([]);
    }
  });
});

test('a cell is taken as it is written, or refused with the design as it was', () => {
  const { id } = lineOf(PIP, '06a').wire;
  const after = (field: Parameters<typeof setWireField>[2], text: string) => {
    const edit = new Edit(PIP);
    const refusal = setWireField(edit, id, field, text, 'us');
    return refusal ? [refusal.why, edit.change.updated.length] : edit.design.records.get(id);
  };
  expect(after('number', ' P1 ')).toMatchObject({ number: 'P1' });
  expect(after('colour', 'red with blue')).toMatchObject({ colour: 'RD', stripe: 'BU' });
  expect(after('conductor', '10 AWG')).toMatchObject({ conductor: 'awg:10' });
  expect(after('conductor', '2.5')).toMatchObject({ conductor: 'mm2:2.5' });
  expect(after('length', '8 ft')).toMatchObject({ lengthMm: 2438, lengthMeasured: true });
  expect(after('fromEnd', 'ferrule')).toMatchObject({ fromEnd: 'ferrule' });
  expect(after('number', 'two words')).toEqual(['numberShape', 0]);
  expect(after('colour', 'mauve')).toEqual(['colour', 0]);
  expect(after('conductor', 'thick')).toEqual(['conductor', 0]);
  expect(after('length', 'far')).toEqual(['length', 0]);
  expect(after('length', '-3')).toEqual(['negative', 0]);
  expect(after('length', '1,234')).toEqual(['length', 0]);
  expect(after('length', '500 ft')).toEqual(['tooLong', 0]);
  expect(after('toEnd', 'hook')).toEqual(['end', 0]);
});

test('every school says what each duty’s wires look like, and no school has one colour for live and for home', () => {
  for (const school of COLOUR_SCHOOLS)
    for (const colour of SCHOOLS[school].live) expect([school, SCHOOLS[school].returns.includes(colour)]).toEqual([school, false]);
});
