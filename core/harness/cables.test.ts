import { findHarness } from '../analysis/rules/harnessRules';
import { analyse } from '../analysis/analyse';
import { remediesFor } from '../advice/remedies';
import { applyChange, updateRecords, type Change } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { checkReferences } from '../design/references';
import { pip } from '../../demo/pip';
import { rig } from '../../testing/rig';
import { deviceCalled, edited, partsOf, rulesOf } from '../../testing/harnessed';
import { heron } from '../../demo/heron';
import { kitless } from '../../testing/kitless';
import { lookCode } from '../catalog/wireColours';
import { readDesignFile, writeDesignFile } from '../formats/designFile';
import { indexDesign } from '../rig/designIndex';
import { partWords } from '../wording/harnessWords';
import { addCable, layIn, layPairs, pairsOf } from './editCables';
import { addKit, setKitDevices } from './editLeads';
import { colourAll, fixNumbers, setWireField } from './editWires';
import { boughtIn, partKey, partsList } from './partsList';
import { cutLots, harnessOfDesign } from './schedule';
import { partNeeds, setStockField, totalOf } from './stock';

const PIP = pip();
const HERON = kitless(heron());

const done = (design: Design, change: Change) => applyChange(design, change);
const paired = (design: Design) => done(design, layPairs(design, pairsOf(indexDesign(design), harnessOfDesign(design)), 'twin'));

