/**
 * Current as a function of voltage for the parts that do not obey Ohm's law. Each is smooth, passes no current at no
 * voltage, and can be said as an expression that ngspice evaluates to the same numbers. Steps and knees are rounded with
 * square roots rather than exponentials: their tails are long, and Newton's iteration walks down a long tail quickly.
 */
export interface Law {
  /**
   * Reads volts from `point[VOLTS]` and writes the current there to `point[AMPS]` and its slope, siemens, to `point[SLOPE]`.
   * In an array rather than as arguments, so that the solver's inner loop makes no number objects.
   */
  at(point: Float64Array): void;
  /** The current as a SPICE expression of the voltage expression `v`. */
  spice(v: string): string;
}

export const AMPS = 0;
export const SLOPE = 1;
export const VOLTS = 2;

/** Boltzmann's constant over the elementary charge times 300.15 K (27 °C, SPICE's default), volts. CODATA 2014. */
export const THERMAL_V = (1.38064852e-23 * 300.15) / 1.6021766208e-19;

/** Current past which a diode's curve is continued straight, so that a wild guess stays finite, A. */
const STRAIGHT_A = 1e4;

/**
 * Shockley's diode: i = Is (exp(v / (n Vt)) - 1), with the least conductance SPICE keeps across every junction.
 * Source: W. Shockley, Bell System Technical Journal 28 (1949), 435.
 */
export function diodeLaw(saturationA: number, emission = 1): Law & { saturationA: number; emission: number } {
  const scale = emission * THERMAL_V;
  const straightFrom = scale * Math.log(STRAIGHT_A / saturationA);
  const leakS = 1e-12;
  return {
    saturationA,
    emission,
    at(point) {
      const v = point[VOLTS]!;
      const bent = Math.min(v, straightFrom);
      const e = saturationA * Math.exp(bent / scale);
      const slope = e / scale;
      point[AMPS] = e - saturationA + slope * (v - bent) + leakS * v;
      point[SLOPE] = slope + leakS;
    },
    spice: (v) => `${saturationA}*(exp(${v}/${scale})-1)`,
  };
}

/** Ohm's law, for what is a resistor now and something else in another state. */
export function resistiveLaw(ohm: number): Law {
  return {
    at(point) {
      const v = point[VOLTS]!;
      point[AMPS] = v / ohm;
      point[SLOPE] = 1 / ohm;
    },
    spice: (v) => `${v}/${ohm}`,
  };
}

/**
 * A filament: resistance rises with the square root of voltage or so, a tenth of the hot value when cold. i = v / R with
 * R = R0 (0.1 + 0.9 (v / V0)^0.45), which near the rated voltage gives the trade's I proportional to V^0.55.
 * Source: usual lamp exponents, from memory; cold resistance a tenth to a fifteenth, common practice.
 */
export function filamentLaw(ratedA: number, ratedV: number): Law {
  const hotOhm = ratedV / ratedA;
  const cold = 0.1;
  return {
    at(point) {
      const v = point[VOLTS]!;
      const square = (v * v) / (ratedV * ratedV) + 1e-8;
      const power = Math.pow(square, 0.225);
      const ohm = hotOhm * (cold + (1 - cold) * power);
      const slope = (hotOhm * (1 - cold) * 0.45 * power * v) / (square * ratedV * ratedV);
      point[AMPS] = v / ohm;
      point[SLOPE] = 1 / ohm - (v * slope) / (ohm * ohm);
    },
    spice: (v) => `${v}/(${hotOhm}*(${cold}+${1 - cold}*pow(${v}*${v}/${ratedV * ratedV}+1e-8,0.225)))`,
  };
}

/** Volts over which an electronic load wakes up around its drop-out voltage. */
const WAKE_V = 0.4;

/** From 0 at no voltage over about a half at `middleV` to 1 at `ratedV` and on: how far awake an electronic load is. */
function wake(middleV: number, ratedV: number) {
  const square = WAKE_V * WAKE_V;
  const atNothing = 0.5 * (1 - middleV / Math.sqrt(middleV * middleV + square));
  const atRated = 0.5 * (1 + (ratedV - middleV) / Math.sqrt((ratedV - middleV) ** 2 + square));
  const whole = 1 / (atRated - atNothing);
  return {
    share(v: number): number {
      const x = v - middleV;
      return whole * (0.5 * (1 + x / Math.sqrt(x * x + square)) - atNothing);
    },
    slope(v: number): number {
      const x = v - middleV;
      const size = x * x + square;
      return (whole * 0.5 * square) / (size * Math.sqrt(size));
    },
    spice: (v: string) => `${whole}*(${0.5 - atNothing}+0.5*(${v}-${middleV})/sqrt((${v}-${middleV})*(${v}-${middleV})+${square}))`,
  };
}

/** A lamp behind a constant-current driver: rated current above the drop-out voltage, next to none well below it. */
export function constantCurrentLaw(ratedA: number, dropOutV: number, ratedV: number): Law {
  const awake = wake(dropOutV, ratedV);
  return {
    at(point) {
      const v = point[VOLTS]!;
      point[AMPS] = ratedA * awake.share(v);
      point[SLOPE] = ratedA * awake.slope(v);
    },
    spice: (v) => `${ratedA}*${awake.spice(v)}`,
  };
}

/**
 * A converter or a lamp behind a constant-power driver: i = P / v above the drop-out voltage; below it the current rises
 * no further and dies away.
 */
