import { BoardBuilder, put, vehicle, wrong } from './boardBuilder';
import type { Hunt } from './hunt';

/** Boards that are ready to be hunted on. Every vehicle, person and fault on them is made up. */

const readingLamp: Hunt = {
  ...{ id: 'dim-lamp', title: 'The lamp that went dim', level: 1 },
  story: 'A trailer with one reading lamp over the bunk: a fuse, a switch, a lamp. It has been out in the salt all winter.',
  design: new BoardBuilder('One lamp and a switch')
    .supply(30, 'mm2:6')
    .fuse('fuse', 'Reading lamp', 5)
    .part('switch', 'Bunk switch', 'switch')
    .lamp('lamp', 'Reading lamp', 10)
    .wires('fuse.out > switch.in, switch.out > lamp.plus, lamp.minus > minusBar.bar', 2500)
    .design(),
  complaints: [
    {
      ...{ says: 'The reading lamp is only a glow. I have put a new bulb in, and the battery is charged.', loadIds: ['lamp'] },
      ...{ flaw: wrong.joint('lamp.minus', 'minusBar.bar', 14), moved: [put('switch', 'on')] },
    },
  ],
};

const deadPump: Hunt = {
  ...{ id: 'dead-pump', title: 'No water', level: 1 },
  story: 'A small van with a water pump behind a panel switch. It ran yesterday.',
  design: new BoardBuilder('Pump behind a switch')
    .supply(30, 'mm2:6')
    .fuse('fuse', 'Water pump', 10)
    .part('switch', 'Pump switch', 'switch')
    .lamp('pump', 'Water pump', 60, 'motor')
    .wires('fuse.out > switch.in, switch.out > pump.plus, pump.minus > minusBar.bar', 3000)
    .design(),
  complaints: [
    {
      ...{ says: 'The pump does nothing at all. The fuse is good, I have looked at it.', loadIds: ['pump'] },
      ...{ flaw: { kind: 'openContact', deviceId: 'switch' }, moved: [put('switch', 'on')] },
    },
  ],
};

const sharedGround: Hunt = {
  ...{ id: 'shared-ground', title: 'Two lamps that quarrel', level: 2 },
  story: 'Step lamp and bath lamp come home by one wire from a joint under the floor.',
  design: new BoardBuilder('Two lamps on one way home')
    .supply(30, 'mm2:6')
    .fuse('stepFuse', 'Step lamp', 5)
    .fuse('bathFuse', 'Bath lamp', 5)
    .part('stepSwitch', 'Step switch', 'switch')
    .part('bathSwitch', 'Bath switch', 'switch')
    .lamp('step', 'Step lamp', 10)
    .lamp('bath', 'Bath lamp', 21)
    .part('joint', 'Joint under the floor', 'splice')
    .wires('stepFuse.out > stepSwitch.in, stepSwitch.out > step.plus, bathFuse.out > bathSwitch.in, bathSwitch.out > bath.plus', 2500)
    .wires('step.minus > joint.joint, bath.minus > joint.joint', 800)
    .wires('joint.joint > minusBar.bar', 3500)
    .design(),
  complaints: [
    {
      says: 'When I switch the bath lamp on, the step lamp all but goes out, and the bath lamp is yellow.',
      ...{ flaw: wrong.joint('joint.joint', 'minusBar.bar', 4), loadIds: ['step', 'bath'] },
      moved: [put('stepSwitch', 'on'), put('bathSwitch', 'on')],
    },
  ],
};

/** A light bar behind a relay, its switch on the plus side of the coil. */
const relayBoard = (name: string, switchFuseA = 5) =>
  new BoardBuilder(name)
    .supply(60, 'mm2:10')
    .fuse('coilFuse', 'Bar switch', switchFuseA)
    .fuse('barFuse', 'Light bar', 20)
    .part('switch', 'Bar switch', 'switch')
    .part('relay', 'Bar relay', 'relay')
    .lamp('bar', 'Light bar', 120, 'ledConstantPower')
    .wires('coilFuse.out > switch.in, switch.out > relay.86, relay.85 > minusBar.bar', 1500)
    .wires('barFuse.out > relay.30', 600, 'mm2:4')
    .wires('relay.87 > bar.plus, bar.minus > minusBar.bar', 4000, 'mm2:4');

