import type { HandbookPage } from './page';

/** One fault as it comes to a bench: how it shows, what a meter says, what it is, what mends it, how it is kept away. */
type Fault = readonly [shows: string, reads: string, is: string, cure: string, avoid: string];

/** Faults as the trade knows them, in the order in which one meets them. Common practice and from memory of the trade. */
const FAULTS: readonly Fault[] = [
  ['everything is dead', 'volts into the main fuse, none out of it', 'main fuse gone or isolator open', 'find what took it, then a fuse of its rating', 'a fuse by the source sized for the cable'],
  ['everything is dead, lithium', 'under 5 V at the posts, 12 V once a charger is on', 'its protection has cut off', 'charge it, see what emptied it', 'a cut-out that lets loads go before the battery does'],
  ['one circuit is dead', 'volts on one test point of its fuse', 'fuse blown', 'a lamp in its place before a new one', 'a grommet where it rubbed'],
  ['dead, the fuse is good', 'volts on the plus and on the minus of the load', 'its way home is open', 'clean metal under the ring, bolt, cover', 'a return bar rather than a screw in paint'],
  ['dead, the fuse is good', 'volts into the switch, none out', 'contact open', 'bridge it with a fused lead, then replace it', 'a switch rated for what it breaks'],
  ['dim with all of them', '9 to 11 V at the lamp, 12.6 at the panel', 'a joint in the plus, or too thin a wire', 'volts by halves from the panel on, under load', 'wire by the drop, not by the fuse'],
  ['dim when another is on', 'half a volt and more from its minus to the battery’s', 'a shared way home with a bad joint', 'part by part along the return, under load', 'returns that do not hang on one screw'],
  ['glows though it is off', '2 to 8 V that fall to nothing under a 5 W lamp', 'a leak, a pilot lamp, an output that leaks', 'a load beside it, or the pilot’s own feed', 'pilots fed ahead of the switch'],
  ['does not go off', 'volts out of the relay, none on its coil', 'contact welded, or fed back', 'lift its outgoing wire: still live is a second feed', 'a relay with room over the start'],
  ['two circuits act together', 'the ground point rises 1 to 6 V', 'a ground they share is open', 'mend the ground, not the lamps', 'each its own way home to the bar'],
  ['relay clicks, nothing follows', 'volts at 30, under 1 V at 87 while it is pulled', 'its contact is burnt', 'replace it', 'a diode or resistor on its coil, lamps within its rating'],
  ['relay is silent', 'volts across 86 and 85', 'coil open', 'replace it', 'no pressure washer on open sockets'],
  ['relay is silent', 'volts at 86 and at 85 both', 'the coil’s way home is open', 'mend the return', 'coil returns to the bar'],
  ['relay chatters', '6 to 9 V at its coil', 'too few volts, a weak ground, a pulsed trigger', 'find where they are lost', 'triggers from what is steady'],
  ['fuse goes at once', 'lamp in its place fully bright', 'a short ahead of every switch', 'lift wire by wire, the lamp says when', 'cover and clip where metal is near'],
  ['fuse goes as it is switched on', 'bright only with the switch on', 'a short behind the switch, or poles exchanged', 'unplug the load first', 'leads proved with a meter, not by colour'],
  ['fuse goes after minutes', '1.1 to 1.5 times its rating', 'too much on it, a motor that stands', 'clamp it with everything on', 'a quarter of the fuse kept free'],
  ['fuse goes on the road', 'the lamp flickers as wires are moved', 'a wire that rubs', 'follow it to each edge', 'clips every hand’s breadth, grommets'],
  ['flat overnight', 'over 1 A with everything off', 'something is on where nobody sees it', 'millivolts across the fuses', 'door contacts tried with the light out'],
  ['flat in weeks', '0.05 to 0.3 A', 'something that does not sleep', 'millivolts across the fuses after half an hour', 'standby counted in the day'],
  ['a plug is hot', 'over 100 mV across it, 30 K above the air', 'a loose blade, a poor crimp', 'new blade, new crimp, both halves', 'the die that belongs to the terminal'],
  ['little charge while driving', '11.5 to 12.4 V into the converter', 'a thin cable, an alternator that rests', 'the cable by its drop, the enable wire', 'cable sized for the converter’s input'],
  ['inverter trips', '10 to 11 V at its studs, 12.5 at the battery', 'cable or lug', 'millivolts along the cable under load', 'short, thick, crimped in one press'],
  ['a dimmed lamp flickers', 'steady when full, beats at low settings', 'the lamp cannot be dimmed by pulses', 'another lamp, or another dimmer', 'lamp and dimmer tried together first'],
  ['electronics fall out at a start', 'a dip to 6 to 9 V', 'normal of a starter battery (ISO 16750-2)', 'feed them from the house side', 'house and starter apart'],
]; // prettier-ignore

/** A library of faults, to be read before a cover comes off. */
export const FAULTS_PAGE: HandbookPage = {
  id: 'faults',
  title: 'Faults as they come',
  about: 'How a fault shows, what a meter says of it, what it is, what mends it and what keeps it away.',
  paragraphs: [
    'Of what is found wrong some 20 in a hundred are grounds and return joints, 18 joints and crimps on the plus side, 14 a battery that is low or old, 12 a fuse, 12 the part itself, 8 a switch or relay, 6 a wire, the rest charging, settings and new work that was wired otherwise. So one looks at joints before one buys parts.',
    'A joint shows under load alone: with the circuit off it reads as a good one. Volts are read across it while current runs, half of the way at a time; ohms only with the battery off.',
    'What the list has not got is found by the same order: look, listen and feel; then the reading that tells most for its trouble; then one thing mended at a time, and proved.',
  ],
  table: { head: ['It shows', 'A meter says', 'It is', 'It is mended by', 'It is kept away by'], rows: FAULTS },
  sources: ['common practice', 'shares from memory of the trade', 'ISO 16750-2 for the dip at a start'],
  caution:
    'Isolate before a lead is lifted or landed. No ohms on what is live, no larger fuse to try, nothing on airbag wires but the maker’s tool.',
};
