import fc from 'fast-check';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { ANY_RATING_A } from '../catalog/fuses';
import { CONDUCTOR_STANDARDS, type ConductorStandard } from '../catalog/vocabulary';
import { answerWire, type WireQuestion } from './wireQuestion';

const ask = (question: Partial<WireQuestion>) =>
  answerWire({
    ...{ amps: 10, loopM: 6, volts: 12, dropPercent: 3, standard: 'us-small-craft', insulationC: 105, family: null },
    ...{ cableForm: 'sheathed', basis: 'formula' },
    ...question,
  });
const FOOT = 0.3048;

// ABYC E-11's tables at 12 V, amperes and feet out and back, from memory: where they ask for less than ampacity or a fuse does, the answer
// is thicker and says why.
test.each<[percent: number, amps: number, feet: number, table: string]>([
  [3, 5, 15, '16'],
  [3, 5, 20, '14'],
  [3, 5, 40, '10'],
  [3, 10, 15, '12'],
  [3, 10, 40, '8'],
  [3, 10, 50, '6'],
  [3, 15, 25, '8'],
  [3, 20, 25, '6'],
  [3, 20, 50, '4'],
  [3, 30, 20, '6'],
  [3, 30, 50, '2'],
  [3, 50, 30, '2'],
  [3, 50, 50, '1'],
  [10, 10, 30, '14'],
  [10, 10, 80, '10'],
  [10, 20, 50, '10'],
  [10, 40, 10, '14'],
  [10, 40, 20, '10'],
  [10, 40, 60, '6'],
])('%d %%, %d A over %d ft: the table’s %s AWG, or thicker for another reason', (dropPercent, amps, feet, table) => {
  const answer = ask({ dropPercent, amps, loopM: feet * FOOT, cableForm: 'sheathed' })!;
  const size = `awg:${table}` as ConductorSize;
  if (answer.governedBy === 'drop') expect(answer.conductor).toBe(size);
  else expect(areaMm2(answer.conductor)).toBeGreaterThanOrEqual(areaMm2(size));
  if (answer.conductor !== size) expect(['ampacity', 'fuse', 'minimum']).toContain(answer.governedBy);
});

// By hand, from the schools' tables and resistances, all from memory.
test.each<[string, Partial<WireQuestion>, Partial<NonNullable<ReturnType<typeof ask>>>]>([
  [
    'ISO: 10 A over 6 m at 3 % wants 2.73 mm² by 0.0164 I L / E',
    { standard: 'iso-small-craft' },
    { conductor: 'mm2:4', governedBy: 'drop' },
  ],
  [
    'ISO, real cable: 10 A over 8 m through 4 mm² is 0.396 V, too much',
    { standard: 'iso-small-craft', loopM: 8, basis: 'conservative' },
    { conductor: 'mm2:6' },
  ],
  ['ISO, formula alone: the same through 4 mm² is 0.328 V', { standard: 'iso-small-craft', loopM: 8 }, { conductor: 'mm2:4' }],
  [
    'road vehicle: 10 A over 6 m through 2.5 mm² is 0.456 V, through 4 0.283',
    { standard: 'road-vehicle', insulationC: 70 },
    { conductor: 'mm2:4' },
  ],
  [
    'NEC 551: 14 AWG is good for 15 A, but 15 A for hours wants a 20 A fuse, and that 12 AWG',
    { standard: 'us-recreational', amps: 15, loopM: 3, dropPercent: 10 },
    { conductor: 'awg:12', fuseA: 20, governedBy: 'fuse', ampacityA: 20 },
  ],
  [
    'NEC 551: 12 A for hours is just right for a 15 A fuse on 14 AWG',
    { standard: 'us-recreational', amps: 12, loopM: 3, dropPercent: 10 },
    { conductor: 'awg:14', fuseA: 15 },
  ],
  [
    'a short run of half an ampere is as thin as strength allows: 18 AWG in a sheath',
    { amps: 0.5, loopM: 1 },
    { conductor: 'awg:18', governedBy: 'minimum' },
  ],
  ['alone 16 AWG', { amps: 0.5, loopM: 1, cableForm: 'single' }, { conductor: 'awg:16', governedBy: 'minimum' }],
  ['on 24 V twice the volts may be lost', { volts: 24, loopM: 50 * FOOT }, { conductor: 'awg:10' }],
])('%s', (_, question, wanted) => {
  expect(ask(question)).toMatchObject(wanted);
});

test('nothing tabulated carries a thousand amperes, and 60 °C cable of a school without that column carries nothing', () => {
  expect(ask({ amps: 1000 })).toBeNull();
  expect(ask({ standard: 'road-vehicle', insulationC: 60 })).toBeNull();
});

const questions = fc.record({
  amps: fc.integer({ min: 1, max: 80 }),
  loopM: fc.integer({ min: 1, max: 30 }),
  dropPercent: fc.constantFrom(3, 5, 10),
  standard: fc.constantFrom<ConductorStandard>(...CONDUCTOR_STANDARDS),
  basis: fc.constantFrom('conservative' as const, 'formula' as const),
});
const mm2 = (question: Partial<WireQuestion>) => {
  const answer = ask({ ...question, insulationC: question.standard === 'road-vehicle' ? 70 : 105 });
  return answer ? areaMm2(answer.conductor) : Infinity;
};

test('longer, stronger, stricter or by real cable too: the conductor is never thinner', () => {
  fc.assert(
    fc.property(questions, (question) => {
      const size = mm2(question);
      expect(mm2({ ...question, loopM: question.loopM * 1.5 })).toBeGreaterThanOrEqual(size);
      expect(mm2({ ...question, amps: question.amps * 1.3 })).toBeGreaterThanOrEqual(size);
      expect(mm2({ ...question, dropPercent: question.dropPercent / 2 })).toBeGreaterThanOrEqual(size);
      expect(mm2({ ...question, basis: 'conservative' })).toBeGreaterThanOrEqual(mm2({ ...question, basis: 'formula' }));
    }),
    { numRuns: 300, seed: 9 },
  );
});

test('whatever is answered keeps what was asked: drop within its limit, a fuse that exists between 125 % of the current and the ampacity', () => {
  fc.assert(
    fc.property(questions, (question) => {
      const answer = ask({ ...question, insulationC: question.standard === 'road-vehicle' ? 70 : 105 });
      if (!answer) return;
      expect(answer.dropPercent).toBeLessThanOrEqual(question.dropPercent + 1e-9);
      expect(ANY_RATING_A).toContain(answer.fuseA);
      expect(answer.fuseA).toBeGreaterThanOrEqual(question.amps * 1.25 - 1e-9);
      expect(answer.fuseA).toBeLessThanOrEqual(answer.ampacityA + 1e-9);
      const larger = Math.max(answer.formulaDropV ?? 0, answer.cableDropV);
      if (question.basis === 'conservative') expect(answer.dropV).toBeCloseTo(larger, 9);
    }),
    { numRuns: 300, seed: 10 },
  );
});