const clickNoLight: Hunt = {
  ...{ id: 'click-no-light', title: 'It clicks, and that is all', level: 2 },
  story: 'A light bar on the roof of a pick-up, behind a relay near the battery.',
  design: relayBoard('Light bar behind a relay').design(),
  complaints: [
    {
      ...{ says: 'The relay clicks when I press the switch, but the bar stays dark.', loadIds: ['bar'] },
      ...{ flaw: { kind: 'openContact', deviceId: 'relay' }, moved: [put('switch', 'on')] },
    },
  ],
};

const silentRelay: Hunt = {
  ...{ id: 'silent-relay', title: 'Not even a click', level: 2 },
  story: 'The same kind of light bar on another vehicle, washed with a pressure washer last week.',
  design: relayBoard('Light bar behind a silent relay').design(),
  complaints: [
    {
      ...{ says: 'Nothing happens, I hear no click either. Both fuses look good.', loadIds: ['bar'] },
      ...{ flaw: wrong.broken('relay.85', 'minusBar.bar'), moved: [put('switch', 'on')] },
    },
  ],
};

const hotRelay: Hunt = {
  ...{ id: 'hot-relay', title: 'All works, and the relay is hot', level: 3 },
  story:
    'A light bar wired last weekend by its owner, who had only 15 A fuses left for the switch. It does what it should, but something does not.',
  design: relayBoard('Light bar, wired at home', 15).design(),
  complaints: [
    {
      says: 'The bar works with its switch, on and off. But the relay is warm all night and the battery goes down by it.',
      ...{ flaw: wrong.swapped(['switch.out', 'relay.86'], ['barFuse.out', 'relay.30']), moved: [], loadIds: ['bar'] },
    },
  ],
};

const pilotAlways: Hunt = {
  ...{ id: 'pilot-always', title: 'The pilot that never sleeps', level: 2 },
  story: 'A heater fan behind a switch with a pilot lamp, which is to say that it runs.',
  design: new BoardBuilder('Fan behind a switch with a pilot')
    .supply(30, 'mm2:6')
    .fuse('fuse', 'Fan', 10)
    .part('switch', 'Fan switch', 'pilotSwitch')
    .lamp('fan', 'Fan', 40, 'motor')
    .wires('fuse.out > switch.in, switch.out > fan.plus, fan.minus > minusBar.bar', 2500)
    .wires('switch.out > switch.lampPlus', 60, 'mm2:1')
    .wires('switch.lampMinus > minusBar.bar', 2000, 'mm2:1')
    .design(),
  complaints: [
    {
      says: 'The fan does as it should, but the little lamp in the switch is lit day and night.',
      ...{ flaw: wrong.misplaced('switch.out', 'switch.lampPlus', 'from', 'switch.in'), moved: [], loadIds: ['fan'] },
      seenToo: [[put('switch', 'on')]],
    },
  ],
};

const followBeam: Hunt = {
  ...{ id: 'follow-beam', title: 'It follows a beam that is not on', level: 3 },
  story: 'Driving lamps that shall follow the high beam, be off, or be on by hand: a double-throw switch with a middle, and a relay.',
  design: new BoardBuilder('Follow, off, on')
    .supply(60, 'mm2:10')
    .part('signals', 'Vehicle wires', 'signals', { signals: ['constant', 'highBeam'], maxA: 0.5 })
    .fuse('lampFuse', 'Driving lamps', 15)
    .part('switch', 'Follow, off, on', 'changeoverOff')
    .part('relay', 'Lamp relay', 'relay')
    .lamp('lamps', 'Driving lamps', 110, 'filament')
    .wires('signals.highBeam > switch.up, signals.constant > switch.down, switch.common > relay.86, relay.85 > minusBar.bar', 2000, 'mm2:1') // prettier-ignore
    .wires('lampFuse.out > relay.30', 700, 'mm2:4')
    .wires('relay.87 > lamps.plus, lamps.minus > minusBar.bar', 2500, 'mm2:4')
    .wires('signals.minus > minusBar.bar', 500)
    .design(),
  complaints: [
    {
      says: 'Set to follow, they are on even when I park and lock it. Twice the battery was flat in the morning.',
      ...{ flaw: wrong.misplaced('signals.highBeam', 'switch.up', 'from', 'signals.constant'), loadIds: ['lamps'] },
      moved: [put('switch', 'up'), vehicle('key', 'off')],
    },
  ],
};

