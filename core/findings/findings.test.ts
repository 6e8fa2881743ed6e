import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { applyChange, updateRecords } from '../design/change';
import { recordOf, type Design } from '../design/design';
import { removeCircuit } from '../switching/schemes';
import { remediesFor } from './remedies';
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

/** Ways a person goes wrong, each still a whole design. */
const mistakes = fc.oneof(
  fc.tuple(fc.constantFrom(...wires), fc.constantFrom('mm2:0.5', 'mm2:1', 'awg:18')).map(([id, conductor]) => ({ id, set: { conductor } })),
  fc.tuple(fc.constantFrom(...wires), fc.integer({ min: 0, max: 60_000 })).map(([id, lengthMm]) => ({ id, set: { lengthMm } })),
  fc.tuple(fc.constantFrom(...fuses), fc.constantFrom(0.5, 3, 40, 300)).map(([id, ratingA]) => ({ id, set: { ratingA } })),
  fc.tuple(fc.constantFrom(...loads), fc.integer({ min: 1, max: 30 })).map(([id, quantity]) => ({ id, set: { quantity } })),
  fc
    .constantFrom(...loads)
    .map((id) => ({ id, set: { rated: { kind: 'strip', wattsPerM: 14.4, lengthMm: 4000, pieces: 3, join: 'endToEnd', atV: 12 } } })),
  fc
    .constantFrom('us-small-craft', 'road-vehicle')
    .map((conductorStandard) => ({ id: 'settings', set: { conductorStandard, wantedRuntimeH: 900 } })),
);

const spoiled: fc.Arbitrary<Design> = fc
  .array(mistakes, { minLength: 1, maxLength: 8 })
  .map((list) => list.reduce<Design>((design, mistake) => applyChange(design, updateRecords(design, [mistake])), start));

test('whatever is wrong is said in whole words and figures, in either units, once each', () => {
  const rules = new Set<string>();
  fc.assert(
    fc.property(spoiled, fc.constantFrom('metric' as const, 'us' as const), (design, units) => {
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
    { numRuns: 150, seed: 17 },
  );
  expect(rules.size).toBeGreaterThan(12);
});

test('every remedy offered leaves the design whole, and its own finding gone or no worse', () => {
  fc.assert(
    fc.property(spoiled, (design) => {
      const analysis = analyse(design);
      for (const finding of analysis.findings.slice(0, 6)) {
        for (const { label, change } of remediesFor(analysis, finding)) {
          expect(label.length).toBeGreaterThan(4);
          const after = analyse(applyChange(design, change));
          const count = (list: typeof after.findings) =>
            list.filter(({ rule, circuitId }) => rule === finding.rule && circuitId === finding.circuitId).length;
          expect(count(after.findings)).toBeLessThanOrEqual(count(analysis.findings));
        }
      }
    }),
    { numRuns: 60, seed: 9 },
  );
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
  const [remedy] = remediesFor(analysis, empty);
  expect(analyse(applyChange(loadsOff, remedy!.change)).circuits).toHaveLength(19);
});

test('records are called what a person calls them', () => {
  const circuit = analyse(start).circuits[1]!;
  expect(nameOf(start, circuit.id)).toBe('02 Fridge');
  expect(nameOf(start, 'wire_hide')).toBe('Hide feed fuse to Hide fuse block');
  expect(nameOf(start, undefined)).toBe('');
  expect(applyChange(start, removeCircuit(start, circuit.id)).records.has(circuit.id)).toBe(false);
});
