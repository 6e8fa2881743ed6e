import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import type { Analysis } from '../analysis/types';
import { applyChange, updateRecords, type Change } from '../design/change';
import { recordOf, recordsOf, type Design } from '../design/design';
import { DesignError } from '../design/problems';
import { removeCircuit } from '../switching/schemes';
import { remediesFor } from './remedies';
import { soundRemedies } from './soundRemedies';
import { findingKey } from './types';
import { nameOf } from '../design/names';
import { wordFinding } from './wording';

const start = heron();
const ids = (test: (record: { type: string; kind?: string }) => boolean) =>
  Array.from(start.records.values())
    .filter(test)
    .map(({ id }) => id);
const wires = ids(({ type }) => type === 'wire');
const fuses = ids(({ kind }) => kind === 'protection');
const loads = ids(({ kind }) => kind === 'load');

/** Ways a person goes wrong, one record at a time: what is drawn wrong, bought wrong, laid wrong, put in the wrong place or left out. */
const mistakes: fc.Arbitrary<Mistake> = fc.oneof(
  fc
    .tuple(fc.constantFrom(...wires), fc.constantFrom('mm2:0.5', 'mm2:1', 'awg:18', 'mm2:50'))
    .map(([id, conductor]) => ({ id, set: { conductor } })),
  fc
    .tuple(fc.constantFrom(...wires), fc.integer({ min: 0, max: 60_000 }), fc.boolean())
    .map(([id, lengthMm, lengthMeasured]) => ({ id, set: { lengthMm, lengthMeasured } })),
  fc.tuple(fc.constantFrom(...wires), fc.constantFrom(...wires)).map(([id, other]) => ({ id, set: { to: end(other) } })),
  fc.constantFrom(...wires).map((id) => ({ id, set: null })),
  fc.tuple(fc.constantFrom(...fuses), fc.constantFrom(0.5, 3, 40, 300)).map(([id, ratingA]) => ({ id, set: { ratingA } })),
  fc
    .tuple(fc.constantFrom(...fuses), fc.constantFrom('blade', 'glass', 'breaker', 'terminalMount'))
    .map(([id, family]) => ({ id, set: { family } })),
  fc.constantFrom(...fuses).map((id) => ({ id, set: { mount: null } })),
  fc.tuple(fc.constantFrom(...loads), fc.integer({ min: 1, max: 30 })).map(([id, quantity]) => ({ id, set: { quantity } })),
  fc
    .constantFrom(...loads)
    .map((id) => ({ id, set: { rated: { kind: 'strip', wattsPerM: 14.4, lengthMm: 4000, pieces: 3, join: 'endToEnd', atV: 12 } } })),
  fc
    .tuple(
      fc.constantFrom(...loads),
      fc.constantFrom(
        { cutOutV: 12.4 },
        { maxFuseA: 1 },
        { measured: { draw: { kind: 'amps', amps: 9, atV: 12 }, forSize: 1, on: '2026-01-01' } },
      ),
    )
    .map(([id, set]) => ({ id, set })),
  fc
    .tuple(fc.constantFrom(...ids(({ kind }) => kind === 'switch')), fc.constantFrom({ ratingA: 1 }, { ratedFor: 'ac' }))
    .map(([id, set]) => ({ id, set })),
  fc
    .tuple(fc.constantFrom(...ids(({ kind }) => kind === 'fuseBlock')), fc.constantFrom({ slotMaxA: 3 }, { blockMaxA: 5 }, { stud: 'M4' }))
    .map(([id, set]) => ({ id, set })),
  fc
    .tuple(
      fc.constantFrom(...ids(({ type }) => type === 'device')),
      fc.constantFrom({ zoneId: 'zone_engine' }, { placeId: null }, { depthMm: 400 }, { stud: 'M5' }),
    )
    .map(([id, set]) => ({ id, set })),
  fc
    .tuple(fc.constantFrom(...ids(({ type }) => type === 'place')), fc.integer({ min: -3000, max: 9000 }))
    .map(([id, xMm]) => ({ id, set: { xMm } })),
  fc
    .tuple(
      fc.constantFrom(...ids(({ type }) => type === 'route')),
      fc.constantFrom(
        { closed: true },
        { insideMm: 4 },
        { measuredMm: 90 },
        pass('roof'),
        pass('exhaust'),
        pass('steering'),
        pass('hinge'),
      ),
    )
    .map(([id, set]) => ({ id, set })),
  fc
    .tuple(fc.constantFrom(...ids(({ type }) => type === 'zone')), fc.integer({ min: 31, max: 90 }))
    .map(([id, ambientC]) => ({ id, set: { ambientC, engineSpace: true } })),
  fc
    .constantFrom({ chemistry: 'flooded' }, { count: 1 }, { heldDown: false }, { chargeLimitA: 5 }, { zoneId: 'zone_engine' })
    .map((set) => ({ id: 'bat_house', set })),
  fc.constantFrom<Mistake[]>(
    { id: 'sun_roof', set: { controllerId: null } },
    { id: 'sun_roof', set: { regulated: true } },
    { id: 'sun_controller', set: { method: 'simple', maxA: 5, cable: null } },
    { id: 'dcdc', set: { inputConductor: 'mm2:1.5', inputFuseA: 150 } },
    { id: 'dcdc', set: { inputFuseA: null } },
    { id: 'alternator', set: { ratedA: 40 } },
  ),
  fc
    .constantFrom('us-small-craft', 'road-vehicle', 'us-recreational')
    .map((conductorStandard) => ({ id: 'settings', set: { conductorStandard, wantedRuntimeH: 900 } })),
);

