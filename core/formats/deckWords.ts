import type { DeckFault } from './spiceRead';

/** Why a line of a SPICE deck cannot be read. */
export function deckWords(fault: DeckFault): string {
  switch (fault.code) {
    case 'lines':
      return `a deck has at most ${fault.most} lines`;
    case 'noElements':
      return 'the deck has no elements';
    case 'sameName':
      return 'there is another element of this name';
    case 'bareModel':
      return 'a model needs a name and a kind';
    case 'shortElement':
      return 'an element needs two nodes and a value';
    case 'shortSwitch':
      return 'a switch needs two nodes, two control nodes and a model';
    case 'noResistance':
      return 'a resistance must be more than nothing';
    case 'otherElement':
      return 'only R, V, I, D and S elements are read';
    case 'longNumber':
      return 'that is too long for a number';
    case 'otherLine':
      return `${fault.said} lines are not read`;
    case 'noNumber':
      return `“${fault.said}” is not a number`;
    case 'noModel':
      return `there is no .model ${fault.said} of kind ${fault.kind}`;
  }
}