describe('cables', () => {
  test('a load’s wires out and home between the same two places lie in one cable, in the cable’s colours', () => {
    const design = paired(HERON);
    const { cables, wires } = harnessOfDesign(design);
    expect(cables.length).toBeGreaterThan(5);
    for (const { cores, lengthMm } of cables) {
      const [out, home] = cores;
      expect([out!.line!.role.duty === 'return', home!.line!.role.duty]).toEqual([false, 'return']);
      expect(out!.line!.wire.conductor).toBe(home!.line!.wire.conductor);
      expect([out!.line!.look, home!.line!.look]).toEqual([{ colour: 'RD' }, { colour: 'BK' }]);
      expect(lengthMm).toBe(Math.max(out!.line!.lengthMm, home!.line!.lengthMm));
    }
    // Each wire is one core and no more.
    const cores = wires.flatMap(({ wire }) => (wire.core ? [`${wire.core.cableId}/${wire.core.at}`] : []));
    expect(new Set(cores).size).toBe(cables.length * 2);
    expect(pairsOf(indexDesign(design), harnessOfDesign(design))).toEqual([]);
    expect(rulesOf(design).filter((rule) => rule.startsWith('harness.core'))).toEqual([]);
  });

  test('laying pairs brings no caution: a sheath has its cable’s name, and tells reds at one block apart', () => {
    for (const plain of [HERON, PIP]) {
      const laid = paired(plain);
      const marked = done(laid, fixNumbers(laid));
      const coloured = done(marked, colourAll(marked, false));
      expect(rulesOf(coloured)).toEqual([]);
    }
  });

  test('what is a core is cut with its cable: the metres of single wire and of cable are those of all wires', () => {
    const before = harnessOfDesign(HERON);
    const after = harnessOfDesign(paired(HERON));
    const metres = (harness: typeof before) => cutLots(harness, []).reduce((sum, { neededMm }) => sum + neededMm, 0);
    const cores = after.cables.flatMap((run) => run.cores).reduce((sum, { line }) => sum + line!.lengthMm, 0);
    // From piece to piece of a row too, out and home.
    const links = after.cables.reduce((sum, { linkMm }) => sum + 2 * linkMm, 0);
    expect(links).toBeGreaterThan(1000);
    const inCables = cores + links;
    expect(inCables).toBeGreaterThan(10_000);
    expect(metres(after)).toBe(metres(before) - inCables);
    const design = paired(HERON);
    const lines = partsList(indexDesign(design), after, cutLots(after, []), boughtIn(design));
    const cable = lines.flatMap((line) => (line.group === 'wire' && line.what === 'cable' ? [line] : []));
    expect(cable.reduce((sum, { count }) => sum + count, 0)).toBe(
      after.cables.reduce((sum, { lengthMm, linkMm }) => sum + lengthMm + linkMm, 0),
    );
  });

  test('a core is coloured by its cable alone, goes by its cable’s name, and is by itself once the cable is gone', () => {
    const design = paired(PIP);
    const line = harnessOfDesign(design).cables[0]!.cores[0]!.line!;
    expect(setWireField(new Edit(design), line.wire.id, 'colour', 'green', 'us')).toEqual({ why: 'core' });
    // Said again, it is as it was: a cell that is only walked through is no refusal.
    expect(setWireField(new Edit(design), line.wire.id, 'colour', lookCode(line.look!), 'us')).toBeNull();
    const recoloured = done(design, colourAll(design, true));
    expect(recordsOf(recoloured, 'wire').filter((wire) => wire.core && wire.colour)).toEqual([]);
    const without = edited(design, (edit) => recordsOf(design, 'cable').forEach(({ id }) => edit.remove(id)));
    expect(recordsOf(without, 'wire').some(({ core }) => core)).toBe(false);
    expect(readDesignFile(writeDesignFile(design)).records).toEqual(design.records);
  });

  test('no two wires are one core, and no cable loses cores that are in use', () => {
    const design = paired(PIP);
    const [one, other] = recordsOf(design, 'wire').filter(({ core }) => core);
    expect(() => done(design, updateRecords(design, [{ id: other!.id, set: { core: one!.core } }]))).toThrow(/^coreTaken/);
    const { cableId } = one!.core!;
    const cable = recordsOf(design, 'cable').find(({ id }) => id === cableId)!;
    expect(() => done(design, updateRecords(design, [{ id: one!.id, set: { core: { cableId, at: 3 } } }]))).toThrow(/^noSuchCore/);
    // Laying another wire there takes the first one out.
    const free = recordsOf(design, 'wire').find(({ core }) => !core)!;
    const swapped = edited(design, (edit) => layIn(edit, free.id, cable, 1));
    expect(recordsOf(swapped, 'wire').filter(({ core }) => core?.cableId === cableId && core.at === 1)).toHaveLength(1);
    expect(checkReferences(swapped)).toEqual([]);
  });

  test.each<[string, (design: Design) => Design]>([
    [
      'harness.coreThin',
      (design) => {
        const cable = recordsOf(design, 'cable')[0]!;
        return done(design, updateRecords(design, [{ id: cable.id, set: { cores: cable.cores.map((core) => ({ ...core, conductor: 'awg:20' as const })) } }])); // prettier-ignore
      },
    ],
    [
      'harness.coreOther',
      (design) => {
        const cable = recordsOf(design, 'cable')[0]!;
        return done(design, updateRecords(design, [{ id: cable.id, set: { cores: cable.cores.map((core) => ({ ...core, conductor: 'awg:8' as const })) } }])); // prettier-ignore
      },
    ],
    [
      // White home, as in heavy trucks: the black core is no return there, and is listed.
      'harness.returnColour',
      (design) => {
        const cable = recordsOf(design, 'cable')[0]!;
        const [first, second] = cable.cores;
        return done(design, updateRecords(design, [{ id: cable.id, set: { cores: [second!, first!] } }]));
      },
    ],
  ])('%s is found, and its remedies mend it', (rule, spoil) => {
    const spoilt = spoil(paired(PIP));
    const marked = done(spoilt, colourAll(spoilt, false));
    const analysis = analyse(marked);
    const found = findHarness(analysis).filter((finding) => finding.rule === rule);
    expect(found.length).toBeGreaterThan(0);
    const remedies = remediesFor(analysis, found[0]!);
    expect(remedies.length).toBeGreaterThan(0);
    for (const { change } of remedies) {
      const after = findHarness(analyse(done(marked, change))).filter((finding) => finding.rule === rule);
      expect(after.length).toBeLessThan(found.length);
    }
  });

  test('a wire laid in a thinner core keeps its planned size, so that it is found; in a thicker one it has the core’s', () => {
    const wire = recordsOf(PIP, 'wire').find(({ conductor }) => conductor === 'awg:12')!;
    const laid = (conductor: 'awg:16' | 'awg:10') => edited(PIP, (edit) => layIn(edit, wire.id, addCable(edit, 'twin', conductor), 1));
    const [thin, thick] = [laid('awg:16'), laid('awg:10')];
    expect(recordsOf(thin, 'wire').find(({ id }) => id === wire.id)!.conductor).toBe('awg:12');
    expect(rulesOf(thin)).toContain('harness.coreThin');
    expect(recordsOf(thick, 'wire').find(({ id }) => id === wire.id)!.conductor).toBe('awg:10');
    expect(rulesOf(thick).filter((rule) => rule.startsWith('harness.core'))).toEqual([]);
  });

  // ISO 10133 derates four to six loaded conductors together to 0.7, from memory. No vehicle is laid out here: the sheath is there all the
  // same.
  test('cores that carry current warm each other, laid through the vehicle or not', () => {
    const build = rig();
    build.supply();
    const outs = [1, 2, 3, 4].map((slot) => {
      build.slot(`fuse${slot}`, slot, 20);
      build.load(180, 'resistive', 0, { id: `heater${slot}` });
      build.wire(`heater${slot}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
      return build.wire(`fuse${slot}.out`, `heater${slot}.plus`);
    });
    const bare = build.design();
    const laid = edited(bare, (edit) => {
      const cable = addCable(edit, 'four', 'mm2:2.5');
      outs.forEach((id, at) => layIn(edit, id, cable, at + 1));
    });
    const ampacityOf = (design: Design) => analyse(design).wires.get(outs[0]!)!.ampacity;
    expect([ampacityOf(bare).loaded, ampacityOf(laid).loaded]).toEqual([1, 4]);
    expect(ampacityOf(laid).amps / ampacityOf(bare).amps).toBeCloseTo(0.7, 6);
  });

  test('a core that leads elsewhere than its cable is found', () => {
    const lines = harnessOfDesign(HERON).wires;
    const index = indexDesign(HERON);
    const placed = lines.filter(({ from, to }) => index.devices.get(from.deviceId)?.placeId && index.devices.get(to.deviceId)?.placeId);
    const ends = ({ from, to }: (typeof lines)[number]) => [from, to].map(({ deviceId }) => index.devices.get(deviceId)!.placeId!).sort().join(); // prettier-ignore
    const [one] = placed;
    const other = placed.find((line) => ends(line) !== ends(one!))!;
    const design = edited(HERON, (edit) => {
      const cable = addCable(edit, 'three', one!.wire.conductor);
      layIn(edit, one!.wire.id, cable, 1);
      layIn(edit, other.wire.id, cable, 2);
    });
    expect(rulesOf(design)).toContain('harness.coreAstray');
  });
});

describe('kits and what is at hand', () => {
  const countOf = (design: Design, match: RegExp) =>
    partsOf(design).filter((line) => match.test(partWords(line, 'metric').what)).reduce((sum, line) => sum + line.count, 0); // prettier-ignore

  test('what comes in a kit is bought once; what it lacks is on the list; its wires are neither cut nor coloured', () => {
    const receiver = deviceCalled(HERON, 'Bench dimmer');
    const beside = harnessOfDesign(HERON).wires.find(({ from, to }) => [from, to].some(({ deviceId }) => deviceId === receiver.id))!;
    const far = beside.from.deviceId === receiver.id ? beside.to.deviceId : beside.from.deviceId;
    const design = edited(HERON, (edit) => {
      const kit = addKit(edit, 'Radio set');
      setKitDevices(edit, kit, [receiver.id, far]);
      edit.set(kit.id, { lacks: ['mounting plate'], leftOver: ['its rocker'] });
    });
    expect(countOf(HERON, /dimmer/) - countOf(design, /dimmer/)).toBe(1);
    expect(countOf(design, /^Radio set$/)).toBe(1);
    expect(countOf(design, /mounting plate/)).toBe(1);
    const line = harnessOfDesign(design).wires.find(({ wire }) => wire.id === beside.wire.id)!;
    expect(line.wire.kitId).toBeDefined();
    expect(cutLots(harnessOfDesign(design), []).flatMap(({ cuts }) => cuts.flatMap(({ pieces }) => pieces.map(({ id }) => id)))).not.toContain(line.wire.id); // prettier-ignore
    expect(recordsOf(done(design, colourAll(design, false)), 'wire').find(({ id }) => id === line.wire.id)!.colour).toBeUndefined();
    const kit = recordsOf(design, 'kit')[0]!;
    const without = edited(design, (edit) => edit.remove(kit.id));
    expect([...recordsOf(without, 'device'), ...recordsOf(without, 'wire')].some(({ kitId }) => kitId)).toBe(false);
  });

  test('every line has a key of its own, whatever the units', () => {
    for (const design of [PIP, HERON, paired(HERON)]) {
      const keys = partsOf(design).map(partKey);
      expect(new Set(keys).size).toBe(keys.length);
    }
  });

  test('what is still to get: needed and spare, less what is at hand and ordered, in whole packs, at its price', () => {
    const fuse = partsOf(PIP).find((line) => line.group === 'fuses')!;
    const wanted = fuse.count + ('spare' in fuse ? fuse.spare : 0);
    const set = (...cells: [Parameters<typeof setStockField>[2], string][]) =>
      edited(PIP, (edit) => cells.forEach(([field, text]) => expect(setStockField(edit, fuse, field, text, 'us')).toBeNull()));
    const needOf = (design: Design) => partNeeds(partsOf(design), recordsOf(design, 'stock')).find(({ id }) => id === partKey(fuse))!;
    expect(needOf(PIP)).toMatchObject({ getCount: wanted, cost: null });
    expect(needOf(set(['have', '1'], ['price', '0.8']))).toMatchObject({ getCount: wanted - 1, cost: 0.8 * (wanted - 1) });
    expect(needOf(set(['pack', '25'], ['price', '0.2']))).toMatchObject({ getCount: 25, cost: 5 });
    expect(needOf(set(['have', '1'], ['ordered', '100']))).toMatchObject({ getCount: 0, cost: 0 });
    expect(needOf(set(['price', '0,80 EUR']))).toMatchObject({ stock: { price: 0.8 } });
    // Emptied again, nothing of it is kept.
    const emptied = edited(set(['have', '1']), (edit) => setStockField(edit, fuse, 'have', '', 'us'));
    expect(recordsOf(emptied, 'stock')).toEqual([]);
    for (const [field, text, why] of [
      ['have', '-1', 'number'],
      ['have', 'two', 'number'],
      ['have', '1.5', 'whole'],
      ['pack', '0', 'whole'],
      ['price', '1e9', 'number'],
      ['price', '9999999999', 'large'],
      ['have', '99999999', 'large'],
    ] as const)
      expect(setStockField(new Edit(PIP), fuse, field, text, 'us')).toEqual({ why });
    const { cost, open } = totalOf(partNeeds(partsOf(PIP), recordsOf(set(['price', '2']), 'stock')));
    expect(cost).toBeCloseTo(2 * wanted, 9);
    expect(open).toBe(partsOf(PIP).length - 1);
  });

  // 0.3048 m to the foot, exactly.
  test('wire is priced by the metre or by the foot, and bought by the reel', () => {
    const wire = partsOf(PIP).find((line) => line.group === 'wire' && line.what === 'wire')!;
    const design = edited(PIP, (edit) => {
      expect(setStockField(edit, wire, 'price', '0.30', 'us')).toBeNull();
      expect(setStockField(edit, wire, 'have', '3 m', 'us')).toEqual({ why: 'byReel' });
    });
    const need = partNeeds(partsOf(design), recordsOf(design, 'stock')).find(({ id }) => id === partKey(wire))!;
    if (need.line.group !== 'wire' || need.line.what !== 'wire') throw new Error('a wire stays a wire');
    expect(need.getCount).toBe(need.line.buyMm);
    expect(need.cost).toBeCloseTo((need.line.buyMm / 304.8) * 0.3, 6);
  });
});

// What the demo is to show: two kits whose colours disagree, a lead nobody metered, a wrong legend; and each is put right by its remedy.
test('Heron’s two kits disagree about white, one lead is not known, and one legend is wrong', () => {
  const design = heron();
  const analysis = analyse(design);
  const found = findHarness(analysis).filter(({ rule }) => rule !== 'harness.unfinished');
  expect(found.map(({ rule }) => rule).sort()).toEqual([
    'harness.leadOpen',
    'harness.leadUnproved',
    'harness.leadsDiffer',
    'harness.legend',
  ]);
  for (const finding of found.filter(({ rule }) => rule !== 'harness.leadUnproved')) {
    const [remedy] = remediesFor(analysis, finding);
    expect(rulesOf(done(design, remedy!.change))).not.toContain(finding.rule);
  }
  const [lead] = recordsOf(design, 'lead').filter(({ proved, says }) => proved === undefined && says.length === 0);
  const proved = done(design, updateRecords(design, [{ id: lead!.id, set: { proved: null } }]));
  // What a meter found dead is neither unproved nor open.
  expect(rulesOf(proved).filter((rule) => rule.startsWith('harness.lead'))).toEqual(['harness.leadsDiffer']);
});
