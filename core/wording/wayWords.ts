import type { WayFamily, WayId } from '../switching/gallery/ways';

export const FAMILY_WORDS: Record<WayFamily, string> = {
  hand: 'By hand',
  places: 'From several places',
  dimmed: 'Dimmed',
  radio: 'By radio',
  itself: 'By itself',
  vehicle: 'By the vehicle',
};

/** The page of the handbook on each family. */
export const FAMILY_PAGES: Record<WayFamily, string> = {
  hand: 'waysHand',
  places: 'waysPlaces',
  dimmed: 'waysDimmed',
  radio: 'waysRadio',
  itself: 'waysItself',
  vehicle: 'waysVehicle',
};

/** What a way is called, what it does, and where people go wrong with it. */
export interface WayWords {
  name: string;
  says: string;
  pitfall: string;
}

export const WAY_WORDS: Record<WayId, WayWords> = {
  direct: {
    name: 'Straight from its fuse',
    says: 'Always has power. What it does it does by itself.',
    pitfall: 'For what has a switch of its own, and for what must never be switched off by mistake: alarms, a fridge.',
  },
  switch: {
    name: 'Panel switch',
    says: 'A switch in its plus: on and off.',
    pitfall: 'The switch carries the whole current, and breaks it: it needs a rating for direct current.',
  },
  switchPilot: {
    name: 'Panel switch, lit when on',
    says: 'The pilot lamp hangs on what is switched and shows that it is on.',
    pitfall: 'The pilot needs a way home of its own. Where several pilots share one and it comes off, they glow through one another.',
  },
  switchFind: {
    name: 'Panel switch, always lit',
    says: 'The pilot lamp is lit day and night, so that the switch is found in the dark.',
    pitfall: 'It draws day and night: some 0.29 Ah a day each. It says nothing of whether the load is on.',
  },
  switchNight: {
    name: 'Panel switch, lit with the vehicle’s lamps',
    says: 'The pilot lamp comes on with the side lamps, as the gauges do.',
    pitfall:
      'Its lamp is fed by the vehicle, its contact by the house: the two must not meet inside the switch. Many have one terminal in common.',
  },
  relay: {
    name: 'Relay, switched on its plus side',
    says: 'A thin wire to the panel works a relay near the load; the thick one goes straight.',
    pitfall: 'Coil and contact hang on one fuse here: the thin wire is as thick as that fuse asks, or gets a smaller fuse of its own.',
  },
  relayMinus: {
    name: 'Relay, switched on its minus side',
    says: 'The coil always has its plus; the switch joins its other end to the return.',
    pitfall: 'A coil wire that rubs through to the body puts the load on and blows nothing.',
  },
  button: {
    name: 'Button and latching relay',
    says: 'A press turns it on, the next one off. The relay stays without current.',
    pitfall: 'After power was lost it is as before. Several buttons may stand in parallel; none shows which way it is.',
  },
  oneOfTwo: {
    name: 'One of two, never both',
    says: 'A changeover switch that is off in the middle: the one, nothing, the other.',
    pitfall: 'Both hang on one fuse, sized for the larger one. A change passes through off.',
  },
  select: {
    name: 'On and off, and which of two',
    says: 'One switch turns on, another chooses which: colour, or beam.',
    pitfall: 'The choice is remembered by where the switch stands: the first moment shows whichever that is.',
  },
  twoPlaces: {
    name: 'From two places',
    says: 'Two changeover switches with two travellers between them: either turns it over.',
    pitfall: 'Up is not on: nobody can tell from one switch. The travellers are two cores between the places.',
  },
  threePlaces: {
    name: 'From three places',
    says: 'An intermediate switch between two changeovers passes the travellers straight or crossed.',
    pitfall: 'The middle one is a double-pole changeover with its throws crossed by two links; miswired it works from two places only.',
  },
  twoPlacesDimmed: {
    name: 'From two places, dimmed',
    says: 'One dimmer after both switches: it comes on as bright as it was left.',
    pitfall: 'One dimmer alone: one before the switches and one after fight. A dimmer that forgets when its feed goes away comes on full.',
  },
  dimmer: {
    name: 'Dimmer in its plus',
    says: 'A pulsing dimmer between fuse and lamp.',
    pitfall: 'The lamp’s return may be the body. For lamps with electronics of their own ask whether they may be pulsed.',
  },
  returnDimmer: {
    name: 'Dimmer in its return',
    says: 'The lamp’s plus is straight on the fuse; the dimmer pulses its way home.',
    pitfall: 'If the lamp’s return touches the body anywhere, it is on at full and the dimmer does nothing.',
  },
  sharedDimmer: {
    name: 'A dimmer there is already',
    says: 'It hangs on a dimmer with what that dims already, as lamps do with the gauges: one knob for all.',
    pitfall:
      'The dimmer carries all of them together, and all come on and go out as it does. One in the return needs every lamp’s minus free of the body.',
  },
  radio: {
    name: 'Radio channel, press on, press off',
    says: 'A button of the fob turns it on and off; the receiver’s own contact carries it.',
    pitfall: 'The receiver listens day and night. After power was lost it is off. It is as sure as the fob’s cell.',
  },
  radioHeld: {
    name: 'Radio channel, on while held',
    says: 'On as long as the button of the fob is held.',
    pitfall: 'Out of reach it lets go: right for a winch or a lift, wrong for a light.',
  },
  radioRelay: {
    name: 'Radio channel through a relay',
    says: 'The receiver works a relay; the relay carries the load.',
    pitfall: 'A small receiver with lamp current through it fails shut: on for good.',
  },
  radioOrHand: {
    name: 'By radio, off, or by hand',
    says: 'A changeover switch: up the fob decides, in the middle it is off, down it is on.',
    pitfall: 'In the middle the fob does nothing: that is what it is for. Left up and forgotten, a press from afar lights it.',
  },
  coloursRadio: {
    name: 'One of two, by panel or by radio',
    says: 'A switch says whether the panel or the fob decides; two relays see to it that never both are lit.',
    pitfall:
      'The first goes before: with both channels on it is lit and the other one dark. The relays hang on one fuse, sized for the larger load.',
  },
  channel: {
    name: 'A spare channel there is already',
    says: 'It goes on a free channel of a radio receiver or relay hub, in place of a fuse of its own.',
    pitfall:
      'The fuse ahead of the receiver guards it with all the others there, and its own slot is free. The channel carries the whole current.',
  },
  channelRelay: {
    name: 'A spare channel works its relay',
    says: 'A free channel of a radio receiver or relay hub works a relay near the load; the load keeps a fuse of its own.',
    pitfall: 'Its coil hangs on the receiver’s fuse: with that one out it does not come on, though its own is in.',
  },
  motion: {
    name: 'Motion sensor with an enabling switch',
    says: 'On while something moves and for the hold time after; the switch puts it out of use.',
    pitfall: 'It watches day and night. By daylight too, unless its sensor has a limit of its own.',
  },
  motionDark: {
    name: 'Motion sensor that works in the dark only',
    says: 'On while something moves and for the hold time after, once it is dark; the switch puts it out of use.',
    pitfall: 'Its eye must not see the lamp it works, or it puts out its own light and begins anew. It draws a little by day too.',
  },
  door: {
    name: 'Door switch in its return',
    says: 'The door’s switch joins the lamp’s way home to the body while it is open.',
    pitfall: 'The lamp’s wires are live while it is dark. Its return must touch the body nowhere else.',
  },
  roller: {
    name: 'Roller switch',
    says: 'On while the lid or hatch does not press the roller: its closed contact is used.',
    pitfall: 'With the other contact it is lit while shut, where nobody sees it, until the battery is flat.',
  },
  plunger: {
    name: 'Plunger switch, as under a hood',
    says: 'On while the plunger is out: its closed contact is used.',
    pitfall: 'It sits in wet and dirt: a sealed one, and a fuse ahead of it.',
  },
  signal: {
    name: 'With a signal of the vehicle, through a relay',
    says: 'A wire of the vehicle works a relay; the house feeds the load.',
    pitfall: 'The vehicle’s wire gives the coil’s current alone, never the load’s. With the key out it is as dark as that wire.',
  },
  follow: {
    name: 'Follow the vehicle, off, or on',
    says: 'A changeover switch for a relay’s coil: up it follows the vehicle, in the middle it is off, down it is on.',
    pitfall: 'The two throws have two feeds: the vehicle’s wire and the house’s. In the switch they must never meet.',
  },
  late: {
    name: 'Goes out after the vehicle, late',
    says: 'A relay that lets go some time after the vehicle’s wire did: light to the door.',
    pitfall: 'It needs the house’s feed while it waits. Say the time, and that it cannot be kept on for ever by a wire that stays live.',
  },
  hub: {
    name: 'Output of a rule hub',
    says: 'A hub listens to a wire of the vehicle and switches its output by a rule.',
    pitfall: 'What it does when it loses power or its memory is in its rules, not in the wiring: write them down with the design.',
  },
  output: {
    name: 'A spare output of the hub there is',
    says: 'It goes on a free output of a rule hub, and a rule puts that on with a signal of the vehicle. An output with rules keeps them.',
    pitfall: 'The fuse ahead of the hub guards it with all the others there, and the output carries the whole current.',
  },
  outputRelay: {
    name: 'A spare output works its relay',
    says: 'A free output of a rule hub works a relay near the load by a rule; the load keeps a fuse of its own.',
    pitfall:
      'An output that blinks or comes and goes wears a relay out. With the hub’s fuse out it does not come on, though its own is in.',
  },
};