const twoPlaces: Hunt = {
  ...{ id: 'two-places', title: 'Only from one place', level: 2 },
  story: 'The ceiling lamp is switched at the door and at the bunk: two changeover switches and two wires between them.',
  design: new BoardBuilder('A lamp from two places')
    .supply(30, 'mm2:6')
    .fuse('fuse', 'Ceiling lamp', 5)
    .part('door', 'Switch at the door', 'changeover')
    .part('bunk', 'Switch at the bunk', 'changeover')
    .lamp('lamp', 'Ceiling lamp', 12, 'ledConstantCurrent')
    .wires('fuse.out > door.common', 2000)
    .wires('door.up > bunk.up, door.down > bunk.down', 3500)
    .wires('bunk.common > lamp.plus, lamp.minus > minusBar.bar', 2000)
    .design(),
  complaints: [
    {
      says: 'With the door switch down I cannot get light from the bunk. With it up all is well.',
      ...{ flaw: wrong.broken('door.down', 'bunk.down'), loadIds: ['lamp'], moved: [put('door', 'down'), put('bunk', 'down')] },
      seenToo: [[put('door', 'up'), put('bunk', 'up')]],
    },
  ],
};

const bondedDimmer: Hunt = {
  ...{ id: 'bonded-dimmer', title: 'A dimmer that does not dim', level: 3 },
  story: 'A dimmer on the return side, as with gauge lamps: the lamp has plus all the time, the dimmer lets its minus go.',
  design: new BoardBuilder('Dimmer on the return side')
    .supply(30, 'mm2:6')
    .fuse('fuse', 'Galley lamp', 5)
    .part('switch', 'Galley switch', 'switch')
    .part('dimmer', 'Galley dimmer', 'returnDimmer')
    .lamp('lamp', 'Galley lamp', 15, 'filament')
    .wires('fuse.out > switch.in, switch.out > lamp.plus, lamp.minus > dimmer.dimmed, dimmer.minus > minusBar.bar', 1500)
    .wires('switch.out > dimmer.plus', 300)
    .design(),
  complaints: [
    {
      says: 'Since the lamp was screwed to the steel rib it is fully bright, whatever I turn.',
      ...{ flaw: wrong.bridged('lamp.minus', 'minusBar.bar'), loadIds: ['lamp'] },
      moved: [put('switch', 'on'), put('dimmer', 25, 'levelPercent')],
    },
  ],
};

const wrongWayDoor: Hunt = {
  ...{ id: 'door-light', title: 'Dark when it is open', level: 2 },
  story: 'A wardrobe lamp with a roller switch: pressed while the door is shut, and then the lamp shall be dark.',
  design: new BoardBuilder('Wardrobe lamp')
    .supply(30, 'mm2:6')
    .fuse('fuse', 'Wardrobe lamp', 3)
    .part('roller', 'Roller switch', 'roller')
    .lamp('lamp', 'Wardrobe lamp', 5, 'filament')
    .wires('fuse.out > roller.common, roller.normallyClosed > lamp.plus, lamp.minus > minusBar.bar', 2000, 'mm2:1.5')
    .design(),
  complaints: [
    {
      says: 'It is dark when I open the wardrobe. And it is lit while it is shut: I have seen the light through the gap.',
      ...{ flaw: wrong.misplaced('roller.normallyClosed', 'lamp.plus', 'from', 'roller.normallyOpen'), loadIds: ['lamp'] },
      ...{ moved: [put('roller', false, 'pressed')], seenToo: [[put('roller', true, 'pressed')]] },
    },
  ],
};

const beforeTheFuse: Hunt = {
  ...{ id: 'before-the-fuse', title: 'The fuse that guards nothing', level: 3 },
  story: 'A radio put in by somebody in a hurry. It plays well.',
  design: new BoardBuilder('Radio')
    .supply(30, 'mm2:6')
    .fuse('fuse', 'Radio', 10)
    .lamp('radio', 'Radio', 30, 'converter')
    .wires('fuse.out > radio.plus, radio.minus > minusBar.bar', 2500)
    .design(),
  complaints: [
    {
      says: 'I wanted to work on the radio and pulled its fuse. It went on playing. I have put the fuse back.',
      ...{ flaw: wrong.misplaced('fuse.out', 'radio.plus', 'from', 'plusBar.bar'), moved: [], loadIds: ['radio'] },
    },
  ],
};

