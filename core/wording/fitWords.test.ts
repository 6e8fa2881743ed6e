import { heron } from '../../demo/heron';
import { devicesOfKind, recordsOf } from '../design/design';
import { nameOf } from '../design/names';
import type { Offer } from '../diagnosis/fit';
import { loadDraw } from '../devices/load';
import { indexDesign } from '../rig/designIndex';
import { formatNumber, formatWatts } from '../units/quantity';
import { offerWords } from './fitWords';

const design = heron();
const index = indexDesign(design);
const offered = (quantity: Offer['quantity'], factor: number, of = index) =>
  offerWords(design, of, { quantity, factor, spread: 0.02 } as Offer);

test('an offer says by how much the plan is out, which way, and how sure that is', () => {
  const load = devicesOfKind(design, 'load').find((one) => loadDraw(one).watts !== null)!;
  const { watts } = loadDraw(load);
  expect(offered({ kind: 'draw', loadId: load.id }, 1.25)).toEqual({
    what: `${load.name} draws 25.0 % more, give or take 2.0 %`,
    was: formatWatts(watts),
    is: formatWatts(watts! * 1.25),
  });
  expect(offered({ kind: 'draw', loadId: load.id }, 0.75).what).toBe(`${load.name} draws 25.0 % less, give or take 2.0 %`);
});

test('wires are so many times as long, joints and ends so many milliohms', () => {
  const circuit = recordsOf(design, 'circuit')[0]!;
  expect(offered({ kind: 'run', circuitId: circuit.id, wireIds: [] }, 1.4)).toEqual({
    what: `The wires of ${nameOf(design, circuit.id)} lose 40.0 % more, give or take 2.0 %`,
    was: 'as planned',
    is: '1.40 times as long',
  });
  const ground = devicesOfKind(design, 'groundPoint')[0]!;
  const joint = offered({ kind: 'joint', deviceId: ground.id }, 3);
  expect(joint.was).toBe(`${formatNumber(ground.jointMilliohm, 1)} mΩ`);
  expect(joint.is).toBe(`${formatNumber(ground.jointMilliohm! * 3, 1)} mΩ`);
  const relay = devicesOfKind(design, 'relay')[0]!;
  expect(offered({ kind: 'joint', deviceId: relay.id }, 2).is).toBe(`${formatNumber(relay.contactMilliohm! * 2, 1)} mΩ`);
  const crimped = { ...index, settings: { ...index.settings, endMilliohm: 0.4 } };
  expect(offered({ kind: 'ends' }, 2.5, crimped)).toMatchObject({ was: '0.40 mΩ', is: '1.00 mΩ' });
});
