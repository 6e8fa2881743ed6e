import type { HandbookPage } from './page';

/** Reading what was built, and finding what is wrong with it. */
export const TEST_PAGES: readonly HandbookPage[] = [
  {
    id: 'metering',
    title: 'Reading and finding',
    about: 'What each point should read, how far off is still right, and the shortest way from a dead lamp to its cause.',
    paragraphs: [
      'A circuit is read while it works: its switch on, its load drawing. An open circuit reads the battery’s voltage through any bad joint, since nothing flows; under load the joint shows. Read the battery first and give its volts of the moment: what every other point should read goes up and down with it.',
      'No vehicle is its plan. Draws differ by a twentieth from what is printed, lengths by as much, joints by more, and copper warms. So a reading is held against two figures, between which nineteen of twenty vehicles built to the plan would read. Just outside, read again; far outside, something is wrong.',
      'Before a lead is put anywhere, look, listen and feel: which positions work and which do not, whether a relay clicks, what is warm, what else went dead. Two loads dead together share something. A load that works tells that all it shares with the dead one is whole.',
      'Then the best next question is the one that parts the suspects most evenly for the least trouble: test points of the fuse before a panel is unscrewed, a panel before trim comes off. The finder tries every fault there may be in the network as wired, compares what each would make of everything seen and read, and says what each answer to its next question would mean before you take it. One wrong reading lowers a suspect and never rules it out; two that nothing explains say that the fault is not in the plan.',
      'A voltage drop is read across one thing: red and black on both its ends, loaded. It sees what an ohm range cannot: a tenth of an ohm lets a lamp of 2 A lose 0.2 V, and an ohmmeter’s own leads are as much. A repair is done when the drop across it is as it should be, with everything on.',
    ],
    table: {
      head: ['Across', 'Good', 'Put right'],
      rows: [
        ['one crimp, bolt or plug, loaded', 'up to 0.05 V', 'over 0.1 V'],
        ['a switch or relay contact, loaded', '0.1 to 0.2 V', 'over 0.3 V'],
        ['the return of lamps and motors', 'up to 0.1 V', 'over 0.1 V'],
        ['the return of electronics', 'up to 0.05 V', 'over 0.05 V'],
        ['a whole house circuit', '3 %, 10 % where a load stands it', 'more'],
      ],
    },
    sources: ['common practice for the limits', 'ABYC E-11 for 3 and 10 %, from memory', 'Shannon 1948 for what a question is worth'],
    caution:
      'No ohm range on a live wire. A clamp or a fused lead for amperes, never bare leads across a battery. Isolate before anything is opened; lithium gives thousands of amperes into a slipped spanner.',
  },
  {
    id: 'first-power',
    title: 'Before power, first power and after',
    about:
      'What an ohmmeter should read before the battery comes on, why a small fuse goes in first, and what is looked at again for life.',
    paragraphs: [
      'Before the battery is connected every circuit is read with ohms: fuse out, red on its outgoing clip, black on the return. With its switch off it is open, or rises as a meter fills what electronics hold; with everything on it reads what its loads are cold. A heater reads what it runs at, a filament a tenth of that, a motor its winding, a sixth. Half of it, or near nought, is a short: found now it costs nothing.',
      'First power goes circuit by circuit through a small fuse: over what flows by itself, so that it holds, and as far under the circuit’s own as may be, so that it goes at once. One that blows is a finding, never a reason for a larger one. Only then comes the circuit’s own; a test fuse that stays in is temporary work, and the plan is not done with one.',
      'Off is not dead. What lies ahead of the isolator is live until the battery’s minus is off its post; panels give their volts in any light; a charger from the starter battery is live on that side; a wire of the vehicle is live from the vehicle. Meter before hands go in.',
      'What was measured mends the plan, not one reading: all of them are fitted together, each draw and length as likely to differ as they are, and a reading that fits with none of the others is read again. A joint that loses too much is no long wire, and nothing is mended by it.',
      'Bolted lugs settle: they are tightened after the first hundred kilometres. Joints corrode slowly: the same point read the same way a year later shows it before it burns. Write down what was done, by whom and when; the next who opens the panel may not be you.',
    ],
    table: {
      head: ['Looked at', 'How often', 'How'],
      rows: [
        ['bolted connections', 'after 100 km, then yearly', 'to their torque'],
        ['joints, chafe points, fuses', 'yearly', 'pulled, felt under load, seen'],
        ['battery', 'twice a year', 'held down, posts clean and covered, vent free'],
        ['extinguisher', 'yearly', 'gauge and tag'],
        ['gas and smoke alarms', 'monthly', 'their button'],
      ],
    },
    sources: ['common practice', 'Huber 1964 for readings that lie far off'],
    caution: 'An ohm range never goes on a live wire. Never a larger fuse to try. Isolate before anything is opened.',
  },
  {
    id: 'fuse-blows',
    title: 'When a fuse blows',
    about: 'A lamp in the fuse’s place shows a short without burning a box of fuses, and taking the circuit apart leads to it.',
    paragraphs: [
      'A fuse that blows is right until it is shown wrong. When it goes tells where to look. At once, with everything switched off: what is live even then, the wire up to the switch and whatever hangs ahead of it. Only as something is switched on: what lies behind that switch. After minutes: more is drawn than it holds, or it sits in a bad holder that warms it. On the road: a wire that rubs on an edge.',
      'With the battery isolated the fuse comes out and a lamp of 21 W goes across its two contacts. It lets less than 2 A flow whatever is wrong, so nothing burns while one looks. While there is a short nothing else is in its way and it is fully bright; without one the loads are in its way, and it glows or stays dark. How much it would glow with nothing wrong is worked out from the circuit as wired.',
      'Then the circuit is taken apart, one wire at a time, where it tells most for the trouble. Off at the end towards the fuse a wire goes with all that hangs on it; off at its other end only what hangs on it goes. Bright still: it lies in what is left. Dark: it lies in what was lifted. Half of what is open goes with each look, so a dozen places take three or four.',
      'A relay whose coil is fed by the same fuse lets go while the lamp takes all the volts: it buzzes and the lamp flickers. That is as much as bright.',
      'Mended is what stays dark with everything joined while the wires are shaken, and then holds a fuse of the planned rating. Why it rubbed through, a bare edge or a loose clip, is mended with it.',
    ],
    table: {
      head: ['It goes', 'Look first at', 'Then'],
      rows: [
        ['at once, all switched off', 'the wire up to the switch', 'what is always fed'],
        ['as something is switched on', 'the wire behind the switch, the load', 'a start that takes too much'],
        ['after a while', 'what flows with everything on', 'a warm holder, a blocked motor'],
        ['on the road', 'edges, hinges, clamps', 'a loose strand'],
      ],
    },
    sources: ['common practice', 'Shannon 1948 for what a look is worth'],
    caution:
      'Never a larger fuse to try, never foil or a bare wire in its place. Isolate before a wire is lifted. The lamp gets hot enough to burn what it lies on.',
  },
  {
    id: 'battery-flat',
    title: 'A battery that goes flat',
    about: 'What flows while everything is off is read across the fuses, in millivolts, without pulling one.',
    paragraphs: [
      'First the whole: everything off, doors shut or their latches closed by hand, the key out, and a clamp round the battery’s minus lead. Radios, heaters and receivers fall asleep only after a while: ten to thirty minutes. What flows then, held against what may, says whether there is anything to look for.',
      'Then where. Every fuse is a small known resistance, so the millivolts across its two test points are its current: a 10 A blade has 7.7 milliohm, and one millivolt on it is 0.13 A. Nothing is pulled: a fuse that is pulled wakes what sleeps as it goes back, and hides what drew. Fuses of one rating differ by a fifth, and a meter that shows a tenth of a millivolt sees 13 mA on 10 A, but only 50 on 30: what is read is a range, not a figure.',
      'A fuse that carries more than it should is held against everything on the plan that could be left on or hold itself: a switch, a door contact that does not open, a relay that sticks. What comes near is named, with what it would draw. Two things together, damp in a plug or a part that does not fall asleep are on no plan: there one unplugs part after part behind that fuse.',
      'What the clamp saw and no circuit’s fuse carries is joined ahead of the fuses, or leaks there.',
    ],
    table: {
      head: ['Flows', 'A battery of 100 Ah, half of it counted', 'Usually'],
      rows: [
        ['over 1 A', 'flat overnight to two days', 'a lamp, a heater, an inverter left on'],
        ['0.05 to 0.3 A', 'flat in one to six weeks', 'something that does not sleep'],
        ['under 0.02 A', 'months', 'as it should be'],
      ],
    },
    sources: ['common practice: parasitic draw by voltage drop across fuses', 'cold resistances from makers’ tables, from memory'],
    caution: 'A meter on its ampere socket is never laid across a fuse or a battery: that is a short through the meter.',
  },
];
