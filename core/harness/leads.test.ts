import { findHarness } from '../analysis/rules/harnessRules';
import { analyse } from '../analysis/analyse';
import { remediesFor } from '../advice/remedies';
import { applyChange, updateRecords, type Change } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { seenAs } from '../design/asBuilt';
import type { Device } from '../design/schema';
import { rig } from '../../testing/rig';
import { deviceCalled, edited, partsOf, rulesOf } from '../../testing/harnessed';
import { heron } from '../../demo/heron';
import { kitless } from '../../testing/kitless';
import { SETTINGS_ID } from '../catalog/vocabulary';
import { readDesignFile, writeDesignFile } from '../formats/designFile';
import { PARTS } from '../devices/parts';
import { terminalName } from '../wording/terminalNames';
import { wordFinding } from '../wording/wording';
import { partWords } from '../wording/harnessWords';
import { proofWords } from '../wording/leadWords';
import { addLeads, readLeads, setClaim } from './editLeads';
import { proofOf, standingOf } from './leads';

const HERON = kitless(heron());

const done = (design: Design, change: Change) => applyChange(design, change);

describe('leads', () => {
  const dimmer = recordsOf(HERON, 'device').find((device) => device.kind === 'dimmer')!;
  const named = (device: Device) => (terminal: string) => terminalName(device, terminal);
  const withLeads = (text: string, design = HERON, device: Device = dimmer) => {
    const listed = readLeads(device, text, named(device));
    if ('why' in listed) throw new Error(listed.why);
    return edited(design, (edit) => addLeads(edit, device, listed));
  };

  test('leads are read as people list them, and what is no colour or no terminal is refused by name', () => {
    expect(readLeads(dimmer, 'red in, yellow/black = out; black: -, white unused, blue', named(dimmer))).toEqual([
      { look: { colour: 'RD' }, terminal: 'in' },
      { look: { colour: 'YE', stripe: 'BK' }, terminal: 'out' },
      { look: { colour: 'BK' }, terminal: 'minus' },
      { look: { colour: 'WH' }, terminal: null },
      { look: { colour: 'BU' }, terminal: undefined },
    ]);
    expect(readLeads(dimmer, 'red with white in', named(dimmer))).toEqual([{ look: { colour: 'RD', stripe: 'WH' }, terminal: 'in' }]);
    expect(readLeads(dimmer, 'crimson in', named(dimmer))).toEqual({ why: 'colour', said: 'crimson in' });
    expect(readLeads(dimmer, 'red 87', named(dimmer))).toEqual({ why: 'terminal', said: '87' });
    expect(readLeads(dimmer, ' , ', named(dimmer))).toEqual({ why: 'nothing' });
  });

  test('a meter counts before what is said, and sources that differ leave it open', () => {
    const says = [{ by: 'its sheet', terminal: 'in' }];
    expect(standingOf({ says } as never)).toEqual({ terminal: 'in', standing: 'said' });
    const two = [...says, { by: 'the seller', terminal: 'out' }];
    expect(standingOf({ says: two } as never)).toEqual({ terminal: undefined, standing: 'disputed' });
    expect(standingOf({ says: two, proved: 'minus' } as never)).toEqual({ terminal: 'minus', standing: 'proved' });
    expect(standingOf({ says, proved: null } as never)).toEqual({ terminal: null, standing: 'proved' });
    expect(standingOf({ says: [] } as never)).toEqual({ terminal: undefined, standing: 'unknown' });
  });

  test('what differs, misleads, looks alike or was never metered is found', () => {
    const said = withLeads('red in, yellow out, black minus');
    expect(rulesOf(said)).toEqual(['harness.leadUnproved']);
    const [first] = recordsOf(said, 'lead');
    const disputed = edited(said, (edit) => setClaim(edit, first!, 'the seller', 'minus'));
    expect(rulesOf(disputed)).toContain('harness.leadDisputed');
    const proved = done(disputed, updateRecords(disputed, [{ id: first!.id, set: { proved: 'in' } }]));
    expect(rulesOf(proved)).not.toContain('harness.leadDisputed');
    // Each two that look alike are said once, wherever they stand in the list.
    const alike = (leads: string) => rulesOf(withLeads(leads)).filter((rule) => rule === 'harness.leadsAlike').length;
    expect([alike('red in, yellow out, yellow minus'), alike('yellow in, red out, yellow minus')]).toEqual([1, 1]);
    // A white lead that is live is a return beside a heavy truck's own wiring, and none by pole.
    const truck = done(HERON, updateRecords(HERON, [{ id: SETTINGS_ID, set: { colourSchool: 'truck' } }]));
    const white = withLeads('white in, red out, black minus', truck);
    expect(rulesOf(white)).toContain('harness.leadColour');
    expect(rulesOf(withLeads('white in, red out, black minus'))).not.toContain('harness.leadColour');
    const analysis = analyse(white);
    const [remedy] = remediesFor(
      analysis,
      findHarness(analysis).find(({ rule }) => rule === 'harness.leadColour')!,
    );
    expect(rulesOf(done(white, remedy!.change))).not.toContain('harness.leadColour');
  });

  test('one colour that is live on one part and comes home on another is found, and a sleeve settles it', () => {
    const lamp = deviceCalled(HERON, 'Reversing lamp');
    const one = withLeads('red in, white out, black minus');
    const both = withLeads('red plus, white minus', one, lamp);
    expect(rulesOf(one)).not.toContain('harness.leadsDiffer');
    const analysis = analyse(both);
    const finding = findHarness(analysis).find(({ rule }) => rule === 'harness.leadsDiffer')!;
    expect(finding.subjects.slice(0, 2)).toEqual([dimmer.id, lamp.id]);
    const remedies = remediesFor(analysis, finding);
    expect(remedies).toHaveLength(2);
    for (const { change } of remedies) expect(rulesOf(done(both, change))).not.toContain('harness.leadsDiffer');
  });

  // Common practice: a mini relay's coil reads 60 to 120 ohm; a 12 V, 21 W filament 6.9 ohm hot and about a tenth cold.
  test('how each is proved, with what the meter reads', () => {
    const made = PARTS.find(({ id }) => id === 'changeoverRelay')!.make(12);
    const relay = { ...made, id: 'r', type: 'device', name: 'R', zoneId: null } as Device;
    const coil = proofOf({ ...relay, coilOhm: 90, suppression: 'none' } as Device, '85');
    expect(coil).toEqual({ how: 'ohms', between: ['85', '86'], lowOhm: 72, highOhm: 108 });
    expect(proofOf({ ...relay, suppression: 'diode' } as Device, '86')).toEqual({ how: 'diode', between: ['85', '86'] });
    expect(proofOf(relay, '87a')).toEqual({ how: 'contact', between: ['30', '87a'], position: 'rest' });
    const lamp = recordsOf(HERON, 'device').find((device) => device.kind === 'load')!;
    const bulb = { ...lamp, quantity: 1, measured: null, behaviour: 'filament', rated: { kind: 'watts', watts: 21, atV: 12 } } as Device;
    const filament = proofOf(bulb, 'plus')!;
    if (filament.how !== 'ohms') throw new Error('a filament is told by its ohms');
    expect(filament.highOhm).toBeCloseTo(6.86, 2);
    expect(filament.lowOhm).toBeCloseTo(0.48, 2);
    const led = { ...bulb, behaviour: 'ledConstantPower', rated: { kind: 'watts', watts: 36, atV: 12 } } as Device;
    // 3 A and a quarter over it: the next blade fuse is 4 A.
    expect(proofOf(led, 'plus')).toEqual({ how: 'feed', plus: 'plus', minus: 'minus', fuseA: 4, shows: 'lights', at: 'plus' });
    expect(proofOf(dimmer, 'out')).toEqual({ how: 'feed', plus: 'in', minus: 'minus', fuseA: 1, shows: 'volts', at: 'out' });
    expect(proofWords(dimmer, proofOf(dimmer, 'out')!)).toMatch(/through a 1(\.0)? A fuse.*Never feed an outlet/);
  });

  // Common practice: every lead that is not used and may be live is capped by itself.
  test.each([
    ['red in, yellow out, black minus, white unused', 'note'],
    ['red in, yellow out, black minus, white', 'note'],
    ['red in, yellow out, black minus, white in', null],
  ])('leads %s left open on a dimmer in use', (text, severity) => {
    const open = (design: Design) => findHarness(analyse(design)).filter(({ rule }) => rule === 'harness.leadOpen');
    const design = withLeads(text);
    const found = open(design);
    expect(found.map((one) => one.severity)).toEqual(severity === null ? [] : [severity]);
    for (const finding of found) {
      expect(wordFinding(finding, design, 'metric').message).toMatch(/^.* white lead meets nothing\./);
      const [remedy] = remediesFor(analyse(design), finding);
      const capped = done(design, remedy!.change);
      expect(open(capped)).toEqual([]);
      const lines = (of: Design) => partsOf(of).filter((line) => line.group === 'joints' && line.what === 'cap').map(({ count }) => count); // prettier-ignore
      expect([lines(design), lines(capped)]).toEqual([[], [1]]);
    }
  });

  test('a relay’s lead at rest is live where its common is, and no concern on a part nothing is joined to', () => {
    const build = rig();
    build.supply();
    build.slot('fuse', 1, 15);
    for (const id of ['relay', 'loose'])
      build.add({
        id,
        kind: 'relay',
        pins: 5,
        coilOhm: 90,
        pullInV: 8,
        dropOutV: 2,
        suppression: 'none',
        contactMilliohm: 5,
        ratingA: 30,
      });
    build.load(12, 'resistive', 0, { id: 'lamp' });
    build.wire('fuse.out', 'relay.30');
    build.wire('relay.87', 'lamp.plus');
    build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
    build.circuit('lamp', 1, 'fuse');
    const bare = build.design();
    const relay = (id: string) => recordsOf(bare, 'device').find((device) => device.id === id)!;
    const design = withLeads('red 30, blue 87, white 87a, black 86', withLeads('white 87a', bare, relay('loose')), relay('relay'));
    const found = findHarness(analyse(design)).filter(({ rule }) => rule === 'harness.leadOpen');
    const said = found.map((one) => [one.severity, wordFinding(one, design, 'metric').message.split(',')[1]]);
    // The coil's lead is not fed by anything here, and nobody can say that it never is.
    expect(said).toEqual([
      ['caution', ' white lead meets nothing'],
      ['note', ' black lead meets nothing. Whether it is live while relay works nobody has said.'],
    ]);
  });

  test('leads go with their device, are no part of what is not there, and stand in the file', () => {
    const design = withLeads('red in, yellow out, black minus');
    expect(readDesignFile(writeDesignFile(design)).records).toEqual(design.records);
    const removed = done(design, updateRecords(design, [{ id: dimmer.id, set: { work: { state: 'removed' } } }]));
    expect(recordsOf(seenAs(removed, 'planned'), 'lead')).toEqual([]);
    expect(() => done(design, updateRecords(design, [{ id: recordsOf(design, 'lead')[0]!.id, set: { proved: '87' } }]))).toThrow(/^unknownTerminal .* proved$/); // prettier-ignore
  });

  test('a legend that names a load it does not work is found, and only then', () => {
    const part = recordsOf(HERON, 'panelPart').find(({ deviceId }) => deviceCalled(HERON, 'Scene lights, left switch').id === deviceId)!;
    const legend = (text: string) => done(HERON, updateRecords(HERON, [{ id: part.id, set: { legend: text } }]));
    expect(rulesOf(legend('Left scene lamp, amber'))).not.toContain('harness.legend');
    expect(rulesOf(legend('Right scene lamp, amber'))).toContain('harness.legend');
    expect(rulesOf(legend('Scene left'))).not.toContain('harness.legend');
  });
});

// Common practice: levers come for two, three and five wires.
test.each([
  [undefined, 3, ['crimp joint for 2.5 mm²', 'shrink sleeve with glue, 9 mm']],
  ['solder', 3, ['shrink sleeve with glue, 9 mm']],
  ['lever', 2, ['lever connector for 2']],
  ['lever', 3, ['lever connector for 3']],
  ['lever', 4, ['lever connector for 5']],
  ['tap', 3, ['tap through the insulation']],
  ['twist', 3, []],
] as const)('a joint made by %s where %d wires meet takes %j', (made, ends, expected) => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 15);
  build.add({ id: 'joint', kind: 'splice', ...(made && { made }) });
  build.wire('fuse.out', 'joint.joint');
  for (let at = 1; at < ends; at++) {
    build.add({ id: `plug${at}`, kind: 'plug', pins: 1, contactMilliohm: 2, ratingA: 10 });
    build.wire('joint.joint', `plug${at}.a1`);
  }
  const words = partsOf(build.design()).filter(({ group }) => group === 'joints').map((line) => partWords(line, 'metric').what); // prettier-ignore
  expect(words).toEqual(expected);
});
