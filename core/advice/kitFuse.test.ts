import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { applyChange } from '../design/change';
import { remediesFor } from './remedies';
import { fitKitFuse, kitFuseOf, removeKitFuse } from './kitFuse';
import { indexDesign } from '../rig/designIndex';

const start = pip();
const named = (design: ReturnType<typeof pip>, name: string) => {
  const analysis = analyse(design);
  return { analysis, circuit: analysis.circuits.find((circuit) => circuit.name === name)! };
};
const fitted = (name: string, ratingA: number) => {
  const { analysis, circuit } = named(start, name);
  return applyChange(start, fitKitFuse(analysis, circuit, ratingA));
};

test('a kit’s fuse sits between the circuit’s own and the load, and nothing else changes', () => {
  const before = named(start, 'Water pump');
  const after = named(fitted('Water pump', 3), 'Water pump');
  const kit = kitFuseOf(after.analysis, after.circuit)!;
  expect(after.analysis.protections.get(kit.id)).toMatchObject({
    upstreamId: after.circuit.protectionId,
    withinId: after.circuit.id,
    circuitId: null,
  });
  // One more wire has two more ends, with 150 mm of slack each.
  expect(after.circuit.loopMm).toBeCloseTo(before.circuit.loopMm + 2 * 150, 6);
  expect(after.circuit.loadIds).toEqual(before.circuit.loadIds);
});

// Common practice: two fuses of one rating in a row, either may open first; a supplied one of 2:1 or less does.
test('two fuses alike in a row are a caution: nobody knows which opens', () => {
  const { circuit: own } = named(start, 'Water pump');
  const { analysis, circuit } = named(fitted('Water pump', own.ratingA), 'Water pump');
  const found = analysis.findings.filter(({ circuitId }) => circuitId === circuit.id).map(({ rule }) => rule);
  expect(found).toContain('fuse.aheadOpensFirst');
});

test('one too small for its load is a fault, mended by a click', () => {
  const design = fitted('Water pump', 1);
  const { analysis, circuit } = named(design, 'Water pump');
  const found = analysis.findings.find(({ rule }) => rule === 'fuse.feederBelow')!;
  expect(found).toMatchObject({ severity: 'fault', circuitId: circuit.id, numbers: { ratingA: 1, peakA: circuit.peakA } });
  const mended = analyse(applyChange(design, remediesFor(analysis, found)[0]!.change));
  expect(mended.findings.some(({ rule }) => rule === 'fuse.feederBelow')).toBe(false);
});

test('taken out, the circuit is what it was; set again, its rating changes', () => {
  const design = fitted('Water pump', 3);
  const { analysis, circuit } = named(design, 'Water pump');
  const back = applyChange(design, removeKitFuse(analysis, circuit));
  // As it was, record by record, and as long in the vehicle; a length the plan gives is stored as it was last worked out.
  const plain = (of: typeof design) => {
    const index = indexDesign(of);
    const stored = Array.from(of.records.values(), (record) => (record.type === 'wire' ? { ...record, lengthMm: 0 } : record));
    const laid = index.wires.map(({ id, lengthMm }) => [id, Math.round(lengthMm)] as const);
    return [Object.fromEntries(stored.map((record) => [record.id, record])), Object.fromEntries(laid)];
  };
  expect(plain(back)).toEqual(plain(start));
  const again = applyChange(design, fitKitFuse(analysis, circuit, 5));
  expect(kitFuseOf(analyse(again), circuit)).toMatchObject({ ratingA: 5 });
  expect(again.records.size).toBe(design.records.size);
});
