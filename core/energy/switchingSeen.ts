/** A load that may show itself: what it draws at a voltage, A. */
export interface Switched {
  loadId: string;
  ampsAt(volts: number): number;
}

/** A step smaller than this is noise, A. */
const LEAST_STEP_A = 0.2;
/** How far a step may lie from a load's draw, or a load's step down from its step up: a part of it, and the noise. Common practice. */
const STEP_SHARE = 0.08;
const STEP_NOISE_A = 0.06;

/** Follows the steps of one current and says which loads they were. Where it cannot be one load alone it says so, and does not guess. */
export class SwitchingSeen {
  readonly totals = new Map<string, { min: number; doubtfulMin: number; times: number }>();
  /** Steps that fit no load, or several alike. */
  unknownSteps = 0;
  private readonly on = new Map<string, { sinceMin: number; amps: number; doubtful: boolean }>();

  constructor(private readonly loads: readonly Switched[]) {}

  /** A step of the current out of the battery, A, at a minute and a voltage. */
  step(atMin: number, stepA: number, volts: number): void {
    if (Math.abs(stepA) < LEAST_STEP_A) return;
    const loadId = stepA > 0 ? this.switchedOn(stepA, volts) : this.switchedOff(-stepA);
    if (loadId === null) {
      this.unknownSteps += 1;
      // Any load that is on and no larger may have gone off in it, together with something else.
      if (stepA < 0) for (const load of this.on.values()) load.doubtful ||= load.amps < -stepA + allowance(load.amps);
      return;
    }
    const before = this.on.get(loadId);
    if (stepA > 0) {
      // One that was on already has gone off unseen: the stretch before is not counted.
      if (before) this.unknownSteps += 1;
      this.on.set(loadId, { sinceMin: atMin, amps: stepA, doubtful: false });
      return;
    }
    this.on.delete(loadId);
    const total = this.totals.get(loadId) ?? { min: 0, doubtfulMin: 0, times: 0 };
    const min = atMin - before!.sinceMin;
    this.totals.set(loadId, {
      min: total.min + min,
      doubtfulMin: total.doubtfulMin + (before!.doubtful ? min : 0),
      times: total.times + 1,
    });
  }

  /** After a gap nothing is known of what is on. */
  forget(): void {
    this.on.clear();
  }

  /** The one load a step up can be: one that is off, or else the only one of its size. */
  private switchedOn(size: number, volts: number): string | null {
    const fits = this.loads.filter(({ ampsAt }) => Math.abs(ampsAt(volts) - size) <= allowance(size));
    const off = fits.filter(({ loadId }) => !this.on.has(loadId));
    return only(off.length > 0 ? off : fits)?.loadId ?? null;
  }

  /** The one load on that stepped up by as much. */
  private switchedOff(size: number): string | null {
    return only(Array.from(this.on).filter(([, { amps }]) => Math.abs(amps - size) <= allowance(size)))?.[0] ?? null;
  }
}

function allowance(amps: number): number {
  return STEP_SHARE * amps + STEP_NOISE_A;
}

function only<T>(list: readonly T[]): T | null {
  return list.length === 1 ? list[0]! : null;
}