export function constantPowerLaw(watts: number, dropOutV: number, ratedV: number): Law {
  const awake = wake(dropOutV, ratedV);
  const square = WAKE_V * WAKE_V;
  return {
    at(point) {
      const v = point[VOLTS]!;
      const x = v - dropOutV;
      const root = Math.sqrt(x * x + square);
      const floored = 0.5 * (v + dropOutV + root);
      const flooredSlope = 0.5 * (1 + x / root);
      const share = awake.share(v);
      point[AMPS] = (watts * share) / floored;
      point[SLOPE] = (watts / floored) * (awake.slope(v) - (share * flooredSlope) / floored);
    },
    spice: (v) => `${watts}*${awake.spice(v)}/(0.5*(${v}+${dropOutV}+sqrt((${v}-${dropOutV})*(${v}-${dropOutV})+${square})))`,
  };
}

/** Volts under its set point within which a limited source gives up its last ampere. */
const SOFT_V = 0.05;

/**
 * A charger: gives up to `maxA` while the voltage across it is under `outputV`, less just at it, and takes none back. Its current is
 * negative.
 */
export function limitedSourceLaw(outputV: number, maxA: number): Law {
  return {
    at(point) {
      const v = point[VOLTS]!;
      const x = outputV - v;
      const size = x * x + SOFT_V * SOFT_V;
      const root = Math.sqrt(size);
      point[AMPS] = (-maxA / 2) * (1 + x / root);
      point[SLOPE] = ((maxA / 2) * SOFT_V * SOFT_V) / (size * root);
    },
    spice: (v) => `${-maxA / 2}*(1+(${outputV}-${v})/sqrt((${outputV}-${v})*(${outputV}-${v})+${SOFT_V * SOFT_V}))`,
  };
}

/** A blown-fuse lamp: a light-emitting diode behind a few kilohms, so a few milliamperes leak round an open fuse. Common practice. */
export function indicatorLaw(): Law {
  return ledLaw(1.8, 3300);
}

/** Forward volts of a white or amber light-emitting diode, as the strips carry three of in series. Common practice. */
const LED_FORWARD_V = 2.9;
/** Softness of the knee of three in series, volts. */
const KNEE_V = 0.2;

/**
 * Bare strip: three diodes in series with a resistor, so i = (v - 3 Vf) / R past the knee; half again as much at 14.4 V as
 * at 12 V. The number in series grows with the rated voltage.
 */
export function ledStripLaw(ratedA: number, ratedV: number): Law {
  const kneeV = 3 * LED_FORWARD_V * Math.max(1, Math.round(ratedV / 12));
  return ledLaw(kneeV, (ratedV - kneeV) / ratedA);
}

/** Light-emitting diodes of so many forward volts behind a resistor: nothing at no voltage, (v - knee) / R well past the knee. */
function ledLaw(kneeV: number, ohm: number): Law {
  const square = KNEE_V * KNEE_V;
  const atNothing = 0.5 * (Math.sqrt(kneeV * kneeV + square) - kneeV);
  return {
    at(point) {
      const v = point[VOLTS]!;
      const x = v - kneeV;
      const root = Math.sqrt(x * x + square);
      point[AMPS] = (0.5 * (x + root) - atNothing) / ohm;
      point[SLOPE] = (0.5 * (1 + x / root)) / ohm;
    },
    spice: (v) => `${0.5 / ohm}*(${v}-${kneeV + 2 * atNothing}+sqrt((${v}-${kneeV})*(${v}-${kneeV})+${square}))`,
  };
}

/** A pump or fan motor: between constant torque and the fan law, current grows with the 1.5th power of voltage. From memory. */
export function motorLaw(ratedA: number, ratedV: number): Law {
  return {
    at(point) {
      const v = point[VOLTS]!;
      const x = v / ratedV;
      const square = x * x + 1e-8;
      const root = Math.pow(square, 0.25);
      point[AMPS] = ratedA * x * root;
      point[SLOPE] = (ratedA / ratedV) * (root + (0.5 * x * x * root) / square);
    },
    spice: (v) => `${ratedA / ratedV}*${v}*pow(${v}*${v}/${ratedV * ratedV}+1e-8,0.25)`,
  };
}

/** What leaks through a part that draws nothing, A: without it one that hangs loose would have no voltage at all. */
const LEAST_STANDBY_A = 1e-9;

/** What an electronic part draws while it waits: the same from about one volt on, nothing at none. */
export function standbyLaw(saidA: number): Law {
  const amps = Math.max(saidA, LEAST_STANDBY_A);
  return {
    at(point) {
      const v = point[VOLTS]!;
      const size = v * v + 1;
      const root = Math.sqrt(size);
      point[AMPS] = (amps * v) / root;
      point[SLOPE] = amps / (size * root);
    },
    spice: (v) => `${amps}*${v}/sqrt(${v}*${v}+1)`,
  };
}

/** A law with insulation of so many ohms beside it. */
export function leaky(law: Law, ohm: number): Law {
  return {
    at(point) {
      law.at(point);
      const v = point[VOLTS]!;
      point[AMPS]! += v / ohm;
      point[SLOPE]! += 1 / ohm;
    },
    spice: (v) => `${law.spice(v)}+${v}/${ohm}`,
  };
}

/** A load fed through a pulse-width dimmer: on for a share of the time at the full voltage, so i = d f(v / d) of the mean voltage v. */
export function pulsed(law: Law, duty: number): Law {
  return {
    at(point) {
      point[VOLTS]! /= duty;
      law.at(point);
      point[VOLTS]! *= duty;
      point[AMPS]! *= duty;
    },
    spice: (v) => `${duty}*(${law.spice(`(${v}/${duty})`)})`,
  };
}
