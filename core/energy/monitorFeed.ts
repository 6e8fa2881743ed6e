import type { DesignIndex } from '../rig/designIndex';
import type { Battery, Scenario } from '../design/schema';
import type { MonitorReading } from './monitored';
import { bankOf } from './bank';
import { chargeSources, lightOn, stringA } from './chargeSources';
import { demandOfLines, drawnA, loadLines } from './loadLines';
import { settingOf } from './setting';
import { Store } from './store';
import { batteryTemperatures, tiersOf } from './trip';
import { beamAndDiffuse, meanClearness, seeded } from './weather';

const DAY_MIN = 1440;
/** A load that runs part of the time does so in turns about this long, min. */
const TURN_MIN = 6;
/** Nobody switches to the minute, min. */
const MOST_LATE_MIN = 10;
/** What a shunt and its meter are out by from reading to reading: a part of the current, and the last digit. Common practice. */
const NOISE_SHARE = 0.004;
const NOISE_A = 0.015;
const NOISE_V = 0.004;

/** One load's switching: what it still owes, whether it is on, and how late its person is. */
interface Turn {
  minutes: number;
  on: boolean;
  late: number;
}

/**
 * Readings a battery monitor would give, a minute apart, day after day of a scenario under its season's mean sky: what runs part
 * of the time is switched on and off in turns, not averaged. The same seed gives the same readings. `from` is minutes since 1970.
 */
export function* monitorFeed(
  index: DesignIndex,
  battery: Battery,
  scenario: Scenario,
  from: number,
  seed: number,
): Generator<MonitorReading> {
  const setting = settingOf(scenario);
  const bank = bankOf(battery, index.settings.nominalV);
  const store = new Store(bank, 1);
  const random = seeded(seed);
  const noise = () => random() + random() - 1;
  const batteryC = batteryTemperatures(index, battery, setting, setting.days);
  let cut = 0;
  const owed = new Map<string, Turn>();
  for (let day = 0; ; day++) {
    const lines = loadLines(index, scenario.id, setting, 1, DAY_MIN, day);
    lines.forEach((line, place) => {
      const key = `${line.load.id}/${place}`;
      const turn = owed.get(key) ?? { minutes: 0, on: false, late: Math.floor((2 * random() - 1) * MOST_LATE_MIN) };
      owed.set(key, turn);
      const planned = line.shares;
      line.shares = planned.map((_, minute) => switched(turn, planned[(minute - turn.late + DAY_MIN) % DAY_MIN]!));
    });
    const tiers = tiersOf(lines, bank, battery, batteryC.subarray(day % batteryC.length));
    const demands = tiers.map((_, cut) => demandOfLines(tiers.slice(cut).flatMap(({ lineAt }) => lineAt.map((at) => lines[at]!)), DAY_MIN)); // prettier-ignore
    demands.push(demandOfLines([], DAY_MIN));
    const sources = chargeSources(index, setting, 1, DAY_MIN, day);
    const dayOfYear = ((setting.startDay - 1 + day) % 365) + 1;
    const clearness = scenario.weather?.skies[dayOfYear - 1] ?? meanClearness(setting.climate, dayOfYear, setting.southern);
    const { beam, diffuse } = beamAndDiffuse(clearness, sources.diffuseShare[0]!);
    const warm = bank.coldC === null || batteryC[day % batteryC.length]! > bank.coldC;
    for (let minute = day === 0 ? Math.floor(from) % DAY_MIN : 0; minute < DAY_MIN; minute++) {
      while (cut < tiers.length && store.chargeAh <= tiers[cut]!.stopAh[0]!) cut++;
      while (cut > 0 && store.chargeAh >= tiers[cut - 1]!.backAh[0]!) cut--;
      const { volts } = store;
      const sunA = sources.sun.reduce((sum, string) => sum + stringA(string, lightOn(string, minute, beam, diffuse), sources.airC[minute]!, volts), 0); // prettier-ignore
      const spareA = sunA + sources.vehicleA[minute]! + sources.shoreA[minute]! - drawnA(demands[cut]!, minute, volts);
      const movedA = store.step(spareA < 0 || warm ? spareA : 0, 1 / 60);
      yield {
        atMin: (Math.floor(from / DAY_MIN) + day) * DAY_MIN + minute,
        volts: store.volts + NOISE_V * noise(),
        amps: -movedA * (1 + NOISE_SHARE * noise()) + NOISE_A * noise(),
      };
    }
    store.stand(24);
  }
}

/** Whether a load that runs a share of the time is on this minute: on until it has run what it owed, off until it owes a turn. */
function switched(turn: Turn, share: number): 0 | 1 {
  if (share >= 1 || share <= 0) {
    turn.on = share >= 1;
    return share >= 1 ? 1 : 0;
  }
  turn.minutes += share;
  if (!turn.on && turn.minutes >= TURN_MIN) turn.on = true;
  if (turn.on && turn.minutes < 1) turn.on = false;
  if (turn.on) turn.minutes -= 1;
  return turn.on ? 1 : 0;
}
