/**
 * Current as a function of voltage for the parts that do not obey Ohm's law. Each is smooth, passes no current at no
 * voltage (to a trillionth of its rating), and can be said as an expression that ngspice evaluates to the same numbers.
 */
export interface Law {
  /** Writes the current at `v` volts to `out[0]`, amperes, and its slope to `out[1]`, siemens. */
  at(v: number, out: Float64Array): void;
  /** The current as a SPICE expression of the voltage expression `v`. */
  spice(v: string): string;
}

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
    at(v, out) {
      const bent = Math.min(v, straightFrom);
      const e = saturationA * Math.exp(bent / scale);
      const slope = e / scale;
      out[0] = e - saturationA + slope * (v - bent) + leakS * v;
      out[1] = slope + leakS;
    },
    spice: (v) => `${saturationA}*(exp(${v}/${scale})-1)`,
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
    at(v, out) {
      const square = (v * v) / (ratedV * ratedV) + 1e-8;
      const power = Math.pow(square, 0.225);
      const ohm = hotOhm * (cold + (1 - cold) * power);
      const slope = (hotOhm * (1 - cold) * 0.45 * power * v) / (square * ratedV * ratedV);
      out[0] = v / ohm;
      out[1] = 1 / ohm - (v * slope) / (ohm * ohm);
    },
    spice: (v) => `${v}/(${hotOhm}*(${cold}+${1 - cold}*pow(${v}*${v}/${ratedV * ratedV}+1e-8,0.225)))`,
  };
}

/** Volts over which an electronic load wakes up around its drop-out voltage. */
const WAKE_V = 0.5;

/** A lamp behind a constant-current driver: rated current above the drop-out voltage, none well below it. */
export function constantCurrentLaw(ratedA: number, dropOutV: number): Law {
  return {
    at(v, out) {
      const t = Math.tanh((v - dropOutV) / WAKE_V);
      out[0] = (ratedA / 2) * (1 + t);
      out[1] = (ratedA / 2 / WAKE_V) * (1 - t * t);
    },
    spice: (v) => `${ratedA / 2}*(1+tanh((${v}-${dropOutV})/${WAKE_V}))`,
  };
}

/**
 * A converter or a lamp behind a constant-power driver: i = P / v above the drop-out voltage; below it the current rises
 * no further and dies away.
 */
export function constantPowerLaw(watts: number, dropOutV: number): Law {
  return {
    at(v, out) {
      const x = v - dropOutV;
      const root = Math.sqrt(x * x + WAKE_V * WAKE_V);
      const floored = 0.5 * (v + dropOutV + root);
      const flooredSlope = 0.5 * (1 + x / root);
      const t = Math.tanh(x / WAKE_V);
      const awake = 0.5 * (1 + t);
      out[0] = (watts * awake) / floored;
      out[1] = (watts / floored) * ((0.5 / WAKE_V) * (1 - t * t) - (awake * flooredSlope) / floored);
    },
    spice: (v) =>
      `${watts}*0.5*(1+tanh((${v}-${dropOutV})/${WAKE_V}))/(0.5*(${v}+${dropOutV}+sqrt((${v}-${dropOutV})*(${v}-${dropOutV})+${WAKE_V * WAKE_V})))`,
  };
}

/** Forward volts of a white or amber light-emitting diode, as the strips carry three of in series. Common practice. */
const LED_FORWARD_V = 2.9;
/** Softness of the knee of three in series, volts. */
const KNEE_V = 0.12;

/**
 * Bare strip: three diodes in series with a resistor, so i = (v - 3 Vf) / R past the knee; half again as much at 14.4 V as
 * at 12 V. The number in series grows with the rated voltage.
 */
export function ledStripLaw(ratedA: number, ratedV: number): Law {
  const kneeV = 3 * LED_FORWARD_V * Math.max(1, Math.round(ratedV / 12));
  const ohm = (ratedV - kneeV) / ratedA;
  return {
    at(v, out) {
      const x = (v - kneeV) / KNEE_V;
      const e = Math.exp(Math.min(x, 36));
      out[0] = x > 36 ? (v - kneeV) / ohm : (KNEE_V / ohm) * Math.log1p(e);
      out[1] = x > 36 ? 1 / ohm : e / (1 + e) / ohm;
    },
    spice: (v) => `${KNEE_V / ohm}*(${v}>${kneeV + 36 * KNEE_V}?(${v}-${kneeV})/${KNEE_V}:ln(1+exp(min((${v}-${kneeV})/${KNEE_V},36))))`,
  };
}

/** A pump or fan motor: between constant torque and the fan law, current grows with the 1.5th power of voltage. From memory. */
export function motorLaw(ratedA: number, ratedV: number): Law {
  return {
    at(v, out) {
      const x = v / ratedV;
      const square = x * x + 1e-8;
      const root = Math.pow(square, 0.25);
      out[0] = ratedA * x * root;
      out[1] = (ratedA / ratedV) * (root + (0.5 * x * x * root) / square);
    },
    spice: (v) => `${ratedA / ratedV}*${v}*pow(${v}*${v}/${ratedV * ratedV}+1e-8,0.25)`,
  };
}

/** What an electronic part draws while it waits: the same from about one volt on, nothing at none. */
export function standbyLaw(amps: number): Law {
  return {
    at(v, out) {
      const t = Math.tanh(v);
      out[0] = amps * t;
      out[1] = amps * (1 - t * t);
    },
    spice: (v) => `${amps}*tanh(${v})`,
  };
}

/** A load fed through a pulse-width dimmer: on for a share of the time at the full voltage, so i = d f(v / d) of the mean voltage v. */
export function pulsed(law: Law, duty: number): Law {
  return {
    at(v, out) {
      law.at(v / duty, out);
      out[0]! *= duty;
    },
    spice: (v) => `${duty}*(${law.spice(`(${v}/${duty})`)})`,
  };
}
