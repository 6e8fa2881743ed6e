import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { marl } from '../../demo/marl';
import { pip } from '../../demo/pip';
import { applyChange, applyUnchecked, updateRecords, type Change } from '../design/change';
import { makeDesign, recordOf, recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { newDesignRecords } from '../switching/newDesign';
import type { DesignRecord, Wire } from '../design/schema';
import { remediesFor } from '../advice/remedies';
import { addCircuit } from '../switching/schemes';
import { usualScheme } from '../switching/usualScheme';
import { addWire } from '../switching/wires';
import { newLoad } from '../switching/newLoad';
import { designOhmPerM } from '../sizing/voltageDrop';
import { makeReport } from '../formats/report';
import { wordFinding } from '../wording/wording';
import { analyse } from './analyse';
import { withSlowFindings } from './rules/slowFindings';
import type { Analysis } from './types';

const bench = (): Design =>
  makeDesign(
    newDesignRecords({
      ...{ name: 'Bench', vehicle: 'trailer', zones: ['Cabin'], units: 'metric', standard: 'iso-small-craft', defaultReturn: 'dedicated' },
      battery: { chemistry: 'lithium', capacityAh: 100, count: 1 },
    }),
  );

/** A design with one circuit feeding these loads in a chain, 2 m to the first and 1 m between, 2.5 mm2. */
function chain(amps: number[], more: Partial<Parameters<typeof addCircuit>[1]> = {}): Design {
  const design = bench();
  const edit = new Edit(design);
  const loads = amps.map((each, at) => edit.add({ ...newLoad(`Lamp ${at + 1}`, null), rated: { kind: 'amps', amps: each, atV: 12 } }));
  const loadIds = loads.map(({ id }) => id);
  addCircuit(edit, { ...usualScheme(design, 'Chain', null), feedMm: 2000, loadIds, ...more });
  return applyChange(design, edit.change);
}

const OHM = designOhmPerM('mm2:2.5', { standard: 'iso-small-craft', basis: 'conservative', conductorC: 20 });
const MAIN_OHM = designOhmPerM('mm2:25', { standard: 'iso-small-craft', basis: 'conservative', conductorC: 20 });
/** Both ends of a wire in a new design, 0.3 milliohm each. */
const ENDS_OHM = 0.0006;

describe('drop along a chain, by hand with Ohm’s law', () => {
  test('each stretch carries what lies beyond it, out and back, on top of the main cable', () => {
    const [circuit] = analyse(chain([1, 2, 3])).circuits;
    const own = OHM * 2 * (6 * 2 + 5 * 1 + 3 * 1) + ENDS_OHM * 2 * (6 + 5 + 3);
    const shared = MAIN_OHM * 6 * (0.15 + 0.15 + 1 + 1) + ENDS_OHM * 6 * 4;
    expect(circuit!.dropV).toBeCloseTo(own + shared, 9);
    expect(circuit!.sharedDropV).toBeCloseTo(shared, 9);
    expect(circuit!.loopMm).toBe(2 * 4000 + 2300);
    expect(circuit!.peakA).toBeCloseTo(6, 9);
  });

  test('a row of like lamps loses what the same lamps wired one by one lose', () => {
    const row = analyse(chain([0.5]));
    const entry = row.circuits[0]!;
    const loadId = entry.loadIds[0]!;
    const rowed = applyChange(row.design, updateRecords(row.design, [{ id: loadId, set: { quantity: 4, spacingMm: 1000 } }]));
    expect(analyse(rowed).circuits[0]!.dropV).toBeCloseTo(analyse(chain([0.5, 0.5, 0.5, 0.5])).circuits[0]!.dropV, 9);
  });

  test('counted from the fuse, the main cable’s share is left out', () => {
    const design = chain([4]);
    const fromFuse = applyChange(design, updateRecords(design, [{ id: 'settings', set: { dropFrom: 'fuseBlock' } }]));
    expect(analyse(fromFuse).circuits[0]!.dropV).toBeCloseTo(OHM * 2 * 2 * 4 + ENDS_OHM * 2 * 4, 9);
  });

  test('a chassis return loses its joints and its short lead instead of a cable back', () => {
    const circuit = analyse(chain([4], { return: 'chassis' })).circuits[0]!;
    const joints = circuit.returnRun
      .filter(({ kind }) => kind === 'joint')
      .reduce((sum, step) => sum + (step.kind === 'joint' ? step.dropV : 0), 0);
    expect(joints).toBeCloseTo(4 * 2 * 0.005, 9);
    expect(circuit.dropV).toBeLessThan(analyse(chain([4])).circuits[0]!.dropV + joints);
  });

  test('ISO’s formula alone is below real cable, and both are shown', () => {
    const circuit = analyse(chain([4])).circuits[0]!;
    expect(circuit.formulaDropV!).toBeLessThan(circuit.cableDropV);
    expect(circuit.dropV).toBeCloseTo(circuit.cableDropV, 9);
  });
});

test('a longer wire, a heavier load or a thinner conductor never lowers any load’s drop', () => {
  const design = pip();
  const before = analyse(design);
  const wires = Array.from(design.records.values()).filter((record): record is Wire => record.type === 'wire');
  const changes: fc.Arbitrary<Change> = fc.oneof(
    fc
      .tuple(fc.constantFrom(...wires), fc.integer({ min: 1, max: 9000 }))
      .map(([wire, more]) => updateRecords(design, [{ id: wire.id, set: { lengthMm: wire.lengthMm + more } }])),
    fc.constantFrom(...wires).map((wire) => updateRecords(design, [{ id: wire.id, set: { conductor: 'awg:18' } }])),
    fc
      .constantFrom(...before.loads.values())
      .map(({ load }) => updateRecords(design, [{ id: load.id, set: { quantity: load.quantity + 1 } }])),
  );
  fc.assert(
    fc.property(changes, (change) => {
      for (const [id, after] of analyse(applyChange(design, change)).loads)
        expect(after.dropV).toBeGreaterThanOrEqual(before.loads.get(id)!.dropV - 1e-12);
    }),
    { seed: 21 },
  );
});

describe('the demos', () => {
  test('Heron’s three mistakes are found and nothing else is', () => {
    const { findings, circuits } = analyse(heron());
    const nameOf = (id: string | null) => circuits.find((circuit) => circuit.id === id)?.name;
    const serious = findings.filter(({ severity }) => severity !== 'note').map(({ rule, circuitId }) => [rule, nameOf(circuitId)]);
    expect(serious).toEqual([
      ['fuse.aboveConductor', 'Driving lamps'],
      ['fuse.continuousLoad', 'Hide computer'],
      ['drop.overTarget', 'Fridge'],
    ]);
    expect(circuits.length).toBeGreaterThanOrEqual(16);
  });

  test('Pip has six circuits and no fault or caution', () => {
    const { findings, circuits } = analyse(pip());
    expect(circuits).toHaveLength(6);
    expect(findings.filter(({ severity }) => severity !== 'note')).toEqual([]);
  });

  test('every remedy mends its finding and brings no new fault', () => {
    const analysis = analyse(heron());
    const mended = analysis.findings.filter((finding) => finding.severity !== 'note' && remediesFor(analysis, finding).length > 0);
    expect(mended).toHaveLength(3);
    for (const finding of mended) {
      for (const { change } of remediesFor(analysis, finding)) {
        const after = analyse(applyChange(analysis.design, change)).findings;
        expect(after.some(({ rule, circuitId }) => rule === finding.rule && circuitId === finding.circuitId)).toBe(false);
        expect(after.filter(({ severity }) => severity === 'fault').length).toBeLessThanOrEqual(1);
      }
    }
  });

  test('the large design is whole, and its analysis is the same twice', () => {
    const design = marl(60);
    const [once, twice] = [analyse(design), analyse(design)];
    expect(once.circuits).toHaveLength(60);
    expect(once.findings.filter(({ severity }) => severity === 'fault')).toEqual([]);
    expect(once.circuits).toEqual(twice.circuits);
  });
});

describe('findings in a small design', () => {
  const rulesOf = (design: Design) => analyse(design).findings.map(({ rule }) => rule);
  const change = (design: Design, id: string, set: object) => applyChange(design, updateRecords(design, [{ id, set }]));
  const device = (design: Design, kind: string) =>
    Array.from(design.records.values()).find((record) => record.type === 'device' && record.kind === kind)!;
  const fuseOf = (design: Design) => analyse(design).circuits[0]!.protectionId;

  test('one lamp on a sound circuit gives nothing but the wish for hours', () => {
    expect(rulesOf(chain([1]))).toEqual(['battery.holdUnknown', 'fuse.backedUp', 'energy.noUse']);
  });

  test.each<[string, (design: Design) => Design]>([
    ['fuse.belowLoad', (design) => change(design, fuseOf(design), { ratingA: 3 })],
    ['fuse.continuousLoad', (design) => change(design, fuseOf(design), { ratingA: 5 })],
    ['fuse.aboveConductor', (design) => change(design, fuseOf(design), { ratingA: 40 })],
    ['slot.overRating', (design) => change(design, fuseOf(design), { ratingA: 40 })],
    ['fuse.notStandard', (design) => change(design, fuseOf(design), { ratingA: 11 })],
    ['fuse.notFed', (design) => change(design, fuseOf(design), { mount: null })],
    ['block.overRating', (design) => change(design, device(design, 'fuseBlock').id, { blockMaxA: 4 })],
    ['main.belowDemand', (design) => change(design, analyse(design).main!.protectionId, { ratingA: 4 })],
    ['main.farFromBattery', (design) => change(design, leadOf(design).id, { lengthMm: 900 })],
    ['drop.overTarget', (design) => change(design, analyse(design).circuits[0]!.supplyWireIds[0]!, { lengthMm: 30_000 })],
    ['wire.belowMinimum', (design) => change(design, analyse(design).circuits[0]!.supplyWireIds[0]!, { conductor: 'mm2:0.75' })],
    ['wire.tooSmallForStandard', (design) => change(design, analyse(design).circuits[0]!.supplyWireIds[0]!, { conductor: 'mm2:0.5' })],
    [
      'return.thinnerThanFuse',
      (design) =>
        change(change(design, fuseOf(design), { ratingA: 30 }), analyse(design).circuits[0]!.returnWireIds[0]!, { conductor: 'mm2:1.5' }),
    ],
    [
      'strip.longRun',
      (design) =>
        change(design, analyse(design).circuits[0]!.loadIds[0]!, {
          rated: { kind: 'strip', wattsPerM: 4.8, lengthMm: 3000, pieces: 2, join: 'endToEnd', atV: 12 },
        }),
    ],
    ['energy.shortRuntime', withDuty],
    ['main.missing', (design) => withoutMain(design)],
    ['wiring.noReturn', (design) => without(design, analyse(design).circuits[0]!.returnWireIds[0]!)],
    ['load.noCircuit', (design) => without(design, analyse(design).circuits[0]!.supplyWireIds[0]!)],
  ])('%s is found, and its remedies mend it', (rule, spoil) => {
    const spoiled = spoil(chain([4.4]));
    const analysis = analyse(spoiled);
    const finding = analysis.findings.find((found) => found.rule === rule);
    expect(finding).toBeDefined();
    for (const remedy of remediesFor(analysis, finding!)) expect(rulesOf(applyChange(spoiled, remedy.change))).not.toContain(rule);
  });

  test('a lamp wired the wrong way round is a short, not a working lamp', () => {
    const design = chain([1]);
    const { supplyWireIds, loadIds } = analyse(design).circuits[0]!;
    const reversed = change(design, supplyWireIds[0]!, { to: { deviceId: loadIds[0]!, terminal: 'minus' } });
    expect(rulesOf(reversed)).toContain('wiring.short');
  });

  test('a second cable between the same points is reported as a ring', () => {
    const design = chain([1]);
    const feed = Array.from(design.records.values()).find(
      (record): record is Wire => record.type === 'wire' && recordOf(design, record.to.deviceId, 'device')?.kind === 'fuseBlock',
    )!;
    const edit = new Edit(design);
    addWire(edit, 'supply', feed.from, feed.to, feed.lengthMm, feed.conductor);
    expect(rulesOf(applyChange(design, edit.change))).toContain('wiring.loop');
  });

  test('heat counts: the same fuse that suits a wire in the cabin is too large for it in an engine bay', () => {
    const design = chain([4]);
    const zone: DesignRecord = { id: 'zone_hot', type: 'zone', name: 'Engine bay', order: 5, ambientC: 60, engineSpace: true };
    const fused = change(design, fuseOf(design), { ratingA: 30 });
    expect(rulesOf(fused)).not.toContain('fuse.aboveConductor');
    const hot = applyChange(fused, { added: [zone], updated: [], removed: [] });
    expect(rulesOf(change(hot, analyse(hot).circuits[0]!.loadIds[0]!, { zoneId: 'zone_hot' }))).toContain('fuse.aboveConductor');
  });

  function leadOf(design: Design): Wire {
    return Array.from(design.records.values()).find(
      (record): record is Wire => record.type === 'wire' && record.from.deviceId === device(design, 'battery').id,
    )!;
  }

  function without(design: Design, id: string): Design {
    return applyChange(design, { added: [], updated: [], removed: [design.records.get(id)!] });
  }

  function withoutMain(design: Design): Design {
    const edit = new Edit(design);
    const { protectionId } = analyse(design).main!;
    const lead = leadOf(design);
    for (const record of design.records.values()) {
      if (record.type === 'wire' && record.from.deviceId === protectionId) edit.set(record.id, { from: lead.from });
    }
    edit.remove(lead.id);
    edit.remove(protectionId);
    return applyChange(design, edit.change);
  }

  function withDuty(design: Design): Design {
    const scenarioId = Array.from(design.records.values()).find((record) => record.type === 'scenario')!.id;
    const loadId = analyse(design).circuits[0]!.loadIds[0]!;
    return applyChange(design, {
      added: [{ id: 'duty_1', type: 'duty', scenarioId, loadId, hoursPerDay: 20, sharePercent: 100 }],
      updated: [],
      removed: [],
    });
  }
});

test('where no scenario is chosen the totals speak of the first; one that is gone counts as none chosen', () => {
  for (const scenarioId of [null, 'scn_gone']) {
    const { scenarios, scenario, totals } = analyse(applyUnchecked(heron(), updateRecords(heron(), [{ id: 'settings', set: { scenarioId } }]))); // prettier-ignore
    expect(scenarios.length).toBeGreaterThan(1);
    expect(scenario).toBe(scenarios[0]);
    expect(totals.dailyWh).toBe(scenarios[0]!.dailyWh);
    expect(scenarios[1]!.dailyWh).not.toBe(scenarios[0]!.dailyWh);
  }
});

test('a load that hangs on nothing loses nothing and uses nothing', () => {
  const edit = new Edit(bench());
  const { id } = edit.add({ ...newLoad('Loose lamp', null), rated: { kind: 'watts', watts: 12, atV: 12 } });
  const { loads } = analyse(edit.design);
  expect(loads.get(id)).toMatchObject({ circuitId: null, returned: false, supplyDropV: 0, returnDropV: 0, dropV: 0, dropPercent: 0, dailyHours: 0, dailyWh: 0, dailyAh: 0 }); // prettier-ignore
});

describe('loads nobody has said hours of', () => {
  const design = pip();
  const all = recordsOf(design, 'duty');
  const without = (loadIds: readonly string[]) =>
    analyse(applyChange(design, { added: [], updated: [], removed: all.filter(({ loadId }) => loadIds.includes(loadId)) }));
  const loadIds = Array.from(new Set(all.map(({ loadId }) => loadId)));
  const unsaid = (analysis: Analysis) => analysis.findings.filter(({ rule }) => rule === 'energy.noUse');

  test('none: a day and a runtime are what they are', () => {
    expect(unsaid(without([]))).toEqual([]);
    expect(without([]).totals).toMatchObject({ withoutHours: 0, runtimeH: expect.any(Number) });
  });

  test('some: they are named, count as never on, and figures are said to be bounds', () => {
    const analysis = without(loadIds.slice(0, 2));
    expect(unsaid(analysis)).toMatchObject([
      { severity: 'note', subjects: loadIds.slice(0, 2), numbers: { unsaid: 2, of: loadIds.length } },
    ]);
    expect(wordFinding(unsaid(analysis)[0]!, analysis.design, 'metric').message).toContain(`2 of ${loadIds.length} loads, `);
    expect(analysis.totals.withoutHours).toBe(2);
    expect(analysis.totals.dailyWh).toBeLessThan(without([]).totals.dailyWh);
    // What may run at once is no less for nobody having said when.
    expect(analysis.totals.worstSimultaneousA).toBeGreaterThanOrEqual(without([]).totals.worstSimultaneousA);
    const facts = makeReport(withSlowFindings(analysis)).facts;
    expect(facts.find(({ name }) => name === 'A day')!.value).toMatch(/^≥ \d/);
    expect(facts.find(({ name }) => name === 'Runtime')!.value).toMatch(/^≤ \d/);
    // The report's table of scenarios says the same as its head.
    const { sections } = makeReport(withSlowFindings(analysis));
    const table = sections.find(({ title }) => title.startsWith('Energy and runtime'))!;
    for (const [, day, , , , runtime] of table.rows)
      expect([day, runtime]).toEqual([expect.stringMatching(/^≥ /), expect.stringMatching(/^≤ /)]);
  });

  test('all: the runtime is not known, though parts draw by themselves', () => {
    const analysis = without(loadIds);
    expect(analysis.totals).toMatchObject({ withoutHours: loadIds.length, runtimeH: null });
    expect(analysis.totals.dailyWh).toBeGreaterThan(0);
    expect(unsaid(analysis)).toMatchObject([{ subjects: ['settings'], numbers: { unsaid: null } }]);
    expect(wordFinding(unsaid(analysis)[0]!, analysis.design, 'metric').message).toContain('are unknown');
  });
});
