import { applyChange } from '../core/design/change';
import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { Device, TerminalRef } from '../core/design/schema';
import { PARTS } from '../core/devices/parts';
import { wayTo } from '../core/switching/gallery/wayTo';
import { wayCalled, type WayChoice, type WayId } from '../core/switching/gallery/ways';
import { putIntoRun } from '../core/switching/partsByHand';
import { addWire } from '../core/switching/wires';

/**
 * How Heron's lamps come on. Two mistakes that no rule sees, only the bench and the wishes: the reversing lamps' relay listens to the brake
 * lamps' wire, and on the right side the fob's two buttons are exchanged.
 */
export function switchHeron(start: Design): Design {
  let design = drivingByBeam(withSignals(start));
  for (const side of ['Left', 'Right']) design = sceneByRadio(design, side);
  const right = (terminal: string) => end(idOf(design, 'Right scene radio'), terminal);
  design = exchanged(design, right('ch1'), right('ch2'));
  design = switched(design, 'Reversing lamp', 'follow', { signal: 'brake', otherId: null }, REVERSING);
  design = switched(design, 'Bench puck', 'twoPlacesDimmed', { signal: 'ignition', otherId: null }, BENCH);
  const door = idOf(design, 'Bench switch by the door');
  // Travellers crossed: with both switches down the bench is dark.
  design = exchanged(design, end(door, 'up'), end(door, 'down'));
  // Behind the door's contact it would be dark with the doors shut.
  design = ownHome(design, 'Step light');
  design = switched(design, 'Door light', 'door', { signal: 'door', otherId: null }, { 'Door light door switch': 'Rear door contact' });
  return hubOfEight(design);
}

const HUB_LOADS = ['Hide ceiling light', 'Hide red light', 'Wader drying fan', 'Bunk floor light', 'Mast camera'];
const REVERSING = { 'Reversing lamp switch': 'Reversing lamps switch', 'Reversing lamp relay': 'Reversing lamps relay' };
const BENCH = { 'Bench puck switch, last place': 'Bench switch by the door', 'Bench puck dimmer': 'Bench dimmer' };

const idOf = (design: Design, name: string) => recordsOf(design, 'device').find((device) => device.name === name)!.id;
const end = (deviceId: string, terminal: string): TerminalRef => ({ deviceId, terminal });
const isAt = (one: TerminalRef, other: TerminalRef) => one.deviceId === other.deviceId && one.terminal === other.terminal;

/** The vehicle's own wires, met behind the cab's bulkhead. */
function withSignals(design: Design): Design {
  const edit = new Edit(design);
  edit.add<Extract<Device, { kind: 'signalSource' }>>({
    ...{ id: 'signals', type: 'device', name: 'Vehicle signals', zoneId: 'zone_cab' },
    ...{ kind: 'signalSource', signals: ['highBeam', 'brake', 'reverse'], maxA: 0.5 },
  });
  addWire(edit, 'return', end('signals', 'minus'), end('bar_front', 'bar'), 1500, 'mm2:1.5');
  return edit.design;
}

function switched(start: Design, loadName: string, way: WayId, choice: WayChoice, names: Readonly<Record<string, string>>): Design {
  const taken = wayTo(start, idOf(start, loadName), wayCalled(way), choice)!;
  const design = applyChange(start, taken.change);
  const edit = new Edit(design);
  for (const [from, name] of Object.entries(names)) edit.set(idOf(design, from), { name });
  return edit.design;
}

/** White and amber of one side: by the panel, or by two buttons of the fob, never both. */
function sceneByRadio(start: Design, side: string): Design {
  const white = `${side} scene lamp, white`;
  const choice: WayChoice = { signal: 'ignition', otherId: idOf(start, `${side} scene lamp, amber`) };
  return switched(start, white, 'coloursRadio', choice, {
    [`${white} panel or radio`]: `Scene ${side.toLowerCase()}, panel or fob`,
    [`${white} radio`]: `${side} scene radio`,
    [`${white} relay`]: `${side} white relay`,
    [`${white} relay, other`]: `${side} amber relay`,
  });
}

/** Wires at two terminals change places. */
function exchanged(design: Design, one: TerminalRef, other: TerminalRef): Design {
  const edit = new Edit(design);
  for (const { id, from, to } of recordsOf(design, 'wire')) {
    if (isAt(from, one)) edit.set(id, { from: other });
    else if (isAt(from, other)) edit.set(id, { from: one });
    else if (isAt(to, one)) edit.set(id, { to: other });
    else if (isAt(to, other)) edit.set(id, { to: one });
  }
  return edit.design;
}

/** High only with the vehicle's high beam: a rule hub stands between the switch and the lamps and listens to the beam. */
function drivingByBeam(start: Design): Design {
  const feed = recordsOf(start, 'wire').find(({ to }) => isAt(to, end(idOf(start, 'Driving lamp, high'), 'plus')))!;
  const put = putIntoRun(
    start,
    feed.id,
    PARTS.find(({ id }) => id === 'hub')!,
    200,
  )!;
  const edit = new Edit(applyChange(start, put.change));
  edit.set(put.deviceId, { name: 'Beam hub' });
  addWire(edit, 'supply', end('signals', 'highBeam'), end(put.deviceId, 'in1'), 900, 'mm2:1.5');
  return edit.design;
}

/** Small comforts of the hide on a relay hub worked by the fob: each load on an output of its own, three outputs spare. */
function hubOfEight(start: Design): Design {
  const idAt = (at: number) => idOf(start, HUB_LOADS[at]!);
  const feed = recordsOf(start, 'wire').find(({ to }) => isAt(to, end(idAt(0), 'plus')))!;
  const put = putIntoRun(start, feed.id, partOf('receiver'), 300)!;
  const edit = new Edit(applyChange(start, put.change));
  edit.set(put.deviceId, { name: 'Hide relay hub', channels: 8, channelMaxA: 8, standbyA: 0.008 });
  HUB_LOADS.forEach((name, at) => {
    const plus = end(idOf(start, name), 'plus');
    for (const wire of recordsOf(edit.design, 'wire'))
      if (at > 0 && isAt(wire.to, plus)) edit.set(wire, { from: end(put.deviceId, `ch${at + 1}`) });
  });
  return HUB_LOADS.slice(1).reduce(ownHome, edit.design);
}

/** A load that went home by the one ahead of it goes straight to the hide's bar. */
function ownHome(design: Design, name: string): Design {
  const edit = new Edit(design);
  const home = recordsOf(design, 'wire').find(({ from }) => isAt(from, end(idOf(design, name), 'minus')))!;
  edit.set(home, { to: end('bar_hide', 'bar') });
  return edit.design;
}

const partOf = (id: string) => PARTS.find((part) => part.id === id)!;
