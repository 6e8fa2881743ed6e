import type { HandbookPage } from './page';

const ISOLATE =
  'Isolate the battery before you touch a switch’s back. A switch with two feeds is live with one of them off: pull both fuses and measure.';

/** How loads are switched: the families of ways, wishes and their proof, and what goes the wrong way. */
export const SWITCHING_PAGES: readonly HandbookPage[] = [
  {
    id: 'wishes',
    title: 'Wishes, and how they are proved',
    about: 'What a load shall do, said before it is wired, and held against every way the wiring can stand.',
    paragraphs: [
      'A wish says when a load is on or off, what it is never on together with, how long it goes on, what it must not depend on. It says nothing of switches and relays: the wiring may be changed, and the wish is asked again.',
      'What can influence the load is found from the wiring: its switches, channels, sensors, doors, the vehicle’s own controls, and whatever works a relay ahead of it. From rest one thing is moved after another, and every way of standing that comes about is looked at, with relays, latches and timers as they then are. Nothing else is varied, so that it stays quick. Dimmers stand at full and fuses are in, unless a wish is about one that is out.',
      'A broken wish comes with the fewest acts that break it; play them on the bench and look. A wish that asks for something that never comes about, or says the contrary of another at the same moment, is undecided: nothing is taken as agreed that nobody said. Say which of two wins, or say it more narrowly.',
      'Two questions are asked of every load, since they are the ones found out too late: what does it do with the key out, and what when the battery was off and is back? A latching channel forgets; a plain switch does not.',
      'For safety some wishes are there without being made: lamps that shine ahead go out with low beam, what pulls or lifts is not put on by one act alone, cold and alarms do not hang on the key. A wish of your own that says the contrary, and wins, goes before.',
    ],
    sources: ['common practice', 'road traffic law of most places: no auxiliary forward lamps with low beam'],
    caution:
      'What is proved is the wiring as it stands in the design, with parts that do what they should. A worn contact, a wire at the wrong screw or a part that behaves otherwise at power-up is found on the vehicle: flick every switch there too.',
  },
  {
    id: 'waysHand',
    title: 'Switched by hand',
    about: 'A switch in the run, a relay near the load, a button, one of two.',
    paragraphs: [
      'A switch in the plus of a load carries the whole of its current and must break it. Its rating is printed for direct or for alternating current: 16 A at 250 V alternating may be 4 A at 12 V direct, for an arc that no zero crossing puts out. Lamps with filaments and motors take several times their current as they start.',
      'From about 5 A of lamps, or where the way to the panel is long, a relay near the load is usual: a thin wire to the panel works it and the thick one goes straight. Its coil takes 0.1 to 0.2 A. What works the coil hangs on the same fuse, and is then as thick as that fuse asks, or has a small fuse of its own.',
      'A pilot lamp tells something only by what feeds it. On what is switched: the load is on. Always lit: here is the switch. With the side lamps: it is night. Lit and on are two things; say which one is meant.',
      'A button with a latching relay turns over at each press and stays without current: several buttons may work one relay, and none of them shows how it stands. One of two, never both, is a changeover switch; with off in the middle it is three states on one lever. Before a changeover makes the new contact it breaks the old one: there is a moment of nothing between.',
    ],
    sources: ['ISO 7588-1', 'DIN 72552', 'common practice'],
    caution: ISOLATE,
  },
  {
    id: 'waysPlaces',
    title: 'Switched from several places',
    about: 'Two changeovers with travellers, an intermediate for a third place, and where a dimmer goes.',
    paragraphs: [
      'Two changeover switches, their throws joined by two wires, the travellers: the lamp is lit where both stand on the same traveller. Either turns it over, so up is not on; mark nothing on the plates.',
      'A third place stands between: an intermediate passes the travellers straight, or crossed. A double-pole changeover does it, with two short links that cross its throws. Any number of intermediates may follow.',
      'The alternative is a latching relay with a button at each place: more parts, but one thin wire to each button and no travellers. A dimmer stands after the last switch, so that it comes on as bright as it was left; one that forgets its level when its feed goes away comes on at full.',
      'The second changeover stands the other way round: its common goes to the lamp. With both commons on the supply side the travellers feed each other and the lamp hears nothing.',
    ],
    sources: ['textbook two-way and intermediate switching', 'common practice'],
    caution: ISOLATE,
  },
  {
    id: 'waysDimmed',
    title: 'Dimmed',
    about: 'Pulses in the plus or in the return, what may be pulsed, and what never.',
    paragraphs: [
      'A dimmer switches some hundreds of times a second; what a lamp gives is the share of the time it is on. In the plus it stands between fuse and lamp and the body may be the return. In the return it stands between lamp and bar, and the lamp’s minus may touch nothing else: one bond to the body and it is on at full.',
      'A lamp with a driver of its own may flicker, sing or fail on pulses; ask its maker. Coils and motors are never on a dimmed line: a relay chatters and burns its contact.',
      'One dimmer, after every switch. Two in a row beat against each other. Behind a switch its feed goes with every flick: a knob stays where it is, an electronic one keeps its level, comes back at full or comes back off, by its make. Ask, and say which it is among its settings; a level that is wished kept is undecided until then.',
      'One knob may dim several lamps, as the gauges and the panel have one: it then carries all of them, its way home as well, and each comes on and goes out with the rest. In the return every one of their minus leads is kept off the body.',
      'A meter reads means behind a dimmer, of volts and of amperes: their product is not the power.',
    ],
    sources: ['common practice'],
    caution: ISOLATE,
  },
  {
    id: 'waysRadio',
    title: 'Switched by radio',
    about: 'Channels that latch or are held, what they carry, and what they eat.',
    paragraphs: [
      'A receiver listens day and night: 6 mA are 0.14 Ah a day. A channel that latches turns over at each press and, as a rule, is off after power was lost; one that is held lets go when the fob is out of reach. For a winch or a lift only the held kind is right.',
      'A small receiver’s contact is for an ampere or two. Lamp current through it welds it shut, and the lamp is on for good. Through a relay the receiver gives the coil alone.',
      'Beside a panel switch the two ways are kept apart by a changeover: by radio, off, by hand. Two closed contacts in parallel would be quicker to wire, and then neither can turn the lamp off.',
      'A receiver or relay hub with a channel free takes another load without a new part. The fuse ahead of the receiver then guards that load with the others there, so its wire is as thick as that fuse asks; or the channel works a relay alone, and the load keeps a fuse of its own.',
      'Some kits remember a mode that is set by what one does: a button held while their power goes away turns them from one that latches into one that is held, and nothing on them shows it. Set it before it is built in, prove it by a press and a release, and know that the same acts done by chance turn it back.',
      'A fob is lost and its cell dies. What must work without it has a way by hand.',
    ],
    sources: ['common practice'],
    caution: ISOLATE,
  },
  {
    id: 'waysItself',
    title: 'Switched by a door, a lid or what moves',
    about: 'Which contact for which action, and on which side of the lamp.',
    paragraphs: [
      'A door switch in the pillar joins its lead to the body while the door is open: it stands in the lamp’s return, and the lamp’s plus is always live. Several doors stand in parallel.',
      'A roller or plunger has three terminals. Shut, the lid presses it: the normally closed contact is held open and the normally open one is made. A lamp that is to be lit while open hangs on the normally closed one. On the other it burns while shut, where nobody sees it.',
      'A motion sensor holds for a time after the last movement, and each movement starts the time anew. It takes its own milliampere day and night; an enabling switch ahead of it puts an end to that, and to light at every passing animal.',
    ],
    sources: ['common practice'],
    caution: ISOLATE,
  },
  {
    id: 'waysVehicle',
    title: 'Switched with the vehicle',
    about: 'A wire of the vehicle as a trigger: what it may give, what it follows, and what it must never meet.',
    paragraphs: [
      'A wire of the vehicle gives the current of one or two coils, never that of lamps: it has its own lamp, its own fuse, often a module that watches what is drawn. A relay between keeps the two systems apart; the load is fed by the house.',
      'Low beam’s wire goes dead with high beam where bulbs have two filaments. An indicator’s wire blinks, and a marker lamp may be that same wire: it is no feed. Some wires carry data or pulses; a meter’s mean of 6 V is no 6 V.',
      'Follow, off, on: a changeover with off in the middle feeds the coil. Up, the vehicle’s wire; down, the house’s. The two must not meet in the switch, or the house feeds the vehicle’s lamps.',
      'A rule hub hears on the vehicle’s data line what its wires would say. It listens: it drives nothing, adds no resistor at the line’s end, which has its two of 120 Ω already, and hangs on it by a short pair, twisted. Each output follows its rules: on, blinking, in the other half of the beat, for a moment, or late. Where two rules may hold at once, high beam while the indicator blinks, somebody has to say which goes before.',
      'A hub with an output free takes another load by one rule more: by an input that has the signal already, by what it hears, or by an input that is free. The fuse ahead of the hub then guards that load too; through a relay the load keeps its own.',
      'With the key out everything that hangs on ignition is dark: is that wished? A relay that lets go late keeps a light for the way to the door; it needs a feed that stays.',
      'Auxiliary lamps that shine ahead are for high beam only, and go out with low beam, by the law of most places.',
    ],
    sources: ['DIN 72552', 'ISO 11898-2, the line and its ends, from memory', 'common practice', 'road traffic law of most places'],
    caution: ISOLATE,
  },
  {
    id: 'wrongWay',
    title: 'What seems to work and is wrong',
    about: 'Coils, dimmers and rollers that do something, only not what was meant.',
    paragraphs: [
      'A relay with a diode across its coil has a right way round: 86 positive. Turned, the diode shorts the feed. With a resistor either way works; so a relay changed for another kind can blow a fuse that held for years.',
      'Pins exchanged may seem to work: the coil hangs on the supply for good and the panel switch carries the lamp. It is found by touch, the relay is warm with everything off, or by what the battery loses overnight.',
      'A return-side dimmer does nothing where the lamp’s minus is bonded. A coil behind a dimmer chatters. Two dimmers in a row beat.',
      'A lamp on the wrong contact of a roller burns while shut. Hold the roller down by hand before the lid is closed on it: it must go out.',
    ],
    sources: ['DIN 72552', 'common practice'],
    caution: ISOLATE,
  },
];
