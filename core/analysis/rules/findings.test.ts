import fc from 'fast-check';
import { heron } from '../../../demo/heron';
import { mistakesIn, spoil } from '../../../testing/mistakes';
import { IS_WHOLE_RUN, runs, seedOf } from '../../../testing/runs';
import { analyse } from '../analyse';
import type { Analysis } from '../types';
import { applyChange, updateRecords, type Change } from '../../design/change';
import { recordOf, recordsOf, type Design } from '../../design/design';
import { removeCircuit } from '../../switching/schemes';
import { remediesFor } from '../../advice/remedies';
import { soundRemedies } from '../../advice/soundRemedies';
import { withSlowFindings } from './slowFindings';
import { findingKey } from '../finding';
import { nameOf } from '../../design/names';
import { wordFinding } from '../../wording/wording';

const start = heron();
const several = mistakesIn(start);

test('whatever is wrong is said in whole words and figures, in either units, once each', () => {
  const rules = new Set<string>();
  fc.assert(
    fc.property(several, fc.constantFrom('metric' as const, 'us' as const), (list, units) => {
      const design = spoil(start, list);
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
    { numRuns: runs(56), seed: seedOf(17) },
  );
  if (IS_WHOLE_RUN) expect(rules.size).toBeGreaterThan(60);
});

test('every remedy offered leaves the design whole, its own finding gone or no worse, and brings no fault with it', () => {
  const faultsOf = ({ findings }: Analysis) =>
    new Set(findings.filter(({ severity }) => severity === 'fault').map(({ rule, circuitId }) => `${rule} ${circuitId}`));
  const tried = new Map<string, number>();
  // The common rules are met in nearly every design: once looked at so often they say no more.
  const looked = new Map<string, number>();
  const enough = runs(3);
  fc.assert(
    fc.property(several, (list) => {
      const design = spoil(start, list);
      const analysis = analyse(design);
      const faults = faultsOf(analysis);
      // Of each rule one.
      const oneEach = Array.from(new Map(analysis.findings.map((finding) => [finding.rule, finding])).values());
      for (const finding of oneEach) {
        const before = looked.get(finding.rule) ?? 0;
        looked.set(finding.rule, before + 1);
        if (before >= enough) continue;
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
    { numRuns: runs(30), seed: seedOf(9) },
  );
  if (IS_WHOLE_RUN) expect(tried.size).toBeGreaterThan(25);
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

test('a remedy that brings no new caution comes before one that does', () => {
  const analysis = analyse(start);
  const finding = analysis.findings.find(({ rule }) => rule === 'fuse.aboveConductor')!;
  const cautionsAfter = soundRemedies(analysis, finding).map(
    ({ change }) => withSlowFindings(analyse(applyChange(start, change))).findings.filter(({ severity }) => severity === 'caution').length,
  );
  // The snug fuse loses more volts itself than the target leaves it; the thicker wire loses less.
  // Two are white leads of two kits that are of two poles, and a wrong legend.
  expect(cautionsAfter).toEqual([7, 8]);
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
  expect(analyse(applyChange(loadsOff, remedy!.change)).circuits).toHaveLength(20);
});

test('records are called what a person calls them', () => {
  const circuit = analyse(start).circuits[1]!;
  expect(nameOf(start, circuit.id)).toBe('02 Fridge');
  expect(nameOf(start, 'wire_hide')).toBe('Hide feed fuse to Hide fuse block');
  expect(nameOf(start, undefined)).toBe('');
  expect(applyChange(start, removeCircuit(start, circuit.id)).records.has(circuit.id)).toBe(false);
});