/** Four circuits of a van on one pair of bars; the floodlight behind a relay. */
const vanPanel = (name: string) =>
  new BoardBuilder(name)
    .supply(60, 'mm2:16')
    .fuse('lightFuse', 'Ceiling lights', 7.5)
    .fuse('pumpFuse', 'Water pump', 10)
    .fuse('fridgeFuse', 'Fridge', 15)
    .fuse('floodFuse', 'Floodlight', 15)
    .part('lightSwitch', 'Light switch', 'switch')
    .part('pumpSwitch', 'Pump switch', 'switch')
    .part('floodSwitch', 'Flood switch', 'switch')
    .part('relay', 'Flood relay', 'relay')
    .lamp('lights', 'Ceiling lights', 24, 'ledStrip')
    .lamp('pump', 'Water pump', 70, 'motor')
    .lamp('fridge', 'Fridge', 60, 'converter')
    .lamp('flood', 'Floodlight', 80, 'ledConstantPower')
    .wires('lightFuse.out > lightSwitch.in, lightSwitch.out > lights.plus, lights.minus > minusBar.bar', 3000)
    .wires('pumpFuse.out > pumpSwitch.in, pumpSwitch.out > pump.plus, pump.minus > minusBar.bar', 2500)
    .wires('fridgeFuse.out > fridge.plus, fridge.minus > minusBar.bar', 3500, 'mm2:4')
    .wires('floodFuse.out > relay.30', 400, 'mm2:4')
    .wires('relay.87 > flood.plus, flood.minus > minusBar.bar', 4000, 'mm2:4')
    .wires('lightFuse.out > floodSwitch.in, floodSwitch.out > relay.86, relay.85 > minusBar.bar', 1500);

const mainJoint: Hunt = {
  ...{ id: 'main-joint', title: 'Everything sags', level: 3 },
  story: 'A van with four circuits. The battery was changed last month.',
  design: vanPanel('Van panel').design(),
  complaints: [
    {
      says: 'When the pump runs the lights go dim and the fridge stops. The battery is new and reads 12.8.',
      ...{ flaw: wrong.joint('minusBar.bar', 'battery.minus', 0.35), loadIds: ['lights', 'pump', 'fridge'] },
      moved: [put('lightSwitch', 'on'), put('pumpSwitch', 'on')],
    },
  ],
};

const twoFaults: Hunt = {
  ...{ id: 'two-faults', title: 'Two at once', level: 3 },
  story: 'The same kind of van after a winter in the barn. Mice are not ruled out.',
  design: vanPanel('Van after the winter').design(),
  complaints: [
    {
      ...{ says: 'The floodlight is dead, and I hear nothing.', loadIds: ['flood'] },
      ...{ flaw: { kind: 'openCoil', deviceId: 'relay' }, moved: [put('floodSwitch', 'on')] },
    },
    {
      ...{ says: 'And the pump only hums.', loadIds: ['pump'] },
      ...{ flaw: wrong.joint('pumpSwitch.out', 'pump.plus', 2.2), moved: [put('pumpSwitch', 'on')] },
    },
  ],
};

const drain: Hunt = {
  ...{ id: 'drain', title: 'Flat in three days', level: 3 },
  story:
    'A camper left in the yard with everything switched off. In the bed box a lamp comes on with the lid; nobody can see it when the lid is shut.',
  design: new BoardBuilder('Bed box and its neighbours')
    .supply(30, 'mm2:6')
    .fuse('boxFuse', 'Bed box lamp', 3)
    .fuse('lightFuse', 'Ceiling lights', 7.5)
    .fuse('usbFuse', 'Charging socket', 5)
    .part('lid', 'Lid switch', 'door')
    .part('lightSwitch', 'Light switch', 'switch')
    .lamp('box', 'Bed box lamp', 10, 'filament')
    .lamp('lights', 'Ceiling lights', 24, 'ledStrip')
    .lamp('usb', 'Charging socket', 0.1, 'resistive')
    .wires('boxFuse.out > box.plus, box.minus > lid.lead', 2000, 'mm2:1.5')
    .wires('lid.body > minusBar.bar', 1500, 'mm2:1.5')
    .wires('lightFuse.out > lightSwitch.in, lightSwitch.out > lights.plus, lights.minus > minusBar.bar', 3000)
    .wires('usbFuse.out > usb.plus, usb.minus > minusBar.bar', 2000, 'mm2:1.5')
    .design(),
  complaints: [
    {
      says: 'Everything is off and still the battery is flat after three days.',
      ...{ flaw: { kind: 'stuckContact', deviceId: 'lid' }, moved: [], loadIds: ['box', 'lights', 'usb'], unseenIds: ['box'] },
    },
  ],
};