interface Mistake {
  id: string;
  /** Null: it is taken away. */
  set: object | null;
}

function end(wireId: string) {
  return recordOf(start, wireId, 'wire')!.to;
}

function pass(what: string) {
  return { passes: [{ what, part: 'none', holeMm: 3, sealed: false, clearMm: 20 }] };
}

/** The design with a mistake in it, or without where it would not be a whole design any more. */
function spoil(design: Design, { id, set }: Mistake): Design {
  const record = design.records.get(id);
  if (!record) return design;
  try {
    return applyChange(design, set === null ? { added: [], updated: [], removed: [record] } : updateRecords(design, [{ id, set }]));
  } catch (error) {
    if (error instanceof DesignError) return design;
    throw error;
  }
}

const several = fc.array(mistakes, { minLength: 1, maxLength: 8 });
const spoiledBy = (list: readonly Mistake[]) => list.reduce<Design>(spoil, start);

test('whatever is wrong is said in whole words and figures, in either units, once each', () => {
  const rules = new Set<string>();
  fc.assert(
    fc.property(several, fc.constantFrom('metric' as const, 'us' as const), (list, units) => {
      const design = spoiledBy(list);
      const { findings } = analyse(design);
      for (const finding of findings) {
        rules.add(finding.rule);
        const { title, message, why } = wordFinding(finding, design, units);
        for (const text of [title, message, why]) {
          expect(text.length).toBeGreaterThan(4);
          expect(text).not.toMatch(/undefined|NaN|null|\[object|Infinity/);
        }
        for (const id of finding.subjects) expect(design.records.has(id)).toBe(true);
      }
      const keys = findings.map(findingKey);
      expect(new Set(keys).size).toBe(keys.length);
      const order = findings.map(({ severity }) => ['fault', 'caution', 'note'].indexOf(severity));
      expect(order).toEqual([...order].sort((a, b) => a - b));
    }),
    { numRuns: 250, seed: 17 },
  );
  expect(rules.size).toBeGreaterThan(60);
});

test('every remedy offered leaves the design whole, its own finding gone or no worse, and brings no fault with it', () => {
  const faultsOf = ({ findings }: Analysis) =>
    new Set(findings.filter(({ severity }) => severity === 'fault').map(({ rule, circuitId }) => `${rule} ${circuitId}`));
  const tried = new Map<string, number>();
  fc.assert(
    fc.property(several, (list) => {
      const design = spoiledBy(list);
      const analysis = analyse(design);
      const faults = faultsOf(analysis);
      // Of each rule one.
      const oneEach = Array.from(new Map(analysis.findings.map((finding) => [finding.rule, finding])).values());
      for (const finding of oneEach) {
        // Which of two lengths is right only a person knows, and a longer one may bring what it brings.
        if (finding.rule === 'rig.measuredDiffers' || finding.rule === 'rig.wireDiffers') continue;
        for (const { label, change } of soundRemedies(analysis, finding)) {
          expect(label.length).toBeGreaterThan(4);
          tried.set(finding.rule, (tried.get(finding.rule) ?? 0) + 1);
          const after = analyse(applyChange(design, change), analysis);
          const count = ({ findings }: Analysis) =>
            findings.filter(({ rule, circuitId }) => rule === finding.rule && circuitId === finding.circuitId).length;
          expect(count(after)).toBeLessThanOrEqual(count(analysis));
          expect({ rule: finding.rule, label, brings: [...faultsOf(after)].filter((fault) => !faults.has(fault)) }).toEqual({
            rule: finding.rule,
            label,
            brings: [],
          });
        }
      }
    }),
    { numRuns: 150, seed: 9 },
  );
  expect(tried.size).toBeGreaterThan(25);
});

test('a larger fuse that could no longer end a short at the far lamp is not offered; the circuit sized anew by every rule is', () => {
  const lamp = recordsOf(start, 'device').find(({ name }) => name === 'Reading light')!;
  const tooMany = analyse(applyChange(start, updateRecords(start, [{ id: lamp.id, set: { quantity: 17 } }])));
  const finding = tooMany.findings.find(({ rule }) => rule === 'fuse.belowLoad')!;
  const faultsAfter = ({ change }: { change: Change }) =>
    analyse(applyChange(tooMany.design, change)).findings.filter(
      ({ severity, circuitId }) => severity === 'fault' && circuitId === finding.circuitId,
    );
  expect(remediesFor(tooMany, finding).map(faultsAfter)).toEqual([
    expect.arrayContaining([expect.objectContaining({ rule: 'fuse.neverClears' })]),
  ]);
  const [anew] = soundRemedies(tooMany, finding);
  expect(anew!.label).toMatch(/^Size it anew: [\d.]+ mm² and [\d.]+ A$/);
  expect(faultsAfter(anew!)).toEqual([]);
});

test('an empty circuit is a note, and taking it out mends it', () => {
  const circuit = analyse(start).circuits[0]!;
  const loadsOff = circuit.loadIds.reduce<Design>((design) => {
    const wire = recordOf(design, circuit.supplyWireIds.at(-1)!, 'wire');
    return wire ? applyChange(design, { added: [], updated: [], removed: [wire] }) : design;
  }, start);
  const analysis = analyse(loadsOff);
  const empty = analysis.findings.find(({ rule }) => rule === 'circuit.empty')!;
  expect(empty.severity).toBe('note');
  const [remedy] = soundRemedies(analysis, empty);
  expect(analyse(applyChange(loadsOff, remedy!.change)).circuits).toHaveLength(19);
});

test('records are called what a person calls them', () => {
  const circuit = analyse(start).circuits[1]!;
  expect(nameOf(start, circuit.id)).toBe('02 Fridge');
  expect(nameOf(start, 'wire_hide')).toBe('Hide feed fuse to Hide fuse block');
  expect(nameOf(start, undefined)).toBe('');
  expect(applyChange(start, removeCircuit(start, circuit.id)).records.has(circuit.id)).toBe(false);
});
