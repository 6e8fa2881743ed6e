import { acceptedA, readCurve, type Bank } from './bank';

const CHARGE_AH = 0;
const VOLTS = 1;
const REST_V = 7;
const STORED_WH = 2;
const HEAT_WH = 3;
const CHARGING_WH = 4;
const RATE_WH = 5;
const SELF_WH = 6;

/** Charge so small that the energy it moves is lost in a machine's rounding. */
const NOTHING_AH = 1e-6;

/**
 * A bank's charge as time goes on, with books of where its energy went. A step's rested voltage is the mean over the charge it
 * moved, the stored energy's change over the ampere hours: so what goes in equals what comes out, what is lost and what is
 * stored, to the last digit a machine keeps.
 */
export class Store {
  /** Everything that changes from step to step, in one typed array: numbers there are never boxed. */
  private readonly now = new Float64Array(8);

  constructor(
    private readonly bank: Bank,
    chargeShare: number,
  ) {
    this.now[CHARGE_AH] = bank.capacityAh * chargeShare;
    this.move(0);
    this.now[VOLTS] = this.now[REST_V]!;
  }

  get chargeAh(): number {
    return this.now[CHARGE_AH]!;
  }

  /** At the terminals in the last step. */
  get volts(): number {
    return this.now[VOLTS]!;
  }

  get storedWh(): number {
    return this.now[STORED_WH]!;
  }

  /** Lost in resistance, to charging, to drawing faster than rated, and by itself, Wh. */
  get losses(): { heatWh: number; chargingWh: number; rateWh: number; selfWh: number } {
    const { now } = this;
    return { heatWh: now[HEAT_WH]!, chargingWh: now[CHARGING_WH]!, rateWh: now[RATE_WH]!, selfWh: now[SELF_WH]! };
  }

  /**
   * Takes a current in, or gives one (negative), A over hours: of what is offered as much as the bank accepts, of what is wanted
   * as much as is left. What is drawn faster than the rated current takes more charge, by Peukert. Returns what it took or gave.
   */
  step(wantedA: number, hours: number): number {
    const { bank, now } = this;
    const { capacityAh, ohm, chargeEfficiency } = bank;
    const chargeAh = now[CHARGE_AH]!;
    let amps = wantedA;
    let movedAh: number;
    if (amps >= 0) {
      const accepted = acceptedA(bank, chargeAh);
      const room = (capacityAh - chargeAh) / (chargeEfficiency * hours);
      if (amps > accepted) amps = accepted;
      if (amps > room) amps = room;
      movedAh = amps * chargeEfficiency * hours;
    } else {
      const perA = hours * (-amps > bank.ratedA ? (-amps / bank.ratedA) ** (bank.peukertExponent - 1) : 1);
      movedAh = amps * perA;
      if (-movedAh > chargeAh) {
        movedAh = -chargeAh;
        amps = movedAh / perA;
      }
    }
    const before = now[STORED_WH]!;
    this.move(movedAh);
    const rested = movedAh < NOTHING_AH && movedAh > -NOTHING_AH ? now[REST_V]! : (now[STORED_WH]! - before) / movedAh;
    now[VOLTS] = rested + amps * ohm;
    now[HEAT_WH]! += amps * amps * ohm * hours;
    const lost = rested * (amps * hours - movedAh);
    if (amps >= 0) now[CHARGING_WH]! += lost;
    else now[RATE_WH]! += lost;
    return amps;
  }

  /** Hours of standing. */
  stand(hours: number): void {
    const before = this.storedWh;
    this.move(-this.chargeAh * this.bank.selfDischargePerDay * (hours / 24));
    this.now[SELF_WH]! += before - this.storedWh;
  }

  /** Takes charge out for days that are not looked at one by one. */
  drain(ah: number): void {
    this.move(-ah);
  }

  private move(byAh: number): void {
    const { bank, now } = this;
    const charge = now[CHARGE_AH]! + byAh;
    now[CHARGE_AH] = charge;
    readCurve(bank, charge, now, STORED_WH, REST_V);
  }
}
