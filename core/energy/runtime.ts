import type { DesignIndex } from '../rig/designIndex';
import type { Battery, Scenario } from '../design/schema';
import { bankOf } from './bank';
import { demandOfLines, drawnA, loadLines } from './loadLines';
import { settingOf } from './setting';
import { Store } from './store';
import { batteryTemperatures, tiersOf } from './trip';

/** Quarters of an hour. */
const STEPS = 96;
/** One arrives and the evening comes first. */
const START_HOUR = 18;
const LONGEST_DAYS = 400;

/**
 * Hours a full battery carries a scenario's day over and over, with no charging, until the first load is cut: at the usable
 * depth, lessened by cold, with Peukert above the rated current. Of a long time half the days left are taken to go as the last one
 * went, again and again. Null when nothing is drawn, or beyond 400 days.
 */
export function runtimeHours(
  index: Pick<DesignIndex, 'duties' | 'loads' | 'ownDraws' | 'settings' | 'zones'> & Partial<Pick<DesignIndex, 'vehicleFed' | 'coils'>>,
  battery: Battery,
  scenario: Scenario,
): number | null {
  const setting = settingOf(scenario);
  const bank = bankOf(battery, index.settings.nominalV);
  const lines = loadLines(index, scenario.id, setting, 1, STEPS);
  const [first] = tiersOf(lines, bank, battery, batteryTemperatures(index, battery, setting, 1));
  if (!first) return null;
  const demand = demandOfLines(lines, STEPS);
  const store = new Store(bank, 1);
  const hours = 24 / STEPS;
  const stopAh = first.stopAh[0]!;
  let skippedDays = 0;
  let dayBefore = store.chargeAh;
  for (let step = 0; skippedDays + step / STEPS < LONGEST_DAYS; step++) {
    const at = (step + (START_HOUR * STEPS) / 24) % STEPS;
    const before = store.chargeAh;
    const wantedA = drawnA(demand, at, store.volts);
    const gaveA = -store.step(-wantedA, hours);
    const after = store.chargeAh;
    if (after <= stopAh) {
      // It ran for as much of the step as the battery had something to give, and was at the stop when so much of that was drawn.
      const ran = wantedA > 0 ? gaveA / wantedA : 1;
      const untilStop = before > after ? Math.max(0, (before - stopAh) / (before - after)) : 0;
      return skippedDays * 24 + (step + ran * untilStop) * hours;
    }
    if (at === STEPS - 1) store.stand(24);
    if ((step + 1) % STEPS > 0) continue;
    const dailyAh = dayBefore - store.chargeAh;
    const alike = Math.floor((store.chargeAh - stopAh) / dailyAh / 2);
    if (alike > 2 && skippedDays + alike < LONGEST_DAYS) {
      store.drain(alike * dailyAh);
      skippedDays += alike;
    }
    dayBefore = store.chargeAh;
  }
  return null;
}
