import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { devicesOfKind, recordsOf } from '../design/design';
import type { Device } from '../design/schema';
import { kindOf } from '../devices';
import { PARTS } from '../devices/parts';
import { addLoosePart } from '../switching/partsByHand';
import { terminalName } from './terminalNames';

const DEMOS = [heron(), pip()];

/** Every device of the demos, and one of each part that is put in by hand. */
function everyDevice(): Device[] {
  return [
    ...DEMOS.flatMap((design) => recordsOf(design, 'device')),
    ...PARTS.flatMap((part) => addLoosePart(DEMOS[0]!, part, null).change.added as Device[]),
  ];
}

test('no terminal is called by a word of the program: what a person reads has no capital inside it', () => {
  const devices = everyDevice();
  expect(new Set(devices.map(({ kind }) => kind)).size).toBeGreaterThan(20);
  const odd = devices.flatMap((device) =>
    kindOf(device)
      .terminals(device)
      .map((terminal) => terminalName(device, terminal))
      .filter((name) => /[a-z][A-Z]/.test(name)),
  );
  expect([...new Set(odd)]).toEqual([]);
});

/** Relay pins by DIN 72552, panel leads by common practice. */
test('a relay’s pins keep their numbers, a solar controller says which pair is the panel’s', () => {
  const [controller] = devicesOfKind(DEMOS[0]!, 'solarController');
  expect(kindOf(controller!).terminals(controller!).map((terminal) => terminalName(controller!, terminal))).toEqual(['panel +', 'panel −', '+', '−']); // prettier-ignore
  const relay = everyDevice().find(({ kind }) => kind === 'relay')!;
  const names = kindOf(relay).terminals(relay).map((terminal) => terminalName(relay, terminal)); // prettier-ignore
  expect(names).toEqual(expect.arrayContaining(['30', '87', '85, coil', '86, coil']));
});
