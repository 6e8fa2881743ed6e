import type { HandbookPage } from './page';

/** How wires are marked and ended, and how panels are cut. */
export const HARNESS_PAGES: readonly HandbookPage[] = [
  {
    id: 'colours',
    title: 'Colours, numbers and ends',
    about: 'By what a wire is known a year later: its colour, its number at both ends, what is crimped on.',
    paragraphs: [
      'A colour means something only within a school. Black is a return in a boat, live with the ignition in many road vehicles, a marker lamp on a heavy truck; white is ground on a truck and no ground at all on the mains. So a house system goes by one school, says which, and meters whatever it meets of the vehicle’s own loom before believing its colour.',
      'Two wires that end beside each other and look alike are swapped sooner or later. A stripe costs a reel; the proposal gives every wire of a device, a plug and a fuse block a look of its own, takes what is on your reels first and begins as few others as it can. If labels are enough for you at the fuse block, say so: then one red a size does, and only switches, relays and lamps with several functions are told apart by colour.',
      'A number is of the wire, not of its terminal, and stands at both ends, 25 to 50 mm from the plug. Here it is the circuit’s and a letter along the run. Until it is fixed it follows the design; once labels are printed, fix it, and what is added later gets the next free letter.',
      'What goes on an end follows from where it lands: a ring on a stud, a receptacle on a blade, a sleeve under a screw or clamp, a joint on a part’s own lead. Red, blue and yellow barrels take 0.3 to 1.5, 1.5 to 2.6 and 3.3 to 6.6 mm². 3 mm² falls between blue and yellow. A ring’s hole is the stud’s: where nobody has said which stud it is, a question mark stands.',
    ],
    table: {
      head: ['School', 'Live', 'Home', 'Source'],
      rows: [
        ['by pole', 'red', 'black', 'common practice'],
        ['small craft', 'red; lights blue, pumps brown, other outlets orange', 'yellow', 'ABYC E-11, ISO 10133'],
        ['road vehicle', '30 red, 15 black, lamps grey', '31 brown', 'DIN 72551'],
        ['heavy truck', 'red; lamps brown, black, yellow', 'white', 'SAE J560'],
      ],
    },
    sources: [
      'IEC 60757, DIN 72551, ABYC E-11, ISO 10133 and SAE J560 for colours, IEC 61210 for blades, all from memory',
      'common practice',
    ],
    caution: 'Never join by colour. Isolate, meter which wire it is, then join. A black core used as a live is marked red at both ends.',
  },
  {
    id: 'cutting',
    title: 'Cutting a panel',
    about: 'Holes, bezels, webs and what lies behind; the template at full size.',
    paragraphs: [
      'A panel is laid out by what covers its holes in front, not by the holes: bezels that meet do not seat. Between two holes at least 8 mm of plastic stay, to the edge as much; metal stands a little less, plywood takes 15. Rockers made to stand side by side leave less, and are made for it.',
      'Behind the panel there must be room for the body, its plug, and the bend of its wires: 30 to 50 mm beyond the plug. What nobody has looked at is not known to be free: tanks, looms, airbags and ribs sit behind panels.',
      'Print the template at 100 %, never at “fit”, and lay a rule on its bar before cutting. Tape it on, prick the middles through it, drill 3 mm pilots, then the saw from the front. A square hole is drilled in its corners and sawn or filed to the line. Try the part before the next hole is cut; deburr both sides.',
    ],
    sources: ['IEC 60947-5-1 for the distances of operators, SAE J563 for the socket, from memory', 'common practice'],
    caution: 'Look from behind before you cut. Battery isolated; no drill near an airbag’s loom, a tank or a gas pipe.',
  },
];
