import { displayWords } from './huntWords';

// Common practice: a hand meter of 2000 counts shows thousandths to ten volts, hundredths of amperes to ten, and OL over its range.
test.each([
  [{ kind: 'volts', value: 0.5124 }, '0.512 V'],
  [{ kind: 'volts', value: 12.646 }, '12.65 V'],
  [{ kind: 'volts', value: -12.646 }, /^.12\.65 V$/],
  [{ kind: 'amps', value: 4.256 }, '4.26 A'],
  [{ kind: 'amps', value: 42.56 }, '42.6 A'],
  [{ kind: 'diode', value: null }, 'OL'],
  [{ kind: 'diode', value: 0.5678 }, '0.568 V'],
] as const)('%j', (told, shown) => expect(displayWords(told)).toEqual(typeof shown === 'string' ? shown : expect.stringMatching(shown)));
