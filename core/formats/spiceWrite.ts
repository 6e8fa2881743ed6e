import type { NetElement, Netlist } from '../network/netlist';

/** A plain SPICE deck and the names its nodes and elements have in it. */
export interface SpiceDeck {
  text: string;
  /** Deck name of each node, by position; the reference is 0. */
  nodes: string[];
  /** Deck name of each element, by position: the one whose current is the element's. */
  elements: string[];
}

/**
 * Writes a network as a deck of R, V, I, B and S lines that ngspice runs unchanged. Laws become B sources with the same
 * formula; each element keeps its name in a comment. `title` and `notes` are for the reader. `guess` gives each node's
 * volts for a simulator to start from; it finds its own answer all the same.
 */
export function writeSpice(
  netlist: Netlist,
  title: string,
  notes: readonly string[] = [],
  guess: ((node: number) => number) | null = null,
): SpiceDeck {
  const nodes = netlist.nodes.map((_, at) => (at === netlist.reference ? '0' : `n${at + 1}`));
  const lines = [`* ${clean(title)}`, ...notes.map((note) => `* ${clean(note)}`), '*', '* nodes'];
  netlist.nodes.forEach((name, at) => lines.push(`*   ${nodes[at]} = ${clean(name)}`));
  lines.push('* elements');
  const elements = netlist.elements.map((element, at) => {
    const written = elementLines(element, at + 1, nodes);
    lines.push(`* ${clean(element.name)}`, ...written.lines);
    return written.name;
  });
  if (guess) nodes.forEach((name, at) => at !== netlist.reference && lines.push(`.nodeset v(${name})=${guess(at)}`));
  lines.push('.op', '.end', '');
  return { text: lines.join('\n'), nodes, elements };
}

function elementLines(element: NetElement, number: number, nodes: readonly string[]): { name: string; lines: string[] } {
  const a = nodes[element.a]!;
  const b = nodes[element.b]!;
  switch (element.kind) {
    case 'resistor':
      return { name: `r${number}`, lines: [`r${number} ${a} ${b} ${element.ohm}`] };
    case 'voltage':
      return { name: `v${number}`, lines: [`v${number} ${a} ${b} dc ${element.volts}`] };
    case 'current':
      return { name: `i${number}`, lines: [`i${number} ${a} ${b} dc ${element.amps}`] };
    case 'law':
      return { name: `b${number}`, lines: [`b${number} ${a} ${b} i=${element.law.spice(`v(${a},${b})`)}`] };
    case 'duty': {
      const common = nodes[element.common]!;
      return {
        name: `r${number}`,
        lines: [`r${number} ${a} m${number} ${element.ohm}`, `b${number} m${number} ${b} v=${1 - element.duty}*v(${a},${common})`],
      };
    }
    case 'switch':
      return {
        name: `s${number}`,
        lines: [
          `s${number} ${a} ${b} ${nodes[element.plus]!} ${nodes[element.minus]!} sw${number}`,
          `.model sw${number} sw(vt=${element.thresholdV} vh=${element.hysteresisV} ron=${element.closedOhm} roff=${element.openOhm})`,
        ],
      };
  }
}

function clean(text: string): string {
  return text.replace(/[^\x20-\x7e]/g, '?');
}
