import { heron } from '../../demo/heron';
import { heronAtWork } from '../../demo/heronAtWork';
import { pip } from '../../demo/pip';
import { pipInUse } from '../../demo/pipInUse';
import { analyse } from '../../core/analysis/analyse';
import { seenAs } from '../../core/design/asBuilt';
import { applyChange } from '../../core/design/change';
import { makeDesign, recordsOf, type Design } from '../../core/design/design';
import { Edit } from '../../core/design/edit';
import { layPairs, pairsOf } from '../../core/harness/editCables';
import { harnessOfDesign } from '../../core/harness/schedule';
import { indexDesign } from '../../core/rig/designIndex';
import { colourAll, fixNumbers } from '../../core/harness/editWires';
import { newDesignRecords, USUAL_ZONES } from '../../core/switching/newDesign';
import { namedLoad } from '../../core/switching/newLoad';
import { giveLoadsCircuits } from '../../core/switching/ownCircuit';
import { nextSteps } from './nextSteps';

const fresh = makeDesign(
  newDesignRecords({
    ...{ name: 'New', vehicle: 'panelVan', zones: USUAL_ZONES.panelVan, units: 'metric', standard: 'iso-small-craft' },
    ...{ battery: { chemistry: 'agm', capacityAh: 100, count: 1 }, defaultReturn: 'dedicated' },
  }),
);
const next = (design: Design) => nextSteps(analyse(design));

test('an empty design leads from its loads to their hours, their circuits, what charges, and the vehicle', () => {
  expect(next(fresh)).toMatchObject({ next: 'loads', of: { loads: 'list what draws current', rig: 'lay out the vehicle' } });
  const edit = new Edit(fresh);
  const load = edit.add(namedLoad('Reading light', null));
  const listed = edit.design;
  expect(next(listed)).toMatchObject({ next: 'loads', of: { loads: 'say when they run', circuits: 'give the loads circuits' } });
  const { scenarioId } = analyse(listed).index.settings;
  const hours = new Edit(listed);
  hours.add({ id: 'duty_1', type: 'duty', scenarioId: scenarioId!, loadId: load.id, hoursPerDay: 3, sharePercent: 100 });
  expect(next(hours.design).next).toBe('circuits');
  expect(next(hours.design).of).not.toHaveProperty('energy');
  hours.add(namedLoad('Fan', null));
  expect(next(hours.design).of.energy).toBe('1 load has no hours');
  const [fan] = recordsOf(hours.design, 'device').slice(-1);
  hours.remove(fan!.id);
  const fed = applyChange(hours.design, giveLoadsCircuits(hours.design, [load]).change);
  expect(next(fed)).toMatchObject({ next: 'supply', of: { supply: 'add what charges' } });
});

test('a whole design asks for nothing more', () => {
  // Switching is tried by hand: it never says that all is in order.
  const [switching, test] = ['flick it and see', 'read and compare'];
  expect(next(heron())).toEqual({ of: { switching, harness: 'mark the wires', test }, next: null });
  const design = heron();
  const numbered = applyChange(design, fixNumbers(design));
  expect(next(numbered).of.harness).toBe(`${recordsOf(design, 'wire').length} wires to mark`);
  expect(next(applyChange(numbered, colourAll(numbered, false)))).toEqual({ of: { switching, test }, next: null });
  expect(next(pip()).of).not.toHaveProperty('loads');
  // A core has its cable's colour: it is not to be marked again.
  const index = indexDesign(design);
  const laid = applyChange(design, layPairs(design, pairsOf(index, harnessOfDesign(design)), 'twin'));
  const done = applyChange(laid, fixNumbers(laid));
  expect(next(applyChange(done, colourAll(done, false))).of).not.toHaveProperty('harness');
});

test('as it is now nobody is told to design anything, and where nothing is there it says so on every stage', () => {
  const empty = nextSteps(analyse(seenAs(fresh, 'now')), 'now');
  expect([new Set(Object.values(empty.of)), empty.next]).toEqual([new Set(['nothing there yet']), null]);
  // Wires in the vehicle are marked there, planned or not.
  expect(nextSteps(analyse(heron()), 'now')).toEqual({
    of: { switching: 'flick it and see', harness: 'mark the wires', test: 'read and compare' },
    next: null,
  });
});

test('circuits that were read are counted; with all of them read nothing is asked of Build and test any more', () => {
  expect(next(heronAtWork()).of).toMatchObject({ test: '11 circuits to read' });
  expect(next(heronAtWork()).of).not.toHaveProperty('harness');
  expect(next(pipInUse()).of).toEqual({ switching: 'flick it and see' });
});
