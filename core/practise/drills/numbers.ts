import { ask, pick, shuffled, type Generator, type Random, type Wrong } from './question';

/** Terminal numbers as road vehicles have them. Source: DIN 72552-2, from memory. */
const NUMBERS: readonly (readonly [number: string, says: string])[] = [
  ['15', 'plus behind the ignition switch'],
  ['30', 'plus straight from the battery'],
  ['31', 'minus or chassis, direct'],
  ['31b', 'return through a switch or relay'],
  ['49', 'flasher unit, in'],
  ['49a', 'flasher unit, out'],
  ['50', 'starter control'],
  ['54', 'stop lamps'],
  ['55', 'fog lamps'],
  ['56', 'headlamp feed'],
  ['56a', 'main beam and its tell-tale'],
  ['56b', 'dipped beam'],
  ['58', 'tail, plate and instrument lamps'],
  ['B+', 'alternator, battery plus'],
  ['D+', 'alternator, charge tell-tale'],
  ['75', 'radio and lighter'],
];

/** What a number on a terminal says, or which number something has. */
function terminalNumber(random: Random) {
  const [number, says] = pick(random, NUMBERS);
  const others = shuffled(
    random,
    NUMBERS.filter(([one]) => one !== number),
  );
  if (random() < 0.5) {
    const wrongs = others.map(([one, meaning]): Wrong => [meaning, `That is ${one}.`]);
    return ask(random, `A terminal in a road vehicle bears the number ${number}. What is it?`, says, wrongs, `${number}: ${says}. A number names a function at a terminal, not a wire: prove it with a meter.`); // prettier-ignore
  }
  const wrongs = others.map(([one, meaning]): Wrong => [one, `${one} is: ${meaning}.`]);
  return ask(random, `Which number has, in a road vehicle, ${says}?`, number, wrongs, `${number}: ${says}.`);
}

/** Where a switch's own lamp gets its plus, and when it is lit then. Common practice. */
const PILOTS: readonly (readonly [from: string, lit: string])[] = [
  ['its out terminal', 'only while the switch is on'],
  ['its in terminal', 'always, so that the switch is found in the dark'],
  ['the vehicle’s running-lamp wire', 'while the vehicle’s lamps are on, whatever the switch does'],
  ['the accessory wire', 'while the key is at accessory or on, whatever the switch does'],
];

function pilotLamp(random: Random) {
  const [from, lit] = pick(random, PILOTS);
  const others = PILOTS.filter(([one]) => one !== from);
  if (random() < 0.5) {
    const wrongs = others.map(([one, when]): Wrong => [when, `So it is with its plus from ${one}.`]);
    return ask(random, `A switch’s pilot lamp has its minus on the return bar and its plus from ${from}. When is it lit?`, lit, wrongs, `Its plus from ${from}: lit ${lit}.`); // prettier-ignore
  }
  const wrongs = others.map(([one, when]): Wrong => [one, `From there it is lit ${when}.`]);
  return ask(random, `A switch’s pilot lamp shall be lit ${lit}. Where does its plus come from?`, from, wrongs, `From ${from}; its minus goes to the return, never to the load’s own wire.`); // prettier-ignore
}

export const numbers: readonly Generator[] = [terminalNumber, pilotLamp];