const blowsAtOnce: Hunt = {
  ...{ id: 'blows-at-once', title: 'A fuse that will not stay', level: 2 },
  story: 'Two marker lamps at the tail, fed through the floor to a joint between them. The van has been over a bad track.',
  design: new BoardBuilder('Marker lamps')
    .supply(30, 'mm2:6')
    .fuse('fuse', 'Marker lamps', 5)
    .fuse('cabinFuse', 'Cabin lamp', 5)
    .part('plug', 'Joint at the tail', 'splice')
    .part('cabinSwitch', 'Cabin switch', 'switch')
    .lamp('left', 'Left marker', 5)
    .lamp('right', 'Right marker', 5)
    .lamp('cabin', 'Cabin lamp', 10)
    .wires('fuse.out > plug.joint', 4500, 'mm2:1.5')
    .wires('plug.joint > left.plus, plug.joint > right.plus', 1200, 'mm2:1.5')
    .wires('left.minus > minusBar.bar, right.minus > minusBar.bar', 4500, 'mm2:1.5')
    .wires('cabinFuse.out > cabinSwitch.in, cabinSwitch.out > cabin.plus, cabin.minus > minusBar.bar', 2500)
    .design(),
  complaints: [
    {
      says: 'The markers are out. I have put in three fuses, and each goes the moment I push it in.',
      ...{ flaw: wrong.chafed('plug.joint', 'right.plus', 'from'), moved: [], loadIds: ['left', 'right'] },
      blows: { fuseId: 'fuse', when: 'atOnce' },
    },
  ],
};

const blowsSwitched: Hunt = {
  ...{ id: 'blows-switched', title: 'It holds until I switch', level: 3 },
  story: 'A work lamp and a reversing lamp behind one fuse, each with its switch and its relay, wired along the frame rail.',
  design: new BoardBuilder('Work and reversing lamp')
    .supply(60, 'mm2:10')
    .fuse('fuse', 'Rear lamps', 15)
    .fuse('coilFuse', 'Rear switches', 5)
    .part('workSwitch', 'Work switch', 'switch')
    .part('backSwitch', 'Reversing switch', 'switch')
    .part('workRelay', 'Work relay', 'relay')
    .part('backRelay', 'Reversing relay', 'relay')
    .lamp('work', 'Work lamp', 55)
    .lamp('back', 'Reversing lamp', 55)
    .wires('coilFuse.out > workSwitch.in, coilFuse.out > backSwitch.in', 1500)
    .wires('workSwitch.out > workRelay.86, backSwitch.out > backRelay.86, workRelay.85 > minusBar.bar, backRelay.85 > minusBar.bar', 1500)
    .wires('fuse.out > workRelay.30, fuse.out > backRelay.30', 800, 'mm2:4')
    .wires('workRelay.87 > work.plus, work.minus > minusBar.bar, backRelay.87 > back.plus, back.minus > minusBar.bar', 5000, 'mm2:4')
    .design(),
  complaints: [
    {
      says: 'The reversing lamp works. The moment I switch the work lamp on, both are dark and the fuse has gone.',
      ...{ flaw: wrong.chafed('workRelay.87', 'work.plus', 'to'), moved: [put('workSwitch', 'on')], loadIds: ['work', 'back'] },
      blows: { fuseId: 'fuse', when: 'switchedOn' },
    },
  ],
};

export const BOARDS: readonly Hunt[] = [
  readingLamp,
  deadPump,
  sharedGround,
  clickNoLight,
  silentRelay,
  twoPlaces,
  wrongWayDoor,
  pilotAlways,
  hotRelay,
  followBeam,
  bondedDimmer,
  beforeTheFuse,
  mainJoint,
  twoFaults,
  drain,
  blowsAtOnce,
  blowsSwitched,
];
