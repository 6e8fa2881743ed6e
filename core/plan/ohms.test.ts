import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { updateRecords, applyChange } from '../design/change';
import { recordsOf } from '../design/design';
import { harnessOf } from '../harness/schedule';
import { newLoad } from '../switching/newLoad';
import { ohmsWords } from '../wording/planWords';
import type { Load } from '../design/schema';
import { ohmsExpected } from './ohms';
import { tasksOf } from './tasks';
import { doneForNow } from '../design/forNow';

const load = (behaviour: Load['behaviour'], watts: number): Load => ({
  ...newLoad('L', null),
  rated: { kind: 'watts', watts, atV: 12 },
  behaviour,
});

// Ohm's law: 12 V and 48 W are 3 Ω hot. Common practice: a cold filament has a tenth of it, a motor's winding a sixth of what it runs at,
// electronics nothing to count on.
test('a load reads cold what it is: heaters as they run, filaments a tenth, motors their winding, electronics anything', () => {
  const none = new Set<string>();
  expect(ohmsExpected([load('resistive', 48)], none)).toEqual({ atRest: null, allOn: 3, hasElectronics: false });
  expect(ohmsExpected([load('filament', 48)], none).allOn).toBeCloseTo(0.3, 9);
  expect(ohmsExpected([load('motor', 48)], none).allOn).toBeCloseTo(0.5, 9);
  expect(ohmsExpected([load('converter', 48), load('ledConstantPower', 10)], none)).toEqual({
    atRest: null,
    allOn: null,
    hasElectronics: true,
  });
  // Side by side: 3 and 6 ohm are 2.
  const [heater, small] = [load('resistive', 48), { ...load('resistive', 24), id: 'load_small' }];
  expect(ohmsExpected([heater, small], new Set(['load_small']))).toMatchObject({ allOn: expect.closeTo(2, 9), atRest: 6 });
  expect(ohmsWords({ atRest: null, allOn: 0.5, hasElectronics: false })).toContain('as it is left open');
  expect(ohmsWords({ atRest: null, allOn: 0.5, hasElectronics: false })).toContain('not under 0.5 Ω');
});

test('in Heron’s plan the pump’s way is open with its switch off, and what runs by itself is not', () => {
  const design = heron();
  const { index, wiring } = analyse(design);
  const tasks = tasksOf(design, index, harnessOf(index, wiring), { isCold: false });
  const ohms = (name: string) =>
    tasks.find(({ id }) => id === `ohms ${index.circuits.find((circuit) => circuit.name === name)!.id}`)!.ohms!;
  // 60 W at 12 V: 2.4 Ω running, 0.4 Ω its winding.
  expect(ohms('Water pump')).toEqual({ atRest: null, allOn: expect.closeTo(0.4, 9), hasElectronics: false });
  // 110 W of heat: 1.31 Ω, switched by nothing.
  expect(ohms('Diesel heater').atRest).toBeCloseTo(144 / 110, 9);
  expect(ohms('Fridge')).toEqual({ atRest: null, allOn: null, hasElectronics: true });
});

test('what was done for now is told with its day; a test fuse left in is among it', () => {
  const design = heron();
  const [first, second, fuse] = ['Roof fan', 'Water pump', 'Fridge fuse'].map(
    (name) => recordsOf(design, 'device').find((device) => device.name === name)!.id,
  );
  const now = applyChange(
    design,
    updateRecords(design, [
      { id: first!, set: { work: { state: 'temporary', why: 'twisted joint' } } },
      { id: second!, set: { work: { state: 'temporary', due: '2026-05-01' } } },
      { id: fuse!, set: { fittedA: 1 } },
    ]),
  );
  expect(doneForNow(design)).toEqual([]);
  const found = doneForNow(now);
  expect(found).toHaveLength(3);
  expect(found).toContainEqual({ id: first, why: 'twisted joint', due: null, fittedA: null, made: null });
  expect(found).toContainEqual({ id: second, why: null, due: '2026-05-01', fittedA: null, made: null });
  expect(found).toContainEqual({ id: fuse, why: null, due: null, fittedA: 1, made: null });
});
