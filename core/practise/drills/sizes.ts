import { outsideDiameterMm } from '../../catalog/cableDiameters';
import { areaMm2, AWG_SIZES, awgAreaMm2, METRIC_SIZES_MM2, type AwgSize } from '../../catalog/conductorSizes';
import { ask, pick, whole, type Generator, type Random } from './question';

const mm2 = (area: number) => `${area < 10 ? area.toFixed(1) : Math.round(area)} mm²`;
const gauge = (awg: AwgSize) => `${awg} AWG`;

/** What a gauge is in square millimetres. Source: ASTM B258, by the catalogue. */
function areaOfGauge(random: Random) {
  const at = whole(random, 0, AWG_SIZES.length - 2);
  const awg = AWG_SIZES[at]!;
  const area = awgAreaMm2(awg);
  const diameter = Math.sqrt((4 * area) / Math.PI);
  return ask(
    random,
    `A reel says ${gauge(awg)}. How much copper is that?`,
    mm2(area),
    [
      [mm2(awgAreaMm2(AWG_SIZES[at + 1]!)), `That is ${gauge(AWG_SIZES[at + 1]!)}: a smaller number is a thicker wire, not a thinner one.`],
      [mm2(diameter), 'That is its diameter in mm, not its cross-section.'],
      ...(at > 0 ? [[mm2(awgAreaMm2(AWG_SIZES[at - 1]!)), `That is ${gauge(AWG_SIZES[at - 1]!)}, a size thinner.`] as const] : []),
      ...(Number(awg) > 1 ? [[`${awg} mm²`, 'A gauge is a number in a row of sizes, not an area.'] as const] : []),
    ],
    `The diameter is 0.127 mm × 92^((36 − n) / 39), the area π/4 of its square: ${gauge(awg)} has ${area.toFixed(2)} mm². Three numbers down is twice the copper.`,
  );
}

/** The American size that does not fall short of a metric one. */
function gaugeForArea(random: Random) {
  const area = pick(random, METRIC_SIZES_MM2.filter((size) => size >= 0.75 && size <= 95)); // prettier-ignore
  const at = AWG_SIZES.findIndex((awg) => awgAreaMm2(awg) >= area * 0.999);
  const right = AWG_SIZES[at];
  if (!right || at === 0) return null;
  const thinner = AWG_SIZES[at - 1]!;
  return ask(
    random,
    `The plan says ${area} mm², the shop has gauges only. Which is the smallest that does not fall short?`,
    gauge(right),
    [
      [gauge(thinner), `It has ${awgAreaMm2(thinner).toFixed(2)} mm², less than ${area}: it carries less and drops more.`],
      ...(AWG_SIZES[at + 1] ? [[gauge(AWG_SIZES[at + 1]!), 'It does, but one size less would too.'] as const] : []),
      ...(at > 1
        ? [[gauge(AWG_SIZES[at - 2]!), `It has ${awgAreaMm2(AWG_SIZES[at - 2]!).toFixed(2)} mm²: two sizes short.`] as const]
        : []),
    ],
    `${gauge(right)} has ${awgAreaMm2(right).toFixed(2)} mm², ${gauge(thinner)} only ${awgAreaMm2(thinner).toFixed(2)}.`,
  );
}

/** Cable that is sold by its outside. */
function outsideIsNotCopper(random: Random) {
  const size = pick(random, METRIC_SIZES_MM2.filter((one) => one >= 1 && one <= 6)); // prettier-ignore
  const outside = outsideDiameterMm(`mm2:${size}`);
  const asCopper = (Math.PI / 4) * outside ** 2;
  const others = METRIC_SIZES_MM2.filter((one) => one > size && one < asCopper * 1.3);
  return ask(
    random,
    `A single wire is sold as “${outside.toFixed(1)} mm”, which is its outside with the insulation. What does it carry as, about?`,
    `${size} mm²`,
    [
      [`${asCopper.toFixed(1)} mm²`, 'That counts the insulation as copper.'],
      [`${outside.toFixed(1)} mm²`, 'Millimetres across are not square millimetres.'],
      ...(others[0] ? [[`${others[0]} mm²`, 'The insulation is thicker than that leaves room for.'] as const] : []),
    ],
    `Thin-walled single wire of ${size} mm² is ${outside.toFixed(1)} mm across. A wire sold by its outside is sized by its copper: cut it and look.`,
  );
}

/** What is printed on a cable of several cores. */
function coresOfCable(random: Random) {
  const awg = pick(random, AWG_SIZES.slice(1, 8));
  const cores = pick(random, [2, 3, 4, 7]);
  const area = awgAreaMm2(awg);
  return ask(
    random,
    `A cable is marked ${awg}/${cores}. What is in it?`,
    `${cores} cores of ${gauge(awg)}, ${mm2(area)} each`,
    [
      [`${awg} cores of size ${cores}`, 'The gauge comes first, the cores second.'],
      [`${cores} cores, ${mm2(area)} in all`, `Each core has ${mm2(area)}, not all of them together.`],
      [`one core of ${gauge(awg)} with ${cores} strands`, 'The second number counts insulated cores; strands are not told.'],
    ],
    `${awg}/${cores}: ${cores} insulated cores of ${gauge(awg)} under one sheath. Two of them out and home are a loop of twice the length.`,
  );
}

/** Two wires side by side in place of a thicker one. */
function twiceTheCopper(random: Random) {
  const at = whole(random, 0, AWG_SIZES.length - 5);
  const awg = AWG_SIZES[at]!;
  const twice = 2 * awgAreaMm2(awg);
  const right = AWG_SIZES.reduce((best, one) => (Math.abs(awgAreaMm2(one) - twice) < Math.abs(awgAreaMm2(best) - twice) ? one : best));
  const place = AWG_SIZES.indexOf(right);
  return ask(
    random,
    `Which single size has about as much copper as two wires of ${gauge(awg)}?`,
    gauge(right),
    [
      [
        gauge(AWG_SIZES[place - 1]!),
        `It has ${(areaMm2(`awg:${AWG_SIZES[place - 1]!}`) / areaMm2(`awg:${awg}`)).toFixed(1)} times one of them, not twice.`,
      ],
      ...(AWG_SIZES[place + 1]
        ? [
            [
              gauge(AWG_SIZES[place + 1]!),
              `It has ${(areaMm2(`awg:${AWG_SIZES[place + 1]!}`) / areaMm2(`awg:${awg}`)).toFixed(1)} times one of them.`,
            ] as const,
          ]
        : []),
      [gauge(AWG_SIZES[Math.max(0, at - 1)]!), 'A larger number is thinner, not thicker.'],
    ],
    `Three numbers down is twice the copper: two of ${gauge(awg)} have ${twice.toFixed(1)} mm², ${gauge(right)} ${awgAreaMm2(right).toFixed(1)}.`,
  );
}

export const sizes: readonly Generator[] = [areaOfGauge, gaugeForArea, outsideIsNotCopper, coresOfCable, twiceTheCopper];
