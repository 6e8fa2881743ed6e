import { ngspice } from '../../testing/ngspice';
import { Network } from '../network/network';
import { deckWords } from './deckWords';
import { readSpice, type DeckError } from './spiceRead';
import { writeSpice } from './spiceWrite';

const DECK = `Two lamps behind diodes, the second through a relay's contact
VBAT bat 0 DC 12.6
Rmain bat bus 8m
D1 bus lamp1 dpower
D2 bus mid
+ dpower
S1 mid lamp2 bus 0 contact
Rl1 lamp1 0 4.7
Rl2 lamp2 GND 0.0068k ; an ordinary resistor
Ileak bus 0 20mA
.model DPOWER D (IS=1e-9 N=1.4 RS=10m)
.model contact sw vt=7.2 vh=1 ron=5m roff=1G
.op
.end
`;

function solve(deck: string) {
  const netlist = readSpice(deck);
  const network = new Network(netlist);
  network.solve();
  return {
    nodes: Object.fromEntries(netlist.nodes.map((name, at) => [name.toLowerCase(), network.voltage(at)])),
    branches: Object.fromEntries(netlist.elements.map(({ name }, at) => [name.toLowerCase(), network.current(at)])),
  };
}

test('a deck reads to the network ngspice makes of it: continued lines, scale factors, models, any case', () => {
  const ours = solve(DECK);
  const theirs = ngspice(DECK);
  for (const node of ['bat', 'bus', 'lamp1', 'mid', 'lamp2']) expect(ours.nodes[node]).toBeCloseTo(theirs.nodes[node]!, 5);
  for (const branch of ['vbat', 'rmain', 'd1', 'd2', 'rl1', 'rl2']) expect(ours.branches[branch]).toBeCloseTo(theirs.branches[branch]!, 4);
  expect(ours.branches.rmain).toBeGreaterThan(3);
});

test('what is written of a linear deck reads back to the same network', () => {
  const linear = DECK.replace(/^D1.*$/m, 'R1 bus lamp1 0.1').replace(/^D2.*\n\+.*$/m, 'R2 bus mid 0.1');
  const once = readSpice(linear);
  const again = readSpice(writeSpice(once, 'again').text);
  const volts = (netlist: typeof once) => {
    const network = new Network(netlist);
    network.solve();
    return netlist.nodes.map((_, at) => network.voltage(at)).sort((a, b) => a - b);
  };
  volts(again).forEach((value, at) => expect(value).toBeCloseTo(volts(once)[at]!, 10));
});

test('every line that cannot be read is named with its number and the reason', () => {
  const bad = [
    'title',
    'R1 a 0 ten',
    'R2 a',
    'C1 a 0 1u',
    'R3 a 0 -4',
    'D1 a 0 nomodel',
    'R4 a 0 1',
    'r4 a 0 2',
    '.include other.cir',
  ].join('\n');
  try {
    readSpice(bad);
    throw new Error('it was read');
  } catch (error) {
    expect((error as DeckError).problems.map(({ line, fault }) => `${line} ${deckWords(fault)}`)).toEqual([
      '9 .include lines are not read',
      '2 “ten” is not a number',
      '3 an element needs two nodes and a value',
      '4 only R, V, I, D and S elements are read',
      '5 a resistance must be more than nothing',
      '6 there is no .model nomodel of kind d',
      '8 there is another element of this name',
    ]);
  }
  expect(() => readSpice('only a title')).toThrow('line 1 noElements');
});
