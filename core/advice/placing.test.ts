import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { applyChange } from '../design/change';
import { putDevices } from '../rig/edits';
import { tryPlaces } from './placing';

const now = analyse(heron());
const fridge = Array.from(now.index.devices.values()).find(({ name }) => name === 'Compressor fridge')!;

test('a device tried everywhere: what is told of a place is what comes true there', () => {
  const seen: number[] = [];
  const trials = tryPlaces(now, fridge.id, (share) => seen.push(share) > 0);
  expect(trials).toHaveLength(now.index.places.length);
  expect(seen.at(-1)).toBe(1);
  for (const trial of [trials[0]!, trials.at(-1)!]) {
    const there = analyse(applyChange(now.design, putDevices(now.design, [fridge.id], trial.placeId)));
    expect(trial.dropPercent).toBeCloseTo(there.loads.get(fridge.id)!.dropPercent, 9);
    expect(trial.cableMm).toBeCloseTo(
      there.index.wires.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
      6,
    );
  }
});

test('the least copper comes first; nearer the fuse block the fridge’s drop is no longer a finding', () => {
  const trials = tryPlaces(now, fridge.id);
  expect(trials.map(({ copperG }) => copperG)).toEqual(trials.map(({ copperG }) => copperG).sort((a, b) => a - b));
  const byBlock = trials.find(({ placeId }) => placeId === 'pl_fblock')!;
  expect(byBlock.better).toBeGreaterThan(0);
  expect(byBlock.worse).toBe(0);
});

test('a fuse block tried elsewhere counts the wires of all it holds', () => {
  const trials = tryPlaces(now, 'block_hide');
  const here = trials.find(({ placeId }) => placeId === 'pl_hblock')!;
  const far = trials.find(({ placeId }) => placeId === 'pl_console')!;
  expect(far.copperG).toBeGreaterThan(here.copperG * 1.1);
  expect(trials[0]!.copperG).toBeLessThanOrEqual(here.copperG);
});

test('a search stops when told to', () => {
  expect(tryPlaces(now, fridge.id, () => false)).toHaveLength(1);
});
