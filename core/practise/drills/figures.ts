import { METRIC_SIZES_MM2 } from '../../catalog/conductorSizes';
import { RATINGS_A } from '../../catalog/fuses';
import { chooseFuse, leastFuseA } from '../../sizing/fuse';
import { formulaOhmPerM } from '../../sizing/voltageDrop';
import { ask, pick, whole, type Generator, type Random } from './question';

const amps = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} A`;
const volts = (value: number) => `${value.toFixed(2)} V`;

function currentOfLamps(random: Random) {
  const watts = pick(random, [5, 10, 15, 18, 21, 24, 36, 55, 60, 72, 100]);
  const count = whole(random, 1, 4);
  const systemV = pick(random, [12, 24]);
  const each = watts / systemV;
  return ask(
    random,
    count === 1
      ? `A lamp is rated ${watts} W on ${systemV} V. What does it draw?`
      : `${count} lamps of ${watts} W hang side by side on ${systemV} V. What do they draw together?`,
    amps(each * count),
    [
      ...(count > 1
        ? [
            [amps(each), 'That is one of them: side by side their currents add.'] as const,
            [amps(each / count), 'Side by side the current adds, it is not shared out.'] as const,
          ]
        : []),
      [amps((watts * count) / (systemV === 12 ? 24 : 12)), `That would be on ${systemV === 12 ? 24 : 12} V.`],
      [amps((systemV * 10) / watts), 'Watts divided by volts, not volts by watts.'],
      [amps((watts * count * systemV) / 100), 'Watts are volts times amperes: divide, do not multiply.'],
    ],
    `I = P / U: ${count > 1 ? `${count} × ` : ''}${watts} W / ${systemV} V = ${(each * count).toFixed(2)} A.`,
  );
}

/** The fuse of a load that runs for hours. Source: 125 %, by the sizing rules. */
function fuseForLoad(random: Random) {
  const ratings = RATINGS_A.blade.filter((rating) => rating >= 3);
  const load = whole(random, 18, 280) / 10;
  const right = chooseFuse(load, load, 40, ratings);
  if (right === null) return null;
  const at = ratings.indexOf(right);
  const bare = ratings.find((rating) => rating >= load);
  const rating = (value: number) => `${value} A`;
  return ask(
    random,
    `A load draws ${load.toFixed(1)} A for hours. Which blade fuse, the wire being thick enough for any of these?`,
    rating(right),
    [
      ...(bare !== undefined && bare !== right
        ? [
            [
              rating(bare),
              `It holds the current, but not for hours: ${load.toFixed(1)} A is over 80 % of ${bare} A, it ages and goes on a warm day.`,
            ] as const,
          ]
        : []),
      ...(at > 0
        ? [
            [
              rating(ratings[at - 1]!),
              `It is under 125 % of the load, ${leastFuseA(load, load).toFixed(1)} A: it goes on a warm day.`,
            ] as const,
          ]
        : []),
      ...(at + 1 < ratings.length
        ? [[rating(ratings[at + 1]!), 'It holds, but the next smaller one would too; a larger fuse asks for a thicker wire.'] as const]
        : []),
      ...(at + 3 < ratings.length
        ? [[rating(ratings[at + 3]!), 'Far more than is needed: a fault between the two burns on.'] as const]
        : []),
    ],
    `At least 125 %: ${load.toFixed(1)} × 1.25 = ${leastFuseA(load, load).toFixed(1)} A, so ${right} A; and never more than the wire carries.`,
  );
}

/** Drop by the small-craft formula. Source: ISO 10133, E = 0.0164 I L / S. */
function dropOfRun(random: Random) {
  const size = pick(random, METRIC_SIZES_MM2.filter((one) => one >= 1 && one <= 10)); // prettier-ignore
  const load = whole(random, 2, 20);
  const oneWayM = whole(random, 2, 9);
  const drop = (lengthM: number, area = size) => (formulaOhmPerM(`mm2:${size}`, 'iso-small-craft')! * size * load * lengthM) / area;
  return ask(
    random,
    `${load} A, ${oneWayM} m out and ${oneWayM} m home in ${size} mm². What is lost on the way, by 0.0164 × I × L / S?`,
    volts(drop(2 * oneWayM)),
    [
      [volts(drop(oneWayM)), 'That is the way out alone: the current comes home too.'],
      [volts(drop(4 * oneWayM)), `L is the whole loop already, ${2 * oneWayM} m: it is not doubled again.`],
      [volts(drop(2 * oneWayM) * size), `Divided by the cross-section it is a ${size}th of that.`],
      [volts(drop(2 * oneWayM) / 10), 'A decimal place is lost.'],
    ],
    `0.0164 × ${load} × ${2 * oneWayM} / ${size} = ${drop(2 * oneWayM).toFixed(2)} V, ${((drop(2 * oneWayM) / 12) * 100).toFixed(1)} % of 12 V.`,
  );
}

function runtimeOfBattery(random: Random) {
  const capacity = pick(random, [60, 80, 100, 120, 160, 200]);
  const depth = pick(random, [50, 80, 90]);
  const load = pick(random, [1, 2, 2.5, 4, 5, 8]);
  const hours = (capacity * depth) / 100 / load;
  const said = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} h`;
  return ask(
    random,
    `A battery of ${capacity} Ah may be used to ${depth} %. A load of ${load} A runs on it alone. How long, its losses left out?`,
    said(hours),
    [
      [said(capacity / load), `That empties it: only ${depth} % may be used.`],
      [said((capacity * (100 - depth)) / 100 / load), `That is what has to stay in it.`],
      [said(hours / 12), 'Ampere-hours by amperes are hours already: volts have no place in it.'],
    ],
    `${capacity} Ah × ${depth} % / ${load} A = ${hours.toFixed(1)} h. A lead battery gives less at a high current, and less in the cold.`,
  );
}

/** A coil's current and its warmth. Source: copper gains 0.393 % a kelvin. */
function warmCoil(random: Random) {
  const ohm = whole(random, 75, 110);
  const hotC = pick(random, [60, 70, 85, 100]);
  const hot = ohm * (1 + 0.00393 * (hotC - 20));
  const said = (value: number) => `${Math.round(value)} Ω`;
  return ask(
    random,
    `A relay’s coil reads ${ohm} Ω at 20 °C. And at ${hotC} °C?`,
    said(hot),
    [
      [said(ohm), 'Copper does not keep its resistance: 0.39 % more for each kelvin.'],
      [said(ohm * (1 - 0.00393 * (hotC - 20))), 'Copper gains as it warms; it does not lose.'],
      [said(ohm * (1 + 0.00393 * hotC)), `Counted from 20 °C it is ${hotC - 20} K warmer, not ${hotC}.`],
    ],
    `${ohm} × (1 + 0.00393 × ${hotC - 20}) = ${hot.toFixed(0)} Ω. So a warm relay needs more volts to pull in.`,
  );
}

export const figures: readonly Generator[] = [currentOfLamps, fuseForLoad, dropOfRun, runtimeOfBattery, warmCoil];
