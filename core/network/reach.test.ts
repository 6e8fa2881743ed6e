import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { nameOf } from '../design/names';
import { indexDesign } from '../rig/designIndex';
import { Reach } from './reach';
import { traceWiring } from './traceWiring';

const design = heron();
const index = indexDesign(design);
const reach = new Reach(index, traceWiring(index));

const influencing = (name: string) => {
  const { index: part, handles } = reach.influenceOn([index.loads.find((load) => load.name === name)!.id]);
  return { parts: Array.from(part.devices.values(), (device) => device.name), handles: handles.map(({ deviceId, key }) => `${nameOf(design, deviceId)} ${key}`) }; // prettier-ignore
};

// By hand, from how Heron is wired: both listen to wires of one vehicle, the driving lamps' hub to the high beam, the reversing lamps'
// relay (by mistake) to the brake.
test('two that listen to wires of one vehicle do not hang on each other', () => {
  const driving = influencing('Driving lamp, high');
  expect(driving.parts).toEqual(expect.arrayContaining(['Beam hub', 'Driving lamps switch', 'Vehicle signals']));
  expect(driving.parts).not.toContain('Reversing lamps relay');
  expect(driving.handles.sort()).toEqual(['Driving lamps switch position', 'Vehicle signals highBeam']);
  expect(influencing('Reversing lamp').handles.sort()).toEqual(['Reversing lamps switch position', 'Vehicle signals brake']);
});

// ISO 7588: coil and contact have nothing in common but the armature. Each has a fuse of its own here.
test('what a contact does hangs on its coil; a pilot lamp beside the coil does not hang on what the contact leads to', () => {
  const build = rig();
  build.supply();
  build.slot('works', 1, 5);
  build.slot('feeds', 2, 10);
  build.add({ id: 'switch', kind: 'switch', ratingA: 16 });
  build.add({ id: 'relay', kind: 'relay', pins: 4, coilOhm: 90, pullInV: 7, dropOutV: 2, suppression: 'none', contactMilliohm: 5, ratingA: 30 }); // prettier-ignore
  build.add({ id: 'hand', kind: 'switch', ratingA: 16 });
  build.load(24, 'resistive', 0, { id: 'lamp' });
  build.load(1, 'resistive', 0, { id: 'pilot' });
  build.wire('works.out', 'switch.in');
  build.wire('switch.out', 'relay.86');
  build.wire('relay.86', 'pilot.plus');
  build.wire('feeds.out', 'hand.in');
  build.wire('hand.out', 'relay.30');
  build.wire('relay.87', 'lamp.plus');
  for (const minus of ['relay.85', 'pilot.minus', 'lamp.minus']) build.wire(minus, 'bar.bar', 1000, 'mm2:2.5', 'return');
  const made = indexDesign(build.design());
  const moved = (id: string) => new Reach(made, traceWiring(made)).influenceOn([id]).handles.map(({ deviceId }) => deviceId).sort(); // prettier-ignore
  expect(moved('lamp')).toEqual(['hand', 'switch']);
  expect(moved('pilot')).toEqual(['switch']);
});
